import type { DepthMap } from './depth-map';

/** A hollow of the bed, or a rise when the bed is read upside down: its extreme, how far it stands out, and where it runs into a greater one. */
export interface Peak {
  cell: number;
  /** How far one must climb out of it before going deeper elsewhere, m. */
  reliefM: number;
  /** The pass to the greater neighbour, and that one's extreme; null for the greatest of all. */
  pass: { cell: number; into: number } | null;
}

/**
 * Hollows by their persistence: cells are flooded from the deepest up, hollows grow, and where two meet the lesser ends with its
 * relief. With `isRise` the same for rises, for which the shore is the ground they must stand off from.
 * Source: Edelsbrunner & Harer, Computational Topology, ch. VII.
 */
export function findPeaks(map: DepthMap, isRise: boolean): Peak[] {
  const { depthM, nx } = map;
  const cells = Int32Array.from({ length: depthM.length }, (_, c) => c).filter((c) => depthM[c] >= 0);
  const height = (c: number) => (isRise ? -depthM[c] : depthM[c]);
  cells.sort((a, b) => height(b) - height(a));
  const parent = new Int32Array(depthM.length).fill(-1);
  const root = (c: number) => {
    while (parent[c] !== c) c = parent[c] = parent[parent[c]];
    return c;
  };
  const around = [-1, 1, -nx, nx, -nx - 1, -nx + 1, nx - 1, nx + 1];
  const isShore = (c: number) => around.some((step) => !(depthM[c + step] >= 0));
  const peaks: Peak[] = [];
  // A rise that reaches the shore is no rise of its own: the shore counts as the greatest of them.
  const ashore = new Uint8Array(depthM.length);
  for (const c of cells) {
    parent[c] = c;
    ashore[c] = isRise && isShore(c) ? 1 : 0;
    for (const step of around) {
      const other = c + step;
      if (parent[other] === undefined || parent[other] < 0) continue;
      const [a, b] = [root(c), root(other)];
      if (a === b) continue;
      const isLesser = ashore[a] !== ashore[b] ? ashore[b] === 1 : height(a) < height(b);
      const [lesser, greater] = isLesser ? [a, b] : [b, a];
      if (lesser !== c && ashore[lesser] === 0) peaks.push({ cell: lesser, reliefM: height(lesser) - height(c), pass: { cell: c, into: greater } });
      parent[lesser] = greater;
    }
  }
  if (!isRise && cells.length > 0) {
    const deepest = root(cells[0]);
    peaks.push({ cell: deepest, reliefM: height(deepest), pass: null });
  }
  return peaks.sort((a, b) => b.reliefM - a.reliefM);
}
