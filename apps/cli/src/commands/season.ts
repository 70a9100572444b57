import { foldLedger } from '@burrow/contract';
import { parseLedger } from '@burrow/contract/formats';
import { instantOf } from '@burrow/core/ledger';
import { summariseSeason } from '@burrow/core/season';
import { readArgs, readText } from '../options';

/** `burrow season F.ndjson`: effort, rates and comparisons of a ledger. */
export function season(args: string[]): void {
  const { positionals } = readArgs(args, {});
  const events = parseLedger(readText(positionals[0], 'a ledger in NDJSON'));
  const lastMs = events.reduce((ms, e) => Math.max(ms, instantOf(e.at)), 0);
  const { outings, lineMin, bites, fish, clump, comparisons } = summariseSeason(foldLedger(events), lastMs);
  const effort = { outings: outings.length, lineMin: Math.round(lineMin), bites, fish, catchesPerVisit: clump };
  const rates = comparisons.flatMap((c) => c.rows.map((row) => ({ by: c.by, of: c.count, ...row })));
  process.stdout.write(`${JSON.stringify({ effort, rates, comparisons: comparisons.map(({ by, count, finding }) => ({ by, of: count, ...finding })), outings })}\n`);
}
