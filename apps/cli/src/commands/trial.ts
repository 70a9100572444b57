import { foldLedger } from '@burrow/contract';
import { parseLedger } from '@burrow/contract/formats';
import { instantOf } from '@burrow/core/ledger';
import { presentationsOf, trialOf } from '@burrow/core/season';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText, round } from '../options';

/** `burrow trial F.ndjson [--between A,B]`: which of two presentations fish take better, as far as the log is sure. Without `--between` the two fished most. */
export function trial(args: string[]): void {
  const { values, positionals } = readArgs(args, { between: { type: 'string' } });
  const events = readFormat(positionals[0], parseLedger, readText(positionals[0], 'a ledger in NDJSON'));
  const { outings } = foldLedger(events);
  const lastMs = events.reduce((ms, e) => Math.max(ms, instantOf(e.at)), 0);
  const known = presentationsOf(outings);
  const between = values.between === undefined ? known.slice(0, 2) : namedIn(values.between, known);
  if (between.length < 2) throw new BadInput(`${positionals[0]}: expected two presentations to compare, found ${known.length === 0 ? 'none' : known.join(', ')}`);
  const { verdict, best, evidence, looks, visits } = trialOf(outings, [between[0], between[1]], lastMs);
  process.stdout.write(`${JSON.stringify({ verdict, ...(best === null ? {} : { best }), evidence: round(evidence, 3), looks, visits })}\n`);
}

/** The two names in `A,B`, where a name may hold a comma of its own. */
function namedIn(text: string, known: readonly string[]): string[] {
  const pair = known.flatMap((a) => known.filter((b) => b !== a && text === `${a},${b}`).map((b) => [a, b])).at(0);
  if (pair) return pair;
  const unknown = text.split(',').find((name) => !known.includes(name));
  throw new BadInput(`--between: expected two of ${known.join('; ')}, found "${unknown ?? text}"`);
}
