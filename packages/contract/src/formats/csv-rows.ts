import { parse } from 'csv-parse/sync';
import { FormatError } from './format-error';

export interface CsvRow {
  line: number;
  /** The cell of a column, trimmed; empty where it is missing. */
  at: (column: string) => string;
}

/** Rows of a CSV with a header. Throws FormatError for an empty file, columns that are missing, and text that is no CSV. */
export function csvRows(text: string, columns: readonly string[]): CsvRow[] {
  const rows = read(text);
  if (rows.length === 0) throw new FormatError(1, `expected a header with the columns ${columns.join(',')}, found an empty file`);
  const header = rows[0].record.map((cell) => cell.trim());
  const missing = columns.filter((c) => !header.includes(c));
  if (missing.length > 0) throw new FormatError(1, `expected the columns ${columns.join(',')}, missing ${missing.join(', ')}`);
  return rows.slice(1).map(({ record, line }) => ({ line, at: (column) => (record[header.indexOf(column)] ?? '').trim() }));
}

function read(text: string): { record: string[]; line: number }[] {
  try {
    return (parse(text, { bom: true, info: true, relax_column_count: true, skip_empty_lines: true }) as unknown as { record: string[]; info: { lines: number } }[]).map(
      ({ record, info }) => ({ record, line: info.lines }),
    );
  } catch (error) {
    throw new FormatError((error as { lines?: number }).lines ?? null, `expected comma-separated values: ${(error as Error).message}`);
  }
}

/** An instant in ISO 8601 with its offset, ms. Throws FormatError with the line for anything else. */
export function csvTime(text: string, line: number): number {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/.test(text) || Number.isNaN(Date.parse(text))) {
    throw new FormatError(line, `time: expected ISO 8601 with offset such as 2027-01-16T06:00-09:00, found "${text}"`);
  }
  const atMs = Date.parse(text);
  if (!(atMs >= earliestMs && atMs < latestMs)) throw new FormatError(line, `time: expected a year of 1900 to 2099, found "${text}"`);
  return atMs;
}

/** A time outside these is a slip of the pen: one row in the year 9999 would make a series of millennia. */
const [earliestMs, latestMs] = [Date.UTC(1900, 0, 1), Date.UTC(2100, 0, 1)];

/** A number within limits, null for an empty cell. Throws FormatError with the line. */
export function csvNumber(text: string, column: string, least: number, most: number, line: number): number | null {
  if (text === '') return null;
  const value = Number(text);
  if (!Number.isFinite(value)) throw new FormatError(line, `${column}: expected a number or nothing, found "${text}"`);
  if (value < least || value > most) throw new FormatError(line, `${column}: expected ${least} to ${most}, found ${text}`);
  return value;
}
