import { fold, type LedgerEvent } from '@burrow/core/ledger';
import { seededRandom } from '@burrow/core/units';
import { v7 } from 'uuid';
import { fastest, type Figure } from './figure';
import { usualMethod } from '@burrow/core/methods';

/** A long life of outings in the ledger's own form. */
function manyEvents(count: number): LedgerEvent[] {
  const random = seededRandom(100);
  const id = (ms: number) => v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(256 * random())) });
  const events: unknown[] = [];
  let ms = Date.UTC(2020, 0, 1);
  let [outing, hole, line] = ['', '', ''];
  const write = (kind: string, body: object) =>
    events.push({ id: id(ms), outing, angler: 'angler', device: 'phone', at: new Date(ms).toISOString().replace('Z', '+00:00'), kind, v: 2, body });
  while (events.length < count) {
    const n = events.length;
    ms += 1000 + Math.floor(60_000 * random());
    if (n % 120 === 0) {
      outing = id(ms);
      write('outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers', method: usualMethod.id });
    } else if (n % 20 === 1) {
      hole = id(ms);
      write('station-opened', { station: hole, kind: 'hole', label: String(n), at: [-140, 47] });
    } else if (n % 20 === 2) {
      line = id(ms);
      write('line-down', { line, station: hole, rod: 'rod 1', presentation: 'Tungsten', depthM: 6 });
    } else if (random() < 0.12) write('fish-landed', { fish: id(ms), station: hole, line, species: 'black-crappie', lengthMm: 240, depthM: 6, bottomM: 7.5 });
    else if (random() < 0.1) write('depth-set', { line, depthM: 5 + random() });
    else write('reaction', { station: hole, line, reaction: 'looked', depthM: 6, bottomM: 7.5 });
  }
  return events as LedgerEvent[];
}

/** Folding 100 000 parsed events, as a multiple of parsing the same as JSON. */
export function foldEvents(): Figure[] {
  const text = JSON.stringify(manyEvents(100_000));
  const parsed = JSON.parse(text) as LedgerEvent[];
  const parseMs = fastest(7, () => void JSON.parse(text));
  const foldMs = fastest(7, () => void fold(parsed));
  const ratio = foldMs / parseMs;
  return [
    {
      what: '100 000 parsed events folded',
      ratio,
      baseline: 'JSON.parse of the same file',
      goal: '≤ 0.5×',
      met: ratio <= 0.5,
      detail: `${Math.round(foldMs)} ms against ${Math.round(parseMs)} ms for ${(text.length / 1e6).toFixed(0)} MB`,
    },
  ];
}
