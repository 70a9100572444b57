import { gammaDraw, seededRandom, type Random } from '@burrow/core/units';

/** A swim of single fish: they come to feed, bite when they are at ease, are made wary by each catch, and drift off when nothing lies there. */
export class SimulatedSwim {
  private here: number;
  private food: number;
  private wary = 0;

  constructor(
    private readonly random: Random,
    /** Fish about that may come. */
    private readonly stock: number,
    /** Bites a minute of one fish at ease. */
    private readonly keenness: number,
    /** How fast wariness fades, a minute. */
    private readonly calm: number,
  ) {
    this.here = 0.3 * stock;
    this.food = 0;
  }

  feed(): void {
    this.food = Math.min(2, this.food + 1);
    this.wary += 0.4;
  }

  /** Bites to expect in the next minute of fishing: what an oracle sees. */
  get rate(): number {
    return this.here * this.keenness * Math.exp(-this.wary);
  }

  /** A minute goes by; answers the fish caught where it was fished. */
  minute(isFished: boolean): { bites: number; fish: number } {
    const drawn = this.stock * (0.15 + 0.6 * Math.min(1, this.food));
    this.here += (drawn - this.here) * (this.food > 0.1 ? 0.06 : 0.03);
    this.food = Math.max(0, this.food - 0.006 * this.here - 0.004);
    this.wary = Math.max(0, this.wary - this.calm * (isFished ? 0.4 : 1));
    if (!isFished) return { bites: 0, fish: 0 };
    // Bites clump: some minutes have none, some several.
    const rate = this.rate * gammaDraw(0.8, this.random) * 1.25;
    let [bites, t] = [0, -Math.log(1 - this.random())];
    for (; t < rate; t -= Math.log(1 - this.random())) bites++;
    let fish = 0;
    for (let k = 0; k < bites; k++) {
      if (this.random() > 0.65 || this.here < 1) continue;
      fish++;
      this.here = Math.max(0, this.here - 1);
      this.wary += 0.12;
    }
    return { bites, fish };
  }
}

/** Two swims of a peg on a day. */
export function pegOf(seed: number): [SimulatedSwim, SimulatedSwim] {
  const random = seededRandom(seed);
  // The near swim is shallower and holds fewer on most days, on some more.
  const swim = (least: number, more: number) =>
    new SimulatedSwim(seededRandom(Math.floor(random() * 2 ** 31)), least + more * random(), 0.012 + 0.022 * random(), 0.012 + 0.03 * random());
  return [swim(3, 18), swim(8, 30)];
}
