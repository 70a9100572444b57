import type { OutingState } from '../ledger';
import { minuteMs } from '../units';
import { takesOf } from './takes';

/** Bites on two lines of one station within so long can be one fish that came into both; such a pair is asked about for a while, ms. Heuristic; source: fieldcraft, two lines in one cone. */
const [togetherMs, askedMs] = [2 * minuteMs, 10 * minuteMs] as const;

/** Of two lines that were bitten together the entries of the bite that no fish came of, the later one where neither did; empty where there are none, or two fish came. */
export function crossedBite(outing: OutingState, stationId: string, nowMs: number): string[] {
  const bites = takesOf(outing).filter((t) => t.station === stationId && t.isBite && t.line !== null && nowMs - t.ms <= askedMs);
  for (const late of bites.toReversed()) {
    const early = bites.findLast((t) => t !== late && t.line !== late.line && t.ms <= late.ms && late.ms - t.ms <= togetherMs);
    if (!early || (early.fish && late.fish)) continue;
    return (late.fish ? early : late).reactions.map((r) => r.id);
  }
  return [];
}
