import { outAlong, type Spot } from './water';

/** Something that holds fish: cover, a hard patch, a lie, a piece of a seam; or fish that were seen. Place in metres of the map's frame. */
export interface CastTarget extends Spot {
  kind: 'cover' | 'hard' | 'lie' | 'seam' | 'school';
  name: string;
  /** How many times a square metre of plain band one beside it is worth. */
  weight: number;
  /** How far about it counts, m. */
  reachM: number;
}

/** What a square metre beside each kind is worth against plain band, and how far about it counts, m. Heuristic; source: fieldcraft ("rock on mud is everything"). */
export const targetWorth: Readonly<Record<CastTarget['kind'], { weight: number; reachM: number }>> = {
  hard: { weight: 8, reachM: 2.5 },
  cover: { weight: 6, reachM: 2.5 },
  lie: { weight: 8, reachM: 3.5 },
  seam: { weight: 3, reachM: 2 },
  // Fish that were seen there are worth more than anything that only may hold some.
  school: { weight: 40, reachM: 3 },
};

export const castTarget = (kind: CastTarget['kind'], spot: Spot, name: string, share = 1): CastTarget => ({
  kind,
  ...spot,
  name,
  weight: targetWorth[kind].weight * share,
  reachM: targetWorth[kind].reachM,
});

/** Side of the squares that targets are kept in, m. */
const squareM = 8;

/** What a square metre is worth at a place for what holds fish beside it. */
export function worthBy(targets: readonly CastTarget[]): (x: number, y: number) => number {
  const near = new Map<string, CastTarget[]>();
  const square = (v: number) => Math.floor(v / squareM);
  for (const t of targets) {
    const r = 3 * t.reachM;
    for (let i = square(t.x - r); i <= square(t.x + r); i++)
      for (let j = square(t.y - r); j <= square(t.y + r); j++) {
        const key = `${i},${j}`;
        const list = near.get(key);
        if (list) list.push(t);
        else near.set(key, [t]);
      }
  }
  return (x, y) => {
    let worth = 0;
    for (const t of near.get(`${square(x)},${square(y)}`) ?? []) {
      const far = (x - t.x) ** 2 + (y - t.y) ** 2;
      if (far < (3 * t.reachM) ** 2) worth += t.weight * Math.exp((-0.5 * far) / t.reachM ** 2);
    }
    return worth;
  };
}

/** What a cast passes by within `withinM`, from the stance outward, with how far out. */
export function passedBy(targets: readonly CastTarget[], from: Spot, bearingDeg: number, lengthM: number, withinM: number): { target: CastTarget; outM: number }[] {
  const end = outAlong(from, bearingDeg, lengthM);
  const [ex, ey] = [(end.x - from.x) / lengthM, (end.y - from.y) / lengthM];
  return targets
    .map((target) => {
      const along = (target.x - from.x) * ex + (target.y - from.y) * ey;
      const off = Math.abs((target.x - from.x) * ey - (target.y - from.y) * ex);
      return { target, outM: along, off };
    })
    .filter(({ outM, off }) => outM > 1 && outM < lengthM + withinM && off <= withinM)
    .sort((a, b) => a.outM - b.outM)
    .map(({ target, outM }) => ({ target, outM: Math.min(outM, lengthM) }));
}
