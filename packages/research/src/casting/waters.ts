import type { CastTarget } from '@burrow/core/casting';
import { LocalFrame, type DepthMap, type LonLat } from '@burrow/core/ground';
import { normal, seededRandom, type Random } from '@burrow/core/units';

export interface Place {
  x: number;
  y: number;
}

/** A made-up water with its fish, and what an angler's map says of it. */
export interface CastWorld {
  /** What the angler has: a map and marks that lie up to two metres off. */
  map: DepthMap;
  shores: LonLat[][];
  targets: CastTarget[];
  band: { fromM: number; toM: number };
  /** What plain bed is worth beside the targets. */
  base: number;
  /** The truth. */
  fish: Place[];
  /** How far these fish move, and the chance that one takes a pass, which the angler does not know. */
  strikeM: number;
  chance: number;
  tempC: number;
  secchiM: number;
  start: Place;
  /** The nearest place on the bank from which something marked is in reach, by the map. */
  nearestPoint: (from: Place) => Place;
  /** Bearing straight out over the water from a place on the bank, degrees. */
  outward: number;
  isWater: (p: Place) => boolean;
}

const frame = new LocalFrame(0, 0);
const cellM = 1;
const errorM = 2;

function mapOf(depth: (x: number, y: number) => number, [x0, x1]: [number, number], [y0, y1]: [number, number], random: Random): DepthMap {
  const [nx, ny] = [Math.round((x1 - x0) / cellM) + 1, Math.round((y1 - y0) / cellM) + 1];
  // The map lies off as a whole, and its depths waver.
  const angle = 2 * Math.PI * random();
  const [ex, ey] = [errorM * random() * Math.cos(angle), errorM * random() * Math.sin(angle)];
  const [p, q] = [random() * 6, random() * 6];
  const depthM = new Float32Array(nx * ny).fill(NaN);
  let deepest = { at: [0, 0] as LonLat, depthM: 0 };
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const [x, y] = [x0 + i * cellM, y0 + j * cellM];
      if (Number.isNaN(depth(x, y))) continue;
      const said = Math.max(0, depth(x + ex, y + ey) + 0.15 * Math.sin(x / 7 + p) * Math.cos(y / 5 + q));
      const d = Number.isNaN(said) ? 0 : said;
      depthM[j * nx + i] = d;
      if (d > deepest.depthM) deepest = { at: frame.toLonLat(x, y), depthM: d };
    }
  return { lon0: 0, lat0: 0, x0, y0, cellM, nx, ny, depthM, sdM: new Float32Array(nx * ny).fill(0.3), areaM2: nx * ny, deepest, soundings: 500 };
}

const off = (p: Place, random: Random): Place => {
  const angle = 2 * Math.PI * random();
  const r = errorM * random();
  return { x: p.x + r * Math.cos(angle), y: p.y + r * Math.sin(angle) };
};

/** A fish near a place. */
const near = (p: Place, sd: number, random: Random): Place => ({ x: p.x + sd * normal(random), y: p.y + sd * normal(random) });

