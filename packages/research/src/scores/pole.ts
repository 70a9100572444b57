import { afterQuiet, byAdvice, eachHalfHour, farOnly, fishDay, oracle, type Choice } from '../pole/anglers';
import { ratioOf } from './ratio';

/** Days scored, and days that the rule of thumb is chosen on: other seeds. */
const scored = { first: 800_000, days: 200 };
const tuned = { first: 4_000, days: 60 };

const days = (choice: Choice, first: number, count: number) => Array.from({ length: count }, (_, k) => fishDay(first + k, choice));
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** Which swim by advice, against each half hour, the far swim alone, and the best rule of quiet minutes; an oracle beside. */
export function scorePole(args: readonly string[]): boolean {
  const count = args[0] === undefined ? scored.days : Number(args[0]);
  if (!(count >= 2)) throw new RangeError(`score pole: expected a number of days, found "${args[0]}"`);
  const rules = [5, 8, 10, 15, 20, 30].map((minutes) => ({ minutes, mean: mean(days(afterQuiet(minutes), tuned.first, tuned.days)) }));
  const best = rules.reduce((a, b) => (b.mean > a.mean ? b : a));
  const of = days(byAdvice, scored.first, count);
  const rows: [string, number[], number][] = [
    ['each half hour', days(eachHalfHour, scored.first, count), 1],
    [`after ${best.minutes} quiet minutes, the best of the rules on other days`, days(afterQuiet(best.minutes), scored.first, count), 0.95],
    ['the far swim alone', days(farOnly, scored.first, count), 0],
    ['an oracle', days(oracle, scored.first, count), 0],
  ];
  process.stdout.write(`by advice ${mean(of).toFixed(2)} fish a day of four hours\n`);
  let isMet = true;
  for (const [name, against, least] of rows) {
    const { ratio, low, high } = ratioOf(of, against);
    const asked =
      least === 0 ? 'shown only' : least === 1 ? `asked: lower bound above 1 ${low > 1 ? 'met' : 'SHORT'}` : `asked: at least ${least} ${ratio >= least ? 'met' : 'SHORT'}`;
    if (least === 1) isMet &&= low > 1;
    else if (least > 0) isMet &&= ratio >= least;
    process.stdout.write(`  against ${name} (${mean(against).toFixed(2)}): ${ratio.toFixed(3)}, 95 % ${low.toFixed(3)} to ${high.toFixed(3)}; ${asked}\n`);
  }
  return isMet;
}
