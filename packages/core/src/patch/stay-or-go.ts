import type { SpeciesGroup } from '../fish';
import { bisect, clamp, minuteMs } from '../units';

/** What is expected of holes on this water before they have been fished. A hole is alive or not; a live one is visited until the school leaves. */
export interface HolePrior {
  /** Mean marking visits per hour over all holes. */
  visitsPerHour: number;
  /** Share of holes that are alive: small where few holes hold most fish. */
  aliveShare: number;
  /** Mean time a school keeps coming to a live hole, min. */
  schoolMin: number;
  /** Minutes that a move costs: walk, drill, set up. */
  moveMin: number;
}

/** Active fishing with a flasher: three visits an hour elsewhere, clumped, twelve minutes a move. Source: fieldcraft. */
export const activePrior: HolePrior = { visitsPerHour: 3, aliveShare: 0.5, schoolMin: 40, moveMin: 12 };

/** Big fish that are few and far between, and swims that fish settle into: less often, for longer. Source: fieldcraft ("the clock runs in hours, not minutes"). */
const sparsePrior: HolePrior = { visitsPerHour: 0.5, aliveShare: 0.6, schoolMin: 240, moveMin: 30 };
const settlingPrior: HolePrior = { visitsPerHour: 1.2, aliveShare: 0.75, schoolMin: 240, moveMin: 60 };

/** What to expect of a hole by the kind of fish one is after. Heuristic; source: fieldcraft. */
export const holePriors: Readonly<Record<SpeciesGroup, HolePrior>> = {
  panfish: activePrior,
  bass: activePrior,
  'stocked-trout': activePrior,
  'pike-walleye': { visitsPerHour: 1.6, aliveShare: 0.5, schoolMin: 60, moveMin: 12 },
  deep: sparsePrior,
  'roach-like': settlingPrior,
};

/** What has happened at a hole that tells on staying. */
export interface HoleSigns {
  arrivedMs: number;
  /** Times since arrival at which different fish were seen, ms. */
  visitsMs: readonly number[];
  /** Refusals by different fish, those of earlier stays at this hole too: it has recovered from them in part. */
  refusalsMs: readonly number[];
  bitesMs: readonly number[];
  /** When one and the same fish came again on end, ms; absent where nobody told fish apart. */
  sameMs?: readonly number[];
  /** Longest that one stays from the last sign while nothing bites, min; absent where lines are set that fish for themselves. */
  mostQuietMin?: number;
  /** Whether the fish wait for the water to warm: then a blank is no verdict on the place. */
  awaitsWarmth?: boolean;
}

export interface StayOrGo {
  stayUntilMs: number;
  leftMin: number;
  /** Share of the first allowance that is left, 0–1, for the ring. */
  leftShare: number;
  /** Long-run visits per hour elsewhere after paying for the moves. */
  elsewherePerHour: number;
  reason: string;
}

/** A refusal makes what this hole may still give worth this much less, a bite more. Heuristic; source: fieldcraft ("a hole full of refusals is spent"). */
const refusalFactor = 0.8;
const biteFactor = 1.25;
/** From more bites than this on their own rate is gone by; what is expected of it counts as so many intervals. Heuristic. */
const [mostLiked, expectedIntervals] = [2, 0.5] as const;
/** A rested hole forgets its refusals in about this time, min. Heuristic; source: fieldcraft ("rested holes recover"). */
const restMin = 50;
const longestMin = 240;

/** What waiting is worth: rates per minute. */
interface Plan {
  /** Long-run visits per minute of the best plan. */
  rate: number;
  /** Worth of a live hole just after a visit, over what the same time brings elsewhere, visits. */
  surplus: number;
  visitRate: number;
  leaveRate: number;
}

/** Chance that the school is still there `min` after the last sign, when it was there with `alive` at that sign. */
function aliveAfter(plan: Pick<Plan, 'visitRate' | 'leaveRate'>, alive: number, min: number): number {
  const both = plan.visitRate + plan.leaveRate;
  const still = alive * Math.exp(-both * min);
  const left = (alive * plan.leaveRate * (1 - Math.exp(-both * min))) / both;
  return still / (still + left + 1 - alive);
}

