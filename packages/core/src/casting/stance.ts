import { contourLines, distanceM, isInside, ringOf, type LonLat, type SurveyedArea } from '../ground';
import { coarse, Fan, fine, type CastSetting, type FanCast } from './fan';
import type { CastWater } from './water';
import { type Spot } from './water';

/** Where to stand and along which bearings. */
export interface CastPlan {
  stance: LonLat;
  casts: FanCast[];
  /** Share of what can be reached that the casts show. */
  covered: number;
  across: { bearingDeg: number; inBandShare: number };
}

/** A place to stand; on a shore with how far along it, of how much. */
export interface Stance extends Spot {
  shore?: { ring: number; alongM: number; roundM: number };
}

/** Stances looked at, and how many of the best are looked at closely. */
const looks = { afloat: 900, ashore: 500, closely: 6, halvings: 4 } as const;

/** Stances afloat, evenly over the water, or along its shores of today. */
export function stances(water: CastWater, shores: readonly (readonly LonLat[])[], isAshore: boolean): Stance[] {
  return isAshore ? ashore(water, shores) : afloat(water);
}

function afloat({ map, levelM }: CastWater): Spot[] {
  const wet: number[] = [];
  for (let c = 0; c < map.depthM.length; c++) if (map.depthM[c] + levelM > 0.3) wet.push(c);
  const every = Math.max(1, Math.round(Math.sqrt(wet.length / looks.afloat)));
  return wet
    .filter((c) => (c % map.nx) % every === 0 && Math.floor(c / map.nx) % every === 0)
    .map((c) => ({ x: map.x0 + (c % map.nx) * map.cellM, y: map.y0 + Math.floor(c / map.nx) * map.cellM }));
}

/** The shores of today: the outline and those of its islands, or where the depth line of a drawn-down level runs. */
export function shoresOfToday({ map, levelM }: CastWater, { ring, islands }: Pick<SurveyedArea, 'ring' | 'islands'>): LonLat[][] {
  return levelM < 0 ? contourLines(map, [-levelM]).flatMap((c) => c.rings) : [[...ring], ...islands.map((island) => [...island])];
}

function ashore(water: CastWater, shores: readonly (readonly LonLat[])[]): Stance[] {
  const rings = shores.filter((r) => r.length > 3);
  const lengths = rings.map((r) => r.reduce((sum, p, k) => sum + distanceM(p, r[(k + 1) % r.length]), 0));
  const apartM = Math.max(2, lengths.reduce((sum, l) => sum + l, 0) / looks.ashore);
  return rings.flatMap((r, ring) => {
    const found: Stance[] = [];
    let [left, before] = [0, 0];
    r.forEach((p, k) => {
      const [a, b] = [water.spot(p), water.spot(r[(k + 1) % r.length])];
      const side = Math.hypot(b.x - a.x, b.y - a.y);
      for (; left < side; left += apartM)
        found.push({ x: a.x + ((b.x - a.x) * left) / side, y: a.y + ((b.y - a.y) * left) / side, shore: { ring, alongM: before + left, roundM: lengths[ring] } });
      left -= side;
      before += side;
    });
    return found;
  });
}

/**
 * How far it is from a place to each stance, m: straight over the water, or along the shore for one on foot, who does not cross it.
 * A stance on another shore is out of reach.
 */
export function waysTo(found: readonly Stance[], from: Spot): number[] {
  const straight = found.map((s) => Math.hypot(s.x - from.x, s.y - from.y));
  const nearest = found.length === 0 ? 0 : straight.reduce((best, d, k) => (d < straight[best] ? k : best), 0);
  const at = found[nearest]?.shore;
  if (!at) return straight;
  return found.map(({ shore }) => {
    if (!shore || shore.ring !== at.ring) return Infinity;
    const along = Math.abs(shore.alongM - at.alongM);
    return straight[nearest] + Math.min(along, shore.roundM - along);
  });
}

/** What `count` casts from a place show, as area times worth. */
const shownFrom = (water: CastWater, from: Spot, setting: CastSetting, count: number, detail = coarse): number => {
  const fan = new Fan(water, from, setting, detail);
  return fan.total === 0 ? 0 : fan.total * fan.best(count).reduce((sum, c) => sum + c.gain, 0);
};

/** The stance from which `count` casts show most of the band; null where none reaches it. A stance ashore stays on the shore. */
export function bestStance(water: CastWater, setting: CastSetting, count: number, candidates: readonly Spot[], canSlide: boolean): Spot | null {
  const ranked = candidates
    .map((at) => ({ at, shown: shownFrom(water, at, setting, Math.min(count, 8)) }))
    .filter((c) => c.shown > 0)
    .sort((a, b) => b.shown - a.shown)
    .slice(0, looks.closely)
    .map((c) => ({ at: c.at, shown: shownFrom(water, c.at, setting, count, fine) }))
    .sort((a, b) => b.shown - a.shown);
  if (ranked.length === 0) return null;
  let [best] = ranked;
  if (!canSlide) return best.at;
  let stepM = Math.max(water.map.cellM, 2);
  for (let k = 0; k < looks.halvings; k++) {
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ]) {
      const at = { x: best.at.x + dx * stepM, y: best.at.y + dy * stepM };
      if (Number.isNaN(water.depth(at.x, at.y))) continue;
      const shown = shownFrom(water, at, setting, count, fine);
      if (shown > best.shown) best = { at, shown };
    }
    stepM /= 2;
  }
  return best.at;
}

/** The fan from a place. */
export function planFrom(water: CastWater, from: Spot, setting: CastSetting, count: number): CastPlan {
  const fan = new Fan(water, from, setting);
  const casts = fan.best(count);
  return { stance: water.place(from), casts, covered: casts.reduce((sum, c) => sum + c.gain, 0), across: fan.across() };
}

/** Whether one can stand at a place: on the water, or so near to it that a cast lands in it. */
export function canStand(water: CastWater, { ring, islands }: Pick<SurveyedArea, 'ring' | 'islands'>, at: LonLat): boolean {
  const { x, y } = water.spot(at);
  if (!Number.isNaN(water.depth(x, y))) return true;
  const isNear = Array.from({ length: 16 }, (_, k) => (k * Math.PI) / 8).some((a) => !Number.isNaN(water.depth(x + water.shoreM * Math.cos(a), y + water.shoreM * Math.sin(a))));
  const isWithin = (edge: readonly LonLat[]) => isInside(ringOf(edge.map((p) => water.frame.toMetres(p))), x, y);
  return isNear || (water.levelM >= 0 && isWithin(ring) && !islands.some(isWithin));
}
