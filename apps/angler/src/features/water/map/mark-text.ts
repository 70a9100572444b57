import type { PlaceMark } from '@burrow/contract/formats/water-marks';
import { coverKind } from '@burrow/core/ground';

/** What a mark is called. */
export function markText({ role, kind, name }: Pick<PlaceMark, 'role' | 'kind' | 'name'>, isFlowing: boolean): string {
  if (!isFlowing && (role === 'inflow' || role === 'outflow')) return `thin ice: ${role}`;
  return name ?? (role === 'cover' ? coverKind(kind ?? '').label : role === 'hard' ? 'hard patch' : role);
}
