import { familyOf, type TackleFamily } from './families';

/** One piece of the tackle box. What nobody has said of it is null. */
export interface TacklePiece {
  /** What the angler calls it. */
  piece: string;
  family: string;
  massG: number | null;
  sizeMm: number | null;
  colour: string | null;
  hooks: number | null;
  points: number | null;
  rattle: boolean | null;
  suspends: boolean | null;
}

/** Kinds of colour as they work under water. */
export type ColourKind = 'natural' | 'metal' | 'dark' | 'white' | 'bright';

/**
 * Words by which colours are told; the first row that has one of them: a pink shad is seen for its pink, a brown jig with a little orange for its brown, and
 * what is only called after what it is like, for that.
 */
const colourWords: readonly (readonly [ColourKind, readonly string[]])[] = [
  ['bright', ['chartreuse', 'pink', 'glow', 'lime', 'bright']],
  ['natural', ['clear', 'see-through', 'translucent', 'smoke', 'natural', 'brown', 'green', 'olive', 'watermelon', 'grey', 'gray', 'bone']],
  ['bright', ['orange', 'yellow', 'red']],
  ['natural', ['shad', 'minnow', 'perch', 'crayfish']],
  ['metal', ['silver', 'gold', 'copper', 'nickel', 'chrome', 'brass', 'metal']],
  ['dark', ['black', 'blue', 'purple', 'violet', 'dark']],
  ['white', ['white', 'pearl']],
];

/** The kind of a colour by its words; null where none of them says it. */
export function colourKind(colour: string | null): ColourKind | null {
  if (colour === null) return null;
  const said = colour.toLowerCase();
  return colourWords.find(([, words]) => words.some((word) => said.includes(word)))?.[0] ?? null;
}

/** What matters of a piece where it is chosen. */
export interface PieceTraits {
  family: TackleFamily;
  /** Its length, or that which is usual of its family, mm, and whether anybody said it. */
  sizeMm: number;
  isSizeSaid: boolean;
  colour: ColourKind | null;
  /** Its colour in the angler's words, in small letters; empty where nobody said. */
  said: string;
  isLoud: boolean;
  isBulky: boolean;
}

export function traitsOf(piece: TacklePiece): PieceTraits {
  const family = familyOf(piece.family);
  const sizeMm = piece.sizeMm ?? Math.sqrt(family.sizeMm[0] * family.sizeMm[1]);
  return {
    family,
    sizeMm,
    isSizeSaid: piece.sizeMm !== null,
    colour: colourKind(piece.colour),
    said: piece.colour?.toLowerCase() ?? '',
    isLoud: piece.rattle ?? family.isLoud,
    // By its body, not its length: a slim bait may be long.
    isBulky: family.isBulky,
  };
}
