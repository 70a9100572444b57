import { csvNumber, csvRows, csvTime } from './csv-rows';
import { FormatError } from './format-error';
import type { LeftOut, MarkedPlace, ReadOptions } from './places';

/**
 * Reads soundings, `lon,lat,depth_m[,time]`, or with a column `depth` whose unit is given. Rows that cannot be read are left out and listed with their line; whether to go on without
 * them is for the caller to ask. Throws FormatError for a file without the columns.
 */
export function parseSoundingsCsv(text: string, { metresPerUnit }: ReadOptions = {}): { points: MarkedPlace[]; leftOut: LeftOut[] } {
  requireCommas(text);
  const points: MarkedPlace[] = [];
  const leftOut: LeftOut[] = [];
  const [header] = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1);
  const hasOther = !/\bdepth_m\b/.test(header) && /(^|,)\s*"?depth"?\s*(,|$)/.test(header);
  if (hasOther && metresPerUnit === undefined) throw new FormatError(1, 'expected the column depth_m in metres, found depth, which does not tell its unit');
  const column = hasOther ? 'depth' : 'depth_m';
  const perUnit = hasOther ? metresPerUnit! : 1;
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

/** A header set off by semicolons goes with decimal commas: named before every row of it fails. */
function requireCommas(text: string): void {
  const [header] = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1);
  if (/^\s*"?lon"?\s*[;\t]/.test(header)) throw new FormatError(1, 'expected columns set off by commas and numbers with a decimal point, found semicolons or tabs');
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
