import { buildDepthMap, findFeatures, LocalFrame, type LonLat } from '../src/ground';
import {
  chooseHole,
  densityLimits,
  FishDensity,
  memoryOf,
  nextHole,
  PlaceScore,
  placeRules,
  scanPlan,
  type DensityPrior,
  type HoleResult,
  type NextHoleSetting,
  type PlaceSetting,
} from '../src/holes';
import { betaDraw, gammaDraw, metric, seededRandom } from '../src/units';

/** A lake of 400 m with one good half. */
const prior: DensityPrior = {
  x0: 0,
  y0: 0,
  cellM: 10,
  nx: 40,
  ny: 40,
  perHour: Float32Array.from({ length: 1600 }, (_, c) => (c % 40 === 0 ? NaN : c % 40 >= 20 ? 3 : 1)),
};
const hole = (x: number, y: number, minutes: number, visits: number, agoMin = 0): HoleResult => ({ x, y, minutes, visits, agoMin });

describe('density of fish', () => {
  test('is the prior where nothing was done, and nothing outside the water', () => {
    const density = new FishDensity(prior, []);
    expect(density.perHourAt(300, 100)).toBeGreaterThan(density.perHourAt(100, 100));
    expect(density.perHourAt(0, 100)).toBeNaN();
    expect(density.perHourAt(900, 100)).toBeNaN();
    expect(density.belief).toBeCloseTo(0.5, 6);
  });

  test('at a hole is the Gamma–Poisson mean by hand, for a flat prior', () => {
    const flat = { ...prior, perHour: prior.perHour.map((p) => (Number.isNaN(p) ? NaN : 2)) };
    const density = new FishDensity(flat, [hole(200, 200, 30, 4)]);
    // The water as a whole: 4 seen where 1 was expected, against the prior's own level. Then (0.6 + 4) / (0.6 + expected) × that.
    const level = (4 + densityLimits.levelVisits) / (1 + densityLimits.levelVisits);
    expect(density.perHourAt(200, 200)).toBeCloseTo((2 * level * (densityLimits.shape + 4)) / (densityLimits.shape + level), 3);
    expect(density.perHourAt(300, 300)).toBeCloseTo(2 * level, 3);
  });

  test('empty minutes count against a place and its surroundings, old ones hardly', () => {
    const at = (results: HoleResult[], x = 300) => new FishDensity(prior, results).perHourAt(x, 200) / new FishDensity(prior, results).perHourAt(390, 390);
    expect(at([hole(300, 200, 20, 0)])).toBeLessThan(0.5 * at([]));
    expect(at([hole(300, 200, 20, 0)], 320)).toBeGreaterThan(at([hole(300, 200, 20, 0)]));
    expect(at([hole(300, 200, 20, 0, 300)])).toBeGreaterThan(0.8 * at([]));
    expect(memoryOf(0)).toBeCloseTo(1, 9);
    expect(memoryOf(3 * 1440)).toBeGreaterThan(0.1);
    expect(memoryOf(60)).toBeGreaterThan(memoryOf(180));
  });

  test('the rulebook loses belief where its good half is empty and its poor half is not', () => {
    const against = Array.from({ length: 6 }, (_, k) => [hole(250 + 20 * k, 60 * k, 25, 0), hole(40 + 20 * k, 60 * k, 25, 2)]).flat();
    const forIt = Array.from({ length: 6 }, (_, k) => [hole(250 + 20 * k, 60 * k, 25, 3), hole(40 + 20 * k, 60 * k, 25, 0)]).flat();
    expect(new FishDensity(prior, against).belief).toBeLessThan(0.25);
    expect(new FishDensity(prior, forIt).belief).toBeGreaterThan(0.6);
  });

  test('draws have the mean and spread of their distribution', () => {
    for (const shape of [0.6, 1, 4.5]) {
      const random = seededRandom(3);
      const draws = Array.from({ length: 20_000 }, () => gammaDraw(shape, random));
      const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
      const variance = draws.reduce((a, b) => a + (b - mean) ** 2, 0) / draws.length;
      expect(Math.abs(mean / shape - 1)).toBeLessThan(0.03);
      expect(Math.abs(variance / shape - 1)).toBeLessThan(0.08);
    }
  });
});

test('Beta draws have their mean', () => {
  const random = seededRandom(5);
  const draws = Array.from({ length: 20_000 }, () => betaDraw(3, 1, random));
  expect(draws.reduce((a, b) => a + b, 0) / draws.length).toBeCloseTo(0.75, 2);
});

