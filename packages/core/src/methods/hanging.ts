import type { HangingLine } from './method';

/** A line that hangs straight: the lure is as deep as line is out. */
export const uprightDepth = ({ lineOutM }: HangingLine): number => lineOutM;

/**
 * Depth of a lure whose line leans from upright at the surface, m: the current bends a line most near the surface, so the lean halves on the
 * way down, on average. Heuristic, good to a tenth for leans under 40°; with mass and line known `lineAtAngle` of `rig` says it better.
 */
export const leaningDepth = ({ lineOutM, angleDeg }: HangingLine): number => lineOutM * Math.cos((0.75 * angleDeg * Math.PI) / 180);
