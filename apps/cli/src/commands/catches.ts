import { foldLedger } from '@burrow/contract';
import { catchesCsv, parseLedger } from '@burrow/contract/formats';
import { readArgs, readText } from '../options';

/** `burrow catches F.ndjson`: the fish of a ledger as CSV, a row each. */
export function catches(args: string[]): void {
  const { positionals } = readArgs(args, {});
  process.stdout.write(catchesCsv(foldLedger(parseLedger(readText(positionals[0], 'a ledger in NDJSON')))));
}