describe('next hole', () => {
  const setting: NextHoleSetting = { from: { x: 200, y: 200 }, drilled: [{ x: 200, y: 200 }], spacingM: 8, walkMPerMin: 50, drillMin: 2, stayMin: 15, explore: 0, seed: 1 };

  test('is near in the good half, never too close to another, and the same for the same seed', () => {
    const next = nextHole(prior, [], setting)!;
    expect(next.x).toBeGreaterThanOrEqual(200);
    expect(next.walkM).toBeGreaterThanOrEqual(8);
    expect(next.walkM).toBeLessThan(30);
    expect(nextHole(prior, [], { ...setting, explore: 0.5, seed: 9 })).toEqual(nextHole(prior, [], { ...setting, explore: 0.5, seed: 9 }));
  });

  test('goes beside a hole that was alive, away from one that was dead', () => {
    const alive = nextHole(prior, [hole(200, 200, 20, 6)], setting)!;
    const dead = nextHole(prior, [hole(200, 200, 40, 0)], setting)!;
    expect(alive.walkM).toBeLessThan(20);
    expect(dead.walkM).toBeGreaterThan(alive.walkM);
    expect(alive.perHour).toBeGreaterThan(dead.perHour);
  });

  test('pays for the way: a far better place is worth a walk, a little better one is not', () => {
    const rich = { ...prior, perHour: prior.perHour.map((p, c) => (Math.floor(c / 40) > 35 ? 12 : p)) };
    expect(nextHole(rich, [], setting)!.y).toBeGreaterThan(350);
    expect(nextHole(rich, [], { ...setting, walkMPerMin: 3 })!.y).toBeLessThan(350);
  });

  test('goes back to a rested hole that gave fish, and not through barred ice', () => {
    const drilled = [
      { x: 200, y: 200 },
      { x: 320, y: 200 },
    ];
    const results = [hole(320, 200, 30, 9, 50), hole(200, 200, 25, 0)];
    const back = chooseHole(new FishDensity(prior, results), { ...setting, drilled, spacingM: 60, isBarred: (s) => s.x !== 320 })!;
    expect(back).toMatchObject({ x: 320, isRevisit: true });
    const barred = nextHole(prior, [], { ...setting, isBarred: (s) => s.x > 150 })!;
    expect(barred.x).toBeLessThanOrEqual(150);
    expect(nextHole(prior, [], { ...setting, isBarred: () => true })).toBeNull();
  });
});

const frame = new LocalFrame(-140, 47);
const shore: LonLat[] = Array.from({ length: 72 }, (_, i) => frame.toLonLat(300 * Math.cos((i * Math.PI) / 36), 300 * Math.sin((i * Math.PI) / 36)));
const random = seededRandom(5);
const soundings: { at: LonLat; depthM: number }[] = [];
while (soundings.length < 400) {
  const [x, y] = [(random() - 0.5) * 600, (random() - 0.5) * 600];
  if (Math.hypot(x, y) < 294)
    soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.1, 12 * (1 - (x * x + y * y) / 90_000) - 5 * Math.exp(-(((x - 60) / 45) ** 2) - ((y - 40) / 45) ** 2)) });
}
const map = buildDepthMap(shore, soundings, { cells: 100 });
const features = findFeatures(map);
const midwinter: PlaceSetting = { group: 'panfish', stage: 'midwinter', look: { fromM: 8, toM: 11.5 }, phase: 'steady', inflows: [], cover: [], isPressed: false };

