import { speciesOf } from '../../src/fish';
import { holeSigns } from '../../src/holes';
import { fold } from '../../src/ledger';
import { holePriors, stayOrGo } from '../../src/patch';
import { lostTo, summariseSeason } from '../../src/season';
import { sheltered } from '../../src/methods';
import { minuteMs } from '../../src/units';
import { crossedBite } from '../../src/visits';
import { baseMs, event, testId } from '../events';

const stay = (species: string, atMin: number, signs: { visits?: number[]; refusals?: number[]; bites?: number[] }) =>
  stayOrGo(
    {
      arrivedMs: 0,
      visitsMs: (signs.visits ?? []).map((m) => m * minuteMs),
      refusalsMs: (signs.refusals ?? []).map((m) => m * minuteMs),
      bitesMs: (signs.bites ?? []).map((m) => m * minuteMs),
    },
    holePriors[speciesOf(species).group],
    atMin * minuteMs,
  );

test('job 2, the clock: after six fish and then nothing the hole is left about 20 min after the last mark, and sooner than for one bite', () => {
  const marks = [2, 8, 14, 20, 26, 32];
  const go = stay('white-perch', 33, { visits: marks, bites: marks }).stayUntilMs / minuteMs - 32;
  expect(go).toBeGreaterThanOrEqual(13);
  // Named as short: 15 to 20 is wanted.
  expect(go).toBeLessThanOrEqual(25);
  expect(go).toBeLessThan(stay('white-perch', 3, { visits: [2], bites: [2] }).stayUntilMs / minuteMs - 2);
});

test('job 1, two takes in three minutes make the clock grow', () => {
  const before = stay('black-crappie', 10, { visits: [8], bites: [8] }).stayUntilMs;
  expect(stay('black-crappie', 11, { visits: [8, 11], bites: [8, 11] }).stayUntilMs).toBeGreaterThan(before);
});

test('job 5, lake trout: no call to go after 18 minutes of nothing', () => expect(stay('lake-trout', 18, {}).leftMin).toBeGreaterThan(0));

test('job 10, three fish that turned away shorten the stay', () => {
  const none = stay('bluegill', 12, { visits: [2, 6, 10] }).stayUntilMs;
  expect(stay('bluegill', 12, { visits: [2, 6, 10], refusals: [2, 6, 10] }).stayUntilMs).toBeLessThan(none);
});

test('job 20, one fish that looks five times and does not take: move, for the others are elsewhere; another fish, or a bite, and it is told no more', () => {
  const outing = testId();
  const hole = testId();
  const look = (min: number, more: object = {}) => event(outing, 60 * min, 'reaction', { station: hole, reaction: 'looked', ...more });
  const clockAfter = (...signs: ReturnType<typeof look>[]) => {
    const state = fold([
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['lake-trout'], goal: 'numbers', method: 'ice' }),
      event(outing, 30, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
      ...signs,
    ]);
    return stayOrGo(holeSigns(state.outings[0], state.outings[0].stations[0]), holePriors.deep, baseMs + 31 * minuteMs);
  };
  const same = [8, 13, 19, 25].map((m) => look(m, { isSame: true }));
  expect(clockAfter(look(3), ...same)).toMatchObject({ leftMin: 0, reason: expect.stringMatching(/^The same fish 5 times.*move 30 m/) });
  expect(clockAfter(look(3), ...same.slice(0, 3)).reason).not.toMatch(/same fish/);
  expect(clockAfter(look(3), ...same, look(29)).reason).not.toMatch(/same fish/);
  // One fish is one visit, however often it came.
  expect(
    holeSigns(
      fold([
        event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['lake-trout'], goal: 'numbers', method: 'ice' }),
        event(outing, 30, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
        look(3),
        ...same,
      ]).outings[0],
      { id: hole, arrivals: [baseMs], openedMs: baseMs } as never,
    ).visitsMs,
  ).toHaveLength(1);
});

test('job 18, a day without a cast for a skin of ice is lost, and no blank', () => {
  const outing = testId();
  const state = fold([
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['largemouth'], goal: 'size', method: 'cast' }),
    event(outing, 60, 'surface-seen', { surface: 'skin' }),
    event(outing, 600, 'outing-ended', {}),
  ]);
  expect(summariseSeason(state, baseMs + 86_400_000).outings[0].lostTo).toBe('skin');
  expect(lostTo({ ...state.outings[0], casts: [{}] as never })).toBeNull();
});

test('job 20, cold: who sits in a shelter is told of two vents and an alarm', () => expect(sheltered.headline).toMatch(/two vents open, an alarm/));

