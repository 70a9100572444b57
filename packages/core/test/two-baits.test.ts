import { factorsOf, stretchesOf, summariseMethods, summariseSeason } from '../src/season';
import { effortUnitOf } from '../src/methods';
import { fold } from '../src/ledger';
import { event, testId } from './events';

/** Two hours of a line with a minnow at its end and a worm a metre above it. */
function day(bites: readonly { min: number; upper?: boolean; landed?: boolean }[]) {
  const [outing, station, line] = [testId(), testId(), testId()];
  return fold([
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'troll' }),
    event(outing, 1, 'station-opened', { station, kind: 'pass', label: '1', at: [-140, 47] }),
    event(outing, 1, 'depth-sounded', { station, depthM: 6, source: 'entered' }),
    event(outing, 2, 'line-down', { line, station, rod: 'left', presentation: 'Minnow', depthM: 5, second: { presentation: 'Worm', aboveM: 1 } }),
    ...bites.flatMap(({ min, upper, landed }) => [
      event(outing, 60 * min, 'reaction', { station, line, reaction: 'bite', depthM: upper ? 4 : 5, ...(upper ? { bait: 'upper' as const } : {}) }),
      ...(landed ? [event(outing, 60 * min + 30, 'fish-landed', { fish: testId(), station, line, species: 'walleye', depthM: upper ? 4 : 5 })] : []),
    ]),
    event(outing, 7202, 'line-up', { line }),
    event(outing, 7300, 'outing-ended', {}),
  ]);
}

test('each bait has the hours that it was shown for and its own bites; an hour of line stays one', () => {
  const ledger = day([{ min: 10, upper: true }, { min: 40, upper: true, landed: true }, { min: 80 }]);
  const season = summariseSeason(ledger, 0, 'troll');
  expect(season).toMatchObject({ lineMin: 120, bites: 3, fish: 1 });
  const rows = (count: 'fish' | 'bites') =>
    season.comparisons.find((c) => c.by === 'presentation' && c.count === count)!.rows.map(({ key, minutes, count: n }) => [key, minutes, n]);
  expect(rows('bites')).toEqual([
    ['Minnow', 120, 1],
    ['Worm', 120, 2],
  ]);
  // A fish is of the bait that it bit, though its landing does not say so.
  expect(rows('fish')).toEqual([
    ['Minnow', 120, 0],
    ['Worm', 120, 1],
  ]);
  expect(summariseMethods(ledger, 0, effortUnitOf)).toMatchObject([{ effort: 120, bites: 3, fish: 1 }]);
});

test('what goes with more bites loses none of the upper bait’s', () => {
  const ledger = day([{ min: 10, upper: true }, { min: 70 }]);
  const stretches = stretchesOf(ledger, 'troll', 0, [], 47);
  expect(stretches.reduce((sum, s) => sum + s.bites, 0)).toBe(2);
  expect(factorsOf(stretches)).toBeDefined();
});
