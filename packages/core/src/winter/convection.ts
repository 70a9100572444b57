import { freshDensity, maximumDensityC } from '../water';

/**
 * Mixes every layer that is denser than the one below it with that one, until the column is stable: heat is conserved, and oxygen goes
 * along in the layers before `oxygenTo`. Each violation is pooled with its neighbours, down and up, until it is denser than nothing
 * below and lighter than nothing above (pool adjacent violators).
 * @param first top layer, of volume `firstM3`
 */
export function mixUnstable(tempC: Float64Array, oxygen: Float64Array, volumes: Float64Array, first: number, firstM3: number, oxygenTo: number): void {
  const last = tempC.length - 1;
  for (let i = nextViolation(tempC, first); i >= 0;) {
    let top = i;
    let end = i;
    let volume = i === first ? firstM3 : volumes[i];
    let temp = tempC[i];
    for (;;) {
      if (end < last && isDenser(temp, tempC[end + 1])) {
        end++;
        volume += volumes[end];
        temp += (volumes[end] / volume) * (tempC[end] - temp);
      } else if (top > first && isDenser(tempC[top - 1], temp)) {
        top--;
        const above = top === first ? firstM3 : volumes[top];
        volume += above;
        temp += (above / volume) * (tempC[top] - temp);
      } else break;
    }
    tempC.fill(temp, top, end + 1);
    mixOxygen(oxygen, volumes, top, Math.min(end + 1, oxygenTo), top === first ? firstM3 : volumes[top]);
    i = nextViolation(tempC, end);
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

/** The first layer from `from` down that is denser than the one below it, or −1. */
function nextViolation(tempC: Float64Array, from: number): number {
  for (let i = from; i < tempC.length - 1; i++) if (isDenser(tempC[i], tempC[i + 1])) return i;
  return -1;
}
