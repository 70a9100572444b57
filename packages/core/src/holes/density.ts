import { gammaDraw, type Random } from '../units';

/** How many fish to expect at each place before drilling there: marking visits an hour on a square grid, NaN where there is no water. */
export interface DensityPrior {
  x0: number;
  y0: number;
  cellM: number;
  nx: number;
  ny: number;
  perHour: Float32Array;
  /** The part of it that no belief bends, as a factor: whether fish can be there at all. */
  sure?: Float32Array;
}

/** What a hole has shown: different fish seen, hooked ones among them, in the minutes that somebody looked. */
export interface HoleResult {
  x: number;
  y: number;
  minutes: number;
  visits: number;
  /** How long ago that was, min. */
  agoMin: number;
}

/** Heuristic; source: fieldcraft. */
export const densityLimits = {
  /** Firmness of the prior: the smaller, the more a place may differ from what was expected of it. */
  shape: 0.6,
  /** Visits that the prior's own level is worth against those seen. */
  levelVisits: 60,
  /** How far a hole speaks for its surroundings, m. */
  kernelM: 22,
  /** How long schools stay where they were, min; and what a place keeps of its name when they have moved on, for how many days. */
  memoryMin: 100,
  lasting: 0.12,
  lastingDays: 45,
} as const;

/** Weight of what was seen `agoMin` minutes ago: schools wander off within hours, good places stay good for weeks. */
export const memoryOf = (agoMin: number) =>
  (1 - densityLimits.lasting) * Math.exp(-agoMin / densityLimits.memoryMin) + densityLimits.lasting * Math.exp(-agoMin / (densityLimits.lastingDays * 1440));

/** How far the rulebook is believed: its logarithm is taken times one of these. Which fits, the holes themselves tell. */
const beliefs = [0, 0.5, 1] as const;

/**
 * Density of catchable fish after some holes. At each place the prior times a factor that follows a Gamma distribution, updated by
 * Poisson counts of the holes around with a kernel over distance and age; empty holes count (Gamma–Poisson; Gelman et al., BDA3, ch. 2).
 * The prior itself is believed fully, by half or not at all, each as probable as it makes what the holes have shown.
 */
export class FishDensity {
  /** Probability of each belief in the rulebook: none, half, all of it. */
  readonly weights: readonly number[];
  private readonly priors: readonly Float32Array[];
  private readonly levels: readonly number[];
  private readonly shape: Float32Array;
  private readonly rates: readonly Float32Array[];

  constructor(
    readonly prior: DensityPrior,
    results: readonly HoleResult[],
  ) {
    this.priors = beliefs.map((b) => tempered(prior, b));
    this.shape = new Float32Array(prior.perHour.length).fill(densityLimits.shape);
    this.rates = beliefs.map(() => new Float32Array(prior.perHour.length).fill(densityLimits.shape));
    const seen = results.flatMap((result) => {
      const c = this.cellAt(result.x, result.y);
      return c < 0 || Number.isNaN(prior.perHour[c]) ? [] : [{ result, expected: this.priors.map((p) => (p[c] * result.minutes) / 60) }];
    });
    // How rich the water is as a whole, under each belief.
    const { levelVisits } = densityLimits;
    const visits = seen.reduce((sum, s) => sum + s.result.visits, 0);
    this.levels = beliefs.map((_, k) => (visits + levelVisits) / (seen.reduce((sum, s) => sum + s.expected[k], 0) + levelVisits));
    const evidence = beliefs.map((_, k) => seen.reduce((sum, s) => sum + likelihood(s.result.visits, this.levels[k] * s.expected[k]), 0));
    for (const { result, expected } of seen)
      this.spread(
        result,
        expected.map((e, k) => e * this.levels[k]),
      );
    const most = Math.max(...evidence);
    const weights = evidence.map((e) => Math.exp(e - most));
    const sum = weights.reduce((x, y) => x + y, 0);
    this.weights = weights.map((w) => w / sum);
  }

