import { eachHalfHourABall, fedByAdvice, fedWaters, fishFedRun, neverFed } from '../src/pole/fed-water';

const seeds = Array.from({ length: 60 }, (_, k) => 40_000 + k);
const bites = (water: (typeof fedWaters)[number], feeding: typeof neverFed) => seeds.reduce((sum, seed) => sum + fishFedRun(seed, water, feeding), 0);

test('a day is the same for the same seed', () => {
  for (const water of fedWaters) expect(fishFedRun(7, water, fedByAdvice)).toBe(fishFedRun(7, water, fedByAdvice));
});

test('where they are hungry food on the run brings bites', () => {
  const [running] = fedWaters;
  expect(bites(running, eachHalfHourABall)).toBeGreaterThan(1.3 * bites(running, neverFed));
  expect(bites(running, fedByAdvice)).toBeGreaterThan(1.3 * bites(running, neverFed));
});

test('in the coldest water balls each half hour are no better than little', () => {
  const [, cold] = fedWaters;
  expect(bites(cold, fedByAdvice)).toBeGreaterThan(bites(cold, eachHalfHourABall));
});
