import { clamp } from '../units';

/** How the water is searched where nothing shows. Heuristic; found with the decision models that are tuned on (docs/science.md). */
export const searchLimits = {
  /** A jig is seen from below by so much, hardly from above: depths searched lie so far apart at most, m. */
  stepM: 1.5,
  /** How long it stays at each, s: where they want it lively, and else, because a jig that travels is a lively one. */
  livelyS: 10,
  quietS: 30,
  /** A preference from here on is lively. */
  lively: 0.5,
  /** How fast it is taken to the next, m/s. */
  handMs: 0.3,
  /** Over where the last mark went it waits so long before it searches, s: its school is not far. */
  waitS: 20,
  /** Tops seen before they tell where to search; kept this far above them, m. */
  leastTops: 3,
  overM: 0.3,
  /** Of a band that reaches to the bottom, no nearer to it than this, m. */
  offBottomM: 0.3,
  /** Where no band is known, shares of the depth. */
  fromShare: 0.35,
  toShare: 0.84,
  /** Under bait it is searched down to this share of the depth. */
  baitToShare: 0.9,
  /** Where spans are less than this, m, one depth does. */
  leastSpanM: 0.5,
} as const;

/** A stretch of water to search, m below the surface. */
export interface Span {
  fromM: number;
  toM: number;
}

/**
 * Where fish may be beside the cone: about where tops have shown themselves, before that through the depths that they are looked for in here, or over the
 * bottom where it lies over them; where nobody knows those, the middle and the lower part of the column.
 * @param floorM depth of the bottom, m
 */
export function searchSpan(topsM: readonly number[], floorM: number, band: Span | null = null): Span {
  const { leastTops, overM, fromShare, toShare, offBottomM, leastSpanM } = searchLimits;
  if (topsM.length < leastTops) {
    if (!band) return { fromM: fromShare * floorM, toM: toShare * floorM };
    const toM = Math.max(0, Math.min(band.toM, floorM - offBottomM));
    // Where the bottom lies over the band, the water nearest to it is that over the bottom.
    return { fromM: clamp(toM - leastSpanM, 0, band.fromM), toM };
  }
  return { fromM: Math.min(...topsM) - overM, toM: Math.max(...topsM) - overM };
}

/**
 * Where to hold the jig after so many seconds without a mark, m: over where the last one went, for a while; then from the deep end of a span step by step to its
 * upper one, and back.
 * @param lastM depth at which the last mark was seen; null where there was none
 * @param preference what they want today, 0 still to 1 lively; null while nothing is known
 */
export function searchDepth({ fromM, toM }: Span, emptyS: number, lastM: number | null, preference: number | null): number {
  if (lastM !== null && emptyS < searchLimits.waitS) return clamp(lastM - searchLimits.overM, 0, toM);
  if (toM - fromM < searchLimits.leastSpanM) return toM;
  const steps = Math.max(1, Math.ceil((toM - fromM) / searchLimits.stepM));
  const stayS = (preference ?? 0) >= searchLimits.lively ? searchLimits.livelyS : searchLimits.quietS;
  const k = Math.floor(clamp(emptyS - (lastM === null ? 0 : searchLimits.waitS), 0, 1e6) / stayS) % (2 * steps);
  return toM - ((toM - fromM) * Math.min(k, 2 * steps - k)) / steps;
}
