import {
  type BankSetting,
  approachOf,
  approachRules,
  bankInsolation,
  bankSegments,
  bankWords,
  castsAlong,
  effectiveFetch,
  judgeBanks,
  shelterOf,
  sunHours,
  sunOnBank,
  windRule,
  windWaves,
} from '../src/banks';
import { LocalFrame, ringOf, type LonLat } from '../src/ground';
import { hourMs, metric } from '../src/units';
import { sunPosition, type WeatherHour } from '../src/weather';

const frame = new LocalFrame(-140, 47);
const corners = [
  [-500, -500],
  [500, -500],
  [500, 500],
  [-500, 500],
] as const;
const square = ringOf(corners);
const circle = ringOf(Array.from({ length: 720 }, (_, i) => [500 * Math.cos((i * Math.PI) / 360), 500 * Math.sin((i * Math.PI) / 360)] as const));
const outline: LonLat[] = corners.map(([x, y]) => frame.toLonLat(x, y));
const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
const noon = Date.parse('2027-01-16T21:20:00Z');

describe('effective fetch', () => {
  test('in the middle of a bank of a 1000 m square, wind square on: 896.6 m by hand', () => {
    expect(effectiveFetch(square, 0, -500, 0)).toBeCloseTo(896.6, 0);
    expect(effectiveFetch(square, 500, 0, 270)).toBeCloseTo(896.6, 0);
    // By hand from the geometry of its 15 rays: those within 26.6° reach the far bank, the others a side.
    let [sum, cosines] = [0, 0];
    for (let a = -42; a <= 42; a += 6) {
      const r = (Math.abs(a) * Math.PI) / 180;
      sum += (Math.tan(r) <= 0.5 ? 1000 / Math.cos(r) : 500 / Math.sin(r)) * Math.cos(r) ** 2;
      cosines += Math.cos(r);
    }
    expect(cosines).toBeCloseTo(13.511, 3);
    expect(effectiveFetch(square, 0, -500, 0)).toBeCloseTo(sum / cosines, 6);
  });

  test('on a circle of 1000 m: 833.6 m, from any side', () => {
    // Chords of a circle are 1000·cos α, so F = 1000·Σcos³α / Σcos α.
    for (const bearing of [0, 37, 122, 251]) {
      const r = (bearing * Math.PI) / 180;
      const f = effectiveFetch(circle, -499.99 * Math.sin(r), -499.99 * Math.cos(r), bearing);
      expect(Math.abs(f / 833.6 - 1)).toBeLessThan(0.01);
    }
  });

  test('with the wind off the land there is none', () => {
    expect(effectiveFetch(square, 0, -500, 180)).toBe(0);
    expect(effectiveFetch(square, -500, 0, 270)).toBe(0);
  });
});

test('waves grow with fetch and wind, and a lee is glassy', () => {
  expect(windWaves(0, 10)).toEqual({ heightM: 0, periodS: 0 });
  // 10 km at 10 m/s by the equation: 0.283·100/9.81·tanh(0.0125·981^0.42) = 0.64 m.
  expect(windWaves(10_000, 10).heightM).toBeCloseTo(0.64, 2);
  let last = 0;
  for (const fetchM of [50, 200, 800, 3000]) {
    const { heightM } = windWaves(fetchM, 8);
    expect(heightM).toBeGreaterThan(last);
    expect(windWaves(fetchM, 12).heightM).toBeGreaterThan(heightM);
    last = heightM;
  }
  expect(shelterOf(windWaves(60, 4).heightM)).toBe('glassy');
  expect(shelterOf(windWaves(3000, 12).heightM)).toBe('rough');
  expect(() => windWaves(-1, 5)).toThrow(/fetch/);
});

