import { floatWork, retrieveOf, signsAt, whatAfter } from '../src/casting';
import { foldLedger } from '@burrow/contract';
import { metric } from '../src/units';
import type { FloatAnswer, LedgerEvent } from '../src/ledger';

const start = Date.parse('2026-11-14T09:00:00Z');
const event = (minute: number, kind: string, body: object): LedgerEvent =>
  ({
    id: `e${minute}-${kind}-${Math.round(Math.random() * 1e9)}`,
    v: 2,
    kind,
    at: new Date(start + minute * 60_000).toISOString(),
    outing: 'o',
    device: 'd',
    account: 'a',
    seq: 0,
    body,
  }) as unknown as LedgerEvent;

interface Day {
  topM?: number;
  stopM?: number;
  casts?: readonly number[];
  floats?: readonly [number, FloatAnswer][];
  missed?: readonly number[];
  setAt?: number;
  schoolAt?: number;
}

/** A stand with a float: what was seen and done at which minute, asked at minute `now`. */
function asked({ topM, stopM, casts = [], floats = [], missed = [], setAt = 0, schoolAt = 0 }: Day, now: number, bedM: number | null = 4.4, massG: number | null = null) {
  const events = [
    event(0, 'outing-started', { water: 'w', waterName: 'W', method: 'cast', species: ['black-crappie'] }),
    event(0, 'station-opened', { station: 's', kind: 'stand', label: '1', at: [-140, 47] }),
    ...(topM === undefined ? [] : [event(schoolAt, 'felt', { station: 's', what: 'school', bearingDeg: 0, outM: 15, by: 'eye', topM })]),
    ...(stopM === undefined ? [] : [event(setAt, 'line-down', { line: 'l', station: 's', rod: 'rod 1', presentation: 'Float', depthM: stopM })]),
    ...casts.map((m) => event(m, 'cast', { cast: `c${m}`, station: 's', line: 'l', bearingDeg: 0, distanceM: 18 })),
    ...floats.map(([m, float]) => event(m, 'reaction', { station: 's', line: 'l', reaction: 'bite', float })),
    ...missed.map((m) => event(m, 'reaction', { station: 's', line: 'l', reaction: 'missed' })),
  ].map((e, seq) => ({ ...e, seq }));
  const outing = foldLedger(events).outings[0];
  const stand = outing.stations[0];
  const nowMs = start + now * 60_000;
  const { cadence, pauseS } = retrieveOf({ family: 'float-rig', tempC: 7, depthM: bedM ?? 5 });
  const signs = signsAt(outing, stand);
  const rule = whatAfter({ signs, nowMs, underM: 6, passes: 0 });
  return floatWork({
    outing,
    stand,
    signs,
    rule,
    band: { fromM: 3, toM: 6 },
    bedM,
    way: { cadence, restS: (pauseS[0] + pauseS[1]) / 2 },
    massG,
    lineMm: 0.16,
    windMs: 9,
    nowMs,
    units: metric,
  });
}

describe('a float at a stand', () => {
  test('job 7, throw: past them, a pull of about a metre, and no wait is counted before it stands, which is later the deeper the stop and the lighter the bait', () => {
    const work = asked({ topM: 4.9 }, 1, 8, 0.6);
    expect(work.standsS!).toBeGreaterThan(4);
    expect(work.reason).toMatch(/Past them, pull 1 m, wait till it stands, about \d+ s, then \d+ s/);
    expect(asked({ topM: 2 }, 1, 8, 0.6).standsS!).toBeLessThan(work.standsS!);
    expect(asked({ topM: 4.9 }, 1, 8, 2).standsS!).toBeLessThan(work.standsS!);
    expect(asked({ topM: 4.9 }, 1, 8)).toMatchObject({ standsS: null });
    // A stop that the log has deeper than any water is told for, all the same.
    expect(asked({ stopM: 400, casts: [1] }, 2, null, 2).standsS!).toBeGreaterThan(30);
    // Two minutes over them begin when it stands: at two minutes and two seconds after the cast the stop stays, half a minute on it goes.
    const day = { topM: 4.9, stopM: 4.6, casts: [1, 2] };
    expect(asked(day, 3.04, 8, 0.6).toM).toBeNull();
    expect(asked(day, 3.54, 8, 0.6).toM).not.toBeNull();
    expect(asked(day, 3.04, 8).toM).not.toBeNull();
  });
  test('the stop goes 15 to 45 cm over the highest fish, never nearer the bed than 30 cm', () => {
    for (const topM of [1.2, 2.6, 4.9, 7.2]) {
      const { stopM, by } = asked({ topM }, 1, null);
      expect(by).toBe('school');
      expect(topM - stopM).toBeGreaterThanOrEqual(0.15 - 1e-9);
      expect(topM - stopM).toBeLessThanOrEqual(0.45 + 1e-9);
    }
    expect(asked({ topM: 4.3 }, 1, 3).stopM).toBeLessThanOrEqual(2.7);
  });

  test('without a school it is the top of the depths to fish, and says so', () => {
    const work = asked({}, 1);
    expect(work).toMatchObject({ by: 'band', stopM: 3 });
    expect(work.reason).toMatch(/log a school/i);
  });

  test('beyond 2 m it slides', () => {
    expect(asked({ topM: 1.8 }, 1).isSliding).toBe(false);
    expect(asked({ topM: 2.7 }, 1).isSliding).toBe(true);
  });

  test('one that rose with the bait leaves the stop where it is, though the school hangs deeper', () => {
    const work = asked({ topM: 2.6, stopM: 1.5, casts: [1], floats: [[2, 'rose']] }, 3);
    expect(work.headline).toBe('Leave the stop: they come up to it');
    expect(work.toM).toBeNull();
  });

  test('a school that is seen later moves the stop', () => {
    const work = asked({ stopM: 3, setAt: 1, topM: 5, schoolAt: 3 }, 4, 8);
    expect(work.toM).toBeGreaterThanOrEqual(4.55);
    expect(work.toM).toBeLessThanOrEqual(4.85);
  });

  test('two minutes of casts without an answer: the depth, then the size, never both', () => {
    const first = asked({ topM: 4.9, stopM: 4.6, casts: [1, 2] }, 4, 7);
    expect(first.reason).toMatch(/depth first/);
    expect(first.toM).not.toBeNull();
    expect(first.toM!).toBeLessThan(4.9);
    expect(asked({ topM: 4.9, stopM: 4.6, casts: [1, 2] }, 2.5, 7).toM).toBeNull();
    expect(asked({ topM: 4.9, stopM: 4.6, casts: [1, 2], floats: [[2, 'under']] }, 5, 7).toM).toBeNull();
  });

  test('the pull and the wait follow the cold, the drift the wind', () => {
    const work = asked({ topM: 2.6 }, 1);
    expect(work.pullM).toBe(1);
    expect(work.settleS).toBeGreaterThanOrEqual(10);
    expect(work.settleS).toBeLessThanOrEqual(20);
    expect(work.reason).toMatch(/10\.8 m a minute/);
  });
});
