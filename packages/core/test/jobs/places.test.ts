import { bankSegments, bankStrip, bankWords, sunHours, type BankSetting } from '../../src/banks';
import { standCasts, strikeRadiusM, takeChance } from '../../src/casting';
import { buildDepthMap, depthAt, findFeatures, LocalFrame, mapAtLevel, type DepthMap, type LonLat } from '../../src/ground';
import { FishDensity, PlaceScore, scanPlan, type PlaceSetting } from '../../src/holes';
import { answerOutlook } from '../../src/outlook';
import { holePriors, stayOrGo } from '../../src/patch';
import { feedingLies, winteringPools } from '../../src/river';
import { windBow } from '../../src/rig';
import { dayMs, distanceM, hourMs, metric, minuteMs } from '../../src/units';
import { depthOfLight } from '../../src/water';
import type { WeatherHour } from '../../src/weather';

/* Where one begins, on the days of the jobs: places, banks, hours. */

const frame = new LocalFrame(-140, 47);
const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
const box = (wide: number, high: number): LonLat[] => [[0, 0], [wide, 0], [wide, high], [0, high]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
const mapOf = (wide: number, high: number, depth: (x: number, y: number) => number, stepM = 10): DepthMap => {
  const soundings = [];
  for (let x = stepM / 2; x < wide; x += stepM) for (let y = stepM / 2; y < high; y += stepM) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.2, depth(x, y)) });
  return buildDepthMap(box(wide, high), soundings);
};
const hours = (nowMs: number, row: (h: number) => Partial<WeatherHour>, behind = 120, ahead = 72): WeatherHour[] =>
  Array.from({ length: behind + ahead }, (_, k) => {
    const h = k - behind;
    return { atMs: nowMs + h * hourMs, airC: 2, pressureHpa: 1018, windMs: 2, windFromDeg: 270, cloud: 0.5, precipMm: 0, snowCm: 0, ...row(h) };
  });
const localHour = (ms: number) => (((ms / hourMs - 9) % 24) + 24) % 24;

describe('job 1 and 4, what the log knows of a place', () => {
  const map = mapOf(400, 300, (x) => 2 + x / 30);
  const setting: PlaceSetting = { group: 'panfish', stage: 'late ice', look: { fromM: 3, toM: 9 }, phase: 'steady', inflows: [], cover: [], isPressed: false };
  const score = new PlaceScore(map, findFeatures(map), setting);
  const worth = (agoDays: number, visits: number) =>
    new FishDensity(score.prior, [{ x: 0, y: 0, minutes: 60, visits, agoMin: (agoDays * dayMs) / 60_000 }]).perHourAt(0, 0) / new FishDensity(score.prior, []).perHourAt(0, 0);
  test('plan: fish caught there in autumn or at late ice move their place up for weeks, an empty hour moves it down', () => {
    for (const agoDays of [10, 40, 80]) expect(worth(agoDays, 9)).toBeGreaterThan(1.2);
    expect(worth(10, 9)).toBeGreaterThan(worth(80, 9));
    expect(worth(1, 0)).toBeLessThan(1);
  });
});

describe('jobs 2 and 7, the hours', () => {
  test('job 2, plan: the clear hours between two clouds are the dip, and it is said why', () => {
    const nowMs = Date.UTC(2027, 0, 24, 16);
    const cloud = (h: number) => (localHour(nowMs + h * hourMs) >= 10 && localHour(nowMs + h * hourMs) < 13 ? 0.05 : 0.95);
    const { activity } = answerOutlook({ speciesId: 'white-perch', nowMs, place, series: hours(nowMs, (h) => ({ airC: -8, cloud: cloud(h) })) });
    const mean = (from: number, to: number) => {
      const rows = activity.filter((a) => localHour(a.atMs) >= from && localHour(a.atMs) < to && a.atMs - nowMs < dayMs);
      return rows.reduce((sum, a) => sum + a.value, 0) / rows.length;
    };
    expect(mean(10, 13)).toBeLessThan(mean(8, 10));
    expect(mean(10, 13)).toBeLessThan(mean(13, 16));
  });
  test('job 7, plan: a warm spell in open water is fished from midday to dusk, not at dawn', () => {
    const nowMs = Date.UTC(2026, 11, 28, 15);
    const warm = (h: number) => ({ airC: 8 + h / 12 + 5 * Math.sin(((localHour(nowMs + h * hourMs) - 9) * Math.PI) / 12), cloud: 0.05, windMs: 0.5 });
    const { choice } = answerOutlook({ speciesId: 'black-crappie', nowMs, place, series: hours(nowMs, warm), seen: { atMs: nowMs - hourMs, surface: 'open' } });
    expect(localHour(choice!.fromMs)).toBeGreaterThanOrEqual(10.5);
    expect(localHour(choice!.toMs)).toBeLessThanOrEqual(18.5);
  });
});

