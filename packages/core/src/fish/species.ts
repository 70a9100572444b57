import type { WeighedSpecies } from './standard-weight';

/** How a fish stands to the bait: upward feeders are met from above, bottom feeders from the bottom up. */
export type FeedingSide = 'up' | 'bottom';

/** Groups that share their winter: where they go by stage is kept by group. */
export type SpeciesGroup = 'panfish' | 'bass' | 'pike-walleye' | 'deep' | 'stocked-trout' | 'roach-like';
/** What temperatures a fish is built for. Cold-water fish keep feeding in winter; warm-water fish look for the warmest water there is. */
export type ThermalGuild = 'cold' | 'cool' | 'warm';
/** When it feeds by light: at low light, at low light and a little after dark, by day, or in the dark. */
export type LightHabit = 'twilight' | 'dark-edges' | 'day' | 'night';

export interface Species {
  id: WeighedSpecies;
  name: string;
  /** Short name for buttons and sentences. */
  short: string;
  group: SpeciesGroup;
  feeds: FeedingSide;
  /** How far above the top mark the jig is hung, m. Source: fieldcraft, 15–45 cm. */
  offsetM: number;
  /** Depth of capture beyond which gas expansion often hurts the fish, m; null where the fish can vent. Source: fieldcraft. */
  injuryDepthM: number | null;
  /** How strongly a front moves its feeding, 0–1. Source: fieldcraft. */
  frontSensitivity: number;
  light: LightHabit;
  guild: ThermalGuild;
  /** Temperatures at which it thrives, °C. Source: thermal guilds of freshwater fish (Magnuson et al. 1979: cold 11–15, cool 21–25, warm 27–31 at their best), widened to where it feeds well. */
  comfortC: readonly [number, number];
  /** Below this it moves little and feeds in short windows, °C. Source: fieldcraft. */
  lethargyC: number;
  /** Least oxygen at which it stays, mg/L in cold water. Soft; source: fieldcraft (ranges of the literature 1–5). */
  leastOxygenMgL: number;
  /** Length range offered first on the ruler, and its usual, mm. */
  ruler: { fromMm: number; toMm: number; usualMm: number };
  /** Care that the handling of this fish asks for. */
  handling: string;
}

