import { buildDepthMap, findCoves, findFeatures, findWalls, LocalFrame, type DepthMap, type LonLat } from '../src/ground';
import { firstPlaces, PlaceScore, type PlaceSetting } from '../src/holes';
import { distanceM, metric } from '../src/units';

const frame = new LocalFrame(-140, 47);
const ringOf = (corners: readonly [number, number][]): LonLat[] => corners.map(([x, y]) => frame.toLonLat(x, y));

/** A water within corners, with soundings each 15 m of a bed. */
function waterOf(corners: readonly [number, number][], depth: (x: number, y: number) => number): DepthMap {
  const [xs, ys] = [corners.map((c) => c[0]), corners.map((c) => c[1])];
  const soundings = [];
  for (let x = Math.min(...xs) + 7; x < Math.max(...xs); x += 15)
    for (let y = Math.min(...ys) + 7; y < Math.max(...ys); y += 15) if (inside(corners, x, y)) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0.3, depth(x, y)) });
  return buildDepthMap(ringOf(corners), soundings);
}
function inside(corners: readonly [number, number][], x: number, y: number): boolean {
  let is = false;
  corners.forEach(([ax, ay], k) => {
    const [bx, by] = corners[(k + 1) % corners.length];
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) is = !is;
  });
  return is;
}

const lake: [number, number][] = [[0, 0], [500, 0], [500, 400], [0, 400]]; // prettier-ignore
/** The same with a pocket of 260 m by 44 m to the east. */
const pocketed: [number, number][] = [[0, 0], [500, 0], [500, 180], [760, 180], [760, 224], [500, 224], [500, 400], [0, 400]]; // prettier-ignore
const bowl = (x: number, y: number) => (x > 500 ? 2 : Math.min(14, 0.8 + Math.min(x, 500 - x, y, 400 - y) / 9));
const withPocket = waterOf(pocketed, bowl);

describe('coves', () => {
  test('a pocket is found with its mouth, its end and how far in its places lie', () => {
    const coves = findCoves(withPocket);
    expect(coves).toHaveLength(1);
    const [cove] = coves;
    expect(cove.lengthM).toBeGreaterThan(220);
    expect(cove.lengthM).toBeLessThan(300);
    expect(distanceM(cove.mouth, frame.toLonLat(500, 202))).toBeLessThan(50);
    expect(distanceM(cove.tip, frame.toLonLat(758, 202))).toBeLessThan(30);
    for (const p of cove.places) {
      const [x] = frame.toMetres(p.at);
      expect(Math.abs(p.inM - (x - 500))).toBeLessThan(45);
    }
  });
  test('neither a square nor a round water has one', () => {
    expect(findCoves(waterOf(lake, bowl))).toEqual([]);
    const round = Array.from({ length: 60 }, (_, k): [number, number] => [250 + 240 * Math.cos(k / 9.549), 250 + 240 * Math.sin(k / 9.549)]);
    expect(findCoves(waterOf(round, (x, y) => 12 - Math.hypot(x - 250, y - 250) / 20))).toEqual([]);
  });
});

const placed = (map: DepthMap, band: { fromM: number; toM: number }, speciesId: string, over: Partial<PlaceSetting>, count = 3) => {
  const features = findFeatures(map);
  const setting: PlaceSetting = { group: 'bass', stage: 'open cold water', look: band, phase: 'steady', inflows: [], cover: [], isPressed: false, ...over };
  const score = new PlaceScore(map, features, setting);
  return { score, places: firstPlaces({ map, features, feet: [], score, perHour: score.prior.perHour }, { speciesId, band, keepsAll: false, units: metric }, count) };
};
const inPocketM = (at: LonLat) => frame.toMetres(at)[0] - 500;
const worthAt = ({ score }: ReturnType<typeof placed>, x: number, y: number) => score.reasonsAt(frame.toLonLat(x, y), metric).reduce((sum, r) => sum + r.weight, 0);

test('job 21: risen water sends one to the first 20 to 150 m of a pocket, whose end is worth less; without a rise it does not', () => {
  const band = { fromM: 0.5, toM: 2.5 };
  const risen = placed(withPocket, band, 'largemouth', { isWarmed: true });
  expect(inPocketM(risen.places[0].at)).toBeGreaterThan(0);
  expect(inPocketM(risen.places[0].at)).toBeLessThan(170);
  expect(risen.places[0].reasons.map((r) => r.ruleId)).toContain('place.warmed-pockets');
  expect(worthAt(risen, 600, 202)).toBeGreaterThan(worthAt(risen, 752, 202) + 1);
  const cold = placed(withPocket, { fromM: 8, toM: 13 }, 'largemouth', {});
  expect(inPocketM(cold.places[0].at)).toBeLessThan(0);
});

test('job 3: with the level up over new ground trout are first looked for in the cove, without it they are not drawn there', () => {
  const band = { fromM: 1, toM: 6 };
  const trout = (levelM: number) => placed(withPocket, band, 'rainbow-trout', { group: 'stocked-trout', stage: 'autumn cooling', levelM });
  expect(inPocketM(trout(3.2).places[0].at)).toBeGreaterThan(0);
  expect(trout(3.2).places[0].reasons.map((r) => r.ruleId)).toContain('place.risen-coves');
  expect(trout(0).places.flatMap((p) => p.reasons.map((r) => r.ruleId))).not.toContain('place.risen-coves');
});

describe('job 16, walls before spawning', () => {
  // A wall along the south, a gentle bank elsewhere, and a cove to the east.
  const walled = waterOf(pocketed, (x, y) => (x > 500 ? 2 : Math.min(16, 0.9 * y, 0.6 + Math.min(x, 500 - x, 400 - y) / 8)));
  test('a bank of nearly 1 in 1 is a wall, a gentle one is none', () => {
    const walls = findWalls(walled);
    expect(walls.length).toBeGreaterThan(3);
    for (const w of walls) expect(frame.toMetres(w.at)[1]).toBeLessThan(40);
    expect(findWalls(withPocket)).toEqual([]);
  });
  test('one within 400 m of a cove is among the first three at 7.5 °C, and no longer at 18', () => {
    const band = { fromM: 5, toM: 11 };
    const isWall = (tempC: number) => placed(walled, band, 'smallmouth', { tempC }).places.some((p) => p.reasons.some((r) => r.ruleId === 'place.walls-by-coves'));
    expect(isWall(7.5)).toBe(true);
    expect(isWall(18)).toBe(false);
  });
});
