import { spreadDepths, type FishedDepth } from '@burrow/core/troll';
import { normal, seededRandom, type Random } from '@burrow/core/units';

/** A day of trolling: minutes, and how often the lines are set anew. */
const [dayMin, setEveryMin] = [300, 20];
const band = { fromM: 2, toM: 12 };

/** Where fish hang that day: anywhere in the band, or mostly near its middle. */
export type Where = 'anywhere' | 'middle';

function fishDepth(random: Random, where: Where): number {
  if (where === 'anywhere') return band.fromM + (band.toM - band.fromM) * random();
  return Math.min(band.toM, Math.max(band.fromM, 7 + 1.5 * normal(random)));
}

/** Bites of a bait in some minutes: fish about their depth come up for it more than down, and they hang less sharply than anglers think. */
function bitesOf(random: Random, baitM: number, fishM: number, keen: number, minutes: number): number {
  const off = fishM - baitM;
  const reach = off >= 0 ? 1.1 : 0.6;
  const rate = keen / (1 + (off / reach) ** 4);
  let [bites, t] = [0, -Math.log(1 - random())];
  for (; t < rate * minutes; t -= Math.log(1 - random())) bites++;
  return bites;
}

export type SetLines = (fished: readonly FishedDepth[], lines: number) => number[];
export const bySpread: SetLines = (fished, lines) => spreadDepths({ band, rods: lines, baitsPerRod: 1, fished }).map(([m]) => m);
export const allMiddle: SetLines = (_, lines) => Array.from({ length: lines }, () => (band.fromM + band.toM) / 2);
/** Even over the band till three bites came at one depth, then all lines there. */
export const bareRule: SetLines = (fished, lines) => {
  const hot = fished.find((f) => f.bites >= 3);
  return Array.from({ length: lines }, (_, k) => hot?.depthM ?? band.fromM + ((band.toM - band.fromM) * (k + 0.5)) / lines);
};

/** Bites of a day with so many lines. */
export function trollDay(seed: number, lines: number, where: Where, set: SetLines): number {
  const random = seededRandom(seed);
  let fishM = fishDepth(random, where);
  const keen = 0.02 + 0.08 * random();
  const fished: FishedDepth[] = [];
  let bites = 0;
  for (let minute = 0; minute < dayMin; minute += setEveryMin) {
    for (const depthM of set(fished, lines)) {
      const found = bitesOf(random, depthM, fishM, keen, setEveryMin);
      bites += found;
      fished.push({ depthM, bites: found, minutes: setEveryMin });
    }
    // They rise and sink a little as the light goes.
    fishM = Math.min(band.toM, Math.max(band.fromM, fishM + 0.15 * normal(random)));
  }
  return bites;
}
