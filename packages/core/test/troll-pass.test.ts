import { fold, type LedgerEvent } from '../src/ledger';
import {
  bitesOf,
  depthBandM,
  depthHoursText,
  depthInTurn,
  fastestTrollMs,
  fishedDepths,
  hoursByDepth,
  hoursTogether,
  passAnswer,
  passPlaceWords,
  speedOfFixes,
  trollingSpeed,
  trollSpeedText,
  untried,
  type PassQuery,
  type RunningLine,
} from '../src/troll';
import { imperial, metric, minuteMs } from '../src/units';
import { testId } from './events';

const start = Date.parse('2026-11-01T08:00:00Z');
const outing = testId();
const [pass, left, right] = [testId(), testId(), testId()];
const put = (min: number, kind: string, body: unknown): LedgerEvent =>
  ({ id: testId(), outing, angler: 'a', device: 'd', at: new Date(start + min * minuteMs).toISOString(), kind, v: 2, body }) as unknown as LedgerEvent;
const begun = [
  put(0, 'outing-started', { water: 'w', waterName: 'W', species: ['lake-trout'], goal: 'numbers', method: 'troll' }),
  put(1, 'station-opened', { station: pass, kind: 'pass', label: '1', at: [-140, 47] }),
  put(2, 'line-down', { line: left, station: pass, rod: 'left', presentation: 'spoon', depthM: 2, lineOutM: 14 }),
  put(2, 'line-down', { line: right, station: pass, rod: 'right', presentation: 'minnow', depthM: 5, second: { presentation: 'minnow', aboveM: 1.5 } }),
];
const passes = new Set([pass]);
const at = (events: readonly LedgerEvent[]) => fold(events).outings[0];
const strike = (min: number, line: string, depthM: number) => put(min, 'reaction', { station: pass, reaction: 'bite', line, depthM, at: [-140, 47], turn: 'inside', speedMs: 0.9 });

describe('speed over the ground', () => {
  const metresPerDegree = 111_195;
  /** Due north along a meridian, a fix every `everyS`. */
  const north = (speedMs: number, everyS: number, count: number, accuracyM = 5) =>
    Array.from({ length: count }, (_, k) => ({ at: [-140, 47 + (speedMs * everyS * k) / metresPerDegree] as const, readMs: start + k * everyS * 1000, accuracyM }));

  test('from the last minute of fixes, and from none that are too close in time or in way', () => {
    expect(speedOfFixes(north(0.9, 2, 40))).toBeCloseTo(0.9, 2);
    // Older places, when the boat lay at anchor, do not count.
    const moored = north(0, 2, 40).map((f) => ({ ...f, readMs: f.readMs - 200_000 }));
    expect(speedOfFixes([...moored, ...north(1.4, 5, 10)])).toBeCloseTo(1.4, 2);
    expect(speedOfFixes(north(0.9, 2, 4))).toBeNull();
    expect(speedOfFixes(north(0.05, 2, 30))).toBeNull();
    expect(speedOfFixes(north(0.9, 2, 30, 80))).toBeNull();
    expect(speedOfFixes([])).toBeNull();
  });

  test('the phone’s own figure first, then its places, then the wish; a run at full throttle is no trolling', () => {
    expect(trollingSpeed(1.1, north(0.8, 5, 10), 0.9)).toEqual({ speedMs: 1.1, by: 'measured' });
    expect(trollingSpeed(null, north(0.8, 5, 10), 0.9).by).toBe('estimated');
    expect(trollingSpeed(8, [], 0.9)).toEqual({ speedMs: 0.9, by: 'assumed' });
    expect(trollingSpeed(null, north(9, 5, 10), 0.9)).toEqual({ speedMs: 0.9, by: 'assumed' });
    expect(trollingSpeed(0, north(0.8, 5, 10), 0.9).by).toBe('assumed');
  });
});

