import { isDepthInjuryLikely, speciesOf, type Species, type SpeciesGroup } from '../fish';
import { clamp, depthText, hourMs, type UnitPreference } from '../units';
import type { PhaseName } from '../weather';
import { valueAt } from '../water';
import type { ColumnProfile } from '../winter';
import type { ColumnAnswer } from '../column';
import { phaseRules } from './rules';
import { stageRuleOf, type SeasonStage, type StageRule } from './stages';
import type { WaterTurn } from './turn';

/** A stretch of depth, m. */
export interface Band {
  fromM: number;
  toM: number;
}

/** What the bed of a water says of where fish can be. */
export interface Bed {
  /** Greatest depth, m. */
  deepestM: number;
  /** Depth of the foot of its first drop with deep water in front, m; null where it has none, or nobody sounded it. */
  footM: number | null;
}

/** Where a fish can be and where it is looked for first. */
export interface FishDepth {
  stage: SeasonStage;
  rule: StageRule;
  /** What oxygen and warmth allow; null where nothing does. */
  habitable: Band | null;
  /** Where to fish within it. */
  look: Band | null;
  /** Depth below which oxygen is too little; null where there is enough down to the bottom. */
  spentBelowM: number | null;
  /** Warmth of the water in the stretch to fish, °C. */
  tempC: number | null;
  /** By how much the water has risen, where that has brought them up, °C; null elsewhere. */
  risenC: number | null;
  /** Where the stretch to fish reaches deeper than this, fish brought up are often hurt, m; null where none of it does. */
  hurtBelowM: number | null;
}

/** Soft limits of stages and bands; source: fieldcraft §1. */
export const stageLimits = { firstIceDays: 28, lateIceThawDegreeH: 60, lateIceDayH: 11.2, springDayH: 11.5, afterIceC: 8, coldC: 10, warmWithinC: 1.2 } as const;

/** The stage of the season, from the column, its ice and the length of the day in hours. */
export function seasonStage(answer: Pick<ColumnAnswer, 'now' | 'dayAgo' | 'freezeUpMs' | 'iceOutMs'>, dayLengthH: number): SeasonStage {
  const { now, freezeUpMs, iceOutMs } = answer;
  if (now.iceClearM + now.iceWhiteM > 0) {
    const days = freezeUpMs === null ? 0 : (now.atMs - freezeUpMs) / (24 * hourMs);
    if (now.thawDegreeH > stageLimits.lateIceThawDegreeH || (dayLengthH > stageLimits.lateIceDayH && days > stageLimits.firstIceDays)) return 'late ice';
    return days < stageLimits.firstIceDays ? 'first ice' : 'midwinter';
  }
  const surfaceC = now.tempC[0];
  const isSpring = iceOutMs !== null || (freezeUpMs === null && dayLengthH > stageLimits.springDayH && surfaceC > (answer.dayAgo?.tempC[0] ?? surfaceC) - 0.2);
  if (isSpring) return iceOutMs !== null && surfaceC < stageLimits.afterIceC && now.atMs - iceOutMs < 15 * 24 * hourMs ? 'just after ice-out' : 'pre-spawn';
  return surfaceC >= stageLimits.coldC ? 'autumn cooling' : 'open cold water';
}

/**
 * Where to look for a species in this column at this stage, in this phase of the weather: within the depths that it is known to use,
 * however deep the water. A rise of open water brings them up for as long as it lasts, whatever the stage. Throws RangeError for an unknown species.
 */
export function fishDepth(
  speciesId: string,
  profile: ColumnProfile,
  { deepestM, footM }: Bed,
  stage: SeasonStage,
  phase: PhaseName = 'steady',
  turn: WaterTurn | null = null,
): FishDepth {
  const species = speciesOf(speciesId);
  const rule = stageRuleOf(stage, species.group);
  const breathable = (z: number) => valueAt(profile, 'oxygenMgL', z) >= species.leastOxygenMgL;
  const usedM = Math.min(deepestM, species.usedDepthM[1]);
  const warmestC = warmest(profile, breathable, usedM);
  const habitable = longest(profile, usedM, (z) => breathable(z) && isWarmEnough(species, profile, z, warmestC));
  const up = warmedBand(turn, species.group, deepestM);
  const look = up ?? (habitable && (footBand(rule, footM, habitable) ?? inPhase(lookWithin(rule, habitable), habitable, phase)));
  const isSpent = !breathable(deepestM - 0.1);
  return {
    stage,
    rule,
    habitable,
    look,
    spentBelowM: isSpent ? (longest(profile, deepestM, breathable)?.toM ?? profile.depthM[0]) : null,
    tempC: look && valueAt(profile, 'tempC', (look.fromM + look.toM) / 2),
    risenC: up ? turn!.stepC : null,
    hurtBelowM: look && isDepthInjuryLikely(species, look.toM) ? species.injuryDepthM : null,
  };
}

