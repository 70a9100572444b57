import { castsAlong, approachOf } from '../../src/banks';
import { retrieveOf, shyDistanceM, whatAfter, withMood, moodOf, type CastSign } from '../../src/casting';
import { diveOver, floatFor, rigCard } from '../../src/rig';
import { tackleFamilies, familyOf } from '../../src/tackle';
import { pickByZone, whatToTieOn, type TieOnQuery } from '../../src/tie-on';
import { spreadDepths, windDrift } from '../../src/troll';
import { minuteMs } from '../../src/units';
import { piece } from '../pieces';

const colours = ['clear', 'black', 'chartreuse', 'white', 'green', 'pearl', 'brown'] as const;
const box = tackleFamilies.flatMap((f) =>
  colours.flatMap((colour) => [
    piece(`${f.id} ${colour} S`, f.id, { colour, sizeMm: f.sizeMm[0], massG: f.massG[0] }),
    piece(`${f.id} ${colour} L`, f.id, { colour, sizeMm: f.sizeMm[1], massG: f.massG[1] }),
  ]),
);
const query = (over: Partial<TieOnQuery>): TieOnQuery => ({
  speciesId: 'largemouth',
  tempC: 6,
  secchiM: 3,
  method: 'cast',
  goal: 'numbers',
  depthM: 4,
  currentMs: 0,
  cloud: null,
  ...over,
});
const familyOfPiece = (name: string | undefined) => box.find((p) => p.piece === name)?.family;
const zones = (over: Partial<TieOnQuery>) => Object.fromEntries(pickByZone(box, query(over)).map(({ zone, pick }) => [zone, pick?.piece]));
const pausesOf = (family: string, tempC: number) => retrieveOf({ family, tempC, depthM: 3 }).pauseS;

describe('job 7, a sliding float over timber', () => {
  const card = rigCard('sliding-float', { depthM: 4.6, bottomM: 8, floats: [{ name: 'Reed', capacityG: 0.6 }] });
  test('rig: stop, bead, float, shot and hook in their order, and why the bead', () => {
    expect(card.parts.map((p) => p.kind)).toEqual(['stop', 'bead', 'float', 'bulk', 'shot', 'shot', 'hook']);
    expect(card.parts[1].name).toMatch(/so that the knot does not slip through/);
  });
  test('balance: it hangs no more than the float carries', () => expect(card.load!.hungG).toBeLessThanOrEqual(card.load!.carriesG));
});

describe('job 8, crappie under a float in the lee', () => {
  test('rig: 1.5 m are fixed, 2.4 m slide', () => expect([floatFor(1.5), floatFor(2.4)]).toEqual(['fixed-float', 'sliding-float']));
  test('movement: pull a metre, then 10 to 20 s of settling about 7 °C', () => {
    const { cadence, pauseS } = retrieveOf({ family: 'float-rig', tempC: 7, depthM: 4.4 });
    expect(cadence.takeM).toBe(1);
    expect((pauseS[0] + pauseS[1]) / 2).toBeGreaterThanOrEqual(10);
    expect((pauseS[0] + pauseS[1]) / 2).toBeLessThanOrEqual(20);
  });
  test('bite: after a miss in again, the stop unchanged', () =>
    expect(retrieveOf({ family: 'float-rig', tempC: 7, depthM: 4.4, after: 'miss' }).headline).toBe('In again, same stop'));
});

describe('job 14, three baits for a cold bank', () => {
  test('goal: three picks, a suspending minnow in the middle, a bulky jig on the bed, none twice', () => {
    const picks = zones({ goal: 'size' });
    expect(familyOfPiece(picks.middle)).toBe('suspending-minnow');
    expect(familyOfPiece(picks.bottom)).toBe('bulky-jig');
    expect(new Set(Object.values(picks).map(familyOfPiece)).size).toBe(3);
  });
  test('its pause: about 4 to 11 s at 6 °C, 1 to 3 at 10', () => {
    const [from, to] = pausesOf('suspending-minnow', 6);
    expect(Math.abs(from - 4)).toBeLessThan(0.5);
    expect(Math.abs(to - 11)).toBeLessThan(0.5);
    expect(pausesOf('suspending-minnow', 10)).toEqual([1, 3]);
  });
  test('what hangs is never told to fall', () => {
    for (const family of ['suspending-minnow', 'tight-crank', 'grub', 'spinner', 'swim-jig'])
      for (const after of ['cast', 'touch', 'miss', 'fish'] as const) expect(retrieveOf({ family, tempC: 6, depthM: 3, after }).does).not.toMatch(/\bfall|sink/);
  });
  test('bait 2: a diver of 2.4 m ticks a bed of 2 m and never touches one of 5', () => {
    expect(retrieveOf({ family: 'tight-crank', tempC: 6, depthM: 2, ownDepthM: 2.4 }).onBed).toBe(true);
    expect(retrieveOf({ family: 'tight-crank', tempC: 6, depthM: 5, ownDepthM: 2.4 }).does).toMatch(/never touches the bed/);
  });
  test('its pace: 3 s a metre, so that 20 m take about a minute', () =>
    expect(retrieveOf({ family: 'tight-crank', tempC: 6, depthM: 2, ownDepthM: 2.4 }).paceSPerM * 20).toBeCloseTo(60, 0));
  test('bait 3: a bulky jig comes at 12 to 25 s a metre', () => {
    const { paceSPerM } = retrieveOf({ family: 'bulky-jig', tempC: 6, depthM: 5, goal: 'size' });
    expect(paceSPerM).toBeGreaterThanOrEqual(12);
    expect(paceSPerM).toBeLessThanOrEqual(25);
  });
  test('step down: followed twice, a longer pause; ignored twice, a jig on the bed', () => {
    const signs = (kind: CastSign['kind']) => [0, 3].map((min): CastSign => ({ ms: min * minuteMs, kind, bearingDeg: 0, outM: 8 }));
    const said = (kind: CastSign['kind']) =>
      withMood(whatAfter({ signs: signs(kind), nowMs: 4 * minuteMs, underM: null, passes: 1 }), moodOf(signs(kind)), 'suspending-minnow', 'size').headline;
    expect(said('followed')).toMatch(/longer pause/);
    expect(said('ignored')).toMatch(/bulky jig on the bed/);
  });
});

