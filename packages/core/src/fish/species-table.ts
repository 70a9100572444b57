import { fishOfIce } from './fish-of-ice';
import { fishOfOpenWater } from './fish-of-open-water';
import type { Species } from './species';

/** Fish of cold water. */
export const speciesTable: readonly Species[] = [...fishOfIce, ...fishOfOpenWater];

/** The row of a species. Throws RangeError for one that has no habits in the table yet. */
export function speciesOf(id: string): Species {
  const row = speciesTable.find((s) => s.id === id);
  if (!row) throw new RangeError(`species must be one of ${speciesTable.map((s) => s.id).join(', ')}, found ${id}`);
  return row;
}
