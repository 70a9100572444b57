import { allMiddle, bareRule, bySpread, trollDay, type SetLines, type Where } from '../troll/day';
import { ratioOf } from './ratio';

const scored = { first: 880_000, days: 200 };
const lines = 4;

const days = (set: SetLines, where: Where, count: number) => Array.from({ length: count }, (_, k) => trollDay(scored.first + k, lines, where, set));

/** Bites of four lines spread by what bit, against all of them at mid-band, with fish anywhere and with fish mostly near the middle; a bare rule beside. */
export function scoreTroll(args: readonly string[]): boolean {
  const count = args[0] === undefined ? scored.days : Number(args[0]);
  if (!(count >= 2)) throw new RangeError(`score troll: expected a number of days, found "${args[0]}"`);
  let isMet = true;
  for (const [where, least] of [
    ['anywhere', 1.3],
    ['middle', 1],
  ] as const) {
    const of = days(bySpread, where, count);
    const { ratio, low, high } = ratioOf(of, days(allMiddle, where, count));
    const bare = ratioOf(of, days(bareRule, where, count));
    isMet &&= low >= least;
    process.stdout.write(
      `fish ${where === 'middle' ? 'mostly near the middle' : 'anywhere'}: ${ratio.toFixed(2)} × all lines at mid-band, 95 % ${low.toFixed(2)} to ${high.toFixed(2)}; asked: lower bound at least ${least} ${low >= least ? 'met' : 'SHORT'}\n` +
        `  against "three bites, all there": ${bare.ratio.toFixed(2)}, ${bare.low.toFixed(2)} to ${bare.high.toFixed(2)}; shown only\n`,
    );
  }
  return isMet;
}
