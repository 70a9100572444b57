import type { ColumnAnswer } from '../column';
import { dayMs } from '../units';

/** What one finds at a water: ice, open water, a current, or nobody knows which. */
export type Surface = 'ice' | 'open' | 'moving' | 'unknown';

/** Ice measured within this time is taken to be there still, ms. Heuristic. */
const measuredHoldsMs = 4 * dayMs;

/**
 * The surface of a water now. Moving water is never walked on; measured ice goes before the model; without either nothing is said to be there.
 * @param lastIceMs when ice was last measured there
 */
export function surfaceOf(isMoving: boolean, column: ColumnAnswer | null, lastIceMs: number | undefined, nowMs: number): Surface {
  if (isMoving) return 'moving';
  if (lastIceMs !== undefined && nowMs - lastIceMs <= measuredHoldsMs) return 'ice';
  if (!column) return 'unknown';
  return column.now.iceClearM + column.now.iceWhiteM > 0 ? 'ice' : 'open';
}
