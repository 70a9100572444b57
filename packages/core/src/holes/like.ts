import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { LocalFrame, Relief, type DepthMap, type LonLat } from '../ground';
import { bearingDeg, compassPoint, depthText, distanceM, distanceText, type UnitPreference } from '../units';

/** What of a place can be alike. */
const likeFeatures = ['depth', 'slope', 'rise', 'shore', 'cover', 'hard', 'inflow'] as const;
export type LikeFeature = (typeof likeFeatures)[number];

/** What each is called where it is shared, and where it is not. */
const likeWords: Readonly<Record<LikeFeature, string>> = {
  depth: 'as deep',
  slope: 'as steep',
  rise: 'standing out as much from the bed about it',
  shore: 'as far from the shore',
  cover: 'as near to cover',
  hard: 'as near to hard bed',
  inflow: 'as near to running water',
};

/** What is known of a water beside its bed. */
export interface LikeMarks {
  cover: readonly LonLat[];
  hard: readonly LonLat[];
  inflows: readonly LonLat[];
}

export interface LikePlace {
  at: LonLat;
  depthM: number;
  /** Log odds that it is like where they bit, against anywhere that was fished. */
  score: number;
  shares: LikeFeature[];
  differs: LikeFeature[];
  /** Whether a line was near it already. */
  isFished: boolean;
}

/** Convention and priors: a normal with so many looks behind it for the water, and for the bites; source: ranked normal scores with weak priors. */
const priors = { bites: 3, background: 20 } as const;
/** A place is another one from so far on, m; one fished lies within so much; slopes and rises are taken over so much. */
const [apartM, fishedM, spanM, aboutM] = [40, 25, 8, 30] as const;
/** A term of the score worth naming. */
const worthNaming = 0.25;

interface Grid {
  cells: { x: number; y: number; depthM: number }[];
  /** Normal scores by feature, cell by cell; absent where the water has nothing of the kind. */
  scores: Partial<Record<LikeFeature, Float64Array>>;
}

/**
 * Places of a water like those where fish bit, best first: each feature is ranked within the water and scored against where line was in it without a bite.
 * Empty without a bite.
 * @param fished places where line was without a bite
 * @param deepestM none deeper is named: of fish that are let go again, what they live through
 */
export function placesLike(map: DepthMap, marks: LikeMarks, bites: readonly LonLat[], fished: readonly LonLat[], count: number, deepestM = Infinity): LikePlace[] {
  if (bites.length === 0) return [];
  const frame = new LocalFrame(map.lon0, map.lat0);
  const grid = gridOf(map, frame, marks);
  const at = (places: readonly LonLat[]) => places.map((p) => nearestCell(grid, ...frame.toMetres(p)));
  const [bitten, empty] = [at(bites), at(fished)];
  const terms = (Object.keys(grid.scores) as LikeFeature[]).map((feature) => {
    const z = grid.scores[feature]!;
    const here = normalOf(bitten.map((c) => z[c]), 1, priors.bites); // prettier-ignore
    const there = normalOf(empty.map((c) => z[c]), priors.background, priors.background); // prettier-ignore
    return { feature, of: (cell: number) => logDensity(z[cell], here) - logDensity(z[cell], there) };
  });
  const scored = grid.cells.map((_, cell) => ({ cell, score: terms.reduce((sum, t) => sum + t.of(cell), 0) })).sort((a, b) => b.score - a.score);
  const near = (cell: number, others: readonly number[], m: number) =>
    others.some((o) => Math.hypot(grid.cells[cell].x - grid.cells[o].x, grid.cells[cell].y - grid.cells[o].y) < m);
  const chosen: number[] = [];
  for (const { cell } of scored) {
    if (chosen.length === count) break;
    if (grid.cells[cell].depthM <= deepestM && !near(cell, chosen, apartM) && !near(cell, bitten, fishedM)) chosen.push(cell);
  }
  return chosen.map((cell) => {
    const own = terms.map((t) => ({ feature: t.feature, worth: t.of(cell) })).sort((a, b) => b.worth - a.worth);
    const { x, y, depthM } = grid.cells[cell];
    return {
      at: frame.toLonLat(x, y),
      depthM,
      score: own.reduce((sum, t) => sum + t.worth, 0),
      shares: own.filter((t) => t.worth >= worthNaming).map((t) => t.feature).slice(0, 3), // prettier-ignore
      differs: own.filter((t) => t.worth <= -worthNaming).map((t) => t.feature).slice(-2), // prettier-ignore
      isFished: near(cell, empty, fishedM),
    };
  });
}

