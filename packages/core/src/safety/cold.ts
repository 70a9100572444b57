import { requireWithin } from '../units';

/**
 * Wind chill index, °C, from air temperature (−60 to 10 °C) and wind speed at 10 m, travel speed included (4.8 to 200 km/h).
 * Source: Joint Action Group for Temperature Indices (JAG/TI) 2001. RangeError outside.
 */
export function windChill(tempC: number, windKmh: number): number {
  requireWithin(tempC, -60, 10, 'air temperature', '°C');
  requireWithin(windKmh, 4.8, 200, 'wind speed', 'km/h');
  const v = windKmh ** 0.16;
  return 13.12 + 0.6215 * tempC - 11.37 * v + 0.3965 * tempC * v;
}

/** What the cold feels like on skin, °C: the wind chill where it is defined, else the air itself. */
export function feelsLike(tempC: number, windKmh: number): number {
  return tempC <= 10 && windKmh >= 4.8 ? Math.min(tempC, windChill(tempC, windKmh)) : tempC;
}

export type FrostbiteTime = { kind: 'minutes'; minutes: number } | { kind: 'over-30' } | { kind: 'not-defined' };

/**
 * Time to frostbite of bare skin. Defined for −15 to −50 °C and 25 to 80 km/h and results under 30 minutes;
 * milder weather answers `over-30`, harder weather `not-defined`.
 * Source: fit used with JAG/TI 2001, t = ((−24.5(0.667V+4.8))+2111)(−4.8−T)^−1.668.
 */
export function frostbiteTime(tempC: number, windKmh: number): FrostbiteTime {
  if (tempC < -50 || windKmh > 80) return { kind: 'not-defined' };
  if (tempC > -15) return { kind: 'over-30' };
  if (windKmh < 25) return tempC < -35 ? { kind: 'not-defined' } : { kind: 'over-30' };
  const minutes = (-24.5 * (0.667 * windKmh + 4.8) + 2111) * (-4.8 - tempC) ** -1.668;
  return minutes >= 30 ? { kind: 'over-30' } : { kind: 'minutes', minutes };
}
