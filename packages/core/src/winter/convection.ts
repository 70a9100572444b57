import { freshDensity, maximumDensityC } from '../water';

/**
 * Mixes every layer that is denser than the one below it with that one, until the column is stable; heat is conserved, and
 * oxygen where it goes along. Adjacent violators are pooled from the top down, so one pass is enough.
 */
export class Convection {
  /** Top layer of each pooled block, and the block's volume, m³. */
  private readonly topOf: Int32Array;
  private readonly volume: Float64Array;
  private readonly temp: Float64Array;

  constructor(count: number) {
    this.topOf = new Int32Array(count);
    this.volume = new Float64Array(count);
    this.temp = new Float64Array(count);
  }

  /** Mixes in place. The top layer is `first` with `firstM3`; oxygen goes along in the layers before `oxygenTo`. */
  mix(tempC: Float64Array, oxygen: Float64Array, volumes: Float64Array, first: number, firstM3: number, oxygenTo: number): void {
    const from = firstViolation(tempC, first);
    if (from < 0) return;
    const { topOf, volume, temp } = this;
    const count = tempC.length;
    let blocks = 0;
    for (let i = first; i < count; i++) {
      topOf[blocks] = i;
      volume[blocks] = i === first ? firstM3 : volumes[i];
      temp[blocks] = tempC[i];
      // Above the first violation everything is stable as it is.
      while (i > from && blocks > 0 && isDenser(temp[blocks - 1], temp[blocks])) {
        const both = volume[blocks - 1] + volume[blocks];
        const share = volume[blocks] / both;
        temp[blocks - 1] += share * (temp[blocks] - temp[blocks - 1]);
        volume[blocks - 1] = both;
        blocks--;
      }
      blocks++;
    }
    for (let b = 0; b < blocks; b++) {
      const end = b + 1 < blocks ? topOf[b + 1] : count;
      if (end - topOf[b] === 1) continue;
      tempC.fill(temp[b], topOf[b], end);
      mixOxygen(oxygen, volumes, topOf[b], Math.min(end, oxygenTo), topOf[b] === first ? firstM3 : volumes[topOf[b]]);
    }
  }
}

/** Spreads oxygen evenly over the layers from `top` up to `end`. */
function mixOxygen(oxygen: Float64Array, volumes: Float64Array, top: number, end: number, topM3: number): void {
  if (end - top < 2) return;
  let sum = oxygen[top] * topM3;
  let volume = topM3;
  for (let i = top + 1; i < end; i++) {
    sum += oxygen[i] * volumes[i];
    volume += volumes[i];
  }
  oxygen.fill(sum / volume, top, end);
}

/** Whether water at `a` is denser than at `b`: on one side of the densest temperature without computing densities. */
function isDenser(a: number, b: number): boolean {
  if (a <= maximumDensityC) {
    if (b <= maximumDensityC) return a > b;
  } else if (b >= maximumDensityC) return a < b;
  return freshDensity(a) > freshDensity(b);
}

/** The first layer that is denser than the one below it, or −1. */
function firstViolation(tempC: Float64Array, first: number): number {
  for (let i = first; i < tempC.length - 1; i++) if (isDenser(tempC[i], tempC[i + 1])) return i;
  return -1;
}
