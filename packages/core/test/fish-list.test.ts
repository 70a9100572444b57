import fc from 'fast-check';
import { adviceOfWords, anyFish, fishNames, fishToChoose, fishTyped, isKnownSpecies, offeredSpecies, regionAt, speciesOf, speciesTable, type Region } from '../src/fish';

const finland: [number, number] = [25.7, 62.3];
const newZealand: [number, number] = [176, -38.7];
const place = (at: [number, number], caught: string[] = [], listed?: string[]) => ({ region: regionAt(...at), caught, listed });

test('the list holds fish of both hemispheres, each once, with a common and a scientific name of its own', () => {
  expect(fishNames.length).toBeGreaterThanOrEqual(60);
  for (const key of ['id', 'name', 'scientific'] as const) expect(new Set(fishNames.map((f) => f[key])).size).toBe(fishNames.length);
  const counts = new Map<Region, number>();
  for (const { regions } of fishNames) for (const region of regions) counts.set(region, (counts.get(region) ?? 0) + 1);
  for (const region of ['north-america', 'south-america', 'europe', 'asia', 'africa', 'australasia'] as const) expect(counts.get(region)).toBeGreaterThanOrEqual(8);
  for (const { scientific } of fishNames) expect(scientific).toMatch(/^[A-Z][a-z]+ ([a-z]+|[a-z]+ × [a-z]+)$/);
});

test('each fish has figures of its own, or takes those of one that has, and says so', () => {
  const figured = new Set(speciesTable.map((s) => s.id as string));
  for (const { id, like, ruler, regions, homes } of fishNames) {
    expect(homes.length).toBeGreaterThan(0);
    expect(regions).toEqual(expect.arrayContaining([...homes]));
    expect(like !== undefined && figured.has(like)).toBe(!figured.has(id));
    expect(ruler !== undefined).toBe(!figured.has(id));
    const row = speciesOf(id);
    expect(row.id).toBe(id);
    expect(row.isAssumed).toBeUndefined();
    expect(row.ruler.fromMm).toBeLessThan(row.ruler.usualMm);
    if (like) expect({ ...row, id: like, name: '', short: '', like: undefined, ruler: null }).toEqual({ ...speciesOf(like), name: '', short: '', like: undefined, ruler: null });
  }
  expect(adviceOfWords('walleye')).toBeNull();
  expect(adviceOfWords('zander')).toBe('No figures of its own for zander: advised on as the walleye.');
  expect(adviceOfWords('kokopu')).toMatch(/Nothing is known here of Kokopu/);
  expect(adviceOfWords(anyFish)).toMatch(/any fish/);
});

test.each([
  ['a point in Finland', finland, 'europe'],
  ['a lake of New Zealand', newZealand, 'australasia'],
  ['beyond the date line, in the south', [-176.5, -44], 'australasia'],
  ['a reservoir of the plains', [-100, 40], 'north-america'],
  ['the lakes of the southern Andes', [-71.5, -41], 'south-america'],
  ['the highlands of southern Africa', [29, -29.5], 'africa'],
  ['a lake of Hokkaido', [142, 43], 'asia'],
  ['an island in the north Atlantic', [-19, 65], 'europe'],
] as const)('%s lies in %s', (_, [lon, lat], region) => {
  expect(regionAt(lon, lat)).toBe(region);
});

test('what was caught here stands first, then what the file lists, then the region, then the others', () => {
  const offers = fishToChoose(place(finland, ['roach', 'bluegill', 'roach', 'kiiski'], ['zander']));
  expect(offers.slice(0, 4).map((o) => [o.id, o.caught])).toEqual([
    ['roach', 2],
    ['bluegill', 1],
    ['kiiski', 1],
    ['zander', 0],
  ]);
  const isRegional = offers.slice(4).map((o) => o.isRegional);
  expect(isRegional.lastIndexOf(true)).toBeLessThan(isRegional.indexOf(false));
  expect(offers).toHaveLength(fishNames.length + 1);
  expect(
    fishToChoose(place(newZealand))
      .slice(0, 30)
      .map((o) => o.id),
  ).toEqual(expect.arrayContaining(['longfin-eel', 'short-finned-eel', 'inanga']));
});

test.each([
  ['zan', 'zander'],
  ['SANDER L', 'zander'],
  ['carpio', 'common-carp'],
  ['eel long', 'longfin-eel'],
  ['  perch eur ', 'european-perch'],
])('typing "%s" finds %s first', (typed, id) => {
  expect(fishToChoose(place(finland), typed)[0].id).toBe(id);
});

test('typing leaves some of the fish, each once, whatever is typed', () => {
  const all = fishToChoose(place(finland)).map((o) => o.id);
  fc.assert(
    fc.property(fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom(...fishNames.map((f) => f.name.slice(0, 3)))), (typed) => {
      const found = fishToChoose(place(finland), typed).map((o) => o.id);
      expect([...found].sort()).toEqual(all.filter((id) => found.includes(id)).sort());
    }),
  );
});

test('a name that the list has is that fish; any other is a fish of that name', () => {
  expect(fishTyped('Northern Pike')).toBe('northern-pike');
  expect(fishTyped('esox lucius')).toBe('northern-pike');
  expect(fishTyped(' Giant   kōkopu ')).toBe('Giant kōkopu');
  expect(isKnownSpecies(fishTyped('Giant kōkopu')!)).toBe(false);
  expect(speciesOf('Giant kōkopu').name).toBe('Giant kōkopu');
  expect(fishTyped('   ')).toBeUndefined();
});

test('a water without a list offers the fish with figures of its region; what was fished there stands first, with figures or without', () => {
  const ids = (over: Partial<Parameters<typeof offeredSpecies>[0]>) => offeredSpecies({ kind: 'lake', fished: [], ...over }).map((s) => s.id as string);
  expect(ids({ region: 'europe' })).toEqual(expect.arrayContaining(['european-perch', 'northern-pike', 'roach']));
  expect(ids({ region: 'europe' })).not.toContain('black-crappie');
  // At home before brought in.
  expect(ids({ region: 'europe' }).slice(0, 4).sort()).toEqual(['burbot', 'european-perch', 'northern-pike', 'roach']);
  expect(ids({ region: 'australasia' })).toEqual(['rainbow-trout', 'roach', 'european-perch']);
  expect(ids({ region: 'europe', fished: [{ species: 'zander', ms: 5 }] })[0]).toBe('zander');
  expect(ids({ region: 'europe', listed: ['zander', 'roach'] })).toEqual(['zander', 'roach']);
});
