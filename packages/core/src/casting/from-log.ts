import type { FeltKind, LedgerState, OutingState, StationState } from '../ledger';
import { placeAlong, type LonLat } from '../ground';
import { takesOf } from '../visits';
import type { CastSign } from './after';
import type { FishedPlace } from './rest';
import type { MadeCast } from './stand';

/** The casts of an outing, from where each was made, in order of time. */
export function castsOf(outing: OutingState): (MadeCast & { id: string; station: string; ms: number })[] {
  const places = new Map(outing.stations.map((s) => [s.id, s.at]));
  return outing.casts.flatMap(({ id, station, ms, bearingDeg, distanceM }) => {
    const from = places.get(station);
    return from ? [{ id, station, ms, from, bearingDeg, lengthM: distanceM }] : [];
  });
}

const reactionSigns: Partial<Record<OutingState['reactions'][number]['kind'], CastSign['kind']>> = {
  followed: 'followed',
  looked: 'followed',
  chased: 'chased',
  ignored: 'ignored',
  refused: 'followed',
  robbed: 'robbed',
  missed: 'missed',
  bite: 'bite',
  hooked: 'bite',
  nipped: 'nipped',
  lost: 'lost',
};

/** What was seen and felt at a stand since one came to it, in order of time. */
export function signsAt(outing: OutingState, station: StationState): CastSign[] {
  const sinceMs = station.arrivals.at(-1) ?? station.openedMs;
  const casts = outing.casts.filter((c) => c.station === station.id);
  const bearingOf = (cast: string | null, ms: number) => (casts.find((c) => c.id === cast) ?? casts.findLast((c) => c.ms <= ms))?.bearingDeg ?? null;
  const at = <T extends { station: string; ms: number }>(list: readonly T[]) => list.filter((e) => e.station === station.id && e.ms >= sinceMs);
  const signs: CastSign[] = [
    ...at(casts).map((c): CastSign => ({ ms: c.ms, kind: 'cast', bearingDeg: c.bearingDeg, outM: null })),
    ...at(outing.reactions).flatMap((r): CastSign[] => {
      const kind = reactionSigns[r.kind];
      return kind ? [{ ms: r.ms, kind, bearingDeg: bearingOf(r.cast, r.ms), outM: r.outM }] : [];
    }),
    ...at(outing.fish).map((f): CastSign => ({ ms: f.ms, kind: 'landed', bearingDeg: bearingOf(f.cast, f.ms), outM: f.outM })),
    ...at(outing.felt).flatMap((f): CastSign[] => (f.what === 'hard' || f.what === 'snag' ? [{ ms: f.ms, kind: f.what, bearingDeg: f.bearingDeg, outM: f.outM }] : [])),
  ];
  return signs.sort((a, b) => a.ms - b.ms);
}

/** Something felt on the bed of a water, at its place. */
export interface FeltSpot {
  id: string;
  what: FeltKind;
  at: LonLat;
  ms: number;
}

/** All that was felt on the bed of a water, over all outings. */
export function feltOn({ outings }: Pick<LedgerState, 'outings'>, water: string): FeltSpot[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) =>
      o.felt.flatMap((f) => {
        const from = o.stations.find((s) => s.id === f.station)?.at;
        return from ? [{ id: f.id, what: f.what, ms: f.ms, at: placeAlong(from, f.bearingDeg, f.outM) }] : [];
      }),
    );
}

/** The stands of an outing that were left, as they were left. */
export function fishedPlaces(outing: OutingState): FishedPlace[] {
  const takes = takesOf(outing).filter((t) => t.isBite);
  return outing.stations
    .filter((s) => s.id !== outing.currentStation)
    .flatMap((s): FishedPlace[] => {
      const casts = outing.casts.filter((c) => c.station === s.id);
      const fish = outing.fish.filter((f) => f.station === s.id);
      const bites = takes.filter((t) => t.station === s.id);
      const rests = outing.rests.filter((r) => r.station === s.id);
      const leftMs = Math.max(s.openedMs, ...[...casts, ...fish, ...bites, ...rests].map((e) => e.ms));
      if (casts.length + fish.length + bites.length === 0) return [];
      const temp = outing.temperatures.filter((t) => t.ms <= leftMs).at(-1);
      return [{ id: s.id, label: s.label, at: s.at, leftMs, fish: fish.length, bites: bites.length, casts: casts.length, tempC: temp?.tempC ?? null }];
    });
}
