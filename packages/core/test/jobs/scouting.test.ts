import { castTarget, standCasts } from '../../src/casting';
import { LocalFrame } from '../../src/ground';
import { freshSchools, hangsText, holeLooks, roundAdvice, scoutedText } from '../../src/holes';
import { fold, type EventBodies, type EventKind, type LedgerEvent } from '../../src/ledger';
import { planLane } from '../../src/troll';
import { metric, minuteMs, placeAlong } from '../../src/units';
import { baseMs, event, testId } from '../events';
import { soundedBed } from '../sounded-bed';

/* What the sounder shows on the way: looks that are kept, and what is made of them. */

const at = [-140, 47] as [number, number];
const [outing, ...holes] = [testId(), testId(), testId(), testId()];
const [first, second, third] = holes;
const day = (species: string, events: [number, EventKind, unknown][], kind = 'hole', count = 3) =>
  fold([
    event(outing, 0, 'outing-started', { water: 'tamber', waterName: 'Tamber', species: [species], goal: 'size', method: kind === 'hole' ? 'ice' : 'vertical' }),
    ...holes.slice(0, count).map((station, k) => event(outing, 10 + k, 'station-opened', { station, kind, label: String(k + 1), at: [...placeAlong(at, 90, 8 * k)] })),
    ...events.map(([s, what, body]): LedgerEvent => event(outing, s, what, body as EventBodies[EventKind])),
  ]).outings[0];
const look = (s: number, station: string, what: 'school' | 'empty', more: object = {}): [number, EventKind, unknown] => [
  s,
  'felt',
  { station, what, bearingDeg: 0, outM: 0, by: 'eye', ...more },
];
const advised = (o: ReturnType<typeof day>, hole = first) =>
  roundAdvice(
    o,
    o.stations.find((s) => s.id === hole)!,
    metric,
  );

describe('job 10, search: the transducer in every hole before a line goes in', () => {
  const down: [number, EventKind, unknown] = [60, 'line-down', { line: testId(), station: first, rod: 'rod 1', depthM: 6 }];
  test('a line down in hole 1 unread: the rest are read first', () => {
    expect(advised(day('bluegill', [down]))).toMatchObject({ headline: 'Read the rest first', detail: expect.stringMatching(/^Holes 2 and 3 are drilled and not read/) });
  });
  test('read, the one with marks highest off the bed comes first; where that is this one, nothing is said', () => {
    const read = [look(70, first, 'empty'), look(80, second, 'school', { topM: 6.4, bottomM: 6.6 }), look(90, third, 'school', { topM: 5.2, bottomM: 6.5 })];
    const o = day('bluegill', read);
    expect(advised(o)).toMatchObject({ headline: 'Hole 3 first: marks at 5.2 m', detail: expect.stringMatching(/hang 1\.3 m off the bed/) });
    expect(advised(o, third)).toBeNull();
    expect(holeLooks(o).map((l) => l.saw)).toEqual(['nothing', 'marks', 'marks']);
  });
  test('bait goes before height, and a later look before an earlier one', () => {
    const o = day('bluegill', [
      look(70, first, 'empty'),
      look(80, second, 'school', { topM: 6.4, bottomM: 6.6, hasBait: true }),
      look(90, third, 'school', { topM: 5.2, bottomM: 6.5 }),
    ]);
    expect(advised(o)!.headline).toMatch(/^Hole 2 first/);
    expect(holeLooks(day('bluegill', [look(70, first, 'school'), look(75, first, 'empty')]))[0].saw).toBe('nothing');
  });
  test('nothing of it with one hole, once a fish has answered here, for a hole that was fished, or for fish that are waited for', () => {
    expect(advised(day('bluegill', [], 'hole', 1))).toBeNull();
    expect(advised(day('bluegill', [down, [70, 'reaction', { station: first, reaction: 'looked' }]]))).toBeNull();
    const fished = holes.slice(1).map((station, k): [number, EventKind, unknown] => [30 + k, 'line-down', { line: testId(), station, rod: 'rod 1' }]);
    expect(advised(day('bluegill', [...fished, down]))).toBeNull();
    expect(advised(day('lake-trout', [down]))).toBeNull();
  });
});

