import fc from 'fast-check';
import { turnBack, turnBackText, windAgainst, type WayHome } from '../src/safety';
import { minuteMs, metric } from '../src/units';

const dusk = Date.UTC(2027, 0, 16, 17, 0);
const back = (homeM: number, by: WayHome = 'kayak', wind = 0, flow = 0) => turnBack(dusk, homeM, by, wind, flow);

test('job 19: the way home upstream, or into the wind, is begun sooner', () => {
  expect(back(900, 'kayak', 0, 0.3).atMs).toBeLessThan(back(900).atMs);
  expect(back(900, 'kayak', 8).atMs).toBeLessThan(back(900).atMs);
  expect(back(900, 'kayak', -8).atMs).toBe(back(900).atMs);
  expect(back(900, 'kayak', 0, -0.3).atMs).toBeGreaterThan(back(900).atMs);
});

test('at home it is half an hour before dark, and never later however far', () => {
  expect(back(0).atMs).toBe(dusk - 30 * minuteMs);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 20_000, noNaN: true }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (homeM, wind, flow) => {
        for (const by of ['kayak', 'boat', 'foot'] as const) {
          const { atMs, wayMin } = turnBack(dusk, homeM, by, wind, flow);
          expect(atMs).toBeLessThanOrEqual(dusk - 30 * minuteMs);
          expect(Number.isFinite(wayMin)).toBe(true);
          expect(turnBack(dusk, homeM + 100, by, wind, flow).atMs).toBeLessThan(atMs);
        }
      },
    ),
  );
});

test('the wind against is that from ahead; of an unknown quarter all of it', () => {
  expect(windAgainst(8, 0, 0)).toBeCloseTo(8, 9);
  expect(windAgainst(8, 180, 0)).toBeCloseTo(-8, 9);
  expect(windAgainst(8, null, 90)).toBe(8);
});

test('the words say when, and what it is made of; once it is past they say go', () => {
  const { atMs } = back(900);
  const said = (nowMs: number) => turnBackText(back(900), dusk, 900, nowMs, 'UTC', metric);
  expect(said(atMs - minuteMs)).toMatch(/^Turn back by 16:16: dark at 17:00, 900 m home in 14 min, half an hour to spare\.$/);
  expect(said(atMs)).toMatch(/^Go home now/);
});
