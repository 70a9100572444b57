import { requireWithin } from '../units';

/** Temperature of greatest density of fresh water, °C. */
export const maximumDensityC = 3.983035;

const a2 = 301.797;
const a3 = 522528.9;
const a4 = 69.34881;
const a5 = 999.97495;

/**
 * Density of pure water at one atmosphere, kg/m³, for 0 to 40 °C; RangeError outside.
 * Source: Tanaka et al. 2001, Metrologia 38, eq. 1.
 */
export function waterDensity(tempC: number): number {
  return freshDensity(requireWithin(tempC, 0, 40, 'water temperature', '°C'));
}

/** The same without a look at the range, for models that keep to it, kg/m³. */
export function freshDensity(tempC: number): number {
  const d = tempC - maximumDensityC;
  return a5 * (1 - (d * d * (tempC + a2)) / (a3 * (tempC + a4)));
}
