import { castPlaceRows, castPlaceText, castTarget, oneSidedText } from '../../src/casting';
import { buildDepthMap, findFeatures, LocalFrame, type LonLat } from '../../src/ground';
import { nextCover, nextCoverText, PlaceScore, type PlaceSetting } from '../../src/holes';
import { alertsFor } from '../../src/outlook';
import { hourMs, metric } from '../../src/units';
import { lastingCloud, sunShare } from '../../src/weather';

/* Points and their sides, crowds, and coves by sun. */

const frame = new LocalFrame(-140, 47);
const from = { x: 0, y: 0 };
const cast = (k: number, bearingDeg: number) => ({ id: String(k), from, bearingDeg, lengthM: 20 });
const point = { x: 0, y: 15 };

describe('job 16, point or side', () => {
  const casts = (count: number, bearingDeg: number, begin = 0) => Array.from({ length: count }, (_, k) => cast(begin + k, bearingDeg + (k % 3)));
  test('mistake: fourteen casts, all at the point, and the side is named; with one to the side nothing is', () => {
    const rows = castPlaceRows(casts(14, 0), new Set(), [point], []);
    expect(oneSidedText(rows, true)).toBe('14 casts, all at the point: the side is not shown.');
    expect(oneSidedText(castPlaceRows([...casts(14, 0), cast(20, 90)], new Set(), [point], []), true)).toBeNull();
    expect(oneSidedText(castPlaceRows(casts(14, 90), new Set(), [point], []), true)).toMatch(/all at the side: the point is not shown/);
    expect(oneSidedText(castPlaceRows(casts(6, 0), new Set(), [point], []), true)).toBeNull();
    expect(oneSidedText(castPlaceRows(casts(14, 90), new Set(), [], []), false)).toBeNull();
  });
  test('log: sixty casts give three rates with ranges that hold them', () => {
    const slide = castTarget('hard', { x: -12, y: 0 }, 'rock');
    const all = [...casts(20, 0), ...casts(30, 90, 20), ...casts(10, 269, 50)];
    const rows = castPlaceRows(all, new Set(['0', '1', '25', '52', '53', '54']), [point], [slide]);
    expect(rows.map((r) => [r.place, r.casts, r.bites])).toEqual([['point', 20, 2], ['side', 30, 1], ['rock', 10, 3]]); // prettier-ignore
    for (const r of rows) expect(r.low < r.share && r.share < r.high).toBe(true);
    expect(castPlaceText(rows[0])).toMatch(/^At the point: 2 of 20 casts bitten, \d+ to \d+ %\.$/);
  });
});

