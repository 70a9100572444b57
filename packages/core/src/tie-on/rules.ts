import type { SpeciesGroup } from '../fish';
import type { ColourKind, PieceTraits, Zone } from '../tackle';

/** What a bait is chosen for. */
export const goals = ['numbers', 'size', 'supper'] as const;
export type TackleGoal = (typeof goals)[number];

/** What is known where a bait is chosen. */
export interface TieOnSetting {
  group: SpeciesGroup;
  zone: Zone;
  tempC: number;
  secchiM: number;
  method: string;
  goal: TackleGoal;
  /** Share of cloud, 0 to 1; null where nobody knows. */
  cloud: number | null;
  /** What they eat in this water; null where nobody said. */
  forage: Forage | null;
}

/** What fish of a water eat, asked once a water. */
export const forages = ['perch', 'minnow', 'shad', 'crayfish', 'insects'] as const;
export type Forage = (typeof forages)[number];

/** Colours like what they eat, by their words. Source: fieldcraft, presentation. */
const forageColours: Readonly<Record<Forage, readonly string[]>> = {
  perch: ['green', 'orange', 'olive', 'perch', 'chartreuse', 'yellow'],
  minnow: ['pearl', 'white', 'silver', 'minnow', 'shad', 'smoke'],
  shad: ['silver', 'white', 'shad', 'grey', 'gray', 'blue', 'pearl'],
  crayfish: ['brown', 'orange', 'red', 'crayfish', 'green', 'olive'],
  insects: ['black', 'brown', 'red', 'olive', 'natural'],
};
/** Crayfish leave the mud from about this warmth on, °C. Heuristic; source: fieldcraft. */
const crayfishC = 6;

/** Where water counts as cold, as warming, as clear and as stained, and the sky as dim. Heuristic; source: fieldcraft. */
export const tieOnLimits = { coldC: 6, warmC: 7, mildC: 10, clearM: 2, stainedM: 1.2, dimCloud: 0.7, numbC: 5, knownToTake: 0.7 } as const;

const coldGroups: readonly SpeciesGroup[] = ['deep', 'stocked-trout'];
const isCold = (s: TieOnSetting) => s.tempC < tieOnLimits.coldC;
const isClear = (s: TieOnSetting) => s.secchiM >= tieOnLimits.clearM;
const isStained = (s: TieOnSetting) => s.secchiM <= tieOnLimits.stainedM;
const isColour =
  (...kinds: ColourKind[]) =>
  (p: PieceTraits) =>
    p.colour !== null && kinds.includes(p.colour);

/** A rule of what to tie on: where it holds, what it is for and what against. A first choice breaks none: what a rule is against comes after all else. */
export interface TieOnRule {
  id: string;
  holds: (setting: TieOnSetting) => boolean;
  favours?: (piece: PieceTraits, setting: TieOnSetting) => boolean;
  /** Weight of what it favours, over 1. */
  weight?: number;
  against?: (piece: PieceTraits, setting: TieOnSetting) => boolean;
  reason: string;
  /** Where schools differ: whose answer this is. */
  viewpoint?: string;
}

