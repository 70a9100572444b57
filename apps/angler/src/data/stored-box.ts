import { z } from 'zod';
import type { TubeBuild } from '@burrow/core/ledger';
import type { Hover, MeasuredDive, ReelKind } from '@burrow/core/rig';
import { tackleFamilies, type TacklePiece } from '@burrow/core/tackle';

/** A piece of the tackle box as it is kept. */
export interface Presentation {
  id: string;
  name: string;
  /** What it is, once somebody has said; absent of one that an older app kept. */
  tackle?: Omit<TacklePiece, 'piece'>;
  /** Of a bait that dives: what somebody saw it reach. */
  dive?: MeasuredDive;
  /** Of one that should hang: what it does on slack line. */
  hover?: Hover;
  /** Of a tube that was built anew: of which piece, and how. */
  tube?: TubeBuild & { of: string };
}

/** The tackle box: what of the presentations is known well enough to choose by. */
export const boxOf = (presentations: readonly Presentation[]): TacklePiece[] => presentations.flatMap(({ name, tackle }) => (tackle ? [{ piece: name, ...tackle }] : []));

/** Rods with their line, floats and feed: what a rig is worked out with. What is not known is null. */
export interface Kit {
  rods: { id: string; name: string; lineMm: number | null; strengthKg: number | null; reel?: ReelKind }[];
  floats: { id: string; name: string; capacityG: number }[];
  feed: { id: string; name: string }[];
}

const figure = z.number().positive().nullable();
const tackle = z.object({
  family: z.string().refine((id) => tackleFamilies.some((f) => f.id === id)),
  massG: figure,
  sizeMm: figure,
  colour: z.string().nullable(),
  hooks: z.number().int().min(0).nullable(),
  points: z.number().int().min(0).nullable(),
  rattle: z.boolean().nullable(),
  suspends: z.boolean().nullable(),
});

const dive = z.object({ depthM: z.number().min(0.1).max(20), lineOutM: z.number().min(1).max(150), lineMm: z.number().min(0.02).max(1) });

const tube = z.object({ of: z.string(), seat: z.enum(['short', 'full']).optional(), scent: z.boolean().optional(), cutMm: z.number().min(0).max(100).optional() });

/** The box as it is read back: what of a piece no longer reads is left out, and the piece stays. */
export const presentationsForm = z.array(
  z.object({
    id: z.string(),
    name: z.string(),
    tackle: tackle.optional().catch(undefined),
    dive: dive.optional().catch(undefined),
    tube: tube.optional().catch(undefined),
    hover: z.enum(['hovers', 'rises', 'sinks']).optional().catch(undefined),
  }),
);

export const kitForm = z.object({
  rods: z.array(z.object({ id: z.string(), name: z.string(), lineMm: figure, strengthKg: figure, reel: z.enum(['spinning', 'straight']).optional().catch(undefined) })),
  floats: z.array(z.object({ id: z.string(), name: z.string(), capacityG: z.number().positive() })),
  feed: z.array(z.object({ id: z.string(), name: z.string() })),
});
