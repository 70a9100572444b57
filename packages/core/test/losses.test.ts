import { fold, type LedgerEvent } from '../src/ledger';
import { lossesOf } from '../src/season';
import { betaDraw, seededRandom, type Random } from '../src/units';
import { event, testId } from './events';

type Step = 'bit' | 'hooked' | 'landed';
const usual: Record<Step, number> = { bit: 0.45, hooked: 0.7, landed: 0.8 };

/** A day of fish seen, each with its fate; the shares of a day are its own. `leak` halves one of them. */
function day(random: Random, seen: number, leak: Step | null, spread = 30): LedgerEvent[] {
  const outing = testId();
  const [hole, line] = [testId(), testId()];
  const shares = Object.fromEntries(
    Object.entries(usual).map(([step, share]) => {
      const mean = step === leak ? share / 2 : share;
      return [step, betaDraw(spread * mean, spread * (1 - mean), random)];
    }),
  ) as Record<Step, number>;
  const events = [
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }),
    event(outing, 1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [25, 61] }),
    event(outing, 2, 'line-down', { line, station: hole, rod: 'rod 1', presentation: 'spoon' }),
  ];
  for (let k = 0; k < seen; k++) {
    const s = 600 * (k + 1);
    events.push(event(outing, s, 'reaction', { station: hole, line, reaction: 'looked' }));
    if (random() > shares.bit) continue;
    events.push(event(outing, s + 20, 'reaction', { station: hole, line, reaction: 'bite' }));
    if (random() > shares.hooked) continue;
    if (random() > shares.landed) events.push(event(outing, s + 40, 'reaction', { station: hole, line, reaction: 'lost' }));
    else events.push(event(outing, s + 60, 'fish-landed', { fish: testId(), station: hole, line, species: 'walleye' }));
  }
  events.push(event(outing, 600 * (seen + 2), 'outing-ended', {}));
  return events;
}

const losses = (days: LedgerEvent[][]) => lossesOf(days.map((events) => fold(events).outings[0]));
const runs = process.env.BURROW_LONG ? 600 : 150;
/** Share of a run of draws, unsure by so much. */
const slack = process.env.BURROW_LONG ? 0 : 0.04;

test('each fish is counted once at each step it came to', () => {
  const { steps, leak } = losses([day(seededRandom(1), 60, null)]);
  expect(steps.map((s) => [s.from, s.to])).toEqual([['looked', 'bit'], ['bit', 'hooked'], ['hooked', 'landed']]); // prettier-ignore
  expect(steps[0].of).toBe(60);
  expect(steps[1].of).toBe(steps[0].went);
  expect(steps[2].of).toBe(steps[1].went);
  for (const s of steps) expect(s.low <= s.share && s.share <= s.high).toBe(true);
  expect(leak).toBeNull();
  expect(losses([])).toEqual({ steps: expect.any(Array) as never, leak: null });
});

test('the intervals hold the true share as often as they say, with days that differ', () => {
  const random = seededRandom(2);
  let [held, all] = [0, 0];
  for (let k = 0; k < runs; k++) {
    const { steps } = losses(Array.from({ length: 4 }, () => day(random, 12, null)));
    for (const s of steps) {
      all++;
      if (s.low <= usual[s.to] && usual[s.to] <= s.high) held++;
    }
  }
  expect(held / all).toBeGreaterThanOrEqual(0.85);
  expect(held / all).toBeLessThanOrEqual(0.95);
});

test('a step that lost twice as much is named on most days, and none where none leaks', () => {
  const random = seededRandom(3);
  const judged = (leak: Step | null) => losses([...Array.from({ length: 8 }, () => day(random, 30, null)), day(random, 100, leak)]).leak;
  let [right, wrong] = [0, 0];
  for (let k = 0; k < runs; k++) {
    const leak = (['bit', 'hooked', 'landed'] as const)[k % 3];
    if (judged(leak)?.step === leak) right++;
    if (judged(null) !== null) wrong++;
  }
  expect(wrong / runs).toBeLessThanOrEqual(0.05 + slack / 2);
  expect(right / runs).toBeGreaterThanOrEqual(0.6);
});
