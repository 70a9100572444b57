import Flatbush from 'flatbush';
import { covariance, type Variogram } from './variogram';

/** Neighbours that one system is built of, and the terms of the local plane. */
const neighbours = 22;
const drift = 3;
/** How far past the values around it an estimate may go, as a share of their range. */
const overshoot = 0.5;
/** Slopes that beds have, as a standard deviation, where fewer values than `settledBy` do not settle a plane, and where many may lie in one line. Heuristic. */
const [settledBy, usualSlope, mostSlope] = [6, 0.1, 0.5] as const;

/**
 * Universal kriging in a moving neighbourhood with a local linear drift. Scattered values in, value and standard deviation at
 * any place out. Source: Chilès & Delfiner, Geostatistics, ch. 3. `moveTo` picks and factors a neighbourhood, `estimate` asks it:
 * places close together share one.
 */
export class Kriging {
  private readonly index: Flatbush;
  private near: number[] = [];
  private readonly chol = new Float64Array(neighbours * neighbours);
  private readonly driftRows = new Float64Array(neighbours * drift);
  private readonly normalEquations = new Float64Array(drift * drift);
  private readonly dual = new Float64Array(neighbours);
  private readonly beta = new Float64Array(drift);
  private readonly row = new Float64Array(neighbours);
  private readonly term = new Float64Array(drift);
  private readonly nx = new Float64Array(neighbours);
  private readonly ny = new Float64Array(neighbours);
  private cx = 0;
  private cy = 0;
  private unit = 1;
  private low = 0;
  private high = 0;
  /** Distance from the neighbourhood's middle to its furthest value, m. */
  reachM = 0;

  /**
   * @param xs coordinates, m; no two places the same. Throws RangeError with fewer than three.
   * @param scale factor on the standard deviation; `calibrate` finds it
   */
  constructor(
    private readonly xs: ArrayLike<number>,
    private readonly ys: ArrayLike<number>,
    private readonly zs: ArrayLike<number>,
    readonly variogram: Variogram,
    public scale = 1,
  ) {
    if (xs.length < 3) throw new RangeError(`a depth map needs at least 3 soundings, found ${xs.length}`);
    this.index = new Flatbush(xs.length);
    for (let i = 0; i < xs.length; i++) this.index.add(xs[i], ys[i]);
    this.index.finish();
  }

  /** Gathers and factors the values around a place. `skip` leaves one out. */
  moveTo(x: number, y: number, skip = -1): void {
    const near = (this.near = this.index.neighbors(x, y, neighbours, Infinity, skip < 0 ? undefined : (i) => i !== skip));
    const n = near.length;
    const { nx, ny, xs, ys, zs, variogram, chol, dual } = this;
    [this.cx, this.cy] = [x, y];
    const last = near[n - 1];
    this.reachM = Math.hypot(xs[last] - x, ys[last] - y);
    this.unit = Math.max(1, this.reachM);
    [this.low, this.high] = [Infinity, -Infinity];
    for (let i = 0; i < n; i++) {
      [nx[i], ny[i]] = [xs[near[i]], ys[near[i]]];
      const z = zs[near[i]];
      if (z < this.low) this.low = z;
      if (z > this.high) this.high = z;
      for (let j = 0; j < i; j++) chol[i * neighbours + j] = covariance(variogram, nx[i] - nx[j], ny[i] - ny[j]);
      chol[i * neighbours + i] = variogram.sill + variogram.rough + variogram.nugget;
    }
    factor(chol, n, neighbours);
    this.factorDrift(n);
    // Trend by generalised least squares, then what it leaves over: dual weights.
    for (let i = 0; i < n; i++) dual[i] = zs[near[i]];
    forward(chol, dual, n);
    const { beta, driftRows } = this;
    for (let k = 0; k < drift; k++) {
      beta[k] = 0;
      for (let i = 0; i < n; i++) beta[k] += driftRows[i * drift + k] * dual[i];
    }
    forwardSmall(this.normalEquations, beta);
    backwardSmall(this.normalEquations, beta);
    for (let i = 0; i < n; i++) for (let k = 0; k < drift; k++) dual[i] -= driftRows[i * drift + k] * beta[k];
    backward(chol, dual, n);
  }

  private factorDrift(n: number): void {
    const { driftRows, normalEquations, chol, nx, ny, cx, cy, unit } = this;
    for (let i = 0; i < n; i++) {
      driftRows[i * drift] = 1;
      driftRows[i * drift + 1] = (nx[i] - cx) / unit;
      driftRows[i * drift + 2] = (ny[i] - cy) / unit;
      for (let k = 0; k < drift; k++) {
        let sum = driftRows[i * drift + k];
        for (let j = 0; j < i; j++) sum -= chol[i * neighbours + j] * driftRows[j * drift + k];
        driftRows[i * drift + k] = sum * chol[i * neighbours + i];
      }
    }
    const slope = n < settledBy ? usualSlope : mostSlope;
    for (let a = 0; a < drift; a++) {
      for (let b = 0; b <= a; b++) {
        let sum = a !== b ? 0 : a > 0 ? 1 / (slope * unit) ** 2 : 1e-9;
        for (let i = 0; i < n; i++) sum += driftRows[i * drift + a] * driftRows[i * drift + b];
        normalEquations[a * drift + b] = sum;
      }
    }
    factor(normalEquations, drift, drift);
  }

