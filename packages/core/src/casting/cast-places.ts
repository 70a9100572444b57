import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { passedBy, type CastTarget } from './targets';
import { outAlong, type Spot } from './water';

/** What a cast was made at: the end of a point, rock, or the side, which is any other water. */
export type CastPlace = 'point' | 'side' | 'rock';

/** Casts at one kind of place and those that were bitten, with the share of them and its 90 % interval. */
export interface CastPlaceRow {
  place: CastPlace;
  casts: number;
  bites: number;
  share: number;
  low: number;
  high: number;
}

/** A cast that comes this near to the end of a point is at it, one that passes rock this near is at that, m; so many casts at one kind of place ask for the other. Heuristic. */
const [pointM, rockM, leastCasts] = [12, 2.5, 10] as const;

interface PlacedCast {
  id: string;
  from: Spot;
  bearingDeg: number;
  lengthM: number;
}

/** What a cast was made at: rock on its way before the point that it came by. */
export function castPlace({ from, bearingDeg, lengthM }: PlacedCast, points: readonly Spot[], targets: readonly CastTarget[]): CastPlace {
  const rocks = targets.filter((t) => t.kind === 'hard');
  if (passedBy(rocks, from, bearingDeg, lengthM, rockM).length > 0) return 'rock';
  const end = outAlong(from, bearingDeg, lengthM);
  const isNear = ({ x, y }: Spot) => {
    const [dx, dy] = [end.x - from.x, end.y - from.y];
    const along = Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / Math.max(1e-9, dx * dx + dy * dy)));
    return Math.hypot(x - from.x - along * dx, y - from.y - along * dy) <= pointM;
  };
  return points.some(isNear) ? 'point' : 'side';
}

/** Casts by what they were made at, each with what came of it; kinds without a cast are left out. Shares by a flat prior. */
export function castPlaceRows(casts: readonly PlacedCast[], bitten: ReadonlySet<string>, points: readonly Spot[], targets: readonly CastTarget[]): CastPlaceRow[] {
  const placed = casts.map((c) => ({ place: castPlace(c, points, targets), isBitten: bitten.has(c.id) }));
  return (['point', 'side', 'rock'] as const).flatMap((place) => {
    const here = placed.filter((c) => c.place === place);
    const bites = here.filter((c) => c.isBitten).length;
    if (here.length === 0) return [];
    const [a, b] = [bites + 1, here.length - bites + 1];
    return [{ place, casts: here.length, bites, share: bites / here.length, low: betaQuantile(0.05, a, b), high: betaQuantile(0.95, a, b) }];
  });
}

/** What is not shown where all casts went to one of point and side; null while both were, with few casts, and where there is no point. */
export function oneSidedText(rows: readonly CastPlaceRow[], hasPoint: boolean): string | null {
  const [one] = rows.filter((r) => r.place !== 'rock');
  if (!hasPoint || !one || rows.filter((r) => r.place !== 'rock').length !== 1 || one.casts < leastCasts) return null;
  return `${one.casts} casts, all at the ${one.place}: the ${one.place === 'point' ? 'side' : 'point'} is not shown.`;
}

const placeWords: Readonly<Record<CastPlace, string>> = { point: 'at the point', side: 'along the side', rock: 'over rock' };
const percent = (share: number) => String(Math.round(100 * share));

/** A row in words: "At the point: 2 of 20 casts bitten, 3 to 28 %". */
export function castPlaceText({ place, casts, bites, low, high }: CastPlaceRow): string {
  const words = placeWords[place];
  return `${words[0].toUpperCase()}${words.slice(1)}: ${bites} of ${casts} casts bitten, ${percent(low)} to ${percent(high)} %.`;
}
