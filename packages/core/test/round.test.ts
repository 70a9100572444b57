import fc from 'fast-check';
import { adviceWords, cadences, Coach, roundOf, type Advice, type CadenceId } from '../src/coach';
import type { Mark } from '../src/sonar';
import { imperial, metric } from '../src/units';

const mark = (depthM: number): Mark => ({ id: 1, depthM, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 5000 });
const round = (cadence: CadenceId, rod: CadenceId, pauseS: number, forS: number) => roundOf({ cadence: cadences[cadence], rod: cadences[rod], pauseS, forS });

/** What a coach says of a fish that hangs still under the jig, each change of rule once. */
function stalled(seconds: number): Advice[] {
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  const said: Advice[] = [];
  for (let t = 0; t < 1000 * seconds; t += 100) {
    const advice = coach.update({ t, bottomM: 7.5, jigM: 5, marks: [mark(5.4)] })!;
    if (said.at(-1)?.ruleId !== advice.ruleId) said.push(advice);
  }
  return said;
}

test('while the jig is drawn away the beat before goes on', () => {
  const said = stalled(20);
  const at = said.findIndex((a) => a.cadence.id === 'slow-lift');
  expect(at).toBeGreaterThan(0);
  expect(said[at].rod).toEqual(said[at - 1].rod);
  expect(said[at].rod.id).not.toBe('slow-lift');
  for (const advice of said.filter((a) => a.cadence.id !== 'slow-lift')) expect(advice.rod).toEqual(advice.cadence);
  const words = adviceWords(said[at], metric);
  expect(words.instruction).toMatch(/^Draw slowly up to /);
  expect(words.beat).toBe(`keep the lift ${Math.round(100 * said[at].rod.liftM)} cm, ${said[at].rod.beatPerMin} a minute`);
  expect(words.pause).toBe('up 6 cm a second');
  expect(adviceWords(said[at], imperial).pause).toBe('up 2 in a second');
});

test('a draw that goes on tells how long the fish had hung, though it has begun to come', () => {
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  let drawn: Advice | null = null;
  for (let t = 0; t < 30_000; t += 100) {
    const comes: number = drawn === null ? 0 : 0.06 * ((t - drawn.sinceMs) / 1000);
    const advice = coach.update({ t, bottomM: 7.5, jigM: 5 - comes, marks: [{ ...mark(5.4 - comes), riseMs: comes > 0 ? 0.06 : 0 }] })!;
    if (drawn !== null && advice.ruleId !== drawn.ruleId) break;
    if (advice.ruleId === 'look.stalled.draw') drawn = advice;
    if (drawn) expect(adviceWords(advice, metric).reason).toMatch(/for ([4-9]|\d\d) s\./);
  }
  expect(drawn).not.toBeNull();
});

test('a coach that sees a follower first has a beat for the draw, and a rod held still has none to keep', () => {
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  let advice: Advice | null = null;
  for (let t = 0; t < 4000; t += 100) {
    const upM = 0.00005 * t;
    advice = coach.update({ t, bottomM: 7.5, jigM: 5 - upM, marks: [{ ...mark(5.3 - upM), riseMs: 0.05 }] });
  }
  expect(advice!.rod.id).not.toBe('slow-lift');
  const still = { ...advice!, cadence: cadences['slow-lift'], rod: cadences.deadstick };
  expect(adviceWords(still, metric).beat).toBe('rod still');
});

test('a round has the beats of its rod, rises and falls between 0 and 1, and a draw ends high', () => {
  const ids = Object.keys(cadences) as CadenceId[];
  fc.assert(
    fc.property(
      fc.constantFrom(...ids),
      fc.constantFrom(...ids.filter((id) => id !== 'slow-lift')),
      fc.integer({ min: 1, max: 30 }),
      fc.integer({ min: 5, max: 90 }),
      (id, beat, pauseS, forS) => {
        const isDrawn = id === 'slow-lift';
        const { seconds, beatsAt, lift } = round(id, isDrawn ? beat : id, pauseS, forS);
        for (let k = 0; k <= 200; k++) {
          const high = lift((k / 200) * seconds);
          expect(high).toBeGreaterThanOrEqual(-1e-9);
          expect(high).toBeLessThanOrEqual(1 + 1e-9);
        }
        for (const s of beatsAt) expect(s).toBeLessThan(seconds);
        expect([...beatsAt]).toEqual([...beatsAt].sort((a, b) => a - b));
        if (isDrawn) expect(lift(seconds)).toBeGreaterThan(0.7);
        else expect(beatsAt).toHaveLength(cadences[id].liftM === 0 ? 0 : cadences[id].beats);
      },
    ),
  );
  // Four beats of a third of a second, then four seconds of rest.
  expect(round('quiver', 'quiver', 4, 7).seconds).toBeCloseTo(4 / 3 + 4, 9);
  expect(round('slow-lift', 'quiver', 4, 6)).toMatchObject({ seconds: 8, beatsAt: [0, 1 / 3, 2 / 3, 1, 4 / 3 + 4, 4 / 3 + 4 + 1 / 3].map((s) => expect.closeTo(s, 9) as number) });
  expect(round('slow-lift', 'deadstick', 10, 6).beatsAt).toEqual([0]);
});