/** What becomes of fish brought up from as deep as `toM`, where that is deeper than they survive; empty elsewhere. Begins with a blank. */
export function injuryWords(species: Species, toM: number, units: UnitPreference): string {
  if (!isDepthInjuryLikely(species, toM)) return '';
  return ` From deeper than ${depthText(species.injuryDepthM!, units)} they are often hurt on the way up and do not live when released: keep what you catch there within the limit, or fish shallower.`;
}

/** Cold-water fish only shun what is too warm; others keep near the warmest water that they can breathe. */
function isWarmEnough(species: Species, profile: ColumnProfile, z: number, warmestC: number): boolean {
  const tempC = valueAt(profile, 'tempC', z);
  if (species.guild === 'cold') return tempC <= species.comfortC[1] + 3;
  const slack = species.guild === 'cool' ? 2 * stageLimits.warmWithinC : stageLimits.warmWithinC;
  return tempC >= Math.min(species.comfortC[0], warmestC - slack);
}

function warmest(profile: ColumnProfile, isUsable: (z: number) => boolean, deepestM: number): number {
  let best = -Infinity;
  for (const z of profile.depthM) if (z <= deepestM && isUsable(z)) best = Math.max(best, valueAt(profile, 'tempC', z));
  return best;
}

/** The longest unbroken stretch of depths that hold. */
function longest(profile: ColumnProfile, deepestM: number, holds: (z: number) => boolean): Band | null {
  const step = 0.1;
  let best: Band | null = null;
  let fromM: number | null = null;
  const close = (toM: number) => {
    if (fromM !== null && toM > fromM && (!best || toM - fromM > best.toM - best.fromM)) best = { fromM, toM };
    fromM = null;
  };
  let last = profile.depthM[0];
  for (let z = last; z <= deepestM; z += step) {
    if (holds(z)) fromM ??= z;
    else close(last);
    last = z;
  }
  close(deepestM);
  return best;
}

/** The water over the foot of a drop and a little below it, as shares of its depth. Heuristic; source: jobs of the scenario (12 m: 10.6 to 12.7). */
const footShares = { above: 0.12, below: 0.06 } as const;

/** About the foot of a drop, for fish that are looked for there; null for others, and where they cannot live there. */
function footBand({ place }: StageRule, footM: number | null, habitable: Band): Band | null {
  if (!place.atFoot || footM === null || footM < habitable.fromM || footM > habitable.toM) return null;
  return { fromM: Math.max(habitable.fromM, footM * (1 - footShares.above)), toM: Math.min(habitable.toM, footM * (1 + footShares.below)) };
}

/** The rule's stretch as far as it lies in the habitable one, at least half a metre of it. */
function lookWithin(rule: StageRule, habitable: Band): Band {
  const wanted: Band =
    'aboveM' in rule.place
      ? { fromM: habitable.toM - rule.place.aboveM[1], toM: habitable.toM - rule.place.aboveM[0] }
      : { fromM: rule.place.depthM[0], toM: rule.place.depthM[1] };
  const toM = clamp(wanted.toM, habitable.fromM + 0.5, habitable.toM);
  return { fromM: clamp(wanted.fromM, habitable.fromM, toM - Math.min(0.5, habitable.toM - habitable.fromM)), toM };
}

/** Fish in the mood for it come up, others lie tight: the phase's share of the stretch, counted from its lower end. */
function inPhase(look: Band, habitable: Band, phase: PhaseName): Band {
  const { stretch } = phaseRules.find((r) => r.phase === phase)!;
  const span = Math.max(0.5, (look.toM - look.fromM) * stretch);
  return { fromM: Math.max(habitable.fromM, look.toM - span), toM: look.toM };
}

const comeUp: readonly SpeciesGroup[] = ['bass', 'panfish', 'pike-walleye', 'stocked-trout'];
/** Depths of the pockets and the cover that fish come up to while open water has warmed, m. Source: fieldcraft. */
const pocketM: Band = { fromM: 0.5, toM: 2.5 };

/** Where fish of a group are looked for while open water has warmed; null where the rise moves none, or the water has no such depth. */
const warmedBand = (turn: WaterTurn | null, group: SpeciesGroup, deepestM: number): Band | null =>
  turn?.kind === 'warmed' && comeUp.includes(group) && deepestM > pocketM.fromM ? { fromM: pocketM.fromM, toM: Math.min(pocketM.toM, deepestM) } : null;
