import fc from 'fast-check';
import {
  bandMoved,
  buildDepthMap,
  contourDepths,
  contourLines,
  depthAt,
  DepthSurvey,
  distanceM,
  LocalFrame,
  plumbedSoundings,
  soundingSourceText,
  wayText,
  type LonLat,
  type Sounding,
} from '../src/ground';
import { metric, normal, seededRandom } from '../src/units';

const frame = new LocalFrame(-140, 47);
const square: LonLat[] = [
  [-300, -300],
  [300, -300],
  [300, 300],
  [-300, 300],
].map(([x, y]) => frame.toLonLat(x, y));

function sampled(bed: (x: number, y: number) => number, count: number, seed: number, edge = 290): (Sounding & { x: number; y: number })[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => {
    const [x, y] = [(random() - 0.5) * 2 * edge, (random() - 0.5) * 2 * edge];
    return { at: frame.toLonLat(x, y), depthM: bed(x, y), x, y };
  });
}

const plane = (x: number, y: number) => 8 + 0.01 * x - 0.006 * y;
const bowl = (x: number, y: number) => 14 - (x * x + y * y) / 12_000;

test.each([
  ['plane', plane],
  ['paraboloid', bowl],
])('a %s comes back: RMSE ≤ 0.5 % and worst ≤ 2 % of its range', (_, bed) => {
  const map = buildDepthMap(square, sampled(bed, 500, 3), { shore: false, cells: 60 });
  const range = Math.max(...map.depthM.filter((d) => !Number.isNaN(d))) - Math.min(...map.depthM.filter((d) => !Number.isNaN(d)));
  let sum = 0;
  let n = 0;
  let worst = 0;
  for (let c = 0; c < map.depthM.length; c++) {
    const [x, y] = [map.x0 + (c % map.nx) * map.cellM, map.y0 + Math.floor(c / map.nx) * map.cellM];
    // Within the soundings; beyond them nothing was measured.
    if (Number.isNaN(map.depthM[c]) || Math.abs(x) > 270 || Math.abs(y) > 270) continue;
    const error = Math.abs(map.depthM[c] - bed(x, y));
    sum += error ** 2;
    worst = Math.max(worst, error);
    n++;
  }
  expect(Math.sqrt(sum / n) / range).toBeLessThan(0.005);
  expect(worst / range).toBeLessThan(0.02);
});

const rough = (x: number, y: number) => 7 + 3 * Math.sin(x / 70) * Math.cos(y / 90) + 1.5 * Math.sin((x + y) / 45);

test('at held-out soundings the error is at most 0.7 of inverse-distance weighting, and the spread is honest', () => {
  const all = sampled(rough, 600, 8, 280);
  const known = all.slice(0, 420);
  const held = all.slice(420).filter((s) => Math.abs(s.x) < 260 && Math.abs(s.y) < 260);
  const map = buildDepthMap(square, known, { shore: false, cells: 160 });
  let kriged = 0;
  let weighted = 0;
  let covered = 0;
  for (const s of held) {
    const { depthM, sdM } = depthAt(map, s.at)!;
    kriged += (depthM - s.depthM) ** 2;
    if (Math.abs(depthM - s.depthM) <= 2 * sdM) covered++;
    const near = known
      .map((k) => ({ d2: (k.x - s.x) ** 2 + (k.y - s.y) ** 2, depthM: k.depthM }))
      .sort((a, b) => a.d2 - b.d2)
      .slice(0, 12);
    const weight = near.reduce((w, k) => w + 1 / k.d2, 0);
    weighted += (near.reduce((z, k) => z + k.depthM / k.d2, 0) / weight - s.depthM) ** 2;
  }
  expect(Math.sqrt(kriged / weighted)).toBeLessThanOrEqual(0.7);
  expect(covered / held.length).toBeGreaterThanOrEqual(0.9);
});

/** A random field: many waves of all directions with lengths about `lengthM`. */
function field(seed: number, lengthM: number): (x: number, y: number) => number {
  const random = seededRandom(seed);
  const waves = Array.from({ length: 40 }, () => ({ k: (2 * Math.PI * (0.6 + 0.8 * random())) / lengthM, a: 2 * Math.PI * random(), p: 2 * Math.PI * random() }));
  return (x, y) => 8 + waves.reduce((sum, w) => sum + Math.sin(w.k * (x * Math.cos(w.a) + y * Math.sin(w.a)) + w.p), 0) / 2.5;
}

