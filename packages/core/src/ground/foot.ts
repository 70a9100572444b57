import { LocalFrame, type LonLat } from '../units';
import type { DepthMap } from './depth-map';
import { Relief } from './relief';

/** The foot of a drop: a steep fall from a shelf that eases there, and deeper water in front. */
export interface DropFoot {
  at: LonLat;
  depthM: number;
  /** Depth of the shelf behind the fall, m. */
  shelfM: number;
  /** Deepest water that the bed goes on to from here, m. */
  frontM: number;
}

/** What counts as the foot of a drop. Heuristic; source: fieldcraft §1 (a break is called one from about 1 in 8). */
export const footLimits = {
  /** Span over which a slope is taken and how far the steepest way is followed up and down, m. */
  spanM: 15,
  upM: 90,
  downM: 400,
  straightM: 150,
  stepM: 5,
  /** Least slope of the fall as the map smooths it, m per m, and how much of it may be left at its foot and on its shelf. */
  slope: 0.1,
  easing: 0.6,
  /** Least fall, m, and as a share of the foot's depth. */
  fallM: 2,
  fallShare: 0.12,
  /** Least depth of a shelf, as a share of the foot's depth, and its greatest slope, m per m. */
  shelfShare: 0.25,
  shelfSlope: 0.13,
  /** Least gain of depth in front, m, and as a share. */
  frontM: 2,
  frontShare: 0.25,
  /** Share of that gain that may come at once. */
  atOnce: 0.5,
  /** Gain of depth in front, as a share, from which more is no better. */
  frontWanted: 0.6,
  /** Share of the greatest depth where they are looked for first, and its spread. */
  wantedShare: 0.48,
  spread: 0.15,
  /** Depth of the shelf, as a share of the foot's, from which it is a shelf in full: less is a terrace under the bank. */
  shelfWanted: 0.6,
} as const;

/** Feet of drops with deeper water in front, the one to begin at first; none two nearer than 40 m to each other. Empty where the bed has none. */
export function dropFeet(map: DepthMap): DropFoot[] {
  const relief = new Relief(map);
  const every = Math.max(1, Math.round(5 / map.cellM));
  const found: { x: number; y: number; worth: number; foot: FoundFoot }[] = [];
  for (let j = 0; j < map.ny; j += every)
    for (let i = 0; i < map.nx; i += every) {
      const c = j * map.nx + i;
      if (!(map.depthM[c] > 2)) continue;
      const [x, y] = [relief.x(c), relief.y(c)];
      const foot = footAt(relief, x, y);
      if (foot) found.push({ x, y, foot, worth: worthOf(foot, map) });
    }
  const kept: typeof found = [];
  for (const f of found.sort((a, b) => b.worth - a.worth)) if (kept.every((k) => Math.hypot(k.x - f.x, k.y - f.y) >= 40)) kept.push(f);
  const frame = new LocalFrame(map.lon0, map.lat0);
  return kept.map(({ x, y, foot: { depthM, shelfM, frontM } }) => ({ at: frame.toLonLat(x, y), depthM, shelfM, frontM }));
}

/** A foot, and how sharply the fall eases there, 0–1. */
type FoundFoot = Omit<DropFoot, 'at'> & { sharpness: number };

function footAt(relief: Relief, x: number, y: number): FoundFoot | null {
  const { spanM, slope, easing, fallM, fallShare, frontM, frontShare, upM, downM, straightM, stepM, atOnce } = footLimits;
  const depthM = relief.depth(x, y);
  const s = relief.slope(x, y, spanM / 2);
  if (!s || !(depthM > 0)) return null;
  const above = (depthM - relief.depth(x - s.dx * spanM, y - s.dy * spanM)) / spanM;
  const below = (relief.depth(x + s.dx * spanM, y + s.dy * spanM) - depthM) / spanM;
  if (!(above >= slope && below <= easing * above && below >= -0.02)) return null;
  const up = followed(relief, x, y, -1, upM);
  // Straight on as well: on a level bench the steepest way wanders.
  const ahead = Array.from({ length: straightM / stepM }, (_, k) => relief.depth(x + (k + 1) * stepM * s.dx, y + (k + 1) * stepM * s.dy)).filter((d) => d >= 0);
  const front = [...followed(relief, x, y, 1, downM), ...ahead].reduce((most, d) => Math.max(most, d), depthM);
  // The fall may not go on to the floor of the basin at once: then that is its foot.
  if (front - depthM < Math.max(frontM, frontShare * depthM) || below * spanM > atOnce * (front - depthM)) return null;
  const shelfM = shelfOf(up, depthM, above);
  return shelfM !== null && depthM - shelfM >= Math.max(fallM, fallShare * depthM) ? { depthM, shelfM, frontM: front, sharpness: 1 - Math.max(0, below) / above } : null;
}

/** Depths along the steepest way from a place, uphill (−1) or downhill (1), step by step; it ends at the shore, on the level, and at `lengthM`. */
function followed(relief: Relief, x: number, y: number, side: -1 | 1, lengthM: number): number[] {
  const { stepM } = footLimits;
  const depths: number[] = [];
  let last: { dx: number; dy: number } | null = null;
  for (let gone = 0; gone < lengthM; gone += stepM) {
    const s: { dx: number; dy: number } | null = relief.slope(x, y, stepM) ?? last;
    if (!s) break;
    last = s;
    [x, y] = [x + side * s.dx * stepM, y + side * s.dy * stepM];
    const d = relief.depth(x, y);
    if (Number.isNaN(d)) break;
    depths.push(d);
  }
  return depths;
}

/** Depth at which the way up from the foot eases again, m; null where it goes on rising to the shore. */
function shelfOf(up: readonly number[], depthM: number, above: number): number | null {
  const { stepM, spanM, shelfSlope, easing, shelfShare } = footLimits;
  const span = Math.round(spanM / stepM);
  for (let k = span; k + span < up.length; k++) {
    if ((up[k] - up[k + span]) / spanM <= Math.min(easing * above, shelfSlope)) return up[k] >= Math.max(1.5, shelfShare * depthM) ? up[k] : null;
  }
  return null;
}

function worthOf({ depthM, shelfM, frontM, sharpness }: FoundFoot, map: DepthMap): number {
  const { wantedShare, spread, frontWanted, shelfWanted } = footLimits;
  const off = (depthM / map.deepest.depthM - wantedShare) / spread;
  const shelf = Math.min(1, shelfM / (shelfWanted * depthM));
  const front = Math.min(1, (frontM - depthM) / (frontWanted * depthM));
  return Math.exp(-0.5 * off * off) * shelf * Math.sqrt(sharpness) * front;
}
