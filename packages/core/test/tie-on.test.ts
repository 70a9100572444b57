import { colourKind, familyOf, lureOf, tackleFamilies, tackleWays, traitsOf, type TacklePiece, type Zone } from '../src/tackle';
import { changeFirst, fallLimits, firstToBuy, goals, massFor, tieOnRules, whatToTieOn, zoneOf, type TieOnQuery } from '../src/tie-on';
import { speciesTable } from '../src/fish';
import { sinkTime, terminalSpeed } from '../src/rig';
import { imperial, lureMassesG, seededRandom } from '../src/units';
import { piece } from './pieces';

/** A box with each family in a natural, a dark and a bright colour, small and large. */
const fullBox = tackleFamilies.flatMap((f) =>
  (['clear', 'black', 'chartreuse'] as const).flatMap((colour) => [
    piece(`${f.id} ${colour} small`, f.id, { colour, sizeMm: f.sizeMm[0], massG: f.massG[0] }),
    piece(`${f.id} ${colour} large`, f.id, { colour, sizeMm: f.sizeMm[1], massG: f.massG[1] }),
  ]),
);

const query = (over: Partial<TieOnQuery> = {}): TieOnQuery => ({
  speciesId: 'smallmouth',
  tempC: 6,
  secchiM: 3,
  method: 'cast',
  goal: 'numbers',
  depthM: 8,
  currentMs: 0,
  cloud: null,
  ...over,
});

test('on a grid of 200 settings no first choice breaks a rule of the table, and nothing comes that is not in the box', () => {
  const random = seededRandom(25);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)];
  const broken: unknown[] = [];
  for (let k = 0; k < 200; k++) {
    const asked = query({
      speciesId: pick(speciesTable).id,
      tempC: 14 * random(),
      secchiM: 0.3 + 6 * random(),
      method: pick(Object.keys(tackleWays)),
      goal: pick(goals),
      depthM: random() < 0.2 ? null : 1 + 14 * random(),
      currentMs: random() < 0.5 ? 0 : 0.4 * random(),
      cloud: random() < 0.3 ? null : random(),
    });
    const choices = whatToTieOn(fullBox, asked);
    const traits = traitsOf(fullBox.find((p) => p.piece === choices[0].piece)!);
    const zone = zoneOf(asked.speciesId, asked.method);
    const setting = { ...asked, forage: null, group: speciesTable.find((s) => s.id === asked.speciesId)!.group, zone };
    const breaks = tieOnRules.filter((r) => r.holds(setting) && r.against?.(traits, setting)).map((r) => r.id);
    if (breaks.length > 0 || !traits.family.methods.includes(asked.method) || choices.some((c) => !fullBox.some((p) => p.piece === c.piece))) broken.push([asked, breaks]);
    if (choices.some((c, i) => i > 0 && c.breaks.length === choices[i - 1].breaks.length && c.score > choices[i - 1].score)) broken.push(['order', asked]);
  }
  expect(broken).toEqual([]);
});

test.each(['cast', 'ice', 'vertical'] as const)('cold and clear gives small, slow and silent, %s', (method) => {
  for (const speciesId of ['smallmouth', 'black-crappie', 'walleye'])
    for (const goal of ['numbers', 'supper'] as const) {
      const [first] = whatToTieOn(fullBox, query({ speciesId, method, goal, tempC: 4, secchiM: 5 }));
      const traits = traitsOf(fullBox.find((p) => p.piece === first.piece)!);
      expect([traits.isLoud, traits.isBulky, traits.family.pace === 'quick', traits.colour === 'bright']).toEqual([false, false, false, false]);
      expect(first.why.join(' ')).toMatch(/Silent.*Slow/);
    }
});

test('stained and warming gives dark or loud and bulky', () => {
  for (const goal of goals) {
    const [first] = whatToTieOn(fullBox, query({ speciesId: 'largemouth', goal, tempC: 11, secchiM: 0.6 }));
    const traits = traitsOf(fullBox.find((p) => p.piece === first.piece)!);
    expect(traits.colour === 'dark' || traits.colour === 'bright').toBe(true);
    if (goal !== 'numbers') expect(traits.isLoud || traits.isBulky).toBe(true);
  }
  // A small white one that suits the fish in all else comes after what they can find.
  const box = [piece('white tube', 'tube', { massG: 3.5, sizeMm: 50, colour: 'white' }), piece('loud', 'lipless', { massG: 14, sizeMm: 65, colour: 'chrome', rattle: true })];
  for (const goal of goals) expect(whatToTieOn(box, query({ speciesId: 'smallmouth', method: 'cast', goal, tempC: 9, secchiM: 0.5 }))[0].piece).toBe('loud');
});

