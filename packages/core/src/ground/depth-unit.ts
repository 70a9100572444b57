import { LocalFrame } from '../units';
import { depthAt, type DepthMap, type Sounding } from './depth-map';

/** Units that files count depths in, m. */
export const depthUnits = { m: 1, cm: 0.01, ft: 0.3048, fathom: 1.8288 } as const;
export type DepthUnit = keyof typeof depthUnits;

/** Deepest of an inland water of some extent, m: a share of its length and a little, and never more than `mostM`. Heuristic: steep quarries reach a third of their length. */
const plausible = { shareOfLength: 0.35, slackM: 5, mostM: 150 } as const;

/** Soundings whose depths are in another unit, in metres. */
export const soundingsIn = <S extends Sounding>(soundings: readonly S[], unit: DepthUnit): S[] =>
  unit === 'm' ? [...soundings] : soundings.map((s) => ({ ...s, depthM: s.depthM * depthUnits[unit] }));

/** Whether depths taken as metres are too great for the water they lie in, so that their unit must be asked for. */
export function areDepthsDoubtful(soundings: readonly Sounding[]): boolean {
  if (soundings.length === 0) return false;
  const frame = new LocalFrame(soundings[0].at[0], soundings[0].at[1]);
  const [low, high] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  let deepestM = 0;
  for (const { at, depthM } of soundings) {
    frame.toMetres(at).forEach((v, axis) => {
      low[axis] = Math.min(low[axis], v);
      high[axis] = Math.max(high[axis], v);
    });
    deepestM = Math.max(deepestM, depthM);
  }
  const lengthM = Math.hypot(high[0] - low[0], high[1] - low[1]);
  return deepestM > Math.min(plausible.mostM, plausible.shareOfLength * lengthM + plausible.slackM);
}

/** How soundings lie to a map, read in one unit: how far they are off it at the middle, m; null where too few lie on it. */
export interface UnitFit {
  unit: DepthUnit;
  onMap: number;
  offM: number | null;
}

/** Fewer soundings than this on the known map say nothing of their unit. */
const fewestOnMap = 3;

/** How soundings to be added lie to the map that is known, for each unit that their depths may be in; the one that fits best first, where that can be said. */
export function soundingsAgainst(map: DepthMap, soundings: readonly Sounding[]): UnitFit[] {
  const known = soundings.flatMap((s) => {
    const here = depthAt(map, s.at);
    return here ? [{ depthM: here.depthM, figure: s.depthM }] : [];
  });
  const fits = (Object.keys(depthUnits) as DepthUnit[]).map((unit): UnitFit => {
    const off = known.map((k) => Math.abs(k.figure * depthUnits[unit] - k.depthM)).sort((a, b) => a - b);
    return { unit, onMap: known.length, offM: off.length < fewestOnMap ? null : off[off.length >> 1] };
  });
  return fits.sort((a, b) => (a.offM ?? 0) - (b.offM ?? 0));
}
