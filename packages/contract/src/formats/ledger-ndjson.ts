import type { LedgerEvent } from '@burrow/core/ledger';
import { ledgerEvent } from '../events';
import { parseBoundedJson } from '../bounded-json';
import { firstProblem } from '../problem-words';
import { FormatError } from './format-error';

export { FormatError };

/** Of one entry: the longest piece of a track is the largest. */
const eventJsonLimits = { depth: 12, containers: 25_000 };

/** Reads a ledger, an event a line. Throws FormatError naming the first bad line; nothing of such a file is taken. */
export function parseLedger(text: string): LedgerEvent[] {
  const events: LedgerEvent[] = [];
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  for (let i = 0; i < lines.length; i++) {
    if (lines[i].trim() === '') continue;
    let value: unknown;
    try {
      value = parseBoundedJson(lines[i], eventJsonLimits);
    } catch (error) {
      if (error instanceof RangeError) throw new FormatError(i + 1, error.message);
      throw new FormatError(i + 1, 'expected a JSON object on one line, found text that is cut short or damaged');
    }
    const parsed = ledgerEvent.safeParse(value);
    if (!parsed.success) throw new FormatError(i + 1, `expected a ledger event, ${firstProblem(parsed.error)}`);
    events.push(parsed.data);
  }
  return events;
}

/** Writes a ledger in the order of happening. */
export const ledgerText = (events: readonly LedgerEvent[]) =>
  [...events]
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1))
    .map((e) => `${JSON.stringify(e)}\n`)
    .join('');
