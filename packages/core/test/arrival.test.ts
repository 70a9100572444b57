import { fold, type LedgerEvent } from '../src/ledger';
import { surfaceOf, surfaceSeen } from '../src/outlook';
import { arrivalRows, arrivalWords, situationAt } from '../src/situation';
import { hourMs, imperial, metric } from '../src/units';
import { baseMs, event, testId } from './events';

const outing = testId();
const begun = event(outing, 0, 'outing-started', { water: 'lake', waterName: 'Lake', species: ['smallmouth'], goal: 'numbers', method: 'cast' });
/** The situation of a lake of which nothing but its log is known, so long after the base time. */
function at(events: LedgerEvent[], seconds: number, isMoving = false) {
  const state = fold([begun, ...events]);
  return situationAt({
    state,
    nowMs: baseMs + 1000 * seconds,
    outlook: null,
    water: { id: 'lake', place: { lon: 25, lat: 61, timeZone: 'UTC' }, isMoving, secchiM: 2, isSecchiMeasured: false, deepestM: 20 },
    species: 'smallmouth',
    method: null,
    goal: null,
    bait: null,
    ownBand: null,
  });
}

test('each thing that is found other than planned is told with both figures, and what it changes', () => {
  const before = at([], 60);
  const events = [
    event(outing, 60, 'temperature-measured', { depthM: 0.3, tempC: 13 }),
    event(outing, 61, 'weather-seen', { windMs: 8, windFromDeg: 315 }),
    event(outing, 62, 'clarity-measured', { secchiM: 0.7 }),
    event(outing, 63, 'level-measured', { levelM: -3, by: 'mark' }),
  ];
  const { differs, changes } = arrivalWords(before, at(events, 70), metric);
  expect(differs).toEqual([
    'Wind north-west 29 km/h, not known before.',
    expect.stringMatching(/^Water 13 °C, not \d+ °C\.$/) as string,
    'Sight 0.7 m, not 2 m.',
    'Water 3 m lower than sounded, not as when it was sounded.',
  ]);
  expect(changes).toEqual(expect.arrayContaining([expect.stringMatching(/^That makes it autumn cooling/), 'Banks, casts, line and float go by this wind from now on.']));
  expect(arrivalWords(before, at(events, 70), imperial).differs[1]).toMatch(/°F/);
  expect(arrivalWords(before, before, metric)).toEqual({ differs: [], changes: [] });
});

test('a wind that was seen stands two hours, without weather too; what was seen over the water a day', () => {
  const events = [event(outing, 0, 'weather-seen', { windMs: 8, windFromDeg: 90 }), event(outing, 0, 'surface-seen', { surface: 'skin' })];
  expect(at(events, 3600).wind).toMatchObject({ value: { speedMs: 8, fromDeg: 90, quarter: 'east' }, by: 'logged' });
  expect(at(events, 3 * 3600).wind).toBeNull();
  expect(at(events, 3600).surface).toMatchObject({ value: 'skin', by: 'logged' });
  expect(at(events, 20 * 3600).surface.value).toBe('unknown');
  expect(at(events, 3600, true).surface.value).toBe('moving');
  expect(arrivalWords(at([], 10), at(events, 20), metric).changes).toEqual(['Neither stand nor cast here: another water that is open, or sort the box.']);
});

test('of ice that was measured and water that was seen the later goes first', () => {
  const state = fold([begun, event(outing, 100, 'surface-seen', { surface: 'open' })]);
  const nowMs = baseMs + hourMs;
  const seen = surfaceSeen(state, 'lake', nowMs);
  expect(seen).toEqual({ atMs: baseMs + 100_000, surface: 'open' });
  expect(surfaceSeen(state, 'other', nowMs)).toBeNull();
  expect(surfaceOf(false, null, { seen, iceMs: baseMs }, nowMs)).toBe('open');
  expect(surfaceOf(false, null, { seen, iceMs: baseMs + 200_000 }, nowMs)).toBe('ice');
});

test('the rows name what the plan takes the water for, flow on moving water alone', () => {
  expect(arrivalRows(at([], 60), metric).map((r) => r.what)).toEqual(['surface', 'wind', 'temperature', 'clarity', 'level']);
  expect(arrivalRows(at([], 60, true), metric).map((r) => r.what)).toEqual(['wind', 'temperature', 'clarity', 'level', 'flow']);
});