describe('jobs 8 and 14, which bank', () => {
  const round = Array.from({ length: 72 }, (_, k) => frame.toLonLat(400 * Math.sin(k / 11.459), 400 * Math.cos(k / 11.459)));
  const { ring, segments } = bankSegments(round);
  const noon = Date.UTC(2026, 10, 15, 21);
  const best = (setting: Partial<BankSetting>, cloud = 0.3) => {
    const past = sunHours(
      hours(noon, () => ({ cloud })),
      place,
      noon - 72 * hourMs,
      noon,
    );
    const full: BankSetting = { secchiM: 3, tempC: 7, airC: 4, windMs: 9, windFromDeg: 315, cloud, viewpoint: 'lee', ...setting };
    return bankWords(bankStrip(ring, segments, past, full, [noon], place), full, metric);
  };
  test('job 8: out of a north-west wind the north-west shore, turned to the south another', () => {
    expect(best({}).headline).toMatch(/^The north(-west)? bank, in the lee|^The north-west bank/);
    expect(best({ windFromDeg: 180 }, 0.9).headline).not.toBe(best({}).headline);
  });
  test('job 14: sun and wind on one bank send one there, the same wind without sun to the lee, each with its reason', () => {
    const sunny = best({ windFromDeg: 270, windMs: 6, viewpoint: 'windward', cloud: 0.1, airC: 5 }, 0.1);
    const grey = best({ windFromDeg: 270, windMs: 6, viewpoint: 'windward', cloud: 0.95, airC: 0 }, 0.95);
    expect(sunny.detail).toMatch(/Sun and wind: food is blown into the windward shallows/);
    expect(grey.detail).toMatch(/A cold wind without sun: the sheltered bank/);
    expect(sunny.headline).not.toBe(grey.headline);
  });
});

