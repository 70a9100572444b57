import { bodyOf, coldWaterDensity, lineFriction, lineNormalDrag, type Lure } from '../rig';
import { bisect, interpolate, requireWithin } from '../units';

/** Line that is let out at most, m: past it neither the model nor the angler knows where the bait is. */
export const mostLineM = 200;
/** Fastest that is reckoned with, m/s. */
export const fastestMs = 5;
/** Drag coefficient times area of what is drawn, m², at most. */
const mostDragM2 = 0.1;

export interface TrolledRig {
  lure: Lure;
  /** Drag of what the weight draws after it, as drag coefficient times area, m²: a lip, a blade, a dead bait; 0 for a bare weight. */
  dragAreaM2?: number;
  lineMm: number;
}

export interface TrolledLine {
  depthM: number;
  setBackM: number;
  /** Depth of a place on the line so far up from the bait, m. */
  depthAbove: (upM: number) => number;
}

/**
 * Where a bait runs behind a boat: a weightless line followed from the bait up, with the water across it and friction along it,
 * dT/ds = ½ρ·C_t·π·d·(U sin θ)². Line 0.1 to 200 m of 0.02 to 2 mm, speed 0 to 5 m/s through the water; at 0 it hangs straight down.
 * RangeError outside.
 */
export function trolledLine({ lure, dragAreaM2 = 0, lineMm }: TrolledRig, lineOutM: number, speedMs: number): TrolledLine {
  requireWithin(lineMm, 0.02, 2, 'line diameter', 'mm');
  requireWithin(lineOutM, 0.1, mostLineM, 'line out', 'm');
  requireWithin(speedMs, 0, fastestMs, 'speed', 'm/s');
  requireWithin(dragAreaM2, 0, mostDragM2, 'drag area', 'm²');
  const { along, heights, setBackM } = curve({ lure, dragAreaM2, lineMm }, lineOutM, speedMs);
  const total = heights[heights.length - 1];
  return { depthM: total, setBackM, depthAbove: (upM) => total - interpolate(along, heights, Math.min(lineOutM, Math.max(0, upM))) };
}

/** A step up the line bends by no more than this, rad, and is no longer than that, m. */
const [mostBend, longestStepM] = [0.01, 0.1];

/** Heights over the bait, m, at places up the line, m: close together where it bends. */
function curve({ lure, dragAreaM2 = 0, lineMm }: TrolledRig, lineOutM: number, speedMs: number): { along: number[]; heights: number[]; setBackM: number } {
  const body = bodyOf(lure);
  const q = 0.5 * coldWaterDensity * speedMs ** 2;
  const drag = q * (body.dragCoefficient * body.areaM2 + dragAreaM2);
  const across = q * lineNormalDrag * (lineMm / 1000);
  const friction = q * lineFriction * Math.PI * (lineMm / 1000);
  // Angle from upright; tension grows by friction on the way up.
  let angle = Math.atan2(drag, body.wetWeightN);
  let tension = Math.hypot(drag, body.wetWeightN);
  const along = [0];
  const heights = [0];
  let setBackM = 0;
  for (let s = 0; s < lineOutM - 1e-12;) {
    const bend = (across * Math.cos(angle) ** 2) / tension;
    const ds = Math.min(lineOutM - s, longestStepM, bend > 0 ? mostBend / bend : longestStepM);
    const middle = angle + 0.5 * ds * bend;
    s += ds;
    along.push(s);
    heights.push(heights[heights.length - 1] + Math.cos(middle) * ds);
    setBackM += Math.sin(middle) * ds;
    angle += (ds * across * Math.cos(middle) ** 2) / tension;
    tension += ds * friction * Math.sin(middle) ** 2;
  }
  return { along, heights, setBackM };
}

/**
 * Line to let out for a depth, m, the inverse of `trolledLine`. Depth 0.1 to 200 m.
 * RangeError where no 200 m of line takes it so deep at this speed.
 */
export function lineOut(rig: TrolledRig, depthM: number, speedMs: number): number {
  requireWithin(depthM, 0.1, mostLineM, 'depth', 'm');
  requireWithin(speedMs, 0, fastestMs, 'speed', 'm/s');
  const deepest = trolledLine(rig, mostLineM, speedMs);
  if (deepest.depthM < depthM)
    throw new RangeError(
      `expected a depth that ${mostLineM} m of line reaches, found ${depthM} m: at ${speedMs} m/s this bait runs at ${deepest.depthM.toFixed(1)} m with all of it out; heavier, thinner or slower`,
    );
  // The curve of the longest line is that of every shorter one, followed from the bait up.
  return bisect((outM) => deepest.depthM - deepest.depthAbove(outM) < depthM, Math.max(0.1, depthM * 0.999), mostLineM);
}

/** A touch within this share of what a bare weight would reach draws nothing. */
const bareShare = 0.03;

/**
 * Drag of what a weight draws after it, as drag coefficient times area, m², from one touch of the bed: so much line out, a depth of water
 * and a speed through it. 0 where it runs like a bare weight. RangeError where it touched deeper than a bare weight can run.
 */
export function dragOfTouch(rig: Omit<TrolledRig, 'dragAreaM2'>, lineOutM: number, depthM: number, speedMs: number): number {
  requireWithin(depthM, 0.1, lineOutM, 'depth where it touched', 'm');
  requireWithin(speedMs, 0.1, fastestMs, 'speed', 'm/s');
  const bareM = trolledLine(rig, lineOutM, speedMs).depthM;
  if (depthM >= bareM * (1 - bareShare)) {
    if (depthM <= bareM * (1 + bareShare)) return 0;
    throw new RangeError(
      `expected a touch no deeper than the ${bareM.toFixed(1)} m that the bare weight runs at with ${lineOutM} m out, found ${depthM} m: the weight, the speed or the depth is another`,
    );
  }
  return bisect((dragAreaM2) => trolledLine({ ...rig, dragAreaM2 }, lineOutM, speedMs).depthM > depthM, 0, mostDragM2);
}

/** Depths of the baits of one line, deepest first, m: the end bait, and a second so far up the line. */
export function baitDepths(rig: TrolledRig, lineOutM: number, speedMs: number, secondAboveM: number | null): number[] {
  const line = trolledLine(rig, lineOutM, speedMs);
  return secondAboveM === null || secondAboveM >= lineOutM ? [line.depthM] : [line.depthM, line.depthAbove(secondAboveM)];
}

/** Speed of a line at `besideM` beside the middle of the boat in a turn of radius R, m/s: outside faster, inside slower. RangeError for a turn inside the rods. */
export function speedInTurn(speedMs: number, besideM: number, turnM: number, side: 'outside' | 'inside'): number {
  requireWithin(besideM, 0, 20, 'way of the rod beside the middle', 'm');
  if (!(turnM > besideM)) throw new RangeError(`expected a turn wider than the rods, ${besideM} m, found ${turnM} m`);
  return speedMs * (1 + (side === 'outside' ? besideM : -besideM) / turnM);
}