test('size before numbers changes it', () => {
  const numbers = whatToTieOn(fullBox, query({ speciesId: 'largemouth', goal: 'numbers', tempC: 8, secchiM: 1.5 }))[0];
  const size = whatToTieOn(fullBox, query({ speciesId: 'largemouth', goal: 'size', tempC: 8, secchiM: 1.5 }))[0];
  expect(size.piece).not.toBe(numbers.piece);
  expect(traitsOf(fullBox.find((p) => p.piece === size.piece)!).isBulky).toBe(true);
});

test('fall time alone does not choose: 1/16 to 3/8 oz over 26 ft fall within 6 to 12 s, and the box keeps them near each other', () => {
  const depthM = 26 * 0.3048;
  const masses = [1 / 16, 1 / 8, 1 / 4, 3 / 8].map((oz) => oz * 28.35);
  const tubes = masses.map((massG, k) => piece(`tube ${k}`, 'tube', { massG, sizeMm: 60, colour: 'clear' }));
  const choices = whatToTieOn(tubes, query({ depthM, goal: 'supper' }));
  for (const c of choices) expect([c.piece, c.fallS! > 5 && c.fallS! < 16]).toEqual([c.piece, true]);
  expect(choices.at(-1)!.score).toBeGreaterThan(0.7 * choices[0].score);
});

test('a mass that nobody said is one that falls in time, and more where the water moves', () => {
  for (const id of ['micro-jig', 'tube', 'spoon']) {
    const family = familyOf(id);
    const massG = massFor(family, 6, 0);
    const fallS = sinkTime({ massG, material: family.material, shape: family.shape }, 6, fallLimits.lineMm);
    const isAtItsEnd = massG < 1.01 * family.massG[0] || massG > 0.99 * family.massG[1];
    expect([id, isAtItsEnd || (fallS > 8 && fallS < 10)]).toEqual([id, true]);
    expect(massFor(family, 6, 0.2)).toBeGreaterThanOrEqual(massG);
  }
  expect(whatToTieOn([piece('a', 'tube')], query())[0]).toMatchObject({ isMassSaid: false });
});

test('a mass that nobody said is one that lures are sold in, and its fall and reasons are of that one', () => {
  const soldG = lureMassesG(imperial);
  const any = query({ speciesId: 'black-crappie', method: 'ice', depthM: 9.9 });
  for (const p of [piece('Jig', 'micro-jig'), piece('Spoon', 'spoon'), piece('Hook', 'plain-hook')]) {
    const [choice] = whatToTieOn([p], { ...any, soldG });
    expect(soldG).toContain(choice.massG);
    expect(choice.isMassSaid).toBe(false);
    const [exact] = whatToTieOn([p], any);
    expect(Math.abs(Math.log(choice.massG / exact.massG))).toBeLessThan(Math.log(2) / 2 + 0.01);
    expect(choice.fallS! - exact.fallS!).toBeCloseTo(
      sinkTime(lureOf(familyOf(p.family), choice.massG), 9.9, fallLimits.lineMm) - sinkTime(lureOf(familyOf(p.family), exact.massG), 9.9, fallLimits.lineMm),
      0,
    );
  }
  expect(whatToTieOn([piece('Said', 'spoon', { massG: 3.3 })], { ...any, soldG })[0].massG).toBe(3.3);
});

test('an empty box says what to buy first, by family', () => {
  expect(whatToTieOn([], query())).toEqual([]);
  const first = firstToBuy(query({ speciesId: 'black-crappie', method: 'ice' }));
  expect(first.family.methods).toContain('ice');
  expect(first.massG).toBeGreaterThan(0.2);
  expect(first.colour).toBe('natural');
  expect(firstToBuy(query({ speciesId: 'roach', method: 'pole' })).family.methods).toContain('pole');
});

test('what to change to first: the same smaller, else in another colour, else another bait', () => {
  const big = piece('tube 70', 'tube', { sizeMm: 70, colour: 'clear', massG: 3.5 });
  const small = piece('tube 50', 'tube', { sizeMm: 50, colour: 'clear', massG: 3.5 });
  const dark = piece('tube dark', 'tube', { sizeMm: 70, colour: 'black', massG: 3.5 });
  const worm = piece('worm', 'straight-worm', { sizeMm: 90, colour: 'clear', massG: 3.5 });
  const changed = (box: TacklePiece[]) => changeFirst(whatToTieOn(box, query()), box);
  expect(changed([big, small, dark, worm])!.what).toBe('size');
  expect(changed([big, dark, worm])).not.toBeNull();
  expect(changed([worm])).toBeNull();
});

test('colours are told by their words', () => {
  expect(['Clear', 'smoke', 'black/blue', 'Chartreuse', 'silver', 'pearl white', null, 'mauve'].map(colourKind)).toEqual([
    'natural',
    'natural',
    'dark',
    'bright',
    'metal',
    'white',
    null,
    null,
  ]);
});

