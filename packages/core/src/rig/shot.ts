import { requireWithin } from '../units';

/** A size of split shot. */
export interface ShotSize {
  name: string;
  massG: number;
}

/** Shot as it is sold, heaviest first; masses of non-toxic shot. Source: makers' pattern tables; the angler may weigh and change it. */
export const usualShot: readonly ShotSize[] = [
  { name: 'SSG', massG: 1.6 },
  { name: 'SA', massG: 1.2 },
  { name: 'AAA', massG: 0.81 },
  { name: 'AB', massG: 0.6 },
  { name: 'BB', massG: 0.4 },
  { name: 'No. 1', massG: 0.28 },
  { name: 'No. 3', massG: 0.24 },
  { name: 'No. 4', massG: 0.17 },
  { name: 'No. 5', massG: 0.15 },
  { name: 'No. 6', massG: 0.105 },
  { name: 'No. 8', massG: 0.063 },
  { name: 'No. 9', massG: 0.045 },
  { name: 'No. 10', massG: 0.034 },
  { name: 'No. 11', massG: 0.028 },
  { name: 'No. 12', massG: 0.02 },
  { name: 'No. 13', massG: 0.01 },
];

/** A size by its name. RangeError for one that is not in the table. */
export function shotOf(name: string): ShotSize {
  const size = usualShot.find((s) => s.name === name);
  if (!size) throw new RangeError(`expected a shot of ${usualShot.map((s) => s.name).join(', ')}, found "${name}"`);
  return size;
}

/** All together; strung out; a string with one dropper below; together with two droppers or more below. */
export const shotPatterns = ['bulk', 'strung', 'strung-dropper', 'bulk-droppers'] as const;
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
/** A string has about so many; droppers and what fills a bulk up, at most; what may be left before a pattern is given up, mg. */
const [usualString, mostDroppers, mostFill, spareMg] = [16, 4, 4, 29];
/** Droppers hang so far apart, m, and one below a string further from it, in its own gaps. Source: fieldcraft, pole. */
const [apartM, dropperGap] = [0.05, 1.6];
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

/** A choice of shot in milligrams: the group that is one in the pattern, what hangs below it, and what is left of the float. */
interface Choice {
  group: number[];
  droppers: number[];
  left: number;
  cost: number;
}

/** A remainder under 0.03 g is nearly as good as none; from there on every milligram counts. Convention. */
const missed = (left: number) => 0.15 * left + 40 * Math.max(0, left - spareMg);
const sum = (masses: readonly number[]) => masses.reduce((total, mg) => total + mg, 0);
const repeated = (mg: number, n: number): number[] => Array.from({ length: n }, () => mg);
const better = (a: Choice | null, b: Choice): Choice => (a === null || b.cost < a.cost ? b : a);

/** One group of equal ones, the rest in as few as go and none heavier. */
function together(sizes: readonly number[], roomMg: number): Choice | null {
  let best: Choice | null = null;
  for (const mg of sizes)
    for (let n = leastEqual; n <= mostEqual; n++) {
      const equal = n * mg;
      if (equal > roomMg || equal < 0.6 * roomMg) continue;
      // What fills it up stays smaller than the group, so that the pattern holds.
      const counts = fill(
        sizes.map((other) => (other <= mg ? other : roomMg + 1)),
        roomMg - equal,
        mostShots - n,
      );
      const rest = counts.flatMap((count, i) => repeated(sizes[i], count));
      const left = roomMg - equal - sum(rest);
      best = better(best, { group: [...repeated(mg, n), ...rest], droppers: [], left, cost: missed(left) + 4 * rest.length + 2 * Math.abs(n - 5) });
    }
  return best;
}

/** A string of equal small ones, about so many; with a dropper, one lighter than they below them. */
function string(sizes: readonly number[], roomMg: number, hasDropper: boolean): Choice | null {
  let best: Choice | null = null;
  for (const mg of sizes)
    for (let n = leastEqual; n <= mostShots; n++) {
      for (const dropper of hasDropper ? sizes.filter((other) => other < mg) : [0]) {
        const open = roomMg - n * mg - dropper;
        if (open < 0 || n * mg < 0.6 * roomMg) continue;
        // What fills it up hangs in the string, lighter than the rest of it.
        const counts = fill(
          sizes.map((other) => (other < mg && other > dropper ? other : roomMg + 1)),
          open,
          mostFill,
        );
        const rest = counts.flatMap((count, i) => repeated(sizes[i], count));
        const left = open - sum(rest);
        best = better(best, {
          group: [...repeated(mg, n), ...rest],
          droppers: dropper > 0 ? [dropper] : [],
          left,
          cost: missed(left) + 6 * rest.length + 2 * Math.abs(n - usualString),
        });
      }
    }
  return best;
}

