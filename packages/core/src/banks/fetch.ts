import { requireWithin } from '../units';

/** Rays of the effective fetch: every 6° within 42° to both sides of the wind. */
const rayStepDeg = 6;
const rayReachDeg = 42;
const gravity = 9.80665;
const radian = Math.PI / 180;

/** Closed ring in metres, interleaved x east, y north. */
type Ring = Float64Array;

/**
 * Effective fetch at a place of the shore for a wind, m: how much water the wind has run over. Source: Saville 1954,
 * F = Σ R·cos²α / Σ cos α over rays every 6° within ±42°, R the length of a ray to the far shore.
 * @param x place on the shore or the water, m
 * @param windFromDeg where the wind comes from, degrees from north
 */
export function effectiveFetch(ring: Ring, x: number, y: number, windFromDeg: number): number {
  let [sum, cosines] = [0, 0];
  for (let alpha = -rayReachDeg; alpha <= rayReachDeg; alpha += rayStepDeg) {
    const cos = Math.cos(alpha * radian);
    sum += rayLength(ring, x, y, windFromDeg + alpha) * cos * cos;
    cosines += cos;
  }
  return sum / cosines;
}

/** Length of a ray over water from a place of the shore toward a bearing, m; 0 where it goes inland at once. */
function rayLength(ring: Ring, x: number, y: number, bearingDeg: number): number {
  const [dx, dy] = [Math.sin(bearingDeg * radian), Math.cos(bearingDeg * radian)];
  const hits: number[] = [];
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
    const [ax, ay] = [ring[j] - x, ring[j + 1] - y];
    const [ex, ey] = [ring[i] - ring[j], ring[i + 1] - ring[j + 1]];
    const across = dx * ey - dy * ex;
    if (across === 0) continue;
    const along = (ax * ey - ay * ex) / across;
    const share = (ax * dy - ay * dx) / across;
    if (share >= 0 && share < 1 && along > leastM) hits.push(along);
  }
  // From a place on the shore a ray that starts over water leaves it at an odd number of crossings.
  return hits.length % 2 === 1 ? Math.min(...hits) : 0;
}
/** Closer than this a crossing is the place itself, m. */
const leastM = 0.05;

export type Shelter = 'glassy' | 'ripple' | 'chop' | 'rough';

/** Wave heights from which the next class begins, m. Heuristic; source: fieldcraft. */
export const shelterLimitsM = { ripple: 0.04, chop: 0.12, rough: 0.28 } as const;

/**
 * Significant wave height, m, and period, s, in deep water from fetch and wind. Source: Sverdrup, Munk & Bretschneider in the
 * Shore Protection Manual 1973: gH/U² = 0.283·tanh(0.0125·(gF/U²)^0.42), gT/2πU = 1.2·tanh(0.077·(gF/U²)^0.25).
 * RangeError for a negative fetch or wind.
 */
export function windWaves(fetchM: number, windMs: number): { heightM: number; periodS: number } {
  requireWithin(fetchM, 0, 1e6, 'fetch', 'm');
  requireWithin(windMs, 0, 60, 'wind', 'm/s');
  if (windMs === 0 || fetchM === 0) return { heightM: 0, periodS: 0 };
  const run = (gravity * fetchM) / windMs ** 2;
  return {
    heightM: ((0.283 * windMs ** 2) / gravity) * Math.tanh(0.0125 * run ** 0.42),
    periodS: ((2 * Math.PI * windMs) / gravity) * 1.2 * Math.tanh(0.077 * run ** 0.25),
  };
}

/** How rough it is, in a word. */
export function shelterOf(heightM: number): Shelter {
  if (heightM < shelterLimitsM.ripple) return 'glassy';
  if (heightM < shelterLimitsM.chop) return 'ripple';
  return heightM < shelterLimitsM.rough ? 'chop' : 'rough';
}
