import { csvNumber, csvRows, csvTime } from './csv-rows';
import { FormatError } from './format-error';
import type { LeftOut, MarkedPlace, ReadOptions } from './places';
import { figureOf, readTable, UnknownColumns, type PointTable, type TableColumns, type TableRows } from './table';

/**
 * Reads soundings, `lon,lat,depth_m[,time]`; or a table of other columns, once it has been said which they are and in which unit the depths: set off by
 * semicolons, tabs or commas, with decimal points or commas, with a header or without. Rows that cannot be read are left out and listed with their line;
 * whether to go on without them is for the caller to ask. Throws UnknownColumns, with the first rows, while the columns or the unit are not known.
 */
export function parseSoundingsCsv(text: string, { metresPerUnit, columns }: ReadOptions = {}): { points: MarkedPlace[]; leftOut: LeftOut[] } {
  const [header] = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1);
  const isOurs = /^(?=.*\blon\b)(?=.*\blat\b).*\bdepth_m\b/.test(header) && header.includes(',');
  if (columns === undefined && isOurs) return soundingsOf(text, 'depth_m', 1);
  const table = readTable(text);
  const { lon, lat, depth, time } = { ...table.guess, ...columns };
  const perUnit = metresPerUnit ?? table.metresPerUnit;
  // Only what was said counts: a column that looks like longitudes is offered, not taken.
  const isOfNames = columns === undefined && /^(?=.*\blon\b)(?=.*\blat\b).*\bdepth\b/.test(header) && metresPerUnit !== undefined;
  if (!(columns || isOfNames) || perUnit === undefined || lon === undefined || lat === undefined || depth === undefined) throw new UnknownColumns(pointTable(table));
  return pointsOf(table, { lon, lat, depth, ...(time === undefined ? {} : { time }) }, perUnit);
}

const pointTable = ({ separator, columns, firstRows, guess, metresPerUnit }: TableRows): PointTable => ({
  separator,
  columns,
  firstRows,
  guess,
  ...(metresPerUnit === undefined ? {} : { metresPerUnit }),
});

/** Soundings of a table whose columns are known. Depths that are all below zero are heights under the surface, and are turned over. */
function pointsOf(table: TableRows, columns: TableColumns, perUnit: number): { points: MarkedPlace[]; leftOut: LeftOut[] } {
  const points: MarkedPlace[] = [];
  const leftOut: LeftOut[] = [];
  const depths = table.rows.map((row) => figureOf(row.cells[columns.depth] ?? '')).filter((d) => !Number.isNaN(d));
  const sign = depths.length > 0 && depths.every((d) => d <= 0) ? -1 : 1;
  for (const { line, cells } of table.rows) {
    try {
      const of = (k: number, least: number, most: number) => figure(cells[k] ?? '', table.columns[k] ?? `column ${k + 1}`, least, most);
      const time = columns.time === undefined ? '' : (cells[columns.time] ?? '');
      const at: [number, number] = [of(columns.lon, -180, 180), of(columns.lat, -90, 90)];
      const bound = 1000 / perUnit;
      const depthM = Math.round(1000 * perUnit * sign * of(columns.depth, sign === 1 ? 0 : -bound, sign === 1 ? bound : 0)) / 1000;
      points.push({ role: 'sounding', at, depthM: depthM === 0 ? 0 : depthM, ...(isInstant(time, line) ? { time } : {}) });
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      leftOut.push({ where: `line ${line}`, why: error.message });
    }
  }
  return { points, leftOut };
}

/** Whether a time is one that can be kept; another form of it is no reason to lose the depth. */
function isInstant(time: string, line: number): boolean {
  if (time === '') return false;
  try {
    csvTime(time, line);
    return true;
  } catch {
    return false;
  }
}

function figure(cell: string, column: string, least: number, most: number): number {
  const value = figureOf(cell);
  if (Number.isNaN(value)) throw new RangeError(`${column}: expected a number, found ${cell === '' ? 'nothing' : `"${cell}"`}`);
  if (value < least || value > most) throw new RangeError(`${column}: expected ${Math.round(least)} to ${Math.round(most)}, found ${cell}`);
  return value;
}

function soundingsOf(text: string, column: string, perUnit: number): { points: MarkedPlace[]; leftOut: LeftOut[] } {
  const points: MarkedPlace[] = [];
  const leftOut: LeftOut[] = [];
  for (const { line, at } of csvRows(text, ['lon', 'lat', column])) {
    try {
      const place = [number(at('lon'), 'lon', -180, 180, line), number(at('lat'), 'lat', -90, 90, line)] as [number, number];
      const time = at('time');
      if (time !== '') csvTime(time, line);
      points.push({
        role: 'sounding',
        at: place,
        depthM: Math.round(1000 * perUnit * number(at(column), column, 0, 1000 / perUnit, line)) / 1000,
        ...(time === '' ? {} : { time }),
      });
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      leftOut.push({ where: `line ${line}`, why: `${error.message.replace(/^line \d+: /, '')}${swapHint(at)}` });
    }
  }
  return { points, leftOut };
}

const swapHint = (at: (column: string) => string) =>
  Math.abs(Number(at('lat'))) > 90 && Math.abs(Number(at('lat'))) <= 180 && Math.abs(Number(at('lon'))) <= 90 ? '; lon and lat look swapped' : '';

function number(text: string, column: string, least: number, most: number, line: number): number {
  if (/^[+-]?\d+,\d+$/.test(text)) throw new FormatError(line, `${column}: expected a decimal point, found a decimal comma in "${text}"`);
  const value = csvNumber(text, column, least, most, line);
  if (value === null) throw new FormatError(line, `${column}: expected a number, found nothing`);
  return value;
}

/** Writes places with a depth as soundings. */
export function soundingsCsv(points: readonly MarkedPlace[]): string {
  const rows = points.flatMap((p) => (p.depthM === undefined ? [] : [[p.at[0], p.at[1], p.depthM, p.time ?? ''].join(',')]));
  return ['lon,lat,depth_m,time', ...rows, ''].join('\n');
}
