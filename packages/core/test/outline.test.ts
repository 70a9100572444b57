import fc from 'fast-check';
import { bearingDeg, compassPoint, LocalFrame, type LonLat } from '../src/ground';
import { Kriging } from '../src/ground/kriging';
import { isInside, pointsAlong, ringArea, ringOf } from '../src/ground/outline';
import { fitVariogram, gamma } from '../src/ground/variogram';
import { normal, seededRandom } from '../src/units';

const square = ringOf([
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
]);
const circle = ringOf(Array.from({ length: 360 }, (_, i) => [50 * Math.cos((i * Math.PI) / 180), 50 * Math.sin((i * Math.PI) / 180)] as const));

test('areas of a square and a circle, whichever way round they are drawn', () => {
  expect(ringArea(square)).toBe(10_000);
  expect(
    ringArea(
      ringOf([
        [0, 100],
        [100, 100],
        [100, 0],
        [0, 0],
      ]),
    ),
  ).toBe(10_000);
  expect(ringArea(circle) / (Math.PI * 2500)).toBeCloseTo(1, 3);
});

test('a closing point is left out, and two corners are no outline', () => {
  expect(
    ringOf([
      [0, 0],
      [1, 0],
      [0, 1],
      [0, 0],
    ]),
  ).toHaveLength(6);
  expect(() =>
    ringOf([
      [0, 0],
      [1, 1],
      [0, 0],
    ]),
  ).toThrow(/at least 3 corners, found 2/);
});

test('what is within a circle is inside, what is beyond it is not', () => {
  fc.assert(
    fc.property(fc.double({ min: -80, max: 80, noNaN: true }), fc.double({ min: -80, max: 80, noNaN: true }), (x, y) => {
      const r = Math.hypot(x, y);
      if (Math.abs(r - 50) > 0.1) expect(isInside(circle, x, y)).toBe(r < 50);
    }),
  );
});

test('a bay is outside', () => {
  const horseshoe = ringOf([
    [0, 0],
    [100, 0],
    [100, 100],
    [60, 100],
    [60, 40],
    [40, 40],
    [40, 100],
    [0, 100],
  ]);
  expect(isInside(horseshoe, 50, 70)).toBe(false);
  expect(isInside(horseshoe, 50, 20)).toBe(true);
  expect(isInside(horseshoe, 20, 70)).toBe(true);
});

test('points along the shore lie on it, no further apart than asked', () => {
  const points = pointsAlong(square, 7);
  for (let i = 0; i < points.length; i += 2) {
    const j = (i + 2) % points.length;
    expect(Math.hypot(points[i] - points[j], points[i + 1] - points[j + 1])).toBeLessThanOrEqual(7 + 1e-9);
    const onEdge = [points[i], points[i + 1]].some((v) => Math.abs(v) < 1e-9 || Math.abs(v - 100) < 1e-9);
    expect(onEdge).toBe(true);
  }
});

test('bearings and the eight points of the compass', () => {
  const here: LonLat = [-140, 47];
  const frame = new LocalFrame(...here);
  const toward = (x: number, y: number) => bearingDeg(here, frame.toLonLat(x, y));
  expect(toward(0, 100)).toBeCloseTo(0, 6);
  expect(toward(100, 0)).toBeCloseTo(90, 6);
  expect(toward(-100, -100)).toBeCloseTo(225, 6);
  expect([0, 44, 46, 180, 350, -45].map(compassPoint)).toEqual(['north', 'north-east', 'north-east', 'south', 'north', 'north-west']);
});

describe('variogram', () => {
  test('starts at nothing, rises, and stays at its sill', () => {
    const model = { model: 'spherical' as const, nugget: 0.1, sill: 2, rangeM: 50, rough: 0, roughM: 1 };
    expect(gamma(model, 0)).toBe(0);
    expect(gamma(model, 50)).toBeCloseTo(2.1, 9);
    expect(gamma(model, 500)).toBeCloseTo(2.1, 9);
    for (let h = 1; h < 60; h++) expect(gamma(model, h)).toBeGreaterThanOrEqual(gamma(model, h - 1));
  });

  test('of smooth depths has hardly a nugget, of noisy ones the noise', () => {
    const random = seededRandom(6);
    const xs = Array.from({ length: 400 }, () => 300 * random());
    const ys = Array.from({ length: 400 }, () => 300 * random());
    const smooth = xs.map((x, i) => 6 + 2 * Math.sin(x / 60) + Math.cos(ys[i] / 50));
    const noisy = smooth.map((z) => z + 0.5 * normal(random));
    const unexplained = (zs: number[]) => {
      const { nugget, rough } = fitVariogram(xs, ys, zs, 100);
      return nugget + rough;
    };
    const [quiet, loud] = [unexplained(smooth), unexplained(noisy)];
    // The spherical model rises straight where a smooth bed rises slowly, and so takes part of the noise for shape.
    expect(quiet).toBeLessThan(0.01);
    expect(loud).toBeGreaterThan(0.05);
    expect(loud).toBeLessThan(0.35);
  });
});

describe('kriging', () => {
  const random = seededRandom(12);
  const xs = Array.from({ length: 120 }, () => 200 * random());
  const ys = Array.from({ length: 120 }, () => 200 * random());
  const zs = xs.map((x, i) => 5 + 0.02 * x - 0.01 * ys[i]);
  const exact = { model: 'spherical' as const, nugget: 1e-4, sill: 3, rangeM: 120, rough: 0, roughM: 1 };
  const at = (kriging: Kriging, x: number, y: number) => {
    const out = { value: 0, sd: 0 };
    kriging.moveTo(x, y);
    kriging.estimate(x, y, out);
    return out;
  };

  test('honours its soundings and gives a plane back between them', () => {
    const kriging = new Kriging(xs, ys, zs, exact);
    for (const i of [3, 50, 99]) expect(at(kriging, xs[i], ys[i]).value).toBeCloseTo(zs[i], 2);
    expect(at(kriging, 100, 100).value).toBeCloseTo(6, 2);
  });

  test('is surer beside a sounding than far from all', () => {
    const kriging = new Kriging(xs, ys, zs, exact);
    expect(at(kriging, xs[3] + 0.5, ys[3]).sd).toBeLessThan(at(kriging, 400, 400).sd);
  });

  test('scales its spread to what leaving soundings out shows', () => {
    const rough = zs.map((z) => z + 0.4 * normal(random));
    const kriging = new Kriging(xs, ys, rough, { model: 'spherical', nugget: 1e-4, sill: 0.01, rangeM: 120, rough: 0, roughM: 1 });
    const before = at(kriging, 100, 100).sd;
    kriging.calibrate(xs.length);
    expect(at(kriging, 100, 100).sd).toBeGreaterThan(2 * before);
  });

  test('wants three soundings', () => {
    expect(() => new Kriging([0, 1], [0, 1], [1, 2], exact)).toThrow(/at least 3 soundings, found 2/);
  });
});
