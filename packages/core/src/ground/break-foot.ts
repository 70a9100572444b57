import { bearingDeg, compassPoint, LocalFrame, type LonLat } from '../units';
import type { DepthMap } from './depth-map';

/** The foot of a steep drop beside a basin: fieldcraft's first place in midwinter. */
export interface BreakFoot {
  at: LonLat;
  depthM: number;
  sdM: number;
  /** Rise of the bed toward the shore side, metres up per metre along. */
  slope: number;
  /** Side of the basin it lies on, by the compass. */
  side: string;
  ruleId: 'place.midwinter.break-foot';
}

/** The search looks uphill over this distance, m, and only in the deepest share of the water's area; a bed that rises less has no break. Heuristic; source: fieldcraft. */
export const breakFootLimits = { uphillM: 30, deepestShare: 0.16, leastSlope: 0.02 } as const;

/**
 * Finds the place in the deepest part of the water with the steepest rise beside it, weighing steepness against depth.
 * Null where the bed is as good as even.
 */
export function findBreakFoot(map: DepthMap): BreakFoot | null {
  const depths = map.depthM.filter((d) => !Number.isNaN(d)).sort();
  const least = depths[Math.floor(depths.length * (1 - breakFootLimits.deepestShare))];
  const reach = Math.max(1, Math.round(breakFootLimits.uphillM / map.cellM));
  let best: { c: number; slope: number; score: number } | null = null;
  for (let c = 0; c < map.depthM.length; c++) {
    const depth = map.depthM[c];
    if (!(depth >= least)) continue;
    const i = c % map.nx;
    const j = Math.floor(c / map.nx);
    let slope = 0;
    for (let k = 0; k < 8; k++) {
      const di = Math.round(reach * Math.cos((k * Math.PI) / 4));
      const dj = Math.round(reach * Math.sin((k * Math.PI) / 4));
      const other = i + di >= 0 && i + di < map.nx ? map.depthM[(j + dj) * map.nx + i + di] : NaN;
      if (other >= 0) slope = Math.max(slope, (depth - other) / (Math.hypot(di, dj) * map.cellM));
    }
    const score = slope * (depth / map.deepest.depthM);
    if (!best || score > best.score) best = { c, slope, score };
  }
  if (!best || best.slope < breakFootLimits.leastSlope) return null;
  const frame = new LocalFrame(map.lon0, map.lat0);
  const at = frame.toLonLat(map.x0 + (best.c % map.nx) * map.cellM, map.y0 + Math.floor(best.c / map.nx) * map.cellM);
  return {
    at,
    depthM: map.depthM[best.c],
    sdM: map.sdM[best.c],
    slope: best.slope,
    side: compassPoint(bearingDeg(map.deepest.at, at)),
    ruleId: 'place.midwinter.break-foot',
  };
}
