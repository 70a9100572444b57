import { coverKind, LocalFrame, type DepthMap, type LonLat } from '../ground';
import { toSegment } from '../units';
import type { WinteringPool } from './pool';

/** What a lie is scored on. */
export type LieMark = 'seam' | 'pocket' | 'cover' | 'depth';

/** What is marked in and along a river. */
export interface RiverMarks {
  /** Lines between moving and still water. */
  seams: readonly { line: readonly LonLat[]; name?: string }[];
  covers: readonly { at: LonLat; kind: string; name?: string }[];
  /** Hard patches felt on the bed. */
  hard: readonly LonLat[];
}

export interface LieRule {
  id: string;
  mark: LieMark;
  /** Share of the score, where deep water is near; that of depth multiplies the others. */
  weight: number;
  /** Distance at which the mark counts for a good half, m. */
  reachM: number;
  reason: string;
}

/** The four marks of a feeding lie. Heuristic; source: fieldcraft §1 ("a seam with no depth near it is worth little"). */
export const lieRules: readonly LieRule[] = [
  { id: 'river.seam', mark: 'seam', weight: 0.45, reachM: 5, reason: 'A seam: food drifts by on one side, fish stand on the other' },
  { id: 'river.pocket', mark: 'pocket', weight: 0.3, reachM: 6, reason: 'A pocket out of the current' },
  { id: 'river.cover', mark: 'cover', weight: 0.25, reachM: 5, reason: 'Wood or rock to lie against' },
  { id: 'river.depth', mark: 'depth', weight: 1, reachM: 14, reason: 'Deep water one short move away' },
];

/** What no rule of a mark covers. Heuristic; source: fieldcraft §1 ("stretches far from the pool hold almost nothing"). */
export const lieLimits = {
  /** Up to here the way to the pool costs nothing, then it counts by half each so many m. */
  poolReachM: 250,
  halfM: 120,
  /** Deep water is that of this share of the pool's depth. */
  deepShare: 0.75,
  /** Least depth of a lie, m, and least distance between two, m. */
  leastDepthM: 0.4,
  apartM: 15,
  leastScore: 0.12,
  /** A mark met less than this is not named. */
  namedFrom: 0.35,
} as const;

export interface LieReason {
  ruleId: string;
  text: string;
  weight: number;
}

/** A place where fish come to feed, within reach of where they winter. */
export interface FeedingLie {
  at: LonLat;
  depthM: number;
  /** How well each mark is met, 0–1. */
  marks: Record<LieMark, number>;
  /** All of it, 0–1. */
  score: number;
  /** To the nearest deep water, and to the pool, m. */
  toDeepM: number;
  toPoolM: number;
  /** What it lies by. */
  by: string;
}

const nearness = (distanceM: number, reachM: number) => Math.exp(-0.5 * (distanceM / reachM) ** 2);

interface Placed {
  x: number;
  y: number;
}

/** Measures how far places of a river are from what is marked in it. */
class Surroundings {
  private readonly frame: LocalFrame;
  private readonly seams: { line: Placed[]; name: string }[];
  private readonly pockets: (Placed & { name: string })[];
  private readonly covers: (Placed & { name: string })[];

  constructor(map: DepthMap, { seams, covers, hard }: RiverMarks) {
    this.frame = new LocalFrame(map.lon0, map.lat0);
    const placed = (at: LonLat): Placed => {
      const [x, y] = this.frame.toMetres(at);
      return { x, y };
    };
    const named = covers.map(({ at, kind, name }) => ({ ...placed(at), kind: coverKind(kind), name: name ?? coverKind(kind).label }));
    this.seams = seams.map(({ line, name }) => ({ line: line.map(placed), name: name ?? 'seam' }));
    this.pockets = named.filter((c) => c.kind.shelters);
    this.covers = [...named.filter((c) => c.kind.holds), ...hard.map((at) => ({ ...placed(at), name: 'hard patch' }))];
  }

  seam(x: number, y: number): { distanceM: number; name: string } {
    let best = { distanceM: Infinity, name: '' };
    for (const { line, name } of this.seams) {
      for (let i = 1; i < line.length; i++) {
        const distanceM = toSegment(x, y, line[i - 1], line[i]);
        if (distanceM < best.distanceM) best = { distanceM, name };
      }
    }
    return best;
  }

  pocket = (x: number, y: number) => nearest(this.pockets, x, y);
  cover = (x: number, y: number) => nearest(this.covers, x, y);
}

