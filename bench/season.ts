import { foldLedger } from '@burrow/contract';
import { effortUnitOf } from '@burrow/core/methods';
import { outingsSummary, summariseMethods, summariseSeason } from '@burrow/core/season';
import type { LedgerEvent } from '@burrow/core/ledger';
import { readFileSync } from 'node:fs';
import { fastest, type Figure } from './figure';

const yearMs = 365 * 86_400_000;

/** The demo's season as often as it takes, each a year earlier, with ids of its own. */
function manyWinters(count: number): LedgerEvent[] {
  const season = readFileSync('demo/season.ndjson', 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as LedgerEvent);
  const text = JSON.stringify(season);
  const winters = Array.from({ length: Math.ceil(count / season.length) }, (_, k) => {
    const mark = `9${k.toString(16).padStart(3, '0')}`;
    const copy = JSON.parse(text.replace(/([0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-)[0-9a-f]{4}(-[0-9a-f]{12})/g, `$1${mark}$2`)) as LedgerEvent[];
    return copy.map((e) => ({ ...e, at: new Date(Date.parse(e.at) - k * yearMs).toISOString() }));
  });
  return winters.flat();
}

/** What Season asks of 20 000 events when it opens, and of its largest way of fishing, as multiples of parsing them as JSON. */
export function seasonOfEvents(): Figure[] {
  const events = manyWinters(20_000);
  const text = JSON.stringify(events);
  const nowMs = Date.parse('2027-02-01T00:00:00Z');
  // Folded anew each time: what is kept of an outing that is over would make the second time cheaper than the first.
  const states = Array.from({ length: 10 }, () => foldLedger(events));
  const parseMs = fastest(7, () => void JSON.parse(text));
  const openMs = fastest(5, () => {
    const state = states.pop()!;
    summariseMethods(state, nowMs, effortUnitOf);
    outingsSummary(state, nowMs);
  });
  const wayMs = fastest(5, () => void summariseSeason(states.pop()!, nowMs, 'ice', 'minutes'));
  const size = `${events.length} events, ${(text.length / 1e6).toFixed(0)} MB`;
  return [
    { what: 'Season opened', ratio: openMs / parseMs, goal: '≤ 2×', met: openMs <= 2 * parseMs },
    { what: 'one way of fishing chosen there', ratio: wayMs / parseMs, goal: '≤ 2×', met: wayMs <= 2 * parseMs },
  ].map((row, k) => ({ ...row, baseline: 'JSON.parse of the same ledger', detail: `${Math.round([openMs, wayMs][k])} ms against ${Math.round(parseMs)} ms for ${size}` }));
}
