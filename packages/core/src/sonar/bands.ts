/** What is taken for a band: echoes that fill a stretch of range for a while. Heuristic. */
export const bandLimits = {
  /** Thinner stretches are fish one by one, m. */
  thickM: 0.7,
  /** Gaps narrower than this do not part a band, m; of its bins so many must be filled. */
  gapM: 0.2,
  fullShare: 0.6,
  /** Share of the time that a bin must be filled, over this long, s. */
  filledShare: 0.33,
  overS: 4,
  /** A band not found again for this long is gone, s. */
  goneS: 1.5,
  /** What lies this near to a band belongs to its fringe, m. */
  fringeM: 0.3,
  /** The jig's own echo reaches this far to both sides, m. */
  jigM: 0.09,
} as const;

/** A school or a cloud of bait too thick to count, in range, m. */
export interface Band {
  id: number;
  topM: number;
  baseM: number;
  levelDb: number;
  bornMs: number;
  lastMs: number;
  speedMs: number;
}

/** Finds stretches of range that echoes keep filled, and follows them. Bounded: one share and one level per bin. */
export class BandFinder {
  readonly bands: Band[] = [];
  private readonly filled: Float32Array;
  private readonly level: Float32Array;
  private readonly gain: number;

  constructor(
    bins: number,
    private readonly binM: number,
    pingRateHz: number,
    private readonly newId: () => number,
  ) {
    this.filled = new Float32Array(bins);
    this.level = new Float32Array(bins);
    this.gain = Math.min(1, 1 / (bandLimits.overS * pingRateHz));
  }

  /** @param jigM range of the jig, whose sweeps are no band; null where it is not seen */
  update(power: Float32Array, threshold: Float32Array, from: number, to: number, t: number, jigM: number | null): void {
    const { filled, level, gain } = this;
    const jigFrom = jigM === null ? 0 : (jigM - bandLimits.jigM) / this.binM;
    const jigTo = jigM === null ? 0 : (jigM + bandLimits.jigM) / this.binM;
    for (let i = from; i < to; i++) {
      const isOver = power[i] > threshold[i] && !(i > jigFrom && i < jigTo);
      filled[i] += ((isOver ? 1 : 0) - filled[i]) * gain;
      if (isOver) level[i] += (power[i] - level[i]) * (level[i] === 0 ? 1 : 0.1);
    }
    const least = Math.round(bandLimits.thickM / this.binM);
    const gap = Math.round(bandLimits.gapM / this.binM);
    let start = -1;
    let last = -1;
    let full = 0;
    for (let i = from; i <= to; i++) {
      if (i < to && filled[i] > bandLimits.filledShare) {
        if (start < 0) {
          start = i;
          full = 0;
        }
        last = i;
        full++;
      } else if (start >= 0 && (i === to || i - last > gap)) {
        if (last - start + 1 >= least && full >= bandLimits.fullShare * (last - start + 1)) this.found(start, last, t);
        start = -1;
      }
    }
    for (let k = this.bands.length - 1; k >= 0; k--) if (t - this.bands[k].lastMs > 1000 * bandLimits.goneS) this.bands.splice(k, 1);
  }

  /** The band that holds a range, if any. */
  at(rangeM: number): Band | null {
    for (const band of this.bands) if (rangeM > band.topM - bandLimits.fringeM && rangeM < band.baseM + bandLimits.fringeM) return band;
    return null;
  }

  private found(first: number, last: number, t: number): void {
    // The mean of decibels: one strong fish in a band does not make it strong.
    let sum = 0;
    let count = 0;
    for (let i = first; i <= last; i++) {
      if (this.filled[i] <= bandLimits.filledShare) continue;
      sum += Math.log10(this.level[i]);
      count++;
    }
    const levelDb = (10 * sum) / count;
    const topM = first * this.binM;
    const baseM = (last + 1) * this.binM;
    const known = this.bands.find((b) => b.topM < baseM && b.baseM > topM && b.lastMs < t);
    if (!known) {
      this.bands.push({ id: this.newId(), topM, baseM, levelDb, bornMs: t, lastMs: t, speedMs: 0 });
      return;
    }
    const dt = Math.max(1e-3, (t - known.lastMs) / 1000);
    const before = known.topM;
    known.topM += 0.3 * (topM - known.topM);
    known.baseM += 0.3 * (baseM - known.baseM);
    known.speedMs += 0.05 * ((known.topM - before) / dt - known.speedMs);
    known.levelDb = levelDb;
    known.lastMs = t;
  }
}
