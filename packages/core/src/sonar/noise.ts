const blockBins = 16;
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
  private readonly cell = new Uint8Array(blockBins);
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
  }

  /** Takes in one ping. Blocks from `bottomBin` down are left out: there the bottom's own echo stands. */
  update(a: Uint8Array, bottomBin: number): void {
    const clean = Math.max(1, Math.floor((Math.min(bottomBin, a.length) - 2) / blockBins));
    const gain = this.primed ? 0.05 : 1;
    for (let b = 0; b < clean && (b + 1) * blockBins <= a.length; b++) {
      for (let i = 0; i < blockBins; i++) this.cell[i] = a[b * blockBins + i];
      this.cell.sort();
      const read = (this.cell[3] + this.cell[4]) / 2;
      // Noise grows smoothly with range; a leap from one block to the next is an echo, not noise.
      const quartile = b > 0 ? Math.min(read, this.level[b - 1] + leapSteps) : read;
      // Followed slowly, so that a school settling in is not learnt as noise, and evenly up and down, so that it does not lean.
      const step = (quartile - this.level[b]) * gain;
      this.level[b] += this.primed ? Math.min(0.1, Math.max(-0.1, step)) : step;
    }
    for (let b = clean; b < this.level.length; b++) this.level[b] = this.level[clean - 1];
    this.primed = true;
    for (let b = 0; b < this.level.length; b++) {
      const db = this.dbFloor + this.level[b] * this.dbPerStep + quartileUnderMeanDb + this.marginDb;
      this.threshold.fill(10 ** (db / 10), b * blockBins, Math.min(a.length, (b + 1) * blockBins));
    }
  }
}
