import { ballBreaks, feedParticleIds } from '@burrow/core/ledger';
import { bagWeight, feedLanding, floatCapacityG, flowProfiles } from '@burrow/core/pole';
import { shotPatterns, shotPlan } from '@burrow/core/rig';
import { BadInput } from '../bad-input';
import { numberOption, readArgs, round } from '../options';

const text = { type: 'string' } as const;
const say = (answer: unknown) => process.stdout.write(`${JSON.stringify(answer)}\n`);

/** Options by name, without anything beside them. */
function options(command: string, args: string[], names: readonly string[]) {
  const { values, positionals } = readArgs(args, Object.fromEntries(names.map((n) => [n, text])));
  if (positionals.length > 0) throw new BadInput(`${command}: expected --name value pairs, found "${positionals[0]}"`);
  return values as Record<string, string | undefined>;
}

function word<W extends string>(values: Record<string, string | undefined>, name: string, allowed: readonly W[], fallback?: W): W {
  const value = values[name] ?? fallback;
  if (value === undefined || !(allowed as readonly string[]).includes(value))
    throw new BadInput(`--${name}: expected one of ${allowed.join(', ')}, found ${value === undefined ? 'nothing' : `"${value}"`}`);
  return value as W;
}

/** `burrow float --depth-m D --flow-ms U`: the capacity of float wanted. */
export function float(args: string[]): void {
  const values = options('float', args, ['depth-m', 'flow-ms']);
  say({ capacityG: round(floatCapacityG(numberOption(values, 'depth-m'), numberOption(values, 'flow-ms')), 4) });
}

/** `burrow shot --capacity-g G --depth-m D [--load-g g] [--pattern bulk|strung|bulk-droppers]`: shot for a float, and where it goes. */
export function shot(args: string[]): void {
  const values = options('shot', args, ['capacity-g', 'depth-m', 'load-g', 'pattern']);
  const pattern = word(values, 'pattern', shotPatterns, 'bulk-droppers');
  const plan = shotPlan(numberOption(values, 'capacity-g'), numberOption(values, 'depth-m'), numberOption(values, 'load-g', 0), pattern);
  say(plan);
}

/** `burrow feed --depth-m D --flow-ms U --ball-cm d --density-gcc r --break … --particle … [--profile …]`: where the food lies. */
export function feed(args: string[]): void {
  const values = options('feed', args, ['depth-m', 'flow-ms', 'ball-cm', 'density-gcc', 'break', 'particle', 'profile']);
  const landing = feedLanding({
    depthM: numberOption(values, 'depth-m'),
    flowMs: numberOption(values, 'flow-ms'),
    ballCm: numberOption(values, 'ball-cm'),
    densityGcc: numberOption(values, 'density-gcc'),
    breakAt: word(values, 'break', ballBreaks),
    particle: word(values, 'particle', feedParticleIds),
    profile: word(values, 'profile', flowProfiles, 'seventh'),
  });
  say(Object.fromEntries(Object.entries(landing).map(([key, value]) => [key, round(value, 4)])));
}

/** `burrow bag --count N --mean-g M [--sd-g S]`: what a bag weighs, with its 90 % range. */
export function bag(args: string[]): void {
  const values = options('bag', args, ['count', 'mean-g', 'sd-g']);
  const count = numberOption(values, 'count');
  if (!Number.isInteger(count)) throw new BadInput(`--count: expected a whole number of fish, found ${count}`);
  const { totalG, lowG, highG } =
    values['sd-g'] === undefined ? bagWeight(count, numberOption(values, 'mean-g')) : bagWeight(count, numberOption(values, 'mean-g'), numberOption(values, 'sd-g'));
  say({ totalG: round(totalG, 2), lowG: round(lowG, 2), highG: round(highG, 2) });
}
