/** Echoes of one ping in arrays made once: range of each, and its level. */
export class EchoList {
  count = 0;
  readonly rangeM: Float32Array;
  readonly levelDb: Float32Array;

  constructor(private readonly capacity = 64) {
    this.rangeM = new Float32Array(capacity);
    this.levelDb = new Float32Array(capacity);
  }

  /**
   * Finds the peaks that stand above the threshold between two bins. Neighbours are told apart by a dip of 3 dB.
   * @param leadM how far behind the start of an echo its peak lies (a quarter of cτ)
   */
  find(power: Float32Array, threshold: Float32Array, from: number, to: number, binM: number, leadM: number): void {
    this.count = 0;
    let i = from;
    while (i < to) {
      if (power[i] <= threshold[i]) {
        i++;
        continue;
      }
      let peak = i;
      let dip = i;
      for (; i < to && power[i] > threshold[i]; i++) {
        if (power[i] > power[peak] && power[dip] > power[peak] / 2) {
          peak = i;
          dip = i;
        } else if (power[i] < power[dip]) {
          dip = i;
        } else if (power[dip] < power[peak] / 2 && power[i] > power[dip] * 2) {
          this.add(power, peak, binM, leadM);
          peak = i;
          dip = i;
        }
      }
      this.add(power, peak, binM, leadM);
    }
  }

  private add(power: Float32Array, peak: number, binM: number, leadM: number): void {
    if (this.count >= this.capacity) return;
    const before = power[peak - 1] ?? 0;
    const after = power[peak + 1] ?? 0;
    // The peak between bins, by the parabola through three of them.
    const bend = before - 2 * power[peak] + after;
    const shift = bend < 0 ? (0.5 * (before - after)) / bend : 0;
    this.rangeM[this.count] = (peak + 0.5 + shift) * binM - leadM;
    this.levelDb[this.count] = 10 * Math.log10(power[peak]);
    this.count++;
  }
}
