/**
 * How depth changes with distance: half the mean squared difference, m². `spherical` for rough beds, `cubic` for smooth ones.
 * The nugget is the soundings' own noise; `rough` what the bed does between one sounding and the next, within `roughM`.
 */
export interface Variogram {
  model: 'spherical' | 'cubic';
  nugget: number;
  sill: number;
  rangeM: number;
  rough: number;
  roughM: number;
}

/** A sounding is taken to be good to 10 cm: what differs more from its neighbours is the bed. */
const noiseM2 = 0.1 ** 2;

/** Share of the sill that two places at a share `r` of the range have in common. Source: Chilès & Delfiner, Geostatistics, ch. 2. */
function common(model: Variogram['model'], r: number): number {
  if (r >= 1) return 0;
  if (model === 'spherical') return 1 - r * (1.5 - 0.5 * r * r);
  const square = r * r;
  return 1 - square * (7 - r * (8.75 - square * (3.5 - 0.75 * square)));
}

/** Covariance of the beds at two places, m², without the soundings' own noise. */
export function covariance({ model, sill, rangeM, rough, roughM }: Variogram, dx: number, dy: number): number {
  const h = Math.sqrt(dx * dx + dy * dy);
  const far = sill * common(model, h / rangeM);
  return rough > 0 && h < roughM ? far + rough * common('spherical', h / roughM) : far;
}

/** γ(h), m². */
export function gamma(variogram: Variogram, hM: number): number {
  return hM <= 0 ? 0 : variogram.nugget + variogram.rough + variogram.sill - covariance(variogram, hM, 0);
}

/** Fewer soundings than this say nothing of how rough a bed is. */
export const fewestToFit = 8;

/** Range of a bed of which little is known, as a multiple of its soundings' extent and at least, m; how its sill grows with it, m. Heuristic: the bed is a metre off within a dozen. */
const usual = { extents: 2, leastM: 50, sillPerRange: 1 / 40 } as const;

/**
 * The variogram of a bed of which a few soundings say too little to fit one.
 * @param extentM of the soundings
 * @param zs their depths, m
 */
export function usualVariogram(extentM: number, zs: readonly number[]): Variogram {
  const rangeM = Math.max(usual.leastM, usual.extents * extentM);
  const mean = zs.reduce((sum, z) => sum + z, 0) / zs.length;
  const spread = zs.reduce((sum, z) => sum + (z - mean) ** 2, 0) / zs.length;
  return { model: 'spherical', nugget: noiseM2, sill: Math.max(spread, usual.sillPerRange * rangeM), rangeM, rough: 0, roughM: 1 };
}

/**
 * Fits a variogram to scattered depths: empirical halves of squared differences in distance classes, then for each
 * of a series of ranges the nugget and sill by weighted least squares (both ≥ 0), best fit taken.
 * @param reachM greatest distance looked at
 */
export function fitVariogram(xs: ArrayLike<number>, ys: ArrayLike<number>, zs: ArrayLike<number>, reachM: number, model: Variogram['model'] = 'spherical'): Variogram {
  const classes = 15;
  const sum = new Float64Array(classes);
  const count = new Float64Array(classes);
  const stride = Math.max(1, Math.ceil(xs.length / 700));
  for (let i = 0; i < xs.length; i += stride) {
    for (let j = i + stride; j < xs.length; j += stride) {
      const h = Math.hypot(xs[i] - xs[j], ys[i] - ys[j]);
      const k = Math.floor((h / reachM) * classes);
      if (k >= classes) continue;
      sum[k] += (zs[i] - zs[j]) ** 2 / 2;
      count[k]++;
    }
  }
  let best: Variogram = { model, nugget: 1e-4, sill: 1, rangeM: reachM, rough: 0, roughM: 1 };
  let bestError = Infinity;
  for (let step = 2; step <= 20; step++) {
    const rangeM = (reachM * step) / 12;
    const fitted = fitLinear(sum, count, model, rangeM, reachM / classes);
    if (fitted.error < bestError) {
      bestError = fitted.error;
      const nugget = Math.min(noiseM2, Math.max(1e-4, fitted.nugget));
      best = { model, nugget, sill: Math.max(1e-3, fitted.sill), rangeM, rough: Math.max(0, fitted.nugget - nugget), roughM: spacing(xs, ys) };
    }
  }
  return best;
}

/** Usual distance from one sounding to the next, m. */
function spacing(xs: ArrayLike<number>, ys: ArrayLike<number>): number {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < xs.length; i++) {
    x0 = Math.min(x0, xs[i]);
    x1 = Math.max(x1, xs[i]);
    y0 = Math.min(y0, ys[i]);
    y1 = Math.max(y1, ys[i]);
  }
  return Math.max(1, Math.sqrt(((x1 - x0) * (y1 - y0)) / xs.length));
}

function fitLinear(sum: Float64Array, count: Float64Array, model: Variogram['model'], rangeM: number, classM: number) {
  let w = 0,
    wf = 0,
    wff = 0,
    wg = 0,
    wfg = 0;
  const shape = (k: number) => 1 - common(model, ((k + 0.5) * classM) / rangeM);
  for (let k = 0; k < sum.length; k++) {
    if (count[k] === 0) continue;
    // Near classes matter most to kriging.
    const weight = count[k] / (k + 1) ** 2;
    const f = shape(k);
    const g = sum[k] / count[k];
    w += weight;
    wf += weight * f;
    wff += weight * f * f;
    wg += weight * g;
    wfg += weight * f * g;
  }
  const det = w * wff - wf * wf;
  let sill = det > 0 ? (w * wfg - wf * wg) / det : 0;
  let nugget = w > 0 ? (wg - sill * wf) / w : 0;
  if (nugget < 0) {
    nugget = 0;
    sill = wff > 0 ? wfg / wff : 0;
  }
  let error = 0;
  for (let k = 0; k < sum.length; k++) {
    if (count[k] > 0) error += (count[k] / (k + 1) ** 2) * (nugget + sill * shape(k) - sum[k] / count[k]) ** 2;
  }
  return { nugget, sill, error };
}
