import { parse } from 'csv-parse/sync';
import { FormatError } from './format-error';

/** Which column of a table holds what, counted from 0. */
export interface TableColumns {
  lon: number;
  lat: number;
  depth: number;
  /** Absent where the table has none. */
  time?: number;
}

const separators = [';', '\t', ','] as const;
const separatorNames = { ';': 'semicolons', '\t': 'tabs', ',': 'commas' } as const;

/** A table of points as it was found in a file, whose columns nobody has named in the words of the format. */
export interface PointTable {
  /** What sets its cells off. */
  separator: (typeof separators)[number];
  /** Names of its columns: those of its header, or their numbers. */
  columns: string[];
  /** First rows, as written. */
  firstRows: string[][];
  /** What its columns look like; undefined where that cannot be told. */
  guess: Partial<TableColumns>;
  /** The unit that the name of the depths tells, in metres. */
  metresPerUnit?: number;
}

/** All rows of a table, with the line each stands on. */
export interface TableRows extends PointTable {
  rows: { line: number; cells: string[] }[];
  hasDecimalComma: boolean;
}

/** The columns of a table are not those of the format: which they are has to be said. */
export class UnknownColumns extends FormatError {
  constructor(readonly table: PointTable) {
    const { columns, firstRows, guess, separator } = table;
    const isOfNames = separator === ',' && ['lon', 'lat', 'depth'].every((name) => columns.includes(name));
    const isOurs = ['lon', 'lat', 'depth_m'].every((name) => columns.includes(name));
    const found = firstRows[0] ? `, in the first row ${firstRows[0].join(' | ')}` : '';
    super(
      1,
      isOfNames
        ? 'expected the column depth_m in metres, found depth, which does not tell its unit'
        : isOurs
          ? `expected columns set off by commas and numbers with a decimal point, found ${separatorNames[separator]}${found}`
          : `expected the columns lon, lat, depth_m set off by commas and numbers with a decimal point, found ${columns.join(', ')} set off by ${separatorNames[separator]}${found}${guess.depth === undefined ? '; which of them is the depth is not clear' : ''}`,
    );
  }
}

const shownRows = 5;

const named: Record<keyof TableColumns, RegExp> = {
  lon: /^(x|lon(g|gitude)?|lng|easting|point_x)\b/i,
  lat: /^(y|lat(itude)?|northing|point_y)\b/i,
  depth: /^(z|depth|tiefe|djup|syvyys|profondeur|prof|profundidad|depth.*|sounding|elev.*|height)\b/i,
  time: /^(time|date.?time|timestamp|zeit|utc)\b/i,
};

/** Reads a table set off by semicolons, tabs or commas, numbers with a point or a comma, with a header or without. Throws FormatError for text that is none. */
export function readTable(text: string): TableRows {
  const separator = separatorOf(text);
  const read = linesOf(text, separator);
  if (read.length === 0) throw new FormatError(1, 'expected a table of points, found an empty file');
  const width = Math.max(...read.slice(0, 50).map((r) => r.cells.length));
  if (width < 3) throw new FormatError(read[0].line, `expected at least three columns (longitude, latitude, depth), found ${width}`);
  const hasHeader = read[0].cells.every((cell) => Number.isNaN(figureOf(cell)));
  const columns = Array.from({ length: width }, (_, k) => (hasHeader && read[0].cells[k]) || `column ${k + 1}`);
  const rows = hasHeader ? read.slice(1) : read;
  const guess: Partial<TableColumns> = {};
  for (const [what, name] of Object.entries(named) as [keyof TableColumns, RegExp][]) {
    const at = columns.findIndex((c) => name.test(c));
    if (hasHeader && at >= 0) guess[what] = at;
  }
  const metresPerUnit = guess.depth === undefined ? undefined : unitOf(columns[guess.depth]);
  return {
    separator,
    columns,
    firstRows: rows.slice(0, shownRows).map((r) => r.cells),
    guess,
    ...(metresPerUnit === undefined ? {} : { metresPerUnit }),
    rows,
    hasDecimalComma: separator !== ',' && rows.some((r) => r.cells.some((c) => /^[+-]?\d+,\d+$/.test(c))),
  };
}

/** The unit in a name such as "depth_ft" or "Depth (m)", in metres. */
function unitOf(name: string): number | undefined {
  const unit = /[_ (/[](m|metres?|meters?|ft|feet|cm|fathoms?)\b/i.exec(name)?.[1].toLowerCase();
  if (unit === undefined) return undefined;
  return unit.startsWith('fa') ? 1.8288 : unit.startsWith('f') ? 0.3048 : unit === 'cm' ? 0.01 : 1;
}

/** What sets the cells off: that of which the first lines hold the most, the same number each. */
function separatorOf(text: string): (typeof separators)[number] {
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, 10);
  return separators.find((s) => lines.length > 0 && lines.every((line) => line.split(s).length >= 3)) ?? ',';
}

function linesOf(text: string, delimiter: string): { line: number; cells: string[] }[] {
  try {
    const rows = parse(text, { bom: true, info: true, delimiter, relax_column_count: true, skip_empty_lines: true }) as unknown as { record: string[]; info: { lines: number } }[];
    return rows.map(({ record, info }) => ({ line: info.lines, cells: record.map((cell) => cell.trim()) }));
  } catch (error) {
    throw new FormatError((error as { lines?: number }).lines ?? null, `expected a table of points: ${(error as Error).message}`);
  }
}

/** A figure with a decimal point or a decimal comma; NaN for what is none. */
export const figureOf = (cell: string): number => (/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN);
