import { LocalFrame, type DepthMap, type LonLat } from '../ground';

/** A wide, deep stretch where river fish spend the winter. */
export interface WinteringPool {
  at: LonLat;
  /** Deepest water of it, m. */
  depthM: number;
  meanDepthM: number;
  areaM2: number;
  /** Longest distance across it, m. */
  lengthM: number;
  /** Cells of the depth map that belong to it. */
  cells: number[];
}

/** Water of this share of the deepest belongs to a pool; smaller ones than this are a hole in the bed, m². Heuristic; source: fieldcraft. */
const limits = { depthShare: 0.6, leastM2: 60 } as const;

/** The wintering pools of a river, best first: connected water of at least six tenths of the greatest depth, ranked by how much deep water it holds. */
export function winteringPools(map: DepthMap): WinteringPool[] {
  const least = limits.depthShare * map.deepest.depthM;
  const seen = new Uint8Array(map.depthM.length);
  const pools: WinteringPool[] = [];
  for (let c = 0; c < seen.length; c++) {
    if (seen[c] === 1 || !(map.depthM[c] >= least)) continue;
    const cells = flood(map, c, least, seen);
    if (cells.length * map.cellM ** 2 >= limits.leastM2) pools.push(poolOf(map, cells));
  }
  return pools.sort((a, b) => b.areaM2 * b.meanDepthM - a.areaM2 * a.meanDepthM);
}

function flood({ depthM, nx }: DepthMap, from: number, least: number, seen: Uint8Array): number[] {
  const cells = [from];
  seen[from] = 1;
  for (let k = 0; k < cells.length; k++) {
    for (const step of [1, -1, nx, -nx]) {
      const c = cells[k] + step;
      if (seen[c] === 0 && depthM[c] >= least) {
        seen[c] = 1;
        cells.push(c);
      }
    }
  }
  return cells;
}

function poolOf(map: DepthMap, cells: number[]): WinteringPool {
  let [deepest, sum] = [cells[0], 0];
  for (const c of cells) {
    sum += map.depthM[c];
    if (map.depthM[c] > map.depthM[deepest]) deepest = c;
  }
  const x = (c: number) => map.x0 + (c % map.nx) * map.cellM;
  const y = (c: number) => map.y0 + Math.floor(c / map.nx) * map.cellM;
  // Twice to the furthest: the length of what is longer than wide.
  const furthest = (from: number) => cells.reduce((far, c) => (Math.hypot(x(c) - x(from), y(c) - y(from)) > Math.hypot(x(far) - x(from), y(far) - y(from)) ? c : far), from);
  const [end, other] = [furthest(deepest), furthest(furthest(deepest))];
  return {
    at: new LocalFrame(map.lon0, map.lat0).toLonLat(x(deepest), y(deepest)),
    depthM: map.depthM[deepest],
    meanDepthM: sum / cells.length,
    areaM2: cells.length * map.cellM ** 2,
    lengthM: Math.hypot(x(end) - x(other), y(end) - y(other)) + map.cellM,
    cells,
  };
}