test('minutes and bites by the depth each bait ran at, a second bait at its own, a changed depth from when it was changed', () => {
  const events = [...begun, strike(20, left, 2), put(32, 'depth-set', { line: left, depthM: 3, lineOutM: 22 }), put(62, 'line-up', { line: left })];
  const found = fishedDepths(at(events), passes, start + 92 * minuteMs);
  expect(found.map((f) => [f.depthM, Math.round(f.minutes), f.bites])).toEqual([
    [2, 30, 1],
    [3, 30, 0],
    [3.5, 90, 0],
    [5, 90, 0],
  ]);
});

test('a fish is the fish of its own line’s strike, one without a strike is one of its own', () => {
  const fish = (min: number, line: string) => put(min, 'fish-landed', { fish: testId(), station: pass, line, species: 'lake-trout', depthM: 2 });
  expect(bitesOf(at([...begun, strike(20, left, 2), fish(23, left)]), passes)).toMatchObject([{ line: left, isFish: true, turn: 'inside' }]);
  expect(bitesOf(at([...begun, strike(20, left, 2), fish(23, right)]), passes)).toHaveLength(2);
  expect(bitesOf(at([...begun, strike(20, left, 2), fish(40, left)]), passes)).toHaveLength(2);
});

test('a track comes in stretches and keeps its times; a pass ends once', () => {
  const events = [
    ...begun,
    put(5, 'tracked', {
      station: pass,
      points: [
        [-140, 47, 0],
        [-140, 47.0003, 30],
      ],
    }),
    put(7, 'tracked', { station: pass, points: [[-140, 47.0006, 60]] }),
    put(8, 'pass-ended', { station: pass }),
    put(9, 'pass-ended', { station: pass }),
  ];
  const [s] = at(events).stations;
  expect(s.track).toEqual([
    [-140, 47],
    [-140, 47.0003],
    [-140, 47.0006],
  ]);
  expect(s.trackMs).toEqual([0, 30, 60].map((sec) => start + minuteMs + 1000 * sec));
  expect(s.endedMs).toBe(start + 8 * minuteMs);
});

test('hours by band of depth, what nobody has tried, and bands side by side as one', () => {
  const o = at([...begun, strike(20, left, 2)]);
  const bands = hoursByDepth([o], 9, 2, start + 122 * minuteMs);
  expect(bands.map((b) => [b.fromM, b.toM])).toEqual([
    [0, 2],
    [2, 4],
    [4, 6],
    [6, 8],
    [8, 10],
  ]);
  expect(bands[1]).toMatchObject({ hours: 4, strikes: 1 });
  expect(untried(bands)).toEqual({ fromM: 6, toM: 10 });
  expect(untried(bands.map((b) => ({ ...b, hours: 0 })))).toBeNull();
  expect(hoursTogether(bands).map((b) => [b.fromM, b.toM])).toEqual([
    [0, 2],
    [2, 4],
    [4, 6],
    [6, 10],
  ]);
  expect(depthHoursText(bands[1], metric)).toBe('2 m to 4 m: 4.0 h, 1 strike');
  // A strike in the first minute is not "not tried".
  expect(depthHoursText({ fromM: 2, toM: 4, hours: 0.01, strikes: 1 }, metric)).toBe('2 m to 4 m: 0.0 h, 1 strike');
  expect(depthBandM(imperial)).toBeCloseTo(1.524, 6);
});

