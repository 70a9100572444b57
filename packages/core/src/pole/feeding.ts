import type { BallBreak, FeedParticle } from '../ledger';
import { clamp, depthText, median, type UnitPreference } from '../units';
import { breakPoint, feedLanding, fedShare, fedSpan, stillMs, type FeedQuery, type RunSpan } from './feed';
import { ballLimits, nextBallFor, type BaitHabit, type NextBall } from './next-ball';
import type { PegSwim } from './from-log';
import { bestThird, biteThirds, type RunThird } from './run';

/** What is known where one asks whether to feed. */
export interface FeedScene {
  /** Fish of this water are used to bait. */
  isBaited: boolean;
  tempC: number;
  fed: number;
  minutesSinceFed: number | null;
  bitesSinceFed: number;
  isTired: boolean;
  /** Depth-mean flow, m/s. */
  flowMs: number;
  /** Whether the water has cooled since they began. */
  isCooling: boolean;
}

export interface FeedRule {
  id: string;
  label: string;
  holds: (s: FeedScene) => boolean;
  reason: string;
  viewpoint?: string;
}

/** The least between two balls of a swim that gives bites, min; heuristic. Under this water takes a pinch, °C. */
const [betweenMin, pinchC] = [25, 5];

/** Whether to feed a swim now, the first that holds. Source: fieldcraft, pole. */
export const feedRules: readonly FeedRule[] = [
  {
    id: 'pole.feed.first-baited',
    label: 'Several balls to begin',
    holds: (s) => s.fed === 0 && s.isBaited && s.tempC >= pinchC,
    reason: 'Fish here are used to bait and look for it: a plain start draws them.',
    viewpoint: 'Heavy at first where fish are used to it; others feed little and often',
  },
  {
    id: 'pole.feed.first',
    label: 'One small ball to begin',
    holds: (s) => s.fed === 0,
    reason: 'Food that is not eaten in cold water lies there all day: begin with little.',
    viewpoint: 'A quiet cup; others throw it so that it is heard',
  },
  {
    id: 'pole.feed.tired',
    label: 'No feed: rest it',
    holds: (s) => s.isTired,
    reason: 'The swim gives less than half of its own rate: more food will not bring them back, rest will.',
  },
  {
    id: 'pole.feed.grains',
    label: 'Five or six grains',
    holds: (s) => (s.isCooling && s.fed > 0) || (s.tempC < ballLimits.grainsC && s.bitesSinceFed > 0),
    reason: 'In the coldest water, and in water that cools, no more balls: a few grains by hand, and again when they bite.',
  },
  {
    id: 'pole.feed.blank',
    label: 'A smaller ball, looser',
    // In water too cold for balls a blank is no reason for another one.
    holds: (s) =>
      s.tempC >= ballLimits.grainsC &&
      !s.isCooling &&
      Math.abs(s.flowMs) >= stillMs &&
      s.bitesSinceFed === 0 &&
      s.minutesSinceFed !== null &&
      s.minutesSinceFed >= ballLimits.blankMin,
    reason: 'No bite since the last ball, in water that runs: it went straight down and nothing came off it.',
    viewpoint: 'Too hard first, too soft next; after two blanks throw it, so that it is heard',
  },
  {
    id: 'pole.feed.not-yet',
    label: 'No feed yet',
    holds: (s) => s.minutesSinceFed !== null && s.minutesSinceFed < betweenMin,
    reason: 'The last of it still lies there.',
  },
  {
    id: 'pole.feed.no-bites',
    label: 'No feed',
    holds: (s) => s.bitesSinceFed === 0,
    reason: 'No bite came on the last: what lies there is not eaten.',
  },
  {
    id: 'pole.feed.pinch',
    label: 'A pinch',
    holds: (s) => s.tempC < pinchC,
    reason: 'They bite, and in water so cold a pinch holds them.',
  },
  {
    id: 'pole.feed.top-up',
    label: 'A small ball',
    holds: () => true,
    reason: 'They bite and the last is long eaten: a small one holds them.',
  },
];

export const whetherToFeed = (scene: FeedScene): FeedRule => feedRules.find((r) => r.holds(scene))!;

/** The run of a float from where it is laid in, downstream positive; on still water to both sides. */
export function runOf(flowMs: number, runM: number): RunSpan {
  if (Math.abs(flowMs) < stillMs) return { fromM: -runM / 2, toM: runM / 2 };
  return flowMs > 0 ? { fromM: 0, toM: runM } : { fromM: -runM, toM: 0 };
}

