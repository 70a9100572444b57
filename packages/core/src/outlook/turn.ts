import type { ColumnProfile } from '../winter';
import { dayMs, hourMs } from '../units';
import { readingLimits, type TempReading } from './reading';

/** Water near the surface that warmed or cooled, as a thermometer read it. */
export interface WaterTurn {
  kind: 'warmed' | 'cooled';
  /** By how much, °C, and since when. */
  stepC: number;
  sinceMs: number;
  /** When half of a rise is gone again, as foretold; null where nothing is foretold, or not within the forecast. */
  untilMs: number | null;
}

/** A step from so much on is an event in water colder than this; readings this long apart and this near to the surface are compared. Source: fieldcraft, 1 to 2 °C. */
export const turnLimits = { stepC: 1, coldC: 12, apartMs: 2 * hourMs, withinMs: 2 * dayMs } as const;

/**
 * Whether the water has turned lately by the angler's own thermometer: warmed from its coldest reading of two days, or cooled again from its warmest. Null where
 * it has not, where it is too warm for a step to matter, and with fewer than two readings.
 * @param ahead temperatures near the surface as foretold, earliest first
 */
export function waterTurn(readings: readonly TempReading[], nowMs: number, ahead: readonly { atMs: number; tempC: number }[]): WaterTurn | null {
  const near = readings.filter((r) => r.depthM <= readingLimits.leastLayerM && r.atMs <= nowMs && nowMs - r.atMs <= turnLimits.withinMs);
  const last = near.at(-1);
  if (!last || last.tempC >= turnLimits.coldC) return null;
  const before = near.filter((r) => last.atMs - r.atMs >= turnLimits.apartMs);
  if (before.length === 0) return null;
  const coldest = before.reduce((a, b) => (b.tempC < a.tempC ? b : a));
  const warmest = before.reduce((a, b) => (b.tempC >= a.tempC ? b : a));
  const [roseC, fellC] = [last.tempC - coldest.tempC, warmest.tempC - last.tempC];
  if (fellC >= turnLimits.stepC) return { kind: 'cooled', stepC: fellC, sinceMs: warmest.atMs, untilMs: null };
  if (roseC < turnLimits.stepC) return null;
  const gone = ahead.find((a) => a.atMs > nowMs && a.tempC <= last.tempC - roseC / 2);
  return { kind: 'warmed', stepC: roseC, sinceMs: coldest.atMs, untilMs: gone?.atMs ?? null };
}

/** A rise or fall by the thermometer now, with its end as a column foretells it. */
export const turnNow = (readings: readonly TempReading[], nowMs: number, ahead: readonly ColumnProfile[]): WaterTurn | null =>
  waterTurn(
    readings,
    nowMs,
    ahead.map((p) => ({ atMs: p.atMs, tempC: p.tempC[0] })),
  );
