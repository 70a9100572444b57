import { DepthSurvey, thinnedRing, type LonLat } from '../src/ground';
import { seededRandom } from '../src/units';

const shore: LonLat[] = [[-140, 47], [-139.996, 47], [-139.996, 47.003], [-140, 47.003]]; // prettier-ignore

test.each([1, 2, 3])('from three soundings on there is a map, between bank and deepest, with its doubt (%d)', (seed) => {
  const random = seededRandom(seed);
  const soundings = [0.2, 0.5, 0.8].map((share) => ({ at: [-140 + 0.004 * share, 47.0005 + 0.002 * random()] as LonLat, depthM: 1 + 12 * random() }));
  const survey = new DepthSurvey(shore, soundings);
  const depths = [...survey.map.depthM].filter((d) => !Number.isNaN(d));
  const deepest = Math.max(...soundings.map((s) => s.depthM));
  expect(depths.length).toBeGreaterThan(1000);
  expect(Math.min(...depths)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...depths)).toBeLessThan(2 * deepest);
  for (const { at, depthM } of soundings) expect(Math.abs(survey.estimateAt(at).depthM - depthM)).toBeLessThan(0.35 * deepest);
  const most = Math.max(...[...survey.map.sdM].filter((s) => !Number.isNaN(s)));
  expect(survey.estimateAt(soundings[0].at).sdM).toBeLessThan(most);
  expect(() => new DepthSurvey(shore, soundings.slice(1))).toThrow(/at least 3 soundings/);
});

test('a shore of a thousand points is thinned to forty corners and keeps its area', () => {
  const ring = Array.from({ length: 1000 }, (_, i): LonLat => [
    -140 + 0.01 * Math.cos((i * Math.PI) / 500) * (1 + 0.2 * Math.sin((i * Math.PI) / 100)),
    47 + 0.006 * Math.sin((i * Math.PI) / 500),
  ]);
  const area = (r: readonly LonLat[]) => Math.abs(r.reduce((sum, [x, y], i) => sum + x * r[(i + 1) % r.length][1] - r[(i + 1) % r.length][0] * y, 0) / 2);
  const thin = thinnedRing(ring);
  expect(thin).toHaveLength(40);
  expect(Math.abs(area(thin) / area(ring) - 1)).toBeLessThan(0.02);
  for (const corner of thin) expect(ring).toContainEqual(corner);
  expect(thinnedRing([...ring.slice(0, 5), ring[0]])).toHaveLength(5);
});
