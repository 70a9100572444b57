import { LocalFrame, type LonLat } from '../units';
import type { DepthMap } from './depth-map';

/** An arm of the water that the land closes about: a cove, a pocket, a narrow bay. */
export interface Cove {
  /** Middle of its mouth, where the open water begins. */
  mouth: LonLat;
  /** Its furthest end. */
  tip: LonLat;
  /** From the mouth to the end by water, m. */
  lengthM: number;
  areaM2: number;
  /** Places within, some 15 m apart, with how far in they lie, m. */
  places: { at: LonLat; inM: number; depthM: number }[];
}

/** What counts as a cove. Heuristic: where no circle of about a third of the water's greatest half width fits in, longer than it is an uneven shore. */
export const coveLimits = { widthShare: 0.35, leastHalfM: 15, mostHalfM: 60, lengthM: 45, areaM2: 600, apartM: 15 } as const;

/** Distance of each cell to the nearest one that is set, in cells: two passes over it and its diagonals. */
function distances(isSet: (cell: number) => boolean, nx: number, ny: number): Float32Array {
  const away = Float32Array.from({ length: nx * ny }, (_, c) => (isSet(c) ? 0 : Infinity));
  const near = (c: number, i: number, j: number, di: number, dj: number) => {
    const [x, y] = [i + di, j + dj];
    if (x < 0 || y < 0 || x >= nx || y >= ny) return;
    away[c] = Math.min(away[c], away[y * nx + x] + (di !== 0 && dj !== 0 ? Math.SQRT2 : 1));
  };
  const before = [[-1, 0], [0, -1], [-1, -1], [1, -1]] as const; // prettier-ignore
  for (let j = 0; j < ny; j++) for (let i = 0; i < nx; i++) for (const [di, dj] of before) near(j * nx + i, i, j, di, dj);
  for (let j = ny - 1; j >= 0; j--) for (let i = nx - 1; i >= 0; i--) for (const [di, dj] of before) near(j * nx + i, i, j, -di, -dj);
  return away;
}

/** How far water lies from land, m; land beyond the map counts. The shore runs half a cell before the first one of water. */
function fromLand({ depthM, nx, ny, cellM }: DepthMap): Float32Array {
  const [wx, wy] = [nx + 2, ny + 2];
  const isWater = (i: number, j: number) => i >= 0 && j >= 0 && i < nx && j < ny && depthM[j * nx + i] >= 0;
  const padded = distances((c) => !isWater((c % wx) - 1, Math.floor(c / wx) - 1), wx, wy);
  return Float32Array.from({ length: nx * ny }, (_, c) => cellM * Math.max(0, padded[(Math.floor(c / nx) + 1) * wx + (c % nx) + 1] - 0.5));
}

/** The coves of a water, the largest first. */
export function findCoves(map: DepthMap): Cove[] {
  const { depthM, nx, ny, cellM } = map;
  const land = fromLand(map);
  const widest = land.reduce((most, d) => Math.max(most, d), 0);
  const halfM = Math.min(coveLimits.mostHalfM, Math.max(coveLimits.leastHalfM, coveLimits.widthShare * widest));
  // Where a circle of that size fits in is open water, and all that it covers.
  const fromCore = distances((c) => land[c] >= halfM, nx, ny);
  const isOpen = (c: number) => fromCore[c] * cellM <= halfM + cellM / 2;
  const seen = new Uint8Array(nx * ny);
  const coves: Cove[] = [];
  for (let c = 0; c < depthM.length; c++) {
    if (seen[c] === 1 || !(depthM[c] >= 0) || isOpen(c)) continue;
    const cove = coveOf(map, flooded(map, c, isOpen, seen), isOpen);
    if (cove) coves.push(cove);
  }
  return coves.sort((a, b) => b.areaM2 - a.areaM2);
}

/** Cells of water about a cell, step by step over their sides. */
function around({ depthM, nx, ny }: DepthMap, c: number): number[] {
  const [i, j] = [c % nx, Math.floor(c / nx)];
  return [i > 0 ? c - 1 : -1, i < nx - 1 ? c + 1 : -1, j > 0 ? c - nx : -1, j < ny - 1 ? c + nx : -1].filter((k) => k >= 0 && depthM[k] >= 0);
}

