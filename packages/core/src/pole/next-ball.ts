import type { BallBreak } from '../ledger';
import { requireWithin } from '../units';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { fedSpan, feedLanding, stillMs, type FeedQuery, type RunSpan } from './feed';

/** Habit of the fish: used to bait, or not. */
export type BaitHabit = 'unfed' | 'used';

/** Source: fieldcraft, "Feeding a swim, as it is done"; heuristic. */
export const ballLimits = {
  /** Share of the food that is to lie on the run. */
  wantedShare: 0.7,
  /** A ball is dropped no further up than this, m, and in steps of so much. */
  upM: 3,
  stepM: 0.05,
  /** From so much depth times flow on gravel shows where it lies, m²/s, and makes it so dense, g/cm³. */
  gravelM2s: 0.6,
  gravelGcc: 1.35,
  /** A blank after a ball in flow, and two, min. */
  blankMin: 10,
  twoBlanksMin: 25,
  /** In water colder than this grains only, °C. */
  grainsC: 3,
  mostBalls: 10,
} as const;

/** Share of food that comes to lie no further than `toM` from where the ball is dropped, 0–1: of the spread between 10 and 90 % as a lognormal one. */
function shareTo({ fedFromM, fedToM }: { fedFromM: number; fedToM: number }, offsetM: number, toM: number): number {
  const [near, far] = [fedFromM - offsetM, fedToM - offsetM];
  const x = toM - offsetM;
  if (x <= 0) return 0;
  if (!(near > 0) || far <= near) return x >= near ? 1 : 0;
  const spread = Math.log(far / near) / (2 * z90);
  return normalCdf((Math.log(x) - (Math.log(near) + Math.log(far)) / 2) / spread, 0, 1);
}

/** So many standard deviations hold 90 of 100 on one side. */
const z90 = 1.2815515655446004;

/** Where all of a ball's food has left at least: what the ball itself drifts before it breaks, m. */
function offsetOf(query: FeedQuery): number {
  const whole = feedLanding({ ...query, breakAt: 'never' }).landsM;
  if (query.breakAt === 'surface') return 0;
  if (query.breakAt === 'half') return (1 - 0.5 ** (8 / 7)) * whole;
  return whole;
}

/** Share of a ball's food that lies on a run when it is dropped so far along; for flow that runs down. */
export function shareOnRun(query: FeedQuery, run: RunSpan, dropM: number): number {
  const landing = feedLanding(query);
  const offset = offsetOf(query);
  if (query.flowMs < stillMs) {
    const { fromM, toM } = fedSpan(landing, dropM);
    // On still water it lies about where it falls.
    return Math.max(0, Math.min(run.toM, toM) - Math.max(run.fromM, fromM)) / Math.max(1e-9, toM - fromM) || Number(dropM >= run.fromM && dropM <= run.toM);
  }
  return shareTo(landing, offset, run.toM - dropM) - shareTo(landing, offset, run.fromM - dropM);
}

export interface NextBall {
  balls: number;
  break: BallBreak | null;
  dropM: number | null;
  hasGravel: boolean;
  /** Share of the food that lies on the run, 0–1; null of grains. */
  shareOnRun: number | null;
  /** Where 10 to 90 % of the food lies, m from the float's start; null of grains. */
  fedFromM: number | null;
  fedToM: number | null;
  way: 'cup' | 'throw' | 'loose';
  ruleId: string;
  why: string;
}

export interface NextBallQuery {
  depthM: number;
  /** Depth-mean flow, m/s; downstream positive. */
  flowMs: number;
  /** Length of the run, m. */
  runM: number;
  /** Where they bite on the run, m along it from its start downstream; the whole run where left out. */
  target?: RunSpan | null;
  /** What is fed; crumb in a usual ball where left out. */
  ball?: Pick<FeedQuery, 'ballCm' | 'densityGcc' | 'particle'>;
  /** Where the last ball broke, and minutes without a bite since. */
  last?: { breaks: BallBreak; blankMin: number } | null;
  habit?: BaitHabit;
  tempC?: number;
  /** Whether the water has cooled since they began; not where left out. */
  isCooling?: boolean;
  /** Whether the swim was fed already; by `last` where left out. */
  isBegun?: boolean;
}

/** The ball of a call that says nothing of it, and the water, °C. Assumed. */
const usual = { ball: { ballCm: 5, densityGcc: 1.2, particle: 'crumb' }, tempC: 8 } as const;
const softer: Readonly<Record<BallBreak, BallBreak>> = { never: 'bottom', bottom: 'half', half: 'surface', surface: 'surface' };
const squeezed: Readonly<Record<BallBreak, string>> = { surface: 'barely pressed', half: 'pressed once', bottom: 'squeezed hard', never: 'as clay' };

/** Where a ball of a break is dropped best, and what share of its food then lies on the target. For flow that runs down. */
function bestDrop(query: FeedQuery, target: RunSpan, isBitten: boolean): { dropM: number; share: number } {
  const { upM, stepM } = ballLimits;
  // Of places as good as each other the one nearest to the float, or that lays the food about the middle of the bites.
  const { landsM } = feedLanding(query);
  const off = (dropM: number) => Math.abs(isBitten ? dropM + landsM - (target.fromM + target.toM) / 2 : dropM);
  const alike = isBitten ? 0.02 : 1e-3;
  let best = { dropM: 0, share: shareOnRun(query, target, 0) };
  for (let k = 0; k <= Math.round((upM + target.toM) / stepM); k++) {
    const dropM = Math.round((-upM + k * stepM) * 100) / 100;
    const share = shareOnRun(query, target, dropM);
    if (share > best.share + alike || (share > best.share - alike && off(dropM) < off(best.dropM))) best = { dropM, share };
  }
  return best;
}

