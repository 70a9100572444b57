import { ballBreaks, feedParticleIds } from '@burrow/core/ledger';
import { bagWeight, feedLanding, floatCapacityG, flowProfiles, nextBallFor } from '@burrow/core/pole';
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

/** `burrow float --depth-m D --flow-ms U [--wind-ms W --reach-m R]`: the capacity of float wanted. */
export function float(args: string[]): void {
  const values = options('float', args, ['depth-m', 'flow-ms', 'wind-ms', 'reach-m']);
  const [hasWind, hasReach] = [values['wind-ms'] !== undefined, values['reach-m'] !== undefined];
  if (hasWind !== hasReach) throw new BadInput(`--${hasWind ? 'reach-m' : 'wind-ms'}: expected beside --${hasWind ? 'wind-ms' : 'reach-m'}, found nothing`);
  const wind = hasWind ? { windMs: numberOption(values, 'wind-ms'), reachM: numberOption(values, 'reach-m') } : null;
  say({ capacityG: round(floatCapacityG(numberOption(values, 'depth-m'), numberOption(values, 'flow-ms'), wind), 4) });
}

/** `burrow shot --capacity-g G --depth-m D [--load-g g] [--pattern bulk|strung|strung-dropper|bulk-droppers]`: shot for a float, and where it goes. */
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

/**
 * `burrow next-ball --depth-m D --flow-ms U --run-m L [--last surface|half|bottom|never --blank-min N] [--fish unfed|used] [--temp-c T]`: how many balls, how hard, and
 * where they are dropped, m along the flow from where the float is laid in.
 */
export function nextBall(args: string[]): void {
  const values = options('next-ball', args, ['depth-m', 'flow-ms', 'run-m', 'last', 'blank-min', 'fish', 'temp-c']);
  if ((values.last === undefined) !== (values['blank-min'] === undefined)) throw new BadInput('--last and --blank-min: expected both or neither');
  const blankMin = values.last === undefined ? 0 : numberOption(values, 'blank-min');
  if (blankMin < 0) throw new BadInput(`--blank-min: expected 0 or more, found ${blankMin}`);
  const next = nextBallFor({
    depthM: numberOption(values, 'depth-m'),
    flowMs: numberOption(values, 'flow-ms'),
    runM: numberOption(values, 'run-m'),
    last: values.last === undefined ? null : { breaks: word(values, 'last', ballBreaks), blankMin },
    habit: word(values, 'fish', ['unfed', 'used'] as const, 'unfed'),
    ...(values['temp-c'] === undefined ? {} : { tempC: numberOption(values, 'temp-c') }),
  });
  const figure = (value: number | null) => (value === null ? null : round(value, 3));
  say({
    balls: next.balls,
    break: next.break,
    dropM: figure(next.dropM),
    gravel: next.hasGravel,
    shareOnRun: figure(next.shareOnRun),
    fedFromM: figure(next.fedFromM),
    fedToM: figure(next.fedToM),
    way: next.way,
    why: next.why,
  });
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