function flooded(map: DepthMap, from: number, isOpen: (c: number) => boolean, seen: Uint8Array): number[] {
  const cells = [from];
  seen[from] = 1;
  for (let k = 0; k < cells.length; k++)
    for (const c of around(map, cells[k])) {
      if (seen[c] === 1 || isOpen(c)) continue;
      seen[c] = 1;
      cells.push(c);
    }
  return cells;
}

/** Steps from the open water into a cove, cell by cell. */
function stepsIn(map: DepthMap, cells: readonly number[], isOpen: (c: number) => boolean): Map<number, number> {
  const mouth = cells.filter((c) => around(map, c).some(isOpen));
  const steps = new Map(mouth.map((c) => [c, 0]));
  const queue = [...mouth];
  const within = new Set(cells);
  for (let k = 0; k < queue.length; k++)
    for (const c of around(map, queue[k])) {
      if (!within.has(c) || steps.has(c)) continue;
      steps.set(c, steps.get(queue[k])! + 1);
      queue.push(c);
    }
  return steps;
}

function coveOf(map: DepthMap, cells: readonly number[], isOpen: (c: number) => boolean): Cove | null {
  const { cellM, nx, x0, y0, depthM } = map;
  const areaM2 = cells.length * cellM ** 2;
  const steps = stepsIn(map, cells, isOpen);
  const reached = [...steps].sort((a, b) => a[1] - b[1]);
  const lengthM = reached.length > 0 ? (reached[reached.length - 1][1] + 1) * cellM : 0;
  if (areaM2 < coveLimits.areaM2 || lengthM < coveLimits.lengthM) return null;
  const frame = new LocalFrame(map.lon0, map.lat0);
  const at = (c: number): [number, number] => [x0 + (c % nx) * cellM, y0 + Math.floor(c / nx) * cellM];
  const mouth = reached.filter(([, k]) => k === 0).map(([c]) => at(c));
  const mean = (axis: 0 | 1) => mouth.reduce((sum, p) => sum + p[axis], 0) / mouth.length;
  const chosen: [number, number][] = [];
  const places: Cove['places'] = [];
  for (const [c, k] of reached) {
    const [x, y] = at(c);
    if (chosen.some(([px, py]) => Math.hypot(px - x, py - y) < coveLimits.apartM)) continue;
    chosen.push([x, y]);
    places.push({ at: frame.toLonLat(x, y), inM: (k + 0.5) * cellM, depthM: depthM[c] });
  }
  return { mouth: frame.toLonLat(mean(0), mean(1)), tip: frame.toLonLat(...at(reached[reached.length - 1][0])), lengthM, areaM2, places };
}

/** From about 2 in 3 a bank under water is a wall; how far off the shore its depth is taken, m, and how far apart walls are named. Heuristic. */
export const wallLimits = { slope: 0.62, offM: 12, apartM: 40 } as const;

/** Places over steep banks, a step off the shore: where the bed falls as steeply as a wall. */
export function findWalls(map: DepthMap): { at: LonLat; depthM: number; slope: number }[] {
  const { depthM, nx, x0, y0, cellM } = map;
  const land = fromLand(map);
  const frame = new LocalFrame(map.lon0, map.lat0);
  const steep = Array.from(depthM, (d, c) => ({ c, slope: d >= 0 && Math.abs(land[c] - wallLimits.offM) <= Math.max(cellM, 4) ? d / land[c] : 0 }))
    .filter(({ slope }) => slope >= wallLimits.slope)
    .sort((a, b) => b.slope - a.slope);
  const chosen: { x: number; y: number; c: number; slope: number }[] = [];
  for (const { c, slope } of steep) {
    const [x, y] = [x0 + (c % nx) * cellM, y0 + Math.floor(c / nx) * cellM];
    if (chosen.every((p) => Math.hypot(p.x - x, p.y - y) >= wallLimits.apartM)) chosen.push({ x, y, c, slope });
  }
  return chosen.map(({ x, y, c, slope }) => ({ at: frame.toLonLat(x, y), depthM: depthM[c], slope }));
}
