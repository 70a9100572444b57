import fc from 'fast-check';
import { aboveMark, adviceWords, cadences, Coach, coachLimits, emptyMemory, sightingRules, type Advice } from '../src/coach';
import { speciesOf } from '../src/fish';
import { edgeDepthError, type EchoState, type Mark } from '../src/sonar';
import { imperial, metric } from '../src/units';

const bottomM = 9;
const species = fc.constantFrom('black-crappie', 'yellow-perch', 'lake-trout', 'walleye', 'bluegill');

/** A few fish that come, swim up and down, and go, as one ping's worth of change each half second. */
const water = fc.array(
  fc.record({
    jigM: fc.option(fc.double({ min: 0.4, max: bottomM - 0.05, noNaN: true }), { freq: 8 }),
    hasBottom: fc.boolean(),
    marks: fc.array(
      fc.record({
        id: fc.integer({ min: 1, max: 4 }),
        depthM: fc.double({ min: 0.5, max: bottomM, noNaN: true }),
        riseMs: fc.double({ min: -1, max: 1, noNaN: true }),
        levelDb: fc.double({ min: -60, max: -30, noNaN: true }),
        kind: fc.constantFrom('fish' as const, 'school' as const, 'bait' as const, 'clutter' as const),
      }),
      { maxLength: 4 },
    ),
  }),
  { minLength: 1, maxLength: 40 },
);
type Water = typeof water extends fc.Arbitrary<infer T> ? T : never;

const statesOf = (steps: Water): EchoState[] =>
  steps.map(({ jigM, hasBottom, marks }, k) => ({
    t: 500 * k,
    bottomM: hasBottom ? bottomM : null,
    jigM,
    marks: marks
      .map((m): Mark => ({ ...m, ageMs: 2000, ...(m.kind === 'school' || m.kind === 'bait' ? { topM: m.depthM, baseM: m.depthM + 0.8 } : {}) }))
      .sort((a, b) => a.depthM - b.depthM),
  }));

const advise = (coach: Coach, states: readonly EchoState[]) => states.map((state) => coach.update(state)).filter((a): a is Advice => a !== null);

describe('whatever is seen', () => {
  test('the jig is never sent into the ice or the bottom, and every advice can be carried out', () => {
    fc.assert(
      fc.property(species, water, fc.double({ min: 0, max: 12, noNaN: true }), (speciesId, steps, waterTempC) => {
        const states = statesOf(steps);
        const coach = new Coach({ speciesId, waterTempC, beamDeg: 12 });
        for (const state of states) {
          const advice = coach.update(state);
          if (!advice) continue;
          expect(advice.jigM).toBeGreaterThanOrEqual(0.4);
          if (state.bottomM !== null && advice.sinceMs === state.t) expect(advice.jigM).toBeLessThanOrEqual(state.bottomM - 0.05 + 1e-9);
          expect(Object.keys(cadences)).toContain(advice.cadence.id);
          expect(sightingRules.map((r) => r.id)).toContain(advice.ruleId);
          expect(advice.pauseS).toBeGreaterThanOrEqual(0);
          expect(advice.handMs === null || advice.handMs > 0).toBe(true);
          for (const units of [imperial, metric])
            for (const text of Object.values(adviceWords(advice, units))) expect(text).not.toMatch(/NaN|undefined|\{|Infinity| {2}| [.,]|^No marks together/);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('the same sights and the same memory give the same advice, also after the memory was stored', () => {
    fc.assert(
      fc.property(species, water, water, (speciesId, before, after) => {
        const setting = { speciesId, waterTempC: 4, beamDeg: 12 };
        const told = new Coach(setting, emptyMemory());
        advise(told, statesOf(before));
        const stored = JSON.parse(JSON.stringify(told.memory)) as typeof told.memory;
        const again = structuredClone(told.memory);
        expect(advise(new Coach(setting, stored), statesOf(after))).toEqual(advise(new Coach(setting, again), statesOf(after)));
      }),
      { numRuns: 80 },
    );
  });

  test('what it remembers never goes below nothing, and grows no further than its rows', () => {
    fc.assert(
      fc.property(water, fc.array(fc.constantFrom('looked', 'followed', 'nipped', 'refused', 'bite', 'fled', 'landed'), { maxLength: 12 }), (steps, taps) => {
        const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
        statesOf(steps).forEach((state, k) => {
          coach.update(state);
          if (k < taps.length) coach.reacted(taps[k], state.t, state.jigM);
        });
        for (const { won, lost, seconds } of coach.memory.answers) for (const value of [won, lost, seconds]) expect(value).toBeGreaterThanOrEqual(0);
        expect(coach.memory.answers.length).toBeLessThanOrEqual(4 * Object.keys(cadences).length);
        expect(coach.memory.topsM.length).toBeLessThanOrEqual(12);
      }),
      { numRuns: 100 },
    );
  });
});

test('over a mark the jig hangs at one height, more where it is faint, whatever the species', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('black-crappie', 'lake-trout', 'walleye'),
      fc.double({ min: 3, max: 8, noNaN: true }),
      fc.double({ min: -58, max: -30, noNaN: true }),
      (speciesId, depthM, levelDb) => {
        const mark: Mark = { id: 1, depthM, kind: 'fish', levelDb, riseMs: 0, ageMs: 3000 };
        const advice = new Coach({ speciesId, waterTempC: 4, beamDeg: 12 }).update({ t: 0, bottomM, jigM: depthM - 0.5, marks: [mark] })!;
        const faint = levelDb < coachLimits.weakDb ? edgeDepthError(depthM, 12) : 0;
        expect(advice.jigM).toBeCloseTo(depthM - coachLimits.hoverM - faint, 9);
        expect(aboveMark(mark, speciesOf(speciesId).offsetM, 12)).toBeLessThan(depthM);
      },
    ),
  );
});

test('over fish of the bottom the jig gives way upward, and is let down far or not at all', () => {
  const moves = { up: 0, down: 0 };
  const depths = fc.array(fc.double({ min: bottomM - 1.4, max: bottomM - 0.1, noNaN: true }), { minLength: 1, maxLength: 3 });
  fc.assert(
    fc.property(species, fc.array(depths, { minLength: 5, maxLength: 40 }), (speciesId, sights) => {
      const coach = new Coach({ speciesId, waterTempC: 4, beamDeg: 12 });
      let lineM = bottomM - 1;
      sights.forEach((depthsM, k) => {
        coach.line(lineM);
        const marks = depthsM.sort((a, b) => a - b).map((depthM, id): Mark => ({ id, depthM, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 2000 }));
        const advice = coach.update({ t: 500 * k, bottomM, jigM: lineM, marks })!;
        const { aim } = sightingRules.find((r) => r.id === advice.ruleId)!;
        const downM = aim === 'over' ? advice.jigM - lineM : 0;
        if (downM > 0) expect(downM).toBeGreaterThanOrEqual(coachLimits.dropM);
        if (downM !== 0) moves[downM > 0 ? 'down' : 'up']++;
        lineM = advice.jigM;
      });
    }),
    { numRuns: 150 },
  );
  expect(moves.up).toBeGreaterThan(50);
  expect(moves.down).toBeGreaterThan(50);
});
