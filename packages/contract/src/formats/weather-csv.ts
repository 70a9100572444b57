import { longestSeriesMs, type WeatherHour } from '@burrow/core/weather';
import { csvNumber, csvRows, csvTime } from './csv-rows';
import { FormatError } from './format-error';

const columns = ['time', 'air_c', 'pressure_hpa', 'wind_ms', 'wind_from_deg', 'cloud', 'precip_mm', 'snow_cm'] as const;

/** Field of a row, and the range its numbers must lie in. */
const fields = [
  ['airC', 'air_c', -80, 60],
  ['pressureHpa', 'pressure_hpa', 850, 1100],
  ['windMs', 'wind_ms', 0, 100],
  ['windFromDeg', 'wind_from_deg', 0, 360],
  ['cloud', 'cloud', 0, 1],
  ['precipMm', 'precip_mm', 0, 500],
  ['snowCm', 'snow_cm', 0, 2000],
] as const;

/**
 * Reads a weather CSV (docs/formats.md). Throws FormatError with the line for a missing column, a bad number or time, and
 * times that are not ascending.
 */
export function parseWeatherCsv(text: string): WeatherHour[] {
  const series: WeatherHour[] = [];
  for (const { line, at } of csvRows(text, columns)) {
    const atMs = csvTime(at('time'), line);
    const before = series[series.length - 1];
    if (before && atMs === before.atMs) throw new FormatError(line, `time: expected each time once, found ${at('time')} again`);
    if (before && atMs < before.atMs) throw new FormatError(line, `time: expected ascending times, found ${at('time')} after a later one`);
    if (series.length > 0 && atMs - series[0].atMs > longestSeriesMs)
      throw new FormatError(line, `time: expected two years of weather at most, found ${at('time')} after ${new Date(series[0].atMs).toISOString()}`);
    const hour: WeatherHour = { atMs, airC: null, pressureHpa: null, windMs: null, windFromDeg: null, cloud: null, precipMm: null, snowCm: null };
    for (const [field, column, least, most] of fields) hour[field] = csvNumber(at(column), column, least, most, line);
    series.push(hour);
  }
  return series;
}
