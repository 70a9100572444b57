import { nextBallFor, whetherToFeed, type BaitHabit } from '@burrow/core/pole';
import { clamp, seededRandom, type Random } from '@burrow/core/units';

/** A kind of water to feed in: ranges that a day draws from. */
export interface FedWater {
  name: string;
  depthM: readonly [number, number];
  flowMs: readonly [number, number];
  tempC: readonly [number, number];
  runM: readonly [number, number];
  /** Fish within reach of the food. */
  fish: readonly [number, number];
  habit: BaitHabit;
}

export const fedWaters: readonly FedWater[] = [
  { name: 'a drain that runs', depthM: [1.2, 2.6], flowMs: [0.07, 0.25], tempC: [5, 9], runM: [3, 7], fish: [8, 28], habit: 'unfed' },
  { name: 'a drain in the coldest water', depthM: [1.2, 2.6], flowMs: [0.05, 0.15], tempC: [1.5, 2.9], runM: [3, 6], fish: [8, 28], habit: 'unfed' },
  { name: 'a still water used to bait', depthM: [2, 3.5], flowMs: [0, 0], tempC: [5, 9], runM: [1, 2], fish: [60, 160], habit: 'used' },
];

/** What goes in at one minute: balls that break at a height, or grains, dropped so far along. */
interface Feed {
  balls: number;
  breaks: 'surface' | 'half' | 'bottom' | 'never';
  dropM: number;
  grains: boolean;
  isThrown: boolean;
}

/** What the angler knows when it may feed. */
interface FedSeen {
  minute: number;
  depthM: number;
  /** As it was timed, m/s. */
  flowMs: number;
  tempC: number;
  runM: number;
  habit: BaitHabit;
  fed: { minute: number; breaks: Feed['breaks'] }[];
  bitesSinceFed: number;
}

export type Feeding = (seen: FedSeen) => Feed | null;

const dayMin = 240;
/** The bed about the run, m: how far up and down of it food is followed, and in steps of so much. */
const [upM, downM, stepM] = [4, 12, 0.5];
const grainShare = 0.12;

const draw = (random: Random, [from, to]: readonly [number, number]) => from + (to - from) * random();
/** About 1, with so much spread. */
const about = (random: Random, spread: number) => Math.exp(spread * (random() + random() + random() - 1.5) * 2);

/** A stretch of bed with food on it and fish that go where food is: made by other rules than the advice is. */
class FedBed {
  private readonly food: Float64Array;
  /** Where each fish is, a step of the bed; −1 away from it. How hungry it is, 0–1. */
  private readonly fish: { at: number; hunger: number }[];

  constructor(
    private readonly random: Random,
    private readonly setting: { depthM: number; flowMs: number; tempC: number; runM: number; fish: number; keenness: number },
  ) {
    this.food = new Float64Array(Math.ceil((upM + setting.runM + downM) / stepM));
    this.fish = Array.from({ length: setting.fish }, () => ({ at: -1, hunger: 0.6 + 0.4 * random() }));
  }

  feed({ balls, breaks, dropM, grains, isThrown }: Feed): void {
    const { random, setting } = this;
    const pieces = 60;
    const mass = grains ? grainShare : balls;
    // It breaks about where it was meant to, and each piece sinks at a speed of its own.
    const high = { surface: 1, half: 0.5, bottom: 0.05, never: 0 }[breaks] * (grains ? 0 : 1);
    for (let k = 0; k < pieces; k++) {
      const left = clamp(high + 0.12 * (random() - 0.5), 0, 1) * setting.depthM;
      const fellM = setting.depthM - left;
      const seconds = grains ? setting.depthM / 0.12 : fellM / 0.35 + (left + 0.04) / (0.035 * about(random, 0.45));
      const at = Math.round((dropM + setting.flowMs * 0.9 * seconds + upM) / stepM);
      if (at >= 0 && at < this.food.length && breaks !== 'never') this.food[at] += mass / pieces;
    }
    // What falls in startles those under it, a thrown one more; in the cold longer.
    const drop = Math.round((dropM + upM) / stepM);
    for (const f of this.fish) if (Math.abs(f.at - drop) <= 2 && random() < (isThrown ? 0.5 : 0.25) * (grains ? 0.3 : 1)) f.at = -1;
  }

