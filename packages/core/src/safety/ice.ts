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
  /** Where, as longitude and latitude, when it is known. */
  at?: readonly [number, number];
}

/** Thickness that counts for bearing: clear ice plus half the white, m. */
export const countingThickness = (ice: Pick<IceMeasurement, 'clearM' | 'whiteM'>) => ice.clearM + ice.whiteM / 2;

/**
 * Mass, kg, that a moving group may put on an ice sheet of clear and white ice (each 0 to 3 m), by P = A·h² at the lower bound.
 * A figure for comparing, never leave to go. Source: Gold 1971, Can. Geotech. J. 8.
 */
export function bearingKg(clearM: number, whiteM: number): number {
  requireWithin(clearM, 0, 3, 'clear ice', 'm');
  requireWithin(whiteM, 0, 3, 'white ice', 'm');
  const cm = countingThickness({ clearM, whiteM }) * 100;
  return bearingKgPerCm2 * cm * cm;
}

/** What may be said of measured ice. There is no answer that says yes. */
export type IceFinding =
  | { kind: 'not-measured' }
  | { kind: 'not-enough'; countsM: number; leastM: number; ageMs: number; bearsKg: number | null }
  | { kind: 'above-guidance'; countsM: number; leastM: number; ageMs: number; bearsKg: number | null }
  /** Measured before a thaw of a day or more: its strength is unknown. */
  | { kind: 'thawed'; countsM: number; leastM: number; ageMs: number; hoursAbove: number };

/** A thaw of this length without a break voids what ice was measured to bear, h. Source: common guidance. */
export const voidingThawH = 24;
/** Loads that stand rather than move: half the bearing. */
const standing: readonly IceLoad[] = ['car', 'truck'];

/**
 * Compares the thinnest of the last measurements with common public guidance for a load. A modelled thickness is never accepted
 * here. Bearing (Gold 1971, lower bound, half for loads that stand) is given only where the guidance is passed as well.
 * @param thawHours hours above 0 °C without a break since the measurement
 */
export function judgeIce(last: IceMeasurement | undefined, load: IceLoad, nowMs: number, thawHours = 0): IceFinding {
  if (!last) return { kind: 'not-measured' };
  const leastM = iceGuidance.find((g) => g.load === load)!.leastM;
  const countsM = countingThickness(last);
  const ageMs = nowMs - last.atMs;
  if (thawHours >= voidingThawH) return { kind: 'thawed', countsM, leastM, ageMs, hoursAbove: thawHours };
  if (countsM < leastM) return { kind: 'not-enough', countsM, leastM, ageMs, bearsKg: null };
  return { kind: 'above-guidance', countsM, leastM, ageMs, bearsKg: bearingKg(last.clearM, last.whiteM) * (standing.includes(load) ? 0.5 : 1) };
}

/** The thinnest ice by what counts among measurements of one visit: the one that a party must reckon with. */
export function thinnest(measurements: readonly IceMeasurement[]): IceMeasurement | undefined {
  return measurements.reduce<IceMeasurement | undefined>((a, b) => (!a || countingThickness(b) < countingThickness(a) ? b : a), undefined);
}
