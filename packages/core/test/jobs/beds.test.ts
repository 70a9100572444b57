import { buildDepthMap, depthAt, dropFeet, findFeatures, LocalFrame, mapAtLevel, troughsBetween, type DepthMap, type LonLat } from '../../src/ground';
import { FishDensity, firstPlaces, firstPlaceWords, nextHole, PlaceScore, type PlaceSetting } from '../../src/holes';
import { speciesOf } from '../../src/fish';
import { fishDepth } from '../../src/outlook';
import { distanceM, metric } from '../../src/units';
import { emptyProfile } from './profiles';

/* First places on beds of the scenario that the demo lacks. */

const frame = new LocalFrame(-140, 47);
const box = (wide: number, high: number): LonLat[] => [[0, 0], [wide, 0], [wide, high], [0, high]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
const mapOf = (wide: number, high: number, depth: (x: number, y: number) => number, stepM = 10): DepthMap => {
  const soundings = [];
  for (let x = stepM / 2; x < wide; x += stepM) for (let y = stepM / 2; y < high; y += stepM) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.2, depth(x, y)) });
  return buildDepthMap(box(wide, high), soundings);
};
const begin = (map: DepthMap, species: string, more: Partial<PlaceSetting>, band: { fromM: number; toM: number }, keepsAll = true) => {
  const features = findFeatures(map);
  const { group } = speciesOf(species);
  const setting: PlaceSetting = { group, stage: 'midwinter', look: band, phase: 'steady', inflows: [], cover: [], isPressed: false, ...more };
  const score = new PlaceScore(map, features, setting);
  const feet = group === 'deep' ? dropFeet(map) : [];
  return firstPlaces({ map, features, feet, score, perHour: new FishDensity(score.prior, []).layer() }, { speciesId: species, band, keepsAll, units: metric }, 4);
};

describe('job 15, whitefish at the foot of the first drop, drawn down 3 m', () => {
  // As charted full: a shelf of 14 m, a fall to 17.5 m within 25 m, and from there on gently to 30 m, with a hole of 31 m beyond.
  const bed = (x: number) => (x < 60 ? 14 * (x / 60) : x < 160 ? 14 : x < 185 ? 14 + ((x - 160) / 25) * 3.5 : Math.min(30, 17.5 + (x - 185) / 16));
  const map = mapOf(460, 200, (x, y) => bed(x) + Math.exp(-((x - 430) ** 2 + (y - 100) ** 2) / 20 ** 2));
  const low = mapAtLevel(map, -3);
  const [foot] = dropFeet(low);
  test('place: the chart is read at the level of today, the foot with its shelf behind and the deep in front', () => {
    expect(foot.depthM).toBeGreaterThan(13.8);
    expect(foot.depthM).toBeLessThan(15.2);
    expect(Math.abs(foot.shelfM - 11)).toBeLessThan(0.7);
    expect(Math.abs(foot.frontM - 27)).toBeLessThan(1.5);
  });
  test('place: one begins there, not over the hole of 28 m, and is told what makes it one', () => {
    const [place] = begin(low, 'lake-whitefish', {}, { fromM: foot.depthM * 0.88, toM: foot.depthM * 1.06 });
    expect(Math.abs(place.depthM - 14.5)).toBeLessThan(0.8);
    const words = firstPlaceWords(place, low, speciesOf('lake-whitefish'), metric);
    expect(words.headline).toMatch(/^Start in 1[45](\.\d)? m, foot of the drop/);
    expect(words.detail).toMatch(/Shelf 1[01](\.\d)? m behind, 2[678](\.\d)? m in front/);
  });
});

test('job 20, place: lake trout in winter are begun with at 9 to 12.5 m on the bed, not over the hole of 28 m', () => {
  const bed = (x: number) => (x < 50 ? 6.5 * (x / 50) : x < 120 ? 6.5 : x < 150 ? 6.5 + ((x - 120) / 30) * 4.5 : Math.min(28, 11 + (x - 150) / 12));
  const map = mapOf(420, 200, bed);
  const [place] = begin(map, 'lake-trout', {}, { fromM: 9, toM: 12.5 }, false);
  expect(place.depthM).toBeGreaterThanOrEqual(9);
  expect(place.depthM).toBeLessThanOrEqual(12.5);
});

test('job 2, place: several hollows of 7 to 8 m at a steep break are named, apart from each other, each with what makes it one', () => {
  const hollow = (x: number, y: number, cx: number, cy: number) => 4 * Math.exp(-((x - cx) ** 2 + (y - cy) ** 2) / 22 ** 2);
  const map = mapOf(500, 200, (x, y) => Math.min(4, y / 10) + hollow(x, y, 90, 70) + hollow(x, y, 240, 75) + hollow(x, y, 400, 70));
  const places = begin(map, 'white-perch', { group: 'panfish' }, { fromM: 6.5, toM: 8 });
  const near = places.filter((p) => p.depthM >= 6.5 && p.depthM <= 8.2);
  expect(near.length).toBeGreaterThanOrEqual(3);
  for (const [k, a] of near.entries()) for (const b of near.slice(k + 1)) expect(distanceM(a.at, b.at)).toBeGreaterThan(29);
  for (const p of near) expect(firstPlaceWords(p, map, speciesOf('white-perch'), metric).headline).toMatch(/^Start in [78](\.\d)? m|^Start in 6\.\d m/);
});

