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

/** What the cold feels like on skin, °C: the wind chill where it is defined, at its nearest bound beyond, else the air itself. */
export function feelsLike(tempC: number, windKmh: number): number {
  if (tempC > 10 || windKmh < paceKmh) return tempC;
  return Math.min(tempC, windChill(Math.max(tempC, -60), Math.min(windKmh, 200)));
}

/**
 * What the air of an hour feels like, °C, from its temperature in °C and wind in m/s; null where either is not known, because wind taken for
 * calm would make a dangerous cold look mild.
 */
export function feltAir({ airC, windMs }: { airC: number | null; windMs: number | null }): number | null {
  return airC === null || windMs === null ? null : feelsLike(airC, windMs * 3.6);
}

/** A person on foot makes this much wind, km/h; below it the wind chill index is not defined. */
const paceKmh = 4.8;

/** A band of the wind chill index, from its least cold whole degree down, with the time to frostbite of bare skin, min. */
interface FrostbiteBand {
  fromIndexC: number;
  text: string;
  mostMin: number;
}

/** Source: public wind-chill bands for exposed skin of most people. `over 30` is the band of low risk. */
const frostbiteBands: readonly FrostbiteBand[] = [
  { fromIndexC: Infinity, text: 'over 30', mostMin: Infinity },
  { fromIndexC: -28, text: '10 to 30', mostMin: 30 },
  { fromIndexC: -40, text: '5 to 10', mostMin: 10 },
  { fromIndexC: -48, text: '2 to 5', mostMin: 5 },
  { fromIndexC: -55, text: 'under 2', mostMin: 2 },
];

/** How long bare skin has: minutes by the formula, or the public band as words ("10 to 30"). */
export type FrostbiteTime = { by: 'formula'; minutes: number } | { by: 'band'; text: string };

/**
 * Time to frostbite of bare skin for air of −90 to 60 °C and wind of 0 to 400 km/h, travel speed included; never longer than the public band
 * of the wind chill, taken at a walking pace at least. Minutes come from the fit used with JAG/TI 2001,
 * t = ((−24.5(0.667V+4.8))+2111)(−4.8−T)^−1.668, where it is defined: −15 to −50 °C, 25 to 80 km/h, under 30 minutes.
 * RangeError outside.
 */
export function frostbiteTime(tempC: number, windKmh: number): FrostbiteTime {
  requireWithin(tempC, -90, 60, 'air temperature', '°C');
  requireWithin(windKmh, 0, 400, 'wind speed', 'km/h');
  // The public index is a whole number; a half goes to the colder one.
  const index = -Math.round(-feelsLike(tempC, Math.max(windKmh, paceKmh)));
  const band = frostbiteBands.findLast((b) => index <= b.fromIndexC)!;
  const isDefined = tempC <= -15 && tempC >= -50 && windKmh >= 25 && windKmh <= 80;
  const minutes = isDefined ? (-24.5 * (0.667 * windKmh + 4.8) + 2111) * (-4.8 - tempC) ** -1.668 : Infinity;
  return minutes < 30 && minutes <= band.mostMin ? { by: 'formula', minutes } : { by: 'band', text: band.text };
}
