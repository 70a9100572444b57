import { requireWithin } from '../units';

/** Bearing coefficient at the careful end, kg/cm². Source: Gold 1971 (3.5 to 7, lower bound). */
export const bearingKgPerCm2 = 3.5;

/** Kinds of load, with the clear ice that common public guidance asks for, m. White ice counts half. */
export const iceGuidance = [
  { load: 'foot', words: 'walking', leastM: 0.1 },
  { load: 'snowmobile', words: 'a snowmobile', leastM: 0.18 },
  { load: 'car', words: 'a car', leastM: 0.3 },
  { load: 'truck', words: 'a light truck', leastM: 0.38 },
] as const;
export type IceLoad = (typeof iceGuidance)[number]['load'];

/** A measured thickness of ice, m. */
export interface IceMeasurement {
  clearM: number;
  whiteM: number;
  atMs: number;
}

/** Thickness that counts for bearing: clear ice plus half the white, m. */
export const countingThickness = (ice: Pick<IceMeasurement, 'clearM' | 'whiteM'>) => ice.clearM + ice.whiteM / 2;

/**
 * Mass, kg, that a moving group may put on an ice sheet of clear and white ice (each 0 to 2 m), by P = A·h² at the lower bound.
 * A figure for comparing, never leave to go. Source: Gold 1971, Can. Geotech. J. 8.
 */
export function bearingKg(clearM: number, whiteM: number): number {
  requireWithin(clearM, 0, 2, 'clear ice', 'm');
  requireWithin(whiteM, 0, 2, 'white ice', 'm');
  const cm = countingThickness({ clearM, whiteM }) * 100;
  return bearingKgPerCm2 * cm * cm;
}

/** What may be said of measured ice. There is no answer that says yes. */
export type IceFinding =
  { kind: 'not-measured' } | { kind: 'not-enough'; countsM: number; leastM: number; ageMs: number } | { kind: 'above-guidance'; countsM: number; leastM: number; ageMs: number };

/** Compares the last measurement with common public guidance for a load. A modelled thickness is never accepted here. */
export function judgeIce(last: IceMeasurement | undefined, load: IceLoad, nowMs: number): IceFinding {
  if (!last) return { kind: 'not-measured' };
  const leastM = iceGuidance.find((g) => g.load === load)!.leastM;
  const countsM = countingThickness(last);
  return { kind: countsM >= leastM ? 'above-guidance' : 'not-enough', countsM, leastM, ageMs: nowMs - last.atMs };
}
