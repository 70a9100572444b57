import { requireWithin } from '../units';

/** What one saw a diving bait reach: depth at the end of so much line of such thickness. */
export interface MeasuredDive {
  depthM: number;
  lineOutM: number;
  lineMm: number;
}

/** A figure carried further than this from what was measured is none. */
const mostTimes = 3;

/**
 * Depth that a diving bait reaches, m, from one measured figure: it grows as the root of the line out and falls as the root of its
 * thickness. Heuristic; for line of a third to three times what was measured, RangeError outside.
 */
export function diveDepthM(measured: MeasuredDive, lineOutM: number, lineMm: number): number {
  requireWithin(measured.depthM, 0.1, 20, 'measured depth', 'm');
  requireWithin(measured.lineMm, 0.02, 1, 'measured line diameter', 'mm');
  requireWithin(lineMm, 0.02, 1, 'line diameter', 'mm');
  requireWithin(lineOutM, measured.lineOutM / mostTimes, measured.lineOutM * mostTimes, 'line out', 'm');
  return measured.depthM * Math.sqrt(lineOutM / measured.lineOutM) * Math.sqrt(measured.lineMm / lineMm);
}

/** A diving bait is down after this share of the way back. Heuristic. */
const downShare = 0.2;

/**
 * How deep a diving bait runs on its way back, m: at the surface where it landed, down after a fifth of the way, then shallower with the line.
 * Closer in than a third of the measured line it rises evenly to the rod; further out than three times of it the figure is carried no further.
 */
export function divingAt(measured: MeasuredDive, lineMm: number, castM: number, outM: number): number {
  const [near, far] = [measured.lineOutM / mostTimes, measured.lineOutM * mostTimes];
  const depthM = diveDepthM(measured, Math.min(far, Math.max(near, outM)), lineMm) * Math.min(1, outM / near);
  return depthM * Math.min(1, Math.max(0, castM - outM) / (downShare * castM));
}

/** Whether a diving bait runs free, roots on the bottom, or is too shallow to matter over a bed at `bedM`. */
export const diveOver = (diveM: number, bedM: number): 'mid-water' | 'near the bottom' | 'roots' =>
  diveM >= bedM ? 'roots' : diveM >= bedM - 0.6 ? 'near the bottom' : 'mid-water';
