import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { catchesCsv, gpxText, ledgerText, parseLedger, placesGeoJson, readPlaces, shoreAmong, soundingsCsv } from '@burrow/contract/formats';
import { foldLedger } from '@burrow/contract';
import { depthUnits, type DepthUnit } from '@burrow/core/ground';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText } from '../options';

const readable = ['gpx', 'kml', 'nmea', 'geojson', 'csv', 'ndjson'] as const;
const writable = ['gpx', 'geojson', 'csv', 'ndjson'] as const;

/**
 * `burrow convert IN OUT [--leave-out] [--depth-unit m|ft|cm|fathom] [--outline]`: places between GPX, KML, NMEA logs, GeoJSON and soundings CSV, a closed way or
 * polygon among them as the shore; a ledger to catches CSV or in order.
 */
export function convert(args: string[]): void {
  const { values, positionals } = readArgs(args, { 'leave-out': { type: 'boolean' }, 'depth-unit': { type: 'string' }, outline: { type: 'boolean' } });
  const [from, to, more] = positionals;
  if (from === undefined || to === undefined) throw new BadInput('convert: expected IN and OUT, found fewer');
  if (more !== undefined) throw new BadInput(`convert: expected IN and OUT, found "${more}" as well`);
  const [kind, wanted] = [endingOf(from, readable), endingOf(to, writable)];
  const unit = values['depth-unit'];
  if (unit !== undefined && !Object.hasOwn(depthUnits, unit)) throw new BadInput(`--depth-unit: expected ${Object.keys(depthUnits).join(', ')}, found "${unit}"`);
  if (kind === 'ndjson') {
    if (wanted !== 'csv' && wanted !== 'ndjson') throw new BadInput(`convert: expected a ledger .ndjson to go to .csv or .ndjson, found ${to}`);
    const events = parseLedger(readText(from, 'a ledger in NDJSON'));
    if (wanted === 'ndjson') return writeWhole(to, ledgerText(events));
    writeWhole(to, catchesCsv(foldLedger(events)));
    const others = events.filter((e) => !e.kind.startsWith('fish-')).length;
    if (others > 0) process.stderr.write(`burrow: ${to}: the fish alone, ${others} entries of other kinds have no row in it\n`);
    return;
  }
  if (wanted === 'ndjson') throw new BadInput(`convert: expected places to go to .gpx, .geojson or .csv, found ${to}`);
  if (values.outline === true && wanted !== 'geojson') throw new BadInput(`--outline: expected to go to .geojson, which has shores, found ${to}`);
  const options = unit === undefined ? {} : { metresPerUnit: depthUnits[unit as DepthUnit] };
  const { leftOut, ...read } = readFormat(from, (text) => readPlaces(from, text, options), readText(from, `places in .${kind}`));
  // A log of a sounder has its bad sentences by nature; elsewhere nothing is left out unasked.
  if (leftOut.length > 0 && values['leave-out'] !== true && kind !== 'nmea') {
    const shown = leftOut.slice(0, 5).map((l) => `${l.where}: ${l.why}`);
    const others = leftOut.length > 5 ? ` and ${leftOut.length - 5} more` : '';
    throw new BadInput(
      `${from}: ${shown.join('; ')}${others}. Add --leave-out to go on without them${leftOut.some((l) => l.why.includes('tell')) && unit === undefined ? ', or --depth-unit to say the unit' : ''}`,
    );
  }
  const shore = values.outline === true ? shoreAmong(read) : null;
  if (shore && 'why' in shore) throw new BadInput(`${from}: --outline: ${shore.why}`);
  for (const { where, why } of leftOut) process.stderr.write(`burrow: ${from}: ${where}: left out, ${why}\n`);
  const places = shore ? shore.rest : read;
  const passedOver = (places.shores ?? []).length;
  if (passedOver > 0)
    process.stderr.write(
      `burrow: ${from}: ${passedOver} ${passedOver === 1 ? 'polygon' : 'polygons'} left out: ${shore ? 'another is the shore' : 'only --outline takes one, as the shore'}\n`,
    );
  if (wanted === 'csv') {
    const lost = places.points.filter((p) => p.depthM === undefined).length + places.tracks.length;
    if (lost > 0) process.stderr.write(`burrow: ${to}: ${lost} places without a depth or tracks have no row in soundings\n`);
  }
  writeWhole(to, wanted === 'gpx' ? gpxText(places) : wanted === 'geojson' ? placesGeoJson(places, shore?.shore) : soundingsCsv(places.points));
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
