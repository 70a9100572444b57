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

/** Bites are counted in so many parts of what is shown. */
const runBins = 12;

/** What of the run is shown, m, and the bites in equal parts of it. */
export function runFrame(
  feed: { run: RunSpan; last: { dropM: number; span: RunSpan } | null; next: { dropM: number; span: RunSpan } },
  alongM: readonly number[],
  floatM: number | null,
): { fromM: number; toM: number; bins: { fromM: number; toM: number; bites: number }[] } {
  // Food that is swept far beyond the run is not followed to its end.
  const reach = 1.6 * (feed.run.toM - feed.run.fromM);
  const all = [feed.run, feed.next.span, ...(feed.last ? [feed.last.span] : [])].flatMap((s) => [s.fromM, s.toM]);
  const points = [...all, feed.next.dropM, ...(feed.last ? [feed.last.dropM] : []), ...alongM, ...(floatM === null ? [] : [floatM])];
  const fromM = Math.max(Math.min(...points), feed.run.fromM - reach / 2) - 0.2;
  const toM = Math.min(Math.max(...points), feed.run.toM + reach / 2) + 0.2;
  const step = (feed.run.toM - feed.run.fromM) / runBins;
  const bins = Array.from({ length: runBins }, (_, k) => {
    const [a, b] = [feed.run.fromM + k * step, feed.run.fromM + (k + 1) * step];
    return { fromM: a, toM: b, bites: alongM.filter((m) => m >= a - (k === 0 ? 1 : 0) && m < b + (k === runBins - 1 ? 1 : 0)).length };
  });
  return { fromM, toM, bins };
}
