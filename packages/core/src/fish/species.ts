import type { WeighedSpecies } from './standard-weight';

/** How a fish stands to the bait: upward feeders are met from above, bottom feeders from the bottom up. */
export type FeedingSide = 'up' | 'bottom';

export interface Species {
  id: WeighedSpecies;
  name: string;
  /** Short name for buttons and sentences. */
  short: string;
  feeds: FeedingSide;
  /** How far above the top mark the jig is hung, m. Source: fieldcraft, 15–45 cm. */
  offsetM: number;
  /** Depth of capture beyond which gas expansion often hurts the fish, m; null where the fish can vent. Source: fieldcraft. */
  injuryDepthM: number | null;
  /** How strongly a front moves its feeding, 0–1. Source: fieldcraft. */
  frontSensitivity: number;
  /** When it feeds by light: at low light, at low light and a little after dark, or by day. Source: fieldcraft. */
  light: 'twilight' | 'dark-edges' | 'day';
  /** Length range offered first on the ruler, and its usual, mm. */
  ruler: { fromMm: number; toMm: number; usualMm: number };
  /** Care that the handling of this fish asks for. */
  handling: string;
}

/** The fish of the hard-water lake. Sources: fieldcraft unless a figure names another. */
export const speciesTable: readonly Species[] = [
  {
    id: 'black-crappie',
    name: 'Black crappie',
    short: 'Crappie',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.9,
    light: 'twilight',
    ruler: { fromMm: 120, toMm: 420, usualMm: 240 },
    handling: 'Thin mouth: lift it with the line, not the lip.',
  },
  {
    id: 'yellow-perch',
    name: 'Yellow perch',
    short: 'Perch',
    feeds: 'bottom',
    offsetM: 0.12,
    injuryDepthM: 7.5,
    frontSensitivity: 0.5,
    light: 'day',
    ruler: { fromMm: 120, toMm: 400, usualMm: 220 },
    handling: 'Spines and gill covers cut: hold from behind.',
  },
  {
    id: 'walleye',
    name: 'Walleye',
    short: 'Walleye',
    feeds: 'bottom',
    offsetM: 0.3,
    injuryDepthM: 9,
    frontSensitivity: 0.6,
    light: 'dark-edges',
    ruler: { fromMm: 200, toMm: 800, usualMm: 430 },
    handling: 'Gill covers cut and teeth hold: use pliers.',
  },
  {
    id: 'bluegill',
    name: 'Bluegill',
    short: 'Bluegill',
    feeds: 'up',
    offsetM: 0.2,
    injuryDepthM: 8,
    frontSensitivity: 0.8,
    light: 'day',
    ruler: { fromMm: 100, toMm: 280, usualMm: 175 },
    handling: 'Press the back fin flat before you grip it.',
  },
  {
    id: 'northern-pike',
    name: 'Northern pike',
    short: 'Pike',
    feeds: 'up',
    offsetM: 0.45,
    injuryDepthM: null,
    frontSensitivity: 0.4,
    light: 'day',
    ruler: { fromMm: 300, toMm: 1200, usualMm: 620 },
    handling: 'Long pliers, and keep fingers out of the gills.',
  },
];

export type SpeciesId = WeighedSpecies;

/** The row of a species. Throws RangeError for one that has no habits in the table yet. */
export function speciesOf(id: string): Species {
  const row = speciesTable.find((s) => s.id === id);
  if (!row) throw new RangeError(`species must be one of ${speciesTable.map((s) => s.id).join(', ')}, found ${id}`);
  return row;
}
