import { stayOrGo, type HolePrior, type HoleSigns } from '../patch';
import { clamp, minuteMs } from '../units';

/** Casts that are still worth making from a stand. */
export interface CastClock {
  castsLeft: number;
  /** Share of the casts one began with, for the ring. */
  leftShare: number;
  untilMs: number;
  minPerCast: number;
  /** What a move costs, min. */
  moveMin: number;
  reason: string;
}

/** Casts that show less than this share of the first are not worth making from here. Heuristic. */
const leastShare = 0.3;
const setUpMin = 0.7;

/** Minutes that a cast takes: line out, down, and back at its pace in seconds for each metre, moves and pauses together. */
export const castMinutes = (castM: number, fallS: number, paceSPerM: number): number => setUpMin + (fallS + castM * paceSPerM) / 60;

/** Minutes between casts of late, where there were enough to tell. */
export function paceMin(castsMs: readonly number[], expectedMin: number): number {
  const gaps = castsMs.slice(1).map((ms, k) => (ms - castsMs[k]) / minuteMs);
  const usual = gaps
    .slice(-6)
    .filter((g) => g > 0.2 && g < 20)
    .sort((a, b) => a - b);
  return usual.length < 2 ? expectedMin : usual[Math.floor(usual.length / 2)];
}

/**
 * Stay or go in casts: while the time here is the better bet (marginal value, as at a hole) and while a cast shows enough that no other
 * has shown.
 * @param gains what the next casts from here would show, best first, each on what those before left
 */
export function castClock(signs: HoleSigns, prior: HolePrior, nowMs: number, minPerCast: number, gains: readonly number[]): CastClock {
  const stay = stayOrGo(signs, prior, nowMs);
  const byTime = Math.ceil((stay.stayUntilMs - nowMs) / minuteMs / minPerCast);
  const worth = gains.findIndex((g) => g < leastShare * (gains[0] || 1));
  const byWater = gains.length === 0 || gains[0] <= 0 ? 0 : worth < 0 ? gains.length : worth;
  const bitten = signs.bitesMs.length > 0;
  const castsLeft = Math.max(0, bitten ? byTime : Math.min(byTime, byWater));
  const first = Math.max(1, gains.length);
  return {
    castsLeft,
    leftShare: clamp(castsLeft / Math.max(first, castsLeft), 0, 1),
    untilMs: nowMs + castsLeft * minPerCast * minuteMs,
    minPerCast,
    moveMin: prior.moveMin,
    reason:
      castsLeft > 0
        ? stay.reason.replace('give the call time to work', 'finish the fan')
        : !bitten && byWater <= 0
          ? 'All that can be reached from here has been shown.'
          : stay.reason.replace(/this hole|a fresh hole/, (w) => (w === 'this hole' ? 'this stand' : 'a fresh stand')),
  };
}
