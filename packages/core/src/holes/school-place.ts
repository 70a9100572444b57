import type { OutingState } from '../ledger';
import { bearingDeg, clockText, compassPoint, depthText, distanceM, distanceText, minuteMs, placeAlong, type LonLat, type UnitPreference } from '../units';

/** A school stays worth a hole for so long after it was seen; one this near is under the rod already, m. Heuristic. */
const [keepsMs, nearM] = [45 * minuteMs, 3] as const;
/** Two looks this near to each other are at one school, m. Heuristic. */
const sameSchoolM = 8;

/** A school that was seen to the side, and nobody has opened a place over yet. */
export interface SchoolPlace {
  at: LonLat;
  /** The station it was seen from, and how it lies from there. */
  from: { id: string; label: string; bearingDeg: number; outM: number };
  seenMs: number;
  topM: number | null;
  movesDeg: number | null;
}

/** Places that schools were seen at of late, the last look at each: one where nothing was seen since is none. */
export function freshSchools({ felt, stations }: Pick<OutingState, 'felt' | 'stations'>, nowMs: number): LonLat[] {
  const looks = felt
    .filter((f) => (f.what === 'school' || f.what === 'empty') && f.ms <= nowMs && nowMs - f.ms <= keepsMs)
    .flatMap((f) => {
      const from = stations.find((s) => s.id === f.station)?.at;
      return from ? [{ what: f.what, at: placeAlong(from, f.bearingDeg, f.outM) }] : [];
    });
  return looks.filter((l, k) => l.what === 'school' && !looks.slice(k + 1).some((o) => distanceM(o.at, l.at) <= sameSchoolM)).map((l) => l.at);
}

/** Where the school seen last is to be fished: the next place. Null without one, where it is old, and where a place was opened over it since. */
export function schoolPlace({ felt, stations }: Pick<OutingState, 'felt' | 'stations'>, nowMs: number): SchoolPlace | null {
  const seen = felt.findLast((f) => f.what === 'school' && f.ms <= nowMs && nowMs - f.ms <= keepsMs);
  const from = stations.find((s) => s.id === seen?.station);
  if (!seen || !from || seen.outM < nearM) return null;
  const at = placeAlong(from.at, seen.bearingDeg, seen.outM);
  if (stations.some((s) => s.arrivals.some((ms) => ms > seen.ms) && distanceM(s.at, at) <= nearM)) return null;
  const { id, label } = from;
  return { at, from: { id, label, bearingDeg: seen.bearingDeg, outM: seen.outM }, seenMs: seen.ms, topM: seen.topM ?? null, movesDeg: seen.movesDeg ?? null };
}

/** How a school lies from a station, where it is seen from another place, as on a pass that has gone on: bearing from there and distance, m. */
export function fromStation(station: LonLat, now: LonLat, seen: { bearingDeg: number; outM: number }): { bearingDeg: number; outM: number } {
  const at = placeAlong(now, seen.bearingDeg, seen.outM);
  return { bearingDeg: bearingDeg(station, at), outM: distanceM(station, at) };
}

/** The place over a school in words. `station` is what a place is called here: "hole". */
export function schoolPlaceWords({ from, seenMs, topM, movesDeg }: SchoolPlace, station: string, timeZone: string, units: UnitPreference): { headline: string; detail: string } {
  const top = topM === null ? '' : ` Its top was at ${depthText(topM, units)}.`;
  const way = movesDeg === null ? '' : ` It moved ${compassPoint(movesDeg)}: begin on that side of it.`;
  return {
    headline: `Over the school: ${distanceText(from.outM, units)} ${compassPoint(from.bearingDeg)} of ${station} ${from.label}`,
    detail: `Seen at ${clockText(seenMs, timeZone)}.${top}${way} ${station[0].toUpperCase()}${station.slice(1)} ${from.label} rests meanwhile.`,
  };
}