/** What a ball is made of and how hard it is squeezed. */
export interface Ball {
  cm: number;
  gcc: number;
  breaks: BallBreak;
  particle: FeedParticle;
}

/** A ball as it was or will be dropped: m along, where it breaks, and where its food lies. */
export interface DroppedBall {
  dropM: number;
  breaksAt: { alongM: number; depthM: number };
  span: RunSpan;
  ball: Ball;
  sinkS: number;
}

export interface FeedPicture {
  run: RunSpan;
  /** The last ball of this swim: where it was dropped, and where its food lies; null where none is known so far. */
  last: DroppedBall | null;
  /** Where a ball goes if one is fed; whether one should be is the advice's. */
  next: DroppedBall;
  /** How many, how, and why so. */
  advice: NextBall;
  /** Middle of where the bites came, m along; null under three that have a place. */
  biteM: number | null;
  thirds: RunThird[];
  best: RunThird | null;
  /** Share of the run that the last ball fed, 0–1. */
  fedShare: number;
  headline: string;
  detail: string;
}

/**
 * What a peg is worked out with until the angler says otherwise: the pole's reach and the float's run, m, hook and bait, g,
 * and the ball that is fed. Assumed, shown as assumed, and never logged.
 */
export const assumedPole = {
  reachM: 11,
  runM: 3,
  loadG: 0.02,
  ball: { cm: 5, gcc: 1.2, breaks: 'half', particle: 'crumb' } satisfies Ball as Ball,
} as const;

const squeezed = { surface: 'loosely', half: 'once', bottom: 'hard', never: 'as clay' } as const;
const leastBites = 3;
/** Nearer than this is the same place, m. */
const onPlaceM = 0.3;

/** What came since the last ball, and of whom. */
export interface FedSince {
  /** Minutes without a bite since; null where they bit, or none was fed. */
  blankMin: number | null;
  habit: BaitHabit;
  tempC: number;
  /** Whether the water has cooled since they began. */
  isCooling?: boolean;
}

/** Flow null is not timed: drawn as still, and said so. Where the fed food of a swim lies along the run, where the bites came, and how and where to drop the next ball. */
export function feedPicture(
  swim: Pick<PegSwim, 'alongM' | 'feedsNow'>,
  depthM: number,
  timedMs: number | null,
  runM: number,
  ball: Ball,
  units: UnitPreference,
  since?: FedSince,
): FeedPicture {
  const flowMs = timedMs ?? 0;
  const run = runOf(flowMs, runM);
  const isStill = Math.abs(flowMs) < stillMs;
  const query = (b: Ball): FeedQuery => ({ depthM, flowMs: isStill ? 0 : flowMs, ballCm: b.cm, densityGcc: b.gcc, breakAt: b.breaks, particle: b.particle });
  const fed = swim.feedsNow.findLast((f) => f.ball !== null);
  const dropped = (b: Ball, dropM: number): DroppedBall => {
    const landing = feedLanding(query(b));
    const at = breakPoint(query(b));
    return { dropM, breaksAt: { ...at, alongM: dropM + at.alongM }, span: fedSpan(landing, dropM), ball: b, sinkS: landing.sinkS };
  };
  const last = fed?.ball ? dropped(fed.ball, fed.alongM ?? 0) : null;
  const biteM = swim.alongM.length >= leastBites ? median(swim.alongM) : null;
  const of = last?.ball ?? ball;
  const down = Math.sign(flowMs) || 1;
  const advice = nextBallFor({
    depthM,
    flowMs: isStill ? 0 : flowMs,
    runM: clamp(runM, 0.2, 50),
    // Where they bite goes before the run as a whole.
    target: biteM === null || isStill ? null : { fromM: clamp(down * biteM - runM / 6, 0, runM * 0.9), toM: clamp(down * biteM + runM / 6, runM * 0.1, runM) },
    ball: { ballCm: of.cm, densityGcc: of.gcc, particle: of.particle },
    last: last && since?.blankMin != null ? { breaks: last.ball.breaks, blankMin: since.blankMin } : null,
    habit: since?.habit,
    tempC: since?.tempC,
    isCooling: since?.isCooling,
    isBegun: swim.feedsNow.length > 0,
  });
  const nextAs: Ball = { ...of, breaks: advice.break ?? of.breaks, gcc: advice.hasGravel ? Math.max(of.gcc, ballLimits.gravelGcc) : of.gcc };
  const dropM = isStill ? (biteM ?? 0) : (advice.dropM ?? 0);
  const next = dropped(nextAs, dropM);
  const thirds = biteThirds(run, swim.alongM);
  const best = swim.alongM.length >= leastBites ? bestThird(thirds) : null;
  const picture = { run, last, next, advice, biteM, thirds, best, fedShare: last ? fedShare(run, last.span) : 0 };
  return { ...picture, ...feedWords(picture, timedMs, (last?.ball ?? ball).gcc, units) };
}

