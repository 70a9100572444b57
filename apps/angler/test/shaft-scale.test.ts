import fc from 'fast-check';
import { depthOf, frameFor, rulerDepths, spreadLabels, viewFrame, wholeFrame, yOf } from '@/features/station/shaft/scale';

const mark = (depthM: number) => ({ id: 1, depthM, kind: 'fish' as const, levelDb: -38, riseMs: 0, ageMs: 1000 });

test('the frame holds jig, marks and bottom, and stands still while they fit', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1.5, max: 40, noNaN: true }),
      fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      fc.double({ min: 0.1, max: 0.95, noNaN: true }),
      (bottomM, jig, fish) => {
        const state = { t: 0, bottomM, jigM: jig * bottomM, marks: [mark(fish * bottomM)] };
        const frame = frameFor(state, state.jigM, null);
        for (const depthM of [state.jigM, state.marks[0].depthM, bottomM]) {
          expect(depthM).toBeGreaterThanOrEqual(frame.topM);
          expect(depthM).toBeLessThanOrEqual(frame.baseM);
        }
        expect(frameFor({ ...state, jigM: state.jigM + 0.01 }, state.jigM, frame)).toBe(frame);
      },
    ),
  );
});

test('pixels and depths go there and back', () => {
  const frame = { topM: 3.5, baseM: 8 };
  expect(depthOf(frame, 480, yOf(frame, 480, 6.2))).toBeCloseTo(6.2, 9);
});

test('labels never overlap, keep their order and stay on the picture', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -50, max: 600, noNaN: true }), { minLength: 1, maxLength: 6 }), (wanted) => {
      const placed = spreadLabels(wanted, 32, 400);
      const order = wanted.map((y, i) => ({ y, p: placed[i] })).sort((a, b) => a.y - b.y);
      for (let i = 1; i < order.length; i++) expect(Math.abs(order[i].p - order[i - 1].p)).toBeGreaterThanOrEqual(32 - 1e-9);
      for (const p of placed) {
        expect(p).toBeGreaterThanOrEqual(16 - 1e-9);
        expect(p).toBeLessThanOrEqual(384 + 1e-9);
      }
    }),
  );
});

test('the ruler counts in whole display units with room between', () => {
  const frame = { topM: 4, baseM: 8 };
  const feet = rulerDepths(frame, 480, 0.3048, 34);
  expect(feet.map((d) => d.label)).toEqual(['14', '15', '16', '17', '18', '19', '20', '21', '22', '23', '24', '25', '26']);
  for (let i = 1; i < feet.length; i++) expect(yOf(frame, 480, feet[i].depthM) - yOf(frame, 480, feet[i - 1].depthM)).toBeGreaterThanOrEqual(34);
});

test('a view shows the last metre over the bottom, or what is looked at, within the column', () => {
  const follow = { topM: 4, baseM: 8.15 };
  expect(viewFrame('follow', follow, 7.5)).toBe(follow);
  expect(viewFrame('bottom', follow, null)).toBe(follow);
  expect(viewFrame('bottom', follow, 7.5).topM).toBeCloseTo(6.5, 9);
  expect(viewFrame('bottom', follow, 0.6).topM).toBe(0);
  fc.assert(
    fc.property(fc.double({ min: -20, max: 40, noNaN: true }), (middleM) => {
      const { topM, baseM } = viewFrame({ middleM }, follow, 7.5);
      expect(baseM - topM).toBeCloseTo(follow.baseM - follow.topM, 9);
      expect(baseM).toBeLessThanOrEqual(follow.baseM + 1e-9);
      expect(topM).toBeGreaterThanOrEqual(-0.3 - 1e-9);
      if (middleM > 1.8 && middleM < 6) expect((topM + baseM) / 2).toBeCloseTo(middleM, 9);
    }),
  );
});

test('the strip leaves room above the ice for its thickness, however low or tall it is', () => {
  for (const height of [120, 236, 700]) {
    const whole = wholeFrame(8, height, 22);
    expect(yOf(whole, height, 0)).toBeCloseTo(22, 9);
    expect(yOf(whole, height, 8)).toBeCloseTo(height, 9);
  }
});
