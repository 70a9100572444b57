import { adviceWords, adviseReading, memoryOf, type CoachSetting, type MarkDid } from '../../src/coach';
import { hangsText, passRound } from '../../src/holes';
import { fold, type EventBodies, type EventKind } from '../../src/ledger';
import { knotAtReelM, spinText } from '../../src/rig';
import { metric, minuteMs } from '../../src/units';
import { cloudTurn, cloudTurnText, type WeatherHour } from '../../src/weather';
import { baseMs, event, testId } from '../events';

/* What is read and said at a hole and over a spot. */

type Answers = Parameters<typeof memoryOf>[0];
const advised = (
  speciesId: string,
  waterTempC: number,
  [bottomM, jigM, topMarkM, did]: [number, number, number | null, MarkDid],
  more: Partial<CoachSetting> = {},
  told: Answers = [],
) => adviseReading({ bottomM, jigM, topMarkM, did }, { speciesId, waterTempC, beamDeg: 20, ...more }, memoryOf(told));
const says = (...args: Parameters<typeof advised>) => adviceWords(advised(...args), metric);
const times = (count: number, kind: Answers[number]['kind'], cadence: string): Answers => Array.from({ length: count }, () => ({ kind, cadence }));

test('job 2, depth: the more they rise, the higher the next stop, never down through them', () => {
  const at = (top: number) => advised('white-perch', 3.7, [8, 7.5, top, 'rising']).jigM;
  expect(at(5.4)).toBeLessThan(at(5.6));
  for (const top of [5.4, 5.6, 6]) expect(at(top)).toBeLessThan(top);
});
test('job 2, bite: over marks that stopped, watch the tip', () => expect(says('white-perch', 3.7, [8, 5.3, 5.6, 'still']).then).toMatch(/^Watch the tip/));

describe('job 4, crappie straight down', () => {
  test('read: a stack is stopped over, a line on the bed is small or idle: drive on; of fish of the bottom neither is said', () => {
    expect(hangsText(6.9, 9.8, metric, 'black-crappie')).toBe('They hang 2.9 m off the bed: stop here.');
    expect(hangsText(9.7, 9.8, metric, 'black-crappie')).toBe('They lie on the bed: small or idle, drive on.');
    expect(hangsText(9.7, 9.8, metric, 'yellow-perch')).toBe('They lie on the bed.');
  });
  const [outing, spot] = [testId(), testId()];
  const day = (...events: [number, EventKind, unknown][]) =>
    fold([
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['black-crappie'], goal: 'supper', method: 'vertical' }),
      event(outing, 10, 'station-opened', { station: spot, kind: 'spot', label: '1', at: [-140, 47] }),
      ...events.map(([s, kind, body]) => event(outing, s, kind, body as EventBodies[EventKind])),
    ]).outings[0];
  const round = (o: ReturnType<typeof day>, seesNothing: boolean, min: number) => passRound(o, o.stations[0], seesNothing, baseMs + min * minuteMs, metric);
  const caught: [number, EventKind, unknown] = [120, 'fish-landed', { fish: testId(), station: spot, species: 'black-crappie' }];
  test('pace: a school that is gone is passed round within 15 m, with the other side named; not while it is there, and not for ever', () => {
    expect(round(day(caught), true, 4)).toMatchObject({
      headline: 'Pass round: they were here',
      detail: expect.stringMatching(/2 min ago. Round it within 15 m .* Others call them back first/),
    });
    expect(round(day(caught), false, 4)).toBeNull();
    expect(round(day(caught), true, 14)).toBeNull();
    expect(round(day(), true, 4)).toBeNull();
  });
  test('job 13, fades: back over the school by its bearing and distance, then deeper', () => {
    const seen: [number, EventKind, unknown] = [150, 'felt', { station: spot, what: 'school', bearingDeg: 45, outM: 12, by: 'eye' }];
    expect(round(day(caught, seen), true, 5)).toMatchObject({
      headline: 'Back over the school',
      detail: expect.stringMatching(/Back over the school 12 m north-east, then deeper/),
    });
  });
});

test('job 5, trout comes: it is told once to lie still, and a refusal asks for another thing', () => {
  expect(says('lake-trout', 3.5, [22, 16, 16.5, 'rising'], { family: 'tube' }).instruction).toMatch(/^Hold still/);
  expect(advised('lake-trout', 3.5, [22, 16, 16.5, 'long-still'], { family: 'spoon' }).cadence.id).not.toBe(
    advised('lake-trout', 3.5, [22, 16, 16.5, 'still'], { family: 'spoon' }).cadence.id,
  );
});

