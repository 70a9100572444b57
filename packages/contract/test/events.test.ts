import type { EventKind } from '@burrow/core/ledger';
import { firstProblem, ledgerEvent } from '../src';
import { credentials, lineSetting, registration, syncRequest, waterWeather } from '../src/api';
import { shortOuting, testId } from '../../core/test/events';
import { usualMethod } from '@burrow/core/methods';

const id = testId();
const other = testId();
const wrap = (kind: string, body: unknown, over: object = {}) => ({ id, outing: other, angler: 'a', device: 'd', at: '2027-01-16T06:40:00.000-09:00', kind, v: 2, body, ...over });
const problem = (value: unknown) => {
  const parsed = ledgerEvent.safeParse(value);
  return parsed.success ? null : firstProblem(parsed.error);
};

const good: Record<EventKind, unknown> = {
  'outing-started': { water: 'w', waterName: 'W', species: ['walleye'], goal: 'supper', method: usualMethod.id },
  joined: { into: other },
  'method-changed': { method: 'vertical' },
  'outing-ended': {},
  'ice-measured': { clearM: 0.25, whiteM: 0 },
  'station-opened': { station: id, kind: 'hole', label: '1', at: [-140, 47] },
  'depth-sounded': { station: id, depthM: 7.5, source: 'line' },
  'surface-seen': { surface: 'skin' },
  'keep-planned': { count: 5 },
  'temperature-measured': { station: id, depthM: 5, tempC: 3.9 },
  'clarity-measured': { station: id, secchiM: 3.4 },
  'line-down': { line: id, station: id, rod: 'rod 1', presentation: 'Spoon' },
  'line-up': { line: id },
  'depth-set': { line: id, depthM: 6 },
  'cadence-set': { line: id, cadence: 'tap' },
  cast: { cast: id, station: id, bearingDeg: 350, distanceM: 22, result: 'hard' },
  felt: { station: id, what: 'hard', bearingDeg: 350, outM: 14, by: 'time' },
  'level-measured': { levelM: -3, by: 'gauge' },
  fed: { station: id, what: 'crumb', massG: 80 },
  'swim-placed': { station: id, outM: 11 },
  plumbed: { station: id, outM: 6, depthM: 1.4 },
  'flow-timed': { station: id, alongM: -2, seconds: 16 },
  changed: { station: id, what: 'pole.change.lift' },
  'quiet-seen': { station: id, what: 'predator' },
  'bag-weighed': { station: id, count: 12, massG: 640, classMm: 150 },
  tracked: {
    station: id,
    points: [
      [-140, 47, 0],
      [-140, 47.001, 40],
    ],
  },
  'pass-ended': { station: id },
  rested: { station: id },
  reaction: { station: id, reaction: 'followed' },
  'fish-landed': { fish: id, station: id, species: 'walleye', lengthMm: 420 },
  'fish-kept': { fish: id },
  'fish-released': { fish: id, note: 'swam off' },
  moved: { station: id },
  note: { text: 'cold' },
  'weather-seen': { pressureHpa: 1014, cloud: 0.9 },
  'flag-up': { line: id },
  'drill-done': { scene: 'stack', seed: 3, seconds: 240, decisions: 12, score: 71, takes: 3, landed: 2, refusals: 4, logged: 2 },
  undone: { target: id },
  amended: { target: id, body: { lengthMm: 430 } },
};

test.each(Object.entries(good))('a %s event is taken as it is', (kind, body) => {
  const event = wrap(kind, body);
  expect(ledgerEvent.parse(event)).toEqual(event);
});