/** How many balls to begin or go on with: in water so cold one small one to begin, and grains from then on. */
function ballsFor(isStill: boolean, habit: BaitHabit, tempC: number, isBegun: boolean): number {
  if (tempC < ballLimits.grainsC) return isBegun ? 0 : 1;
  if (habit === 'unfed') return 1;
  return isStill ? Math.min(ballLimits.mostBalls, Math.max(3, Math.round(2 * tempC - 2))) : 2;
}

/**
 * The next ball: how many, how hard it is squeezed, where it is dropped and whether with gravel. In flow the softest break that puts 70 % of its food on the run,
 * half way before the surface, the bed only where neither does; on still water the bed. A blank in flow makes the next softer, two of them throw it.
 * RangeError for figures out of range.
 */
export function nextBallFor(query: NextBallQuery): NextBall {
  const { depthM, runM, target = null, ball = usual.ball, last = null, habit = 'unfed', tempC = usual.tempC } = query;
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(query.flowMs, -3, 3, 'flow', 'm/s');
  requireWithin(runM, 0.2, 50, 'run', 'm');
  requireWithin(tempC, -2, 40, 'water temperature', '°C');
  // All is reckoned as if it ran down, and turned round at the end.
  const [flowMs, way] = [Math.abs(query.flowMs), Math.sign(query.flowMs) || 1];
  const isStill = flowMs < stillMs;
  const isBegun = query.isBegun ?? last !== null;
  const balls = query.isCooling && isBegun ? 0 : ballsFor(isStill, habit, tempC, isBegun);
  if (balls === 0)
    return {
      ...{ balls, break: null, dropM: null, hasGravel: false, shareOnRun: null, fedFromM: null, fedToM: null, way: 'loose', ruleId: 'pole.feed.grains' },
      why: `In water ${query.isCooling ? 'that cools' : 'so cold'} no ball: five or six grains by hand, and again when they bite.`,
    };
  const hasGravel = !isStill && depthM * flowMs >= ballLimits.gravelM2s;
  const made = (breakAt: BallBreak): FeedQuery => ({
    depthM,
    flowMs: isStill ? 0 : flowMs,
    ...ball,
    densityGcc: hasGravel ? Math.max(ball.densityGcc, ballLimits.gravelGcc) : ball.densityGcc,
    breakAt,
  });
  const run = target ?? { fromM: 0, toM: runM };
  const isBlank = last !== null && last.blankMin >= ballLimits.blankMin && !isStill;
  const isBitten = target !== null;
  const chosen = chosenBreak(made, run, isBitten, isStill, isBlank ? last.breaks : null);
  const { dropM, share } = isStill ? { dropM: 0, share: 1 } : bestDrop(made(chosen.breakAt), run, isBitten);
  const { fromM, toM } = fedSpan(feedLanding(made(chosen.breakAt)), dropM);
  const isThrown = isBlank && last.blankMin >= ballLimits.twoBlanksMin;
  const turned = (m: number) => Math.round(1000 * way * m) / 1000 || 0;
  return {
    balls: isBlank ? 1 : balls,
    break: chosen.breakAt,
    dropM: turned(dropM),
    hasGravel,
    shareOnRun: share,
    fedFromM: turned(fromM),
    fedToM: turned(toM),
    way: isThrown ? 'throw' : 'cup',
    ruleId: chosen.ruleId,
    why: [chosen.why, isThrown ? 'Two blanks with a quiet cup: throw it, let it be heard.' : '', hasGravel ? 'Gravel in it: it runs hard, and so one knows where it lies.' : '']
      .filter(Boolean)
      .join(' '),
  };
}

function chosenBreak(
  made: (breakAt: BallBreak) => FeedQuery,
  run: RunSpan,
  isBitten: boolean,
  isStill: boolean,
  blank: BallBreak | null,
): { breakAt: BallBreak; ruleId: string; why: string } {
  if (isStill) return { breakAt: 'bottom', ruleId: 'pole.feed.still', why: 'Still water: hard enough to reach the bed and break there.' };
  if (blank !== null) {
    const breakAt = softer[blank];
    return { breakAt, ruleId: 'pole.feed.blank', why: `No bite on the last: it was too hard. Smaller, and only ${squeezed[breakAt]}.` };
  }
  for (const breakAt of ['half', 'surface'] as const) {
    if (bestDrop(made(breakAt), run, isBitten).share >= ballLimits.wantedShare)
      return {
        breakAt,
        ruleId: `pole.feed.${breakAt}`,
        why: breakAt === 'half' ? 'It breaks half way and leaves a trail along the run.' : 'Loose from the surface on it still lies on the run.',
      };
  }
  return { breakAt: 'bottom', ruleId: 'pole.feed.bottom', why: 'Softer it would drift off the run: squeezed hard it breaks on the bed.' };
}