describe('job 10, big bluegill', () => {
  test('call: nothing near, and it calls and rests 10 to 20 s at 3.5 °C', () => {
    const { cadence, pauseS } = advised('bluegill', 3.5, [6.2, 5.5, null, 'none'], { family: 'micro-jig' });
    expect(cadence.id).toBe('call');
    expect(pauseS).toBeGreaterThanOrEqual(8);
    expect(pauseS).toBeLessThanOrEqual(20);
  });
  test('close in: from 1 m to 20 cm each beat is smaller and slower, and none of them still', () => {
    const beats = [1, 0.6, 0.2].map((gap) => advised('bluegill', 3.5, [6.2, 5, 5 + gap, 'rising'], { family: 'micro-jig' }).rod);
    for (const [k, beat] of beats.slice(1).entries()) {
      expect(beat.liftM).toBeLessThan(beats[k].liftM);
      expect(beat.beatPerMin).toBeLessThan(beats[k].beatPerMin);
    }
    expect(beats[2].liftM).toBeGreaterThan(0);
  });
  test('spin: a spinning reel lets a light jig hang first, a straight-line one does not, and after half a minute neither', () => {
    expect(spinText('spinning', 1, 5)).toMatch(/let it hang and stop turning first/);
    expect(spinText('straight', 1, 5)).toBeNull();
    expect(spinText('spinning', 8, 5)).toBeNull();
    expect(spinText('spinning', 1, 40)).toBeNull();
    expect(spinText(null, 1, 5)).toBeNull();
  });
});

describe('job 15, whitefish at the foot of the drop', () => {
  test('read: many faint ones are bait, and the bait is searched under; no fish is claimed', () => {
    const { ruleId } = advised('lake-whitefish', 3, [14.5, 12, 7, 'bait'], { band: { fromM: 11, toM: 14.5 } });
    expect(ruleId).toBe('look.bait');
    expect(says('lake-whitefish', 3, [14.5, 12, 7, 'bait']).reason).toMatch(/[Bb]ait/);
  });
  test('spoon: come and stopped, it is drawn slowly away', () =>
    expect(says('lake-whitefish', 3, [14.5, 13, 13.4, 'long-still'], { family: 'spoon' }).instruction).toMatch(/^Draw slowly up/));
});

describe('job 20, lake trout', () => {
  test('flares off: after one flare it is laid on the bed and trembled, not lifted', () => {
    const { instruction, then } = says('lake-trout', 3, [11.8, 10, 9.5, 'fled']);
    expect(instruction).toMatch(/^Lay it down, tremble/);
    expect(then).toBe('Do not lift it off.');
  });
  test('jig: no repeat of what was refused, for they decide at once', () => {
    expect(advised('lake-trout', 3, [11.8, 10, 9.5, 'fled'], {}, times(1, 'refused', 'bounce')).suggestion!.text).toMatch(/do not repeat what it refused/);
  });
  test('two come: they compete, lively', () => expect(says('lake-trout', 3, [11.8, 10, 10.5, 'several']).reason).toMatch(/compete: keep it lively/));
});

test('job 13, under: fish together over the bed are kept lively, and nothing else is asked', () => {
  const advice = advised('smallmouth', 12.5, [8, 7, 7.6, 'several'], { family: 'straight-worm' });
  expect(adviceWords(advice, metric).reason).toMatch(/keep it lively/);
  expect(advice.suggestion).toBeNull();
});

test('job 9, movement: from below it begins at 5.6 m and is drawn to over them, hung above at 4.2 to 4.4; the switch changes the heading', () => {
  const below = says('white-crappie', 11.5, [6.9, 5, 4.6, 'still'], { family: 'live-bait' }).instruction;
  const above = advised('white-crappie', 11.5, [6.9, 5, 4.6, 'still'], { family: 'live-bait', hangsAbove: true });
  expect(below).toMatch(/^Lower to 5\.6 m, draw slowly up/);
  expect(above.jigM).toBeGreaterThanOrEqual(4.2);
  expect(above.jigM).toBeLessThanOrEqual(4.4);
  expect(adviceWords(above, metric).instruction).not.toBe(below);
});

test('job 7, rod: a longer rod takes a deeper stop before the knot goes onto the reel', () => {
  expect(knotAtReelM(2.4)).toBeCloseTo(2.5, 6);
  for (const m of [1.5, 2, 3, 4.5]) expect(knotAtReelM(m + 0.3)).toBeGreaterThan(knotAtReelM(m));
});

describe('cloud that comes and goes, at the hole', () => {
  const hour = 3_600_000;
  const series = (cloud: (h: number) => number | null): WeatherHour[] =>
    Array.from({ length: 24 }, (_, k) => ({
      atMs: baseMs + (k - 12) * hour,
      airC: -4,
      pressureHpa: 1010,
      windMs: 2,
      windFromDeg: 270,
      cloud: cloud(k - 12),
      precipMm: 0,
      snowCm: 0,
    }));
  test('job 2: cloud since an hour ago turns them on until it clears, and clearing turns them off', () => {
    const came = cloudTurn(
      series((h) => (h < -1 ? 0.1 : h < 3 ? 0.9 : 0.1)),
      baseMs,
    )!;
    expect(came).toEqual({ kind: 'came', atMs: baseMs - hour, untilMs: baseMs + 3 * hour });
    expect(cloudTurnText(came, 'UTC')).toMatch(/^Cloud since \d\d:\d\d until \d\d:\d\d: they turn on, often at once\. Look higher\.$/);
    expect(
      cloudTurn(
        series((h) => (h < 0 ? 0.9 : 0.1)),
        baseMs,
      ),
    ).toMatchObject({ kind: 'went', untilMs: null });
  });
  test('a sky that stays as it is, that is between, that turned long ago, or that nobody knows says nothing', () => {
    for (const cloud of [() => 0.9, () => 0.5, (h: number) => (h < -4 ? 0.1 : 0.9), () => null]) expect(cloudTurn(series(cloud), baseMs)).toBeNull();
  });
});