type Words = { headline: string; detail: string };
type Drawn = Omit<FeedPicture, keyof Words>;

/** What the picture of a swim's feed comes to: how the next ball is squeezed and where it is dropped, and where the food of the last lies. */
function feedWords(drawn: Drawn, timedMs: number | null, lastGcc: number, units: UnitPreference): Words {
  const { last, next, biteM, advice } = drawn;
  if (advice.balls === 0) {
    const lies = last === null || timedMs === null ? 'Again when they bite.' : lastBallWords(last, drawn, Math.sign(timedMs) || 1, units);
    return { headline: 'No ball: five or six grains by hand', detail: lies };
  }
  if (timedMs === null) return { headline: 'Time the float before you feed', detail: 'Where the food comes to lie depends on the flow.' };
  if (Math.abs(timedMs) < stillMs) return stillWords(biteM, units);
  const down = Math.sign(timedMs);
  const withGravel = next.ball.gcc > lastGcc + 0.01;
  if (!last) {
    const place = sameM(next.dropM) ? 'at the float' : `${lengthText(next.dropM, units)} ${next.dropM * down > 0 ? 'down' : 'up'} of the float`;
    return {
      headline: `Drop it ${place}, squeezed ${squeezed[next.ball.breaks]}${withGravel ? gravelText : ''}`,
      detail: `Then its food lies ${spanText(next.span, units)}, ${biteM === null ? 'in the middle of the run' : 'where the bites come'}.`,
    };
  }
  return { headline: nextBallWords(last, next, down, withGravel, units), detail: lastBallWords(last, drawn, down, units) };
}

const gravelText = ', with a handful of gravel';
const lengthText = (m: number, units: UnitPreference) => depthText(Math.abs(m), units);
/** Nearer than this a ball is dropped at the same place, m. */
const sameM = (m: number) => Math.abs(m) < 0.15;

function stillWords(biteM: number | null, units: UnitPreference): Words {
  const isOver = biteM === null || Math.abs(biteM) < onPlaceM;
  return {
    headline: isOver ? 'Feed over the float' : `Feed ${lengthText(biteM, units)} to the ${biteM > 0 ? 'right' : 'left'} of the float`,
    detail: 'Still water leaves no trail: what is fed lies where it falls.',
  };
}

/** Where food lies down the run; what lies within a hand's breadth lies at one place. */
function spanText({ fromM, toM }: RunSpan, units: UnitPreference): string {
  const [a, b] = [Math.min(Math.abs(fromM), Math.abs(toM)), Math.max(Math.abs(fromM), Math.abs(toM))];
  return b - a < onPlaceM ? `${depthText((a + b) / 2, units)} down` : `${depthText(a, units)} to ${depthText(b, units)} down`;
}

function nextBallWords(last: DroppedBall, next: DroppedBall, down: number, withGravel: boolean, units: UnitPreference): string {
  const moveM = (next.dropM - last.dropM) * down;
  const place = sameM(moveM) ? 'at the same place' : `${lengthText(moveM, units)} further ${moveM > 0 ? 'down' : 'up'}`;
  if (next.ball.breaks !== last.ball.breaks) return `Squeeze the next ball ${squeezed[next.ball.breaks]}${withGravel ? gravelText : ''}, ${place}`;
  return withGravel ? `Put a handful of gravel in the next ball, ${place}` : `Drop the next ball ${place}`;
}

function lastBallWords(last: DroppedBall, { biteM, fedShare: share }: Drawn, down: number, units: UnitPreference): string {
  if (biteM === null) return `The last lies ${spanText(last.span, units)}, ${Math.round(100 * share)} % of the run.`;
  const ends = [last.span.fromM * down, last.span.toM * down];
  const at = biteM * down;
  const where = at < Math.min(...ends) - onPlaceM ? 'short of' : at > Math.max(...ends) + onPlaceM ? 'past' : 'on';
  return `Bites come ${where} the feed, which lies ${spanText(last.span, units)}.`;
}
