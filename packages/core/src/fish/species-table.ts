import { fishOfIce } from './fish-of-ice';
import { fishOfOpenWater } from './fish-of-open-water';
import { fishNameOf, type FishName } from './names';
import type { Species } from './species';

/** Fish of cold water that have figures of their own. */
export const speciesTable: readonly Species[] = [...fishOfIce, ...fishOfOpenWater];

/** What is fished for where any fish will do. */
export const anyFish = 'anything';

/**
 * The row of a species. A fish without figures takes those of the nearest of its group, and `like` says whose; one that no list knows (of the angler's
 * own naming, from a file, or a newer version) has broad figures that promise little and are marked as assumed: what was logged of it counts.
 */
export function speciesOf(id: string): Species {
  const own = speciesTable.find((s) => s.id === id);
  if (own) return own;
  const named = fishNameOf(id);
  return named ? likeAnother(named) : unknownSpecies(id);
}

/** Whether a fish is of the list, with figures of its own or without; any other bears the name that somebody typed. */
export const isKnownSpecies = (id: string): boolean => fishNameOf(id) !== undefined;

/** Whose advice a fish takes, in words; null for one with figures of its own. */
export function adviceOfWords(id: string): string | null {
  const { short, like, isAssumed } = speciesOf(id);
  if (like) return `No figures of its own for ${short.toLowerCase()}: advised on as the ${speciesOf(like).short.toLowerCase()}.`;
  if (!isAssumed) return null;
  return id === anyFish ? 'For any fish: broad figures. Choose one for closer advice.' : `Nothing is known here of ${short}: broad figures. It is logged and counted.`;
}

function likeAnother({ id, name, short = name, like, ruler }: FishName): Species {
  const figures = speciesTable.find((s) => s.id === like)!;
  const [fromMm, usualMm] = ruler!;
  return { ...figures, id: id as Species['id'], name, short, like, ruler: { fromMm, usualMm } };
}

function unknownSpecies(id: string): Species {
  const name = id
    .replaceAll(/[-_\s]+/g, ' ')
    .trim()
    .slice(0, 60);
  const shown = name === '' ? 'Fish' : name.charAt(0).toUpperCase() + name.slice(1);
  return {
    id: id as Species['id'],
    name: shown,
    short: shown,
    isAssumed: true,
    group: 'panfish',
    feeds: 'up',
    offsetM: 0.3,
    usedDepthM: [0.5, 20],
    injuryDepthM: 7.5,
    frontSensitivity: 0.5,
    light: 'twilight',
    guild: 'cool',
    comfortC: [10, 20],
    lethargyC: 4,
    leastOxygenMgL: 3,
    ruler: { fromMm: 80, usualMm: 300 },
    handling: 'Wet hands, and back at once: how this fish bears handling is not known here.',
  };
}
