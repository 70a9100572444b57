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
