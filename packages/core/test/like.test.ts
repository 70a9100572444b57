import { buildDepthMap, depthAt, LocalFrame, type DepthMap, type LonLat } from '../src/ground';
import { placesLike, type LikeMarks } from '../src/holes';
import { seededRandom, type Random } from '../src/units';

const frame = new LocalFrame(25, 61);
const half = 220;
const ring: LonLat[] = [[-half, -half], [half, -half], [half, half], [-half, half]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore

/** A water of random bumps, with cover strewn over it, and where its fish want to be: a depth and a distance to cover of their own. */
function water(random: Random): { map: DepthMap; marks: LikeMarks; isRight: (x: number, y: number) => boolean } {
  const waves = Array.from({ length: 10 }, () => ({ k: (2 * Math.PI * (0.5 + random())) / 180, a: 2 * Math.PI * random(), p: 2 * Math.PI * random() }));
  const depth = (x: number, y: number) =>
    Math.max(
      0.5,
      (7 + 1.6 * waves.reduce((sum, w) => sum + Math.sin(w.k * (x * Math.cos(w.a) + y * Math.sin(w.a)) + w.p), 0)) * Math.min(1, (half - Math.max(Math.abs(x), Math.abs(y))) / 50),
    );
  const soundings = [];
  for (let x = -half + 10; x < half; x += 20) for (let y = -half + 10; y < half; y += 20) soundings.push({ at: frame.toLonLat(x, y), depthM: depth(x, y) });
  const cover = Array.from({ length: 12 }, (): [number, number] => [(random() - 0.5) * 360, (random() - 0.5) * 360]);
  const wantedM = 4 + 5 * random();
  return {
    map: buildDepthMap(ring, soundings),
    marks: { cover: cover.map(([x, y]) => frame.toLonLat(x, y)), hard: [], inflows: [] },
    isRight: (x, y) => Math.abs(depth(x, y) - wantedM) < 1.1 && cover.some(([u, v]) => Math.hypot(u - x, v - y) < 28),
  };
}

/** How many times as many of ten places named are right as by chance, over seeds; of those over 50 m from a bite alone. */
function gain(bites: number, seeds: number): { all: number; far: number } {
  const sum = { named: 0, right: 0, far: 0, farRight: 0, chance: 0, farChance: 0 };
  for (let seed = 1; seed <= seeds; seed++) {
    const random = seededRandom(900 + seed);
    const { map, marks, isRight } = water(random);
    const spots = Array.from({ length: 4000 }, (): [number, number] => [(random() - 0.5) * 400, (random() - 0.5) * 400]).filter(
      ([x, y]) => depthAt(map, frame.toLonLat(x, y)) !== null,
    );
    const right = spots.filter(([x, y]) => isRight(x, y));
    if (right.length < 40) continue;
    const bitten = Array.from({ length: bites }, () => right[Math.floor(random() * right.length)]);
    const blanks = Array.from({ length: 12 }, () => spots[Math.floor(random() * spots.length)]).filter(([x, y]) => !isRight(x, y));
    const places = placesLike(map, marks, bitten.map(([x, y]) => frame.toLonLat(x, y)), blanks.map(([x, y]) => frame.toLonLat(x, y)), 10).map((p) => frame.toMetres(p.at)); // prettier-ignore
    const isFar = ([x, y]: readonly [number, number]) => bitten.every(([u, v]) => Math.hypot(u - x, v - y) > 50);
    const far = places.filter(isFar);
    sum.named += places.length;
    sum.right += places.filter(([x, y]) => isRight(x, y)).length;
    sum.chance += (places.length * right.length) / spots.length;
    sum.far += far.length;
    sum.farRight += far.filter(([x, y]) => isRight(x, y)).length;
    const farSpots = spots.filter(isFar);
    sum.farChance += (far.length * farSpots.filter(([x, y]) => isRight(x, y)).length) / farSpots.length;
  }
  return { all: sum.right / sum.chance, far: sum.farRight / sum.farChance };
}

test('of ten places named several times as many are right as by chance, more after ten bites than after three, far from any bite as well', () => {
  const seeds = process.env.BURROW_LONG ? 40 : 12;
  const [three, ten] = [gain(3, seeds), gain(10, seeds)];
  expect(three.all).toBeGreaterThan(2.5);
  expect(three.far).toBeGreaterThan(2.5);
  expect(ten.all).toBeGreaterThan(4);
  expect(ten.far).toBeGreaterThan(4);
});

test('places say what they share and what they lack, lie apart from each other and from the bites, and none is named without a bite', () => {
  const { map, marks } = water(seededRandom(5));
  const bite = frame.toLonLat(20, 30);
  const places = placesLike(map, marks, [bite, bite, bite], [frame.toLonLat(-120, -120)], 12);
  expect(places).toHaveLength(12);
  const spots = places.map((p) => frame.toMetres(p.at));
  spots.forEach(([x, y], k) => {
    expect(Math.hypot(x - 20, y - 30)).toBeGreaterThan(20);
    for (const [u, v] of spots.slice(k + 1)) expect(Math.hypot(u - x, v - y)).toBeGreaterThan(39);
  });
  expect(places.map((p) => p.score)).toEqual([...places.map((p) => p.score)].sort((a, b) => b - a));
  expect(places[0].shares.length).toBeGreaterThan(0);
  for (const { shares, differs } of places) expect(shares.filter((s) => differs.includes(s))).toEqual([]);
  for (const { depthM } of placesLike(map, marks, [bite, bite], [], 6, 5)) expect(depthM).toBeLessThanOrEqual(5);
  expect(placesLike(map, marks, [], [], 5)).toEqual([]);
});
