import type { Goal } from '../ledger';
import { colourKind, type TacklePiece } from '../tackle';
import type { AfterRule, CastSign } from './after';
import { pauseS, type BankCadence, type BedKind, type CadenceRule, type chooseCadence } from './cadences';
import { clamp } from '../units';
import { moodOf, withMood } from './mood';
import { retrieveOf, type Retrieve, type RetrieveAfter, type RetrieveBed } from './retrieve';

/** How a bait is brought back, in seconds. */
export interface WorkedWay {
  cadence: BankCadence;
  /** By what is on the line, or where nobody said what that is, by bed and cold. */
  why: Pick<CadenceRule, 'id' | 'reason' | 'viewpoint'>;
  /** What is on the line, as it is worked; null where nobody said. */
  worked: Retrieve | null;
  /** A move with its fall, and the rests between moves, on rock as well. */
  moveS: number;
  restS: number;
  hardRestS: number;
  /** Seconds for each metre drawn, moves and rests together. */
  paceSPerM: number;
}

export interface WorkedSetting {
  tackle: Omit<TacklePiece, 'piece'> | null;
  /** How deep this very bait dives, m, where it was measured. */
  diveM: number | null;
  tempC: number;
  /** Of the water where it is worked, m. */
  depthM: number;
  bed: BedKind;
  goal: Goal;
  signs: readonly CastSign[];
  rule: AfterRule;
  /** What bed and cold ask for where nobody said what the bait is. */
  chosen: ReturnType<typeof chooseCadence>;
}

/** A rock asks for so much of the rest; a move of an unknown bait takes so long, s. Heuristic; source: fieldcraft. */
const [rockTimes, usualMoveS] = [15 / 8, 1.5] as const;
const beds: Readonly<Record<BedKind, RetrieveBed | null>> = { hard: 'rock', weeds: 'weed', soft: 'mud', wood: null, unknown: null };
const afters: Readonly<Record<string, RetrieveAfter>> = { 'cast.after.missed': 'miss', 'cast.after.nipped': 'touch', 'cast.after.landed': 'fish' };

/** Bites and what else fish did, not what the bed did. */
export const ofFish = (signs: readonly CastSign[]): CastSign[] => signs.filter(({ kind }) => kind !== 'cast' && kind !== 'hard' && kind !== 'snag');

/** How what hangs on the line is worked, after what was seen and felt. */
export function workedOn({ tackle, diveM, tempC, depthM, bed, goal, signs, rule, chosen }: WorkedSetting): WorkedWay {
  if (tackle === null) {
    const restS = pauseS(tempC, chosen.cadence.id) * (rule.id === 'cast.after.followed' ? 2 : 1);
    const hardRestS = pauseS(tempC, chosen.cadence.id, 'hard');
    return { cadence: chosen.cadence, why: chosen.rule, worked: null, moveS: usualMoveS, restS, hardRestS, paceSPerM: (restS + usualMoveS) / chosen.cadence.takeM };
  }
  const { seen } = moodOf(signs);
  const worked = retrieveOf({ family: tackle.family, tempC, depthM: clamp(depthM, 0.3, 100), bed: beds[bed], seen, goal, after: afters[rule.id] ?? 'cast', ownDepthM: diveM });
  const restS = (worked.pauseS[0] + worked.pauseS[1]) / 2;
  return {
    cadence: worked.cadence,
    why: { id: worked.rules[0], reason: worked.does },
    worked,
    moveS: worked.moveS,
    restS,
    hardRestS: worked.onBed ? rockTimes * restS : restS,
    paceSPerM: worked.paceSPerM,
  };
}

/**
 * What comes after a bite or a look, in the words of what is on the line: one bait falls back, another is left hanging; fish that chase, follow or take no
 * notice are answered a step at a time. What the headline says is not said twice.
 * @param tackle what is on the line; null where nobody said
 */
export function ruleWithBait(rule: AfterRule, worked: Retrieve | null, signs: readonly CastSign[], tackle: Pick<TacklePiece, 'family' | 'colour'> | null, goal: Goal): AfterRule {
  if (!worked?.headline || rule.aim !== 'let-fall') return withMood(rule, moodOf(signs), tackle?.family ?? null, goal, colourKind(tackle?.colour ?? null));
  const said = `${worked.headline}. `;
  return { ...rule, headline: worked.headline, reason: worked.does.startsWith(said) ? worked.does.slice(said.length) : worked.does };
}
