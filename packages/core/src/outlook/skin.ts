import type { ColumnAnswer } from '../column';
import { hourMs } from '../units';
import type { WeatherHour } from '../weather';
import type { TempReading } from './reading';
import type { Surface } from './surface';

/** Still water that is open now, and likely skinned over by a time. */
export interface SkinRisk {
  byMs: number;
  /** By the model of the water, or by the frost that is foretold alone. */
  by: 'modelled' | 'foretold';
  /** Hours of frost until then. */
  frostH: number;
}

/**
 * From so much frost on, °C h, in so many hours, calm small water near freezing skins over; wind above that keeps it open, m/s; water warmer than that takes longer, °C.
 * Heuristic: two nights at −6 °C of ten hours each.
 */
export const skinLimits = { aheadH: 40, frostCh: 90, windMs: 5, waterC: 4.5, modelH: 54 } as const;

/** Whether still water that is open now is likely skinned over soon; null where it is not, and for water that flows or lies under ice already. */
export function skinRisk(surface: Surface, column: ColumnAnswer | null, readings: readonly TempReading[], series: readonly WeatherHour[], nowMs: number): SkinRisk | null {
  if (surface !== 'open' && surface !== 'unknown') return null;
  const frostH = (toMs: number) => series.filter((r) => r.atMs >= nowMs && r.atMs <= toMs && r.airC !== null && r.airC < 0).length;
  if (column) {
    const frozen = column.ahead.find((p) => p.atMs > nowMs && p.atMs - nowMs <= skinLimits.modelH * hourMs && p.iceClearM + p.iceWhiteM > 0);
    return frozen ? { byMs: frozen.atMs, by: 'modelled', frostH: frostH(frozen.atMs) } : null;
  }
  const read = readings.findLast((r) => r.depthM <= 1);
  // Nobody knows how warm it is: nothing is foretold of it.
  if (!read || read.tempC > skinLimits.waterC) return null;
  let frostCh = 0;
  for (const { atMs, airC, windMs } of series) {
    if (atMs < nowMs || atMs - nowMs > skinLimits.aheadH * hourMs || airC === null || (windMs ?? 0) > skinLimits.windMs) continue;
    frostCh += Math.max(0, -airC);
    if (frostCh >= skinLimits.frostCh) return { byMs: atMs, by: 'foretold', frostH: frostH(atMs) };
  }
  return null;
}
