import type { LedgerState, OutingState } from '../ledger';
import { counted, hourMs, type UnitPreference, depthText } from '../units';
import { catchesOf, effortIntervals, heightBands } from './effort';
import { lostTo } from './summary';
import { rowLabel } from './wording';

/** A time spent at one place of an outing. */
export interface Stay {
  station: string;
  label: string;
  fromMs: number;
  toMs: number;
  /** Depth of the bed there, m: sounded, or null. */
  depthM: number | null;
}

/** A line hanging at one depth for a while. */
export interface HungLine {
  fromMs: number;
  toMs: number;
  depthM: number;
}

/** A bite or fish on the picture of a day; `isBest` where it came at the height above bottom that gave most. */
export interface DayCatch {
  ms: number;
  station: string;
  depthM: number | null;
  isFish: boolean;
  isBest: boolean;
}

/** A height above bottom with what it gave: fish and hours of line there. */
interface Height {
  band: string;
  fish: number;
  hours: number;
}

/** An outing as its page draws and tells it. */
export interface OutingDay {
  fromMs: number;
  toMs: number;
  stays: Stay[];
  lines: HungLine[];
  catches: DayCatch[];
  /** Deepest that is drawn, m; null where no depth is known. */
  deepestM: number | null;
  shallowestM: number | null;
  heights: Height[];
  lineHours: number;
  fish: number;
  bites: number;
}

/** An outing that was never ended is drawn no longer than this, ms. */
const longestOpenMs = 16 * hourMs;

/**
 * What happened on one outing, ready to draw.
 * @param nowMs where an outing under way is drawn to
 */
export function outingDay(outing: OutingState, nowMs: number): OutingDay {
  const ledger: LedgerState = { outings: [outing], weather: [], drills: [] };
  const toMs = outing.endedMs ?? Math.max(outing.startedMs, Math.min(nowMs, outing.startedMs + longestOpenMs));
  const intervals = effortIntervals(ledger, toMs);
  const caught = catchesOf(ledger, nowMs);
  const heights = heightBands.map((b): Height => ({
    band: b.id,
    fish: caught.filter((c) => c.isFish && c.heightM !== null && c.heightM >= b.fromM && c.heightM < b.toM).length,
    hours: intervals.reduce((sum, s) => (s.heightM !== null && s.heightM >= b.fromM && s.heightM < b.toM ? sum + (s.toMs - s.fromMs) / hourMs : sum), 0),
  }));
  const best = heights.reduce<Height | null>((top, h) => (h.fish > (top?.fish ?? 0) ? h : top), null);
  const bestBand = heightBands.find((b) => b.id === best?.band);
  const arrivals = outing.stations.flatMap((s) => s.arrivals.map((ms) => ({ ms, station: s }))).sort((a, b) => a.ms - b.ms);
  const stays = arrivals.map(({ ms, station }, k): Stay => ({ station: station.id, label: station.label, fromMs: ms, toMs: arrivals[k + 1]?.ms ?? toMs, depthM: station.depthM }));
  const lines = outing.lines.flatMap((line): HungLine[] => {
    const upMs = line.upMs ?? toMs;
    return line.depths.filter((d) => d.ms < upMs).map((d, k, all) => ({ fromMs: d.ms, toMs: all[k + 1]?.ms ?? upMs, depthM: d.depthM }));
  });
  const catches = caught.map((c): DayCatch => {
    const station = outing.stations.find((s) => s.id === c.station);
    const depthM = c.heightM === null || !station?.depthM ? null : station.depthM - c.heightM;
    return {
      ms: c.ms,
      station: c.station,
      depthM,
      isFish: c.isFish,
      isBest: bestBand !== undefined && c.heightM !== null && c.heightM >= bestBand.fromM && c.heightM < bestBand.toM,
    };
  });
  const depths = [...stays.flatMap((s) => s.depthM ?? []), ...lines.map((l) => l.depthM)];
  return {
    fromMs: outing.startedMs,
    toMs,
    stays,
    lines,
    catches: catches.sort((a, b) => a.ms - b.ms),
    deepestM: depths.length === 0 ? null : Math.max(...depths),
    shallowestM: depths.length === 0 ? null : Math.min(...depths),
    heights,
    lineHours: intervals.reduce((sum, s) => sum + (s.toMs - s.fromMs) / hourMs, 0),
    fish: outing.fish.length,
    bites: caught.length,
  };
}

/** Less line than this says nothing of a height, h. */
const leastHours = 0.25;

