import { foldLedger } from '@burrow/contract';
import { parseLedger, parseTackleCsv } from '@burrow/contract/formats';
import { tackleWays, type Zone } from '@burrow/core/tackle';
import { answersIn, firstToBuy, forages, goals, whatToTieOn, type TieOnQuery } from '@burrow/core/tie-on';
import { speciesTable } from '@burrow/core/fish';
import { numberOption, readArgs, readFormat, readText, wordOption } from '../options';

/** Zones as they are written, and as they are said. */
const zones = ['middle', 'near-bottom', 'bottom'] as const;
const words: Readonly<Record<Zone, string>> = { middle: 'in the middle of the water', 'near bottom': 'just over the bottom', bottom: 'on the bottom' };

/** `burrow tie-on --box F.csv --species id --temp-c T --secchi-m S --method M --goal G [--depth-m D] [--current-ms U] [--cloud C] [--zone Z] [--log F.ndjson] [--forage ID]` */
export function tieOn(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, {
    box: text,
    species: text,
    'temp-c': text,
    'secchi-m': text,
    method: text,
    goal: text,
    'depth-m': text,
    'current-ms': text,
    cloud: text,
    zone: text,
    log: text,
    forage: text,
  });
  const zone = values.zone === undefined ? null : (wordOption('zone', values.zone, zones).replace('-', ' ') as Zone);
  const method = wordOption('method', values.method, Object.keys(tackleWays));
  const box = readFormat(values.box, parseTackleCsv, readText(values.box, 'a tackle box in CSV (--box)'));
  const query: TieOnQuery = {
    speciesId: wordOption(
      'species',
      values.species,
      speciesTable.map((s) => s.id),
    ),
    tempC: numberOption(values, 'temp-c'),
    secchiM: numberOption(values, 'secchi-m'),
    method,
    zone,
    forage: values.forage === undefined ? null : wordOption('forage', values.forage, forages),
    ...(values.log === undefined
      ? {}
      : { answers: answersIn(foldLedger(readFormat(values.log, parseLedger, readText(values.log, 'a ledger in NDJSON (--log)'))).outings, method) }),
    goal: wordOption('goal', values.goal, goals),
    depthM: values['depth-m'] === undefined ? null : numberOption(values, 'depth-m'),
    currentMs: values['current-ms'] === undefined ? 0 : numberOption(values, 'current-ms'),
    cloud: values.cloud === undefined ? null : numberOption(values, 'cloud'),
  };
  const choices = whatToTieOn(box, query);
  if (choices.length === 0) {
    const { family, massG, sizeMm, colour } = firstToBuy(query);
    process.stderr.write(`burrow: nothing in the box is for ${query.method}: first a ${family.name.toLowerCase()} (${family.id}), about ${massG} g and ${sizeMm} mm, ${colour}\n`);
  }
  if (zone !== null && choices.length > 0 && choices[0].zone !== zone) {
    const { family } = firstToBuy(query);
    process.stderr.write(`burrow: nothing in the box works ${words[zone]}: first a ${family.name.toLowerCase()} (${family.id})\n`);
  }
  const rows = choices.map(({ piece, score, zone: at, massG, why, rules, viewpoint }) => ({
    piece,
    score,
    zone: at.replace(' ', '-'),
    massG,
    why,
    rules,
    ...(viewpoint ? { viewpoint } : {}),
  }));
  process.stdout.write(`${JSON.stringify(rows)}\n`);
}
