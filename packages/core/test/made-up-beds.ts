import type { DepthMap } from '../src/ground';

/** A depth map of a bed given as a function of metres east and north of its middle; where it gives no depth there is land. */
export function bedOf(depth: (x: number, y: number) => number, halfM: number, cellM = 1): DepthMap {
  const n = Math.round((2 * halfM) / cellM) + 1;
  const map: DepthMap = {
    lon0: 0,
    lat0: 0,
    x0: -halfM,
    y0: -halfM,
    cellM,
    nx: n,
    ny: n,
    depthM: new Float32Array(n * n).fill(NaN),
    sdM: new Float32Array(n * n).fill(0.1),
    areaM2: 4 * halfM * halfM,
    deepest: { at: [0, 0], depthM: 0 },
    soundings: 100,
  };
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) {
      const d = depth(-halfM + i * cellM, -halfM + j * cellM);
      if (!(d >= 0)) continue;
      map.depthM[j * n + i] = d;
      map.deepest.depthM = Math.max(map.deepest.depthM, d);
    }
  return map;
}
