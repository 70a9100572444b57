import { distanceM, type LonLat } from '../ground';
import type { LedgerState, OutingState } from '../ledger';
import { minuteMs } from '../units';

/** What one stay at a hole has shown. */
export interface HoleStay {
  at: LonLat;
  minutes: number;
  visits: number;
  agoMin: number;
}

/** Signs within this time are one fish, and nobody fishes one hole longer than this without saying so, min; own holes within this are close by, m. */
const limits = { sameFishMin: 1.5, longestMin: 150, nearbyM: 35 } as const;

/** All stays at holes of a water: from one arrival to the next or the end of the outing, with the different fish seen or landed. */
export function holeStays({ outings }: Pick<LedgerState, 'outings'>, water: string, nowMs: number): HoleStay[] {
  return outings.filter((o) => o.water === water).flatMap((o) => staysOf(o, nowMs));
}

function staysOf(outing: OutingState, nowMs: number): HoleStay[] {
  const arrivals = outing.holes.flatMap((hole) => hole.arrivals.map((ms) => ({ hole, ms }))).sort((a, b) => a.ms - b.ms);
  return arrivals.flatMap(({ hole, ms }, k) => {
    const endMs = Math.min(arrivals[k + 1]?.ms ?? Infinity, outing.endedMs ?? nowMs, ms + limits.longestMin * minuteMs);
    if (endMs <= ms) return [];
    const signs = [...outing.reactions, ...outing.fish].filter((s) => s.hole === hole.id && s.ms >= ms && s.ms < endMs).map((s) => s.ms);
    return [{ at: hole.at, minutes: (endMs - ms) / minuteMs, visits: different(signs), agoMin: Math.max(0, (nowMs - endMs) / minuteMs) }];
  });
}

function different(signs: number[]): number {
  signs.sort((a, b) => a - b);
  return signs.filter((ms, k) => k === 0 || ms - signs[k - 1] > limits.sameFishMin * minuteMs).length;
}

/** What the angler's own stays close to a place have shown, whenever that was. */
export function ownNearby(stays: readonly HoleStay[], at: LonLat): { visits: number; minutes: number } {
  const near = stays.filter((s) => distanceM(s.at, at) <= limits.nearbyM);
  return { visits: near.reduce((sum, s) => sum + s.visits, 0), minutes: near.reduce((sum, s) => sum + s.minutes, 0) };
}

/** Holes of a water whose ice counts for less than the angler's own least, by place: there one does not drill again. */
export function thinPlaces({ outings }: Pick<LedgerState, 'outings'>, water: string, leastM: number, sinceMs: number): LonLat[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.holes)
    .filter((h) => h.drilledMs >= sinceMs && h.clearIceM !== null && h.clearIceM + (h.whiteIceM ?? 0) / 2 < leastM)
    .map((h) => h.at);
}

/** Ice measured too thin bars what lies within this distance of it, m. Source: thickness is to be measured at least each 50 m. */
export const thinReachM = 50;
