import { requireWithin } from '../units';

/** Conductivity of clear ice, W/(m·K). */
export const clearIceConductivity = 2.24;
/** Density of ice, kg/m³. */
export const iceDensity = 917;
/** Latent heat of fusion of ice, J/kg. */
export const latentHeat = 3.34e5;

/**
 * Thickness, m, of bare clear ice after `fdd` freezing degree-days (°C·day, 0 to 10 000), with nothing between ice and air
 * and no heat from the water: an upper bound. Source: Stefan's solution as in Ashton 1986.
 */
export function stefanThickness(fdd: number): number {
  requireWithin(fdd, 0, 10_000, 'freezing degree-days', '°C·day');
  return Math.sqrt((2 * clearIceConductivity * fdd * 86_400) / (iceDensity * latentHeat));
}
