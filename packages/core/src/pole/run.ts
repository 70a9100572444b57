import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import type { RunSpan } from './feed';

/** A third of the run with its share of the bites and the 90 % range of it. */
export interface RunThird {
  fromM: number;
  toM: number;
  bites: number;
  share: number;
  low: number;
  high: number;
}

/** Bites by thirds of the run; places along it, downstream positive. Jeffreys' interval. */
export function biteThirds(run: RunSpan, alongM: readonly number[]): RunThird[] {
  const step = (run.toM - run.fromM) / 3;
  const n = alongM.length;
  return [0, 1, 2].map((k): RunThird => {
    const [fromM, toM] = [run.fromM + k * step, run.fromM + (k + 1) * step];
    const bites = alongM.filter((m) => (k === 0 ? m < toM : k === 2 ? m >= fromM : m >= fromM && m < toM)).length;
    const [a, b] = [bites + 0.5, n - bites + 0.5];
    return { fromM, toM, bites, share: n === 0 ? 1 / 3 : bites / n, low: betaQuantile(0.05, a, b), high: betaQuantile(0.95, a, b) };
  });
}

/** Where on the run to begin: a third that certainly has more than its share of the bites; null where nothing can be said. */
export function bestThird(thirds: readonly RunThird[]): RunThird | null {
  const best = thirds.reduce((a, b) => (b.bites > a.bites ? b : a));
  return best.low > 1 / 3 ? best : null;
}
