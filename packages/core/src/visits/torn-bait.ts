import type { OutingState } from '../ledger';
import { takesOf } from './takes';

/** What is logged of a soft bait, as a thing changed: that it is torn, and that a whole one is on. */
export const baitStates = { torn: 'bait-torn', whole: 'bait-whole' } as const;
export const baitStateWords: Readonly<Record<string, string>> = { [baitStates.torn]: 'Bait torn', [baitStates.whole]: 'Whole bait on' };

/** So many looks that turned away change a torn bait. Heuristic; source: fieldcraft, a torn bait still takes fish. */
const turnedAway = 2;

/** What to do with a torn bait at a station: fished on while it is bitten, changed when looks turn away; null where it is whole, or nobody said. */
export function tornText(outing: OutingState, stationId: string): string | null {
  const last = outing.changes.findLast((c) => c.station === stationId && (c.what === baitStates.torn || c.what === baitStates.whole));
  if (last?.what !== baitStates.torn) return null;
  const since = takesOf(outing).filter((t) => t.station === stationId && t.ms >= last.ms);
  const bite = since.findLastIndex((t) => t.isBite);
  if (since.length - 1 - bite >= turnedAway) return 'Torn, and they turn away: a whole one now.';
  return bite >= 0 ? 'Bitten on the torn one: fish it on.' : 'Torn, and still a bait: fish it on until looks turn away.';
}