/** Families × zone × temperature × clarity × light × goal × method, as rows. Source: fieldcraft, presentation and light. */
export const tieOnRules: readonly TieOnRule[] = [
  {
    id: 'tie-on.zone',
    holds: () => true,
    favours: (p, s) => p.family.zones.includes(s.zone),
    weight: 1.6,
    reason: 'It works where they are in the water.',
  },
  {
    id: 'tie-on.cold-clear.silent',
    holds: (s) => isCold(s) && isClear(s),
    favours: (p) => !p.isLoud,
    weight: 1.2,
    against: (p) => p.isLoud,
    reason: 'Silent: in clear cold water noise sends them off.',
  },
  {
    id: 'tie-on.cold-clear.slow',
    holds: (s) => isCold(s) && isClear(s),
    favours: (p) => p.family.pace !== 'quick',
    weight: 1.6,
    // Cold-water fish go on feeding: what they are known to take well is not too quick for them.
    against: (p, s) => p.family.pace === 'quick' && !(coldGroups.includes(s.group) && (p.family.suits[s.group] ?? 0) >= tieOnLimits.knownToTake),
    reason: 'Slow: cold fish move centimetres.',
  },
  {
    id: 'tie-on.cold-clear.small',
    holds: (s) => isCold(s) && isClear(s) && s.goal !== 'size',
    favours: (p) => !p.isBulky,
    weight: 1.3,
    against: (p) => p.isBulky,
    reason: 'Small: sizes are cut for cold clear water.',
  },
  {
    id: 'tie-on.cold.slow',
    holds: (s) => isCold(s) && !isClear(s),
    favours: (p) => p.family.pace !== 'quick',
    weight: 1.25,
    reason: 'Slow: in cold water they take their time.',
  },
  {
    id: 'tie-on.numb.no-swimming',
    holds: (s) => s.tempC < tieOnLimits.numbC,
    against: (p) => p.family.pace === 'quick' && p.isBulky,
    reason: 'Nothing bulky that has to be kept going: below 5 °C they do not come after it.',
  },
  {
    id: 'tie-on.forage.colour',
    holds: (s) => s.forage !== null,
    favours: (p, s) => forageColours[s.forage!].some((word) => p.said.includes(word)),
    weight: 1.5,
    reason: 'Coloured like what they eat here.',
    viewpoint: 'match the forage; others tie on only dark or white',
  },
  {
    id: 'tie-on.forage.crayfish',
    holds: (s) => s.forage === 'crayfish' && s.tempC >= crayfishC,
    favours: (p) => p.family.zones.includes('bottom') && (p.family.id.endsWith('jig') || p.family.id === 'tube'),
    weight: 1.4,
    reason: 'Crayfish leave the mud as it warms: a jig on the bed is one.',
  },
  {
    id: 'tie-on.clear.natural',
    holds: isClear,
    favours: isColour('natural', 'metal'),
    weight: 1.35,
    against: isColour('bright'),
    reason: 'See-through or natural: in clear water they look twice.',
    viewpoint: 'match the forage',
  },
  {
    id: 'tie-on.stained.seen',
    holds: isStained,
    favours: isColour('dark', 'white', 'bright'),
    weight: 1.35,
    against: isColour('natural'),
    reason: 'Dark, white or bright: in stained water it must be seen.',
    viewpoint: 'white or dark',
  },
  {
    id: 'tie-on.stained-warming.big',
    holds: (s) => isStained(s) && s.tempC >= tieOnLimits.warmC,
    favours: (p) => p.isBulky || p.isLoud,
    weight: 1.5,
    reason: 'Bulky or loud: warm stained water calls for something they can find.',
  },
  {
    id: 'tie-on.stained-warming.not-small-and-silent',
    holds: (s) => isStained(s) && s.tempC >= tieOnLimits.warmC,
    against: (p) => !p.isBulky && !p.isLoud && p.colour !== 'dark',
    reason: 'Small, silent and not dark: it is lost in warm stained water.',
  },
  {
    id: 'tie-on.stained-warming.along-cover',
    holds: (s) => isStained(s) && s.tempC >= tieOnLimits.warmC && s.group === 'bass',
    favours: (p) => p.family.id === 'swim-jig',
    weight: 1.4,
    reason: 'Wound along cover in stained, warming water: they hold tight to it and come out for what passes.',
  },
  {
    id: 'tie-on.clear-cold.nothing-wound',
    holds: (s) => !isStained(s) && s.tempC < tieOnLimits.mildC,
    against: (p) => p.family.id === 'swim-jig',
    reason: 'A swim jig is for stained or warming water: here it goes by too fast.',
  },
  {
    id: 'tie-on.dim.contrast',
    holds: (s) => s.cloud !== null && s.cloud >= tieOnLimits.dimCloud && !isClear(s),
    favours: isColour('dark', 'white'),
    weight: 1.1,
    reason: 'Under cloud a plain shape shows best.',
  },
  {
    id: 'tie-on.goal.size',
    holds: (s) => s.goal === 'size',
    favours: (p) => p.isBulky,
    weight: 1.7,
    reason: 'Bulky, slow and all day: few bites, and the big ones.',
  },
  {
    id: 'tie-on.goal.numbers',
    holds: (s) => s.goal === 'numbers',
    favours: (p) => !p.isBulky && !p.isLoud,
    weight: 1.3,
    // Where it has to be found, what is bulky takes as many.
    against: (p, s) => p.isBulky && !(isStained(s) && s.tempC >= tieOnLimits.warmC),
    reason: 'Slim and light: more of them take it.',
  },
  {
    id: 'tie-on.goal.supper',
    holds: (s) => s.goal === 'supper',
    favours: (p) => !p.isBulky,
    weight: 1.1,
    reason: 'What takes most fish of eating size.',
  },
];
