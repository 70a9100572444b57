import type { WaterFile } from '@burrow/contract/formats';
import { banded, Chart, type Metres } from './chart';

const [west, east] = [-1050, 1050];
const middle = (s: number): Metres => [s, 130 * Math.sin(s / 430)];
/** The points of the southern shore run out long and tapering; the northern shore is a wall. */
const points = [-720, -260, 180, 640] as const;
const point = (s: number) => points.reduce((sum, p) => sum + Math.exp(-(((s - p) / 62) ** 2)), 0);
const taper = (s: number) => Math.sqrt(Math.max(0.03, 1 - ((s - 30) / (east + 40)) ** 4)) * (0.62 + 0.38 * ((s - west) / (east - west)));
const north = (s: number) => 118 * taper(s);
const south = (s: number) => 168 * taper(s) - 70 * point(s) * taper(s);
const chart = new Chart(-140.16, 47.09, banded(west, east, 20, middle, north, south));

/** Share of the way from the southern shore (0) over the middle line to the northern wall (1), about. */
function across(x: number, y: number): number {
  const off = y - middle(x)[1];
  return off >= 0 ? 0.6 + (0.4 * off) / north(x) : 0.6 * (1 + off / south(x));
}

/** The bed of the reservoir, drawn down three metres: a drowned valley that deepens to the dam in the east. */
function bedDepth(x: number, y: number): number {
  const t = Math.min(1, Math.max(0, across(x, y)));
  const valley = 9 + 21.4 * Math.min(1, Math.max(0, (x - west) / (east - west - 160))) ** 0.9;
  // Gentle from the south with a shelf, up steeply to the wall in the north.
  const slope = t < 0.62 ? (t / 0.62) ** 1.35 : 1 - Math.max(0, (t - 0.82) / 0.18) ** 3;
  const shelf = 1 - 0.22 * Math.exp(-(((t - 0.3) / 0.09) ** 2));
  return Math.max(0, valley * slope * shelf * (1 - 0.34 * point(x) * Math.max(0, 1 - t / 0.5)));
}

/** Long, clear, drawn down 3 m, 31 m deep: a steep wall, points, drowned timber. */
export function verrinReservoir(): WaterFile {
  const wall = chart.shore.slice(chart.shore.length / 2);
  const at = (s: number, off: number): Metres => [s, middle(s)[1] + off];
  return {
    type: 'FeatureCollection',
    water: { name: 'Verrin Reservoir', kind: 'reservoir', timezone: 'Etc/GMT+9', elevation_m: 468, secchi_m: 7, species: ['lake-trout', 'lake-whitefish', 'burbot', 'smallmouth'] },
    features: [
      chart.outline(),
      chart.point(at(west + 18, 0), { role: 'inflow', name: 'old river' }),
      chart.point(at(east - 18, 0), { role: 'outflow', name: 'dam' }),
      chart.point(at(-480, -55), { role: 'cover', kind: 'timber', name: 'drowned timber' }),
      chart.point(at(-430, -62), { role: 'cover', kind: 'timber' }),
      chart.point(at(390, -70), { role: 'cover', kind: 'brush' }),
      chart.point(at(180, -70), { role: 'hard' }),
      chart.point(at(640, -85), { role: 'hard' }),
      chart.line(wall.slice(8, 60), { role: 'bank', height_m: 38, steepness: 'wall' }),
      chart.line(wall.slice(60, 100), { role: 'bank', height_m: 18, steepness: 'steep' }),
      ...chart.soundings(bedDepth, { seed: 31, count: 1500, apartM: 11, edgeM: 6, spanM: [2140, 700] }),
    ],
  };
}
