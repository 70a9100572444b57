import { firstStand, standWords } from '../src/casting';
import { buildDepthMap, depthAt, findFeatures, LocalFrame, type DepthMap, type LonLat } from '../src/ground';
import { deepestSoughtM, firstPlaces, firstPlaceWords, PlaceScore, soughtBand, type FirstPlace } from '../src/holes';
import { speciesOf, speciesTable } from '../src/fish';
import { fold } from '../src/ledger';
import { situationAt } from '../src/situation';
import { imperial, metric } from '../src/units';

const frame = new LocalFrame(-140, 47);
const half = 160;
const ring: LonLat[] = [[-half, -half], [half, -half], [half, half], [-half, half]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
const lakeOf = (depth: (x: number, y: number) => number): DepthMap => {
  const soundings = [];
  for (let x = -half + 10; x < half; x += 20) for (let y = -half + 10; y < half; y += 20) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.3, depth(x, y)) });
  return buildDepthMap(ring, soundings);
};

const edge = (x: number, y: number) => Math.max(0, 1 - (Math.hypot(x, y) / half) ** 2);
/** Six beds of other makings: a bowl, a long slope, a shelf with a drop, two basins, a hump, a shallow pond. */
const lakes: Record<string, DepthMap> = {
  bowl: lakeOf((x, y) => 24 * edge(x, y)),
  slope: lakeOf((x) => 1 + (16 * (x + half)) / (2 * half)),
  drop: lakeOf((x, y) => (x < -40 ? 10 : x < 10 ? 10 + (3.2 * (x + 40)) / 50 : x < 40 ? 13.2 + (11 * (x - 10)) / 30 : 24.2) * Math.min(1, 3 * edge(x, y))),
  basins: lakeOf((x, y) => 4 + 9 * Math.exp(-((x + 70) ** 2 + y ** 2) / 2000) + 14 * Math.exp(-((x - 70) ** 2 + y ** 2) / 2000)),
  hump: lakeOf((x, y) => 14 * edge(x, y) - 9 * Math.exp(-(x ** 2 + (y - 60) ** 2) / 1500)),
  pond: lakeOf((x, y) => 2.6 * edge(x, y)),
};
const stages: Record<string, number> = {
  autumn: Date.UTC(2026, 9, 15, 12),
  'open winter': Date.UTC(2026, 11, 15, 12),
  'late winter': Date.UTC(2027, 1, 20, 12),
  spring: Date.UTC(2027, 3, 20, 12),
};

const featuresOf = new Map(Object.values(lakes).map((map) => [map, findFeatures(map)]));

/** The situation of a lake without weather, and the places to begin at. */
function placesOn(map: DepthMap, speciesId: string, nowMs: number, keepsAll = false, count = 3): { places: FirstPlace[]; band: { fromM: number; toM: number } | null } {
  const situation = situationAt({
    state: fold([]),
    nowMs,
    outlook: null,
    water: { id: 'lake', place: { lon: -140, lat: 47, timeZone: 'UTC' }, isMoving: false, secchiM: 2, isSecchiMeasured: false, deepestM: map.deepest.depthM },
    species: speciesId,
    method: 'ice',
    goal: null,
    bait: null,
    ownBand: null,
  });
  const band = situation.band?.value ?? null;
  if (!band) return { places: [], band };
  const features = featuresOf.get(map)!;
  const score = new PlaceScore(map, features, {
    group: speciesOf(speciesId).group,
    stage: situation.stage.value,
    look: band,
    phase: 'steady',
    inflows: [],
    cover: [],
    isPressed: false,
  });
  return { places: firstPlaces({ map, features, feet: [], score, perHour: score.prior.perHour }, { speciesId, band, keepsAll, units: metric }, count), band };
}

describe.each(Object.entries(lakes))('on the %s', (_, map) => {
  test.each(Object.entries(stages))('in %s the first place of every fish lies in its band, or says why not, and never deeper than it lives through', (__, nowMs) => {
    // Two of each group: the others of a group differ in what the test does not ask.
    for (const { id, injuryDepthM } of speciesTable.filter((s, k) => speciesTable.slice(0, k).filter((o) => o.group === s.group).length < 2)) {
      const { places, band } = placesOn(map, id, nowMs);
      if (!band) continue;
      for (const place of places) {
        expect(depthAt(map, place.at)!.depthM).toBeCloseTo(place.depthM, 6);
        expect(place.isInBand).toBe(place.depthM >= band.fromM - 0.05 && place.depthM <= band.toM + 0.05);
        expect(place.short === null).toBe(place.isInBand);
      }
      const [first] = places;
      if (injuryDepthM !== null && map.depthM.some((d) => d <= injuryDepthM)) expect(first.depthM).toBeLessThanOrEqual(injuryDepthM);
      // Out of the band only where no water of it is shallow enough, or there is none.
      const deepestM = Math.min(band.toM, injuryDepthM === null ? Infinity : injuryDepthM - 0.3);
      if (!first.isInBand) expect(map.depthM.some((d) => d >= band.fromM + 0.05 && d <= deepestM - 0.05)).toBe(false);
    }
  });
});

