/** Simulated fish that decide in other ways than those of the practice drills: what a coach is scored on must not be what it was made with. */
import { DriftFish, type FishKind } from '@burrow/core/simulator';
import { ArousalFish } from './arousal-fish';
import { GlanceFish } from './glance-fish';
import { HazardFish } from './hazard-fish';
import { PulseFish } from './pulse-fish';
import { VerdictFish } from './verdict-fish';

export const fishKinds = { drift: DriftFish, hazard: HazardFish, glance: GlanceFish, arousal: ArousalFish, pulse: PulseFish, verdict: VerdictFish } satisfies Record<
  string,
  FishKind
>;

/** How simulated fish decide: by an interest that drifts, by chance at rates, by glances that are counted, by how far they are worked up, by how hard the jig darts, or once, by the beat they were shown. */
export type DecisionModel = keyof typeof fishKinds;
export const decisionModels = Object.keys(fishKinds) as readonly DecisionModel[];
