import { renameSync, rmSync, writeFileSync } from 'node:fs';
import {
  catchesCsv,
  FormatError,
  gpxText,
  ledgerText,
  parseLedger,
  placesGeoJson,
  readPlaces,
  readTable,
  shoreAmong,
  soundingsCsv,
  UnknownColumns,
  type LeftOut,
  type Places,
  type ReadOptions,
  type TableColumns,
} from '@burrow/contract/formats';
import { foldLedger } from '@burrow/contract';
import { depthUnits, type DepthUnit } from '@burrow/core/ground';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText } from '../options';

const readable = ['gpx', 'kml', 'nmea', 'geojson', 'csv', 'tsv', 'txt', 'xyz', 'ndjson'] as const;
const writable = ['gpx', 'geojson', 'csv', 'ndjson'] as const;

/**
 * `burrow convert IN OUT [--leave-out] [--depth-unit m|ft|cm|fathom] [--columns lon=NAME,lat=NAME,depth=NAME[,time=NAME]] [--outline]`: places between GPX, KML, NMEA logs, GeoJSON and soundings CSV, a closed way or
 * polygon among them as the shore; a ledger to catches CSV or in order.
 */
export function convert(args: string[]): void {
  const { values, positionals } = readArgs(args, { 'leave-out': { type: 'boolean' }, 'depth-unit': { type: 'string' }, columns: { type: 'string' }, outline: { type: 'boolean' } });
  const [from, to, more] = positionals;
  if (from === undefined || to === undefined) throw new BadInput('convert: expected IN and OUT, found fewer');
  if (more !== undefined) throw new BadInput(`convert: expected IN and OUT, found "${more}" as well`);
  const [kind, wanted] = [endingOf(from, readable), endingOf(to, writable)];
  const unit = depthUnitOf(values['depth-unit']);
  if (kind === 'ndjson') return convertLedger(from, to, wanted);
  if (wanted === 'ndjson') throw new BadInput(`convert: expected places to go to .gpx, .geojson or .csv, found ${to}`);
  const takesShore = values.outline === true;
  if (takesShore && wanted !== 'geojson') throw new BadInput(`--outline: expected to go to .geojson, which has shores, found ${to}`);
  const text = readText(from, `places in .${kind}`);
  const { leftOut, ...read } = readFormat(
    from,
    (t) =>
      placesOf(from, t, {
        ...(unit === null ? {} : { metresPerUnit: depthUnits[unit] }),
        ...(values.columns === undefined ? {} : { columns: columnsOf(from, text, values.columns) }),
      }),
    text,
  );
  // A log of a sounder has its bad sentences by nature; elsewhere nothing is left out unasked.
  if (leftOut.length > 0 && values['leave-out'] !== true && kind !== 'nmea') throw new BadInput(`${from}: ${leftOutWords(leftOut, unit !== null)}`);
  const shore = takesShore ? shoreAmong(read) : null;
  if (shore && 'why' in shore) throw new BadInput(`${from}: --outline: ${shore.why}`);
  for (const { where, why } of leftOut) process.stderr.write(`burrow: ${from}: ${where}: left out, ${why}\n`);
  const places = shore ? shore.rest : read;
  warnOfLost(from, to, places, { hasShore: shore !== null, toSoundings: wanted === 'csv' });
  writeWhole(to, wanted === 'gpx' ? gpxText(places) : wanted === 'geojson' ? placesGeoJson(places, shore?.shore) : soundingsCsv(places.points));
}

function depthUnitOf(said: string | undefined): DepthUnit | null {
  if (said === undefined) return null;
  if (!Object.hasOwn(depthUnits, said)) throw new BadInput(`--depth-unit: expected ${Object.keys(depthUnits).join(', ')}, found "${said}"`);
  return said as DepthUnit;
}

/** A ledger in order, or its fish as a table. */
function convertLedger(from: string, to: string, wanted: (typeof writable)[number]): void {
  if (wanted !== 'csv' && wanted !== 'ndjson') throw new BadInput(`convert: expected a ledger .ndjson to go to .csv or .ndjson, found ${to}`);
  const events = parseLedger(readText(from, 'a ledger in NDJSON'));
  if (wanted === 'ndjson') return writeWhole(to, ledgerText(events));
  writeWhole(to, catchesCsv(foldLedger(events)));
  const others = events.filter((e) => !e.kind.startsWith('fish-')).length;
  if (others > 0) process.stderr.write(`burrow: ${to}: the fish alone, ${others} entries of other kinds have no row in it\n`);
}

