import type { BiteMoment, OutingState } from '../ledger';

/** So many bites whose moment was told, and this share of them at one moment, tell how to go on. Heuristic. */
const limits = { least: 4, share: 0.75 } as const;

const words: Readonly<Record<BiteMoment, { took: string; then: string }>> = {
  fell: { took: 'on the fall', then: 'let it fall at the edge' },
  still: { took: 'while it was still', then: 'leave it longer' },
  moved: { took: 'on the move', then: 'keep it going' },
};

/** What mud on the belly of the last fish tells; null without it. */
export const mudText = ({ fish }: Pick<OutingState, 'fish'>): string | null =>
  fish.at(-1)?.hasMud === true ? 'Mud on its belly: they lie on the bed. On the bed, dragged slowly.' : null;

/** What the bait did when it was taken, over the bites of an outing; null with too few of them, or where no moment stands out. */
export function biteMomentText({ reactions }: Pick<OutingState, 'reactions'>): string | null {
  const told = reactions.flatMap((r) => r.moment ?? []);
  const counts = (['fell', 'still', 'moved'] as const).map((moment) => ({ moment, count: told.filter((m) => m === moment).length }));
  const best = counts.reduce((a, b) => (b.count > a.count ? b : a));
  if (told.length < limits.least || best.count < limits.share * told.length) return null;
  const { took, then } = words[best.moment];
  return `${best.count} of ${told.length} took ${took}: ${then}.`;
}
