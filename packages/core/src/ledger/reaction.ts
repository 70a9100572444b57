import type { ReactionKind } from './event';

/** What a reaction counts for, wherever it is counted: season, coach, clock and evidence. */
export interface ReactionMeaning {
  /** A fish was seen at the bait. */
  isSighting: boolean;
  /** Its answer to how the bait was shown; null where it has not decided. */
  answer: 'answered' | 'turned down' | null;
  /** It took the bait, whether it was landed or not. */
  isBite: boolean;
  /** It was on and came off. */
  isLost: boolean;
}

const meaning = (answer: ReactionMeaning['answer'], more: Partial<ReactionMeaning> = {}): ReactionMeaning => ({ isSighting: true, answer, isBite: false, isLost: false, ...more });
const bite = meaning('answered', { isBite: true });

/** A nip at the tail answers, but is no bite: nothing was taken. A fish that was hooked or lost bit first. */
export const reactionMeanings: Readonly<Record<ReactionKind, ReactionMeaning>> = {
  looked: meaning(null),
  stalled: meaning(null),
  followed: meaning('answered'),
  chased: meaning('answered'),
  ignored: meaning('turned down'),
  refused: meaning('turned down'),
  fled: meaning('turned down'),
  nipped: meaning('answered'),
  bite,
  // The bait was taken off the hook.
  robbed: bite,
  missed: bite,
  hooked: bite,
  lost: { ...bite, isLost: true },
};

export const reactionKinds = Object.keys(reactionMeanings) as ReactionKind[];
const having = (has: (m: ReactionMeaning) => boolean): readonly ReactionKind[] => reactionKinds.filter((kind) => has(reactionMeanings[kind]));

/** Kinds that turn down, and that show a fish without a bite. */
export const refusalKinds = having((m) => m.answer === 'turned down');
export const sightingKinds = having((m) => m.isSighting && !m.isBite);
