import type { Comparison, OutingSummary } from './summary';

/** What an outing gave for its effort. */
export interface OutingRate {
  id: string;
  startedMs: number;
  /** An hour of line, or in ten casts. */
  rate: number;
}

/** A rate over less than half an hour of line, or ten casts, says nothing. */
const [leastMin, leastCasts] = [30, 10];

/**
 * Catches for the effort of the last outings, latest last; those with too little effort are left out.
 * @param outings latest first
 * @param most how many
 */
export function outingRates(outings: readonly OutingSummary[], count: Comparison['count'], unit: Comparison['unit'], most: number): OutingRate[] {
  return outings
    .filter((o) => (unit === 'casts' ? o.casts >= leastCasts : o.lineMin >= leastMin))
    .slice(0, most)
    .reverse()
    .map((o) => ({ id: o.id, startedMs: o.startedMs, rate: unit === 'casts' ? (10 * o[count]) / o.casts : (60 * o[count]) / o.lineMin }));
}
