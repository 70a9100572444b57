import type { TacklePiece } from '../src/tackle';

/** A piece of a tackle box of which only its family is known, and what is said beside it. */
export const piece = (name: string, family: string, more: Partial<TacklePiece> = {}): TacklePiece => ({
  piece: name,
  family,
  massG: null,
  sizeMm: null,
  colour: null,
  hooks: null,
  points: null,
  rattle: null,
  suspends: null,
  ...more,
});
