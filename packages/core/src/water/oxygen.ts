import { requireWithin } from '../units';

/** Standard atmosphere, hPa. */
export const standardPressureHpa = 1013.25;

/**
 * Oxygen at saturation in fresh water, mg/L, for 0 to 40 °C; RangeError outside.
 * Source: Benson & Krause 1984, Limnol. Oceanogr. 29, fresh water at one atmosphere, scaled by station pressure.
 * @param stationHpa pressure at the water itself, not reduced to sea level; 400 to 1100 hPa
 */
export function oxygenSaturation(tempC: number, stationHpa: number = standardPressureHpa): number {
  requireWithin(tempC, 0, 40, 'water temperature', '°C');
  requireWithin(stationHpa, 400, 1100, 'station pressure', 'hPa');
  const k = tempC + 273.15;
  const ln = -139.34411 + 1.575701e5 / k - 6.642308e7 / k ** 2 + 1.2438e10 / k ** 3 - 8.621949e11 / k ** 4;
  return (Math.exp(ln) * stationHpa) / standardPressureHpa;
}

/**
 * Pressure at a water from sea-level pressure, hPa, by the standard atmosphere, for −100 to 5000 m.
 * Source: ICAO standard atmosphere, troposphere.
 */
export function stationPressure(seaLevelHpa: number, elevationM: number): number {
  requireWithin(elevationM, -100, 5000, 'elevation', 'm');
  return seaLevelHpa * (1 - 2.25577e-5 * elevationM) ** 5.25588;
}