  /** Value and standard deviation at a place near the neighbourhood's middle, written into `out`. */
  estimate(x: number, y: number, out: { value: number; sd: number }): void {
    const { near, nx, ny, row, dual, term, beta, chol, driftRows, normalEquations, variogram, unit } = this;
    const n = near.length;
    const dx = (x - this.cx) / unit;
    const dy = (y - this.cy) / unit;
    let value = beta[0] + beta[1] * dx + beta[2] * dy;
    for (let i = 0; i < n; i++) {
      row[i] = covariance(variogram, nx[i] - x, ny[i] - y);
      value += row[i] * dual[i];
    }
    let variance = variogram.sill + variogram.rough + variogram.nugget;
    [term[0], term[1], term[2]] = [-1, -dx, -dy];
    for (let i = 0; i < n; i++) {
      let sum = row[i];
      const at = i * neighbours;
      for (let j = 0; j < i; j++) sum -= chol[at + j] * row[j];
      sum *= chol[at + i];
      row[i] = sum;
      variance -= sum * sum;
      for (let k = 0; k < drift; k++) term[k] += driftRows[i * drift + k] * sum;
    }
    forwardSmall(normalEquations, term);
    for (let k = 0; k < drift; k++) variance += term[k] * term[k];
    // Soundings that contradict each other can throw the plane through them far past all of them. What is cut off counts as doubt.
    const spare = overshoot * (this.high - this.low);
    out.value = Math.min(this.high + spare, Math.max(this.low - spare, value));
    out.sd = Math.sqrt(Math.max(variogram.nugget, variance) * this.scale ** 2 + (value - out.value) ** 2);
  }

  /**
   * Leaves soundings out one by one, at most 200 of the first `count`. Returns the root mean square of what they then miss, m,
   * and of that as multiples of the standard deviation.
   */
  leaveOneOut(count: number): { rmsM: number; ratio: number } {
    const out = { value: 0, sd: 0 };
    const step = Math.max(1, Math.floor(count / 200));
    const misses: number[] = [];
    const ratios: number[] = [];
    for (let i = 0; i < count; i += step) {
      this.moveTo(this.xs[i], this.ys[i], i);
      this.estimate(this.xs[i], this.ys[i], out);
      misses.push((out.value - this.zs[i]) ** 2);
      ratios.push(((out.value - this.zs[i]) / out.sd) ** 2);
    }
    // One odd sounding among smooth ones says nothing of the rest: it counts for no more than four of the usual misses.
    const usual = ratios.slice().sort((x, y) => x - y)[ratios.length >> 1] * 1.4826 ** 2;
    const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;
    return { rmsM: Math.sqrt(mean(misses)), ratio: Math.sqrt(mean(ratios.map((r) => Math.min(r, 16 * usual)))) };
  }

  /** Sets the factor on the standard deviation so that left-out soundings miss by one of it on average. */
  calibrate(count: number): void {
    if (count > 3) this.scale *= this.leaveOneOut(count).ratio;
  }
}

/** Cholesky factor of the lower triangle in place, rows of length `stride`; the diagonal holds reciprocals. */
function factor(a: Float64Array, n: number, stride: number): void {
  for (let i = 0; i < n; i++) {
    const at = i * stride;
    for (let j = 0; j <= i; j++) {
      let sum = a[at + j];
      const other = j * stride;
      for (let k = 0; k < j; k++) sum -= a[at + k] * a[other + k];
      a[at + j] = j === i ? 1 / Math.sqrt(Math.max(sum, 1e-10)) : sum * a[other + j];
    }
  }
}

function forward(a: Float64Array, b: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    let sum = b[i];
    for (let j = 0; j < i; j++) sum -= a[i * neighbours + j] * b[j];
    b[i] = sum * a[i * neighbours + i];
  }
}

function backward(a: Float64Array, b: Float64Array, n: number): void {
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i];
    for (let j = i + 1; j < n; j++) sum -= a[j * neighbours + i] * b[j];
    b[i] = sum * a[i * neighbours + i];
  }
}

function forwardSmall(a: Float64Array, b: Float64Array): void {
  b[0] *= a[0];
  b[1] = (b[1] - a[3] * b[0]) * a[4];
  b[2] = (b[2] - a[6] * b[0] - a[7] * b[1]) * a[8];
}

function backwardSmall(a: Float64Array, b: Float64Array): void {
  b[2] *= a[8];
  b[1] = (b[1] - a[7] * b[2]) * a[4];
  b[0] = (b[0] - a[3] * b[1] - a[6] * b[2]) * a[0];
}
