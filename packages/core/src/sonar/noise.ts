const blockBins = 16;
const quarter = blockBins / 4;
/** The lower quartile of exponentially distributed noise power lies this far under its mean, dB. */
const quartileUnderMeanDb = 5.41;

/** Greatest growth of the noise from one block to the next, in steps of a byte. */
const leapSteps = 12;

/**
 * The noise floor along the range, followed ping by ping: an adaptive threshold that a stack of fish cannot raise, because each
 * block's level is its lower quartile (ordered-statistic form of cell averaging), averaged over time.
 */
export class NoiseFloor {
  /** Detection threshold per bin as linear power. */
  readonly threshold: Float32Array;
  private readonly level: Float32Array;
  /** Level that each block's threshold was last set from. */
  private readonly filled: Float32Array;
  private readonly lowest = new Uint8Array(quarter + 1);
  private primed = false;

  /**
   * @param marginDb how far above the mean noise a smoothed bin must stand to be an echo
   */
  constructor(
    bins: number,
    private readonly dbFloor: number,
    private readonly dbPerStep: number,
    private readonly marginDb: number,
  ) {
    this.threshold = new Float32Array(bins);
    this.level = new Float32Array(Math.ceil(bins / blockBins));
    this.filled = new Float32Array(this.level.length).fill(-1e9);
  }

  /** Takes in one ping. Blocks from `bottomBin` down are left out: there the bottom's own echo stands. */
  update(a: Uint8Array, bottomBin: number): void {
    const clean = Math.max(1, Math.floor((Math.min(bottomBin, a.length) - 2) / blockBins));
    const gain = this.primed ? 0.05 : 1;
    for (let b = 0; b < clean && (b + 1) * blockBins <= a.length; b++) {
      const read = this.quartile(a, b * blockBins);
      // Noise grows smoothly with range; a leap from one block to the next is an echo, not noise.
      const quartile = b > 0 ? Math.min(read, this.level[b - 1] + leapSteps) : read;
      // Followed slowly, so that a school settling in is not learnt as noise, and evenly up and down, so that it does not lean.
      const step = (quartile - this.level[b]) * gain;
      this.level[b] += this.primed ? Math.min(0.1, Math.max(-0.1, step)) : step;
    }
    for (let b = clean; b < this.level.length; b++) this.level[b] = this.level[clean - 1];
    this.primed = true;
    for (let b = 0; b < this.level.length; b++) {
      // A step that nothing could see is not worth an exponential.
      if (Math.abs(this.level[b] - this.filled[b]) < 0.02) continue;
      this.filled[b] = this.level[b];
      const db = this.dbFloor + this.level[b] * this.dbPerStep + quartileUnderMeanDb + this.marginDb;
      this.threshold.fill(10 ** (db / 10), b * blockBins, Math.min(a.length, (b + 1) * blockBins));
    }
  }

  /** Lower quartile of a block: between its fourth and fifth smallest. */
  private quartile(a: Uint8Array, from: number): number {
    const { lowest } = this;
    lowest.fill(255);
    for (let i = from; i < from + blockBins; i++) {
      let k = quarter;
      if (a[i] >= lowest[k]) continue;
      for (; k > 0 && lowest[k - 1] > a[i]; k--) lowest[k] = lowest[k - 1];
      lowest[k] = a[i];
    }
    return (lowest[quarter - 1] + lowest[quarter]) / 2;
  }
}
