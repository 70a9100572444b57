import type { FeltState } from '../ledger';
import { depthFigure, depthText, type UnitPreference } from '../units';

/** Marks this near to the bed lie on it, m. */
const onBedM = 0.3;

/** How far off the bed marks hang: "They hang 2.3 m off the bed." */
export function hangsText(topM: number, bottomM: number, units: UnitPreference): string {
  const offM = bottomM - topM;
  return offM <= onBedM ? 'They lie on the bed.' : `They hang ${depthText(offM, units)} off the bed.`;
}

/**
 * What was seen in passing, in words: how far off the bed they hang, over which water they keep, and whether any were outside it. Null before anything was.
 * @param felt of one outing
 */
export function scoutedText(felt: readonly FeltState[], units: UnitPreference): string | null {
  const schools = felt.filter((f) => f.what === 'school');
  const empty = felt.filter((f) => f.what === 'empty');
  const last = schools.at(-1);
  const said: string[] = [];
  if (last?.topM !== undefined && last.bottomM !== undefined) said.push(hangsText(last.topM, last.bottomM, units));
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