/** A bulk and equal droppers below it, none heavier than the bulk's, together less than half. */
function bulkAndDroppers(sizes: readonly number[], roomMg: number): Choice | null {
  let best: Choice | null = null;
  for (const mg of sizes)
    for (let n = leastEqual; n <= mostEqual; n++)
      for (const dropper of sizes.filter((other) => other <= mg))
        for (let m = 2; m <= mostDroppers; m++) {
          const hung = n * mg + m * dropper;
          if (hung > roomMg || hung < 0.6 * roomMg || 2 * m * dropper >= hung) continue;
          const counts = fill(
            sizes.map((other) => (other <= mg ? other : roomMg + 1)),
            roomMg - hung,
            mostFill,
          );
          const rest = counts.flatMap((count, i) => repeated(sizes[i], count));
          const left = roomMg - hung - sum(rest);
          // Droppers far lighter than the bulk fall as they should: about a third of one of its shot.
          const shape = 6 * Math.abs(Math.log((3 * dropper) / mg));
          best = better(best, {
            group: [...repeated(mg, n), ...rest],
            droppers: repeated(dropper, m),
            left,
            cost: missed(left) + 10 * rest.length + 2 * Math.abs(n - 5) + 2 * Math.abs(m - 2) + shape,
          });
        }
  return best;
}

/**
 * Shot for a float by exact sums in milligrams: never over its capacity less hook and bait, at most 0.03 g left where the table allows it.
 * Capacity 0.02 to 60 g, depth 0.2 to 20 m. RangeError outside, and for a load that leaves nothing.
 */
export function shotPlan(capacityG: number, depthM: number, loadG = 0, pattern: ShotPattern = 'bulk-droppers', table: readonly ShotSize[] = usualShot): ShotPlan {
  requireWithin(capacityG, 0.02, 60, 'capacity', 'g');
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(loadG, 0, capacityG, 'load of hook and bait', 'g');
  const sizes = table.map((s) => inMg(s.massG)).filter((mg) => mg > 0);
  const roomMg = Math.floor((capacityG - loadG) * 1000 + 1e-6);
  const bySum = {
    bulk: () => together(sizes, roomMg),
    strung: () => string(sizes, roomMg, false),
    'strung-dropper': () => string(sizes, roomMg, true),
    'bulk-droppers': () => bulkAndDroppers(sizes, roomMg),
  }[pattern]();
  // Where the table has too little for the pattern it is filled with what there is.
  const chosen = bySum && bySum.left <= spareMg ? bySum : (together(sizes, roomMg) ?? filled(sizes, roomMg));
  const sizeOf = (mg: number) => table.find((s) => inMg(s.massG) === mg)!;
  const isAsWanted = chosen === bySum;
  const shots = isAsWanted
    ? placed(chosen.group.map(sizeOf), chosen.droppers.map(sizeOf), depthM, pattern)
    : placed(chosen.group.map(sizeOf), [], depthM, pattern === 'bulk' ? 'bulk' : 'strung');
  const totalG = sum(shots.map((s) => inMg(s.massG))) / 1000;
  return { shots, totalG, leftG: Math.max(0, Math.round((capacityG - loadG - totalG) * 1e6) / 1e6) };
}

/** As few as go, whatever their sizes. */
function filled(sizes: readonly number[], roomMg: number): Choice {
  const group = fill(sizes, roomMg, mostShots).flatMap((count, i) => repeated(sizes[i], count));
  return { group, droppers: [], left: roomMg - sum(group), cost: 0 };
}

/** Over the hook, m: droppers lowest, 5 cm or more apart; then what is one group, close together or strung out, heavier above lighter. */
function placed(group: readonly ShotSize[], droppers: readonly ShotSize[], depthM: number, pattern: ShotPattern): PlacedShot[] {
  const ordered = [...group].sort((a, b) => b.massG - a.massG);
  const n = ordered.length;
  const lowestM = Math.min(0.1, depthM / 4);
  const isStrung = pattern === 'strung' || pattern === 'strung-dropper';
  const spaceM = isStrung ? (0.7 * depthM - lowestM) / Math.max(1, n - 1 + (droppers.length > 0 ? dropperGap : 0)) : 0.01;
  const bulkM = Math.max(Math.min(0.6, depthM / 3), droppers.length > 0 ? lowestM + apartM * droppers.length : 0);
  const fromM = isStrung ? lowestM + (droppers.length > 0 ? dropperGap * spaceM : 0) : bulkM;
  const dropperM = (k: number) => lowestM + (k * Math.max(apartM, bulkM - lowestM)) / Math.max(1, droppers.length);
  const at = (aboveM: number) => Math.round(1000 * Math.min(0.95 * depthM, Math.max(0.02, aboveM))) / 1000;
  return [
    ...ordered.map((s, k) => ({ ...s, aboveHookM: at(isStrung && n < 2 ? bulkM : fromM + spaceM * (n - 1 - k)) })),
    ...droppers.map((s, k) => ({ ...s, aboveHookM: at(dropperM(droppers.length - 1 - k)) })),
  ];
}