describe('jobs 8, 9 and 13, what is seen in passing', () => {
  test('job 9, find: 6.9 m of water, marks at 4.6: they hang 2.3 m off the bed', () => {
    expect(hangsText(4.6, 6.9, metric)).toBe('They hang 2.3 m off the bed.');
    expect(scoutedText(day('white-crappie', [look(60, first, 'school', { topM: 4.6, bottomM: 6.9 })], 'spot').felt, metric)).toMatch(/^They hang 2\.3 m off the bed/);
  });
  test('job 8, scout: marks over 1.2 to 2.2 m and none outside is said, and is not where one look outside found some', () => {
    const seen = [look(60, first, 'school', { bottomM: 1.2 }), look(70, first, 'school', { bottomM: 2.2 })];
    expect(scoutedText(day('black-crappie', [...seen, look(80, first, 'empty', { bottomM: 3.4 })], 'spot').felt, metric)).toBe('Marks over 1.2 to 2.2 m of water, none outside.');
    expect(scoutedText(day('black-crappie', [...seen, look(80, first, 'empty', { bottomM: 1.8 })], 'spot').felt, metric)).toMatch(/not everywhere/);
  });
  test('job 8, scout: a bay without bait needs no further look; nothing is claimed before a look', () => {
    expect(scoutedText(day('black-crappie', [look(60, first, 'empty', { hasBait: false })], 'spot').felt, metric)).toMatch(/No bait on the way: no need to go further/);
    expect(scoutedText([], metric)).toBeNull();
  });
  test('job 13, find: the top of the point is empty, its edge is not', () => {
    const o = day('smallmouth', [look(60, first, 'empty', { bottomM: 5 }), look(90, first, 'school', { bottomM: 6.2, topM: 5.9, outM: 20, bearingDeg: 90 })], 'spot');
    expect(scoutedText(o.felt, metric)).toBe('They lie on the bed. Marks over 6.2 m of water, none outside.');
    expect(freshSchools(o, baseMs + 2 * minuteMs)).toHaveLength(1);
  });
  test('a school is fresh for three quarters of an hour, and gone once a look there found nothing', () => {
    const seen = look(60, first, 'school', { outM: 20, bearingDeg: 90 });
    expect(freshSchools(day('smallmouth', [seen]), baseMs + 50 * minuteMs)).toEqual([]);
    expect(freshSchools(day('smallmouth', [seen, look(600, first, 'empty', { outM: 21, bearingDeg: 90 })]), baseMs + 12 * minuteMs)).toEqual([]);
    expect(freshSchools(day('smallmouth', [seen, look(600, first, 'empty', { outM: 40, bearingDeg: 90 })]), baseMs + 12 * minuteMs)).toHaveLength(1);
  });
});

describe('job 13, a marked school', () => {
  const frame = new LocalFrame(-140, 47);
  const { water } = soundedBed((x) => Math.min(9, Math.max(3, 6 + x / 8)), 60, 7, 60);
  const { map } = water;
  const stand = frame.toLonLat(0, 0);
  const spot = water.spot(frame.toLonLat(10, 14));
  const query = { at: stand, band: { fromM: 5.6, toM: 6.4 }, castM: 25, strikeM: 0.8, chance: 0.4, base: 1, casts: [], count: 6 };
  test('unmarked there are five to seven casts, marked one or two, the first of them through it', () => {
    expect(standCasts(map, { ...query, targets: [] }).casts.length).toBeGreaterThanOrEqual(5);
    const { casts } = standCasts(map, { ...query, targets: [castTarget('school', spot, 'school')] });
    expect(casts.length).toBeLessThanOrEqual(2);
    const toSchool = (Math.atan2(10, 14) * 180) / Math.PI;
    expect(Math.abs(casts[0].bearingDeg - toSchool)).toBeLessThan(8);
  });
  test('job 8, lost them: from where the boat swung to, the first cast goes to the same place by another bearing', () => {
    const from = frame.toLonLat(16, 2);
    const { casts } = standCasts(map, { ...query, at: from, targets: [castTarget('school', spot, 'school')] });
    const toSchool = ((Math.atan2(10 - 16, 14 - 2) * 180) / Math.PI + 360) % 360;
    expect(Math.abs(((casts[0].bearingDeg - toSchool + 540) % 360) - 180)).toBeLessThan(8);
  });
});

describe('jobs 3 and 17, a lane through what was seen and marked', () => {
  const { water, frame } = soundedBed((x) => Math.max(1, 4 + x / 30), 200, 11, 120);
  const query = { band: { fromM: 4, toM: 6 }, baitM: 2, clearanceM: 0.3, turnM: 12, lengthM: 260, start: water.spot(frame.toLonLat(20, -130)) };
  const nearest = (through: { x: number; y: number }[], to: { x: number; y: number }) =>
    Math.min(...planLane(water, { ...query, through }).spots.map((s) => Math.hypot(s.x - to.x, s.y - to.y)));
  test('job 3, again: fish that broke the surface off the lane are passed over by the next, within the depths it may run in', () => {
    const seen = water.spot(frame.toLonLat(75, 20));
    expect(nearest([], seen)).toBeGreaterThan(12);
    expect(nearest([seen], seen)).toBeLessThan(8);
    expect(planLane(water, { ...query, through: [seen] }).leastClearanceM).toBeGreaterThanOrEqual(0.3);
  });
  test('job 17, speed: the lane runs over the marked wood, and nothing of it where there is none', () => {
    const wood = water.spot(frame.toLonLat(-20, -30));
    expect(nearest([wood], wood)).toBeLessThan(8);
  });
});