test('job 10, stay or go: who is after big ones leaves a hole of 19 cm fish sooner than who is after numbers, and stays as long for 25 cm', () => {
  const stayAt = (goal: 'size' | 'numbers', lengthMm: number) => {
    const [outing, hole] = [testId(), testId()];
    const fish = [2, 9, 16].flatMap((m) => [
      event(outing, 60 * m, 'reaction', { station: hole, reaction: 'bite' }),
      event(outing, 60 * m + 20, 'fish-landed', { fish: testId(), station: hole, species: 'bluegill', lengthMm }),
    ]);
    const state = fold([
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['bluegill'], goal, method: 'ice' }),
      event(outing, 30, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
      ...fish,
    ]);
    return stayOrGo(holeSigns(state.outings[0], state.outings[0].stations[0]), holePriors.panfish, baseMs + 17 * minuteMs).stayUntilMs;
  };
  expect(stayAt('size', 190)).toBeLessThan(stayAt('numbers', 190));
  expect(stayAt('size', 250)).toBe(stayAt('numbers', 250));
});

describe('job 20 and 5, a hole for lake trout that gives no bite', () => {
  const [outing, hole] = [testId(), testId()];
  const trip = (...more: ReturnType<typeof event>[]) =>
    fold([
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['lake-trout'], goal: 'numbers', method: 'ice' }),
      event(outing, 30, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
      ...more,
    ]).outings[0];
  const clock = (trip: ReturnType<typeof fold>['outings'][number], atMin: number) => stayOrGo(holeSigns(trip, trip.stations[0]), holePriors.deep, baseMs + atMin * minuteMs);
  const looked = event(outing, 60 * 5, 'reaction', { station: hole, reaction: 'looked' });
  const down = (rod: string) => event(outing, 45, 'line-down', { line: testId(), station: hole, rod, presentation: 'x' });

  test('who works a bait is never held for more than 45 minutes without a bite, by one look as by none; a set line waits for hours', () => {
    expect(clock(trip(), 1).leftMin).toBeLessThanOrEqual(45);
    expect(clock(trip(), 19).leftMin).toBeGreaterThan(0);
    expect(clock(trip(looked), 5).leftMin).toBeLessThanOrEqual(45);
    expect(clock(trip(looked, down('rod 1')), 5).leftMin).toBeLessThanOrEqual(45);
    expect(clock(trip(looked, down('tip-up 1')), 5).leftMin).toBeGreaterThan(60);
    expect(clock(trip(event(outing, 60 * 5, 'reaction', { station: hole, reaction: 'bite' })), 5).leftMin).toBeGreaterThan(60);
  });

  test('other fish: a whitefish is no bite of theirs, a lake trout is, and so is one that may be taken for it', () => {
    const landed = (species: string) => [
      event(outing, 60 * 5, 'reaction', { station: hole, reaction: 'bite' }),
      event(outing, 60 * 6, 'fish-landed', { fish: testId(), station: hole, species }),
    ];
    const bites = (species: string) => holeSigns(trip(...landed(species)), { id: hole, arrivals: [baseMs], openedMs: baseMs } as never).bitesMs.length;
    expect(bites('lake-whitefish')).toBe(0);
    expect(bites('lake-trout')).toBe(1);
    expect(bites('rainbow-trout')).toBe(1);
    expect(clock(trip(...landed('lake-whitefish')), 7).leftMin).toBeLessThan(clock(trip(...landed('lake-trout')), 7).leftMin);
  });
});

describe('job 2, crossed: two fish, one cone', () => {
  const [outing, hole, left, right] = [testId(), testId(), testId(), testId()];
  const bite = (sec: number, line: string) => event(outing, sec, 'reaction', { station: hole, line, reaction: 'bite' });
  const fish = (sec: number, line: string) => event(outing, sec, 'fish-landed', { fish: testId(), station: hole, line, species: 'white-perch' });
  const crossed = (atSec: number, ...log: ReturnType<typeof event>[]) =>
    crossedBite(
      fold([
        event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['white-perch'], goal: 'numbers', method: 'ice' }),
        event(outing, 10, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
        ...log,
      ]).outings[0],
      hole,
      baseMs + atSec * 1000,
    );
  test('the later of two bites together is the one too many, or the one that no fish came of', () => {
    const [a, b] = [bite(100, left), bite(130, right)];
    expect(crossed(140, a, b)).toEqual([b.id]);
    expect(crossed(200, a, b, fish(150, right))).toEqual([a.id]);
    expect(crossed(200, a, b, fish(150, left))).toEqual([b.id]);
  });
  test('one line, bites apart, two fish, or long ago: nothing is joined', () => {
    expect(crossed(200, bite(100, left))).toEqual([]);
    expect(crossed(200, bite(100, left), bite(130, left))).toEqual([]);
    expect(crossed(400, bite(100, left), bite(300, right))).toEqual([]);
    expect(crossed(200, bite(100, left), bite(110, right), fish(150, left), fish(160, right))).toEqual([]);
    expect(crossed(800, bite(100, left), bite(130, right))).toEqual([]);
  });
});