test('figures out of range are refused by name', () => {
  expect(() => whatToTieOn(fullBox, query({ secchiM: 0 }))).toThrow(/clarity, m: expected 0.1 to 40, found 0/);
  expect(() => whatToTieOn(fullBox, query({ cloud: 2 }))).toThrow(/cloud, share/);
  expect(() => whatToTieOn([piece('x', 'rubber-duck')], query())).toThrow(/family: expected one of micro-jig/);
});

describe('what fish answered, where it works, what they eat', () => {
  const names = (box: TacklePiece[], over: Partial<TieOnQuery>) => whatToTieOn(box, query(over)).map((c) => c.piece);

  test('ten answers to one bait beat the table, one does not, three of three do, whoever holds the rod', () => {
    const box = [piece('hook', 'plain-hook'), piece('spoon', 'spoon')];
    const of = (bites: number, others = 0) => whatToTieOn(box, query({ method: 'ice', speciesId: 'black-crappie', tempC: 3, answers: [{ piece: 'spoon', bites }, { piece: 'hook', bites: others }] })); // prettier-ignore
    expect(of(0)[0].piece).toBe('hook');
    expect(of(1)[0].piece).toBe('hook');
    expect(of(1).find((c) => c.piece === 'spoon')!.why[0]).toMatch(/1 of 1 answers came to it: too few/);
    for (const n of [3, 10]) expect(of(n)[0]).toMatchObject({ piece: 'spoon', breaks: [], rules: expect.arrayContaining(['tie-on.answers']) as string[] });
    expect(of(10, 9)[0].piece).toBe('hook');
    // What they take is not advised against in the next breath.
    expect(of(10)[0].why.join(' ')).not.toMatch(/But:/);
  });

  test('the first pick works in the zone that is asked for, and each says where it works', () => {
    const box = [piece('minnow', 'suspending-minnow'), piece('grub', 'grub'), piece('jig', 'bulky-jig')];
    const first = (zone: Zone) => whatToTieOn(box, query({ zone, goal: 'size' }))[0];
    expect(first('middle').zone).toBe('middle');
    expect(first('near bottom')).toMatchObject({ piece: 'grub', zone: 'near bottom' });
    expect(first('bottom')).toMatchObject({ piece: 'jig', zone: 'bottom' });
    for (const { piece: name, zone } of whatToTieOn(fullBox, query())) expect(familyOf(fullBox.find((p) => p.piece === name)!.family).zones).toContain(zone);
  });

  test('what they eat changes the colour first', () => {
    const box = [piece('pearl', 'tube', { colour: 'pearl' }), piece('green', 'tube', { colour: 'green' })];
    expect(names(box, { forage: 'perch' })[0]).toBe('green');
    expect(names(box, { forage: 'minnow' })[0]).toBe('pearl');
    expect(names([piece('grub', 'grub'), piece('jig', 'finesse-jig')], { forage: 'crayfish', tempC: 8, zone: null, goal: 'size' })[0]).toBe('jig');
  });

  test('a slim long minnow is not bulky, a spoon serves lake trout, no swim jig leads at 3 °C, a pink shad is bright', () => {
    const bass = [piece('minnow', 'suspending-minnow', { sizeMm: 110 }), piece('loud', 'lipless', { rattle: true })];
    expect(names(bass, { speciesId: 'largemouth', goal: 'numbers', tempC: 5 })[0]).toBe('minnow');
    const trout = whatToTieOn([piece('spoon', 'spoon'), piece('micro', 'micro-jig')], query({ speciesId: 'lake-trout', method: 'ice', tempC: 3, depthM: 15 }));
    expect(trout[0]).toMatchObject({ piece: 'spoon', breaks: [] });
    const cold = [piece('swim', 'swim-jig', { colour: 'black' }), piece('finesse', 'finesse-jig', { colour: 'black' })];
    expect(names(cold, { speciesId: 'largemouth', tempC: 3, secchiM: 0.6, goal: 'size' })[0]).toBe('finesse');
    expect([colourKind('pink shad'), colourKind('chartreuse'), colourKind('shad')]).toEqual(['bright', 'bright', 'natural']);
  });

  test('a worm of 15 cm is cut to 13 to 14 in the cold, and straight down it serves as well', () => {
    const worm = piece('worm', 'straight-worm', { sizeMm: 150, massG: 3 });
    expect(whatToTieOn([worm], query({ tempC: 3.4 }))[0].why.join(' ')).toMatch(/Cut it to 13 to 14 cm/);
    expect(whatToTieOn([worm], query({ tempC: 12 }))[0].why.join(' ')).not.toMatch(/Cut it/);
    expect(names([worm], { method: 'vertical' })).toEqual(['worm']);
  });

  test('a head with a trailer falls at half the speed of the bare head', () => {
    const bare = { massG: 3, material: 'lead', shape: 'teardrop' } as const;
    expect(terminalSpeed(lureOf(familyOf('straight-worm'), 3))).toBeCloseTo(terminalSpeed(bare) / 2, 6);
  });
});
