import type { CastWater, Spot } from '@burrow/core/casting';
import type { CastFrame } from '@/features/cast/frame';

/** As much of the lane is in view about the boat, m, close up. */
export const closeM = 260;
const marginPx = 44;

/** The frame of a lane, and the spot under a touch in it. */
export interface LaneFrame extends CastFrame {
  spotAt: (x: number, y: number) => Spot;
}

/** The map about the boat, or about the whole lane, north up. */
export function laneFrame(bed: CastWater, middle: Spot, lane: readonly Spot[], size: { width: number; height: number }): LaneFrame {
  const span = (axis: 'x' | 'y') =>
    lane.length === 0 ? { from: middle[axis], to: middle[axis] } : { from: Math.min(...lane.map((s) => s[axis])), to: Math.max(...lane.map((s) => s[axis])) };
  const [x, y] = [span('x'), span('y')];
  const pxPerM =
    lane.length === 0
      ? Math.min(size.width, size.height) / closeM
      : Math.min((size.width - 2 * marginPx) / Math.max(20, x.to - x.from), (size.height - 2 * marginPx) / Math.max(20, y.to - y.from));
  const centre = { x: (x.from + x.to) / 2, y: (y.from + y.to) / 2 };
  const spotPx = (p: Spot) => ({ x: size.width / 2 + (p.x - centre.x) * pxPerM, y: size.height / 2 - (p.y - centre.y) * pxPerM });
  const spotAt = (px: number, py: number) => ({ x: centre.x + (px - size.width / 2) / pxPerM, y: centre.y - (py - size.height / 2) / pxPerM });
  return { ...size, pxPerM, spot: middle, at: spotPx(middle), spotPx, toPx: (at) => spotPx(bed.spot(at)), spotAt };
}
