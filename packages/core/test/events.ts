import type { EventBodies, EventKind, LedgerEvent } from '../src/ledger';
import { usualMethod } from '../src/methods';

let made = 0;

/** An id in the ledger's form that grows with each call. */
export function testId(): string {
  const n = (++made).toString(16).padStart(12, '0');
  return `0198c0de-0000-7000-8000-${n}`;
}

export const baseMs = Date.UTC(2027, 0, 16, 15, 40);

/** An event `seconds` after the base time, of one outing unless said. */
export function event<K extends EventKind>(outing: string, seconds: number, kind: K, body: EventBodies[K], angler = 'angler'): LedgerEvent {
  return { id: testId(), outing, angler, device: 'test', at: new Date(baseMs + seconds * 1000).toISOString(), kind, v: 2, body } as unknown as LedgerEvent;
}

/** A short outing: a hole, a line, looks, a refusal, bites and fish. */
export function shortOuting(angler = 'angler'): { events: LedgerEvent[]; outing: string; hole: string; line: string } {
  const [outing, hole, line, fish] = [testId(), testId(), testId(), testId()];
  const at = <K extends EventKind>(s: number, kind: K, body: EventBodies[K]) => event(outing, s, kind, body, angler);
  const events = [
    at(0, 'outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers', method: usualMethod.id }),
    at(60, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
    at(61, 'ice-measured', { station: hole, clearM: 0.25, whiteM: 0.05 }),
    at(62, 'depth-sounded', { station: hole, depthM: 7.5, source: 'flasher' }),
    at(120, 'line-down', { line, station: hole, rod: 'rod 1', presentation: 'Tungsten', depthM: 6.5 }),
    at(300, 'reaction', { station: hole, line, reaction: 'looked', depthM: 6.5, bottomM: 7.5 }),
    at(420, 'depth-set', { line, depthM: 5.5 }),
    at(600, 'reaction', { station: hole, line, reaction: 'bite', depthM: 5.5, bottomM: 7.5 }),
    at(640, 'fish-landed', { fish, station: hole, line, species: 'black-crappie', lengthMm: 250, weightG: 228, depthM: 5.5, bottomM: 7.5 }),
    at(650, 'fish-released', { fish }),
    at(1920, 'line-up', { line }),
    at(2000, 'outing-ended', {}),
  ];
  return { events, outing, hole, line };
}
