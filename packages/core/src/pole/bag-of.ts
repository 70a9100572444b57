import { estimateWeight } from '../fish';
import type { FishState, OutingState } from '../ledger';
import { bagsTogether, bagWeight, targetTime, type Bag } from './bag';

/** Fish of one species and size class. */
export interface BagClass {
  species: string;
  /** Null of fish without size. */
  classMm: number | null;
  count: number;
  meanG: number;
  /** Whether its mean was weighed, or comes of lengths. */
  by: 'weighed' | 'length';
  bag: Bag;
}

export interface BagSoFar {
  count: number;
  /** Null where no fish has size or weight. */
  bag: Bag | null;
  /** Fish whose weight nothing tells. */
  unknown: number;
  classes: BagClass[];
  perHour: number;
}

/** Fish of one class differ by so much of their mean: within 5 cm of length. Heuristic. */
const classSpread = 0.25;

const sizeOf = (f: FishState) => f.classMm ?? (f.lengthMm === null ? null : Math.round(f.lengthMm / 50) * 50);

/**
 * What is in the net or went back: count and mean by class. A fish that was weighed counts as weighed, a class by what was weighed of it
 * together, else by its length.
 */
export function bagSoFar(fish: readonly FishState[], weighed: OutingState['weighed'], sinceMs: number, nowMs: number): BagSoFar {
  const groups = new Map<string, FishState[]>();
  for (const f of fish) {
    const key = `${f.species} ${sizeOf(f) ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  const classes: BagClass[] = [];
  let unknown = 0;
  for (const group of groups.values()) {
    const [{ species }] = group;
    const classMm = sizeOf(group[0]);
    const together = weighed.filter((w) => w.classMm === classMm && classMm !== null);
    const single = group.flatMap((f) => (f.weightG === null ? [] : [f.weightG]));
    const [n, massG] = [together.reduce((s, w) => s + w.count, 0) + single.length, together.reduce((s, w) => s + w.massG, 0) + single.reduce((s, g) => s + g, 0)];
    const meanG = n > 0 ? massG / n : classMm === null ? undefined : estimateWeight(species, classMm)?.weightG;
    if (meanG === undefined) {
      unknown += group.length;
      continue;
    }
    classes.push({ species, classMm, count: group.length, meanG, by: n > 0 ? 'weighed' : 'length', bag: bagWeight(group.length, meanG, classSpread * meanG) });
  }
  classes.sort((a, b) => (a.classMm ?? 0) - (b.classMm ?? 0));
  const hours = Math.max(1 / 6, (nowMs - sinceMs) / 3_600_000);
  return { count: fish.length, bag: classes.length > 0 ? bagsTogether(classes.map((c) => c.bag)) : null, unknown, classes, perHour: fish.length / hours };
}

/** When a target is reached at the rate so far; null without a weight. */
export const targetOf = (so: BagSoFar, targetG: number, sinceMs: number, nowMs: number) => (so.bag ? targetTime(so.bag, targetG, sinceMs, nowMs) : null);
