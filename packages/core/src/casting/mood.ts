import type { Goal } from '../ledger';
import type { AfterRule, CastSign } from './after';
import type { FishSeen } from './retrieve';

/** What the fish last did with the bait, and how often they did that in a row. */
export interface Mood {
  seen: FishSeen;
  times: number;
}

const seenBy: Partial<Record<CastSign['kind'], FishSeen>> = { chased: 'chase', followed: 'follow', ignored: 'ignore' };

/** The mood of the fish by what was tapped: the last of what they did with the bait; none after a bite, a fish or nothing. */
export function moodOf(signs: readonly CastSign[]): Mood {
  const answers = signs.filter((s) => s.kind !== 'cast' && s.kind !== 'hard' && s.kind !== 'snag');
  const seen = seenBy[answers.at(-1)?.kind ?? 'cast'] ?? 'none';
  const other = answers.findLastIndex((s) => seenBy[s.kind] !== seen);
  return { seen, times: seen === 'none' ? 0 : answers.length - 1 - other };
}

/** A step on the ladder: baits that suit the mood, and how it is said. Source: fieldcraft §5, ladder of mood. */
interface Step {
  families: readonly string[];
  says: string;
}

const stirred: Step = { families: ['suspending-minnow', 'tight-crank', 'lipless', 'spoon', 'spinner'], says: 'a suspending bait, a diver or a spoon' };
const left: Readonly<Record<Goal, Step>> = {
  size: { families: ['bulky-jig'], says: 'a bulky jig on the bed, left to lie' },
  numbers: { families: ['straight-worm', 'finesse-jig'], says: 'a straight worm on the bed, left to lie' },
  supper: { families: ['straight-worm', 'finesse-jig'], says: 'a straight worm on the bed, left to lie' },
};
/** The pace is changed first; seen so often alike, the bait. Heuristic; source: fieldcraft, one step at a time. */
const alikeTimes = 2;

/**
 * One step on the ladder of mood: the rule with what to change now. First the pace of what is on the line; where the same was seen again, the bait, unless it is
 * one that suits the mood.
 * @param family of the bait on the line; null where nobody said
 */
export function withMood(rule: AfterRule, { seen, times }: Mood, family: string | null, goal: Goal): AfterRule {
  if (seen === 'none' || rule.aim !== 'same') return rule;
  const isPace = times < alikeTimes;
  if (seen === 'follow')
    return isPace
      ? rule
      : {
          ...rule,
          headline: 'A longer pause, then smaller',
          reason: 'Two followed and turned: the pause longer once more on this cast; if it turns again, the same bait smaller.',
        };
  const step = seen === 'chase' ? stirred : left[goal];
  if (isPace || (family !== null && step.families.includes(family))) return rule;
  return {
    ...rule,
    headline: `Change to ${step.says}`,
    reason:
      seen === 'chase'
        ? 'They came for it twice and did not take: something that stops in front of them.'
        : 'They took no notice twice: nothing that moves, but what lies before them.',
  };
}