/** A normal by what was seen, leaning to the water's own (0, 1) as if so many looks had said so. */
function normalOf(z: readonly number[], meanPrior: number, spreadPrior: number): { mean: number; variance: number } {
  const mean = z.reduce((sum, v) => sum + v, 0) / (z.length + meanPrior);
  return { mean, variance: (spreadPrior + z.reduce((sum, v) => sum + (v - mean) ** 2, 0)) / (spreadPrior + z.length) };
}

const logDensity = (z: number, { mean, variance }: { mean: number; variance: number }) => -0.5 * Math.log(variance) - (z - mean) ** 2 / (2 * variance);

/** Cells of a water some five metres apart with the normal scores of their features. */
function gridOf(map: DepthMap, frame: LocalFrame, marks: LikeMarks): Grid {
  const relief = new Relief(map);
  const every = Math.max(1, Math.round(5 / map.cellM));
  const cells: Grid['cells'] = [];
  const edge: [number, number][] = [];
  for (let j = 0; j < map.ny; j += every)
    for (let i = 0; i < map.nx; i += every) {
      const c = j * map.nx + i;
      const isWet = map.depthM[c] > 0.3;
      const [x, y] = [relief.x(c), relief.y(c)];
      if (isWet) cells.push({ x, y, depthM: map.depthM[c] });
      else if ([1, -1, map.nx, -map.nx].some((step) => map.depthM[c + step * every] > 0.3)) edge.push([x, y]);
    }
  const metres = (places: readonly LonLat[]) => places.map((p) => frame.toMetres(p));
  const away = (to: readonly (readonly [number, number])[]) =>
    to.length === 0 ? null : cells.map(({ x, y }) => to.reduce((least, [u, v]) => Math.min(least, Math.hypot(u - x, v - y)), Infinity));
  const about = (x: number, y: number) => {
    const ring = Array.from({ length: 8 }, (_, k) => relief.depth(x + aboutM * Math.cos((k * Math.PI) / 4), y + aboutM * Math.sin((k * Math.PI) / 4))).filter((d) => d >= 0);
    return ring.length === 0 ? null : ring.reduce((sum, d) => sum + d, 0) / ring.length;
  };
  const raw: Record<LikeFeature, number[] | null> = {
    depth: cells.map((c) => c.depthM),
    slope: cells.map(({ x, y }) => relief.slope(x, y, spanM)?.slope ?? 0),
    rise: cells.map(({ x, y, depthM }) => (about(x, y) ?? depthM) - depthM),
    shore: away(edge),
    cover: away(metres(marks.cover)),
    hard: away(metres(marks.hard)),
    inflow: away(metres(marks.inflows)),
  };
  const scores: Grid['scores'] = {};
  for (const feature of likeFeatures) {
    const values = raw[feature];
    if (values) scores[feature] = normalScores(values);
  }
  return { cells, scores };
}

/** Values by their rank, as quantiles of a standard normal; equal ones alike. */
function normalScores(values: readonly number[]): Float64Array {
  const order = values.map((value, i) => ({ value, i })).sort((a, b) => a.value - b.value);
  const scores = new Float64Array(values.length);
  for (let from = 0; from < order.length;) {
    let to = from;
    while (to + 1 < order.length && order[to + 1].value === order[from].value) to++;
    const z = normalQuantile(((from + to) / 2 + 0.5) / order.length, 0, 1);
    for (let k = from; k <= to; k++) scores[order[k].i] = z;
    from = to + 1;
  }
  return scores;
}

function nearestCell({ cells }: Grid, x: number, y: number): number {
  let best = 0;
  cells.forEach((c, k) => {
    if (Math.hypot(c.x - x, c.y - y) < Math.hypot(cells[best].x - x, cells[best].y - y)) best = k;
  });
  return best;
}

/** A place like where they bit, in words: how deep, where from the ring, what it shares and what it lacks. */
export function likePlaceWords({ at, depthM, shares, differs, isFished }: LikePlace, from: LonLat, units: UnitPreference): { headline: string; detail: string } {
  const words = (features: readonly LikeFeature[]) => features.map((f) => likeWords[f]).join(', ');
  const alike = shares.length === 0 ? 'alike in nothing that stands out' : words(shares);
  const unlike = differs.length === 0 ? '' : ` Not ${words(differs)}.`;
  return {
    headline: `${depthText(depthM, units)}, ${distanceText(distanceM(from, at), units)} ${compassPoint(bearingDeg(from, at))} of the ring`,
    detail: `${alike[0].toUpperCase()}${alike.slice(1)}.${unlike}${isFished ? ' Fished already, without a bite.' : ''}`,
  };
}
