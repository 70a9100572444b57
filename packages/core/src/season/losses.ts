import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import type { OutingState } from '../ledger';
import { takesOf, type Take } from '../visits';

/** One step of a fish to the net: of so many that came to it, so many went on. */
export interface LossStep {
  from: 'looked' | 'bit' | 'hooked';
  to: 'bit' | 'hooked' | 'landed';
  of: number;
  went: number;
  /** Share that went on, with its 90 % interval: days differ, and widen it. */
  share: number;
  low: number;
  high: number;
}

export interface Losses {
  steps: LossStep[];
  /** The step at which the last day lost far more than the days before it; null where none did. */
  leak: { step: LossStep['to']; probability: number } | null;
}

/** How alike the fish of a day are (size of the beta-binomial), how sure a leak must be, how likely one is beforehand, and fish wanted on the other days. Source: prototypes. */
export const lossLimits = { size: 30, named: 0.8, priorLeak: 0.45, leastOthers: 20, leakShare: 0.5 } as const;

const steps = [
  { from: 'looked', to: 'bit' },
  { from: 'bit', to: 'hooked' },
  { from: 'hooked', to: 'landed' },
] as const;

/** Whether a fish came to a step, and whether it went on from there. A step that nobody logged is known where a later one was. */
const reached = ({ steps: s, isBite }: Take): Record<LossStep['from'] | 'landed', boolean> => ({
  looked: s.looked !== undefined || s.came !== undefined,
  bit: isBite,
  hooked: s.hooked !== undefined || s.landed !== undefined || s.lost !== undefined,
  landed: s.landed !== undefined,
});

interface Share {
  of: number;
  went: number;
}

function sharesOf(takes: readonly Take[]): Share[] {
  const all = takes.map(reached);
  return steps.map(({ from, to }) => {
    const came = all.filter((t) => t[from]);
    return { of: came.length, went: came.filter((t) => t[to]).length };
  });
}

/**
 * Where fish are lost between the first look and the net, over all outings; and whether the last of them lost far more at one step than the angler's other days.
 * Fish that bit without having been seen say nothing of looks.
 */
export function lossesOf(outings: readonly OutingState[]): Losses {
  const days = outings.map((o) => sharesOf(takesOf(o)));
  const rows = steps.map((step, k): LossStep => {
    const ofDays = days.map((d) => d[k]);
    const { of, went } = sumOf(ofDays);
    // Fish of one day go together: so many count as fewer.
    const times = of === 0 ? 1 : ofDays.reduce((sum, d) => sum + d.of * (1 + (Math.max(1, d.of) - 1) / (lossLimits.size + 1)), 0) / of;
    const [a, b] = [went / times + 0.5, (of - went) / times + 0.5];
    return { ...step, of, went, share: of === 0 ? 0 : went / of, low: betaQuantile(0.05, a, b), high: betaQuantile(0.95, a, b) };
  });
  return { steps: rows, leak: leakOf(days) };
}

const sumOf = (shares: readonly Share[]): Share => shares.reduce((sum, s) => ({ of: sum.of + s.of, went: sum.went + s.went }), { of: 0, went: 0 });

/** The step whose share has halved on the last day, by Bayes factors against its own share on the others. */
function leakOf(days: readonly (readonly Share[])[]): Losses['leak'] {
  const today = days.at(-1);
  if (!today) return null;
  const factors = steps.map((_, k) => {
    const others = sumOf(days.slice(0, -1).map((d) => d[k]));
    if (others.of < lossLimits.leastOthers) return 0;
    const usual = (others.went + 1) / (others.of + 2);
    return Math.exp(lnChance(today[k], usual * lossLimits.leakShare) - lnChance(today[k], usual));
  });
  const odds = factors.map((f) => (lossLimits.priorLeak / steps.length) * f);
  const all = odds.reduce((sum, o) => sum + o, 1 - lossLimits.priorLeak);
  const k = odds.indexOf(Math.max(...odds));
  const probability = odds[k] / all;
  return probability > lossLimits.named ? { step: steps[k].to, probability } : null;
}

/** Logarithm of the chance of a day's count at a mean share, but for what is the same at every share: beta-binomial. */
function lnChance({ of, went }: Share, mean: number): number {
  const [a, b] = [lossLimits.size * mean, lossLimits.size * (1 - mean)];
  let sum = 0;
  for (let i = 0; i < went; i++) sum += Math.log(a + i);
  for (let i = 0; i < of - went; i++) sum += Math.log(b + i);
  return sum;
}