describe('job 16, steep walls before spawning', () => {
  test('method: a wall of 1 in 1 is fished along, 1 in 3 across as well', () => expect([castsAlong(45), castsAlong(18.4)]).toEqual(['parallel', 'pitched']));
  test('distance out and light go by clarity and temperature, not by depth', () => {
    expect(approachOf(0.7, 7.5)).toMatchObject({ side: 'sunlit' });
    expect(approachOf(2.2, 11.5)).toMatchObject({ side: 'part shade' });
    expect(shyDistanceM(0.7)).toBeLessThanOrEqual(1.5);
    expect(shyDistanceM(2.2)).toBeGreaterThan(2 * shyDistanceM(0.7));
  });
});

describe('job 17, eight baits over timber', () => {
  const depths = spreadDepths({ band: { fromM: 0.5, toM: 2.2 }, rods: 4, baitsPerRod: 2, fished: [] });
  test('spread: eight different depths, the deepest 0.2 m over the tops', () => {
    expect(new Set(depths.flat()).size).toBe(8);
    expect(Math.max(...depths.flat())).toBeCloseTo(2.2, 2);
  });
  test('speed: a boat drifts at 0.1 to 0.4 m/s in a light wind', () => {
    for (const windMs of [3, 6, 9]) {
      const { speedMs } = windDrift(windMs, 90, 'boat');
      expect(speedMs).toBeGreaterThan(0.09);
      expect(speedMs).toBeLessThan(0.4);
    }
  });
});

describe('job 18, a small pond', () => {
  test('zones: no bait of the surface, one pick for each part', () =>
    expect(Object.values(zones({ tempC: 3.4 })).map(familyOfPiece)).toEqual(expect.arrayContaining(['suspending-minnow', 'straight-worm'])));
  test('middle: 0.6 m and 2 m of dive over 3.2 m of water are mid-water', () => expect([diveOver(0.6, 3.2), diveOver(2, 3.2)]).toEqual(['mid-water', 'mid-water']));
  test('bed: a worm of 15 cm is cut to 13 to 14', () => {
    const [worm] = whatToTieOn([piece('Long worm', 'straight-worm', { sizeMm: 150, colour: 'brown' })], query({ tempC: 3.4, zone: 'bottom' }));
    expect(worm.why.join(' ')).toMatch(/Cut it to 13 to 14 cm/);
  });
  test('colour: another forage, another colour', () => {
    const colour = (forage: 'perch' | 'minnow') => zones({ tempC: 3.4, forage }).middle!.split(' ')[1];
    expect(colour('perch')).toBe('green');
    expect(colour('minnow')).toBe('pearl');
  });
});

describe('job 21, a swim jig in a warmed, dirty pocket', () => {
  const [first] = whatToTieOn(box, query({ tempC: 7.6, secchiM: 0.3, depthM: 1.5 }));
  test('tackle: a dark swim jig, and nothing natural at 0.3 m of clarity', () => {
    expect(familyOfPiece(first.piece)).toBe('swim-jig');
    expect(first.piece).toMatch(/black/);
  });
  test('cast: past the cover, wound at once, 3 s a metre', () => {
    const way = retrieveOf({ family: 'swim-jig', tempC: 7.6, depthM: 1.5 });
    expect(way.does).toMatch(/^Cast past the cover/);
    expect(way.paceSPerM).toBeCloseTo(3, 0);
  });
  test('elsewhere: in clear cold water the swim jig is never first', () => {
    for (const goal of ['numbers', 'size', 'supper'] as const) expect(familyOfPiece(whatToTieOn(box, query({ tempC: 2.8, secchiM: 3, goal }))[0].piece)).not.toBe('swim-jig');
  });
});

test('job 13, tie on: a straight worm is offered straight down as well', () => {
  expect(familyOf('straight-worm').methods).toContain('vertical');
  expect(familyOfPiece(whatToTieOn(box, query({ speciesId: 'smallmouth', method: 'vertical', tempC: 12.5, depthM: 6 }))[0].piece)).toBe('straight-worm');
});
