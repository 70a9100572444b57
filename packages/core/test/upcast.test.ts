import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fold, upcastEvent, type LedgerEvent } from '../src/ledger';
import { summariseSeason } from '../src/season';

const read = (file: string) => readFileSync(path.join(__dirname, 'fixtures', file), 'utf8');
/** The demo's season as 0.15 wrote it, and what 0.15 made of it. */
const old: unknown[] = read('season-0.15.ndjson')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line));
const upcast = old.map((e) => upcastEvent(e)) as LedgerEvent[];

/** A state of 0.15 in today's names: holes are stations, and there was but one way of fishing. */
function renamed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(renamed);
  if (typeof value !== 'object' || value === null) return value === 'hole-drilled' ? 'station-opened' : value;
  const names: Record<string, string> = { hole: 'station', holes: 'stations', currentHole: 'currentStation', drilledMs: 'openedMs' };
  const next = Object.fromEntries(Object.entries(value).map(([key, inner]) => [names[key] ?? key, renamed(inner)]));
  if ('openedMs' in next) return { ...next, kind: 'hole', method: 'ice', track: null, trackMs: [], endedMs: null, outM: null, peg: (next as unknown as { id: string }).id };
  if ('downMs' in next) return { ...next, cadences: [], second: null, depths: (next as unknown as { depths: object[] }).depths.map((d) => ({ ...d, lineOutM: null })) };
  if ('startedMs' in next)
    return {
      ...next,
      method: 'ice',
      methods: [{ ms: next.startedMs, method: 'ice' }],
      casts: [],
      feeds: [],
      rests: [],
      felt: [],
      levels: [],
      surfaces: [],
      plumbed: [],
      flows: [],
      changes: [],
      quiet: [],
      weighed: [],
    };
  if ('fate' in next) return { ...next, cast: null, outM: null, classMm: null, alongM: null, at: null };
  if ('cadence' in next && 'bottomM' in next) return { ...next, cast: null, outM: null, alongM: null, at: null, turn: null, speedMs: null };
  return next;
}

test('a season written by 0.15 adds up to the same, state by state', () => {
  const state = fold(upcast);
  const before = renamed(JSON.parse(read('season-0.15-state.json'))) as typeof state;
  expect(state.outings).toHaveLength(14);
  // Stays are read off arrivals, which the old state has; and nobody wrote down who said where a place is.
  // Girth, notes and pictures of fish came later, and the clocks of an outing are read off its first entry.
  state.outings.forEach(({ zone: _zone, ...outing }, i) => {
    const stations = outing.stations.map(({ stays: _, placed: _placed, ...station }) => station);
    const fish = outing.fish.map(({ girthMm: _girthMm, note: _note, photo: _photo, ...one }) => one);
    expect({ ...outing, stations, fish }).toEqual(before.outings[i]);
  });
  expect({ weather: state.weather, drills: state.drills }).toEqual({ weather: before.weather, drills: before.drills });
});

test('its fish, minutes and fish rates are those that 0.15 gave; bites are takes', () => {
  const before = JSON.parse(read('season-0.15-figures.json'));
  const lastMs = Math.max(...upcast.map((e) => Date.parse(e.at)));
  const { lineMin, bites, fish, clump, comparisons } = summariseSeason(fold(upcast), lastMs);
  expect({ lineMin: Math.round(lineMin), fish, catchesPerVisit: clump }).toEqual({ ...before.effort, outings: undefined, bites: undefined });
  const rates = comparisons.flatMap((c) => c.rows.map((row) => ({ by: c.by, of: c.count, ...row })));
  const ofFish = (rows: { of: string }[]) => JSON.parse(JSON.stringify(rows.filter((r) => r.of === 'fish'))) as object;
  expect(ofFish(rates)).toEqual(ofFish(before.rates));
  // 179 were counted when a second bite of one fish, or one over three minutes before its landing, was another.
  expect(bites).toBe(162);
});

test('an upcast event is left alone by another upcast, and what is no event of version 1 by the first', () => {
  for (const event of upcast.slice(0, 50)) expect(upcastEvent(event)).toBe(event);
  for (const value of [null, 3, 'x', [], { v: 2, body: { hole: 1 } }, { v: 7 }]) expect(upcastEvent(value)).toBe(value);
  expect(upcastEvent({ v: 1, kind: 'amended', body: { target: 't', body: { hole: 'h', depthM: 3 } } })).toEqual({
    v: 2,
    kind: 'amended',
    body: { target: 't', body: { station: 'h', depthM: 3 } },
  });
  expect(upcastEvent({ v: 1, kind: 'note', body: 'broken' })).toEqual({ v: 2, kind: 'note', body: 'broken' });
});
