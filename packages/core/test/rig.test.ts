import fc from 'fast-check';
import { lineToPull, tipUpHeights, lineDepth, sinkTime, terminalSpeed } from '../src/rig';

test.each([
  [2, 'tungsten', 1.66],
  [5, 'lead', 1.65],
] as const)('a %d g sphere of %s sinks at %d m/s', (massG, material, expected) => {
  expect(Math.abs(terminalSpeed({ massG, material, shape: 'sphere' }) / expected - 1)).toBeLessThan(0.01);
});

test('sink time is longer with thicker line and deeper water, and never faster than terminal speed', () => {
  const lure = { massG: 2, material: 'tungsten', shape: 'sphere' } as const;
  expect(sinkTime(lure, 8, 0.25)).toBeGreaterThan(sinkTime(lure, 8, 0.1));
  expect(sinkTime(lure, 8, 0.1)).toBeGreaterThan(sinkTime(lure, 6, 0.1));
  expect(sinkTime(lure, 8, 0.1)).toBeGreaterThan(8 / terminalSpeed(lure));
});

test('without current the line hangs straight; with a heavy weight nearly so', () => {
  expect(lineDepth({ massG: 3, material: 'lead', shape: 'sphere' }, 0.2, 9, 0).depthM).toBeCloseTo(9, 6);
  expect(lineDepth({ massG: 500, material: 'tungsten', shape: 'sphere' }, 0.1, 9, 0.2).depthM).toBeGreaterThan(8.99);
});

test('current lifts a jig, the more the stronger', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 20, noNaN: true }), fc.double({ min: 0.05, max: 0.9, noNaN: true }), (massG, currentMs) => {
      const at = (u: number) => lineDepth({ massG, material: 'tungsten', shape: 'sphere' }, 0.15, 8, u);
      const slow = at(currentMs);
      expect(at(currentMs + 0.05).depthM).toBeLessThan(slow.depthM);
      expect(Math.hypot(slow.depthM, slow.setBackM)).toBeLessThanOrEqual(8 + 1e-9);
    }),
    { numRuns: 40 },
  );
});

test('unknown material or shape is named', () => {
  expect(() => terminalSpeed({ massG: 2, material: 'gold' as 'lead', shape: 'sphere' })).toThrow(/material must be one of/);
  expect(() => terminalSpeed({ massG: 0, material: 'lead', shape: 'sphere' })).toThrow(/lure mass must be/);
});

test('the line of a tip-up is the depth less the height, within the water', () => {
  expect(lineToPull(9.1, 0.3)).toBeCloseTo(8.8, 9);
  expect(tipUpHeights.startM).toBeGreaterThanOrEqual(0.3);
  expect(() => lineToPull(2, 2.5)).toThrow(/height over the bottom/);
  expect(() => lineToPull(0.2, 0.1)).toThrow(/bottom/);
});
