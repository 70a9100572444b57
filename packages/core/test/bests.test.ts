import { speciesCaught, thisTimeBefore } from '../src/season';
import { standardWeight } from '../src/fish';
import { fold } from '../src/ledger';
import { baseMs, event, testId } from './events';

interface Caught {
  species: string;
  lengthMm?: number;
  weightG?: number;
  fate?: 'fish-kept' | 'fish-released';
}

function outing(days: number, caught: readonly Caught[]) {
  const [id, station] = [testId(), testId()];
  const at = days * 86_400;
  return fold([
    event(id, at, 'outing-started', { water: 'w', waterName: `Water ${days}`, species: ['black-crappie'], goal: 'numbers', method: 'ice' }),
    event(id, at + 1, 'station-opened', { station, kind: 'hole', label: '1', at: [-140, 47] }),
    ...caught.flatMap(({ fate, ...fish }, k) => {
      const name = testId();
      return [event(id, at + 60 * (k + 1), 'fish-landed', { fish: name, station, ...fish }), ...(fate ? [event(id, at + 60 * (k + 1) + 1, fate, { fish: name })] : [])];
    }),
    event(id, at + 7200, 'outing-ended', {}),
  ]).outings[0];
}

test('of each species how many, kept and put back, and the longest and heaviest that were measured', () => {
  const outings = [
    outing(0, [
      { species: 'black-crappie', lengthMm: 250, fate: 'fish-kept' },
      { species: 'black-crappie', weightG: 400, fate: 'fish-released' },
      { species: 'bluegill', lengthMm: 180 },
    ]),
    outing(3, [
      { species: 'black-crappie', lengthMm: 310, weightG: 380 },
      { species: 'black-crappie', lengthMm: 310 },
    ]),
  ];
  const [crappie, bluegill] = speciesCaught({ outings });
  expect(crappie).toMatchObject({ species: 'black-crappie', count: 4, kept: 1, released: 1, medianMm: 310, condition: null });
  // Of two alike the first holds the record.
  expect(crappie.longest).toMatchObject({ waterName: 'Water 3', fish: { lengthMm: 310, weightG: 380 } });
  expect(crappie.heaviest).toMatchObject({ waterName: 'Water 0', fish: { weightG: 400, lengthMm: null } });
  expect(bluegill).toMatchObject({ count: 1, kept: 0, released: 0, heaviest: null, medianMm: 180 });
});

test('condition is the mean weight against the standard of each length, from three fish on', () => {
  const of = (shares: readonly number[]) =>
    shares.map((s, k) => ({ species: 'black-crappie', lengthMm: 220 + 20 * k, weightG: s * standardWeight('black-crappie', 220 + 20 * k) }));
  expect(speciesCaught({ outings: [outing(0, of([0.8, 0.9]))] })[0].condition).toBeNull();
  const { condition } = speciesCaught({ outings: [outing(0, of([0.8, 0.9, 1.0]))] })[0];
  expect(condition!.of).toBe(3);
  expect(condition!.share).toBeCloseTo(0.9, 9);
});

test('another’s log sets no record', () => {
  const brought = { ...outing(0, [{ species: 'walleye', lengthMm: 700 }]), broughtFrom: 'friend.ndjson' };
  expect(speciesCaught({ outings: [brought] })).toEqual([]);
});

test('this time of other years is ten days about the same day, never of this winter', () => {
  const outings = [outing(-365, []), outing(-365 + 9, [{ species: 'walleye' }]), outing(-365 + 12, []), outing(-730 - 8, []), outing(-5, []), outing(-180, [])];
  const found = thisTimeBefore({ outings }, baseMs);
  expect(found.map((o) => o.waterName)).toEqual(['Water -356', 'Water -365', 'Water -738']);
});
