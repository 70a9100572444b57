import { crewBoard, crewSchoolText, crewWords, sharedOuting, type CrewMember } from '../src/crew';
import { fold, type LedgerEvent, type OutingState } from '../src/ledger';
import { metric } from '../src/units';
import { takesOf } from '../src/visits';
import { baseMs, event, testId } from './events';

interface Told {
  presentation: string;
  /** Minutes at which it was bitten, and at which a fish was landed. */
  bites?: readonly number[];
  landed?: readonly number[];
  downMin?: number;
  upMin?: number;
  endMin?: number;
  school?: { min: number; topM?: number; outM: number };
}

/** An outing at a hole of its own with one line. */
function outingOf({ presentation, bites = [], landed = [], downMin = 1, upMin, endMin, school }: Told): OutingState {
  const [outing, station, line] = [testId(), testId(), testId()];
  const at = (min: number, kind: string, body: object) => event(outing, Math.round(60 * min), kind as LedgerEvent['kind'], body as never);
  const events = [
    at(0, 'outing-started', { water: 'w', waterName: 'W', method: 'ice', species: ['black-crappie'], zone: '+00:00' }),
    at(0, 'station-opened', { station, kind: 'hole', label: '3', at: [-140, 47] }),
    at(downMin, 'line-down', { line, station, rod: 'rod 1', presentation, depthM: 6.5 }),
    ...bites.map((m) => at(m, 'reaction', { station, line, reaction: 'bite' })),
    ...landed.map((m) => at(m, 'fish-landed', { fish: testId(), station, line, species: 'black-crappie' })),
    ...(school
      ? [at(school.min, 'felt', { station, what: 'school', bearingDeg: 90, outM: school.outM, by: 'eye', ...(school.topM === undefined ? {} : { topM: school.topM }) })]
      : []),
    ...(upMin === undefined ? [] : [at(upMin, 'line-up', { line })]),
    ...(endMin === undefined ? [] : [at(endMin, 'outing-ended', {})]),
  ];
  return fold(events).outings[0];
}

const member = (name: string, told: Told): CrewMember => ({ name, outing: outingOf(told) });
const now = (min: number) => baseMs + 60_000 * min;
const every = (from: number, to: number, step: number) => Array.from({ length: Math.floor((to - from) / step) }, (_, k) => from + k * step);

test('the board tells of each what is down, how deep, what came and when a line was in', () => {
  const board = crewBoard([member('Oda', { presentation: 'Spoon', bites: [10, 40], landed: [41] }), member('Brek', { presentation: 'Jig', upMin: 30 })], now(60));
  expect(board.fromMs).toBe(baseMs);
  expect(board.rows).toMatchObject([
    { name: 'Oda', place: 'hole 3', lines: [{ rod: 'rod 1', presentation: 'Spoon', depthM: 6.5 }], fish: 1, lineMin: 59, spans: [{ toMs: null }] },
    { name: 'Brek', lines: [], fish: 0, bites: [], lineMin: 29, spans: [{ toMs: now(30) }] },
  ]);
  // A bite and its landing are one.
  expect(board.rows[0].bites).toEqual([
    { ms: now(10), isFish: false },
    { ms: now(40), isFish: true },
  ]);
});

test('of an outing that has ended nothing is down any more', () => {
  const [row] = crewBoard([member('Oda', { presentation: 'Spoon', endMin: 50 })], now(60)).rows;
  expect(row.lines).toEqual([]);
  expect(row.spans).toEqual([{ fromMs: now(1), toMs: now(50) }]);
});

test('baits of different rods that were down together are compared: a far better one is told to all', () => {
  const lively = every(20, 600, 25);
  const members = [member('Oda', { presentation: 'Spoon', bites: lively }), member('Brek', { presentation: 'Jig', bites: [300] })];
  // Lines at holes of their own are compared visit by visit: one after the other, each pair once.
  const rods = lively.map((m, k) => [
    member(`Oda ${k}`, { presentation: 'Spoon', downMin: m - 15, upMin: m + 8, bites: [m], endMin: m + 9 }),
    member(`Brek ${k}`, { presentation: 'Jig', downMin: m - 15, upMin: m + 8, endMin: m + 9 }),
  ]);
  const board = crewBoard(rods.flat(), now(640));
  expect(board.trial).toMatchObject({ verdict: 'leads', best: 'Spoon' });
  expect(crewWords(board).headline).toBe('Spoon leads Jig: everybody change');
  expect(board.trial!.steps.map((s) => s.ms)).toEqual([...board.trial!.steps.map((s) => s.ms)].sort((a, b) => a - b));
  expect(Math.max(...board.trial!.steps.map((s) => s.odds)) / board.trial!.evidence).toBeCloseTo(1, 4);
  // While both lines are still down at different holes it is not over, and nothing is claimed of it.
  expect(crewBoard(members, now(640)).trial?.verdict ?? 'open').toBe('open');
});

test('one bait is nothing to compare: the board says what came', () => {
  const board = crewBoard([member('Oda', { presentation: 'Spoon', bites: [10, 30] }), member('Brek', { presentation: 'Spoon', landed: [20] })], now(60));
  expect(board.trial).toBeNull();
  expect(crewWords(board).headline).toBe('1 fish, 3 bites');
  expect(crewWords(crewBoard([member('Oda', { presentation: 'Spoon' })], now(5))).headline).toBe('No bite yet');
});

test('a school is told with who saw it, while it is fresh, the latest first', () => {
  const members = [member('Oda', { presentation: 'Spoon', school: { min: 20, topM: 6.6, outM: 0 } }), member('Brek', { presentation: 'Jig', school: { min: 40, outM: 7 } })];
  const at = crewBoard(members, now(60)).schools;
  expect(at.map((s) => crewSchoolText(s, 'UTC', metric))).toEqual([
    expect.stringMatching(/^7 m off hole 3, seen .* by Brek$/),
    expect.stringMatching(/^top at 6\.6 m, under hole 3, seen .* by Oda$/),
  ]);
  expect(crewBoard(members, now(115)).schools.map((s) => s.by)).toEqual(['Brek']);
});

test('put together, outings keep each take with its own angler', () => {
  const outings = [outingOf({ presentation: 'Spoon', bites: [10, 30], landed: [31] }), outingOf({ presentation: 'Jig', bites: [10.5, 30.2] })];
  const key = (o: OutingState) => takesOf(o).map((t) => `${t.station} ${t.ms} ${t.fish === null}`);
  expect(key(sharedOuting(outings)).sort()).toEqual(outings.flatMap(key).sort());
});

test('a crew of nobody has no board', () => expect(() => crewBoard([], 0)).toThrow('expected at least one member'));