  /** How much of the rulebook is left after what the holes have shown, 0–1. */
  get belief(): number {
    return this.weights.reduce((sum, w, k) => sum + w * beliefs[k], 0);
  }

  private cellAt(x: number, y: number): number {
    const { x0, y0, cellM, nx, ny } = this.prior;
    const i = Math.round((x - x0) / cellM);
    const j = Math.round((y - y0) / cellM);
    return i >= 0 && j >= 0 && i < nx && j < ny ? j * nx + i : -1;
  }

  /** A hole speaks for the cells around it. */
  private spread({ x, y, visits, agoMin }: HoleResult, expected: readonly number[]): void {
    const { x0, y0, cellM, nx, ny } = this.prior;
    const { kernelM } = densityLimits;
    const memory = memoryOf(agoMin);
    const reach = 3 * kernelM;
    for (let j = Math.max(0, Math.ceil((y - reach - y0) / cellM)); j <= Math.min(ny - 1, (y + reach - y0) / cellM); j++) {
      for (let i = Math.max(0, Math.ceil((x - reach - x0) / cellM)); i <= Math.min(nx - 1, (x + reach - x0) / cellM); i++) {
        const weight = memory * Math.exp(-((x0 + i * cellM - x) ** 2 + (y0 + j * cellM - y) ** 2) / (2 * kernelM ** 2));
        const c = j * nx + i;
        this.shape[c] += weight * visits;
        for (let k = 0; k < expected.length; k++) this.rates[k][c] += weight * expected[k];
      }
    }
  }

  /** Visits an hour to expect at a place now; NaN outside the water. */
  perHourAt(x: number, y: number): number {
    const c = this.cellAt(x, y);
    return c < 0 ? NaN : this.perHourOf(c);
  }

  /** The same for a cell. */
  perHourOf(c: number): number {
    let sum = 0;
    for (let k = 0; k < beliefs.length; k++) sum += (this.weights[k] * this.levels[k] * this.priors[k][c] * this.shape[c]) / this.rates[k][c];
    return sum;
  }

  /** Visits an hour as they may turn out: a draw from what is known, under a belief drawn once for all places by `pickBelief`. */
  drawAt(x: number, y: number, belief: number, random: Random): number {
    const c = this.cellAt(x, y);
    return c < 0 ? NaN : (this.levels[belief] * this.priors[belief][c] * gammaDraw(this.shape[c], random)) / this.rates[belief][c];
  }

  /** A belief drawn by its probability. */
  pickBelief(random: Random): number {
    let left = random();
    for (let k = 0; k < beliefs.length - 1; k++) if ((left -= this.weights[k]) < 0) return k;
    return beliefs.length - 1;
  }

  /** The whole layer, cell by cell. */
  layer(): Float32Array {
    return this.prior.perHour.map((p, c) => (Number.isNaN(p) ? NaN : this.perHourOf(c)));
  }
}

/** A prior believed by a share: flattened about its mean, but for what is sure. */
function tempered({ perHour, sure }: DensityPrior, belief: number): Float32Array {
  if (belief === 1) return perHour;
  let [sum, own, n] = [0, 0, 0];
  const out = perHour.map((p, c) => {
    if (Number.isNaN(p)) return NaN;
    const certain = sure?.[c] ?? 1;
    const v = certain * (p / certain) ** belief;
    [sum, own, n] = [sum + p, own + v, n + 1];
    return v;
  });
  return n === 0 ? out : out.map((v) => (v * sum) / own);
}

/** Logarithm of the probability of a count under a Gamma–Poisson of that expectation, but for what depends on the count alone. */
function likelihood(visits: number, expected: number): number {
  const { shape } = densityLimits;
  return shape * Math.log(shape / (shape + expected)) + visits * Math.log(Math.max(1e-9, expected) / (shape + expected));
}
