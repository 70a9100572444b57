import { dayPlan, startingPlan } from '../src/outlook';
import { fold, type LedgerEvent } from '../src/ledger';
import { addMethod, effortUnitOf, methodOf, methodsOn, stepsOn, type Method } from '../src/methods';
import { summariseMethods, summariseSeason } from '../src/season';
import { hourMs, imperial } from '../src/units';
import { sunDay } from '../src/weather';
import { event, testId } from './events';

/** A way of fishing that nothing in the program knows: a net on a pole, dipped off a jetty, its effort counted in dips. */
const dip: Method = {
  ...methodOf('vertical')!,
  id: 'dip-net',
  place: 'Jetty',
  station: 'Jetty',
  stationKind: 'jetty',
  offer: 'With a dip net',
  open: 'Stand here',
  opened: 'I stand on it',
  effort: 'casts',
  surfaces: ['moving'],
  hasFlasher: false,
  steps: { out: 'Walk to the jetty', first: 'Wet the net', off: 'Hang the net up' },
  hazards: () => [{ id: 'jetty', headline: 'Jetty: planks are slippery', text: 'Hold the rail.' }],
};
addMethod(dip);

const nowMs = Date.UTC(2027, 0, 16, 15, 40);
const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };

test('a way of fishing added from outside gets its plan, outing, log and row of the season', () => {
  expect(methodsOn('moving').map((m) => m.id)).toEqual(['cast', 'pole', 'troll', 'dip-net']);
  const window = {
    fromMs: nowMs + 2 * hourMs,
    toMs: nowMs + 4 * hourMs,
    peakMs: nowMs + 3 * hourMs,
    value: 1,
    phase: 'steady',
    reasons: [{ ruleId: 'weather.steady', text: 'Steady.' }],
  } as never;
  const plan = dayPlan([window], sunDay(nowMs, place), null, { ...startingPlan, steps: stepsOn('moving', 'dip-net') }, nowMs, imperial);
  expect(plan.map((i) => i.what)).toEqual(['Walk to the jetty', 'Wet the net', 'Fish your depth', 'Hang the net up']);

  const [outing, jetty, fish] = [testId(), testId(), testId()];
  const dips = Array.from({ length: 7 }, (_, i) =>
    event(outing, 120 + 60 * i, 'cast', { cast: testId(), station: jetty, bearingDeg: 90, distanceM: 2, result: i === 6 ? 'fish' : 'nothing' }),
  );
  const events: LedgerEvent[] = [
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['burbot'], goal: 'supper', method: 'dip-net' }),
    event(outing, 60, 'station-opened', { station: jetty, kind: 'jetty', label: '1', at: [-140, 47] }),
    ...dips,
    event(outing, 600, 'fish-landed', { fish, station: jetty, species: 'burbot' }),
    event(outing, 900, 'outing-ended', {}),
  ];
  const state = fold(events);
  expect(state.outings[0]).toMatchObject({ method: 'dip-net', stations: [{ kind: 'jetty', method: 'dip-net' }], casts: Array(7).fill({ station: jetty }) });
  expect(state.outings[0].entries.map((e) => e.kind)).toEqual(['station-opened', ...Array(7).fill('cast'), 'fish-landed', 'outing-ended']);
  expect(summariseMethods(state, nowMs, effortUnitOf)).toEqual([{ method: 'dip-net', outings: 1, unit: 'casts', effort: 7, bites: 1, fish: 1 }]);
  expect(summariseSeason(state, nowMs, 'dip-net').outings).toMatchObject([{ methods: ['dip-net'], casts: 7, fish: 1 }]);
  expect(summariseSeason(state, nowMs, 'ice').outings).toEqual([]);
});
