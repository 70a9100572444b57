import type { Spot } from '../casting';

/** Length of a way, m. */
export const laneLength = (spots: readonly Spot[]): number => spots.slice(1).reduce((sum, p, k) => sum + Math.hypot(p.x - spots[k].x, p.y - spots[k].y), 0);

/** Radius of the circle through three points half of `turnM` apart along a way, the least of it, m. */
export function tightestTurn(spots: readonly Spot[], turnM: number): number {
  const along = [0];
  for (let k = 1; k < spots.length; k++) along.push(along[k - 1] + Math.hypot(spots[k].x - spots[k - 1].x, spots[k].y - spots[k - 1].y));
  const total = along[along.length - 1];
  let j = 0;
  const at = (s: number): Spot => {
    while (j < spots.length - 2 && along[j + 1] < s) j++;
    while (j > 0 && along[j] > s) j--;
    const u = (s - along[j]) / Math.max(1e-9, along[j + 1] - along[j]);
    return { x: spots[j].x + u * (spots[j + 1].x - spots[j].x), y: spots[j].y + u * (spots[j + 1].y - spots[j].y) };
  };
  let least = Infinity;
  for (let s = 0; s + turnM <= total; s += 0.5) {
    const [a, b, c] = [at(s), at(s + turnM / 2), at(s + turnM)];
    const area = Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) / 2;
    const sides = Math.hypot(b.x - a.x, b.y - a.y) * Math.hypot(c.x - b.x, c.y - b.y) * Math.hypot(c.x - a.x, c.y - a.y);
    if (area > 1e-9) least = Math.min(least, sides / (4 * area));
  }
  return least;
}