const bad: [kind: EventKind, body: unknown, message: RegExp][] = [
  ['outing-started', { water: 'w', waterName: 'W', species: [], goal: 'supper', method: usualMethod.id }, /^body\.species: /],
  ['outing-started', { water: 'w', waterName: 'W', species: ['x'], goal: 'glory', method: usualMethod.id }, /^body\.goal: /],
  ['plumbed', { station: id, outM: 40, depthM: 1 }, /^body\.outM: expected at most 30/],
  ['flow-timed', { station: id, alongM: 2, seconds: 0 }, /^body\.seconds: /],
  ['fed', { station: id, what: 'crumb', ball: { cm: 5, gcc: 1.2, breaks: 'late', particle: 'crumb' } }, /^body\.ball\.breaks: /],
  ['ice-measured', { clearM: 4, whiteM: 0 }, /^body\.clearM: expected at most 3/],
  ['station-opened', { station: id, kind: 'hole', label: '1', at: [200, 47] }, /^body\.at\.0: /],
  ['station-opened', { station: 'seven', label: '1', at: [0, 0] }, /^body\.station: /],
  ['depth-sounded', { station: id, depthM: -1, source: 'line' }, /^body\.depthM: /],
  ['depth-sounded', { station: id, depthM: 5, source: 'guess' }, /^body\.source: /],
  ['temperature-measured', { station: id, depthM: 5, tempC: 90 }, /^body\.tempC: /],
  ['clarity-measured', { secchiM: 0 }, /^body\.secchiM: /],
  ['line-down', { line: id, station: id, rod: '', presentation: 'Spoon' }, /^body\.rod: /],
  ['felt', { station: id, what: 'gold', bearingDeg: 350, outM: 14 }, /^body\.what: /],
  ['felt', { station: id, what: 'hard', bearingDeg: 400, outM: 14 }, /^body\.bearingDeg: /],
  ['level-measured', { levelM: 400, by: 'gauge' }, /^body\.levelM: /],
  ['reaction', { station: id, reaction: 'sneezed' }, /^body\.reaction: /],
  ['fish-landed', { fish: id, station: id, species: 'walleye', lengthMm: 42.5 }, /^body\.lengthMm: /],
  ['fish-landed', { fish: id, station: id, species: 'walleye', lengthMm: 9000 }, /^body\.lengthMm: /],
  ['note', { text: '' }, /^body\.text: /],
  ['undone', {}, /^body\.target: /],
];
test.each(bad)('a %s event with a wrong body is refused by field (%#)', (kind, body, message) => {
  expect(problem(wrap(kind, body))).toMatch(message);
});

test.each([
  [{ id: '1' }, /^id: /],
  [{ at: 'noon' }, /^at: /],
  [{ at: '2027-01-16T06:40:00' }, /^at: /],
  [{ kind: 'danced' }, /^kind: /],
  [{ v: 3 }, /^v: /],
  [{ device: '' }, /^device: /],
])('an envelope that is wrong is refused by field (%#)', (over, message) => {
  expect(problem(wrap('note', { text: 'x' }, over))).toMatch(message);
});

test('an event that is none at all is refused too', () => {
  for (const value of [null, 3, 'event', [], {}]) expect(problem(value)).not.toBeNull();
});

test('what a program of tomorrow adds to a body does not break today’s reader', () => {
  const { events } = shortOuting();
  for (const event of events.filter((e) => e.kind !== 'outing-ended')) {
    expect(ledgerEvent.safeParse({ ...event, body: { ...event.body, colour: 'new' } }).success).toBe(true);
  }
});

test('requests are held to their limits', () => {
  expect(syncRequest.safeParse({ device: 'd', cursor: 0, events: Array(500).fill(1) }).success).toBe(true);
  expect(syncRequest.safeParse({ device: 'd', cursor: -1, events: [] }).success).toBe(false);
  expect(syncRequest.safeParse({ device: 'd', cursor: 0.5, events: [] }).success).toBe(false);
  expect(credentials.safeParse({ email: 'a@b.invalid', password: '' }).success).toBe(false);
  expect(registration.safeParse({ email: 'a@b.invalid', password: 'short', name: 'A' }).success).toBe(false);
  expect(registration.safeParse({ email: 'a@b.invalid', password: 'long enough 1' }).success).toBe(false);
  expect(lineSetting.safeParse({ depthM: 5, rod: { liftM: 0.1, beatPerMin: 60, pauseS: 2 } }).success).toBe(true);
  expect(lineSetting.safeParse({ depthM: 5, rod: { liftM: 9, beatPerMin: 60, pauseS: 2 } }).success).toBe(false);
  expect(waterWeather.safeParse({ station: 's', simulated: true, observedMs: 0, series: [{ atMs: 0 }] }).success).toBe(false);
});
