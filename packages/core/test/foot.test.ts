import { buildDepthMap, dropFeet, LocalFrame, type DepthMap, type LonLat } from '../src/ground';
import { fishDepth } from '../src/outlook';
import { speciesTable } from '../src/fish';
import { usualProfile } from '../src/situation';

const frame = new LocalFrame(25, 61);
/** A round lake, 330 m across, whose depth goes by the distance from its middle. */
function round(...points: [outM: number, depthM: number][]): DepthMap {
  const ring: LonLat[] = Array.from({ length: 72 }, (_, k) => frame.toLonLat(165 * Math.cos((k * Math.PI) / 36), 165 * Math.sin((k * Math.PI) / 36)));
  const depth = (r: number) => {
    const k = points.findIndex(([outM]) => outM >= r);
    const [[ax, a], [bx, b]] = [points[k - 1], points[k]];
    return a + ((b - a) * (r - ax)) / (bx - ax);
  };
  const soundings = [];
  for (let x = -160; x <= 160; x += 16)
    for (let y = -160; y <= 160; y += 16) if (Math.hypot(x, y) < 160) soundings.push({ at: frame.toLonLat(x, y), depthM: depth(0.001 + Math.hypot(x, y)) });
  return buildDepthMap(ring, soundings);
}
const bench = round([0, 24.4], [60, 22], [95, 14], [110, 13.1], [122, 10], [150, 9.5], [165, 0.5]);

test('the foot of a drop lies where the fall eases, with its shelf behind and the basin in front, all round the lake', () => {
  const feet = dropFeet(bench);
  expect(feet.length).toBeGreaterThan(6);
  for (const { at, depthM, shelfM, frontM } of feet.slice(0, 4)) {
    expect(Math.hypot(...frame.toMetres(at))).toBeGreaterThan(100);
    expect(Math.hypot(...frame.toMetres(at))).toBeLessThan(120);
    expect(Math.abs(depthM - 13.1)).toBeLessThan(1);
    expect(Math.abs(shelfM - 9.9)).toBeLessThan(0.6);
    expect(frontM).toBeGreaterThan(22);
  }
});

test('a bowl, a flat pond and a drop straight onto the floor of the basin have none', () => {
  for (const lake of [round([0, 20], [40, 19], [80, 16], [120, 10], [165, 0.5]), round([0, 2.6], [165, 0.3]), round([0, 20], [100, 20], [120, 8], [165, 7])])
    expect(dropFeet(lake)).toEqual([]);
});

test('under ice the fish of the drop are looked for at its foot, others and other stages as before', () => {
  const profile = { ...usualProfile(0, 24, false), atMs: 0, iceClearM: 0.3, iceWhiteM: 0, snowM: 0, slushM: 0, thawDegreeH: 0, hoursAbove: 0 };
  for (const { id, group } of speciesTable)
    for (const stage of ['first ice', 'midwinter', 'late ice', 'open cold water'] as const) {
      const [with_, without] = [13.1, null].map((footM) => fishDepth(id, profile, { deepestM: 24, footM }, stage).look!);
      if (group !== 'deep' || stage === 'open cold water') expect(with_).toEqual(without);
      else {
        expect(with_.fromM).toBeLessThan(13.1);
        expect(with_.toM).toBeGreaterThanOrEqual(13.1);
        expect(with_.toM - with_.fromM).toBeLessThan(3);
      }
    }
});
