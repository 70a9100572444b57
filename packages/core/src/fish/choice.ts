import { fishNames } from './names';
import type { Region } from './regions';
import { anyFish, isKnownSpecies, speciesOf } from './species-table';

/** A fish as it is offered in a list. */
export interface FishOffer {
  id: string;
  name: string;
  /** Absent for one of the angler's own naming. */
  scientific?: string;
  /** How many of it were caught on this water. */
  caught: number;
  /** Whether it lives where the water lies, and whether it is at home there. */
  isRegional: boolean;
  isAtHome: boolean;
}

/** What orders the list of fish. */
export interface FishPlace {
  region: Region;
  /** Ids of the species that the water's file lists. */
  listed?: readonly string[];
  /** Fish caught on this water, in order of time. */
  caught: readonly string[];
}

const plain = (text: string) => text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase().trim();

/** Whether each word that was typed begins a word of the name, the common or the scientific. */
function isMeant(typed: string, offer: FishOffer): boolean {
  const words = plain(`${offer.name} ${offer.scientific ?? ''}`).split(/[^\p{L}\p{N}]+/u);
  return plain(typed)
    .split(/\s+/)
    .every((part) => words.some((word) => word.startsWith(part)));
}

/**
 * Every fish to choose from, those that the typed words begin: what was caught on this water first, the most first; then what its file lists; then
 * what is at home in its region; then what was brought in there; then the others; each by name, those that begin as typed first. Accents and capitals are not told apart.
 */
export function fishToChoose(place: FishPlace, typed = ''): FishOffer[] {
  const counts = new Map<string, number>();
  for (const id of place.caught) counts.set(id, (counts.get(id) ?? 0) + 1);
  const own = [...new Set([...place.caught, ...(place.listed ?? [])])].filter((id) => id !== anyFish && !isKnownSpecies(id));
  const offers: FishOffer[] = [
    ...fishNames.map(({ id, name, scientific, regions, homes }) => ({
      id,
      name,
      scientific,
      caught: counts.get(id) ?? 0,
      isRegional: regions.includes(place.region),
      isAtHome: homes.includes(place.region),
    })),
    ...own.map((id) => ({ id, name: speciesOf(id).name, caught: counts.get(id) ?? 0, isRegional: true, isAtHome: true })),
  ];
  const isListed = (id: string) => place.listed?.includes(id) === true;
  const rank = (o: FishOffer) => (o.caught > 0 ? 0 : isListed(o.id) ? 1 : o.isAtHome ? 2 : o.isRegional ? 3 : 4);
  const wanted = typed.trim() === '' ? offers : offers.filter((o) => isMeant(typed, o));
  const begins = (o: FishOffer) => (plain(o.name).startsWith(plain(typed)) ? 0 : 1);
  return wanted.sort((a, b) => rank(a) - rank(b) || b.caught - a.caught || begins(a) - begins(b) || a.name.localeCompare(b.name));
}

/** The id of a fish that was typed: that of the list where it is a name there, else the words themselves; undefined for nothing typed. */
export function fishTyped(typed: string): string | undefined {
  const words = typed.trim().replaceAll(/\s+/g, ' ').slice(0, 60);
  if (words === '') return undefined;
  const known = fishNames.find((f) => [f.id, f.name, f.short, f.scientific].some((name) => name !== undefined && plain(name) === plain(words)));
  return known?.id ?? words;
}