describe('job 7, place: the first one is crowded', () => {
  const box = (wide: number, high: number): LonLat[] => [[0, 0], [wide, 0], [wide, high], [0, high]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const soundings = Array.from({ length: 40 * 20 }, (_, k) => ({ at: frame.toLonLat(5 + 10 * (k % 40), 5 + 10 * Math.floor(k / 40)), depthM: 2 + (k % 40) / 4 }));
  const map = buildDepthMap(box(400, 200), soundings);
  const wood = (name: string, x: number, y = 100) => ({ name, at: frame.toLonLat(x, y) });
  const here = frame.toLonLat(200, 100);
  test('the next two timber places are named: in the depths first, then by distance, and not the crowd itself', () => {
    const cover = [wood('crowd', 210), wood('far timber', 380), wood('timber', 260), wood('brush', 150), wood('shallow wood', 20)];
    const next = nextCover(map, cover, here, { fromM: 5, toM: 9 }, 2);
    expect(next.map((p) => p.name)).toEqual(['brush', 'timber']);
    expect(nextCoverText(next, here, metric)).toMatch(/^Crowded: next the brush in 5\.\d m, 50 m west, then the timber in 8\.\d m, 60 m east\.$/);
    expect(nextCoverText(nextCover(map, [], here, null, 2), here, metric)).toBeNull();
  });
});

describe('job 17, place: coves that the sun warmed, or the basin', () => {
  const nowMs = Date.UTC(2027, 0, 20, 22);
  const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
  const series = (cloud: number | null) =>
    Array.from({ length: 96 }, (_, k) => ({ atMs: nowMs - (95 - k) * hourMs, airC: 2, pressureHpa: 1018, windMs: 2, windFromDeg: 270, cloud, precipMm: 0, snowCm: 0 }));
  test('three clear days had all of their sun, three dull ones a quarter, and what is not known is not told', () => {
    expect(sunShare(series(0), place, nowMs)).toBeCloseTo(1, 6);
    expect(sunShare(series(1), place, nowMs)).toBeCloseTo(0.25, 6);
    expect(sunShare(series(null), place, nowMs)).toBeNull();
    expect(sunShare(series(0).slice(0, 20), place, nowMs)).toBeNull();
  });
  test('weather: the layer that the sun warmed ends with the cloud, and they feed ahead of the snow: both with their hour', () => {
    const days = (cloudFromH: number, precipMm: number, airC = -1) =>
      Array.from({ length: 72 }, (_, k) => ({ atMs: nowMs + k * hourMs, airC, pressureHpa: 1005, windMs: 5, windFromDeg: 340, cloud: k >= cloudFromH ? 1 : 0.1, precipMm: k >= cloudFromH + 4 ? precipMm : 0, snowCm: 0 })); // prettier-ignore
    const told = (series: ReturnType<typeof days>, sunned: number | null = 0.95, surface: 'open' | 'ice' = 'open') =>
      alertsFor(
        null,
        { depth: null, nextFront: undefined, storm: null, skin: null, surface, sunned, cloudAhead: lastingCloud(series, nowMs) },
        'black-crappie',
        nowMs,
        place.timeZone,
        metric,
      ).map((a) => a.text);
    expect(told(days(18, 1.5))).toEqual(['Cloud from 07:00 Thu, to stay: the layer that the sun has warmed ends with it. Ahead of the snow they feed: go before it.']);
    expect(told(days(18, 1.5, 4))[0]).toMatch(/Ahead of the rain/);
    expect(told(days(18, 0))[0]).not.toMatch(/Ahead of/);
    expect(told(days(60, 1.5))).toEqual([]);
    expect(told(days(18, 1.5), 0.4)).toEqual([]);
    expect(told(days(18, 1.5), null)).toEqual([]);
    expect(told(days(18, 1.5), 0.95, 'ice')).toEqual([]);
    // An hour of cloud that goes again ends nothing.
    expect(told(days(18, 0).map((r, k) => (k > 20 ? { ...r, cloud: 0.1 } : r)))).toEqual([]);
  });
  // A basin to the east, wood in a thin cove to the west.
  const box = [[0, 0], [400, 0], [400, 300], [0, 300]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const deep = (x: number, y: number) => 4 + 5 * Math.exp(-((x - 300) ** 2 + (y - 150) ** 2) / 60 ** 2);
  const soundings = [];
  for (let x = 5; x < 400; x += 10) for (let y = 5; y < 300; y += 10) soundings.push({ at: frame.toLonLat(x, y), depthM: deep(x, y) });
  const map = buildDepthMap(box, soundings);
  const wood = frame.toLonLat(80, 150);
  const reasons = (more: Partial<PlaceSetting>) => {
    const setting: PlaceSetting = { group: 'panfish', stage: 'open cold water', look: null, phase: 'steady', inflows: [], cover: [wood], isPressed: false, tempC: 6.1, ...more };
    const score = new PlaceScore(map, findFeatures(map), setting);
    const of = (at: LonLat) => score.reasonsAt(at, metric).filter((r) => r.weight > 0).map((r) => r.ruleId); // prettier-ignore
    return { wood: of(wood), basin: of(frame.toLonLat(300, 150)) };
  };
  test('sunny days lead to the wood of the coves, a dull week to the basin, each with its reason; a switch goes before the sun', () => {
    expect(reasons({ sunned: 0.95 }).wood).toContain('place.sunned-coves');
    expect(reasons({ sunned: 0.95 }).basin).not.toContain('place.dull-basin');
    expect(reasons({ sunned: 0.3 }).basin).toContain('place.dull-basin');
    expect(reasons({ sunned: 0.3 }).wood).not.toContain('place.sunned-coves');
    expect(reasons({ sunned: 0.95, coves: 'basin' }).wood).not.toContain('place.sunned-coves');
    expect(reasons({ sunned: 0.95, tempC: 12 }).wood).not.toContain('place.sunned-coves');
    expect(reasons({ sunned: null }).wood).not.toContain('place.sunned-coves');
  });
});
