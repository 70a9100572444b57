import betaCdf from '@stdlib/stats-base-dists-beta-cdf';
import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile';

/** Counts and effort of one band or presentation. */
export interface Tally {
  key: string;
  minutes: number;
  count: number;
}

/** A rate per hour with its 90 % interval. */
export interface Rate {
  mean: number;
  low: number;
  high: number;
}

export interface RateRow extends Tally {
  rate: Rate;
  /** Whether there is enough line in the water to say anything. */
  enough: boolean;
}

/** One row leads another, or nothing can be said yet. */
export type Finding = { kind: 'leads'; best: RateRow; other: RateRow; probability: number } | { kind: 'not-enough' };

/** Below this much line in the water nothing is said, min. */
export const leastMinutes = 60;
/** Wanted posterior probability for one comparison; with more of them each must be surer. */
const leadProbability = 0.9;

/** Rows are taken to differ by at least half their mean (as variance over mean²): few rows alone say little of their spread. */
const leastSpread = 0.25;

interface Posterior {
  shape: number;
  hours: number;
}

/**
 * Rates per hour by Gamma–Poisson shrinkage to the mean over all rows; the strength of the shrinkage by the method of moments
 * between rows (empirical Bayes). Catches clump: `clump` catches count as one sign, which widens the intervals.
 */
export function shrunkenRates(tallies: readonly Tally[], clump: number): RateRow[] {
  const prior = priorOf(tallies, clump);
  return tallies.map((tally) => {
    const post = posterior(tally, prior, clump);
    const rate = { mean: post.shape / post.hours, low: gammaQuantile(0.05, post.shape, post.hours), high: gammaQuantile(0.95, post.shape, post.hours) };
    return { ...tally, rate, enough: tally.minutes >= leastMinutes };
  });
}

function priorOf(tallies: readonly Tally[], clump: number): Posterior {
  const hours = tallies.reduce((sum, t) => sum + t.minutes, 0) / 60;
  const count = tallies.reduce((sum, t) => sum + t.count, 0);
  const mean = (count + 0.5) / (hours + 1);
  // Between-row variance over what Poisson noise alone would give.
  let variance = 0;
  let weight = 0;
  for (const t of tallies) {
    const h = t.minutes / 60;
    if (h <= 0) continue;
    variance += h * ((t.count / h - mean) ** 2 - (mean * clump) / h);
    weight += h;
  }
  const between = Math.max(mean * mean * leastSpread, weight > 0 ? variance / weight : 0);
  return { shape: (mean * mean) / between, hours: mean / between };
}

const posterior = (tally: Tally, prior: Posterior, clump: number): Posterior => ({
  shape: prior.shape + tally.count / clump,
  hours: prior.hours + tally.minutes / 60 / clump,
});

/** Posterior probability that the rate of `a` exceeds that of `b`, given the rows they were drawn from. */
export function probabilityAbove(a: Tally, b: Tally, all: readonly Tally[], clump: number): number {
  const prior = priorOf(all, clump);
  const x = posterior(a, prior, clump);
  const y = posterior(b, prior, clump);
  return 1 - betaCdf(x.hours / (x.hours + y.hours), x.shape, y.shape);
}

/** The row that leads and the best-known row it leads, if the evidence is enough for having looked at every pair. */
export function findLead(rows: readonly RateRow[], clump: number): Finding {
  const usable = rows.filter((r) => r.enough);
  const pairs = (usable.length * (usable.length - 1)) / 2;
  if (pairs === 0) return { kind: 'not-enough' };
  const [best, ...others] = [...usable].sort((a, b) => b.rate.mean - a.rate.mean);
  const beaten = others.map((other) => ({ other, probability: probabilityAbove(best, other, rows, clump) })).filter((c) => c.probability >= 1 - (1 - leadProbability) / pairs);
  if (beaten.length === 0) return { kind: 'not-enough' };
  // The nearest rival beaten says most.
  return { kind: 'leads', best, ...beaten[0] };
}
