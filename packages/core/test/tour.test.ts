import fc from 'fast-check';
import { lengthOf, shortTour, type Spot } from '../src/holes';
import { seededRandom } from '../src/units';

const scattered = (n: number, seed: number): Spot[] => {
  const random = seededRandom(seed);
  return Array.from({ length: n }, () => ({ x: 500 * random(), y: 500 * random() }));
};

/** Shortest walk by dynamic programming over subsets (Held & Karp 1962); open from place 0, or round. */
function optimum(spots: readonly Spot[], isClosed: boolean): number {
  const n = spots.length;
  const d = (a: number, b: number) => Math.hypot(spots[a].x - spots[b].x, spots[a].y - spots[b].y);
  const best = Array.from({ length: 1 << n }, () => new Float64Array(n).fill(Infinity));
  best[1][0] = 0;
  for (let set = 1; set < 1 << n; set += 2) {
    for (let last = 0; last < n; last++) {
      if (!(best[set][last] < Infinity)) continue;
      for (let next = 1; next < n; next++) {
        if (set & (1 << next)) continue;
        const grown = set | (1 << next);
        best[grown][next] = Math.min(best[grown][next], best[set][last] + d(last, next));
      }
    }
  }
  const all = best[(1 << n) - 1];
  return Math.min(...Array.from(all, (length, last) => length + (isClosed ? d(last, 0) : 0)));
}

test.each([false, true])('up to twelve places: within 3 %% of the exact optimum (closed: %s)', (isClosed) => {
  for (let seed = 1; seed <= 12; seed++) {
    const spots = scattered(4 + (seed % 9), seed);
    const { order, lengthM } = shortTour(spots, { isClosed, start: 0 });
    expect(order[0]).toBe(0);
    expect(lengthM / optimum(spots, isClosed)).toBeLessThanOrEqual(1.03);
  }
});

test.each([50, 100, 200])('%i places: within 3 %% of the best of long runs', (n) => {
  const spots = scattered(n, 100 + n);
  const long = Math.min(...[11, 12].map((seed) => shortTour(spots, { isClosed: true, seed, kicks: 120 }).lengthM));
  for (const seed of [1, 2, 3]) expect(shortTour(spots, { isClosed: true, seed }).lengthM / long).toBeLessThanOrEqual(1.03);
});

test('on a lattice the round is as long as it has places', () => {
  const spots = Array.from({ length: 100 }, (_, i) => ({ x: 10 * (i % 10), y: 10 * Math.floor(i / 10) }));
  expect(shortTour(spots, { isClosed: true }).lengthM / 1000).toBeLessThanOrEqual(1.03);
});

test('every place once, the length is that of the order, and an open walk is no longer than a round', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 1, max: 1000 }), (n, seed) => {
      const spots = scattered(n, seed);
      const open = shortTour(spots, { seed, kicks: 5 });
      expect([...open.order].sort((a, b) => a - b)).toEqual(spots.map((_, i) => i));
      expect(open.lengthM).toBeCloseTo(lengthOf(spots, open.order), 6);
      if (n > 2) expect(shortTour(spots, { seed, kicks: 40 }).lengthM).toBeLessThanOrEqual(shortTour(spots, { seed, isClosed: true, kicks: 40 }).lengthM + 1e-6);
    }),
    { numRuns: 60 },
  );
});

test('places on one another and a start that is none', () => {
  const same = Array.from({ length: 9 }, () => ({ x: 3, y: 4 }));
  expect(shortTour(same).lengthM).toBe(0);
  expect(() => shortTour(same, { start: 9 })).toThrow(/start of 0 to 8, found 9/);
});
