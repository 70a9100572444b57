import fc from 'fast-check';
import { waterDensity } from '../src/water';
import { Basin } from '../src/winter/basin';
import { mixUnstable } from '../src/winter/convection';
import { Diffusion } from '../src/winter/diffusion';
import { coneHypsography } from '../src/winter';

const column = fc.array(
  fc.record({ tempC: fc.double({ min: 0, max: 12, noNaN: true }), oxygen: fc.double({ min: 0, max: 14, noNaN: true }), m3: fc.double({ min: 10, max: 1000, noNaN: true }) }),
  {
    minLength: 2,
    maxLength: 40,
  },
);
const arrays = (rows: { tempC: number; oxygen: number; m3: number }[]) => ({
  tempC: Float64Array.from(rows, (r) => r.tempC),
  oxygen: Float64Array.from(rows, (r) => r.oxygen),
  m3: Float64Array.from(rows, (r) => r.m3),
});
const weighed = (values: Float64Array, m3: Float64Array) => values.reduce((sum, v, i) => sum + v * m3[i], 0);

test('mixing leaves any column stable, with its heat and oxygen', () => {
  fc.assert(
    fc.property(column, (rows) => {
      const { tempC, oxygen, m3 } = arrays(rows);
      const [heat, gas] = [weighed(tempC, m3), weighed(oxygen, m3)];
      mixUnstable(tempC, oxygen, m3, 0, m3[0], tempC.length);
      for (let i = 1; i < tempC.length; i++) expect(waterDensity(tempC[i])).toBeGreaterThanOrEqual(waterDensity(tempC[i - 1]) - 1e-9);
      expect(weighed(tempC, m3)).toBeCloseTo(heat, 6);
      expect(weighed(oxygen, m3)).toBeCloseTo(gas, 6);
    }),
  );
});

test('mixing twice changes nothing more, and a stable column not at all', () => {
  fc.assert(
    fc.property(column, (rows) => {
      const { tempC, oxygen, m3 } = arrays(rows);
      mixUnstable(tempC, oxygen, m3, 0, m3[0], tempC.length);
      const [once, gas] = [tempC.slice(), oxygen.slice()];
      mixUnstable(tempC, oxygen, m3, 0, m3[0], tempC.length);
      expect(tempC).toEqual(once);
      expect(oxygen).toEqual(gas);
    }),
  );
});

test('oxygen stays where it lies below the depth that is turned over', () => {
  const tempC = Float64Array.of(3, 2, 1, 3.9);
  const oxygen = Float64Array.of(12, 10, 8, 1);
  const m3 = Float64Array.of(4, 3, 2, 1);
  mixUnstable(tempC, oxygen, m3, 0, 4, 2);
  expect(tempC[0]).toBe(tempC[2]);
  expect(oxygen[0]).toBe(oxygen[1]);
  expect(oxygen[2]).toBe(8);
});

const count = 40;
const layerM = 0.25;
const even = new Float64Array(count + 1).fill(1000);
const volumes = new Float64Array(count).fill(1000 * layerM);

test('diffusion in a vessel with closed ends lets a half wave decay as it must, and keeps what there is', () => {
  const diffusivity = new Float64Array(count + 1).fill(1e-6);
  const depth = count * layerM;
  const x = Float64Array.from({ length: count }, (_, i) => 5 + Math.cos((Math.PI * (i + 0.5)) / count));
  const total = weighed(x, volumes);
  const flow = new Diffusion(count, layerM, even, volumes);
  const steps = 24 * 60;
  for (let s = 0; s < steps; s++) flow.step(x, new Float64Array(count), 0, layerM, volumes[0], diffusivity, 1, 0, 3600);
  expect(weighed(x, volumes)).toBeCloseTo(total, 4);
  const expected = Math.exp(-1e-6 * (Math.PI / depth) ** 2 * steps * 3600);
  expect((x[0] - x[count - 1]) / 2 / Math.cos(Math.PI / (2 * count))).toBeCloseTo(expected, 2);
});

test('what is kept of an elimination gives the same as eliminating anew, as the top layer grows and shrinks', () => {
  const basin = new Basin(coneHypsography(10, 90_000), layerM, count);
  const diffusivity = new Float64Array(count + 1).fill(7e-7);
  const kept = new Diffusion(count, layerM, basin.areas, basin.volumes);
  const [x, y] = [0, 1].map(() => Float64Array.from({ length: count }, (_, i) => i / 10));
  const source = new Float64Array(count).fill(3);
  [0, 0, 1, 1, 2, 1, 0, 3].forEach((first, k) => {
    const firstM = layerM * (0.6 + 0.1 * (k % 5));
    const m3 = basin.volumeBetween(first + 1 - firstM / layerM, first + 1);
    kept.step(x, source, first, firstM, m3, diffusivity, 1, 20, 3600);
    new Diffusion(count, layerM, basin.areas, basin.volumes).step(y, source, first, firstM, m3, diffusivity, 1, 20, 3600);
    for (let i = first; i < count; i++) expect(x[i]).toBeCloseTo(y[i], 12);
  });
});

test('a basin’s layers add up to the whole, its bed to its surface', () => {
  const basin = new Basin(coneHypsography(10, 90_000), layerM, count);
  const sum = (values: Float64Array) => values.reduce((a, b) => a + b, 0);
  expect(sum(basin.volumes)).toBeCloseTo(basin.volumeBetween(0, count), 6);
  expect(basin.volumeBetween(2.5, 7)).toBeCloseTo(basin.volumeBetween(2.5, 4.1) + basin.volumeBetween(4.1, 7), 6);
  expect(sum(basin.bedM2)).toBeCloseTo(90_000, 6);
  expect(basin.areaAt(0)).toBe(90_000);
  expect(basin.areaAt(5)).toBeCloseTo(22_500, 0);
});
