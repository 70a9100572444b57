import { fold, type LedgerEvent } from '../src/ledger';
import { presentationsOf, trialOf, trialsOf, trialWords } from '../src/season';
import { seededRandom, type Random } from '../src/units';
import { baseMs, event, testId } from './events';

interface World {
  /** Bites an hour of the one and the other while fish are about. */
  rates: [number, number];
  hours: number;
  /** Fish come in spells, so that bites clump. */
  isClumped: boolean;
  /** Both at one hole, or at a hole each. */
  isTogether: boolean;
  /** Share of the time that the second is down. */
  share: number;
  days: number;
}
const world: World = { rates: [3, 3], hours: 8, isClumped: true, isTogether: true, share: 1, days: 3 };

/** Days on which two baits hang, by a way of making bites that the judge knows nothing of. */
function log(random: Random, { rates, hours, isClumped, isTogether, share, days }: World): LedgerEvent[] {
  const events: LedgerEvent[] = [];
  for (let day = 0; day < days; day++) {
    const outing = testId();
    const at = (min: number) => day * 86_400 + Math.round(60 * min);
    const holes = [testId(), testId()];
    const mood = Math.exp(1.2 * (random() - 0.5));
    events.push(event(outing, at(0), 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }));
    holes.forEach((station, k) => events.push(event(outing, at(0) + k, 'station-opened', { station, kind: 'hole', label: String(k), at: [25, 61] })));
    const minutes = hours * 60;
    // Spells of fish: together they come to one hole, apart to each its own.
    const spells = [0, 1].map(() => Array.from({ length: Math.ceil(minutes / 30) }, () => (isClumped ? (random() < 0.4 ? 2.5 : 0) : 1)));
    for (let from = 0; from < minutes; from += 60) {
      const lines = [testId(), testId()];
      const until = [60, 60 * share];
      const station = (k: number) => holes[isTogether ? 0 : k];
      lines.forEach((line, k) => {
        events.push(event(outing, at(from) + 2 + k, 'line-down', { line, station: station(k), rod: `rod ${k}`, presentation: ['spoon', 'tube'][k], depthM: 5 }));
        for (let min = 0.1; min < until[k] - 1; min += 0.25) {
          const spell = spells[isTogether ? 0 : k][Math.floor((from + min) / 30)];
          if (random() < (rates[k] * mood * spell * 0.25) / 60) events.push(event(outing, at(from + min), 'reaction', { station: station(k), line, reaction: 'bite' }));
        }
        events.push(event(outing, at(from + until[k]) - 1, 'line-up', { line }));
      });
    }
    events.push(event(outing, at(minutes) + 60, 'outing-ended', {}));
  }
  return events;
}
const judged = (events: LedgerEvent[], between: [string, string] = ['spoon', 'tube']) => {
  const { outings } = fold(events);
  return trialOf(outings, between, baseMs + 400 * 86_400_000);
};

const trials = process.env.BURROW_LONG ? 1000 : 150;
test.each<[string, Partial<World>]>([
  ['at one station', {}],
  ['at different holes', { isTogether: false }],
  ['with unequal effort', { share: 0.5 }],
  ['without clumps', { isClumped: false, days: 2 }],
])('two baits that are alike are rarely told apart, looked at after every bite: %s', (_, over) => {
  const random = seededRandom(31);
  let claimed = 0;
  for (let k = 0; k < trials; k++) if (judged(log(random, { ...world, ...over })).verdict === 'leads') claimed++;
  expect(claimed / trials).toBeLessThanOrEqual(0.064);
});

test('three times as good is found in most trials of some forty visits, and named rightly', () => {
  const random = seededRandom(32);
  const found = Array.from({ length: 60 }, () => judged(log(random, { ...world, rates: [2, 6], isClumped: false, days: 2 })));
  const named = found.filter((t) => t.verdict === 'leads');
  expect(named.length / found.length).toBeGreaterThanOrEqual(0.8);
  expect(named.every((t) => t.best === 'tube')).toBe(true);
  expect(found[0].looks).toBeLessThanOrEqual(60);
});

test('the order of the two, a third bait, a line that nobody bit and one big visit change nothing wrongly', () => {
  const random = seededRandom(33);
  const events = log(random, { ...world, rates: [2, 7], isClumped: false });
  const [ab, ba] = [judged(events), judged(events, ['tube', 'spoon'])];
  expect({ ...ba, evidence: 0 }).toEqual({ ...ab, evidence: 0 });
  expect(ba.evidence / ab.evidence).toBeCloseTo(1, 9);
  const { outing } = events[0];
  const third = testId();
  const more = [...events, event(outing, 700, 'line-down', { line: third, station: (events[1].body as { station: string }).station, rod: 'rod 3', presentation: 'worm' }), event(outing, 900, 'reaction', { station: (events[1].body as { station: string }).station, line: third, reaction: 'bite' })]; // prettier-ignore
  expect(judged(more)).toEqual(ab);
  expect(presentationsOf(fold(more).outings).sort()).toEqual(['spoon', 'tube', 'worm']);
  // Thirty bites of one school in a quarter of an hour are one visit.
  const [day, hole, a, b] = [testId(), testId(), testId(), testId()];
  const burst = [
    event(day, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }),
    event(day, 1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [25, 61] }),
    event(day, 2, 'line-down', { line: a, station: hole, rod: 'rod 1', presentation: 'spoon' }),
    event(day, 3, 'line-down', { line: b, station: hole, rod: 'rod 2', presentation: 'tube' }),
    ...Array.from({ length: 30 }, (_, k) => event(day, 60 + 30 * k, 'reaction', { station: hole, line: a, reaction: 'bite' })),
    event(day, 3600, 'outing-ended', {}),
  ];
  expect(judged(burst)).toMatchObject({ verdict: 'open', best: null, looks: 1 });
  expect(judged([])).toEqual({ verdict: 'open', best: null, evidence: 1, looks: 0, visits: 0, steps: [] });
});

test('two that are truly alike are called even once enough first bites say so', () => {
  const random = seededRandom(34);
  expect(judged(log(random, { ...world, isClumped: false, days: 12 })).verdict).toBe('even');
});

test('pairs that were down together are judged, and what is said names who leads or what it would take', () => {
  const { outings } = fold(log(seededRandom(32), { ...world, rates: [2, 6], isClumped: false, days: 2 }));
  const [pair] = trialsOf(outings, baseMs + 400 * 86_400_000, 3);
  expect(pair).toMatchObject({ verdict: 'leads', best: 'tube' });
  expect(trialWords(pair).headline).toBe('tube leads spoon');
  const open = trialsOf(fold(log(seededRandom(1), { ...world, days: 1 })).outings, baseMs + 400 * 86_400_000, 3)[0];
  expect(trialWords({ ...open, verdict: 'open' }).detail).toMatch(/12 to 23 hours of both rods/);
  expect(trialWords({ ...open, verdict: 'even' }).headline).toMatch(/are even$/);
  expect(trialsOf([], baseMs, 3)).toEqual([]);
});
