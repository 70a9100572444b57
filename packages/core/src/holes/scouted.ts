import { speciesOf } from '../fish';
import type { FeltState } from '../ledger';
import { depthFigure, depthText, type UnitPreference } from '../units';

/** Marks this near to the bed lie on it, m. */
const onBedM = 0.3;

/**
 * How far off the bed marks hang, and of fish that feed upward whether to stop over them: "They hang 2.3 m off the bed: stop here." A line on the bed is small
 * or idle. Source: fieldcraft, reading from a boat.
 */
export function hangsText(topM: number, bottomM: number, units: UnitPreference, speciesId: string | null = null): string {
  const offM = bottomM - topM;
  const feedsUp = speciesId !== null && speciesOf(speciesId).feeds === 'up';
  if (offM <= onBedM) return feedsUp ? 'They lie on the bed: small or idle, drive on.' : 'They lie on the bed.';
  return `They hang ${depthText(offM, units)} off the bed${feedsUp ? ': stop here' : ''}.`;
}

/**
 * What was seen in passing, in words: how far off the bed they hang, over which water they keep, and whether any were outside it. Null before anything was.
 * @param felt of one outing
 * @param speciesId of the fish that is sought; null where what to do of it is not asked
 */
export function scoutedText(felt: readonly FeltState[], units: UnitPreference, speciesId: string | null = null): string | null {
  const schools = felt.filter((f) => f.what === 'school');
  const empty = felt.filter((f) => f.what === 'empty');
  const last = schools.at(-1);
  const said: string[] = [];
  if (last?.topM !== undefined && last.bottomM !== undefined) said.push(hangsText(last.topM, last.bottomM, units, speciesId));
  const over = schools.flatMap((s) => s.bottomM ?? []);
  const without = empty.flatMap((s) => s.bottomM ?? []);
  if (over.length > 0 && without.length > 0) {
    const [fromM, toM] = [Math.min(...over), Math.max(...over)];
    const isClean = without.every((m) => m < fromM || m > toM);
    const range = toM - fromM < 0.1 ? depthText(fromM, units) : `${depthFigure(fromM, units)} to ${depthText(toM, units)}`;
    said.push(isClean ? `Marks over ${range} of water, none outside.` : `Marks over ${range} of water, not everywhere.`);
  } else if (schools.length === 0 && empty.length > 0) {
    said.push(empty.length === 1 ? 'One look, nothing seen.' : `${empty.length} looks, nothing seen.`);
    if (empty.some((e) => e.hasBait === false)) said.push('No bait on the way: no need to go further that way.');
  }
  return said.length === 0 ? null : said.join(' ');
}