describe('places', () => {
  const score = new PlaceScore(map, features, midwinter);
  const value = (x: number, y: number, s = score) => new FishDensity(s.prior, []).perHourAt(...s.frame.toMetres(frame.toLonLat(x, y)));

  test('midwinter panfish: the basin before the shallows, with the rule and the depth as reasons', () => {
    expect(value(-20, -15)).toBeGreaterThan(10 * value(230, 0));
    const reasons = score.reasonsAt(frame.toLonLat(-20, -15), metric);
    expect(reasons.map((r) => r.ruleId)).toEqual(expect.arrayContaining(['place.wintering-basin', 'place.depth-band']));
    expect(reasons.find((r) => r.ruleId === 'place.depth-band')!.text).toBe('Deep enough for where they are looked for, 8 m to 11.5 m.');
    expect(score.reasonsAt(frame.toLonLat(230, 0), metric)[0].text).toMatch(/^Too shallow/);
    expect(score.reasonsAt(frame.toLonLat(900, 0), metric)).toEqual([]);
  });

  test('first ice and late ice look elsewhere than midwinter', () => {
    const late = new PlaceScore(map, features, { ...midwinter, stage: 'late ice', look: { fromM: 2, toM: 6 }, inflows: [frame.toLonLat(-250, 0)] });
    expect(value(-230, 0, late)).toBeGreaterThan(value(-230, 0));
    expect(late.reasonsAt(frame.toLonLat(-240, 0), metric).some((r) => r.text.includes('Ice is thin there first'))).toBe(true);
  });

  test('on pressed water the wall beside a point, else its end', () => {
    const at = frame.toLonLat(0, -150);
    const point = { kind: 'point' as const, at, depthM: 8, reliefM: 2, confidence: 1, side: 'south' };
    const setting = { ...midwinter, group: 'deep' as const, look: null };
    const [open, pressed] = [false, true].map((isPressed) => new PlaceScore(map, [point], { ...setting, isPressed }));
    expect(value(0, -150, open)).toBeGreaterThan(value(75, -150, open));
    expect(value(75, -150, pressed)).toBeGreaterThan(value(0, -150, pressed));
    expect(pressed.reasonsAt(frame.toLonLat(75, -150), metric)[0].ruleId).toBe('place.points.sides');
  });

  test('every rule has an id of its own and a reason', () => {
    expect(new Set(placeRules.map((r) => r.id)).size).toBe(placeRules.length);
    for (const rule of placeRules) expect(rule.reason.endsWith('.')).toBe(true);
  });
});

describe('scan plan', () => {
  const { prior: places } = new PlaceScore(map, features, midwinter);
  const request = { count: 8, spacingM: 20, walkM: 1200, start: { x: 0, y: -280 } };
  const apart = (holes: readonly { x: number; y: number }[]) => Math.min(...holes.flatMap((a, i) => holes.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y))));

  test('free: eight holes where the fish are, apart, in a short walk, and more of the fish than a grid', () => {
    const free = scanPlan(map, places, { ...request, kind: 'free' });
    expect(free.holes).toHaveLength(8);
    expect(apart(free.holes)).toBeGreaterThanOrEqual(20 - 1e-6);
    expect(free.walkM).toBeLessThanOrEqual(1200);
    const grid = scanPlan(map, places, { ...request, kind: 'grid', about: { x: 100, y: 100 } });
    expect(free.covered).toBeGreaterThan(grid.covered);
  });

  test('takes only the walk one is ready for', () => {
    const short = scanPlan(map, places, { ...request, kind: 'free', walkM: 320 });
    expect(short.walkM).toBeLessThanOrEqual(320);
    expect(short.holes.length).toBeGreaterThan(0);
    expect(short.covered).toBeLessThan(scanPlan(map, places, { ...request, kind: 'free' }).covered);
  });

  test('a line runs along the fall of the bed, a ring keeps its depth round the hump, a grid is square', () => {
    const line = scanPlan(map, places, { ...request, kind: 'line', count: 5, spacingM: 12, about: { x: -180, y: 0 } });
    expect(line.holes.every((h) => Math.abs(h.y) < 12)).toBe(true);
    const ring = scanPlan(map, places, { ...request, kind: 'ring', about: { x: 60, y: 40 }, ringDepthM: 8 });
    for (const h of ring.holes) expect(Math.hypot(h.x - 60, h.y - 40)).toBeLessThan(80);
    expect(ring.holes.length).toBe(8);
    expect(apart(scanPlan(map, places, { ...request, kind: 'grid', count: 9, about: { x: 0, y: 0 } }).holes)).toBeCloseTo(20, 6);
  });

  test('not through barred ice, and impossible wishes are said', () => {
    const west = scanPlan(map, places, { ...request, kind: 'free', isBarred: (s) => s.x > -30 });
    expect(west.holes.every((h) => h.x <= -30)).toBe(true);
    expect(() => scanPlan(map, places, { ...request, kind: 'free', count: 0 })).toThrow(/1 to 60 holes, found 0/);
    expect(() => scanPlan(map, places, { ...request, kind: 'ring' })).toThrow(/a ring of holes needs a middle/);
  });
});
