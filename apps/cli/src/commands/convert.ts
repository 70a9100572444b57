import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { catchesCsv, ledgerText, parseLedger } from '@burrow/contract/formats';
import { fold } from '@burrow/core/ledger';
import { BadInput } from '../bad-input';
import { readArgs, readText } from '../options';

/** `burrow convert IN OUT`: ledger NDJSON to catches CSV, or to an ordered ledger. */
export function convert(args: string[]): void {
  const { positionals } = readArgs(args, {});
  const [from, to] = positionals;
  if (from === undefined || to === undefined) throw new BadInput('convert: expected IN and OUT, found fewer');
  if (!from.endsWith('.ndjson') || !/\.(csv|ndjson)$/.test(to)) {
    throw new BadInput(`convert: expected a ledger .ndjson to .csv or .ndjson, found ${from} to ${to}; gpx and geojson are not built yet`);
  }
  const events = parseLedger(readText(from, 'a ledger in NDJSON'));
  writeWhole(to, to.endsWith('.csv') ? catchesCsv(fold(events)) : ledgerText(events));
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
