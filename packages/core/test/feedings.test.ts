import { feedingRates, feedingWords } from '../src/season';
import { fold, type EventBodies } from '../src/ledger';
import { seededRandom } from '../src/units';
import { event, testId } from './events';

type Fed = { at: number } & Partial<EventBodies['fed']>;

/** Six hours on one swim with feed and bites at these minutes. */
function day(feeds: readonly Fed[], bites: readonly number[], minutes = 360) {
  const [outing, station, line] = [testId(), testId(), testId()];
  return fold([
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['roach'], goal: 'numbers', method: 'pole' }),
    event(outing, 1, 'station-opened', { station, kind: 'swim', label: '1', at: [-140, 47] }),
    event(outing, 2, 'line-down', { line, station, rod: 'pole' }),
    ...feeds.map(({ at, ...fed }) => event(outing, 60 * at, 'fed', { station, what: 'crumb', ...fed })),
    ...bites.map((m) => event(outing, 60 * m, 'reaction', { station, line, reaction: 'bite' })),
    event(outing, 60 * minutes, 'line-up', { line }),
    event(outing, 60 * minutes + 1, 'outing-ended', {}),
  ]).outings[0];
}

const every = (from: number, to: number, step: number) => Array.from({ length: Math.ceil((to - from) / step) }, (_, k) => from + k * step);

test('the half hour after each feed counts, up to the next one there', () => {
  const outing = day(
    [
      { at: 10, way: 'cup' },
      { at: 20, way: 'throw' },
      { at: 100, way: 'cup' },
    ],
    [5, 15, 25, 49, 51, 110],
  );
  const { rows } = feedingRates([outing], 0, 'way');
  expect(rows.map(({ key, minutes, count }) => ({ key, minutes, count }))).toEqual([
    { key: 'cupped', minutes: 40, count: 2 },
    { key: 'thrown', minutes: 30, count: 2 },
  ]);
});

test('by how hard the ball was, grains apart; of what nobody said there is no row', () => {
  const ball = { cm: 5, gcc: 1.2, particle: 'crumb' } as const;
  const outing = day([{ at: 10, ball: { ...ball, breaks: 'bottom' } }, { at: 60, ball: { ...ball, breaks: 'half' } }, { at: 110, grains: 6 }, { at: 200 }], []);
  expect(feedingRates([outing], 0, 'break').rows.map((r) => r.key)).toEqual(['squeezed hard', 'pressed once', 'grains']);
  expect(feedingRates([outing], 0, 'way').rows).toEqual([]);
});

test('one that draws three times as many is named over a season, and alike ones are not', () => {
  const random = seededRandom(5);
  const season = (rates: { cup: number; throw: number }) =>
    Array.from({ length: 12 }, () => {
      const feeds = every(5, 330, 32).map((at, k): Fed => ({ at, way: k % 2 === 0 ? 'cup' : 'throw' }));
      const bites = feeds.flatMap(({ at, way }) => every(0, 30, 1).flatMap((m) => (random() < rates[way as 'cup'] / 60 ? [at + m + 0.5] : [])));
      return day(feeds, bites);
    });
  const told = feedingRates(season({ cup: 4, throw: 12 }), 0, 'way');
  expect(told.finding).toMatchObject({ kind: 'leads', best: { key: 'thrown' } });
  expect(feedingWords(told).headline).toBe('Fed thrown beats cupped');
  const named = every(0, 20, 1).filter(() => feedingRates(season({ cup: 6, throw: 6 }), 0, 'way').finding.kind === 'leads').length;
  expect(named).toBeLessThanOrEqual(6);
});
