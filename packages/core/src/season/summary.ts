import type { LedgerState, OutingState, SurfaceSeen } from '../ledger';
import { catchesIn, catchesOf, clumpSize, heightBands, effortIntervals, intervalsOf, signsOf, upperIntervalsOf, type Catch } from './effort';
import { findLead, shrunkenRates, type Finding, type RateRow, type Tally } from './rates';

export interface Comparison {
  by: 'height' | 'presentation';
  count: 'fish' | 'bites';
  /** What an hour of the rates is: of line, or ten casts. */
  unit: 'minutes' | 'casts';
  rows: RateRow[];
  finding: Finding;
}

/** A cast counts as so many minutes of effort, so that rates are per ten casts. */
export const minutesPerCast = 6;

export interface OutingSummary {
  id: string;
  water: string;
  waterName: string;
  /** File that another's log was brought in from; absent for one's own. */
  broughtFrom?: string;
  startedMs: number;
  /** Offset from UTC where and when it began. */
  zone: string;
  endedMs: number | null;
  /** Ways of fishing it was fished in, in order. */
  methods: string[];
  stations: number;
  lineMin: number;
  casts: number;
  bites: number;
  fish: number;
  /** What kept the line out of the water all day; null of a day on which it was in, or nobody saw why not. Such a day is no blank. */
  lostTo: SurfaceSeen | null;
  /** Species with their numbers, most first. */
  species: { id: string; count: number }[];
}

export interface SeasonSummary {
  outings: OutingSummary[];
  lineMin: number;
  bites: number;
  fish: number;
  clump: number;
  comparisons: Comparison[];
}

/** All outings with what they came to, the latest first; of one way of fishing alone where it is named. */
export function outingsSummary({ outings }: Pick<LedgerState, 'outings'>, nowMs: number, method?: string): Pick<SeasonSummary, 'outings' | 'lineMin' | 'bites' | 'fish'> {
  const isOf = (row: { method: string }) => method === undefined || row.method === method;
  const rows = outings.map((outing) => ({ outing, intervals: intervalsOf(outing, nowMs).filter(isOf), catches: catchesIn(outing, nowMs).filter(isOf) }));
  const all = rows.flatMap((r) => r.catches);
  return {
    outings: rows
      .filter(({ outing }) => method === undefined || outing.methods.some((m) => m.method === method))
      .map(({ outing, intervals, catches }) => summariseOuting(outing, intervals, catches))
      .reverse(),
    lineMin: rows.reduce((sum, r) => sum + minutesOf(r.intervals), 0),
    bites: all.length,
    fish: all.filter((c) => c.isFish).length,
  };
}

const minutesOf = (intervals: readonly { fromMs: number; toMs: number }[]) => intervals.reduce((sum, s) => sum + (s.toMs - s.fromMs) / 60_000, 0);

/** Casts of one way by what was on the line. */
function castsByPresentation({ outings }: LedgerState, isOf: (row: { method: string }) => boolean): Map<string, number> {
  const counts = new Map<string, number>();
  for (const o of outings) {
    const methods = new Map(o.stations.map((s) => [s.id, s.method]));
    const lines = new Map(o.lines.map((l) => [l.id, l.presentation]));
    for (const cast of o.casts) {
      const presentation = lines.get(cast.line ?? '') ?? null;
      if (presentation !== null && isOf({ method: methods.get(cast.station) ?? o.method })) counts.set(presentation, (counts.get(presentation) ?? 0) + 1);
    }
  }
  return counts;
}

/**
 * What the log says: effort, catches, and rates by height above bottom and by presentation.
 * @param method one way of fishing alone, since rates are compared only within one; all of them where it is left out
 * @param unit what its effort is counted in: of casts there is a rate for each presentation, none by height
 */
export function summariseSeason(ledger: LedgerState, nowMs: number, method?: string, unit: Comparison['unit'] = 'minutes'): SeasonSummary {
  const isOf = (row: { method: string }) => method === undefined || row.method === method;
  // Baits are compared with the upper ones of lines with two; the hours of line count once.
  const intervals = [...effortIntervals(ledger, nowMs), ...ledger.outings.flatMap((o) => upperIntervalsOf(o, nowMs))].filter(isOf);
  const catches = catchesOf(ledger, nowMs).filter(isOf);
  const methodOf = new Map(ledger.outings.flatMap((o) => o.stations.map((s) => [s.id, s.method])));
  const clump = clumpSize(signsOf(ledger).filter((sign) => method === undefined || methodOf.get(sign.station) === method));
  const casts = castsByPresentation(ledger, isOf);
  const compare = (by: Comparison['by'], count: Comparison['count']): Comparison => {
    const key = by === 'height' ? bandOf : (c: { presentation: string | null }) => c.presentation;
    const keys = by === 'height' ? heightBands.map((b) => b.id as string) : [...new Set(intervals.flatMap((s) => s.presentation ?? []))].sort();
    const counted = catches.filter((c) => count === 'bites' || c.isFish);
    const effort = (k: string) => (unit === 'minutes' ? minutesOf(intervals.filter((s) => key(s) === k)) : by === 'height' ? 0 : minutesPerCast * (casts.get(k) ?? 0));
    const tallies: Tally[] = keys.map((k) => ({ key: k, minutes: effort(k), count: counted.filter((c) => key(c) === k).length }));
    const rows = shrunkenRates(
      tallies.filter((t) => t.minutes > 0),
      clump,
    );
    return { by, count, unit, rows, finding: findLead(rows, clump) };
  };
  return {
    ...outingsSummary(ledger, nowMs, method),
    clump,
    comparisons: [compare('height', 'fish'), compare('height', 'bites'), compare('presentation', 'fish'), compare('presentation', 'bites')],
  };
}

const bandOf = ({ heightM }: { heightM: number | null }) => (heightM === null ? null : (heightBands.find((b) => heightM >= b.fromM && heightM < b.toM)?.id ?? null));

function summariseOuting(outing: OutingState, intervals: readonly { fromMs: number; toMs: number }[], catches: readonly Catch[]): OutingSummary {
  const counts = new Map<string, number>();
  for (const fish of outing.fish) counts.set(fish.species, (counts.get(fish.species) ?? 0) + 1);
  return {
    id: outing.id,
    water: outing.water,
    waterName: outing.waterName,
    ...(outing.broughtFrom === undefined ? {} : { broughtFrom: outing.broughtFrom }),
    startedMs: outing.startedMs,
    zone: outing.zone,
    endedMs: outing.endedMs,
    methods: [...new Set(outing.methods.map((m) => m.method))],
    stations: outing.stations.length,
    lineMin: minutesOf(intervals),
    casts: outing.casts.length,
    bites: catches.length,
    fish: outing.fish.length,
    lostTo: lostTo(outing),
    species: [...counts].map(([id, count]) => ({ id, count })).sort((a, b) => b.count - a.count),
  };
}

/** What lay over the water of a day on which nobody fished. */
export function lostTo(outing: Pick<OutingState, 'surfaces' | 'lines' | 'casts' | 'fish' | 'stations'>): SurfaceSeen | null {
  if (outing.lines.length + outing.casts.length + outing.fish.length + outing.stations.length > 0) return null;
  const surface = outing.surfaces.at(-1)?.surface;
  return surface === undefined || surface === 'open' ? null : surface;
}
