import { bisect, requireWithin } from '../units';
import { lineDepth, type LineShape } from './line-bow';
import type { Lure } from './materials';

/** Fastest drift that is reckoned with, m/s. */
const fastestMs = 2;

export interface LeaningLine extends LineShape {
  /** Drift or current that leans the line so, m/s. */
  driftMs: number;
}

/**
 * How a line hangs that leans by `angleDeg` (0 to 80) from upright at the surface, with `lineOutM` (0.1 to 100 m) out: the drift that does so,
 * and where the lure is. By bisection over `lineDepth`, whose lean grows with the drift. RangeError where no drift of up to 2 m/s leans it so far.
 */
export function lineAtAngle(lure: Lure, lineMm: number, lineOutM: number, angleDeg: number): LeaningLine {
  requireWithin(angleDeg, 0, 80, 'lean of the line', '°');
  const leans = (driftMs: number) => lineDepth(lure, lineMm, lineOutM, driftMs).surfaceAngleDeg < angleDeg;
  if (leans(fastestMs)) throw new RangeError(`no drift of up to ${fastestMs} m/s leans this line by ${angleDeg}°`);
  const driftMs = bisect(leans, 0, fastestMs, 40);
  return { ...lineDepth(lure, lineMm, lineOutM, driftMs), driftMs };
}

/** The lightest of some masses that keeps a line within `mostDeg` of upright in a drift; null where none does. */
export function massThatHolds(lure: Omit<Lure, 'massG'>, massesG: readonly number[], lineMm: number, lineOutM: number, driftMs: number, mostDeg: number): number | null {
  const rising = [...massesG].sort((a, b) => a - b);
  return rising.find((massG) => lineDepth({ ...lure, massG }, lineMm, lineOutM, driftMs).surfaceAngleDeg <= mostDeg) ?? null;
}

/** Line to let out so that a lure hangs at a true depth while its line leans so, m: the inverse of `lineAtAngle`. RangeError as there. */
export function lineForDepth(lure: Lure, lineMm: number, depthM: number, angleDeg: number): number {
  if (angleDeg === 0) return depthM;
  // A straight line would ask for the most: a bent one hangs deeper.
  const straightM = depthM / Math.cos((angleDeg * Math.PI) / 180);
  return bisect((outM) => lineAtAngle(lure, lineMm, outM, angleDeg).depthM < depthM, depthM, straightM, 30);
}
