import type { CastWater, Spot } from '../casting';

/** So near to what a lane should pass through it passes it, and from so far it is drawn over, m; what a metre of each is worth in metres of the band. Heuristic. */
const [throughM, throughWorth, drawsM, drawWorth] = [8, 3, 60, 1.5] as const;

/**
 * What a metre of lane is worth more for lying near to what it should pass through, in metres of the band: most right over it, and less and less out to
 * where it still draws a lane over; null where there is nothing.
 */
export function worthNear(spots: readonly Spot[]): ((x: number, y: number) => number) | null {
  if (spots.length === 0) return null;
  const key = (i: number, j: number) => i * 65_536 + j;
  const square = (v: number) => Math.round(v / drawsM);
  const near = new Map<number, Spot[]>();
  for (const spot of spots)
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++) {
        const k = key(square(spot.x) + i, square(spot.y) + j);
        near.set(k, [...(near.get(k) ?? []), spot]);
      }
  return (x, y) => {
    let worth = 0;
    for (const s of near.get(key(square(x), square(y))) ?? []) {
      const awayM = Math.hypot(s.x - x, s.y - y);
      worth = Math.max(worth, (awayM <= throughM ? throughWorth : 0) + drawWorth * Math.max(0, 1 - awayM / drawsM));
    }
    return worth;
  };
}

/** The place nearest to another with so much water, within `withinM`; null where there is none. */
export function deepNear(water: CastWater, from: Spot, leastM: number, withinM: number): Spot | null {
  if (water.depth(from.x, from.y) >= leastM) return from;
  for (let r = 4; r <= withinM; r += 4)
    for (let k = 0; k < 24; k++) {
      const spot = { x: from.x + r * Math.sin((k * Math.PI) / 12), y: from.y + r * Math.cos((k * Math.PI) / 12) };
      if (water.depth(spot.x, spot.y) >= leastM) return spot;
    }
  return null;
}
