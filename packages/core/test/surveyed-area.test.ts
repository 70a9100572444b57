import { crossValidate, depthAt, DepthSurvey, isInside, LocalFrame, ringOf, surveyedArea, type LonLat, type Sounding } from '../src/ground';
import { seededRandom } from '../src/units';

const frame = new LocalFrame(-140, 47);
const at = (x: number, y: number): LonLat => frame.toLonLat(x, y);

/** Made-up beds over the middle of a water that goes on past the soundings, m. */
const beds: Record<string, (x: number, y: number) => number> = {
  bowl: (x, y) => 14 - (x * x + y * y) / 9000,
  slope: (x, y) => 9 + x / 60 + Math.sin(y / 50),
  humps: (x, y) => 8 + 2.5 * Math.sin(x / 45) * Math.cos(y / 60),
};

function soundingsOver(bed: (x: number, y: number) => number, seed: number): Sounding[] {
  const random = seededRandom(seed);
  return Array.from({ length: 90 }, () => {
    const [x, y] = [300 * random() - 150, 220 * random() - 110];
    return { at: at(x, y), depthM: bed(x, y) };
  });
}

const shore: LonLat[] = Array.from({ length: 24 }, (_, k) => at(360 * Math.cos((k * Math.PI) / 12), 300 * Math.sin((k * Math.PI) / 12)));

test.each(Object.keys(beds))('an edge laid about soundings foretells them no worse than none, and better than a shore there (%s)', (name) => {
  const soundings = soundingsOver(beds[name], 3);
  const { ring, isShore } = surveyedArea(null, soundings);
  expect(isShore).toBe(false);
  const about = crossValidate(ring, soundings, 10, { shore: isShore });
  const without = crossValidate(shore, soundings, 10, { shore: false });
  const asShore = crossValidate(ring, soundings, 10, { shore: true });
  expect(about.rmseM).toBeLessThanOrEqual(without.rmseM * 1.001);
  expect(about.rmseM).toBeLessThan(asShore.rmseM);
});

test('the edge lies about every sounding, at least 20 m off, and a shore is taken as it is', () => {
  const soundings = soundingsOver(beds.bowl, 5);
  const { ring } = surveyedArea(null, soundings);
  const metres = ringOf(ring.map((p) => frame.toMetres(p)));
  const outside = soundings.filter((s) => !isInside(metres, ...frame.toMetres(s.at)));
  expect(outside).toEqual([]);
  const nearest = Math.min(
    ...soundings.flatMap((s) => ring.map((p) => Math.hypot(frame.toMetres(p)[0] - frame.toMetres(s.at)[0], frame.toMetres(p)[1] - frame.toMetres(s.at)[1]))),
  );
  expect(nearest).toBeGreaterThan(19);
  expect(surveyedArea(shore, soundings)).toEqual({ ring: shore, islands: [], isShore: true });
  expect(() => surveyedArea(null, [])).toThrow(/expected a shore or soundings/);
});

test.each([
  [
    'in a triangle',
    [
      [0, 0],
      [40, 5],
      [15, 30],
    ],
  ],
  [
    'in a line',
    [
      [0, 0],
      [20, 10],
      [60, 30],
    ],
  ],
  [
    'at one place but for a step',
    [
      [0, 0],
      [1, 0],
      [2, 0],
    ],
  ],
] as const)('three holes %s and no shore make a map with its doubt', (_, places) => {
  const depths = [4, 6.5, 5];
  const soundings = places.map(([x, y], i) => ({ at: at(x, y), depthM: depths[i] }));
  const { ring, isShore } = surveyedArea(null, soundings);
  const { map } = new DepthSurvey(ring, soundings, { shore: isShore });
  for (const s of soundings) expect(Math.abs(depthAt(map, s.at)!.depthM - s.depthM)).toBeLessThan(1.5);
  const drawn = [...map.depthM].filter((d) => !Number.isNaN(d));
  expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...drawn)).toBeLessThan(10);
  const doubts = [...map.sdM].filter((sd) => !Number.isNaN(sd));
  expect(Math.min(...doubts)).toBeGreaterThan(0.05);
  // Twenty metres off the last hole nobody knows the bed to half a metre, nor is it off by a house.
  expect(Math.max(...doubts)).toBeGreaterThan(0.5);
  expect(Math.max(...doubts)).toBeLessThan(8);
});