/** The outing in a sentence, with the figures behind it and what it was made of. */
export function outingDayWords(day: OutingDay, outing: OutingState, place: string, units: UnitPreference): { made: string; headline: string; detail: string } {
  const swims = outing.stations.filter((s) => s.outM !== null);
  const made = [
    counted(new Set(outing.stations.map((s) => s.peg)).size, place.toLowerCase()),
    swims.length > 0 ? counted(swims.length, 'swim') : null,
    outing.casts.length > 0
      ? null
      : day.lineHours >= 0.05
        ? `${day.lineHours.toFixed(1)} h of line`
        : day.lineHours > 0
          ? `${Math.max(1, Math.round(day.lineHours * 60))} min of line`
          : null,
    outing.casts.length > 0 ? counted(outing.casts.length, 'cast') : null,
    counted(day.bites, 'bite'),
    `${day.fish} fish`,
  ];
  const said = made.filter((part) => part !== null).join(', ');
  const label = (band: string) => rowLabel({ by: 'height' }, band, units, (name) => name).replace(/^On/, 'on');
  const [best, second] = [...day.heights].filter((h) => h.hours >= leastHours).sort((a, b) => b.fish / b.hours - a.fish / a.hours);
  const known = day.heights.reduce((sum, h) => sum + h.fish, 0);
  const lost = lostTo(outing);
  if (lost !== null)
    return {
      made: lost === 'skin' ? 'A skin of ice' : 'Ice',
      headline: lost === 'skin' ? 'Lost to a skin of ice' : 'Lost to ice',
      detail: 'Nobody fished: it is no blank, and no rate is made of it.',
    };
  if (day.fish === 0)
    return {
      made: said,
      headline: day.bites === 0 ? 'No bite' : `${counted(day.bites, 'bite')}, no fish`,
      detail: day.lineHours > 0 ? 'It counts all the same: line in the water without a fish is what rates are made of.' : 'No line was logged.',
    };
  if (outing.casts.length > 0) return { made: said, ...castDayWords(outing) };
  if (swims.length > 0) return { made: said, ...swimDayWords(outing, units) };
  const top = [...day.heights].sort((a, b) => b.fish - a.fish)[0];
  const rate = (h: Height) => `${(h.fish / h.hours).toFixed(1)} an hour`;
  const headline = known === 0 ? `${day.fish} fish` : day.fish === 1 ? `1 fish, ${label(top.band)}` : `${top.fish} of ${day.fish} came ${label(top.band)}`;
  const detail =
    known === 0
      ? 'At what height above bottom is not known: it takes the depth of the hole and of the jig.'
      : best === undefined
        ? 'Too little line at one height to tell its rate.'
        : `${rate(best)} ${label(best.band)}${second ? `, ${rate(second)} ${label(second.band)}` : ''}. One outing is too little to tell luck from skill.`;
  return { made: said, headline, detail };
}

/** A day of casts: what it gave for its casts, and which stand gave most. */
function castDayWords({ stations, casts, fish }: OutingState): { headline: string; detail: string } {
  const by = stations.map((s) => ({ label: s.label, fish: fish.filter((f) => f.station === s.id).length, casts: casts.filter((c) => c.station === s.id).length }));
  const best = by.reduce((top, s) => (s.fish > top.fish ? s : top));
  return {
    headline: `${fish.length} fish in ${counted(casts.length, 'cast')}`,
    detail: `Stand ${best.label} gave ${best.fish === fish.length && fish.length > 1 ? 'all of them' : counted(best.fish, 'fish', 'fish')} in ${counted(best.casts, 'cast')}. One outing is too little to tell luck from skill.`,
  };
}

/** A day at a peg: which swim gave how many of the fish. */
function swimDayWords({ stations, fish }: OutingState, units: UnitPreference): { headline: string; detail: string } {
  const by = stations.filter((s) => s.outM !== null).map((s) => ({ name: depthText(s.outM!, units), fish: fish.filter((f) => f.station === s.id).length }));
  const parts = by.map((s) => `${s.name} gave ${s.fish}`);
  return { headline: counted(fish.length, 'fish', 'fish'), detail: `${parts.join(', ')}. One outing is too little to tell luck from skill.` };
}

/** What of a day was tried without a bite, in words: baits with their time and places; empty where each had one. */
export function triedInVain(outing: OutingState, nowMs: number): string[] {
  const ledger: LedgerState = { outings: [outing], weather: [], drills: [] };
  const intervals = effortIntervals(ledger, outing.endedMs ?? nowMs);
  const caught = catchesOf(ledger, nowMs);
  return [...new Set(intervals.flatMap((s) => s.presentation ?? []))]
    .filter((bait) => !caught.some((c) => c.presentation === bait))
    .map((bait) => {
      const mine = intervals.filter((s) => s.presentation === bait);
      const minutes = mine.reduce((sum, s) => sum + (s.toMs - s.fromMs) / 60_000, 0);
      const lines = outing.lines.filter((l) => l.presentation === bait).map((l) => l.id);
      const casts = outing.casts.filter((c) => c.line !== null && lines.includes(c.line)).length;
      const places = [...new Set(mine.map((s) => outing.stations.find((p) => p.id === s.station)?.label ?? '?'))];
      const effort = casts > 0 ? counted(casts, 'cast') : `${Math.round(minutes)} min`;
      return `${bait}: ${effort} at ${places.join(', ')}, no bite.${minutes < 60 ? ' Too little to tell.' : ''}`;
    });
}
