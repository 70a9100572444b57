import { parseTackleCsv } from '@burrow/contract/formats';
import { tackleWays } from '@burrow/core/tackle';
import { firstToBuy, goals, whatToTieOn, type TieOnQuery } from '@burrow/core/tie-on';
import { speciesTable } from '@burrow/core/fish';
import { numberOption, readArgs, readFormat, readText, wordOption } from '../options';

/** `burrow tie-on --box F.csv --species id --temp-c T --secchi-m S --method M --goal G [--depth-m D] [--current-ms U] [--cloud C]` */
export function tieOn(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { box: text, species: text, 'temp-c': text, 'secchi-m': text, method: text, goal: text, 'depth-m': text, 'current-ms': text, cloud: text });
  const box = readFormat(values.box, parseTackleCsv, readText(values.box, 'a tackle box in CSV (--box)'));
  const query: TieOnQuery = {
    speciesId: wordOption(
      'species',
      values.species,
      speciesTable.map((s) => s.id),
    ),
    tempC: numberOption(values, 'temp-c'),
    secchiM: numberOption(values, 'secchi-m'),
    method: wordOption('method', values.method, Object.keys(tackleWays)),
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
  const rows = choices.map(({ piece, score, massG, why, rules, viewpoint }) => ({ piece, score, massG, why, rules, ...(viewpoint ? { viewpoint } : {}) }));
  process.stdout.write(`${JSON.stringify(rows)}\n`);
}
