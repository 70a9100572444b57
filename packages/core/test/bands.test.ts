import { longestRulerMm, speciesTable, type SpeciesGroup } from '../src/fish';
import { fishDepth, phaseRules, seasonStage, stageRules, type SeasonStage } from '../src/outlook';
import { hourMs } from '../src/units';
import { valueAt } from '../src/water';
import type { ColumnProfile } from '../src/winter';

/** A bed without a drop. */
const bed12 = { deepestM: 12, footM: null };

const now = Date.UTC(2027, 0, 16);
const day = 24 * hourMs;
const stages: SeasonStage[] = ['autumn cooling', 'open cold water', 'first ice', 'midwinter', 'late ice', 'just after ice-out', 'pre-spawn'];
const groups: SpeciesGroup[] = ['panfish', 'bass', 'pike-walleye', 'deep', 'stocked-trout', 'roach-like'];

/** A column of 12 m with the temperature and oxygen that a test wants. */
function profile(tempC: (z: number) => number, oxygen: (z: number) => number, ice: Partial<ColumnProfile> = {}): ColumnProfile {
  const depthM = Array.from({ length: 49 }, (_, i) => 0.25 * i);
  return {
    atMs: now,
    iceClearM: 0,
    iceWhiteM: 0,
    snowM: 0,
    slushM: 0,
    thawDegreeH: 0,
    hoursAbove: 0,
    depthM,
    tempC: depthM.map(tempC),
    oxygenMgL: depthM.map(oxygen),
    light: depthM.map((z) => Math.exp(-z / 2)),
    ...ice,
  };
}
const winter = (more: Partial<ColumnProfile> = {}) =>
  profile(
    (z) => Math.min(4, z / 2),
    (z) => (z > 10 ? 0.5 : 11),
    { iceClearM: 0.3, ...more },
  );
const open = (surfaceC: number) =>
  profile(
    () => surfaceC,
    () => 11,
  );

test('every stage has a row for every group, once, with a reason and a place', () => {
  expect(stageRules).toHaveLength(stages.length * groups.length);
  for (const stage of stages) {
    for (const group of groups) {
      const rows = stageRules.filter((r) => r.stage === stage && r.group === group);
      expect(rows).toHaveLength(1);
      expect(rows[0].reason).toMatch(/\.$/);
      expect(rows[0].where).not.toMatch(/^[A-Z]|\.$/);
      expect(rows[0].strength).toBeGreaterThan(0);
    }
  }
});

test.each([
  ['autumn cooling', open(13), null, null, 10],
  ['open cold water', open(7), null, null, 9.5],
  ['first ice', winter(), now - 10 * day, null, 9],
  ['midwinter', winter(), now - 50 * day, null, 9],
  ['late ice', winter(), now - 100 * day, null, 11.5],
  ['late ice', winter({ thawDegreeH: 90 }), now - 50 * day, null, 9],
  ['just after ice-out', open(6), now - 120 * day, now - 5 * day, 12.5],
  ['pre-spawn', open(9), now - 120 * day, now - 5 * day, 12.5],
  ['pre-spawn', open(6), now - 120 * day, now - 30 * day, 13],
] as const)('%s is told by the column, its ice and the day’s length', (stage, column, freezeUpMs, iceOutMs, dayLengthH) => {
  expect(seasonStage({ now: column, dayAgo: null, freezeUpMs, iceOutMs }, dayLengthH)).toBe(stage);
});

test('a lake that never froze turns to spring when its water rises in longer days', () => {
  const rising = { now: open(8), dayAgo: open(7.5), freezeUpMs: null, iceOutMs: null };
  expect(seasonStage(rising, 12.5)).toBe('pre-spawn');
  expect(seasonStage({ ...rising, dayAgo: open(9) }, 12.5)).toBe('open cold water');
});

test('whatever the fish, the stage and the weather, it is looked for where it can breathe, within the water', () => {
  for (const { id, leastOxygenMgL } of speciesTable) {
    for (const stage of stages) {
      for (const { phase } of phaseRules) {
        const column = winter();
        const { look, habitable, spentBelowM } = fishDepth(id, column, bed12, stage, phase);
        expect(look).not.toBeNull();
        expect(look!.fromM).toBeGreaterThanOrEqual(habitable!.fromM - 1e-9);
        expect(look!.toM).toBeLessThanOrEqual(habitable!.toM + 1e-9);
        expect(look!.toM - look!.fromM).toBeGreaterThan(0.4);
        for (const z of [look!.fromM, look!.toM]) expect(valueAt(column, 'oxygenMgL', z)).toBeGreaterThanOrEqual(leastOxygenMgL - 0.01);
        expect(spentBelowM!).toBeLessThan(10.3);
      }
    }
  }
});

test('warm-water fish keep to the warm below, trout use the whole cold column', () => {
  const crappie = fishDepth('black-crappie', winter(), bed12, 'midwinter');
  const trout = fishDepth('rainbow-trout', winter(), bed12, 'midwinter');
  expect(crappie.habitable!.fromM).toBeGreaterThan(5);
  expect(trout.habitable!.fromM).toBeLessThan(0.5);
  expect(trout.look!.toM).toBeLessThan(crappie.look!.fromM);
  expect(crappie.tempC).toBeCloseTo(4, 1);
});

test('in summer-warm water a trout is kept down by the warmth', () => {
  const layered = profile(
    (z) => (z < 5 ? 22 : 9),
    () => 9,
  );
  expect(fishDepth('lake-trout', layered, bed12, 'pre-spawn').habitable!.fromM).toBeGreaterThan(4.7);
});

test('behind a front the stretch lies tight, ahead of one it reaches up', () => {
  const [behind, steady, ahead] = (['post-front clear', 'steady', 'approach'] as const).map((phase) => fishDepth('black-crappie', winter(), bed12, 'midwinter', phase).look!);
  expect(behind.toM).toBe(steady.toM);
  expect(behind.fromM).toBeGreaterThan(steady.fromM);
  expect(ahead.fromM).toBeLessThan(steady.fromM);
});

test('water without oxygen has no depth to fish', () => {
  const dead = profile(
    () => 4,
    () => 0.3,
  );
  expect(fishDepth('black-crappie', dead, bed12, 'midwinter')).toMatchObject({ habitable: null, look: null, tempC: null });
});

test('the species table is complete and within reason', () => {
  expect(speciesTable).toHaveLength(17);
  expect(new Set(speciesTable.map((s) => s.id)).size).toBe(17);
  for (const s of speciesTable) {
    expect(s.comfortC[0]).toBeLessThan(s.comfortC[1]);
    expect(s.lethargyC).toBeLessThan(s.comfortC[0]);
    expect(s.leastOxygenMgL).toBeGreaterThanOrEqual(1);
    expect(s.leastOxygenMgL).toBeLessThanOrEqual(5);
    expect(s.ruler.fromMm).toBeLessThan(s.ruler.usualMm);
    expect(s.ruler.usualMm).toBeLessThan(longestRulerMm);
    expect(s.handling).toMatch(/\.$/);
  }
  // Trout, char, whitefish, pike and roach can vent; perch, crappie, bass, walleye and burbot cannot.
  const vents = speciesTable.filter((s) => s.injuryDepthM === null).map((s) => s.id);
  expect(vents.sort()).toEqual(['lake-trout', 'lake-whitefish', 'northern-pike', 'rainbow-trout', 'roach']);
});
