import { distanceM } from '../src/ground';
import { fold, type LedgerEvent } from '../src/ledger';
import { outingPlaces } from '../src/season';
import { minuteMs } from '../src/units';
import { testId } from './events';

const start = Date.parse('2026-11-01T08:00:00Z');
const outing = testId();
const [stand, pass, answered, quiet] = [testId(), testId(), testId(), testId()];
let minute = 0;
const put = (kind: string, body: unknown): LedgerEvent =>
  ({ id: testId(), outing, angler: 'a', device: 'd', at: new Date(start + minute++ * minuteMs).toISOString(), kind, v: 2, body }) as unknown as LedgerEvent;

test('casts run from the stand along their bearing; bites lie on them, or where the boat was; what was not placed is left out', () => {
  const events = [
    put('outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'cast' }),
    put('station-opened', { station: stand, kind: 'stand', label: '1', at: [-140, 47] }),
    put('cast', { cast: quiet, station: stand, bearingDeg: 0, distanceM: 20 }),
    put('cast', { cast: answered, station: stand, bearingDeg: 90, distanceM: 30 }),
    put('reaction', { station: stand, reaction: 'bite', cast: answered, outM: 12 }),
    put('reaction', { station: stand, reaction: 'refused', cast: answered, outM: 14 }),
    put('fish-landed', { fish: testId(), station: stand, species: 'walleye', cast: answered, outM: 12 }),
    put('fish-landed', { fish: testId(), station: stand, species: 'walleye' }),
    put('station-opened', { station: pass, kind: 'pass', label: '2', at: [-140, 47.001] }),
    put('reaction', { station: pass, reaction: 'bite', at: [-140.002, 47.001] }),
  ];
  const { casts, bites } = outingPlaces(fold(events).outings[0]);
  expect(casts.map((c) => [Math.round(distanceM(c.from, c.to)), c.isAnswered])).toEqual([
    [20, false],
    [30, true],
  ]);
  expect(casts[1].to[0]).toBeGreaterThan(-140);
  expect(bites.map((b) => [Math.round(distanceM([-140, 47], b.at)), b.isFish])).toEqual([
    [12, true],
    [Math.round(distanceM([-140, 47], [-140.002, 47.001])), false],
  ]);
});
