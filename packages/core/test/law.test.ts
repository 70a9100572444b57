import { hookProblems, keepProblems, keptOf, lineProblem, ruleCardText, type RuleCard } from '../src/law';
import { fold } from '../src/ledger';
import { imperial, metric } from '../src/units';
import { baseMs, event, shortOuting, testId } from './events';

const card: RuleCard = {
  fish: [
    { species: 'walleye', bag: 2, possession: 4, leastMm: 380, mostMm: 600 },
    { species: 'burbot', bag: 0 },
  ],
  lines: 2,
  hooks: 1,
  points: 3,
  text: 'No feed.',
  source: 'the board at the landing',
  seenOn: '2026-12-01',
};
const walleye = (lengthMm: number | null) => ({ species: 'walleye', name: 'Walleye', lengthMm });
const none = { today: 0, lately: 0 };

test('over the bag, over possession, under or over the size, and not measured, each is said', () => {
  expect(keepProblems(card, walleye(450), none, metric)).toEqual([]);
  expect(keepProblems(card, walleye(450), { today: 2, lately: 2 }, metric)).toEqual(['2 kept today: your card allows 2 a day.']);
  expect(keepProblems(card, walleye(450), { today: 0, lately: 4 }, metric)[0]).toMatch(/^4 kept in 3 days: your card allows 4 in possession/);
  expect(keepProblems(card, walleye(350), none, metric)).toEqual(['35 cm: your card asks for at least 38 cm.']);
  expect(keepProblems(card, walleye(650), none, imperial)).toEqual(['25.5 in: your card allows at most 23.5 in.']);
  expect(keepProblems(card, walleye(null), none, metric)).toEqual(['Not measured: your card has a size for it. Measure it first.']);
  expect(keepProblems(card, { species: 'burbot', name: 'Burbot', lengthMm: null }, none, metric)).toEqual(['None may be kept here, by your card.']);
});

test('of a fish that the card does not name nothing is pretended', () => {
  expect(keepProblems(card, { species: 'yellow-perch', name: 'Perch', lengthMm: 100 }, { today: 99, lately: 99 }, metric)).toEqual([]);
  expect(lineProblem({ fish: [], seenOn: '2026-12-01' }, 9)).toBeNull();
  expect(hookProblems({ fish: [], seenOn: '2026-12-01' }, { hooks: null, points: null })).toEqual([]);
});

test('lines, hooks and points are counted, and what nobody counted is asked for', () => {
  expect([lineProblem(card, 1), lineProblem(card, 2)]).toEqual([null, '2 lines out: your card allows 2.']);
  expect(hookProblems(card, { hooks: 1, points: 3 })).toEqual([]);
  expect(hookProblems(card, { hooks: 2, points: 6 })).toEqual(['2 hooks: your card allows 1 on a line.', '6 points: your card allows 3.']);
  expect(hookProblems(card, { hooks: null, points: null })).toEqual(['Count its hooks and points: your card has a limit.']);
});

test('what counts as kept is this angler’s own, by the day of the water, and what was released is not', () => {
  const { events, outing, hole } = shortOuting();
  const keep = (seconds: number) => {
    const fish = testId();
    return [event(outing, seconds, 'fish-landed', { fish, station: hole, species: 'walleye' }), event(outing, seconds + 1, 'fish-kept', { fish })];
  };
  const state = fold([...events, ...keep(700), ...keep(900), ...keep(-86_000 + 86_400)]);
  expect(keptOf(state, 'walleye', baseMs + 3600_000, 'Etc/GMT+9')).toEqual({ today: 3, lately: 3 });
  expect(keptOf(state, 'walleye', baseMs + 30 * 3600_000, 'Etc/GMT+9')).toEqual({ today: 0, lately: 3 });
  expect(keptOf(state, 'walleye', baseMs + 100 * 3600_000, 'Etc/GMT+9').lately).toBe(0);
  expect(keptOf(state, 'black-crappie', baseMs + 3600_000, 'Etc/GMT+9')).toEqual(none);
});

test('the card reads as what it is', () => {
  expect(ruleCardText(card, (id) => id, metric)).toEqual([
    'walleye, 2 a day, 4 in possession, from 38 cm, to 60 cm',
    'burbot, none may be kept',
    '2 lines, 1 hook a line, 3 points',
    'No feed.',
    'Written down 2026-12-01, from the board at the landing. Check the local rules.',
  ]);
});
