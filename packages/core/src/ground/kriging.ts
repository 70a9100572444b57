import Flatbush from 'flatbush';
import { gamma, type Variogram } from './variogram';

/** Neighbours used for one estimate, and the terms of the local plane. */
const neighbours = 16;
const drift = 3;

/**
 * Universal kriging in a moving neighbourhood with a local linear drift. Scattered values in, value and standard deviation at
 * any place out. Source: Chilès & Delfiner, Geostatistics, ch. 3.
 */
export class Kriging {
  private readonly index: Flatbush;
  private readonly matrix = new Float64Array((neighbours + drift) ** 2);
  private readonly right = new Float64Array(neighbours + drift);
  private readonly weights = new Float64Array(neighbours + drift);
  /** Factor on the standard deviation, from leave-one-out residuals. */
  private scale = 1;

  /** @param xs coordinates, m; no two places the same. Throws RangeError with fewer than four. */
  constructor(
    private readonly xs: ArrayLike<number>,
    private readonly ys: ArrayLike<number>,
    private readonly zs: ArrayLike<number>,
    private readonly variogram: Variogram,
  ) {
    if (xs.length < 4) throw new RangeError(`a depth map needs at least 4 soundings, found ${xs.length}`);
    this.index = new Flatbush(xs.length);
    for (let i = 0; i < xs.length; i++) this.index.add(xs[i], ys[i]);
    this.index.finish();
  }

  /** Value and standard deviation at a place, written into `out`. `skip` leaves one sounding out. */
  estimate(x: number, y: number, out: { value: number; sd: number }, skip = -1): void {
    const near = this.index.neighbors(x, y, neighbours, Infinity, skip < 0 ? undefined : (i) => i !== skip);
    const n = near.length;
    const size = n + drift;
    const { matrix, right, weights, variogram } = this;
    const unit = Math.max(1, Math.hypot(this.xs[near[n - 1]] - x, this.ys[near[n - 1]] - y));
    for (let i = 0; i < n; i++) {
      const xi = this.xs[near[i]];
      const yi = this.ys[near[i]];
      for (let j = 0; j < n; j++) matrix[i * size + j] = i === j ? 0 : gamma(variogram, Math.hypot(xi - this.xs[near[j]], yi - this.ys[near[j]]));
      setDrift(matrix, size, i, n, (xi - x) / unit, (yi - y) / unit);
      right[i] = gamma(variogram, Math.hypot(xi - x, yi - y));
    }
    for (let i = n; i < size; i++) {
      for (let j = n; j < size; j++) matrix[i * size + j] = 0;
      right[i] = i === n ? 1 : 0;
    }
    weights.set(right);
    if (!solveInPlace(matrix, weights, size)) {
      out.value = this.zs[near[0]];
      out.sd = Math.sqrt(gamma(variogram, unit)) * this.scale;
      return;
    }
    let value = 0;
    let variance = 0;
    for (let i = 0; i < n; i++) value += weights[i] * this.zs[near[i]];
    for (let i = 0; i < size; i++) variance += weights[i] * right[i];
    out.value = value;
    out.sd = Math.sqrt(Math.max(variogram.nugget, variance)) * this.scale;
  }

  /** Sets the factor on the standard deviation so that leave-one-out residuals have unit size on average. */
  calibrate(count: number): void {
    const out = { value: 0, sd: 0 };
    const step = Math.max(1, Math.floor(count / 300));
    let sum = 0;
    let n = 0;
    for (let i = 0; i < count; i += step) {
      this.estimate(this.xs[i], this.ys[i], out, i);
      sum += ((out.value - this.zs[i]) / out.sd) ** 2;
      n++;
    }
    if (n > 3) this.scale *= Math.sqrt(sum / n);
  }
}

function setDrift(matrix: Float64Array, size: number, i: number, n: number, dx: number, dy: number): void {
  matrix[i * size + n] = matrix[n * size + i] = 1;
  matrix[i * size + n + 1] = matrix[(n + 1) * size + i] = dx;
  matrix[i * size + n + 2] = matrix[(n + 2) * size + i] = dy;
}

/** Gaussian elimination with partial pivoting, in place, for the few unknowns of a neighbourhood; false when singular. */
function solveInPlace(a: Float64Array, b: Float64Array, n: number): boolean {
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]) > Math.abs(a[pivot * n + c])) pivot = r;
    if (Math.abs(a[pivot * n + c]) < 1e-12) return false;
    if (pivot !== c) {
      for (let k = c; k < n; k++) {
        const held = a[c * n + k];
        a[c * n + k] = a[pivot * n + k];
        a[pivot * n + k] = held;
      }
      const held = b[c];
      b[c] = b[pivot];
      b[pivot] = held;
    }
    for (let r = c + 1; r < n; r++) {
      const f = a[r * n + c] / a[c * n + c];
      if (f === 0) continue;
      for (let k = c + 1; k < n; k++) a[r * n + k] -= f * a[c * n + k];
      b[r] -= f * b[c];
    }
  }
  for (let r = n - 1; r >= 0; r--) {
    let sum = b[r];
    for (let k = r + 1; k < n; k++) sum -= a[r * n + k] * b[k];
    b[r] = sum / a[r * n + r];
  }
  return true;
}
