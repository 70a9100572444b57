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

/** Words by which colours are told; the first kind that has one of them. */
const colourWords: readonly (readonly [ColourKind, readonly string[]])[] = [
  ['natural', ['clear', 'see-through', 'translucent', 'smoke', 'natural', 'brown', 'green', 'olive', 'watermelon', 'shad', 'minnow', 'perch', 'crayfish', 'grey', 'gray', 'bone']],
  ['bright', ['chartreuse', 'pink', 'orange', 'yellow', 'red', 'glow', 'lime', 'bright']],
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
  isLoud: boolean;
  isBulky: boolean;
}

/** A piece longer than this share of its family's range is bulky for its kind. */
const bulkyFromMm = 100;

export function traitsOf(piece: TacklePiece): PieceTraits {
  const family = familyOf(piece.family);
  const sizeMm = piece.sizeMm ?? Math.sqrt(family.sizeMm[0] * family.sizeMm[1]);
  return {
    family,
    sizeMm,
    isSizeSaid: piece.sizeMm !== null,
    colour: colourKind(piece.colour),
    isLoud: piece.rattle ?? family.isLoud,
    isBulky: family.isBulky || sizeMm >= bulkyFromMm,
  };
}
