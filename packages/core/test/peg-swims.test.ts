import fc from 'fast-check';
import { bedAt, freeDistanceM, plumbingPlan, suggestedSwims } from '../src/pole';

test('six distances from near the bank to the pole’s end; the far swim is the deepest, the near one lies three metres nearer', () => {
  expect(plumbingPlan(11)).toEqual([1, 3, 5, 7, 9, 11]);
  expect(suggestedSwims([{ outM: 2, depthM: 1 }], 11)).toBeNull();
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.3, max: 4, noNaN: true }), { minLength: 6, maxLength: 6 }), (depths) => {
      const plumbed = plumbingPlan(11).map((outM, k) => ({ outM, depthM: depths[k] }));
      const { nearM, farM } = suggestedSwims(plumbed, 11)!;
      expect(bedAt(plumbed, farM)!).toBeGreaterThanOrEqual(0.95 * Math.max(...depths) - 1e-9);
      if (nearM !== null) expect(farM - nearM).toBeGreaterThanOrEqual(3 - 1e-9);
    }),
  );
});

test('a third swim is offered where it has most room, a metre from the others at least wherever there is so much', () => {
  expect(freeDistanceM([5, 11], 11)).toBe(8);
  expect(freeDistanceM([2, 4], 12)).toBe(8);
  fc.assert(
    fc.property(fc.double({ min: 1, max: 12, noNaN: true }), fc.double({ min: 1, max: 12, noNaN: true }), (a, b) => {
      const out = freeDistanceM([a, b], 12);
      expect(out).toBeGreaterThanOrEqual(1);
      expect(out).toBeLessThanOrEqual(12);
      expect(Math.min(Math.abs(out - a), Math.abs(out - b))).toBeGreaterThanOrEqual(1);
    }),
  );
});
