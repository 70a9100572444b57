import { hourMs } from '../units';
import type { WeatherHour } from './series';

/** Weather as an angler reads it off a barometer and the sky: some of an hour's values. */
export interface SeenWeather {
  ms: number;
  airC?: number;
  pressureHpa?: number;
  windMs?: number;
  windFromDeg?: number;
  cloud?: number;
}

/** A reading stands for the station's row this near to it, ms. */
const nearMs = hourMs / 2;
const columns = ['airC', 'pressureHpa', 'windMs', 'windFromDeg', 'cloud'] as const;

/**
 * A series (ascending) with what the angler has read: it takes the place of the station's values of that hour, and stands as a
 * row of its own where the station has none.
 */
export function withSeen(series: readonly WeatherHour[], seen: readonly SeenWeather[]): WeatherHour[] {
  const rows = series.map((row) => ({ ...row }));
  for (const reading of seen) {
    let row = rows.find((r) => Math.abs(r.atMs - reading.ms) <= nearMs);
    if (!row) {
      row = { atMs: reading.ms, airC: null, pressureHpa: null, windMs: null, windFromDeg: null, cloud: null, precipMm: null, snowCm: null };
      rows.push(row);
    }
    for (const column of columns) row[column] = reading[column] ?? row[column];
  }
  return rows.sort((a, b) => a.atMs - b.atMs);
}