/** What cannot be read, and how to go on. */
function leftOutWords(leftOut: readonly LeftOut[], isUnitSaid: boolean): string {
  const shown = leftOut.slice(0, 5).map((l) => `${l.where}: ${l.why}`);
  const others = leftOut.length > 5 ? ` and ${leftOut.length - 5} more` : '';
  const saysUnit = !isUnitSaid && leftOut.some((l) => l.why.includes('tell'));
  return `${shown.join('; ')}${others}. Add --leave-out to go on without them${saysUnit ? ', or --depth-unit to say the unit' : ''}`;
}

/** What of the places does not come along: polygons that are no shore, and in soundings what has no depth. */
function warnOfLost(from: string, to: string, places: Places, { hasShore, toSoundings }: { hasShore: boolean; toSoundings: boolean }): void {
  const passedOver = (places.shores ?? []).length;
  if (passedOver > 0)
    process.stderr.write(
      `burrow: ${from}: ${passedOver} ${passedOver === 1 ? 'polygon' : 'polygons'} left out: ${hasShore ? 'another is the shore' : 'only --outline takes one, as the shore'}\n`,
    );
  const lost = toSoundings ? places.points.filter((p) => p.depthM === undefined).length + places.tracks.length : 0;
  if (lost > 0) process.stderr.write(`burrow: ${to}: ${lost} places without a depth or tracks have no row in soundings\n`);
}

/** The places of a file; of a table whose columns have to be said, how to say them. */
function placesOf(from: string, text: string, options: ReadOptions): ReturnType<typeof readPlaces> {
  try {
    return readPlaces(from, text, options);
  } catch (error) {
    if (!(error instanceof UnknownColumns)) throw error;
    const { columns, metresPerUnit } = error.table;
    const unit = metresPerUnit === undefined ? ' and --depth-unit m, ft, cm or fathom' : '';
    throw new FormatError(1, `${error.message.replace(/^line 1: /, '')}. Say which they are with --columns lon=${columns[0]},lat=${columns[1]},depth=${columns[2]}${unit}`);
  }
}

/** Columns by name or by number from 1, as `lon=X,lat=Y,depth=Z`. Throws for names that the table has not. */
function columnsOf(from: string, text: string, said: string): TableColumns {
  const { columns } = readFormat(from, readTable, text);
  const found = new Map<string, number>();
  for (const part of said.split(',')) {
    const [what, name] = part.split('=').map((s) => s.trim());
    const at = columns.includes(name) ? columns.indexOf(name) : /^\d+$/.test(name ?? '') ? Number(name) - 1 : -1;
    if (!['lon', 'lat', 'depth', 'time'].includes(what)) throw new BadInput(`--columns: expected lon=, lat=, depth= and time=, found "${part}"`);
    if (at < 0 || at >= columns.length) throw new BadInput(`--columns: expected one of ${columns.join(', ')}, or its number, found "${name ?? ''}"`);
    found.set(what, at);
  }
  const [lon, lat, depth, time] = ['lon', 'lat', 'depth', 'time'].map((what) => found.get(what));
  if (lon === undefined || lat === undefined || depth === undefined) throw new BadInput(`--columns: expected lon=, lat= and depth=, found "${said}"`);
  return { lon, lat, depth, ...(time === undefined ? {} : { time }) };
}

function endingOf<E extends string>(path: string, endings: readonly E[]): E {
  const ending = endings.find((e) => path.toLowerCase().endsWith(`.${e}`));
  if (!ending) throw new BadInput(`convert: expected a file ending in ${endings.map((e) => `.${e}`).join(', ')}, found ${path}`);
  return ending;
}

/** Writes beside the target and renames, so that nothing is half-written. */
function writeWhole(path: string, text: string): void {
  const part = `${path}.part`;
  try {
    writeFileSync(part, text);
    renameSync(part, path);
  } catch (error) {
    rmSync(part, { force: true });
    throw new BadInput(`${path}: could not write it (${(error as NodeJS.ErrnoException).code})`);
  }
}
