import { seededRandom } from '@burrow/core/units';

const bootstraps = 2000;

/** Ratio of two totals over days, with its 95 % range by drawing days anew. */
export function ratioOf(of: readonly number[], against: readonly number[]): { ratio: number; low: number; high: number } {
  const random = seededRandom(31);
  const sum = (values: readonly number[], picks: readonly number[]) => picks.reduce((s, k) => s + values[k], 0);
  const all = of.map((_, k) => k);
  const drawn = Array.from({ length: bootstraps }, () => {
    const picks = all.map(() => Math.floor(random() * of.length));
    return sum(of, picks) / Math.max(1, sum(against, picks));
  }).sort((a, b) => a - b);
  return { ratio: sum(of, all) / Math.max(1, sum(against, all)), low: drawn[Math.floor(0.025 * bootstraps)], high: drawn[Math.floor(0.975 * bootstraps)] };
}