describe('job 10, sixteen holes', () => {
  const map = mapOf(300, 240, (x) => 1 + x / 25);
  const look = { fromM: 5.6, toM: 6.8 };
  const score = new PlaceScore(map, findFeatures(map), { group: 'panfish', stage: 'midwinter', look, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const spotOf = (x: number, y: number) => {
    const [sx, sy] = score.frame.toMetres(frame.toLonLat(x, y));
    return { x: sx, y: sy };
  };
  const holes = (count: number, spacingM: number) =>
    scanPlan(map, score.prior, { kind: 'grid', count, spacingM, walkM: 2000, about: spotOf(130, 120) }).holes.map((h) => ({
      ...h,
      depthM: depthAt(map, score.frame.toLonLat(h.x, h.y))!.depthM,
    }));
  test('plan: they lie in the band, no two nearer than 8 m', () => {
    const plan = holes(16, 8);
    expect(plan.length).toBeGreaterThanOrEqual(14);
    for (const h of plan) expect(Math.abs(h.depthM - 6.2)).toBeLessThanOrEqual(1.2);
    for (const [k, a] of plan.entries()) for (const b of plan.slice(k + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(7.5);
  });
});

test('job 11, place: drawn down 3 m the old 9 m line reads 6 m, and lies nearer to the bank that falls', () => {
  const map = mapOf(300, 200, (x) => x / 15);
  const low = mapAtLevel(map, -3);
  const lineAt = (m: DepthMap, depthM: number) => Array.from({ length: 290 }, (_, x) => x + 5).find((x) => (depthAt(m, frame.toLonLat(x, 100))?.depthM ?? 0) >= depthM)!;
  expect(depthAt(low, frame.toLonLat(lineAt(map, 9), 100))!.depthM).toBeCloseTo(6, 0);
  // From the shore of today, 45 m further out, the old line is nearer.
  const shoreX = lineAt(low, 0.05);
  expect(lineAt(map, 9) - shoreX).toBeLessThan(lineAt(map, 9));
  expect(shoreX).toBeGreaterThan(30);
});

describe('job 13, bass on the break', () => {
  // A top of 5 m that breaks away 1 in 8 to the east.
  const map = mapOf(240, 240, (x) => (x < 120 ? 5 : 5 + (x - 120) / 8), 6);
  const band = { fromM: 5.6, toM: 6.4 };
  const from = frame.toLonLat(128, 80);
  const answer = standCasts(map, { at: from, band, castM: 30, strikeM: strikeRadiusM(12.5, 5), chance: takeChance(12.5), targets: [], base: 1, count: 7, casts: [] });
  test('stance: straight across some 6.4 m of a cast lie in the band, along the edge nearly all of it', () => {
    const along = Math.max(...answer.casts.map((c) => c.bandM));
    expect(along).toBeGreaterThan(22);
    const [first] = answer.casts;
    // Along the edge is north or south.
    expect(Math.min(first.bearingDeg % 180, 180 - (first.bearingDeg % 180))).toBeLessThan(25);
  });
});

describe('job 17, how deep the sun reaches', () => {
  test('band: clarity of 3 m takes the light five times as deep as 0.6', () => expect(depthOfLight(3, 0.01) / depthOfLight(0.6, 0.01)).toBeCloseTo(5, 1));
});

describe('job 19, a wintering pool and its lies', () => {
  // A river 40 m wide: a pool of 3.8 m, a flat of 1.1 m above it.
  const map = mapOf(
    500,
    40,
    (x, y) => {
      const across = 1 - ((y - 20) / 20) ** 2;
      return across * (x > 300 && x < 380 ? 3.8 : 1.1) + 0.2;
    },
    5,
  );
  const pools = winteringPools(map);
  const at = (x: number, y: number) => frame.toLonLat(x, y);
  test('pool: wide and deep and slow, and the flat is none', () => {
    expect(pools).toHaveLength(1);
    expect(frame.toMetres(pools[0].at)[0]).toBeGreaterThan(300);
    expect(pools[0].depthM).toBeGreaterThan(3);
  });
  test('lies: a seam with depth beside it is worth much more than one in thin water with none near', () => {
    const seam = (x: number): { line: LonLat[] }[] => [{ line: [at(x - 15, 12), at(x + 15, 12)] }];
    const bestOf = (x: number) => feedingLies(map, { seams: seam(x), covers: [], hard: [] }, pools, 3).reduce((most, l) => Math.max(most, l.score), 0);
    expect(bestOf(100)).toBeLessThan(0.5 * bestOf(295));
  });
  test('wait: the window comes with the warming, a morning blank is called usual and the pool is not written off; noon, a bite and a deep lake end that', () => {
    const at = (hour: number, deepestM = 3.8) => {
      const nowMs = Date.UTC(2026, 10, 25, 9 + hour, 40);
      const series = hours(nowMs, (h) => ({ airC: 6 + 4 * Math.sin(((localHour(nowMs + h * hourMs) - 9) * Math.PI) / 12), cloud: 0.2 }));
      return answerOutlook({ speciesId: 'largemouth', nowMs, place, series, isMoving: true, deepestM });
    };
    expect(localHour(at(7).choice!.fromMs)).toBeGreaterThanOrEqual(10.5);
    expect(at(7).awaitsWarmth).toBe(true);
    expect(at(11).awaitsWarmth).toBe(false);
    expect(at(7, 20).awaitsWarmth).toBe(false);
    const reason = (awaitsWarmth: boolean, bitesMs: number[] = [], atMin = 40) =>
      stayOrGo({ arrivedMs: 0, visitsMs: [], refusalsMs: [], bitesMs, awaitsWarmth }, holePriors.bass, atMin * minuteMs).reason;
    expect(reason(true)).toMatch(/^Nothing in 40 min\..*A blank morning is usual.*not written off\.$/);
    expect(reason(true, [], 2)).toMatch(/A blank morning is usual/);
    expect(reason(false)).not.toMatch(/usual/);
    expect(reason(true, [minuteMs])).not.toMatch(/usual/);
  });
  test('wind: a line bows less at 12 m than at 22', () => expect(windBow(12, 0.2, 6, 90).slackM).toBeLessThan(0.5 * windBow(22, 0.2, 6, 90).slackM));
});

test('places of a plan are told with what they are: no two nearer than their spacing, all on the water', () => {
  const map = mapOf(200, 200, (x) => 1 + x / 20);
  const score = new PlaceScore(map, [], { group: 'panfish', stage: 'midwinter', look: { fromM: 4, toM: 8 }, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const { holes } = scanPlan(map, score.prior, { kind: 'free', count: 6, spacingM: 20, walkM: 1500, start: { x: 0, y: 0 } });
  const spots = holes.map((h) => score.frame.toLonLat(h.x, h.y));
  for (const [k, a] of spots.entries()) for (const b of spots.slice(k + 1)) expect(distanceM(a, b)).toBeGreaterThan(18);
});
