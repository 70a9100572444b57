import { contours } from 'd3-contour';
import { LocalFrame, type LonLat } from '../units';

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

/** The pieces of depth lines that lie inside the map: what runs along its edge says only that the map ends there. */
export function innerLines(map: DepthMap, contours: readonly Contour[]): { depthM: number; line: LonLat[] }[] {
  const frame = new LocalFrame(map.lon0, map.lat0);
  const isInner = (p: LonLat) => {
    const [x, y] = frame.toMetres(p);
    const [i, j] = [Math.round((x - map.x0) / map.cellM), Math.round((y - map.y0) / map.cellM)];
    for (let dj = -1; dj <= 1; dj++)
      for (let di = -1; di <= 1; di++) {
        const inGrid = i + di >= 0 && i + di < map.nx && j + dj >= 0 && j + dj < map.ny;
        if (!inGrid || Number.isNaN(map.depthM[(j + dj) * map.nx + i + di])) return false;
      }
    return true;
  };
  return contours.flatMap(({ depthM, rings }) =>
    rings.flatMap((ring) => {
      const runs: LonLat[][] = [[]];
      for (const p of ring) {
        if (isInner(p)) runs[runs.length - 1].push(p);
        else if (runs[runs.length - 1].length > 0) runs.push([]);
      }
      return runs.filter((run) => run.length > 1).map((line) => ({ depthM, line }));
    }),
  );
}

/** Even depths for contours: steps of 1, 2, 5 or 10 display units that give at most ten lines. */
export function contourDepths(deepestM: number, metresPerUnit: number): number[] {
  const step = [1, 2, 4, 5, 8, 10, 20, 40].find((s) => deepestM / (s * metresPerUnit) <= 8) ?? 50;
  const depths: number[] = [];
  for (let d = step; d * metresPerUnit < deepestM; d += step) depths.push(d * metresPerUnit);
  return depths;
}