describe('shore', () => {
  test('is cut in stretches of at most 25 m that face the water and add up', () => {
    const { segments } = bankSegments(outline);
    expect(Math.max(...segments.map((s) => s.lengthM))).toBeLessThanOrEqual(25);
    expect(segments.reduce((sum, s) => sum + s.lengthM, 0)).toBeCloseTo(4000, 0);
    const south = segments.filter((s) => Math.abs(s.y + 500) < 1);
    expect(south.every((s) => Math.abs(s.facesDeg) < 0.5 || s.facesDeg > 359.5)).toBe(true);
    expect(segments.filter((s) => Math.abs(s.x - 500) < 1).every((s) => Math.abs(s.facesDeg - 270) < 0.5)).toBe(true);
  });

  test('takes over what was noted of a bank near it, and nothing further on', () => {
    const line = Array.from({ length: 40 }, (_, i) => frame.toLonLat(-500 + 10 * i, 505));
    const { segments } = bankSegments(outline, [{ line, heightM: 12, steepness: 'wall' }]);
    const north = segments.filter((s) => Math.abs(s.y - 500) < 1);
    expect(north.filter((s) => s.x < -120).every((s) => s.heightM === 12 && castsAlong(s.steepDeg) === 'parallel')).toBe(true);
    expect(north.filter((s) => s.x > 0).every((s) => s.heightM === 0 && castsAlong(s.steepDeg) === 'pitched')).toBe(true);
  });
});

describe('sun at noon in January at 47° north', () => {
  const sun = sunPosition(noon, place);
  const bank = (facesDeg: number, heightM: number) => ({ facesDeg, heightM, steepDeg: 15 });

  test('stands due south, 22° up', () => {
    expect(Math.abs(sun.bearingDeg - 180)).toBeLessThan(5);
    // 90 − 47 − 21.0 (its declination on 16 January).
    expect(Math.abs(sun.heightDeg - 22)).toBeLessThan(0.7);
  });

  test('lights the north bank, which faces it, and leaves the south bank in its own shade', () => {
    const north = sunOnBank(bank(180, 10), sun);
    const south = sunOnBank(bank(0, 10), sun);
    expect(north.isSunlit).toBe(true);
    expect(north.shadeM).toBe(0);
    // By hand: sin 22·cos 15 + cos 22·sin 15 = sin 37.
    expect(north.incidence).toBeCloseTo(Math.sin(((sun.heightDeg + 15) * Math.PI) / 180), 2);
    expect(south.isSunlit).toBe(false);
    // Ten metres of trees under a sun of 22° throw 10 / tan 22.
    expect(south.shadeM).toBeCloseTo(10 / Math.tan((sun.heightDeg * Math.PI) / 180), 0);
    expect(south.incidence).toBeLessThan(north.incidence);
  });

  test('at midnight there is none', () => {
    expect(sunOnBank(bank(180, 0), sunPosition(noon + 12 * hourMs, place)).isSunlit).toBe(false);
  });

  test('over two days the north bank gathers more, cloud takes it from both', () => {
    const rows = (cloud: number): WeatherHour[] =>
      Array.from({ length: 49 }, (_, h) => ({ atMs: noon + (h - 48) * hourMs, airC: -5, pressureHpa: 1020, windMs: 2, windFromDeg: 0, cloud, precipMm: 0, snowCm: 0 }));
    const clear = sunHours(rows(0), place, noon - 48 * hourMs, noon);
    const dull = sunHours(rows(1), place, noon - 48 * hourMs, noon);
    expect(bankInsolation(bank(180, 10), clear)).toBeGreaterThan(2 * bankInsolation(bank(0, 10), clear));
    expect(bankInsolation(bank(180, 10), dull)).toBeLessThan(0.4 * bankInsolation(bank(180, 10), clear));
    expect(bankInsolation(bank(180, 10), dull)).toBeCloseTo(bankInsolation(bank(0, 10), dull), 6);
  });
});

