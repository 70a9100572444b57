import { firstWords } from '@/features/water/words';

const found = { words: { headline: 'Start in 25 ft', detail: 'Crappie are looked for at 20 to 30 ft.' } };

test.each([
  ['a place that was found', found, false, true, 'Start in 25 ft'],
  ['an answer on its way', undefined, true, true, 'Looking for the first place'],
  ['nothing but thin ice', null, false, true, 'No place to begin found'],
  ['water that suits no such fish', undefined, false, false, 'No depth here suits crappie now'],
] as const)('%s is told from the others', (_, first, isPending, hasBand, headline) => expect(firstWords(first, isPending, 'Crappie', false, hasBand).headline).toBe(headline));

test('on open water the sounder comes before the first drop', () =>
  expect(firstWords(found, false, 'Crappie', true, true).detail).toMatch(/ft\. Pass over it with the sounder on/));
