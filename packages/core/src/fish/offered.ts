import type { Species, SpeciesGroup } from './species';
import { speciesTable } from './species-table';

/** Groups that a kind of water is taken to hold where nothing says which fish live in it. Heuristic; source: fieldcraft. */
const groupsOf: Record<'river' | 'channel', readonly SpeciesGroup[]> = {
  river: ['bass', 'pike-walleye', 'roach-like', 'stocked-trout'],
  channel: ['roach-like', 'pike-walleye', 'panfish'],
};

/** What is known of the fish of a water. */
export interface WaterFish {
  kind: 'lake' | 'reservoir' | 'river' | 'channel';
  /** Ids of the species that live in it, where its file says so. */
  listed?: readonly string[];
  /** Species fished for or caught there, with when, ms. */
  fished: readonly { species: string; ms: number }[];
}

/**
 * Species to offer on a water: those its file lists, else those its kind is taken to hold, and any that the log has there; the one
 * fished last comes first, the others follow by when they were fished, then in the order of the list or the table.
 */
export function offeredSpecies({ kind, listed, fished }: WaterFish): Species[] {
  const lastMs = new Map<string, number>();
  for (const { species, ms } of fished) lastMs.set(species, Math.max(lastMs.get(species) ?? 0, ms));
  const rank = (s: Species) => (listed ? listed.indexOf(s.id) : 0);
  const lives = (s: Species) => lastMs.has(s.id) || (listed ? listed.includes(s.id) : kind === 'river' || kind === 'channel' ? groupsOf[kind].includes(s.group) : true);
  const offered = speciesTable.filter(lives).sort((a, b) => (lastMs.get(b.id) ?? 0) - (lastMs.get(a.id) ?? 0) || rank(a) - rank(b));
  // A list of fish that no table knows is no reason to offer none.
  return offered.length > 0 ? offered : [...speciesTable];
}
