import { fishNameOf } from './names';
import type { Region } from './regions';
import type { Species, SpeciesGroup } from './species';
import { speciesOf, speciesTable } from './species-table';

/** Groups that a kind of water is taken to hold where nothing says which fish live in it. Heuristic; source: fieldcraft. */
const groupsOf: Record<'river' | 'channel', readonly SpeciesGroup[]> = {
  river: ['bass', 'pike-walleye', 'roach-like', 'stocked-trout'],
  channel: ['roach-like', 'pike-walleye', 'panfish'],
};

/** What is known of the fish of a water. */
export interface WaterFish {
  kind: 'lake' | 'reservoir' | 'river' | 'channel';
  /** Where it lies; any part of the world where left out. */
  region?: Region;
  /** Ids of the species that live in it, where its file says so. */
  listed?: readonly string[];
  /** Species fished for or caught there, or chosen for it, with when, ms. */
  fished: readonly { species: string; ms: number }[];
}

/**
 * Species to offer first on a water: those its file lists, else those with figures that its region and kind are taken to hold, and any that the log
 * has there; the one fished last comes first, the others follow by when they were fished, then those at home before those brought in.
 */
export function offeredSpecies({ kind, region, listed, fished }: WaterFish): Species[] {
  const lastMs = new Map<string, number>();
  for (const { species, ms } of fished) lastMs.set(species, Math.max(lastMs.get(species) ?? 0, ms));
  const ofKind = (s: Species) => (kind === 'river' || kind === 'channel' ? groupsOf[kind].includes(s.group) : true);
  const ofRegion = (s: Species) => region === undefined || fishNameOf(s.id)!.regions.includes(region);
  const listedKnown = listed?.filter((id) => fishNameOf(id) !== undefined) ?? [];
  // A list of fish that nobody knows is no reason to offer none, nor is a region of which the table has no fish.
  const lives = listed ? listedKnown.map(speciesOf) : speciesTable.filter((s) => ofKind(s) && ofRegion(s));
  const isAtHome = (s: Species) => region === undefined || (fishNameOf(s.id)?.homes.includes(region) ?? true);
  const byHome = listed ? lives : [...lives.filter(isAtHome), ...lives.filter((s) => !isAtHome(s))];
  const rest = byHome.length > 0 ? byHome : speciesTable.filter((s) => ofKind(s));
  const ids = new Set([...lastMs.keys(), ...rest.map((s) => s.id as string)]);
  return [...ids].map(speciesOf).sort((a, b) => (lastMs.get(b.id) ?? 0) - (lastMs.get(a.id) ?? 0));
}
