import type { LineState, OutingState } from '../ledger';
import { counted, minuteMs } from '../units';
import { biteMsOf, lineEndMs, takesOf } from '../visits';

/** What a trial is judged by. Source: the always-valid test of exchangeable units (a mixture of beta-binomial odds); mixture and bounds by simulation. */
export const trialLimits = {
  /** Factors that a better bait may have, each with its inverse, and how much bites of one visit go together (size of the beta-binomial). */
  factors: [1.5, 2, 3, 4, 6],
  sizes: [2, 8, 64],
  factorSpread: 1.1,
  /** Odds at which one leads, or they are even. */
  leads: 20,
  /** A visit ends after so many quiet minutes, and after so many in all. */
  quietMin: 10,
  longestMin: 30,
} as const;

/** A stretch in which both were down, as far as it can be judged: bites of one and of both. */
interface Unit {
  /** When it had ended, ms. */
  ms: number;
  ofFirst: number;
  all: number;
  visits: number;
  /** Whether the first bite of it was to the first bait. */
  isFirstFirst: boolean;
}

export interface Trial {
  verdict: 'leads' | 'even' | 'open';
  /** The presentation that leads; null while none does. */
  best: string | null;
  /** The highest odds so far that they differ. */
  evidence: number;
  /** How often it could be looked at: units that ended. */
  looks: number;
  /** Visits of fish that counted. */
  visits: number;
  /** The odds after each look. */
  steps: { ms: number; odds: number }[];
}

/** Presentations that were fished, most of all first. */
export function presentationsOf(outings: readonly OutingState[]): string[] {
  const lines = new Map<string, number>();
  for (const { presentation } of outings.flatMap((o) => o.lines)) if (presentation !== null) lines.set(presentation, (lines.get(presentation) ?? 0) + 1);
  return [...lines].sort((a, b) => b[1] - a[1]).map(([name]) => name);
}

/**
 * Which of two presentations fish take better, as far as it is sure, whenever it is looked at: it needs only that the two are alike within a visit, so that
 * clumped bites do no harm.
 * @param pairs how many pairs are compared: with several the bound is so many times as high
 */
export function trialOf(outings: readonly OutingState[], [first, second]: readonly [string, string], nowMs: number, pairs = 1): Trial {
  return judged(
    outings.flatMap((o) => unitsOf(o, first, second, nowMs)),
    [first, second],
    pairs,
  );
}

/** The verdict on units, in order of time. */
function judged(of: readonly Unit[], [first, second]: readonly [string, string], pairs: number): Trial {
  const units = [...of].sort((a, b) => a.ms - b.ms);
  const weights = mixture();
  const odds = weights.map(() => 1);
  const steps: Trial['steps'] = [];
  let [evidence, best] = [1, null as string | null];
  for (const unit of units) {
    weights.forEach(({ p, size }, j) => (odds[j] *= oddsOf(unit, p, size)));
    const all = weights.reduce((sum, { w }, j) => sum + w * odds[j], 0);
    evidence = Math.max(evidence, all);
    steps.push({ ms: unit.ms, odds: Number(all.toPrecision(6)) });
    if (best !== null || all < trialLimits.leads * pairs) continue;
    const ofFirst = weights.reduce((sum, { w, p }, j) => sum + (p > 0.5 ? w * odds[j] : 0), 0);
    best = ofFirst > all / 2 ? first : second;
  }
  const verdict = best !== null ? 'leads' : isEven(units) ? 'even' : 'open';
  return { verdict, best, evidence, looks: units.length, visits: units.reduce((sum, u) => sum + u.visits, 0), steps };
}

/** A pair of presentations with what is known of it. */
export interface PairTrial extends Trial {
  first: string;
  second: string;
}

/** Pairs that were down together, most visits first. With several pairs each has to be surer. */
export function trialsOf(outings: readonly OutingState[], nowMs: number, most: number): PairTrial[] {
  const names = presentationsOf(outings);
  const pairs = names.flatMap((first, k) => names.slice(k + 1).map((second) => [first, second] as const));
  // Only where both were tied on one outing can they have been down together.
  const tied = outings.map((o) => ({ outing: o, names: new Set(o.lines.map((l) => l.presentation)) }));
  const met = pairs.flatMap(([first, second]) => {
    const units = tied.filter((t) => t.names.has(first) && t.names.has(second)).flatMap((t) => unitsOf(t.outing, first, second, nowMs));
    return units.length > 0 ? [{ first, second, units }] : [];
  });
  return met
    .map(({ first, second, units }) => ({ first, second, ...judged(units, [first, second], met.length) }))
    .sort((a, b) => b.visits - a.visits)
    .slice(0, most);
}

/** A trial in words: who leads, how sure, and what it would take. */
export function trialWords({ first, second, verdict, best, evidence, visits }: PairTrial): { headline: string; detail: string } {
  const odds = `${Math.min(999, Math.max(1, Math.round(evidence)))} to 1`;
  if (verdict === 'leads')
    return {
      headline: `${best} leads ${best === first ? second : first}`,
      detail: `${odds} that they differ, over ${counted(visits, 'visit')} of fish to both. Looking often does not make it luckier.`,
    };
  if (verdict === 'even') return { headline: `${first} and ${second} are even`, detail: `Neither is twice as good, over ${counted(visits, 'visit')}. Fish what you like.` };
  return {
    headline: `${first} against ${second}: open`,
    detail: `${odds} so far, over ${counted(visits, 'visit')}. At three bites an hour a bait three times as good shows in 12 to 23 hours of both rods side by side, one twice as good in twice that.`,
  };
}

