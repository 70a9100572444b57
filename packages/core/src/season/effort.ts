import { reactionMeanings, type LedgerState, type LineState, type OutingState, type StationState } from '../ledger';
import { minuteMs } from '../units';
import { lineEndMs, visitsOf } from '../visits';

/** Bands of height above bottom, m: from and up to. */
export const heightBands = [
  { id: 'bottom', fromM: -1, toM: 0.2, midM: 0 },
  { id: 'low', fromM: 0.2, toM: 0.6, midM: 0.4 },
  { id: 'knee', fromM: 0.6, toM: 1.2, midM: 0.9 },
  { id: 'man', fromM: 1.2, toM: 2.4, midM: 1.8 },
  { id: 'high', fromM: 2.4, toM: 100, midM: 3.5 },
] as const;

/** A stretch of line in the water at one depth. */
export interface EffortInterval {
  outing: string;
  station: string;
  line: string;
  /** Way of fishing in force. */
  method: string;
  /** What was tied on; null where nobody said. */
  presentation: string | null;
  fromMs: number;
  toMs: number;
  heightM: number | null;
}

/** A bite or a fish with the circumstances it is counted under. */
export interface Catch {
  outing: string;
  station: string;
  method: string;
  ms: number;
  presentation: string | null;
  heightM: number | null;
  isFish: boolean;
}

/** Bites at one station closer than this belong to one visit of a school, min. */
const visitMin = 10;

/** Stretches of line at one depth over all outings, up to `nowMs` where a line is still down. */
export const effortIntervals = ({ outings }: Pick<LedgerState, 'outings'>, nowMs: number): EffortInterval[] => outings.flatMap((outing) => intervalsOf(outing, nowMs));

/** What was worked out of an outing that is over: it stands, for an outing that changes is another object. */
const knownIntervals = new WeakMap<OutingState, EffortInterval[]>();
const knownUppers = new WeakMap<OutingState, EffortInterval[]>();
const knownCatches = new WeakMap<OutingState, Catch[]>();

/** What `of` answers for an outing, kept once it is over. */
function kept<T>(known: WeakMap<OutingState, T>, outing: OutingState, of: () => T): T {
  if (outing.endedMs === null) return of();
  const before = known.get(outing);
  if (before !== undefined) return before;
  const made = of();
  known.set(outing, made);
  return made;
}

/** Stretches of line at one depth of one outing. */
export const intervalsOf = (outing: OutingState, nowMs: number): EffortInterval[] =>
  kept(knownIntervals, outing, () => {
    const stations = new Map(outing.stations.map((s) => [s.id, s]));
    return outing.lines.flatMap((line) => lineIntervals(outing, stations.get(line.station), line, nowMs));
  });

/** The same of the upper baits of lines with two: an hour of line is one hour, but each of its baits was shown for it. */
export const upperIntervalsOf = (outing: OutingState, nowMs: number): EffortInterval[] =>
  kept(knownUppers, outing, () => {
    const seconds = new Map(outing.lines.flatMap((l) => (l.second ? [[l.id, l.second] as const] : [])));
    return intervalsOf(outing, nowMs).flatMap((s) => {
      const second = seconds.get(s.line);
      return second ? [{ ...s, presentation: second.presentation, heightM: s.heightM === null ? null : s.heightM + second.aboveM }] : [];
    });
  });

function lineIntervals(outing: OutingState, station: StationState | undefined, line: LineState, nowMs: number): EffortInterval[] {
  const end = lineEndMs(line, nowMs);
  const bottomM = station?.depthM ?? null;
  const cuts = [{ ms: line.downMs, depthM: null as number | null }, ...line.depths].filter((c) => c.ms < end);
  return cuts
    .map((cut, i) => ({
      outing: outing.id,
      station: line.station,
      line: line.id,
      method: station?.method ?? outing.method,
      presentation: line.presentation,
      fromMs: cut.ms,
      toMs: cuts[i + 1]?.ms ?? end,
      heightM: bottomM === null || cut.depthM === null ? null : bottomM - cut.depthM,
    }))
    .filter((s) => s.toMs > s.fromMs);
}

/** Bites and fish over all outings: the takes of their visits in which a fish took the bait, whether it was landed or not. */
export const catchesOf = ({ outings }: Pick<LedgerState, 'outings'>, nowMs: number): Catch[] => outings.flatMap((outing) => catchesIn(outing, nowMs));

/** What it took, of a line with one bait or two. */
const baitOf = (line: LineState | undefined, isUpper: boolean): string | null => (isUpper ? (line?.second?.presentation ?? null) : (line?.presentation ?? null));

/** Bites and fish of one outing. */
export const catchesIn = (outing: OutingState, nowMs: number): Catch[] =>
  kept(knownCatches, outing, () => {
    const stations = new Map(outing.stations.map((s) => [s.id, s]));
    const lines = new Map(outing.lines.map((l) => [l.id, l]));
    return visitsOf(outing, nowMs).flatMap((visit) =>
      visit.takes.flatMap((take): Catch[] => {
        const entry = take.fish ?? take.reactions.find((r) => reactionMeanings[r.kind].isBite);
        if (!take.isBite || !entry) return [];
        const bottomM = entry.bottomM ?? stations.get(entry.station)?.depthM ?? null;
        return [
          {
            outing: outing.id,
            station: entry.station,
            method: visit.method,
            ms: entry.ms,
            presentation: baitOf(
              lines.get(entry.line ?? ''),
              take.reactions.some((r) => r.bait === 'upper'),
            ),
            heightM: bottomM === null || entry.depthM === null ? null : bottomM - entry.depthM,
            isFish: take.fish !== null,
          },
        ];
      }),
    );
  });

/** A bite this soon before a fish on its line adds nothing to how much signs clump, ms. Convention. */
const sameSignMs = 3 * minuteMs;

/** Signs of fish as they were logged, entry by entry: how much they clump is a matter of schools, not of which bites make one take. */
export function signsOf(ledger: LedgerState): Pick<Catch, 'station' | 'ms'>[] {
  return ledger.outings.flatMap(({ fish, reactions }) => [
    ...fish,
    ...reactions.filter((r) => reactionMeanings[r.kind].isBite && !fish.some((f) => f.line === r.line && f.ms >= r.ms && f.ms - r.ms < sameSignMs)),
  ]);
}

/**
 * How much bites clump: the number of signs in the visit of a school that a sign belongs to, on average over signs (variance over mean
 * of the counts, since schools come at random). 1 where every sign comes alone or there are none.
 */
export function clumpSize(signs: readonly Pick<Catch, 'station' | 'ms'>[]): number {
  const ordered = [...signs].sort((a, b) => (a.station < b.station ? -1 : a.station > b.station ? 1 : a.ms - b.ms));
  let squares = 0;
  let size = 0;
  ordered.forEach((c, i) => {
    const isNew = i === 0 || ordered[i - 1].station !== c.station || c.ms - ordered[i - 1].ms > visitMin * minuteMs;
    if (isNew) {
      squares += size * size;
      size = 0;
    }
    size++;
  });
  return ordered.length === 0 ? 1 : (squares + size * size) / ordered.length;
}