function nearest(places: readonly (Placed & { name: string })[], x: number, y: number): { distanceM: number; name: string } {
  let [distanceM, name] = [Infinity, ''];
  for (const p of places) {
    const d = Math.hypot(p.x - x, p.y - y);
    if (d < distanceM) [distanceM, name] = [d, p.name];
  }
  return { distanceM, name };
}

/**
 * The feeding lies of a river, best first, each scored on its four marks and its way to the deep water and to the nearest pool.
 * Deep water multiplies what the other marks are worth. At most `count`, none close to a better one.
 */
export function feedingLies(map: DepthMap, marks: RiverMarks, pools: readonly WinteringPool[], count = 6): FeedingLie[] {
  if (pools.length === 0) return [];
  const around = new Surroundings(map, marks);
  const deep = deepCells(map, pools);
  const rule = Object.fromEntries(lieRules.map((r) => [r.mark, r])) as Record<LieMark, LieRule>;
  const place = (c: number) => ({ x: map.x0 + (c % map.nx) * map.cellM, y: map.y0 + Math.floor(c / map.nx) * map.cellM });
  const deepPlaces = deep.map(place);
  const frame = new LocalFrame(map.lon0, map.lat0);
  const found: (FeedingLie & Placed)[] = [];
  for (let c = 0; c < map.depthM.length; c++) {
    if (!(map.depthM[c] >= lieLimits.leastDepthM)) continue;
    const { x, y } = place(c);
    const [pocket, cover, seam] = [around.pocket(x, y), around.cover(x, y), around.seam(x, y)];
    const met = {
      seam: nearness(seam.distanceM, rule.seam.reachM),
      pocket: nearness(pocket.distanceM, rule.pocket.reachM),
      cover: nearness(cover.distanceM, rule.cover.reachM),
    };
    const worth = rule.seam.weight * met.seam + rule.pocket.weight * met.pocket + rule.cover.weight * met.cover;
    // What no deep water could lift over the least is not measured further.
    if (worth < lieLimits.leastScore) continue;
    const toDeepM = deepPlaces.reduce((best, d) => Math.min(best, Math.hypot(d.x - x, d.y - y)), Infinity);
    const depth = nearness(toDeepM, rule.depth.reachM);
    const score = depth * worth;
    if (score < lieLimits.leastScore) continue;
    found.push({
      x,
      y,
      at: frame.toLonLat(x, y),
      depthM: map.depthM[c],
      marks: { ...met, depth },
      score,
      toDeepM,
      toPoolM: 0,
      by: nameOf(met, { seam, pocket, cover }),
    });
  }
  for (const lie of found) {
    lie.toPoolM = Math.min(...pools.map((p) => toPoolM(map, p, lie)));
    lie.score *= 0.5 ** (Math.max(0, lie.toPoolM - lieLimits.poolReachM) / lieLimits.halfM);
  }
  return apart(found, count);
}

/** A lie goes by its cover or pocket where it has one, else by its seam. */
function nameOf(met: Record<'seam' | 'pocket' | 'cover', number>, by: Record<'seam' | 'pocket' | 'cover', { name: string }>): string {
  if (Math.max(met.cover, met.pocket) < lieLimits.namedFrom) return by.seam.name;
  return met.cover >= met.pocket ? by.cover.name : by.pocket.name;
}

function deepCells(map: DepthMap, pools: readonly WinteringPool[]): number[] {
  const least = lieLimits.deepShare * pools[0].depthM;
  return pools.flatMap((p) => p.cells.filter((c) => map.depthM[c] >= least));
}

function toPoolM(map: DepthMap, pool: WinteringPool, { x, y }: Placed): number {
  return pool.cells.reduce((best, c) => Math.min(best, Math.hypot(map.x0 + (c % map.nx) * map.cellM - x, map.y0 + Math.floor(c / map.nx) * map.cellM - y)), Infinity);
}

function apart(found: (FeedingLie & Placed)[], count: number): FeedingLie[] {
  found.sort((a, b) => b.score - a.score);
  const kept: (FeedingLie & Placed)[] = [];
  for (const lie of found) {
    if (kept.length >= count || lie.score < lieLimits.leastScore) break;
    if (kept.every((k) => Math.hypot(k.x - lie.x, k.y - lie.y) >= lieLimits.apartM)) kept.push(lie);
  }
  return kept.map(({ x: _x, y: _y, ...lie }) => lie);
}