/** Minutes to wait from a sign, for worth `value`, until the rate here falls to the rate elsewhere. */
function waitMin(plan: Plan, alive: number, value: number): number {
  const gain = (min: number) => plan.visitRate * aliveAfter(plan, alive, min) * value * (1 + plan.surplus) - plan.rate;
  if (gain(0) <= 0) return 0;
  if (gain(longestMin) > 0) return longestMin;
  return bisect((min) => gain(min) > 0, 0, longestMin, 14);
}

/** Chance of a visit within `min`, and the minutes spent until it or the end. */
function waiting(plan: Plan, alive: number, min: number): { visit: number; minutes: number } {
  const both = plan.visitRate + plan.leaveRate;
  const faded = 1 - Math.exp(-both * min);
  const left = plan.leaveRate / both;
  return { visit: (alive * plan.visitRate * faded) / both, minutes: (1 - alive) * min + alive * ((1 - left) * (faded / both) + left * min) };
}

/**
 * The plan with the highest long-run visits per minute: each hole is left when a visit, with all it promises, comes no sooner
 * here than elsewhere (marginal value theorem, Charnov 1976). Bisection over the long-run rate.
 */
export function bestPlan(prior: HolePrior): Plan {
  const visitRate = prior.visitsPerHour / 60 / prior.aliveShare;
  const leaveRate = 1 / prior.schoolMin;
  const plan: Plan = { rate: 0, surplus: 0, visitRate, leaveRate };
  const beatsMoving = (rate: number) => {
    plan.rate = rate;
    settleSurplus(plan);
    const first = waiting(plan, prior.aliveShare, waitMin(plan, prior.aliveShare, 1));
    return first.visit * (1 + plan.surplus) - rate * first.minutes > rate * prior.moveMin;
  };
  plan.rate = bisect(beatsMoving, 0, visitRate);
  settleSurplus(plan);
  return plan;
}

/** Worth of a live hole under the plan's rate, by its fixed point. */
function settleSurplus(plan: Plan): void {
  plan.surplus = 0;
  for (let k = 0; k < 40; k++) {
    const next = waiting(plan, 1, waitMin(plan, 1, 1));
    const surplus = Math.max(0, (next.visit - plan.rate * next.minutes) / (1 - next.visit));
    if (Math.abs(surplus - plan.surplus) < 1e-9) return;
    plan.surplus = surplus;
  }
}

const plans = new Map<string, Plan>();
function planFor(prior: HolePrior): Plan {
  const key = Object.values(prior).join();
  let plan = plans.get(key);
  if (!plan) {
    plan = bestPlan(prior);
    plans.set(key, plan);
  }
  return plan;
}

/** Refusals that still tell: those of this stay in full, earlier ones by how long the hole had rested when one came back. */
const tellingRefusals = ({ arrivedMs, refusalsMs }: Pick<HoleSigns, 'arrivedMs' | 'refusalsMs'>) =>
  refusalsMs.reduce((sum, ms) => sum + Math.exp(-Math.max(0, arrivedMs - ms) / minuteMs / restMin), 0);

/** What a hole is still worth to one who comes to it at `arrivedMs`, against a fresh one, 0–1: refusals deplete it, rest restores it. */
export const worthAfter = (refusalsMs: readonly number[], arrivedMs: number): number => refusalFactor ** tellingRefusals({ arrivedMs, refusalsMs });

/** One fish that came back so often is the only one here. Source: fieldcraft; jobs of the scenario. */
const sameLimit = 4;

