import { standardWeight } from '../fish';
import type { FishState, LedgerState, OutingState } from '../ledger';
import { dayMs } from '../units';

/** One fish with where and when it was caught. */
export interface CaughtFish {
  fish: FishState;
  waterName: string;
  zone: string;
}

/** What was caught of one species: how many, kept and put back, the longest and the heaviest that were measured. */
export interface SpeciesCatch {
  species: string;
  count: number;
  kept: number;
  released: number;
  /** Only of fish that were measured, and weighed. */
  longest: CaughtFish | null;
  heaviest: CaughtFish | null;
  medianMm: number | null;
  /** Mean of the weighed and measured fish against the standard weight of their length, with how many; null below three. */
  condition: { share: number; of: number } | null;
}

/** Fewer than this say nothing of how well fed the fish of a water are. Convention. */
const leastWeighed = 3;

const median = (values: readonly number[]): number | null => {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)] : (sorted[half - 1] + sorted[half]) / 2;
};

/** Weight against the standard weight of its length; null where either was not measured, or no standard is known. */
function relativeWeight({ species, lengthMm, weightG }: FishState): number | null {
  if (lengthMm === null || weightG === null) return null;
  try {
    return weightG / standardWeight(species, lengthMm);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The first of those with the most: a record is the one that set it. */
const most = (of: readonly CaughtFish[], value: (fish: FishState) => number | null): CaughtFish | null =>
  of.reduce<CaughtFish | null>((best, c) => {
    const v = value(c.fish);
    return v !== null && (best === null || v > value(best.fish)!) ? c : best;
  }, null);

/** All that was caught by species, most first. Another's log that was brought in is left out: a best is one's own. */
export function speciesCaught({ outings }: Pick<LedgerState, 'outings'>): SpeciesCatch[] {
  const by = new Map<string, CaughtFish[]>();
  for (const outing of outings.filter((o) => o.broughtFrom === undefined))
    for (const fish of outing.fish) by.set(fish.species, [...(by.get(fish.species) ?? []), { fish, waterName: outing.waterName, zone: outing.zone }]);
  return [...by]
    .map(([species, of]): SpeciesCatch => {
      const relative = of.flatMap((c) => relativeWeight(c.fish) ?? []);
      return {
        species,
        count: of.length,
        kept: of.filter((c) => c.fish.fate === 'kept').length,
        released: of.filter((c) => c.fish.fate === 'released').length,
        longest: most(of, (f) => f.lengthMm),
        heaviest: most(of, (f) => f.weightG),
        medianMm: median(of.flatMap((c) => c.fish.lengthMm ?? [])),
        condition: relative.length < leastWeighed ? null : { share: relative.reduce((sum, r) => sum + r, 0) / relative.length, of: relative.length },
      };
    })
    .sort((a, b) => b.count - a.count || (a.species < b.species ? -1 : 1));
}

/** Days before and after the same day of other years that count as its time. Convention. */
const aboutDays = 10;
const yearMs = 365.2425 * dayMs;

/** Outings of other years about this day, the most fish first. */
export const thisTimeBefore = ({ outings }: Pick<LedgerState, 'outings'>, nowMs: number): OutingState[] =>
  outings
    .filter((o) => {
      const years = Math.round((nowMs - o.startedMs) / yearMs);
      return years >= 1 && Math.abs(nowMs - o.startedMs - years * yearMs) <= aboutDays * dayMs;
    })
    .sort((a, b) => b.fish.length - a.fish.length || b.startedMs - a.startedMs);
