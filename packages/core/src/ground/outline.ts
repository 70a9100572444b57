import type { LonLat } from '../units';

/** A closed ring in metres as interleaved x, y; the last point differs from the first. */
export type Ring = Float64Array;

/** Ring from points; a closing point equal to the first is left out. Throws RangeError with fewer than three corners. */
export function ringOf(points: readonly (readonly [number, number])[]): Ring {
  const last = points[points.length - 1];
  const closed = points.length > 1 && last[0] === points[0][0] && last[1] === points[0][1];
  const open = closed ? points.slice(0, -1) : points;
  if (open.length < 3) throw new RangeError(`an outline needs at least 3 corners, found ${open.length}`);
  return Float64Array.from(open.flat());
}

/** Corners that a thinned shore keeps: as many as a finger can find its way among. */
const mostCorners = 40;

/**
 * A shore of at most 40 corners, open: again and again the corner goes that changes the area least. Source: Visvalingam & Whyatt 1993.
 * Throws RangeError with fewer than three corners.
 */
export function thinnedRing(places: readonly LonLat[]): LonLat[] {
  const ring = ringOf(places);
  const shrink = Math.cos((places[0][1] * Math.PI) / 180);
  const left: LonLat[] = [];
  for (let i = 0; i < ring.length; i += 2) left.push([ring[i], ring[i + 1]]);
  const changes = (i: number) => {
    const [a, b, c] = [left[(i + left.length - 1) % left.length], left[i], left[(i + 1) % left.length]];
    return Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) * shrink;
  };
  const areas = left.map((_, i) => changes(i));
  while (left.length > mostCorners) {
    const at = areas.indexOf(Math.min(...areas));
    left.splice(at, 1);
    areas.splice(at, 1);
    for (const near of [at - 1, at]) areas[(near + left.length) % left.length] = changes((near + left.length) % left.length);
  }
  return left;
}

/** Area inside a ring, m². */
export function ringArea(ring: Ring): number {
  let twice = 0;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) twice += ring[j] * ring[i + 1] - ring[i] * ring[j + 1];
  return Math.abs(twice) / 2;
}

/** Whether a point lies inside the ring (even–odd rule). */
export function isInside(ring: Ring, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
    const yi = ring[i + 1];
    const yj = ring[j + 1];
    if (yi > y !== yj > y && x < ((ring[j] - ring[i]) * (y - yi)) / (yj - yi) + ring[i]) inside = !inside;
  }
  return inside;
}

/** Points along the ring no further apart than `stepM`, corners included, as interleaved x, y. */
export function pointsAlong(ring: Ring, stepM: number): number[] {
  const points: number[] = [];
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    const pieces = Math.max(1, Math.ceil(Math.hypot(ring[j] - ring[i], ring[j + 1] - ring[i + 1]) / stepM));
    for (let k = 0; k < pieces; k++) points.push(ring[i] + ((ring[j] - ring[i]) * k) / pieces, ring[i + 1] + ((ring[j + 1] - ring[i + 1]) * k) / pieces);
  }
  return points;
}

/** Where a level line crosses the ring, ascending x: inside lies between the first and second, third and fourth. */
export function crossings(ring: Ring, y: number): number[] {
  const found: number[] = [];
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
    const yi = ring[i + 1];
    const yj = ring[j + 1];
    if (yi > y !== yj > y) found.push(((ring[j] - ring[i]) * (y - yi)) / (yj - yi) + ring[i]);
  }
  return found.sort((a, b) => a - b);
}
