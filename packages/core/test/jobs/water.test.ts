import { castTarget, standCasts } from '../../src/casting';
import { reactionMeanings } from '../../src/ledger';
import { buildDepthMap, LocalFrame, type LonLat } from '../../src/ground';
import { CastWater } from '../../src/casting';
import { fold, type EventBodies, type EventKind } from '../../src/ledger';
import { isIdlePool, passAnswer, type PassQuery } from '../../src/troll';
import { takesOf } from '../../src/visits';
import { retrieveOf } from '../../src/casting';
import { metric, minuteMs } from '../../src/units';
import { baseMs, event, testId } from '../events';

/* What is left of the days: cover, pools, bites as they count. */

const [outing, station, line] = [testId(), testId(), testId()];
const day = (method: string, kind: string, ...events: [number, EventKind, unknown][]) =>
  fold([
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['largemouth'], goal: 'size', method }),
    event(outing, 10, 'station-opened', { station, kind, label: '1', at: [-140, 47] }),
    ...events.map(([s, what, body]) => event(outing, s, what, body as EventBodies[EventKind])),
  ]).outings[0];

test('job 5, log: a nip is an answer of its own, not hooked and not refused', () => {
  expect(reactionMeanings.nipped).toMatchObject({ answer: 'answered' });
  const [take] = takesOf(day('ice', 'hole', [60, 'reaction', { station, reaction: 'nipped' }]));
  expect(take.steps).toEqual({ came: expect.any(Number) });
});

test('job 14, miss: after one slap the bait hangs and then comes shorter, and no other bait is asked for', () => {
  const { headline, does } = retrieveOf({ family: 'suspending-minnow', tempC: 6, depthM: 2, after: 'miss' });
  expect(headline).toMatch(/hang/i);
  expect(does).toMatch(/short/i);
});

test('job 18, mistake: at 3.4 °C a wide wobbler is wound at about 3 s a metre', () => {
  const { paceSPerM } = retrieveOf({ family: 'tight-crank', tempC: 3.4, depthM: 3.2 });
  expect(paceSPerM).toBeGreaterThanOrEqual(2.5);
  expect(paceSPerM).toBeLessThanOrEqual(4);
});

describe('job 19, pool', () => {
  const seen = (count: number) =>
    Array.from({ length: count }, (_, k): [number, EventKind, unknown] => [120 + k, 'felt', { station, what: 'school', bearingDeg: 30 * k, outM: 10 + 5 * k, by: 'eye' }]);
  const down: [number, EventKind, unknown] = [60, 'line-down', { line, station, rod: 'left', depthM: 3 }];
  const bite = (s: number): [number, EventKind, unknown] => [s, 'reaction', { station, line, reaction: 'bite', depthM: 3 }];
  const idle = (o: ReturnType<typeof day>, min: number) => isIdlePool(o, new Set([station]), baseMs + min * minuteMs);
  test('many marks and one bite in an hour: many, idle; not before the hour, with few marks, or with bites', () => {
    expect(idle(day('troll', 'pass', down, ...seen(5), bite(900)), 65)).toBe(true);
    expect(idle(day('troll', 'pass', down, ...seen(5), bite(900)), 30)).toBe(false);
    expect(idle(day('troll', 'pass', down, ...seen(2)), 65)).toBe(false);
    expect(idle(day('troll', 'pass', down, ...seen(5), bite(900), bite(2000)), 65)).toBe(false);
  });
  test('it is said, with where to go instead', () => {
    const lane = { spots: [{ x: 0, y: 0 }, { x: 300, y: 0 }], lengthM: 300, inBandShare: 1, leastClearanceM: 1, tightestTurnM: Infinity, turns: [] }; // prettier-ignore
    const query: PassQuery = {
      ...{ lane, laneWhy: null, place: { alongM: 50, offM: 0, side: 'left', bearingDeg: 90 }, turnM: 15, turnDepthM: null, clearAheadM: 1 },
      ...{ lines: [{ id: 'a', name: 'left', side: 'left', besideM: 2, depthM: 3, lineOutM: null, rig: null }], speedMs: 0.4, slowTo: null, strikes: 1, drawTo: null },
      ...{ untried: null, isIdle: true, isDrift: false, units: metric, zone: 'UTC', nowMs: baseMs },
    };
    expect(passAnswer(query)).toMatchObject({ headline: 'Many, idle: the lies again', detail: expect.stringMatching(/Lies beside the pool refill: dusk is best/) });
    expect(passAnswer({ ...query, isIdle: false }).headline).toBe('Hold 90°');
    expect(passAnswer({ ...query, speedMs: 0.9, slowTo: { fromMs: 0.4, toMs: 0.7 } })).toMatchObject({ step: 'speed', headline: expect.stringMatching(/^Too fast/) });
  });
});

test('jobs 16 and 21, cover: where there is some, every cast aims at cover, and at a slide a few', () => {
  const frame = new LocalFrame(-140, 47);
  const box: LonLat[] = [[0, 0], [120, 0], [120, 120], [0, 120]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const soundings = Array.from({ length: 144 }, (_, k) => ({ at: frame.toLonLat(5 + 10 * (k % 12), 5 + 10 * Math.floor(k / 12)), depthM: 2 }));
  const map = buildDepthMap(box, soundings);
  const water = new CastWater(map);
  const at = frame.toLonLat(60, 60);
  const spot = (x: number, y: number) => water.spot(frame.toLonLat(x, y));
  const query = { at, band: { fromM: 1, toM: 3 }, castM: 22, strikeM: 0.6, chance: 0.4, base: 0.12, casts: [], count: 3 };
  const targets = [castTarget('cover', spot(70, 70), 'log'), castTarget('cover', spot(52, 75), 'reeds'), castTarget('cover', spot(60, 45), 'bush')];
  const passes = (bearingDeg: number, t: { x: number; y: number }) => {
    const from = water.spot(at);
    const rad = (bearingDeg * Math.PI) / 180;
    return Math.abs((t.x - from.x) * Math.cos(rad) - (t.y - from.y) * Math.sin(rad)) < 2.5 && (t.x - from.x) * Math.sin(rad) + (t.y - from.y) * Math.cos(rad) > 0;
  };
  for (const cast of standCasts(map, { ...query, targets }).casts) expect(targets.some((t) => passes(cast.bearingDeg, t))).toBe(true);
  const slide = castTarget('hard', spot(60, 75), 'rock');
  expect(standCasts(map, { ...query, base: 1, count: 6, targets: [slide] }).casts.filter((c) => passes(c.bearingDeg, slide)).length).toBeGreaterThanOrEqual(1);
});
