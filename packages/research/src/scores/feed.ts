import { eachHalfHourABall, fedByAdvice, fedWaters, fishFedRun, neverFed, type Feeding, type FedWater } from '../pole/fed-water';
import { ratioOf } from './ratio';

/** Days scored; and what the lower bound against the better of the two others is to reach. */
const scored = { first: 910_000, days: 300, least: 1.1 };

const days = (water: FedWater, feeding: Feeding, count: number) => Array.from({ length: count }, (_, k) => fishFedRun(scored.first + k, water, feeding));
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** Feeding by advice against one ball each half hour and against none, in three kinds of water. */
export function scoreFeed(args: readonly string[]): boolean {
  const count = args[0] === undefined ? scored.days : Number(args[0]);
  if (!(count >= 2)) throw new RangeError(`score feed: expected a number of days, found "${args[0]}"`);
  return fedWaters
    .map((water) => {
      const of = days(water, fedByAdvice, count);
      const others: [string, number[]][] = [
        ['a ball each half hour', days(water, eachHalfHourABall, count)],
        ['none', days(water, neverFed, count)],
      ];
      const [name, against] = mean(others[0][1]) >= mean(others[1][1]) ? others[0] : others[1];
      const { ratio, low, high } = ratioOf(of, against);
      const isMet = low >= scored.least;
      process.stdout.write(
        `${water.name}: by advice ${mean(of).toFixed(2)} bites in four hours, ${others.map(([n, b]) => `${n} ${mean(b).toFixed(2)}`).join(', ')}; against ${name} ${ratio.toFixed(3)}, 95 % ${low.toFixed(3)} to ${high.toFixed(3)}; asked: lower bound at least ${scored.least} ${isMet ? 'met' : 'SHORT'}\n`,
      );
      return isMet;
    })
    .every(Boolean);
}
