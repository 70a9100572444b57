import { requireWithin } from '../units';

/** A size of split shot. */
export interface ShotSize {
  name: string;
  massG: number;
}

/** Shot as it is sold, heaviest first; masses of non-toxic shot. Heuristic to a tenth: the angler may weigh and change it. */
export const usualShot: readonly ShotSize[] = [
  { name: 'SSG', massG: 1.6 },
  { name: 'SA', massG: 1.2 },
  { name: 'AAA', massG: 0.8 },
  { name: 'AB', massG: 0.6 },
  { name: 'BB', massG: 0.4 },
  { name: 'No. 1', massG: 0.28 },
  { name: 'No. 3', massG: 0.24 },
  { name: 'No. 4', massG: 0.17 },
  { name: 'No. 5', massG: 0.15 },
  { name: 'No. 6', massG: 0.1 },
  { name: 'No. 8', massG: 0.06 },
  { name: 'No. 9', massG: 0.05 },
  { name: 'No. 10', massG: 0.04 },
  { name: 'No. 11', massG: 0.03 },
  { name: 'No. 12', massG: 0.02 },
  { name: 'No. 13', massG: 0.01 },
];

/** A size by its name. RangeError for one that is not in the table. */
export function shotOf(name: string): ShotSize {
  const size = usualShot.find((s) => s.name === name);
  if (!size) throw new RangeError(`expected a shot of ${usualShot.map((s) => s.name).join(', ')}, found "${name}"`);
  return size;
}

export const shotPatterns = ['bulk', 'strung', 'bulk-droppers'] as const;
export type ShotPattern = (typeof shotPatterns)[number];

export interface PlacedShot extends ShotSize {
  /** Over the hook, m. */
  aboveHookM: number;
}

export interface ShotPlan {
  shots: PlacedShot[];
  totalG: number;
  /** What the float would still carry, g. */
  leftG: number;
}

/** Shot in one group, and how many at most in all. */
const [leastEqual, mostEqual, mostShots] = [3, 8, 24];
const inMg = (g: number) => Math.round(g * 1000);

/** The fewest shot that come nearest to `roomMg` from below, as counts by size; exact, over milligrams. */
function fill(sizes: readonly number[], roomMg: number, most: number): number[] {
  const fewest = new Int32Array(roomMg + 1).fill(1 << 20);
  const by = new Int32Array(roomMg + 1).fill(-1);
  fewest[0] = 0;
  for (let mg = 1; mg <= roomMg; mg++)
    for (let k = 0; k < sizes.length; k++) {
      const before = mg - sizes[k];
      if (before >= 0 && fewest[before] + 1 < fewest[mg]) {
        fewest[mg] = fewest[before] + 1;
        by[mg] = k;
      }
    }
  let top = roomMg;
  while (top > 0 && fewest[top] > most) top--;
  const counts = sizes.map(() => 0);
  for (let mg = top; mg > 0; mg -= sizes[by[mg]]) counts[by[mg]]++;
  return counts;
}

/**
 * Shot for a float by exact subset sum in milligrams: never over its capacity less hook and bait, at most 0.03 g left where the table
 * allows it; a group of equal ones first, the rest in as few as go. Capacity 0.02 to 60 g, depth 0.2 to 20 m. RangeError outside, and for
 * a load that leaves nothing.
 */
export function shotPlan(capacityG: number, depthM: number, loadG = 0, pattern: ShotPattern = 'bulk-droppers', table: readonly ShotSize[] = usualShot): ShotPlan {
  requireWithin(capacityG, 0.02, 60, 'capacity', 'g');
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(loadG, 0, capacityG, 'load of hook and bait', 'g');
  const sizes = table.map((s) => inMg(s.massG)).filter((mg) => mg > 0);
  const roomMg = Math.floor((capacityG - loadG) * 1000 + 1e-6);
  let best: { group: number; n: number; rest: number[]; left: number; cost: number } | null = null;
  for (let k = 0; k < sizes.length; k++) {
    for (let n = leastEqual; n <= mostEqual; n++) {
      const equal = n * sizes[k];
      if (equal > roomMg || equal < 0.6 * roomMg) continue;
      // What fills it up stays smaller than the group, so that the pattern holds.
      const smaller = sizes.map((mg) => (mg <= sizes[k] ? mg : roomMg + 1));
      const rest = fill(smaller, roomMg - equal, mostShots - n);
      const count = rest.reduce((sum, c) => sum + c, 0);
      const left = roomMg - equal - rest.reduce((sum, c, i) => sum + c * sizes[i], 0);
      const cost = 40 * Math.max(0, left - 30) + left + 4 * count + 2 * Math.abs(n - 5);
      if (best === null || cost < best.cost) best = { group: k, n, rest, left, cost };
    }
  }
  const counts = best ? best.rest : fill(sizes, roomMg, mostShots);
  const rest = counts.flatMap((c, i) => Array.from({ length: c }, () => table[i]));
  const group = best ? Array.from({ length: best.n }, () => table[best.group]) : [];
  const shots = placed(group, rest, depthM, pattern);
  const totalG = shots.reduce((sum, s) => sum + inMg(s.massG), 0) / 1000;
  return { shots, totalG, leftG: Math.max(0, Math.round((capacityG - loadG - totalG) * 1e6) / 1e6) };
}

/** Heavier above lighter: together for a quick fall, strung out for a slow one, or together with droppers below. */
function placed(group: readonly ShotSize[], rest: readonly ShotSize[], depthM: number, pattern: ShotPattern): PlacedShot[] {
  const all = [...group, ...rest].sort((a, b) => b.massG - a.massG);
  const n = all.length;
  const bulkM = Math.min(0.6, depthM / 3);
  const lowestM = Math.min(0.1, depthM / 4);
  const at = (k: number): number => {
    if (pattern === 'strung') return n < 2 ? bulkM : lowestM + ((0.7 * depthM - lowestM) * (n - 1 - k)) / (n - 1);
    if (pattern === 'bulk' || k < group.length) return bulkM + 0.01 * (n - 1 - k);
    const droppers = n - group.length;
    return lowestM + ((0.6 * bulkM - lowestM) * (n - 1 - k)) / Math.max(1, droppers - 1 || 1);
  };
  return all.map((s, k) => ({ ...s, aboveHookM: Math.round(1000 * Math.min(0.95 * depthM, Math.max(0.02, at(k)))) / 1000 }));
}
