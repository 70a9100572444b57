/** A spherical variogram: half the mean squared difference of depth at a distance, m². */
export interface Variogram {
  nugget: number;
  sill: number;
  rangeM: number;
}

/** γ(h) of the spherical model. */
export function gamma({ nugget, sill, rangeM }: Variogram, hM: number): number {
  if (hM <= 0) return 0;
  if (hM >= rangeM) return nugget + sill;
  const r = hM / rangeM;
  return nugget + sill * (1.5 * r - 0.5 * r * r * r);
}

/**
 * Fits a spherical variogram to scattered depths: empirical halves of squared differences in distance classes, then for each
 * of a series of ranges the nugget and sill by weighted least squares (both ≥ 0), best fit taken.
 * @param reachM greatest distance looked at
 */
export function fitVariogram(xs: ArrayLike<number>, ys: ArrayLike<number>, zs: ArrayLike<number>, reachM: number): Variogram {
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
  let best: Variogram = { nugget: 1e-4, sill: 1, rangeM: reachM };
  let bestError = Infinity;
  for (let step = 2; step <= 20; step++) {
    const rangeM = (reachM * step) / 12;
    const fitted = fitLinear(sum, count, rangeM, reachM / classes);
    if (fitted.error < bestError) {
      bestError = fitted.error;
      best = { nugget: Math.max(1e-4, fitted.nugget), sill: Math.max(1e-3, fitted.sill), rangeM };
    }
  }
  return best;
}

function fitLinear(sum: Float64Array, count: Float64Array, rangeM: number, classM: number) {
  let w = 0,
    wf = 0,
    wff = 0,
    wg = 0,
    wfg = 0;
  const shape = (k: number) => gamma({ nugget: 0, sill: 1, rangeM }, (k + 0.5) * classM);
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
