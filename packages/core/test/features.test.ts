import { readFileSync } from 'node:fs';
import path from 'node:path';
import { outlineOf, parseWaterFile, soundingsOf } from '../../contract/src/formats';
import { buildDepthMap, findFeatures, LocalFrame, type FeatureKind, type GroundFeature, type LonLat } from '../src/ground';
import { seededRandom } from '../src/units';

const frame = new LocalFrame(-140, 47);
const rim = 300;
const shore: LonLat[] = Array.from({ length: 72 }, (_, i) => frame.toLonLat(rim * Math.cos((i * Math.PI) / 36), rim * Math.sin((i * Math.PI) / 36)));

/** Features of a made-up round water from soundings at chance places, good to ±5 cm. */
function survey(bed: (x: number, y: number) => number, seed: number, count = 400): GroundFeature[] {
  const random = seededRandom(seed);
  const soundings: { at: LonLat; depthM: number }[] = [];
  while (soundings.length < count) {
    const [x, y] = [(random() - 0.5) * 2 * rim, (random() - 0.5) * 2 * rim];
    if (Math.hypot(x, y) < rim - 6) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.1, bed(x, y)) + 0.1 * (random() - 0.5) });
  }
  return findFeatures(buildDepthMap(shore, soundings, { cells: 120 }));
}

const paraboloid = (x: number, y: number) => 12 * (1 - (x * x + y * y) / rim ** 2);
const bell = (x: number, y: number, cx: number, cy: number, r: number) => Math.exp(-(((x - cx) / r) ** 2) - ((y - cy) / r) ** 2);
const kindsOf = (features: readonly GroundFeature[]) => [...new Set(features.map((f) => f.kind))].sort();
const ofKind = (features: readonly GroundFeature[], kind: FeatureKind) => features.filter((f) => f.kind === kind);

/** Distance of the nearest of a kind from a place in the frame, m. */
const missM = (features: readonly GroundFeature[], kind: FeatureKind, x: number, y: number) =>
  Math.min(
    ...ofKind(features, kind).map((f) => {
      const [fx, fy] = frame.toMetres(f.at);
      return Math.hypot(fx - x, fy - y);
    }),
  );

test.each([1, 2, 3])('a plain bowl is a basin and nothing else (soundings %i)', (seed) => {
  const features = survey(paraboloid, seed);
  expect(features.map((f) => f.kind)).toEqual(['basin']);
  expect(missM(features, 'basin', 0, 0)).toBeLessThan(30);
  expect(features[0].depthM).toBeCloseTo(12, 0);
});

test('so is a cone', () => {
  expect(kindsOf(survey((x, y) => 12 * (1 - Math.hypot(x, y) / rim), 4))).toEqual(['basin']);
});

test('a bowl with a hump', () => {
  const features = survey((x, y) => paraboloid(x, y) - 5 * bell(x, y, 60, 40, 45), 5);
  expect(kindsOf(features)).toEqual(['basin', 'hump']);
  expect(ofKind(features, 'hump')).toHaveLength(1);
  expect(missM(features, 'hump', 60, 40)).toBeLessThan(12);
  expect(ofKind(features, 'hump')[0].confidence).toBeGreaterThan(0.9);
});

test('two basins and the saddle between them', () => {
  const features = survey((x, y) => Math.min(0.9 * paraboloid(x, y), 3 + 7 * bell(x, y, -120, 0, 80) + 5.5 * bell(x, y, 120, 20, 75)), 6);
  expect(ofKind(features, 'basin')).toHaveLength(2);
  expect(missM(features, 'basin', -120, 0)).toBeLessThan(20);
  expect(missM(features, 'basin', 120, 20)).toBeLessThan(20);
  expect(ofKind(features, 'saddle')).toHaveLength(1);
  expect(missM(features, 'saddle', 0, 12)).toBeLessThan(35);
});

test('a bowl with a steep rim and a point: the drop runs all round, the point is where it is', () => {
  const wall = (r: number) => (r < 190 ? 11 : r < 230 ? 11 - ((r - 190) / 40) * 8 : (3 * (rim - r)) / 70);
  const tongue = (x: number, y: number) => (4.5 * Math.exp(-((y / 35) ** 2))) / (1 + Math.exp((x + 110) / 18));
  const features = survey((x, y) => Math.min(wall(Math.hypot(x, y)), paraboloid(x, y) + 1) - tongue(x, y), 7, 600);
  expect(missM(features, 'point', -125, 0)).toBeLessThan(45);
  expect(ofKind(features, 'hump')).toHaveLength(0);
  const bases = ofKind(features, 'drop-base');
  expect(bases.length).toBeGreaterThan(4);
  for (const base of bases) {
    expect(Math.hypot(...frame.toMetres(base.at))).toBeGreaterThan(170);
    expect(Math.hypot(...frame.toMetres(base.at))).toBeLessThan(235);
  }
});

test.each([undefined, 100, 160])('Tamber Lake: two basins, a saddle, a hump, a point and a drop (%s cells)', (cells) => {
  const file = parseWaterFile(readFileSync(path.join(__dirname, '../../../demo/tamber-lake.geojson'), 'utf8'));
  const features = findFeatures(buildDepthMap(outlineOf(file), soundingsOf(file), { cells }));
  expect(ofKind(features, 'basin').map((f) => Math.round(f.depthM))).toEqual([13, 8]);
  expect(kindsOf(features)).toEqual(expect.arrayContaining(['basin', 'drop-base', 'drop-top', 'hump', 'point', 'saddle']));
  expect(missM(features, 'hump', 20, 130)).toBeLessThan(20);
  expect(missM(features, 'point', 10, -200)).toBeLessThan(50);
  expect(ofKind(features, 'drop-base')[0].side).toMatch(/east/);
});