test.each([
  ['smooth', 420, 1],
  ['smooth', 420, 2],
  ['middling', 200, 3],
  ['rough', 110, 4],
  ['rough', 110, 5],
])('on a %s random field (waves of %i m, seed %i) 90–99 %% of held-out soundings lie within two of its spreads, and the spread is no excuse', (_, lengthM, seed) => {
  const bed = field(seed, lengthM);
  const random = seededRandom(seed + 70);
  const all = sampled((x, y) => bed(x, y) + 0.06 * normal(random), 900, seed + 40, 285);
  const map = buildDepthMap(square, all.slice(0, 450), { shore: false, cells: 200 });
  const held = all.slice(450).filter((s) => Math.abs(s.x) < 265 && Math.abs(s.y) < 265);
  let [covered, square2, sd] = [0, 0, 0];
  for (const s of held) {
    const here = depthAt(map, s.at)!;
    covered += Math.abs(here.depthM - s.depthM) <= 2 * here.sdM ? 1 : 0;
    square2 += (here.depthM - s.depthM) ** 2;
    sd += here.sdM;
  }
  expect(covered / held.length).toBeGreaterThanOrEqual(0.9);
  expect(covered / held.length).toBeLessThanOrEqual(0.99);
  expect(sd / held.length / Math.sqrt(square2 / held.length)).toBeLessThanOrEqual(3);
});

test('one sounding more changes the map near it as building it anew does, and nothing far off', () => {
  const soundings = sampled(bowl, 300, 15, 280);
  const survey = new DepthSurvey(square, soundings, { cells: 90 });
  const { soundings: count } = survey.map;
  const before = survey.map.depthM.slice();
  const at = frame.toLonLat(-70, 55);
  survey.add({ at, depthM: bowl(-70, 55) - 2 });
  expect(depthAt(survey.map, at)!.depthM).toBeLessThan(bowl(-70, 55) - 1);
  const far = survey.map.depthM.filter(
    (d, c) =>
      Math.abs(d - before[c]) > 1e-6 &&
      Math.hypot(survey.map.x0 + (c % survey.map.nx) * survey.map.cellM + 70, survey.map.y0 + Math.floor(c / survey.map.nx) * survey.map.cellM - 55) > 150,
  );
  expect(far).toHaveLength(0);
  expect(survey.map.soundings).toBe(count + 1);
});

test('one odd sounding on a smooth bed is honoured and does not make the rest unsure', () => {
  const soundings = sampled(bowl, 300, 21, 285);
  const meanSd = (map: { sdM: Float32Array }) => {
    const known = map.sdM.filter((sd) => !Number.isNaN(sd));
    return known.reduce((sum, sd) => sum + sd, 0) / known.length;
  };
  const at = frame.toLonLat(60, -40);
  const plain = buildDepthMap(square, soundings, { shore: false, cells: 60 });
  const odd = buildDepthMap(square, [...soundings, { at, depthM: bowl(60, -40) - 2 }], { shore: false, cells: 60 });
  expect(depthAt(odd, at)!.depthM).toBeLessThan(bowl(60, -40) - 0.6);
  expect(meanSd(odd) - meanSd(plain)).toBeLessThan(0.35);
});

test('soundings that contradict each other do not throw the map past all of them, and what they leave open is said', () => {
  const random = seededRandom(6);
  const odd = sampled(() => 4, 300, 7).map((s) => ({ ...s, depthM: 4 + 3 * random() }));
  const survey = new DepthSurvey(square, sampled(bowl, 300, 3), { cells: 80 });
  for (const sounding of odd) survey.add(sounding);
  // The bowl is 14 m deep.
  expect(survey.map.deepest.depthM).toBeLessThan(14 + 0.5 * 14);
  const built = new DepthSurvey(square, [...sampled(bowl, 300, 3), ...odd], { cells: 80 });
  expect(built.map.deepest.depthM).toBeLessThan(18);
  // Fitted anew the map knows how little it knows.
  const spreads = built.map.sdM.filter((sd) => !Number.isNaN(sd)).sort();
  expect(spreads[Math.floor(spreads.length / 4)]).toBeGreaterThan(0.5);
});

test('the shore is at depth zero and a new sounding pulls the map to it', () => {
  const soundings = sampled(bowl, 200, 5, 240);
  const map = buildDepthMap(square, soundings);
  expect(depthAt(map, frame.toLonLat(296, 0))!.depthM).toBeLessThan(1);
  expect(depthAt(map, frame.toLonLat(400, 0))).toBeNull();
  const at = frame.toLonLat(40, 40);
  const before = depthAt(map, at)!.depthM;
  const after = depthAt(buildDepthMap(square, [...soundings, { at, depthM: before - 3 }]), at)!.depthM;
  expect(after).toBeLessThan(before - 1);
});

