import type { TubeBuild } from '../ledger';

/** A head that is seated short of the nose stops so far from it; tails that were cut reach so far behind the bend of the hook, mm. Source: fieldcraft §5, tube. */
export const tubeFigures = { shortMm: 8, tailsMm: 11 } as const;

/** What is known of a tube beside its name, as it is added to it: "short seat, scent, tails 11 mm". Empty where nothing is said. */
export function tubeBuildText({ seat, scent, cutMm }: TubeBuild): string {
  return [
    seat === undefined ? null : seat === 'short' ? 'short seat' : 'full seat',
    scent === undefined ? null : scent ? 'scent' : 'no scent',
    cutMm === undefined ? null : `tails ${cutMm} mm`,
  ]
    .filter((part) => part !== null)
    .join(', ');
}

/** A tube's name with how it is built, so that the log tells one from another: "White tube, short seat". */
export const tubeName = (base: string, build: TubeBuild): string => [base, tubeBuildText(build)].filter((part) => part !== '').join(', ');

/** What the seat of the head does, and how it is made. */
export const seatWords: Readonly<Record<NonNullable<TubeBuild['seat']>, { hangs: string; how: string }>> = {
  short: {
    hangs: 'It hangs level.',
    how: `The head stops ${tubeFigures.shortMm} mm short of the nose, so the eye sits further back. The room before it holds scent, and the soft empty nose slips off rock.`,
  },
  full: { hangs: 'It hangs nose down.', how: 'The head goes right to the end: the usual mistake where it should hang level.' },
};

/** What is done after a fish nipped the tails. A stinger is a hook more, which the rules of a water may forbid. */
export const tailsText = `Tail nipped: cut the tails back to ${tubeFigures.tailsMm} mm behind the bend, all level.`;