/** Fish of cold water. Sources: fieldcraft unless a figure names another. */
export const speciesTable: readonly Species[] = [
  {
    id: 'black-crappie',
    name: 'Black crappie',
    short: 'Crappie',
    group: 'panfish',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.9,
    light: 'twilight',
    guild: 'warm',
    comfortC: [14, 24],
    lethargyC: 5,
    leastOxygenMgL: 3,
    ruler: { fromMm: 120, toMm: 420, usualMm: 240 },
    handling: 'Thin mouth: lift it with the line, not the lip.',
  },
  {
    id: 'white-crappie',
    name: 'White crappie',
    short: 'White crappie',
    group: 'panfish',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.9,
    light: 'twilight',
    guild: 'warm',
    comfortC: [15, 25],
    lethargyC: 5,
    leastOxygenMgL: 2.5,
    ruler: { fromMm: 120, toMm: 420, usualMm: 250 },
    handling: 'Thin mouth: lift it with the line, not the lip.',
  },
  {
    id: 'yellow-perch',
    name: 'Yellow perch',
    short: 'Perch',
    group: 'panfish',
    feeds: 'bottom',
    offsetM: 0.12,
    injuryDepthM: 7.5,
    frontSensitivity: 0.5,
    light: 'day',
    guild: 'cool',
    comfortC: [12, 22],
    lethargyC: 2,
    leastOxygenMgL: 2,
    ruler: { fromMm: 120, toMm: 400, usualMm: 220 },
    handling: 'Spines and gill covers cut: hold from behind.',
  },
  {
    id: 'walleye',
    name: 'Walleye',
    short: 'Walleye',
    group: 'pike-walleye',
    feeds: 'bottom',
    offsetM: 0.3,
    injuryDepthM: 9,
    frontSensitivity: 0.6,
    light: 'dark-edges',
    guild: 'cool',
    comfortC: [12, 22],
    lethargyC: 2,
    leastOxygenMgL: 3,
    ruler: { fromMm: 200, toMm: 800, usualMm: 430 },
    handling: 'Gill covers cut and teeth hold: use pliers.',
  },
  {
    id: 'bluegill',
    name: 'Bluegill',
    short: 'Bluegill',
    group: 'panfish',
    feeds: 'up',
    offsetM: 0.2,
    injuryDepthM: 8,
    frontSensitivity: 0.8,
    light: 'day',
    guild: 'warm',
    comfortC: [16, 27],
    lethargyC: 6,
    leastOxygenMgL: 3,
    ruler: { fromMm: 100, toMm: 280, usualMm: 175 },
    handling: 'Press the back fin flat before you grip it.',
  },
  {
    id: 'northern-pike',
    name: 'Northern pike',
    short: 'Pike',
    group: 'pike-walleye',
    feeds: 'up',
    offsetM: 0.45,
    injuryDepthM: null,
    frontSensitivity: 0.4,
    light: 'day',
    guild: 'cool',
    comfortC: [10, 20],
    lethargyC: 1,
    leastOxygenMgL: 1.5,
    ruler: { fromMm: 300, toMm: 1200, usualMm: 620 },
    handling: 'Long pliers, and keep fingers out of the gills.',
  },
  {
    id: 'lake-trout',
    name: 'Lake trout',
    short: 'Lake trout',
    group: 'deep',
    feeds: 'bottom',
    offsetM: 0.45,
    injuryDepthM: null,
    frontSensitivity: 0.3,
    light: 'day',
    guild: 'cold',
    comfortC: [5, 11],
    lethargyC: 0,
    leastOxygenMgL: 5,
    ruler: { fromMm: 280, toMm: 1000, usualMm: 550 },
    handling: 'It vents its gas: keep it wet and send it down head first.',
  },
  {
    id: 'lake-whitefish',
    name: 'Lake whitefish',
    short: 'Whitefish',
    group: 'deep',
    feeds: 'bottom',
    offsetM: 0.2,
    injuryDepthM: null,
    frontSensitivity: 0.4,
    light: 'day',
    guild: 'cold',
    comfortC: [4, 12],
    lethargyC: 0,
    leastOxygenMgL: 4,
    ruler: { fromMm: 150, toMm: 650, usualMm: 420 },
    handling: 'Soft mouth and loose scales: wet hands, no net if you can.',
  },
  {
    id: 'burbot',
    name: 'Burbot',
    short: 'Burbot',
    group: 'deep',
    feeds: 'bottom',
    offsetM: 0.1,
    injuryDepthM: 9,
    frontSensitivity: 0.2,
    light: 'night',
    guild: 'cold',
    comfortC: [2, 10],
    lethargyC: 0,
    leastOxygenMgL: 3.5,
    ruler: { fromMm: 200, toMm: 900, usualMm: 500 },
    handling: 'It winds round the arm: grip behind the head.',
  },
  {
    id: 'white-perch',
    name: 'White perch',
    short: 'White perch',
    group: 'panfish',
    feeds: 'bottom',
    offsetM: 0.2,
    injuryDepthM: 7.5,
    frontSensitivity: 0.6,
    light: 'twilight',
    guild: 'warm',
    comfortC: [14, 24],
    lethargyC: 4,
    leastOxygenMgL: 3,
    ruler: { fromMm: 80, toMm: 350, usualMm: 210 },
    handling: 'Sharp back fin and gill covers: hold from behind.',
  },
  {
    id: 'white-bass',
    name: 'White bass',
    short: 'White bass',
    group: 'panfish',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.7,
    light: 'twilight',
    guild: 'warm',
    comfortC: [14, 25],
    lethargyC: 5,
    leastOxygenMgL: 3.5,
    ruler: { fromMm: 120, toMm: 450, usualMm: 300 },
    handling: 'Spines at fin and gill cover: hold from below.',
  },
  {
    id: 'rainbow-trout',
    name: 'Rainbow trout',
    short: 'Rainbow',
    group: 'stocked-trout',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: null,
    frontSensitivity: 0.4,
    light: 'day',
    guild: 'cold',
    comfortC: [8, 15],
    lethargyC: 2,
    leastOxygenMgL: 5,
    ruler: { fromMm: 150, toMm: 700, usualMm: 330 },
    handling: 'Keep it wet, out of the frost, and off the ice.',
  },
  {
    id: 'largemouth',
    name: 'Largemouth bass',
    short: 'Largemouth',
    group: 'bass',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.7,
    light: 'twilight',
    guild: 'warm',
    comfortC: [16, 27],
    lethargyC: 6,
    leastOxygenMgL: 3,
    ruler: { fromMm: 150, toMm: 600, usualMm: 340 },
    handling: 'Hold it level: a bent jaw tears.',
  },
  {
    id: 'smallmouth',
    name: 'Smallmouth bass',
    short: 'Smallmouth',
    group: 'bass',
    feeds: 'bottom',
    offsetM: 0.2,
    injuryDepthM: 8,
    frontSensitivity: 0.7,
    light: 'day',
    guild: 'warm',
    comfortC: [14, 24],
    lethargyC: 6,
    leastOxygenMgL: 4,
    ruler: { fromMm: 150, toMm: 550, usualMm: 330 },
    handling: 'Hold it level: a bent jaw tears.',
  },
  {
    id: 'spotted-bass',
    name: 'Spotted bass',
    short: 'Spotted',
    group: 'bass',
    feeds: 'up',
    offsetM: 0.3,
    injuryDepthM: 8,
    frontSensitivity: 0.7,
    light: 'twilight',
    guild: 'warm',
    comfortC: [15, 25],
    lethargyC: 6,
    leastOxygenMgL: 3.5,
    ruler: { fromMm: 120, toMm: 500, usualMm: 320 },
    handling: 'Hold it level: a bent jaw tears.',
  },
  {
    id: 'roach',
    name: 'Roach',
    short: 'Roach',
    group: 'roach-like',
    feeds: 'bottom',
    offsetM: 0.08,
    injuryDepthM: null,
    frontSensitivity: 0.6,
    light: 'day',
    guild: 'cool',
    comfortC: [10, 22],
    lethargyC: 3,
    leastOxygenMgL: 2.5,
    ruler: { fromMm: 80, toMm: 400, usualMm: 190 },
    handling: 'Wet hands: the scales come off.',
  },
  {
    id: 'european-perch',
    name: 'European perch',
    short: 'River perch',
    group: 'panfish',
    feeds: 'bottom',
    offsetM: 0.15,
    injuryDepthM: 7.5,
    frontSensitivity: 0.5,
    light: 'day',
    guild: 'cool',
    comfortC: [12, 22],
    lethargyC: 2,
    leastOxygenMgL: 2.5,
    ruler: { fromMm: 80, toMm: 450, usualMm: 230 },
    handling: 'Spines and gill covers cut: hold from behind.',
  },
];

export type SpeciesId = WeighedSpecies;

/** The row of a species. Throws RangeError for one that has no habits in the table yet. */
export function speciesOf(id: string): Species {
  const row = speciesTable.find((s) => s.id === id);
  if (!row) throw new RangeError(`species must be one of ${speciesTable.map((s) => s.id).join(', ')}, found ${id}`);
  return row;
}
