import { foldLedger } from '@burrow/contract';
import { parseLedger } from '@burrow/contract/formats';
import { instantOf } from '@burrow/core/ledger';
import { visitsOf, type TakeStep, type Visit } from '@burrow/core/visits';
import { LineWriter } from '../line-writer';
import { readArgs, readText, round } from '../options';

const iso = (ms: number) => new Date(ms).toISOString();

/** `burrow visits F.ndjson`: each stay at a station, a line a visit, with every fish that came there. */
export async function visits(args: string[]): Promise<void> {
  const { positionals } = readArgs(args, {});
  const events = parseLedger(readText(positionals[0], 'a ledger in NDJSON'));
  const lastMs = events.reduce((ms, e) => Math.max(ms, instantOf(e.at)), 0);
  const out = new LineWriter(process.stdout);
  for (const outing of foldLedger(events).outings) for (const visit of visitsOf(outing, lastMs)) await out.write(JSON.stringify(visitLine(visit)));
  await out.end();
}

function visitLine({ outing, station, method, fromMs, toMs, minutes, casts, takes, answers }: Visit): object {
  return {
    outing,
    station,
    method,
    from: iso(fromMs),
    to: toMs === null ? null : iso(toMs),
    minutes: round(minutes, 6),
    casts: casts.length,
    takes: takes.map((take) => ({
      at: iso(take.ms),
      ...(take.line === null ? {} : { line: take.line }),
      steps: Object.fromEntries(Object.entries(take.steps).map(([step, ms]) => [step as TakeStep, iso(ms)])),
      ...(take.fish ? { species: take.fish.species } : {}),
    })),
    answers,
  };
}
