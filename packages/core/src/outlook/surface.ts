import type { ColumnAnswer } from '../column';
import type { LedgerState, SurfaceSeen } from '../ledger';
import { dayMs, hourMs } from '../units';
import type { TempReading } from './reading';

/** What one finds at a water: ice, a skin of it that neither bears nor lets a bait through, open water, a current, or nobody knows which. */
export type Surface = 'ice' | 'skin' | 'open' | 'moving' | 'unknown';

/** Ice measured within this time is taken to be there still; what was seen over the water holds for the night or the day, ms. Heuristic. */
const [measuredHoldsMs, seenHoldsMs] = [4 * dayMs, 14 * hourMs] as const;

/** What somebody saw over a water, or measured on it, last. */
export interface SurfaceNews {
  /** When ice was last measured there. */
  iceMs?: number;
  seen?: { atMs: number; surface: SurfaceSeen } | null;
  /** Thermometer readings of late. */
  readings?: readonly TempReading[];
}

/** Under ice nobody reads water so warm so near the surface, °C and m. Heuristic: late in winter the sun warms it through clear ice to about 4 °C. */
const tooWarmForIce = { fromC: 5, withinM: 1, holdsMs: 2 * dayMs } as const;

const isTooWarm = (readings: readonly TempReading[], nowMs: number): boolean =>
  readings.some((r) => r.depthM <= tooWarmForIce.withinM && r.tempC >= tooWarmForIce.fromC && r.atMs <= nowMs && nowMs - r.atMs <= tooWarmForIce.holdsMs);

/** What was seen last over a water, up to an instant; null where nobody said. */
export function surfaceSeen(ledger: LedgerState, water: string, nowMs: number): { atMs: number; surface: SurfaceSeen } | null {
  const seen = ledger.outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.surfaces)
    .filter((s) => s.ms <= nowMs)
    .sort((a, b) => a.ms - b.ms)
    .at(-1);
  return seen ? { atMs: seen.ms, surface: seen.surface } : null;
}

/**
 * The surface of a water now. Moving water is never walked on; what was seen there today and ice that was measured go before the model, the later of them
 * first, and so does a thermometer that read it too warm for ice; without any of it nothing is said to be there.
 */
export function surfaceOf(isMoving: boolean, column: ColumnAnswer | null, { iceMs, seen, readings = [] }: SurfaceNews, nowMs: number): Surface {
  if (isMoving) return 'moving';
  if (seen && nowMs - seen.atMs <= seenHoldsMs && (iceMs === undefined || seen.atMs >= iceMs)) return seen.surface;
  if (iceMs !== undefined && nowMs - iceMs <= measuredHoldsMs) return 'ice';
  if (!column) return 'unknown';
  return column.now.iceClearM + column.now.iceWhiteM > 0 && !isTooWarm(readings, nowMs) ? 'ice' : 'open';
}

/** Whether the surface that was seen, or that a thermometer told, denies what the model has there. */
export function isDenied({ now }: ColumnAnswer, surface: Surface, seen: SurfaceNews['seen']): boolean {
  const hasIce = now.iceClearM + now.iceWhiteM > 0;
  return surface === 'open' ? hasIce : !hasIce && seen?.surface === surface;
}