describe('what to run and where to steer', () => {
  const line = (name: 'left' | 'right', depthM: number): RunningLine => ({
    id: name,
    name,
    side: name,
    besideM: 2,
    depthM,
    lineOutM: 25,
    rig: { lure: { massG: 20, material: 'lead', shape: 'sphere' }, lineMm: 0.28 },
  });
  const lane = {
    spots: [],
    lengthM: 500,
    inBandShare: 1,
    leastClearanceM: 1,
    tightestTurnM: 20,
    turns: [{ fromM: 200, toM: 220, side: 'right' as const, byDeg: 60 }],
  };
  const place = (alongM: number, offM = 2) => ({ alongM, offM, side: 'left' as const, bearingDeg: 90 });
  const query: PassQuery = {
    lane,
    laneWhy: null,
    place: place(20),
    lines: [line('left', 3), line('right', 5)],
    speedMs: 1,
    slowTo: null,
    turnM: 15,
    turnDepthM: 6.5,
    clearAheadM: 1.2,
    strikes: 0,
    drawTo: null,
    untried: null,
    isIdle: false,
    isDrift: false,
    units: metric,
    zone: 'UTC',
    nowMs: start,
  };
  const say = (over: Partial<PassQuery>) => passAnswer({ ...query, ...over });

  test('each step has its sentence', () => {
    expect(say({ lines: [] }).headline).toBe('Set the lines');
    expect(say({ lane: null }).headline).toBe('Working out the lane');
    expect(say({ lane: null, laneWhy: 'too shallow' })).toMatchObject({ step: 'lane', detail: 'too shallow' });
    expect(say({ place: null }).headline).toBe('Where are you?');
    expect(say({ place: place(20, 60) }).headline).toBe('Steer right: the lane is 60 m off');
    expect(say({ drawTo: 2.5, strikes: 3 }).headline).toBe('Draw the lines to 2.5 m');
    expect(say({ place: place(490) }).headline).toBe('The lane ends: turn');
    expect(say({})).toMatchObject({ headline: 'Hold 90°', toTurnM: 180, toTurnS: 180 });
    expect(say({ isDrift: true }).headline).toBe('Drift along 90°');
    expect(say({ untried: { fromM: 6, toM: 8 } }).detail).toMatch(/Nobody has fished 6 m to 8 m yet\.$/);
  });

  test('a turn is announced with its depth, and what it does to the line inside', () => {
    const { headline, detail } = say({ place: place(150) });
    expect(headline).toBe('Turn right in 50 m, 6.5 m');
    expect(detail).toMatch(/^Through 60°\. The right line runs inside: .* deeper\. 1\.2 m clear/);
    expect(say({ place: place(199) }).headline).toBe('Turn right now, 6.5 m');
    expect(say({ place: place(199) }).toTurnS).toBeNull();
  });

  test('at the fastest that counts as trolling no turn asks for more than the model has', () => {
    const rig = { lure: { massG: 28, material: 'lead', shape: 'sphere' }, lineMm: 0.25 } as const;
    const line: RunningLine = { id: 'a', name: 'left', side: 'left', besideM: 8, depthM: 4, lineOutM: 30, rig };
    for (const speedMs of [0.3, 2, fastestTrollMs])
      for (const turnM of [5, 8, 15, 60])
        for (const side of ['left', 'right'] as const) {
          const depthM = depthInTurn(line, speedMs, turnM, side)!;
          expect(depthM).toBeGreaterThan(0);
          expect(depthM).toBeLessThan(30);
        }
  });

  test('inside a turn a line runs deeper, outside shallower; of an unknown weight nothing is said', () => {
    const straight = depthInTurn({ ...line('left', 3), besideM: 0 }, 1, 15, 'left')!;
    expect(depthInTurn(line('left', 3), 1, 15, 'left')!).toBeGreaterThan(straight);
    expect(depthInTurn(line('left', 3), 1, 15, 'right')!).toBeLessThan(straight);
    expect(depthInTurn({ ...line('left', 3), rig: null }, 1, 15, 'left')).toBeNull();
  });

  test('speeds in the angler’s units, and where to begin', () => {
    expect(trollSpeedText(0.894, imperial)).toBe('2.0 mph');
    expect(trollSpeedText(0.9, metric)).toMatch(/^(0\.9 m\/s|3\.2 km\/h)$/);
    expect(passPlaceWords(true).headline).toBe('Begin where you are');
  });
});
