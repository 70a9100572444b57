import { requireWithin } from '../units';

export interface Bag {
  totalG: number;
  /** 90 % of what it may weigh. */
  lowG: number;
  highG: number;
}

/** Spread of single fish where nobody knows it, as a share of their mean; quantile of 90 % to both sides. */
const [usualSpread, z90] = [0.35, 1.645];

/** Weight of a bag from its count and mean: N·m ± 1.645·s·√N. Count 0 to 100 000, mean 0.1 g to 100 kg. RangeError outside. */
export function bagWeight(count: number, meanG: number, sdG: number = usualSpread * meanG): Bag {
  requireWithin(count, 0, 100_000, 'count', 'fish');
  requireWithin(meanG, 0.1, 100_000, 'mean weight', 'g');
  requireWithin(sdG, 0, 100_000, 'spread', 'g');
  const totalG = count * meanG;
  const half = z90 * sdG * Math.sqrt(count);
  return { totalG, lowG: Math.max(0, totalG - half), highG: totalG + half };
}

/** Bags of several classes together: totals add, spreads by their squares. */
export function bagsTogether(bags: readonly Bag[]): Bag {
  const totalG = bags.reduce((sum, b) => sum + b.totalG, 0);
  const half = Math.sqrt(bags.reduce((sum, b) => sum + (b.highG - b.totalG) ** 2, 0));
  return { totalG, lowG: Math.max(0, totalG - half), highG: totalG + half };
}

/** When a target is reached at the rate so far, ms, with its range; null where nothing has come yet. */
export function targetTime(bag: Bag, targetG: number, fromMs: number, nowMs: number): { atMs: number; giveMs: number } | null {
  if (bag.totalG <= 0 || nowMs <= fromMs) return null;
  const perMs = bag.totalG / (nowMs - fromMs);
  const leftG = targetG - bag.totalG;
  if (leftG <= 0) return { atMs: nowMs, giveMs: 0 };
  return { atMs: nowMs + leftG / perMs, giveMs: (leftG / perMs) * Math.min(1, (bag.highG - bag.lowG) / (2 * bag.totalG) + 0.15) };
}
