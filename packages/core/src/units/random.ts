/** A source of uniform numbers in [0, 1). */
export type Random = () => number;

/**
 * Seeded uniform generator (mulberry32): the same seed gives the same sequence everywhere.
 * @param seed any integer; only its lower 32 bits count
 */
export function seededRandom(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A standard normal number (Box–Muller). */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** A draw from the Gamma distribution of unit rate. Source: Marsaglia & Tsang 2000. */
export function gammaDraw(shape: number, random: Random): number {
  if (shape < 1) return gammaDraw(shape + 1, random) * (1 - random()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A Beta-distributed number, from two Gamma draws. */
export function betaDraw(a: number, b: number, random: Random): number {
  const x = gammaDraw(a, random);
  return x / (x + gammaDraw(b, random));
}