  /** A minute: fish move to food, eat, and bite a hook among them. Answers the bites on the run. */
  minute(): number {
    const { random, setting, food } = this;
    const warmth = clamp(setting.tempC / 7, 0.25, 1.2);
    const weights = Array.from(food, (f) => 0.02 + 1.2 * Math.sqrt(f));
    const all = weights.reduce((a, b) => a + b, 0);
    const runFrom = Math.round(upM / stepM);
    const runTo = Math.round((upM + setting.runM) / stepM);
    let rate = 0;
    for (const f of this.fish) {
      if (random() < 0.1 * warmth) f.at = random() * (all + 5) < all ? pick(weights, all, random) : -1;
      f.hunger = Math.min(1, f.hunger + 0.004 * warmth);
      if (f.at < 0) continue;
      const eats = Math.min(food[f.at], 0.006 * f.hunger * warmth);
      food[f.at] -= eats;
      f.hunger = Math.max(0, f.hunger - (8 * eats) / warmth);
      // The hook is one morsel among those that lie there.
      if (f.at >= runFrom && f.at <= runTo) rate += (setting.keenness * f.hunger * warmth) / (1 + food[f.at] / 0.35);
    }
    for (let i = 0; i < food.length; i++) food[i] *= 0.997;
    let [bites, t] = [0, -Math.log(1 - random())];
    for (; t < rate; t -= Math.log(1 - random())) bites++;
    return bites;
  }
}

function pick(weights: readonly number[], all: number, random: Random): number {
  let left = random() * all;
  const at = weights.findIndex((w) => (left -= w) < 0);
  return at < 0 ? weights.length - 1 : at;
}

/** Bites of four hours on a run, fed so. Deterministic for a seed, a water and a way of feeding. */
export function fishFedRun(seed: number, water: FedWater, feeding: Feeding): number {
  const random = seededRandom(seed);
  const day = { depthM: draw(random, water.depthM), flowMs: draw(random, water.flowMs), tempC: draw(random, water.tempC), runM: draw(random, water.runM) };
  const bed = new FedBed(seededRandom(seed + 7), { ...day, fish: Math.round(draw(random, water.fish)), keenness: 0.01 + 0.02 * random() });
  // A float timed once tells the flow to a fifth.
  const timedMs = day.flowMs * about(random, 0.1);
  const fed: FedSeen['fed'] = [];
  let [bites, sinceFed] = [0, 0];
  for (let minute = 0; minute < dayMin; minute++) {
    const feed = feeding({ ...day, flowMs: timedMs, minute, habit: water.habit, fed, bitesSinceFed: sinceFed });
    if (feed) {
      bed.feed(feed);
      fed.push({ minute, breaks: feed.breaks });
      sinceFed = 0;
    }
    const came = bed.minute();
    bites += came;
    sinceFed += came;
  }
  return bites;
}

/** As the peg advises: whether, and which ball where. */
export const fedByAdvice: Feeding = ({ minute, depthM, flowMs, tempC, runM, habit, fed, bitesSinceFed }) => {
  const last = fed.at(-1);
  const minutesSinceFed = last ? minute - last.minute : null;
  const rule = whetherToFeed({ isBaited: habit === 'used', tempC, fed: fed.length, minutesSinceFed, bitesSinceFed, isTired: false, isCooling: false, flowMs });
  if (/tired|not-yet|no-bites/.test(rule.id)) return null;
  const blankMin = last && bitesSinceFed === 0 ? minutesSinceFed! : null;
  const next = nextBallFor({ depthM, flowMs, runM, habit, tempC, last: last && blankMin !== null ? { breaks: last.breaks, blankMin } : null, isBegun: fed.length > 0 });
  const isPinch = rule.id === 'pole.feed.pinch' || rule.id === 'pole.feed.grains' || next.balls === 0;
  // After the opening a small ball holds them; several are for the beginning alone.
  const balls = fed.length === 0 ? next.balls : 0.6;
  return { balls, breaks: next.break ?? 'bottom', dropM: next.dropM ?? 0, grains: isPinch, isThrown: next.way === 'throw' };
};

/** One ball each half hour, squeezed hard and dropped at the float: the usual way. */
export const eachHalfHourABall: Feeding = ({ minute }) => (minute % 30 === 0 ? { balls: 1, breaks: 'bottom', dropM: 0, grains: false, isThrown: false } : null);

export const neverFed: Feeding = () => null;
