import { fishKeys, keyed, keysOf, speciesTable } from '../src/fish';

test.each(fishKeys.map((k) => [k.id, k] as const))('the key of %s leads to each of its fish, and to no other, by answers that speak for it', (_, key) => {
  for (const species of key.fish) {
    expect(speciesTable.some((s) => s.id === species)).toBe(true);
    const answers = Object.fromEntries(key.questions.map((q) => [q.id, [...q.answers].sort((a, b) => (b.speaks[species] ?? 1) - (a.speaks[species] ?? 1))[0].id]));
    const { shares, is } = keyed(key, answers);
    expect(shares[0].species).toBe(species);
    expect([species, is]).toEqual([species, species]);
  }
  expect(key.questions.length).toBeGreaterThanOrEqual(2);
  expect(new Set(key.questions.map((q) => q.id)).size).toBe(key.questions.length);
});

test('before an answer nothing is said, and answers that contradict each other leave it open', () => {
  const [crappies] = fishKeys;
  expect(keyed(crappies, {})).toEqual({ shares: [expect.objectContaining({ share: 0.5 }), expect.objectContaining({ share: 0.5 })], is: null });
  expect(keyed(crappies, { side: 'specks' })).toMatchObject({ is: null });
  expect(keyed(crappies, { spines: 'six', side: 'specks' }).shares[0].share).toBeLessThan(0.9);
  expect(keyed(crappies, { spines: 'six' }).is).toBe('white-crappie');
});

test('a fish that nothing is taken for has no key, one of two sets has both', () => {
  expect(keysOf('burbot')).toEqual([]);
  expect(keysOf('white-perch').map((k) => k.id)).toEqual(['perches', 'white-bass-and-perch']);
});
