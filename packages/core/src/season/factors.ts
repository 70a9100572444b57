import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { fitCounts, type CountFit, type CountRow } from './count-model';
import type { Stretch } from './stretches';

/** How many times as many bites, with its 90 % interval. */
export interface Times {
  factor: number;
  low: number;
  high: number;
}

/** What something is worth, alone and beside all the others. */
export interface Factor {
  factor: FactorId;
  level: string;
  /** What it is held against: the other of two, the rest, or of a number `less`, by one standard deviation. */
  against: string;
  alone: Times;
  together: Times;
  /** Whether it is sure enough to be said. */
  isNamed: boolean;
}

const categories = ['presentation', 'height', 'hour', 'phase', 'place'] as const;
const numbers = { depth: 'depthM', cloud: 'cloud', 'water-temp': 'waterC', clarity: 'secchiM' } as const satisfies Record<string, keyof Stretch>;
export type FactorId = (typeof categories)[number] | keyof typeof numbers;

/** When a factor is told: outings needed, share of the effort that a level has, share of it that a number is known for, levels of one category, and how sure. Source: prototypes. */
export const factorLimits = { outings: 20, levelShare: 0.05, knownShare: 0.6, mostLevels: 8, leastMinutes: 60, namedSd: 2.5, tailSd: normalQuantile(0.95, 0, 1) } as const;

interface Column {
  factor: FactorId;
  level: string;
  /** Centred figure of a stretch. */
  at: (s: Stretch) => number;
}

/**
 * What goes with more bites: each factor alone, and all together, so that an hour is not the place one starts at. Empty under 20 outings.
 * @param stretches of one way of fishing
 */
export function factorsOf(stretches: readonly Stretch[]): Factor[] {
  const rows = stretches.filter((s) => s.minutes > 0);
  const outings = [...new Set(rows.map((s) => s.outing))];
  if (outings.length < factorLimits.outings) return [];
  const groupOf = new Map(outings.map((id, k) => [id, k]));
  const families = [...categories.map((id) => categoryColumns(rows, id)), ...Object.keys(numbers).map((id) => numberColumn(rows, id as keyof typeof numbers))].filter(
    (c) => c.length > 0,
  );
  const fit = (columns: readonly Column[]): CountFit =>
    fitCounts(
      rows.map((s): CountRow => ({ count: s.bites, logEffort: Math.log(s.minutes / 60), x: columns.map((c) => c.at(s)), group: groupOf.get(s.outing)! })),
      // Places beside their depth tell little: how far they differ at all is told by the data.
      columns.map((c) => ({ family: c.factor === 'place' ? 'place' : null })),
      outings.length,
    );
  const all = families.flat();
  if (all.length === 0) return [];
  const together = fit(all);
  return families.flatMap((own) => {
    const alone = fit(own);
    const first = all.indexOf(own[0]);
    return contrasts(own).map(({ level, against, weights }): Factor => {
      const [a, t] = [timesOf(alone, weights, 0), timesOf(together, weights, first)];
      // The more levels are looked at, the surer each must be.
      const tries = own.length > 2 ? own.length : 1;
      const wanted = tries === 1 ? factorLimits.namedSd : normalQuantile(1 - (1 - chanceWithin(factorLimits.namedSd)) / (2 * tries), 0, 1);
      return { factor: own[0].factor, level, against, alone: a.times, together: t.times, isNamed: Math.abs(t.b) > wanted * t.sd };
    });
  });
}

/** Chance that a normal draw lies within so many standard deviations of its mean. */
const chanceWithin = (sd: number): number => 2 * normalCdf(sd, 0, 1) - 1;

/** A column for each level that has enough effort, centred; none where fewer than two have. */
function categoryColumns(rows: readonly Stretch[], factor: (typeof categories)[number]): Column[] {
  const minutes = new Map<string, number>();
  for (const s of rows) if (s[factor] !== null) minutes.set(s[factor], (minutes.get(s[factor]) ?? 0) + s.minutes);
  const all = [...minutes.values()].reduce((sum, m) => sum + m, 0);
  const levels = [...minutes]
    .filter(([, m]) => m >= factorLimits.leastMinutes && m >= factorLimits.levelShare * all)
    .sort((a, b) => b[1] - a[1])
    .slice(0, factorLimits.mostLevels)
    .map(([level]) => level);
  if (levels.length < 2) return [];
  const known = rows.filter((s) => s[factor] !== null).length;
  return levels.map((level) => {
    const share = rows.filter((s) => s[factor] === level).length / known;
    return { factor, level, at: (s) => (s[factor] === null ? 0 : (s[factor] === level ? 1 : 0) - share) };
  });
}

/** A number by its standard deviation; none where too little is known of it, or it is the same throughout. */
function numberColumn(rows: readonly Stretch[], factor: keyof typeof numbers): Column[] {
  const key = numbers[factor];
  const known = rows.flatMap((s) => s[key] ?? []);
  if (known.length < factorLimits.knownShare * rows.length) return [];
  const mean = known.reduce((sum, v) => sum + v, 0) / known.length;
  const sd = Math.sqrt(known.reduce((sum, v) => sum + (v - mean) ** 2, 0) / known.length);
  if (!(sd > 1e-6)) return [];
  return [{ factor, level: 'more', at: (s) => (s[key] === null ? 0 : (s[key] - mean) / sd) }];
}

/** What is told of a factor's columns: of a number that one, of two levels the one against the other, of more each against the rest. */
function contrasts(own: readonly Column[]): { level: string; against: string; weights: number[] }[] {
  if (own.length === 1) return [{ level: 'more', against: 'less', weights: [1] }];
  if (own.length === 2) return [{ level: own[0].level, against: own[1].level, weights: [1, -1] }];
  return own.map(({ level }, k) => ({ level, against: 'rest', weights: own.map((_, j) => (j === k ? 1 : -1 / (own.length - 1))) }));
}

function timesOf({ b, cov }: CountFit, weights: readonly number[], first: number): { b: number; sd: number; times: Times } {
  let [mean, variance] = [0, 0];
  weights.forEach((w, j) => {
    mean += w * b[first + j];
    weights.forEach((v, k) => (variance += w * v * cov.get(first + j, first + k)));
  });
  const sd = Math.sqrt(Math.max(0, variance));
  return { b: mean, sd, times: { factor: Math.exp(mean), low: Math.exp(mean - factorLimits.tailSd * sd), high: Math.exp(mean + factorLimits.tailSd * sd) } };
}
