import type { WaterFile } from '@burrow/contract/formats';
import { isInside, LocalFrame, ringOf } from '@burrow/core/ground';
import { seededRandom } from '@burrow/core/units';

/** Tamber Lake lies nowhere: its middle is a place in open ocean. */
const frame = new LocalFrame(-140, 47);
const areaM2 = 610_000;

const shape = (theta: number) =>
  1 + 0.16 * Math.cos(2 * (theta - 1.9)) + 0.1 * Math.cos(3 * (theta - 0.4)) + 0.05 * Math.cos(5 * (theta - 1)) - 0.22 * Math.exp(-(((theta - 3.6) / 0.35) ** 2));

const turns = Array.from({ length: 96 }, (_, i) => (i / 96) * 2 * Math.PI);
const unitArea = (() => {
  let twice = 0;
  for (let i = 0; i < turns.length; i++) {
    const [a, b] = [turns[i], turns[(i + 1) % turns.length]];
    twice += shape(a) * shape(b) * Math.sin(b - a);
  }
  return Math.abs(twice) / 2;
})();
const size = Math.sqrt(areaM2 / unitArea);

const shore = turns.map((t) => [size * shape(t) * Math.cos(t), size * shape(t) * Math.sin(t)] as const);
const ring = ringOf(shore);

function distanceToShore(x: number, y: number): number {
  let best = Infinity;
  for (let i = 0; i < shore.length; i++) {
    const [ax, ay] = shore[i];
    const [bx, by] = shore[(i + 1) % shore.length];
    const t = Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / ((bx - ax) ** 2 + (by - ay) ** 2)));
    best = Math.min(best, Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay)));
  }
  return best;
}

const bell = (x: number, y: number, cx: number, cy: number, rx: number, ry: number) => Math.exp(-(((x - cx) / rx) ** 2) - ((y - cy) / ry) ** 2);

/** The main basin: long slopes on three sides, a steep break down to it on the eastern one. */
function mainBasin(x: number, y: number): number {
  const across = x < 150 ? ((x - 150) / 150) ** 2 : ((x - 150) / 140) ** 6;
  return Math.exp(-across - ((y + 60) / 200) ** 2);
}

/** A tongue of ground that runs out from the southern shore to the edge of the basin. */
const southernPoint = (x: number, y: number) => Math.exp(-(((x - 10) / 46) ** 2)) / (1 + Math.exp((y + 165) / 16));

/** The bed of the lake, m deep: a main basin under a steep eastern break, a lesser one in the west, a saddle and a hump between, a point in the south. */
export function bedDepth(x: number, y: number): number {
  const u = distanceToShore(x, y);
  const east = 1 / (1 + Math.exp(-x / 70));
  const shelf = 1 - Math.exp(-((u / (95 - 62 * east)) ** 1.6));
  const deep = 3.6 + 9.8 * mainBasin(x, y) + 4.9 * bell(x, y, -210, 120, 130, 110) - 5.2 * bell(x, y, 20, 130, 55, 50) - 1.8 * bell(x, y, -260, -160, 120, 90);
  return Math.max(0, shelf * (deep - 3.2 * southernPoint(x, y)));
}

/** The water file: outline, soundings on wandering lines with a little error, inflow, weeds. */
export function tamberLake(): WaterFile {
  const random = seededRandom(61);
  const soundings: [number, number, number][] = [];
  while (soundings.length < 452) {
    const x = (random() - 0.5) * 2.6 * size;
    const y = (random() - 0.5) * 2.6 * size;
    if (!isInside(ring, x, y) || distanceToShore(x, y) < 6) continue;
    if (soundings.some(([sx, sy]) => Math.hypot(sx - x, sy - y) < 18)) continue;
    soundings.push([x, y, Math.max(0.2, bedDepth(x, y) + 0.12 * (random() + random() - 1))]);
  }
  const lonLat = (x: number, y: number): [number, number] => {
    const [lon, lat] = frame.toLonLat(x, y);
    return [Number(lon.toFixed(6)), Number(lat.toFixed(6))];
  };
  const outline = [...shore, shore[0]].map(([x, y]) => lonLat(x, y));
  const creek = shore[Math.round((3.6 / (2 * Math.PI)) * 96)];
  /** A stretch of shore between two shares of the way round, counted from the east against the clock. */
  const bank = (from: number, to: number, height_m: number, steepness: 'sloping' | 'steep') => ({
    type: 'Feature' as const,
    geometry: { type: 'LineString' as const, coordinates: shore.slice(Math.round(from * 96), Math.round(to * 96)).map(([x, y]) => lonLat(x, y)) },
    properties: { role: 'bank' as const, height_m, steepness },
  });
  const point = (x: number, y: number) => ({ type: 'Point' as const, coordinates: lonLat(x, y) });
  return {
    type: 'FeatureCollection',
    water: { name: 'Tamber Lake', kind: 'lake', timezone: 'Etc/GMT+9', elevation_m: 312, secchi_m: 3.2 },
    features: [
      { type: 'Feature', geometry: { type: 'Polygon', coordinates: [outline] }, properties: { role: 'outline' } },
      { type: 'Feature', geometry: point(creek[0], creek[1]), properties: { role: 'inflow', name: 'creek' } },
      { type: 'Feature', geometry: point(-290, -170), properties: { role: 'cover', kind: 'weeds' } },
      bank(0.62, 0.85, 16, 'steep'),
      bank(0.9, 0.99, 7, 'sloping'),
      ...soundings.map(([x, y, d]) => ({ type: 'Feature' as const, geometry: point(x, y), properties: { role: 'sounding' as const, depth_m: Math.round(d * 100) / 100 } })),
    ],
  };
}

/** Longitude and latitude of a place on the lake, and its depth. */
export const placeOnLake = (x: number, y: number) => ({ at: frame.toLonLat(x, y) as [number, number], depthM: bedDepth(x, y) });
