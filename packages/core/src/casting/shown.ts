import { outAlong, type Spot } from './water';

/** Side of the squares that shown water is counted in, m. */
const sideM = 0.5;

/** Water that casts from anywhere have shown: how many passes each half metre has had. */
export class ShownWater {
  private readonly passes = new Map<number, number>();

  private key = (x: number, y: number) => Math.round(x / sideM) * 200_003 + Math.round(y / sideM);

  /** Takes in a cast: every place within the strike radius of its way has had one more pass. */
  add(from: Spot, bearingDeg: number, lengthM: number, strikeM: number): void {
    const end = outAlong(from, bearingDeg, lengthM);
    const [ux, uy] = [(end.x - from.x) / lengthM, (end.y - from.y) / lengthM];
    const keys = new Set<number>();
    const wide = Math.max(1, Math.ceil(strikeM / sideM));
    for (let d = 0; d <= lengthM; d += sideM / 2) {
      const [x, y] = [from.x + d * ux, from.y + d * uy];
      for (let k = -wide; k <= wide; k++) {
        const off = (k / wide) * strikeM;
        keys.add(this.key(x - off * uy, y + off * ux));
      }
    }
    for (const key of keys) this.passes.set(key, (this.passes.get(key) ?? 0) + 1);
  }

  /** What is left of a place after its passes, each of which leaves a share of `passLeft`, 0–1. */
  leftAt(x: number, y: number, passLeft: number): number {
    const passes = this.passes.size === 0 ? undefined : this.passes.get(this.key(x, y));
    return passes === undefined ? 1 : passLeft ** passes;
  }
}
