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
  /** Broad figures: no list knows this fish. */
  isAssumed?: true;
  /** The fish whose figures it takes, having none of its own. */
  like?: WeighedSpecies;
  group: SpeciesGroup;
  feeds: FeedingSide;
  /** How far above the top mark the jig is hung, m. Source: fieldcraft, 15–45 cm. */
  offsetM: number;
  /** Depths that it is known to use in cold water, m: it is not looked for outside them, however deep the water. Heuristic; source: fieldcraft. */
  usedDepthM: readonly [number, number];
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
  /** Least oxygen at which it stays, mg/L in cold water. Heuristic; source: fieldcraft (ranges of the literature 1–5). */
  leastOxygenMgL: number;
  /** Where the ruler begins, and where a measured fish usually lies, mm; it ends at `longestRulerMm` for every fish. */
  ruler: { fromMm: number; usualMm: number };
  /** Care that the handling of this fish asks for. */
  handling: string;
}

/** As long as the ruler is, mm: a longer fish is typed. */
export const longestRulerMm = 1300;

export type SpeciesId = WeighedSpecies;
