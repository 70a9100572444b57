import { familyOf } from '@burrow/core/tackle';
import { fishLengthText, lureText, type UnitPreference } from '@burrow/core/units';
import type { Presentation } from '@/data/preferences';

/** What is known of a piece, in a line. */
export function pieceText({ tackle }: Pick<Presentation, 'tackle'>, units: UnitPreference): string {
  if (!tackle) return 'nothing known of it yet';
  const { massG, sizeMm, colour, rattle } = tackle;
  return [
    familyOf(tackle.family).name.toLowerCase(),
    massG === null ? null : lureText(massG, units),
    sizeMm === null ? null : fishLengthText(sizeMm, units),
    colour,
    rattle === null ? null : rattle ? 'rattles' : 'silent',
  ]
    .filter(Boolean)
    .join(', ');
}
