import { Relief, type DepthMap } from '../ground';

/** What flat and steep bed of a water are worth: where the bed falls away fish hold, and an even bed is all worth the same. Heuristic; source: fieldcraft ("fish where they break"). */
const edgeWorth = { flat: 0.4, steep: 2 } as const;

interface EdgeMap {
  map: DepthMap;
  worth: Float32Array;
}

const kept = new WeakMap<DepthMap, EdgeMap>();

/** What a place of a bed is worth by how steeply it falls, 0.4 to 2, against the steepest tenth of the water; 1 all over on a bed of one slope. */
export function edgeWorthAt(map: DepthMap): (x: number, y: number) => number {
  let edges = kept.get(map);
  if (!edges) {
    edges = { map, worth: worthOf(map) };
    kept.set(map, edges);
  }
  const { worth } = edges;
  return (x, y) => {
    const [i, j] = [Math.round((x - map.x0) / map.cellM), Math.round((y - map.y0) / map.cellM)];
    return i < 0 || j < 0 || i >= map.nx || j >= map.ny ? 1 : worth[j * map.nx + i];
  };
}

function worthOf(map: DepthMap): Float32Array {
  const relief = new Relief(map);
  const span = Math.max(1.5, map.cellM);
  const slopes = map.depthM.map((d, c) => (Number.isNaN(d) ? NaN : (relief.slope(relief.x(c), relief.y(c), span)?.slope ?? NaN)));
  const ordered = slopes.filter((s) => !Number.isNaN(s)).sort();
  const [low, high] = [ordered[Math.floor(0.3 * ordered.length)] ?? 0, ordered[Math.floor(0.9 * ordered.length)] ?? 0];
  const isEven = !(high - low > 0.02 + 0.1 * low);
  return slopes.map((s) => (isEven || Number.isNaN(s) ? 1 : edgeWorth.flat + (edgeWorth.steep - edgeWorth.flat) * Math.min(1, Math.max(0, (s - low) / (high - low)))));
}