test('contours lie at their depth', () => {
  // A basin whose eastern wall is steep.
  const bed = (x: number) => (x < 150 ? 4 + (8 * (x + 300)) / 450 : 12 - ((x - 150) / 60) * 10);
  const map = buildDepthMap(
    square,
    sampled((x) => Math.max(0.5, bed(x)), 500, 6),
  );
  for (const contour of contourLines(map, [3, 6])) {
    for (const [lon, lat] of contour.rings[0].filter((_, i) => i % 7 === 0)) {
      const here = depthAt(map, [lon, lat]);
      if (here) expect(Math.abs(here.depthM - contour.depthM)).toBeLessThan(1.6);
    }
  }
});

test('too little to draw from is said', () => {
  expect(() => buildDepthMap(square, sampled(plane, 2, 1))).toThrow(/at least 3 soundings apart from each other, found 2/);
  expect(() => buildDepthMap(square.slice(0, 2), sampled(plane, 30, 1))).toThrow(/at least 3 corners, found 2/);
});

test('the local frame goes there and back, and contour depths are few and even', () => {
  fc.assert(
    fc.property(fc.double({ min: -3000, max: 3000, noNaN: true }), fc.double({ min: -3000, max: 3000, noNaN: true }), (x, y) => {
      const [bx, by] = frame.toMetres(frame.toLonLat(x, y));
      expect(Math.hypot(bx - x, by - y)).toBeLessThan(1e-4);
      expect(distanceM(frame.toLonLat(0, 0), frame.toLonLat(x, y))).toBeCloseTo(Math.hypot(x, y), 0);
    }),
  );
  expect(contourDepths(13.4, 0.3048).map((d) => Math.round(d / 0.3048))).toEqual([8, 16, 24, 32, 40]);
  expect(contourDepths(7.2, 1)).toEqual([1, 2, 3, 4, 5, 6, 7]);
});

test('depths that a sounder showed become those that a line would find, by the water they were taken in', () => {
  const shown: Sounding[] = [{ at: [-140, 47], depthM: 10 }];
  // Marczak: 1421.63 m/s at 4 °C, 1402.39 at 0 °C.
  expect(plumbedSoundings(shown, { setMs: 1463, waterTempC: 4 })[0].depthM).toBeCloseTo((10 * 1421.63) / 1463, 3);
  expect(plumbedSoundings(shown, { setMs: 1500, waterTempC: 0 })[0].depthM).toBeCloseTo((10 * 1402.39) / 1500, 3);
  expect(plumbedSoundings(shown, { setMs: null, waterTempC: 4 })).toEqual(shown);
  expect(soundingSourceText({ setMs: 1500, waterTempC: 4 })).toBe('Each is made 5.2 % shallower: sound runs at 1422 m/s there, not 1500.');
  expect(soundingSourceText({ setMs: 1463, waterTempC: 25 })).toMatch(/^Each is made 2\.3 % deeper/);
  expect(soundingSourceText({ setMs: null, waterTempC: 4 })).toBe('Taken as they are.');
  expect(() => plumbedSoundings(shown, { setMs: 150, waterTempC: 4 })).toThrow(/1300 to 1700 m\/s, found 150/);
  expect(() => plumbedSoundings(shown, { setMs: 1500, waterTempC: -3 })).toThrow(RangeError);
});

test('a way over the water says how far, where to and how deep at its ends', () => {
  const map = buildDepthMap(square, sampled(plane, 200, 3), { shore: false, cells: 60 });
  const way = [frame.toLonLat(-100, 0), frame.toLonLat(0, 0), frame.toLonLat(100, 0)];
  expect(wayText(map, way, metric)).toMatch(/^200 m east, from 7 m to 9 m$/);
  expect(wayText(map, [way[0], frame.toLonLat(900, 0)], metric)).toMatch(/ to ashore$/);
  expect(wayText(map, [], metric)).toBe('Tap where the way begins.');
});

test('a band of depth keeps its ends in order, and under the surface', () => {
  expect(bandMoved({ fromM: 3, toM: 5 }, 'fromM', 1)).toEqual({ fromM: 4, toM: 5 });
  expect(bandMoved({ fromM: 3, toM: 5 }, 'fromM', 4)).toEqual({ fromM: 7, toM: 7 });
  expect(bandMoved({ fromM: 3, toM: 5 }, 'toM', -4)).toEqual({ fromM: 1, toM: 1 });
  expect(bandMoved({ fromM: 0.5, toM: 5 }, 'fromM', -2)).toEqual({ fromM: 0, toM: 5 });
});