test('who keeps what is caught may begin in the band however deep it lies', () => {
  const nowMs = stages['open winter'];
  const [kept, released] = [true, false].map((keepsAll) => placesOn(lakes.bowl, 'yellow-perch', nowMs, keepsAll).places[0]);
  expect(kept.isInBand).toBe(true);
  expect(released.depthM).toBeLessThan(kept.depthM);
  expect(firstPlaceWords(released, lakes.bowl, speciesOf('yellow-perch'), imperial).detail).toMatch(/often hurt on the way up: begin here, or keep what you catch/);
});

test('places stand apart from each other, and thin ice is none', () => {
  const { places } = placesOn(lakes.basins, 'roach', stages['open winter'], false, 6);
  expect(places).toHaveLength(6);
  const spots = places.map((p) => frame.toMetres(p.at));
  spots.forEach(([x, y], k) => spots.slice(k + 1).forEach(([u, v]) => expect(Math.hypot(x - u, y - v)).toBeGreaterThan(29)));
  const map = lakes.basins;
  const features = findFeatures(map);
  const score = new PlaceScore(map, features, { group: 'roach-like', stage: 'midwinter', look: null, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const query = { speciesId: 'roach', band: { fromM: 3, toM: 20 }, keepsAll: true, units: metric };
  for (const side of [-1, 1]) {
    const [place] = firstPlaces({ map, features, feet: [], score, perHour: score.prior.perHour, isBarred: ({ x }) => x * side > 0 }, query, 1);
    expect(frame.toMetres(place.at)[0] * side).toBeLessThanOrEqual(0);
  }
});

test('the words name depth, what the bed does there, and the depths that were asked for', () => {
  const { places } = placesOn(lakes.drop, 'walleye', stages['open winter']);
  const words = firstPlaceWords(places[0], lakes.drop, speciesOf('walleye'), metric);
  expect(words.headline).toMatch(/^Start in [\d.]+ m/);
  expect(words.detail).toMatch(/^Walleye are looked for at [\d.]+ to [\d.]+ m\./);
});

test.each(Object.entries(lakes).filter(([name]) => name === 'drop' || name === 'basins'))(
  'who casts begins within a cast of the place that the other ways begin at, on the %s',
  (_, map) => {
    const castM = 30;
    for (const id of ['smallmouth', 'rainbow-trout']) {
      const { places, band } = placesOn(map, id, stages['open winter']);
      if (!band || places.length === 0) continue;
      const query = { band, castM, strikeM: 0.6, chance: 0.4, targets: [], base: 1, count: 6, casts: [] };
      const afloat = firstStand(map, [ring], query, false, places[0].at);
      // Nothing of the band can be reached where the water has none of it.
      if (afloat === null) continue;
      expect(afloat.toward).toEqual(places[0].at);
      const awayM = Math.hypot(...frame.toMetres(afloat.at).map((d, k) => d - frame.toMetres(places[0].at)[k]));
      expect(awayM).toBeLessThanOrEqual(castM);
      expect(awayM).toBeGreaterThan(5);
      const ashore = firstStand(map, [ring], query, true, frame.toLonLat(0, 0));
      if (ashore) expect(ashore.toward).toBeNull();
    }
  },
);

test('the words of a stand name the place that is cast to, and the way there', () => {
  const toward = { what: '5.6 m, foot of the drop', awayM: 17, point: 'NE' };
  expect(standWords({ underM: null, toward }, { fromM: 4, toM: 7 }, 25, true, metric)).toMatchObject({
    headline: 'Cast to 5.6 m, foot of the drop',
    detail: expect.stringMatching(/^Stand at the ring on the bank: it lies 17 m NE\. Casts of 25 m /) as string,
  });
});

test('what is fished of a stretch goes no deeper than released fish live through, and stays as it is where depth does no harm', () => {
  for (const { id } of speciesTable)
    for (const band of [
      { fromM: 2, toM: 4 },
      { fromM: 6, toM: 12 },
      { fromM: 9, toM: 12 },
    ]) {
      expect(soughtBand(id, true, band)).toEqual(band);
      const sought = soughtBand(id, false, band);
      expect(sought.toM).toBe(Math.min(band.toM, deepestSoughtM(id, false)));
      expect(sought.toM - sought.fromM).toBeGreaterThanOrEqual(1);
    }
});

test('from the shore of a lake whose depths lie out of reach it is said so, not that the map has none', () => {
  const map = lakes.bowl;
  const score = new PlaceScore(map, [], { group: 'panfish', stage: 'open cold water', look: { fromM: 5, toM: 7 }, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const ground = { map, features: [], feet: [], score, perHour: score.prior.perHour, isBarred: (s: { x: number; y: number }) => Math.hypot(s.x, s.y) < 150 };
  const asked = { speciesId: 'yellow-perch', keepsAll: false, units: metric };
  const [near] = firstPlaces(ground, { ...asked, band: { fromM: 5, toM: 7 } }, 1);
  expect(near.short).toBe('out-of-reach');
  expect(firstPlaceWords(near, map, speciesOf('yellow-perch'), metric).detail).toMatch(/no such depth lies within reach/);
  expect(firstPlaces(ground, { ...asked, band: { fromM: 40, toM: 44 } }, 1)[0].short).not.toBe('out-of-reach');
});
