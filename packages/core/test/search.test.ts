import { bisect, clamp, median, seededRandom } from '../src/units';

test('bisection finds where a condition turns, and the end of the span where it never does', () => {
  const random = seededRandom(5);
  for (let k = 0; k < 500; k++) {
    const [low, high] = [-10 * random(), 10 * random() + 0.1];
    const turns = low - 1 + (high - low + 2) * random();
    expect(bisect((v) => v < turns, low, high)).toBeCloseTo(clamp(turns, low, high), 9);
  }
});

test('the median parts a list in two, whatever its order, and leaves it as it was', () => {
  const random = seededRandom(6);
  for (let n = 1; n < 40; n++) {
    const values = Array.from({ length: n }, () => Math.round(20 * random()));
    const before = [...values];
    const m = median(values);
    expect(values.filter((v) => v < m).length).toBeLessThanOrEqual(n / 2);
    expect(values.filter((v) => v > m).length).toBeLessThanOrEqual(n / 2);
    expect(values).toEqual(before);
  }
  expect(median([4, 1, 3, 2])).toBe(2.5);
  expect(() => median([])).toThrow('expected at least one value');
});