describe('which bank', () => {
  const { ring, segments } = bankSegments(outline, [{ line: Array.from({ length: 100 }, (_, i) => frame.toLonLat(-500 + 10 * i, -500)), heightM: 10 }]);
  const row = (atMs: number): WeatherHour => ({ atMs, airC: -6, pressureHpa: 1020, windMs: 7, windFromDeg: 180, cloud: 0.1, precipMm: 0, snowCm: 0 });
  const hours = sunHours(
    Array.from({ length: 49 }, (_, h) => row(noon + (h - 48) * hourMs)),
    place,
    noon - 48 * hourMs,
    noon,
  );
  const setting = { secchiM: 0.7, tempC: 5, airC: 4, windMs: 0, windFromDeg: 180, cloud: 0.1, viewpoint: 'lee' as const };
  const best = (over: Partial<BankSetting>) => judgeBanks(ring, segments, hours, { ...setting, ...over }).reduce((a, b) => (b.score > a.score ? b : a));

  test('all four cells of clarity and warmth have their row', () => {
    expect(new Set(approachRules.map((r) => `${r.water} ${r.isCold}`)).size).toBe(4);
    expect(approachOf(0.6, 6)).toMatchObject({ id: 'bank.stained-cold', side: 'sunlit' });
    expect(approachOf(0.6, 12)).toMatchObject({ id: 'bank.stained-mild', side: 'either' });
    expect(approachOf(2.5, 6).offM[0]).toBeGreaterThan(approachOf(0.6, 6).offM[1]);
    expect(approachOf(2.5, 12).side).toBe('part shade');
  });

  test('cold water and no wind: the bank that the sun warmed', () => {
    expect(best({}).segment.facesDeg).toBeCloseTo(180, 0);
  });

  test('a cold wind without sun: a sheltered one; sun and wind: as the viewpoint says', () => {
    expect(windRule({ airC: -6, windMs: 7, cloud: 0.9, viewpoint: 'windward' })?.side).toBe('lee');
    expect(windRule({ airC: 5, windMs: 7, cloud: 0.1, viewpoint: 'windward' })?.side).toBe('windward');
    expect(windRule({ airC: 5, windMs: 2, cloud: 0.1, viewpoint: 'windward' })).toBeNull();
    const windward = best({ windMs: 7, viewpoint: 'windward' });
    expect(windward.segment.facesDeg).toBeCloseTo(180, 0);
    expect(windward.fetchM).toBeGreaterThan(800);
    // In water where sun does not count the lee is taken, and that has no fetch.
    expect(best({ tempC: 12, windMs: 7, viewpoint: 'lee' }).fetchM).toBeLessThan(300);
  });
});

test('how steep a bank is is told by its soundings: 1 in 1 is fished along, 1 in 3 slopes, a shelf is flat, and what was noted goes before', () => {
  const outline = [[-200, -200], [200, -200], [200, 200], [-200, 200]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const slopes = { 1: 'steep', [1 / 3]: 'It slopes, about 1 in 3', [1 / 12]: 'It is flat' };
  for (const [slope, says] of Object.entries(slopes)) {
    const { segments } = bankSegments(outline, [], (at) => {
      const [x, y] = frame.toMetres(at);
      return Number(slope) * Math.min(200 - Math.abs(x), 200 - Math.abs(y));
    });
    const middle = segments.filter((s) => Math.abs(s.x) < 150 || Math.abs(s.y) < 150);
    for (const s of middle) {
      expect(s.steepBy).toBe('sounded');
      expect(s.steepDeg).toBeCloseTo((Math.atan(Number(slope)) * 180) / Math.PI, 0);
      expect(castsAlong(s.steepDeg)).toBe(Number(slope) === 1 ? 'parallel' : 'pitched');
    }
    const bank = { segment: middle[0], casts: castsAlong(middle[0].steepDeg), shelter: 'glassy', ruleIds: [], score: 1 } as never;
    expect(bankWords({ hoursMs: [], banks: [bank], best: 0 }, { secchiM: 2, tempC: 7, airC: 5, windMs: 2, windFromDeg: 0, cloud: 0, viewpoint: 'lee' }, metric).detail).toContain(
      says,
    );
  }
  const line = Array.from({ length: 41 }, (_, i) => frame.toLonLat(-200 + 10 * i, -200));
  expect(bankSegments(outline, [{ line, heightM: 3, steepness: 'wall' }], () => 0.5).segments[0]).toMatchObject({ steepBy: 'noted', steepDeg: 75 });
  expect(bankSegments(outline).segments[0].steepBy).toBe('assumed');
});
