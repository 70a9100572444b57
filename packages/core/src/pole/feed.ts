import type { BallBreak, FeedParticle } from '../ledger';
import { coldWaterDensity, gravity } from '../rig';
import { requireWithin } from '../units';

export const flowProfiles = ['uniform', 'seventh'] as const;
export type FlowProfile = (typeof flowProfiles)[number];

/** What is fed, and how fast it falls: 10, 50 and 90 % of it, m/s. Heuristic. */
export const feedParticles = {
  crumb: { name: 'Crumb', speeds: [0.015, 0.03, 0.06] },
  pellet: { name: 'Pellet', speeds: [0.06, 0.09, 0.13] },
  maggot: { name: 'Maggot', speeds: [0.035, 0.05, 0.07] },
  caster: { name: 'Caster', speeds: [0.05, 0.065, 0.09] },
  hemp: { name: 'Hemp', speeds: [0.08, 0.1, 0.13] },
} as const satisfies Record<FeedParticle, { name: string; speeds: readonly [number, number, number] }>;

/** How hard a ball is squeezed, and where that makes it come apart. Heuristic: by mix and water, to be seen at the margin. */
export const squeezes: readonly { id: BallBreak; label: string }[] = [
  { id: 'surface', label: 'Loose: a cup, or barely pressed' },
  { id: 'half', label: 'Pressed once: half way down' },
  { id: 'bottom', label: 'Squeezed hard: on the bottom' },
  { id: 'never', label: 'Clay: stays whole' },
];

/** Drag coefficient of a ball. */
const ballDrag = 0.47;

/** Falling speed of a ball, m/s: √(4/3 · g · d · (s − 1) / 0.47), s its density over that of cold water. Diameter 1 to 15 cm, density 1.01 to 3 g/cm³. RangeError outside. */
export function ballSpeed(ballCm: number, densityGcc: number): number {
  requireWithin(ballCm, 1, 15, 'diameter of the ball', 'cm');
  requireWithin(densityGcc, 1.01, 3, 'density of the ball', 'g/cm³');
  return Math.sqrt(((4 / 3) * gravity * (ballCm / 100) * ((1000 * densityGcc) / coldWaterDensity - 1)) / ballDrag);
}

/** Mean flow of the part of the water above a depth, as a share of its depth mean times the part: ∫u dz / (U·D) from the surface to `share` of the depth. */
const above = (share: number, profile: FlowProfile): number => (profile === 'uniform' ? share : 1 - (1 - share) ** (8 / 7));

/** A ball that breaks on the bed leaves 10 to 90 % of its food from here to there down from where it lies, m; on still water to both sides. Heuristic; source: fieldcraft. */
const bedStretch = { fromM: 0.1, toM: 1.2, stillM: 0.3 } as const;

/** Flow under this is none: no trail, no tow, m/s. */
export const stillMs = 0.01;

export interface FeedQuery {
  depthM: number;
  /** Depth-mean flow, m/s; downstream positive. */
  flowMs: number;
  ballCm: number;
  densityGcc: number;
  breakAt: BallBreak;
  particle: FeedParticle;
  profile?: FlowProfile;
}

export interface FeedLanding {
  /** Where the ball, or the median of the food, comes to lie, m from where it was dropped; downstream positive. */
  landsM: number;
  /** Where 10 and 90 % of the food lie, m. */
  fedFromM: number;
  fedToM: number;
  /** Until the ball, or the median of the food, lies on the bottom, s. */
  sinkS: number;
}

/**
 * Where fed food lies. A ball falls at its terminal speed from the surface on; where it breaks its particles fall on by their own. The flow
 * is even or by a seventh-power profile of the same depth mean. Depth 0.2 to 20 m, flow −3 to 3 m/s. RangeError outside.
 */
export function feedLanding({ depthM, flowMs, ballCm, densityGcc, breakAt, particle, profile = 'seventh' }: FeedQuery): FeedLanding {
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(flowMs, -3, 3, 'flow', 'm/s');
  const w = ballSpeed(ballCm, densityGcc);
  const share = { surface: 0, half: 0.5, bottom: 1, never: 1 }[breakAt];
  const upper = above(share, profile);
  const lands = (speed: number) => flowMs * depthM * (upper / w + (1 - upper) / speed);
  const falls = (speed: number) => depthM * (share / w + (1 - share) / speed);
  const [slow, median, quick] = feedParticles[particle].speeds;
  const landsM = lands(median);
  // What breaks on the bed is washed a little way along it; on still water it rolls to both sides.
  if (breakAt === 'bottom') {
    const [fromM, toM] = flowMs === 0 ? [-bedStretch.stillM, bedStretch.stillM] : [Math.sign(flowMs) * bedStretch.fromM, Math.sign(flowMs) * bedStretch.toM];
    return { landsM, fedFromM: landsM + fromM, fedToM: landsM + toM, sinkS: falls(median) };
  }
  return { landsM, fedFromM: lands(quick), fedToM: lands(slow), sinkS: falls(median) };
}

/** Where a ball comes apart, m from where it was dropped and m down. RangeError as for `feedLanding`. */
export function breakPoint({ depthM, flowMs, ballCm, densityGcc, breakAt, profile = 'seventh' }: Omit<FeedQuery, 'particle'>): { alongM: number; depthM: number } {
  const share = { surface: 0, half: 0.5, bottom: 1, never: 1 }[breakAt];
  return { alongM: (flowMs * depthM * above(share, profile)) / ballSpeed(ballCm, densityGcc), depthM: share * depthM };
}

/** A stretch along the run, downstream positive, the lesser end first. */
export interface RunSpan {
  fromM: number;
  toM: number;
}

export const fedSpan = ({ fedFromM, fedToM }: Pick<FeedLanding, 'fedFromM' | 'fedToM'>, droppedM = 0): RunSpan => ({
  fromM: droppedM + Math.min(fedFromM, fedToM),
  toM: droppedM + Math.max(fedFromM, fedToM),
});

/** Share of the run that is fed, 0–1. */
export const fedShare = (run: RunSpan, fed: RunSpan): number => Math.max(0, Math.min(run.toM, fed.toM) - Math.max(run.fromM, fed.fromM)) / Math.max(1e-9, run.toM - run.fromM);
