import { castSection, diveAlong, diveText } from '../src/casting';
import { buildDepthMap, LocalFrame, type LonLat } from '../src/ground';
import { diveDepthM, diveOver, divingAt } from '../src/rig';
import { metric } from '../src/units';

const measured = { depthM: 3, lineOutM: 30, lineMm: 0.3 };

test('depth grows as the root of the line out and falls as the root of its thickness, and is carried no further than three times', () => {
  expect(diveDepthM(measured, 30, 0.3)).toBe(3);
  expect(diveDepthM(measured, 15, 0.3)).toBeCloseTo(3 / Math.SQRT2, 6);
  expect(diveDepthM(measured, 30, 0.2)).toBeGreaterThan(3);
  expect(() => diveDepthM(measured, 120, 0.3)).toThrow('line out');
  expect([2, 3.2, 6].map((bed) => diveOver(3, bed))).toEqual(['roots', 'near the bottom', 'mid-water']);
});

test('on its way back it goes down from where it landed, runs, and rises to the rod', () => {
  const at = (outM: number) => divingAt(measured, 0.3, 30, outM);
  expect(at(30)).toBe(0);
  expect(at(24)).toBeCloseTo(diveDepthM(measured, 24, 0.3), 6);
  expect(at(27)).toBeCloseTo(diveDepthM(measured, 27, 0.3) / 2, 6);
  expect(at(5)).toBeCloseTo(diveDepthM(measured, 10, 0.3) / 2, 6);
  expect(at(0)).toBe(0);
  // A cast of ten times the measured line is carried no further than three times of it.
  expect(divingAt(measured, 0.3, 300, 200)).toBeCloseTo(diveDepthM(measured, 90, 0.3), 6);
});

/** A square lake of one depth. */
function basin(depthM: number) {
  const frame = new LocalFrame(20, 60);
  const corner = (x: number, y: number): LonLat => frame.toLonLat(x, y);
  const soundings = [-70, -35, 0, 35, 70].flatMap((x) => [-70, -35, 0, 35, 70].map((y) => ({ at: corner(x, y), depthM })));
  return buildDepthMap([corner(-100, -100), corner(100, -100), corner(100, 100), corner(-100, 100)], soundings, { shore: false });
}
const section = (depthM: number, dives = true) =>
  castSection(basin(depthM), [20, 60], 0, 30, { fromM: 2, toM: 4 }, { liftM: 0, takeM: 1, atM: null, dive: dives ? { measured, lineMm: 0.3 } : null });

test.each([
  [8, 'mid-water', /^It dives to 2\.7 m on this cast, by the figure you measured: 5\.3 m over the bottom, where they lie in the cold\. Tie on a bait that sinks/],
  [3.1, 'near the bottom', /: it runs near the bottom\.$/],
  [1.5, 'roots', /; from \d+ m out it roots on the bottom\.$/],
] as const)('over a bed of %f m: %s', (depthM, over, says) => {
  const cast = section(depthM);
  const dive = diveAlong(cast)!;
  expect(dive.over).toBe(over);
  expect(diveText(dive, null, metric)).toMatch(says);
  expect(cast.landsM).toBe(0);
  expect(Math.max(...cast.path.map((p) => p.depthM))).toBeLessThan(depthM + 0.05);
  // The same water without it: the bait falls to the bed.
  expect(section(depthM, false).landsM).toBeGreaterThan(depthM - 0.2);
});

test('over fish that hang in open water it is told by their depth', () => {
  const dive = diveAlong(section(8))!;
  expect(diveText(dive, 3.5, metric)).toMatch(/: mid-water, where they hang\.$/);
  expect(diveText(dive, 6, metric)).toMatch(/: 3\.3 m over the depth they hang at\. /);
});
