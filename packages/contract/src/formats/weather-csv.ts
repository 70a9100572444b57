import type { WeatherHour } from '@burrow/core/weather';
import { parse } from 'csv-parse/sync';
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
  const rows = readRows(text);
  if (rows.length === 0) throw new FormatError(1, `expected a header with the columns ${columns.join(',')}, found an empty file`);
  const header = rows[0].record.map((cell) => cell.trim());
  const missing = columns.filter((c) => !header.includes(c));
  if (missing.length > 0) throw new FormatError(1, `expected the columns ${columns.join(',')}, missing ${missing.join(', ')}`);
  const at = (record: string[], column: string) => (record[header.indexOf(column)] ?? '').trim();
  const series: WeatherHour[] = [];
  for (const { record, line } of rows.slice(1)) {
    const atMs = parseTime(at(record, 'time'), line);
    const before = series[series.length - 1];
    if (before && atMs === before.atMs) throw new FormatError(line, `time: expected each time once, found ${at(record, 'time')} again`);
    if (before && atMs < before.atMs) throw new FormatError(line, `time: expected ascending times, found ${at(record, 'time')} after a later one`);
    const hour: WeatherHour = { atMs, airC: null, pressureHpa: null, windMs: null, windFromDeg: null, cloud: null, precipMm: null, snowCm: null };
    for (const [field, column, least, most] of fields) hour[field] = parseNumber(at(record, column), column, least, most, line);
    series.push(hour);
  }
  return series;
}

function readRows(text: string): { record: string[]; line: number }[] {
  try {
    return (parse(text, { bom: true, info: true, relax_column_count: true, skip_empty_lines: true }) as unknown as { record: string[]; info: { lines: number } }[]).map(
      ({ record, info }) => ({ record, line: info.lines }),
    );
  } catch (error) {
    throw new FormatError((error as { lines?: number }).lines ?? null, `expected comma-separated values: ${(error as Error).message}`);
  }
}

function parseTime(text: string, line: number): number {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/.test(text) || Number.isNaN(Date.parse(text))) {
    throw new FormatError(line, `time: expected ISO 8601 with offset such as 2027-01-16T06:00-09:00, found "${text}"`);
  }
  return Date.parse(text);
}

function parseNumber(text: string, column: string, least: number, most: number, line: number): number | null {
  if (text === '') return null;
  const value = Number(text);
  if (!Number.isFinite(value)) throw new FormatError(line, `${column}: expected a number or nothing, found "${text}"`);
  if (value < least || value > most) throw new FormatError(line, `${column}: expected ${least} to ${most}, found ${text}`);
  return value;
}