/** The shore of a reservoir with a break that winds off it: fish along the break, on rocks, and a few anywhere. */
export function reservoir(seed: number): CastWorld {
  const random = seededRandom(seed);
  const [a, b, p, q] = [4 + 4 * random(), 2 + 3 * random(), 6 * random(), 6 * random()];
  const breakY = (x: number) => 18 + a * Math.sin(x / 26 + p) + b * Math.sin(x / 11 + q);
  const depth = (x: number, y: number) => (y < 0 || y > 90 ? NaN : 0.12 * y + 5 / (1 + Math.exp(-(y - breakY(x)) / 1.6)));
  const rocks = Array.from({ length: 9 }, () => {
    const x = -140 + 280 * random();
    return { x, y: breakY(x) + 8 * (random() - 0.5) };
  });
  const fish = Array.from({ length: 70 }, (): Place => {
    const roll = random();
    if (roll < 0.5) {
      const x = -150 + 300 * random();
      return { x, y: breakY(x) + 1.6 * normal(random) };
    }
    if (roll < 0.82) return near(rocks[Math.floor(random() * rocks.length)], 0.8, random);
    return { x: -150 + 300 * random(), y: 6 + 40 * random() };
  });
  const marked = rocks.slice(0, 5).map((r) => off(r, random));
  const map = mapOf(depth, [-160, 160], [0, 90], random);
  const start = { x: -60 + 120 * random(), y: 0 };
  return {
    map,
    shores: [[frame.toLonLat(-160, 0), frame.toLonLat(160, 0), frame.toLonLat(160, 90), frame.toLonLat(-160, 90)]],
    targets: marked.map((m) => ({ kind: 'hard', ...m, name: 'rock', weight: 8, reachM: 2.5 })),
    band: { fromM: 2.6, toM: 8 },
    base: 1,
    fish,
    strikeM: 0.45 * Math.exp(0.2 * normal(random)),
    chance: 0.25 + 0.2 * random(),
    tempC: 5,
    secchiM: 4,
    start,
    // Where the break comes nearest to the bank.
    nearestPoint: (from) => {
      const tips = Array.from({ length: 301 }, (_, k) => -150 + k).filter((x) => breakY(x) < breakY(x - 1) && breakY(x) <= breakY(x + 1));
      return { x: tips.reduce((best, x) => (Math.abs(x - from.x) < Math.abs(best - from.x) ? x : best), tips[0] ?? from.x), y: 0 };
    },
    outward: 0,
    isWater: ({ x, y }) => y >= 0 && y <= 90 && Math.abs(x) <= 160,
  };
}

/** A river thirty metres wide: fish hold to lies that are marked, and along a seam. */
export function river(seed: number): CastWorld {
  const random = seededRandom(seed + 50_000);
  const depth = (x: number, y: number) => (y < 0 || y > 30 ? NaN : 0.3 + 2.6 * Math.sin((Math.PI * y) / 30) ** 1.2 * (0.7 + 0.3 * Math.sin(x / 40)));
  const lies = Array.from({ length: 9 }, (_, k) => ({ x: -130 + k * 32 + 16 * (random() - 0.5), y: 5 + 20 * random() }));
  const seamY = (x: number) => 12 + 3 * Math.sin(x / 30);
  const fish = Array.from({ length: 45 }, (): Place => {
    const roll = random();
    if (roll < 0.68) return near(lies[Math.floor(random() * lies.length)], 1, random);
    const x = -150 + 300 * random();
    return roll < 0.85 ? { x, y: seamY(x) + 0.8 * normal(random) } : { x, y: 2 + 26 * random() };
  });
  const marked = lies.map((l) => off(l, random));
  const map = mapOf(depth, [-160, 160], [0, 30], random);
  return {
    map,
    shores: [[frame.toLonLat(-160, 0), frame.toLonLat(160, 0), frame.toLonLat(160, 30), frame.toLonLat(-160, 30)]],
    targets: [
      ...marked.map((m): CastTarget => ({ kind: 'lie', ...m, name: 'lie', weight: 6, reachM: 3 })),
      ...Array.from({ length: 150 }, (_, k): CastTarget => ({ kind: 'seam', x: -150 + 2 * k, y: seamY(-150 + 2 * k) + random() - 0.5, name: 'seam', weight: 1.2, reachM: 1.5 })),
    ],
    band: { fromM: 0.4, toM: 9 },
    base: 0.12,
    fish,
    strikeM: 0.4 * Math.exp(0.2 * normal(random)),
    chance: 0.25 + 0.2 * random(),
    tempC: 5,
    secchiM: 1.6,
    start: { x: -60 + 120 * random(), y: 0 },
    nearestPoint: (from) => ({ x: marked.reduce((best, l) => (Math.abs(l.x - from.x) < Math.abs(best.x - from.x) ? l : best)).x, y: 0 }),
    outward: 0,
    isWater: ({ x, y }) => y >= 0 && y <= 30 && Math.abs(x) <= 160,
  };
}
