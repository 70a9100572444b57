import { coldPauseS, familyRetrieve, fishSeen, retrieveAfters, retrieveBeds, retrieveOf } from '../src/casting';
import { tackleFamilies } from '../src/tackle';

const at4 = (family: string, more: object = {}) => retrieveOf({ family, tempC: 4, depthM: 4, ...more });

test('at 4 °C each family goes at the pace of its row', () => {
  const paces: Record<string, [number, number]> = {
    'suspending-minnow': [10, 20],
    'tight-crank': [2.7, 3.3],
    lipless: [6, 10],
    blade: [6, 10],
    grub: [3, 4],
    'swim-jig': [2.7, 3.3],
    'straight-worm': [8, 12],
    'finesse-jig': [10, 15],
    tube: [10, 15],
    'hair-jig': [10, 15],
    'bulky-jig': [12, 25],
    spoon: [6, 10],
    'float-rig': [10, 20],
  };
  for (const [family, [from, to]] of Object.entries(paces)) {
    const { paceSPerM } = at4(family);
    expect({ family, fits: paceSPerM >= from && paceSPerM <= to, paceSPerM }).toMatchObject({ fits: true });
  }
  expect(at4('tight-crank', { seen: 'chase' }).paceSPerM).toBeCloseTo(1, 1);
});

test('the pause is 5 to 15 s at 4 °C, 4 to 11 at 6, 1 to 3 at 10, never over 30, and never longer in warmer water', () => {
  expect(coldPauseS(4)).toEqual([5, 15]);
  expect(coldPauseS(6).map(Math.round)).toEqual([4, 11]);
  expect(coldPauseS(10).map(Math.round)).toEqual([1, 3]);
  expect(coldPauseS(-2)[1]).toBeLessThanOrEqual(30);
  for (const { id } of tackleFamilies)
    for (const seen of fishSeen)
      for (let tempC = -1; tempC < 25; tempC += 0.5) {
        const [colder, warmer] = [tempC, tempC + 0.5].map((t) => retrieveOf({ family: id, tempC: t, depthM: 5, seen }).pauseS);
        expect(colder[0]).toBeGreaterThanOrEqual(warmer[0]);
        expect(colder[1]).toBeGreaterThanOrEqual(warmer[1]);
        expect(warmer[0]).toBeLessThanOrEqual(warmer[1]);
      }
});

test('what hangs is never told to fall, what dives or is wound never to hop, and the pace is the sum of move and pause', () => {
  for (const { id } of tackleFamilies)
    for (const seen of fishSeen)
      for (const after of retrieveAfters)
        for (const bed of [null, ...retrieveBeds])
          for (const depthM of [0.5, 2, 5, 20]) {
            const r = retrieveOf({ family: id, tempC: 5, depthM, seen, after, bed });
            const row = familyRetrieve(id);
            if (row.hangs) {
              expect(r.does).not.toMatch(/\bfall/i);
              expect(r.does).not.toMatch(/\bhop\b/i);
              expect(r.cadence.id).not.toBe('hop');
            }
            expect(r.onBed).toBe(r.depthM === null);
            if (r.depthM !== null) expect(r.depthM > 0 && r.depthM < depthM).toBe(true);
            expect(r.paceSPerM).toBeCloseTo((r.moveS + (r.pauseS[0] + r.pauseS[1]) / 2) / r.cadence.takeM, 6);
            expect(r.rules[0]).toBe(`retrieve.${id}`);
          }
});

test('a diver of 2.4 m ticks a bed at 2 m and never touches one at 5; a hovering bait keeps to its own depth', () => {
  expect(at4('tight-crank', { depthM: 2, ownDepthM: 2.4 })).toMatchObject({ onBed: true });
  expect(at4('tight-crank', { depthM: 5, ownDepthM: 2.4 })).toMatchObject({ onBed: false, depthM: 2.4, does: expect.stringMatching(/never touches the bed/) as string });
  expect(at4('tight-crank', { depthM: 1, ownDepthM: 2.4 }).does).toMatch(/shallower/);
  expect(at4('suspending-minnow', { depthM: 13, ownDepthM: 1.5 }).depthM).toBe(1.5);
});

test('after a miss each says its own, and the mood of the fish moves the pause one way', () => {
  expect(at4('straight-worm', { after: 'miss' })).toMatchObject({ headline: 'Let it fall straight back', does: expect.stringMatching(/do not wind in/) as string });
  expect(at4('suspending-minnow', { after: 'miss' }).does).toMatch(/^Leave it hanging/);
  expect(at4('float-rig', { after: 'touch' }).does).toMatch(/^In again at once, the stop unchanged/);
  const rests = (['chase', 'none', 'follow', 'ignore'] as const).map((seen) => at4('bulky-jig', { seen }).pauseS[1]);
  expect([...rests].sort((a, b) => a - b)).toEqual(rests);
  expect(at4('bulky-jig', { goal: 'size' }).paceSPerM).toBeGreaterThan(at4('bulky-jig').paceSPerM);
});

test('bad figures say what was expected', () => {
  expect(() => retrieveOf({ family: 'anvil', tempC: 4, depthM: 4 })).toThrow(/expected one of/);
  expect(() => at4('grub', { depthM: 0 })).toThrow(/depth of the water/);
  expect(() => retrieveOf({ family: 'grub', tempC: 70, depthM: 4 })).toThrow(/temperature/);
});
