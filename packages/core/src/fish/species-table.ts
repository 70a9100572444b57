import { fishOfIce } from './fish-of-ice';
import { fishOfOpenWater } from './fish-of-open-water';
import type { Species } from './species';

/** Fish of cold water. */
export const speciesTable: readonly Species[] = [...fishOfIce, ...fishOfOpenWater];

/**
 * The row of a species. One that the table does not know (from a file, or a newer version) has broad figures that promise little and are
 * marked as nobody's: what was logged of it counts, and no screen stands still for it.
 */
export const speciesOf = (id: string): Species => speciesTable.find((s) => s.id === id) ?? unknownSpecies(id);

/** Whether the table has figures of a species. */
export const isKnownSpecies = (id: string): id is Species['id'] => speciesTable.some((s) => s.id === id);

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
    ruler: { fromMm: 80, toMm: 1300, usualMm: 300 },
    handling: 'Wet hands, and back at once: how this fish bears handling is not known here.',
  };
}
