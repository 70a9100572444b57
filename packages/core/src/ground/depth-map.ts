import { contours } from 'd3-contour';
import { LocalFrame, type LonLat } from '../units';
import { Kriging } from './kriging';
import { isInside, pointsAlong, ringArea, ringOf } from './outline';
import { fitVariogram } from './variogram';

export interface Sounding {
  at: LonLat;
  depthM: number;
}

/** The bed of a water on a square grid, row by row from south-west; NaN outside the outline. */
export interface DepthMap {
  lon0: number;
  lat0: number;
  /** Centre of the first cell, m from the frame's middle. */
  x0: number;
  y0: number;
  cellM: number;
  nx: number;
  ny: number;
  depthM: Float32Array;
  sdM: Float32Array;
  areaM2: number;
  deepest: { at: LonLat; depthM: number };
  soundings: number;
}

/** A depth line: closed rings in longitude and latitude. */
export interface Contour {
  depthM: number;
  rings: LonLat[][];
}

/** Soundings closer together than this are one, m. */
const mergeM = 0.5;

/**
 * Builds the depth map of a water from its outline and soundings, by kriging with zero depth along the shore.
 * @param outline ring of longitude and latitude
 * @param options cells along the longer side, 20 to 400
 * Throws RangeError for an outline without area or fewer than four soundings.
 */
export function buildDepthMap(outline: readonly LonLat[], soundings: readonly Sounding[], options: { cells?: number; shore?: boolean } = {}): DepthMap {
  const frame = LocalFrame.about(outline);
  const ring = ringOf(outline.map((p) => frame.toMetres(p)));
  const areaM2 = ringArea(ring);
  if (!(areaM2 > 0)) throw new RangeError('an outline must enclose an area');
  const xs = ring.filter((_, i) => i % 2 === 0);
  const ys = ring.filter((_, i) => i % 2 === 1);
  const spanX = Math.max(...xs) - Math.min(...xs);
  const spanY = Math.max(...ys) - Math.min(...ys);
  const cellM = Math.max(spanX, spanY) / (options.cells ?? 110);
  const nx = Math.ceil(spanX / cellM) + 3;
  const ny = Math.ceil(spanY / cellM) + 3;
  const x0 = Math.min(...xs) - cellM;
  const y0 = Math.min(...ys) - cellM;

  const points = mergedSoundings(frame, soundings);
  if (points.z.length < 4) throw new RangeError(`a depth map needs at least 4 soundings apart from each other, found ${points.z.length}`);
  const variogram = fitVariogram(points.x, points.y, points.z, Math.max(spanX, spanY) / 3);
  const measured = points.z.length;
  if (options.shore !== false) {
    const shore = pointsAlong(ring, 3 * cellM);
    for (let i = 0; i < shore.length; i += 2) addPoint(points, shore[i], shore[i + 1], 0);
  }
  const kriging = new Kriging(points.x, points.y, points.z, variogram);
  kriging.calibrate(measured);

  const depthM = new Float32Array(nx * ny).fill(NaN);
  const sdM = new Float32Array(nx * ny).fill(NaN);
  const out = { value: 0, sd: 0 };
  let deepestCell = -1;
  for (let j = 0, c = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++, c++) {
      const x = x0 + i * cellM;
      const y = y0 + j * cellM;
      if (!isInside(ring, x, y)) continue;
      kriging.estimate(x, y, out);
      depthM[c] = options.shore === false ? out.value : Math.max(0, out.value);
      sdM[c] = out.sd;
      if (deepestCell < 0 || depthM[c] > depthM[deepestCell]) deepestCell = c;
    }
  }
  if (deepestCell < 0) throw new RangeError('no cell of the depth map lies inside the outline');
  const deepest = { at: frame.toLonLat(x0 + (deepestCell % nx) * cellM, y0 + Math.floor(deepestCell / nx) * cellM), depthM: depthM[deepestCell] };
  return { lon0: frame.lon0, lat0: frame.lat0, x0, y0, cellM, nx, ny, depthM, sdM, areaM2, deepest, soundings: measured };
}

interface Points {
  x: number[];
  y: number[];
  z: number[];
}

const addPoint = (points: Points, x: number, y: number, z: number) => {
  points.x.push(x);
  points.y.push(y);
  points.z.push(z);
};

/** Soundings at one place become their mean. */
function mergedSoundings(frame: LocalFrame, soundings: readonly Sounding[]): Points {
  const places = new Map<string, { x: number; y: number; sum: number; n: number }>();
  for (const { at, depthM } of soundings) {
    const [x, y] = frame.toMetres(at);
    const key = `${Math.round(x / mergeM)},${Math.round(y / mergeM)}`;
    const place = places.get(key) ?? { x, y, sum: 0, n: 0 };
    place.sum += depthM;
    place.n++;
    places.set(key, place);
  }
  const points: Points = { x: [], y: [], z: [] };
  for (const { x, y, sum, n } of places.values()) addPoint(points, x, y, sum / n);
  return points;
}

/** Depth and its standard deviation at a place, m, between the four cells about it; null outside the outline. */
export function depthAt(map: DepthMap, at: LonLat): { depthM: number; sdM: number } | null {
  const [x, y] = new LocalFrame(map.lon0, map.lat0).toMetres(at);
  const fx = (x - map.x0) / map.cellM;
  const fy = (y - map.y0) / map.cellM;
  const i = Math.floor(fx);
  const j = Math.floor(fy);
  if (i < 0 || j < 0 || i + 1 >= map.nx || j + 1 >= map.ny) return null;
  let depth = 0;
  let sd = 0;
  let weight = 0;
  for (const [di, dj] of [
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ]) {
    const c = (j + dj) * map.nx + i + di;
    if (Number.isNaN(map.depthM[c])) continue;
    const w = (di ? fx - i : 1 - fx + i) * (dj ? fy - j : 1 - fy + j);
    depth += w * map.depthM[c];
    sd += w * map.sdM[c];
    weight += w;
  }
  return weight > 0.25 ? { depthM: depth / weight, sdM: sd / weight } : null;
}

/** Depth lines at the given depths (m, ascending), by marching squares. */
export function contourLines(map: DepthMap, depthsM: readonly number[]): Contour[] {
  const frame = new LocalFrame(map.lon0, map.lat0);
  const values = Array.from(map.depthM, (d) => (Number.isNaN(d) ? -0.3 : d));
  const found = contours()
    .size([map.nx, map.ny])
    .thresholds([...depthsM])(values);
  const place = ([gx, gy]: number[]): LonLat => frame.toLonLat(map.x0 + (gx - 0.5) * map.cellM, map.y0 + (gy - 0.5) * map.cellM);
  return found.map((c) => ({ depthM: c.value, rings: c.coordinates.flatMap((polygon) => polygon.map((ring) => ring.map(place))) }));
}

/** Even depths for contours: steps of 1, 2, 5 or 10 display units that give at most ten lines. */
export function contourDepths(deepestM: number, metresPerUnit: number): number[] {
  const step = [1, 2, 4, 5, 8, 10, 20, 40].find((s) => deepestM / (s * metresPerUnit) <= 8) ?? 50;
  const depths: number[] = [];
  for (let d = step; d * metresPerUnit < deepestM; d += step) depths.push(d * metresPerUnit);
  return depths;
}
