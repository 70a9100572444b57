import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** A stretch of effort: what was counted on it, how long it was, what is known of it, and the outing it belongs to. */
export interface CountRow {
  count: number;
  /** Natural logarithm of the effort. */
  logEffort: number;
  /** One figure a column, centred. */
  x: readonly number[];
  /** Index of its outing, 0 to outings − 1. */
  group: number;
}

/** How a column is held to nothing: by a variance of its own, or by one that its family shares and the data tell. */
export interface ColumnPrior {
  /** Family whose variance is estimated; null for the fixed one. */
  family: string | null;
}

export interface CountFit {
  /** Logarithm of the factor of each column. */
  b: number[];
  /** Covariance of the columns. */
  cov: Matrix;
  /** Overdispersion of a stretch, and variance of the outings. */
  alpha: number;
  groupVariance: number;
}

/** Rounds of weighted least squares, widths of the priors, and the range that the overdispersion is sought in (logarithms). Source: prototypes. */
const limits = { rounds: 24, columnVariance: 1, interceptVariance: 100, alphaSpread: 1.5, lnAlpha: [-6, 3], leastVariance: 1e-4, mostEta: 12 } as const;

/**
 * Negative-binomial regression with an intercept for each outing, by weighted least squares: count ~ NB2(exp(b·x + outing + log effort), α), coefficients
 * N(0, 1), outings N(0, τ²), ln α ~ N(0, 1.5²). τ², α and the variances of families are told by the data. The outings are eliminated block by block, so that
 * the work grows with the rows.
 * @param columns one prior for each figure of `x`
 * @param groups number of outings
 */
export function fitCounts(rows: readonly CountRow[], columns: readonly ColumnPrior[], groups: number): CountFit {
  const p = columns.length + 1;
  const families = [...new Set(columns.flatMap((c) => (c.family === null ? [] : [c.family])))];
  const familyVariance = new Map(families.map((f) => [f, 0.25]));
  const counted = rows.reduce((sum, r) => sum + r.count, 0) + 0.5;
  const effort = rows.reduce((sum, r) => sum + Math.exp(r.logEffort), 0);
  const b = new Array<number>(p).fill(0);
  b[0] = Math.log(counted / effort);
  let u = new Array<number>(groups).fill(0);
  let [alpha, groupVariance] = [0.5, 0.5];
  let cov = Matrix.eye(p);
  const etaOf = (r: CountRow) => Math.max(-limits.mostEta, Math.min(limits.mostEta, b[0] + r.x.reduce((sum, x, k) => sum + x * b[k + 1], 0) + u[r.group] + r.logEffort));
  for (let round = 0; round < limits.rounds; round++) {
    const mus = rows.map((r) => Math.exp(etaOf(r)));
    alpha = dispersion(rows, mus);
    const penalty = [1 / limits.interceptVariance, ...columns.map(({ family }) => 1 / (family === null ? limits.columnVariance : familyVariance.get(family)!))];
    const solved = solve(rows, mus, etaOf, alpha, penalty, groups, groupVariance);
    solved.b.forEach((v, k) => (b[k] = v));
    ({ u, cov } = solved);
    groupVariance = Math.max(limits.leastVariance, (u.reduce((sum, v) => sum + v * v, 0) + solved.groupTrace) / groups);
    for (const family of families) {
      const own = columns.flatMap((c, k) => (c.family === family ? [k + 1] : []));
      familyVariance.set(family, Math.max(limits.leastVariance, own.reduce((sum, k) => sum + b[k] ** 2 + cov.get(k, k), 0) / own.length));
    }
  }
  return { b: b.slice(1), cov: cov.subMatrix(1, p - 1, 1, p - 1), alpha, groupVariance };
}

/** One round: columns and outings that fit best, with their covariance. The block of the outings is diagonal and is eliminated. */
function solve(
  rows: readonly CountRow[],
  mus: readonly number[],
  etaOf: (r: CountRow) => number,
  alpha: number,
  penalty: readonly number[],
  groups: number,
  groupVariance: number,
) {
  const p = penalty.length;
  const normal = new Float64Array(p * p);
  penalty.forEach((v, k) => (normal[k * p + k] = v));
  const right = new Float64Array(p);
  const block = new Float64Array(groups).fill(1 / groupVariance);
  const between = new Float64Array(groups * p);
  const groupRight = new Float64Array(groups);
  rows.forEach((r, i) => {
    const mu = mus[i];
    const w = mu / (1 + alpha * mu);
    const z = etaOf(r) - r.logEffort + (r.count - mu) / mu;
    const x = [1, ...r.x];
    block[r.group] += w;
    groupRight[r.group] += w * z;
    for (let a = 0; a < p; a++) {
      right[a] += w * z * x[a];
      between[r.group * p + a] += w * x[a];
      for (let c = a; c < p; c++) normal[a * p + c] += w * x[a] * x[c];
    }
  });
  for (let g = 0; g < groups; g++)
    for (let a = 0; a < p; a++) {
      const share = between[g * p + a] / block[g];
      right[a] -= share * groupRight[g];
      for (let c = a; c < p; c++) normal[a * p + c] -= share * between[g * p + c];
    }
  const schur = Matrix.zeros(p, p);
  for (let a = 0; a < p; a++) for (let c = 0; c < p; c++) schur.set(a, c, normal[Math.min(a, c) * p + Math.max(a, c)]);
  const cov = new CholeskyDecomposition(schur).solve(Matrix.eye(p));
  const b = cov.mmul(Matrix.columnVector([...right])).to1DArray();
  let groupTrace = 0;
  const u = Array.from({ length: groups }, (_, g) => {
    const row = Matrix.rowVector([...between.subarray(g * p, (g + 1) * p)]);
    groupTrace += 1 / block[g] + row.mmul(cov).mmul(row.transpose()).get(0, 0) / block[g] ** 2;
    return (groupRight[g] - b.reduce((sum, v, a) => sum + v * between[g * p + a], 0)) / block[g];
  });
  return { b, u, cov, groupTrace };
}

/** Likeliest overdispersion with its prior, by golden section over its logarithm. */
function dispersion(rows: readonly CountRow[], mus: readonly number[]): number {
  const score = (lnAlpha: number) => {
    const size = Math.exp(-lnAlpha);
    let sum = -0.5 * (lnAlpha / limits.alphaSpread) ** 2;
    rows.forEach(({ count }, i) => {
      const mu = mus[i];
      for (let k = 0; k < count; k++) sum += Math.log(size + k);
      sum += size * Math.log(size / (size + mu)) - count * Math.log(size + mu);
    });
    return sum;
  };
  let [low, high] = limits.lnAlpha as readonly [number, number] as [number, number];
  const golden = (Math.sqrt(5) - 1) / 2;
  for (let k = 0; k < 22; k++) {
    const [c, d] = [high - golden * (high - low), low + golden * (high - low)];
    if (score(c) > score(d)) high = d;
    else low = c;
  }
  return Math.exp((low + high) / 2);
}
