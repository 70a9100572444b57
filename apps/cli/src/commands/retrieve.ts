import { fishSeen, retrieveAfters, retrieveBeds, retrieveOf } from '@burrow/core/casting';
import { tackleFamilies } from '@burrow/core/tackle';
import { goals } from '@burrow/core/tie-on';
import { readArgs, round, within, wordOption } from '../options';

/** `burrow retrieve --family id --temp-c T --depth-m D [--bed rock|mud|gravel|weed] [--seen chase|follow|ignore|none] [--goal G] [--after cast|touch|miss|fish]` */
export function retrieve(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { family: text, 'temp-c': text, 'depth-m': text, bed: text, seen: text, goal: text, after: text });
  const said = <W extends string>(name: 'bed' | 'seen' | 'goal' | 'after', allowed: readonly W[]) =>
    values[name] === undefined ? undefined : wordOption(name, values[name], allowed);
  const { cadence, does, onBed, depthM, pauseS, paceSPerM, rules } = retrieveOf({
    family: wordOption(
      'family',
      values.family,
      tackleFamilies.map((f) => f.id),
    ),
    tempC: within(values, 'temp-c', -2, 40),
    depthM: within(values, 'depth-m', 0.3, 100),
    bed: said('bed', retrieveBeds) ?? null,
    seen: said('seen', fishSeen),
    goal: said('goal', goals),
    after: said('after', retrieveAfters),
  });
  const where = onBed ? { onBed } : { depthM: round(depthM!, 2) };
  process.stdout.write(`${JSON.stringify({ cadence: cadence.id, does, ...where, pauseS: pauseS.map((s) => round(s, 1)), paceSPerM: round(paceSPerM, 2), rules })}\n`);
}
