import type { Goal } from '../ledger';
import type { ColourKind } from '../tackle';
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

/** A swim jig that fish roll at and do not take is changed for a white one, and for nothing else. Source: fieldcraft §5, exceptions by family. */
const rolledAt = 'swim-jig';
const rolled = {
  white: {
    headline: 'White, the same pace',
    reason: 'It showed itself and did not take: the same bait in white, nothing else changed.',
    viewpoint: 'Colour first after a roll; other schools slow it down first',
  },
  slower: {
    headline: 'The same cast, slower',
    reason: 'It is white already and they only roll at it: slower, on the same line.',
    viewpoint: 'Colour first after a roll, then the pace',
  },
} as const;

/**
 * One step on the ladder of mood: the rule with what to change now. First the pace of what is on the line; where the same was seen again, the bait, unless it is
 * one that suits the mood.
 * @param family of the bait on the line, and the kind of its colour; null where nobody said
 */
export function withMood(rule: AfterRule, { seen, times }: Mood, family: string | null, goal: Goal, colour: ColourKind | null = null): AfterRule {
  if (seen === 'none' || rule.aim !== 'same') return rule;
  if (family === rolledAt && seen !== 'ignore' && times < alikeTimes) return colour === 'white' ? { ...rule, ...rolled.slower } : { ...rule, ...rolled.white };
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