/** Chances that a bite is to the first, with their weights. */
function mixture(): { p: number; size: number; w: number }[] {
  const { factors, sizes, factorSpread } = trialLimits;
  const rows = factors.flatMap((f) => [f, 1 / f]).flatMap((f) => sizes.map((size) => ({ p: f / (1 + f), size, w: Math.exp(-0.5 * (Math.log(f) / factorSpread) ** 2) })));
  const all = rows.reduce((sum, { w }) => sum + w, 0);
  return rows.map((row) => ({ ...row, w: row.w / all }));
}

/** How much likelier the bites of a unit are as they fell than the other way round, twice their share: 1 on the average where the two are alike. */
function oddsOf({ ofFirst, all }: Unit, p: number, size: number): number {
  const rising = (from: number, times: number) => Array.from({ length: times }, (_, i) => from + i).reduce((product, x) => product * x, 1);
  const chance = (k: number) => rising(p * size, k) * rising((1 - p) * size, all - k);
  const [so, other] = [chance(ofFirst), chance(all - ofFirst)];
  return (2 * so) / (so + other);
}

/** Whether first bites say that neither is twice as good. */
function isEven(units: readonly Unit[]): boolean {
  const a = units.filter((u) => u.isFirstFirst).length;
  const b = units.length - a;
  const against = (p: number) => (a + b) * Math.log(0.5) - a * Math.log(p) - b * Math.log(1 - p);
  return Math.min(against(2 / 3), against(1 / 3)) >= Math.log(trialLimits.leads);
}

/** Units of an outing: visits to two lines at one station; else spells of a line each at two, matched as they came down, each used once. */
function unitsOf(outing: OutingState, first: string, second: string, nowMs: number): Unit[] {
  const lines = outing.lines.filter((l) => l.presentation === first || l.presentation === second).sort((a, b) => a.downMs - b.downMs);
  if (!lines.some((l) => l.presentation !== lines[0].presentation)) return [];
  const bites = bitesOf(outing);
  const used = new Set<string>();
  const units: Unit[] = [];
  for (const line of lines) {
    if (used.has(line.id)) continue;
    const end = lineEndMs(line, nowMs);
    const others = lines.filter((l) => !used.has(l.id) && l.presentation !== line.presentation && l.downMs < end && lineEndMs(l, nowMs) > line.downMs);
    const mate = others.find((l) => l.station === line.station) ?? others.at(0);
    if (!mate) continue;
    const [a, b] = line.presentation === first ? [line, mate] : [mate, line];
    const [fromMs, toMs] = [Math.max(a.downMs, b.downMs), Math.min(lineEndMs(a, nowMs), lineEndMs(b, nowMs))];
    const isOver = a.upMs !== null || b.upMs !== null || outing.endedMs !== null;
    const here = clustersOf(bites, a, b, fromMs, toMs, isOver, nowMs);
    if (a.station === b.station) {
      // The longer of the two goes on beside the next line; each stretch counts once, for its bites do.
      units.push(...here);
      used.add(lineEndMs(a, nowMs) <= lineEndMs(b, nowMs) ? a.id : b.id);
    } else {
      used.add(a.id).add(b.id);
      // At different stations one good minute is one visit, whatever it gave.
      const ofFirst = here.filter((u) => u.isFirstFirst).length;
      if (isOver && here.length > 0) units.push({ ms: toMs, ofFirst, all: here.length, visits: here.length, isFirstFirst: here[0].isFirstFirst });
    }
  }
  return units;
}

/** Bites of outings that were asked for already: every pair of baits asks for the same. An outing that changed is another object. */
const known = new WeakMap<OutingState, { ms: number; line: string }[]>();

/** Bites by line, in order of time. */
function bitesOf(outing: OutingState): { ms: number; line: string }[] {
  const before = known.get(outing);
  if (before) return before;
  const bites = takesOf(outing)
    .flatMap((take) => {
      const ms = biteMsOf(take);
      return ms === null || take.line === null ? [] : [{ ms, line: take.line }];
    })
    .sort((x, y) => x.ms - y.ms);
  known.set(outing, bites);
  return bites;
}

/** Bites to two lines while both were down, in visits that have ended; at different stations those to each are visits of their own. */
function clustersOf(bites: ReturnType<typeof bitesOf>, a: LineState, b: LineState, fromMs: number, toMs: number, isOver: boolean, nowMs: number): Unit[] {
  const { quietMin, longestMin } = trialLimits;
  const isTogether = a.station === b.station;
  const clusters: { fromMs: number; lastMs: number; lines: string[] }[] = [];
  for (const { ms, line } of bites) {
    if (ms < fromMs || ms > toMs || (line !== a.id && line !== b.id)) continue;
    const open = clusters.findLast((c) => isTogether || c.lines[0] === line);
    if (open && ms - open.lastMs <= quietMin * minuteMs && ms - open.fromMs <= longestMin * minuteMs) {
      open.lastMs = ms;
      open.lines.push(line);
    } else clusters.push({ fromMs: ms, lastMs: ms, lines: [line] });
  }
  return clusters
    .filter((c) => isOver || nowMs - c.lastMs > quietMin * minuteMs || nowMs - c.fromMs > longestMin * minuteMs)
    .map((c) => ({
      ms: Math.min(toMs, c.lastMs + quietMin * minuteMs),
      ofFirst: c.lines.filter((l) => l === a.id).length,
      all: c.lines.length,
      visits: 1,
      isFirstFirst: c.lines[0] === a.id,
    }));
}
