import { clamp, normal, type Random } from '../units';

/** Hidden temper of a fish. All 0–1 unless said. A training model, not a claim about nature; equations in docs/science.md. */
export interface Mood {
  activity: number;
  wariness: number;
  /** Intensity of the jig that draws it: 0 still, 1 calling. */
  likedMotion: number;
  /** Lift that it answers to best, m. */
  likedLiftM: number;
  likedSizeMm: number;
  hunger: number;
}

/** What a day has made of all fish of a water: means that each fish varies a little, and a preference that is the day's. */
export type Day = Mood;

/** The preferences that days draw from. */
const preferences = { motion: [0.05, 0.95], liftM: [0.006, 0.14], sizeMm: [3, 7] } as const;
const between = (random: Random, [low, high]: readonly [number, number]) => low + (high - low) * random();
const vary = (random: Random, mean: number, sd: number) => clamp(mean + sd * normal(random), 0.02, 0.98);

/** A day of a given activity and wariness; what it likes is drawn. */
export function dayOf(random: Random, activity: number, wariness: number): Day {
  const preference = random();
  return {
    activity: vary(random, activity, 0.1),
    wariness: vary(random, wariness, 0.08),
    likedMotion: preferences.motion[0] + (preferences.motion[1] - preferences.motion[0]) * preference,
    // Who likes it lively likes it high.
    likedLiftM: preferences.liftM[0] * (preferences.liftM[1] / preferences.liftM[0]) ** preference,
    likedSizeMm: between(random, preferences.sizeMm),
    hunger: vary(random, 0.6, 0.15),
  };
}

/** One fish of the day. */
export const moodOf = (random: Random, day: Day): Mood => ({
  activity: vary(random, day.activity, 0.12),
  wariness: vary(random, day.wariness, 0.1),
  likedMotion: vary(random, day.likedMotion, 0.08),
  likedLiftM: day.likedLiftM * Math.exp(0.2 * normal(random)),
  likedSizeMm: day.likedSizeMm,
  hunger: vary(random, day.hunger, 0.15),
});
