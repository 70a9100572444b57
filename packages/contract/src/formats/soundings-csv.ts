import { csvNumber, csvRows, csvTime } from './csv-rows';
import { FormatError } from './format-error';
import type { LeftOut, MarkedPlace } from './places';

/**
 * Reads soundings, `lon,lat,depth_m[,time]`. Rows that cannot be read are left out and listed with their line; whether to go on without
 * them is for the caller to ask. Throws FormatError for a file without the columns.
 */
export function parseSoundingsCsv(text: string): { points: MarkedPlace[]; leftOut: LeftOut[] } {
  requireCommas(text);
  const points: MarkedPlace[] = [];
  const leftOut: LeftOut[] = [];
  for (const { line, at } of csvRows(text, ['lon', 'lat', 'depth_m'])) {
    try {
      const place = [number(at('lon'), 'lon', -180, 180, line), number(at('lat'), 'lat', -90, 90, line)] as [number, number];
      const time = at('time');
      if (time !== '') csvTime(time, line);
      points.push({ role: 'sounding', at: place, depthM: number(at('depth_m'), 'depth_m', 0, 1000, line), ...(time === '' ? {} : { time }) });
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
