import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { catchesCsv, gpxText, ledgerText, parseLedger, placesGeoJson, readPlaces, soundingsCsv } from '@burrow/contract/formats';
import { foldLedger } from '@burrow/contract';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText } from '../options';

const endings = ['gpx', 'geojson', 'csv', 'ndjson'] as const;

/** `burrow convert IN OUT [--leave-out]`: places between GPX, GeoJSON and soundings CSV; a ledger to catches CSV or in order. */
export function convert(args: string[]): void {
  const { values, positionals } = readArgs(args, { 'leave-out': { type: 'boolean' } });
  const [from, to] = positionals;
  if (from === undefined || to === undefined) throw new BadInput('convert: expected IN and OUT, found fewer');
  const [kind, wanted] = [endingOf(from), endingOf(to)];
  if (kind === 'ndjson') {
    if (wanted !== 'csv' && wanted !== 'ndjson') throw new BadInput(`convert: expected a ledger .ndjson to go to .csv or .ndjson, found ${to}`);
    const events = parseLedger(readText(from, 'a ledger in NDJSON'));
    return writeWhole(to, wanted === 'csv' ? catchesCsv(foldLedger(events)) : ledgerText(events));
  }
  if (wanted === 'ndjson') throw new BadInput(`convert: expected places to go to .gpx, .geojson or .csv, found ${to}`);
  const { leftOut, ...places } = readFormat(from, (text) => readPlaces(from, text), readText(from, `places in .${kind}`));
  // Nothing is left out unasked.
  if (leftOut.length > 0 && values['leave-out'] !== true) {
    const shown = leftOut.slice(0, 5).map((l) => `${l.where}: ${l.why}`);
    const more = leftOut.length > 5 ? ` and ${leftOut.length - 5} more` : '';
    throw new BadInput(`${from}: ${shown.join('; ')}${more}. Add --leave-out to go on without them`);
  }
  for (const { where, why } of leftOut) process.stderr.write(`burrow: ${from}: ${where}: left out, ${why}\n`);
  if (wanted === 'csv') {
    const lost = places.points.filter((p) => p.depthM === undefined).length + places.tracks.length;
    if (lost > 0) process.stderr.write(`burrow: ${to}: ${lost} places without a depth or tracks have no row in soundings\n`);
  }
  writeWhole(to, wanted === 'gpx' ? gpxText(places) : wanted === 'geojson' ? placesGeoJson(places) : soundingsCsv(places.points));
}

function endingOf(path: string): (typeof endings)[number] {
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
