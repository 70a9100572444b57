/** What is taken for a bottom: an echo that stands for `windowM` of range and far above the noise. Heuristic. */
export const bottomLimits = {
  windowM: 0.36,
  /** The bottom's front is where its echo has risen to this much under its peak, dB. */
  frontDb: 11,
  aboveThresholdDb: 10,
  /** The tail behind the peak that tells a bottom from a fish: a share of the range, no less than two bins. */
  tailShare: 0.03,
  tailLeastM: 0.04,
  /** A jump larger than this must persist before it is believed, m. */
  jumpM: 0.6,
  jumpPings: 8,
  /** A lost bottom is held this long, s. */
  holdS: 2.5,
} as const;

/**
 * Follows the first return of the bottom. It survives fish lying on it, and brief loss; a jump is believed only after it has
 * been seen for several pings.
 */
export class BottomTracker {
  private rangeM: number | null = null;
  private missed = 0;
  private jumps = 0;
  private readonly window: number;
  private readonly ratio = 10 ** (-bottomLimits.frontDb / 10);
  private readonly least = 10 ** (bottomLimits.aboveThresholdDb / 10);

  constructor(
    private readonly binM: number,
    private readonly pingRateHz: number,
  ) {
    this.window = Math.max(4, Math.round(bottomLimits.windowM / binM));
  }

  /** The bottom after this ping, m of range, or null. `power` is smoothed linear power, `threshold` per bin. */
  update(power: Float32Array, threshold: Float32Array, firstBin: number): number | null {
    const seen = this.find(power, threshold, firstBin);
    if (seen === null) {
      this.jumps = 0;
      if (++this.missed > bottomLimits.holdS * this.pingRateHz) this.rangeM = null;
      return this.rangeM;
    }
    if (this.rangeM !== null && Math.abs(seen - this.rangeM) > bottomLimits.jumpM) {
      if (++this.jumps < bottomLimits.jumpPings) return this.rangeM;
      this.rangeM = null;
    }
    this.jumps = 0;
    this.missed = 0;
    this.rangeM = this.rangeM === null ? seen : this.rangeM + 0.4 * (seen - this.rangeM);
    return this.rangeM;
  }

  private find(power: Float32Array, threshold: Float32Array, firstBin: number): number | null {
    const w = this.window;
    let sum = 0;
    let best = 0;
    let bestAt = -1;
    for (let i = firstBin; i < power.length; i++) {
      sum += power[i];
      if (i - firstBin < w) continue;
      sum -= power[i - w];
      if (sum > best) {
        best = sum;
        bestAt = i - w + 1;
      }
    }
    if (bestAt < 0 || best / w < threshold[bestAt] * this.least) return null;
    let peak = bestAt;
    for (let i = bestAt; i < Math.min(power.length, bestAt + w); i++) if (power[i] > power[peak]) peak = i;
    // A fish or jig is narrow: the bottom must still stand above the threshold behind its peak, the further the deeper it lies.
    const behindM = Math.min(bottomLimits.windowM / 2, Math.max(bottomLimits.tailLeastM, bottomLimits.tailShare * peak * this.binM));
    const behind = Math.min(power.length - 1, peak + Math.round(behindM / this.binM));
    if (power[behind] < threshold[behind] * 4) return null;
    const front = power[peak] * this.ratio;
    let edge = peak;
    while (edge > firstBin && power[edge - 1] > front) edge--;
    return (edge + 1) * this.binM;
  }
}
