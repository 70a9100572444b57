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
  private readonly gas: Float64Array;

  constructor(count: number) {
    this.topOf = new Int32Array(count);
    this.volume = new Float64Array(count);
    this.temp = new Float64Array(count);
    this.gas = new Float64Array(count);
  }

  /** Mixes in place. The top layer is `first` with `firstM3`; `oxygenToo` mixes oxygen with the heat. */
  mix(tempC: Float64Array, oxygen: Float64Array, volumes: Float64Array, first: number, firstM3: number, oxygenToo: boolean): void {
    const from = firstViolation(tempC, first);
    if (from < 0) return;
    const { topOf, volume, temp, gas } = this;
    const count = tempC.length;
    let blocks = 0;
    for (let i = first; i < count; i++) {
      topOf[blocks] = i;
      volume[blocks] = i === first ? firstM3 : volumes[i];
      temp[blocks] = tempC[i];
      gas[blocks] = oxygen[i];
      // Above the first violation everything is stable as it is.
      while (i > from && blocks > 0 && isDenser(temp[blocks - 1], temp[blocks])) {
        const both = volume[blocks - 1] + volume[blocks];
        const share = volume[blocks] / both;
        temp[blocks - 1] += share * (temp[blocks] - temp[blocks - 1]);
        gas[blocks - 1] += share * (gas[blocks] - gas[blocks - 1]);
        volume[blocks - 1] = both;
        blocks--;
      }
      blocks++;
    }
    for (let b = 0; b < blocks; b++) {
      const end = b + 1 < blocks ? topOf[b + 1] : count;
      if (end - topOf[b] === 1) continue;
      tempC.fill(temp[b], topOf[b], end);
      if (oxygenToo) oxygen.fill(gas[b], topOf[b], end);
    }
  }
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
