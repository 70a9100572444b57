import { waterTurn } from '../src/outlook';
import { situationAt, turnWords, type SituationSetting } from '../src/situation';
import { fold } from '../src/ledger';
import { hourMs, metric } from '../src/units';
import { baseMs, event, testId } from './events';

const at = (hours: number, tempC: number, depthM = 0.3) => ({ atMs: baseMs + hours * hourMs, depthM, tempC });
const now = baseMs + 30 * hourMs;

test('a rise from one degree on is an event, its end is when half of it is gone again, and less is none', () => {
  const ahead = [at(40, 7), at(64, 6.4), at(88, 5.2)];
  expect(waterTurn([at(0, 5.4), at(30, 7.6)], now, ahead)).toEqual({ kind: 'warmed', stepC: expect.closeTo(2.2, 6) as number, sinceMs: baseMs, untilMs: baseMs + 64 * hourMs });
  expect(waterTurn([at(0, 5.4), at(30, 7.6)], now, [])).toMatchObject({ untilMs: null });
  expect(waterTurn([at(0, 5.4), at(30, 5.8)], now, ahead)).toBeNull();
});

test('cooled again it is over; in mild water, of one reading, of deep or old ones nothing is said', () => {
  expect(waterTurn([at(0, 5.4), at(20, 7.6), at(30, 6.1)], now, [])).toMatchObject({ kind: 'cooled', stepC: expect.closeTo(1.5, 6) as number });
  expect(waterTurn([at(0, 13), at(30, 15)], now, [])).toBeNull();
  expect(waterTurn([at(30, 7.6)], now, [])).toBeNull();
  expect(waterTurn([at(0, 5.4, 6), at(30, 7.6)], now, [])).toBeNull();
  expect(waterTurn([at(-40, 5.4), at(30, 7.6)], now, [])).toBeNull();
  // Two readings within the hour are of one moment: a warm hand, not warm water.
  expect(waterTurn([at(29.5, 5.4), at(30, 7.6)], now, [])).toBeNull();
});

test('job 21: a rise of 2.2 °C brings bass up to the pockets, 0.4 leaves them, a fall of 1.5 sends them back', () => {
  const outing = testId();
  const bandAfter = (...temps: [number, number][]) => {
    const events = [
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['largemouth'], goal: 'numbers', method: 'cast' }),
      ...temps.map(([hours, tempC]) => event(outing, hours * 3600, 'temperature-measured', { depthM: 0.3, tempC })),
    ];
    const setting: SituationSetting = {
      state: fold(events),
      nowMs: baseMs + 31 * hourMs,
      outlook: null,
      water: { id: 'w', place: { lon: -140, lat: 47, timeZone: 'UTC' }, isMoving: false, secchiM: 0.3, isSecchiMeasured: true, deepestM: 7 },
      species: 'largemouth',
      method: 'cast',
      goal: null,
      bait: null,
      ownBand: null,
    };
    return situationAt({ ...setting, state: fold([...events, event(outing, 10, 'surface-seen', { surface: 'open' })]) });
  };
  const [rose, stayed, fell] = [bandAfter([1, 5.4], [30, 7.6]), bandAfter([1, 5.4], [30, 5.8]), bandAfter([1, 5.4], [20, 7.6], [30, 6.1])];
  expect(rose.band!.value).toEqual({ fromM: 0.5, toM: 2.5 });
  expect(turnWords(rose.turn!.value, metric, 'UTC')).toMatch(/^Up 2\.2 °C: an event.*pockets/);
  expect(stayed.turn).toBeNull();
  expect(stayed.band!.value.toM).toBeGreaterThan(rose.band!.value.toM);
  expect(turnWords(fell.turn!.value, metric, 'UTC')).toMatch(/^Down 1\.5 °C.*back to the deep/);
  expect(fell.band!.value.toM).toBeGreaterThan(rose.band!.value.toM);
});