/** Stay here, or go: how long to stay from what was seen, and why. */
export function stayOrGo(signs: HoleSigns, prior: HolePrior, nowMs: number): StayOrGo {
  const plan = planFor(prior);
  const lastMs = Math.max(signs.arrivedMs, ...signs.visitsMs, ...signs.bitesMs);
  const alive = signs.visitsMs.length + signs.bitesMs.length > 0 ? 1 : prior.aliveShare;
  // What many bites say is in how often they came.
  const liked = biteFactor ** (signs.bitesMs.length > mostLiked ? 1 : signs.bitesMs.length);
  const here = { ...plan, visitRate: rateHere(plan.visitRate, signs.bitesMs) };
  const mostMin = signs.bitesMs.length > 0 ? Infinity : (signs.mostQuietMin ?? Infinity);
  const untilMs = (value: number) => lastMs + Math.round(Math.min(mostMin, waitMin(here, alive, value)) * minuteMs);
  // Who has seen one fish five times fishes for that one: others are elsewhere.
  const isOneFish = (signs.sameMs ?? []).length >= sameLimit;
  const stayUntilMs = isOneFish ? nowMs : untilMs(liked * worthAfter(signs.refusalsMs, signs.arrivedMs));
  const isUp = stayUntilMs <= nowMs;
  const morning = signs.awaitsWarmth === true && signs.bitesMs.length === 0 ? slowMorning : '';
  return {
    stayUntilMs,
    leftMin: Math.max(0, Math.ceil((stayUntilMs - nowMs) / minuteMs)),
    leftShare: clamp((stayUntilMs - nowMs) / minuteMs / waitMin(plan, 1, 1), 0, 1),
    elsewherePerHour: 60 * plan.rate,
    reason: isOneFish
      ? `The same fish ${(signs.sameMs ?? []).length + 1} times, and it does not take: move 30 m, the others keep to other places.`
      : `${isUp ? goReason(signs, untilMs(liked) > nowMs, nowMs) : stayReason(signs, nowMs)}${morning}`,
  };
}

/**
 * How often fish come to this hole while they bite, a minute: what is expected counts as so many intervals beside those between the bites. Where they came
 * one upon another, silence tells sooner that they have gone.
 */
function rateHere(expected: number, signsMs: readonly number[]): number {
  const times = [...new Set(signsMs)].sort((a, b) => a - b);
  const seen = times.length > mostLiked ? times.length - 1 : 0;
  return (expectedIntervals + seen) / (expectedIntervals / expected + (seen === 0 ? 0 : (times[times.length - 1] - times[0]) / minuteMs));
}

const fishSeen = (n: number) => (n === 1 ? 'One fish has' : `${n} fish have`);
const minutesSince = (ms: number, nowMs: number) => Math.round((nowMs - ms) / minuteMs);

const slowMorning = ' A blank morning is usual: the first bite comes when the water has gained a degree, midday to dusk. The place is not written off.';

/** Why to go. It is the refusals where one would stay without them, else the quiet. */
function goReason({ arrivedMs, visitsMs, bitesMs, refusalsMs }: HoleSigns, isSpent: boolean, nowMs: number): string {
  const turnedDown = refusalsMs.length;
  if (isSpent) return `${fishSeen(turnedDown)} turned it down here: this hole is spent for now. Rest it.`;
  const last = Math.max(...visitsMs, ...bitesMs);
  if (!Number.isFinite(last)) return `Nothing in ${minutesSince(arrivedMs, nowMs)} min. Elsewhere is the better bet, the move included.`;
  const quiet = minutesSince(last, nowMs);
  return bitesMs.length > 0
    ? `Fish bit here, but nothing for ${quiet} min: a fresh hole pays more now.`
    : `Nothing for ${quiet} min since the last one: a fresh hole pays more now.`;
}

/** Why to stay, and what shortens it. */
function stayReason({ arrivedMs, visitsMs, bitesMs, refusalsMs }: HoleSigns, nowMs: number): string {
  const here = refusalsMs.filter((ms) => ms >= arrivedMs).length;
  const shortened = here === 0 ? '' : ` ${fishSeen(here)} turned it down, which shortens the stay.`;
  if (bitesMs.length > 0) return `Fish bit here: worth waiting for the next.${shortened}`;
  if (visitsMs.length > 0) {
    const ago = minutesSince(Math.max(...visitsMs), nowMs);
    return `Fish seen ${ago < 1 ? 'just now' : `${ago} min ago`}: they may come round again.${shortened}`;
  }
  if (tellingRefusals({ arrivedMs, refusalsMs }) > 0.1)
    return `${fishSeen(refusalsMs.length)} turned it down before it rested. Give them time to come back, a little less than a fresh hole.`;
  return 'Nothing seen yet: give the call time to work.';
}
