import { seededRandom } from '@burrow/core/units';
import { advised, blindFan, nearestPoint } from '../casting/anglers';
import { ratioOf } from './ratio';
import { reservoir, river, type CastWorld } from '../casting/waters';

/** Days scored, on seeds that nothing was tuned on; casts of a day. */
const scored = { first: 700_000, days: 100, casts: 60 };
/** What is asked of the lower 95 % bounds. */
const asked = { fan: 1.2, point: 1 } as const;

/** Casting by advice that may walk, against a blind fan from the start and against always the nearest point. */
export function scoreCast(args: readonly string[]): boolean {
  const days = args[0] === undefined ? scored.days : Number(args[0]);
  if (!(days >= 2)) throw new RangeError(`score cast: expected a number of days, found "${args[0]}"`);
  let isMet = true;
  const worlds: [string, (seed: number) => CastWorld][] = [
    ['reservoir', reservoir],
    ['river', river],
  ];
  for (const [name, make] of worlds) {
    const rows = Array.from({ length: days }, (_, k) => {
      const seed = scored.first + k;
      const world = make(seed);
      return {
        advice: advised(world, scored.casts, seededRandom(seed + 1)),
        fan: blindFan(world, scored.casts, seededRandom(seed + 2)),
        point: nearestPoint(world, scored.casts, seededRandom(seed + 3)),
      };
    });
    const of = (key: 'advice' | 'fan' | 'point') => rows.map((r) => r[key]);
    const mean = (key: 'advice' | 'fan' | 'point') => of(key).reduce((a, b) => a + b, 0) / days;
    process.stdout.write(
      `${name}: ${mean('advice').toFixed(2)} by advice, ${mean('fan').toFixed(2)} by a blind fan, ${mean('point').toFixed(2)} at the nearest point, in ${scored.casts} casts\n`,
    );
    for (const [key, least] of Object.entries(asked) as ['fan' | 'point', number][]) {
      const { ratio: value, low, high } = ratioOf(of('advice'), of(key));
      isMet &&= low > least;
      process.stdout.write(
        `  against ${key === 'fan' ? 'the blind fan' : 'the nearest point'}: ${value.toFixed(2)}, 95 % ${low.toFixed(2)} to ${high.toFixed(2)}; asked: above ${least} ${low > least ? 'met' : 'SHORT'}\n`,
      );
    }
  }
  return isMet;
}