describe('job 4, plan: crappie days after ice-out', () => {
  const map = mapOf(400, 300, (x, y) => 4 + 7 * Math.exp(-((x - 300) ** 2 + (y - 150) ** 2) / 60 ** 2));
  const wood = frame.toLonLat(80, 150);
  const first = (tempC: number, stage: PlaceSetting['stage']) => {
    const column = emptyProfile(tempC, 11);
    const { look } = fishDepth('black-crappie', column, { deepestM: 11, footM: null }, stage, 'steady');
    return begin(map, 'black-crappie', { stage, tempC, cover: [wood] }, look!)[0];
  };
  test('at 5.4 °C the basin comes first, at 11 °C the wood', () => {
    expect(distanceM(first(5.4, 'just after ice-out').at, frame.toLonLat(300, 150))).toBeLessThan(70);
    expect(depthAt(map, first(11, 'pre-spawn').at)!.depthM).toBeLessThan(depthAt(map, first(5.4, 'just after ice-out').at)!.depthM);
  });
});

describe('job 10, nearer: finer holes round the best', () => {
  const map = mapOf(300, 240, (x) => 1 + x / 25);
  const score = new PlaceScore(map, [], { group: 'panfish', stage: 'midwinter', look: { fromM: 5.6, toM: 6.8 }, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const [x, y] = score.frame.toMetres(frame.toLonLat(130, 120));
  const setting = { from: { x, y }, spacingM: 8, walkMPerMin: 50, drillMin: 2, stayMin: 15, explore: 0.3, seed: 1 };
  const awayM = (hasGiven: boolean, visits: number) => {
    const next = nextHole(score.prior, [{ x, y, minutes: 30, visits, agoMin: 1 }], { ...setting, drilled: [{ x, y, worth: 1, hasGiven }] })!;
    return Math.hypot(next.x - x, next.y - y);
  };
  test('beside a hole that gave fish just now the next is 3 to 5 m away, beside another no nearer than 8', () => {
    expect(awayM(true, 12)).toBeGreaterThanOrEqual(3);
    expect(awayM(true, 12)).toBeLessThanOrEqual(5);
    expect(awayM(false, 12)).toBeGreaterThanOrEqual(7.9);
    expect(awayM(false, 0)).toBeGreaterThanOrEqual(7.9);
  });
});

describe('job 11, hollow: the smooth trough between two points', () => {
  // Two tongues run out from the bank to 130 m, 5 m under water at their ends; between them and beside them the bed lies at 10 m.
  const tongue = (x: number, y: number, cx: number) => (5 * Math.exp(-(((x - cx) / 28) ** 2))) / (1 + Math.exp((y - 130) / 8));
  const bed = (x: number, y: number) => Math.min(10, y / 4) + Math.max(0, (y - 160) / 12) - Math.min(Math.min(10, y / 4) - 1, tongue(x, y, 150) + tongue(x, y, 300));
  const map = mapOf(450, 300, bed);
  const features = findFeatures(map);
  const setting: PlaceSetting = { group: 'bass', stage: 'open cold water', look: { fromM: 4.5, toM: 10 }, phase: 'steady', inflows: [], cover: [], isPressed: false };
  const score = new PlaceScore(map, features, setting);
  const rules = (at: LonLat) => score.reasonsAt(at, metric).filter((r) => r.weight > 0).map((r) => r.ruleId); // prettier-ignore
  const worth = (at: LonLat) => score.reasonsAt(at, metric).filter((r) => r.ruleId !== 'place.depth-band').reduce((sum, r) => sum + r.weight, 0); // prettier-ignore
  const points = features.filter((f) => f.kind === 'point');
  const troughs = troughsBetween(map, features);
  test('it is found between the two, where both fall away into it, and not along the shore beyond them', () => {
    expect(points).toHaveLength(2);
    expect(troughs).toHaveLength(1);
    const [x] = frame.toMetres(troughs[0].at);
    expect(x).toBeGreaterThan(190);
    expect(x).toBeLessThan(260);
    expect(depthAt(map, troughs[0].at)!.depthM).toBeGreaterThan(points[0].depthM + 0.6);
    expect(troughsBetween(map, [points[0]])).toEqual([]);
    // Too far from each other they have a bay between them.
    const far = mapOf(900, 300, (x, y) => bed(x < 450 ? x : x - 450 + 150, y));
    expect(troughsBetween(far, [points[0], { ...points[1], at: frame.toLonLat(750, 120) }])).toEqual([]);
  });
  test('it comes after the points and before the like bed elsewhere, by its reason; under ice and for others it is none', () => {
    const [trough] = troughs;
    expect(rules(trough.at)).toContain('place.trough-between-points');
    for (const p of points) expect(worth(p.at)).toBeGreaterThan(worth(trough.at));
    expect(worth(trough.at)).toBeGreaterThan(worth(frame.toLonLat(60, 95)));
    const others = new PlaceScore(map, features, { ...setting, group: 'panfish' });
    expect(others.reasonsAt(trough.at, metric).map((r) => r.ruleId)).not.toContain('place.trough-between-points');
  });
});
