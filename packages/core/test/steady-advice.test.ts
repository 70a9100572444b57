import { adviceWords, Coach, rodFor, SteadyAdvice, type Advice, type CadenceId } from '../src/coach';
import { SimulatedFlasher } from '../src/simulator';
import { EchoReader } from '../src/sonar';
import { imperial, metresPerFoot } from '../src/units';

/** Two minutes at a hole as one who follows what is said: headings by the raw advice and as said, with when each changed, ms. */
function twoMinutes(sceneId: string, seed: number) {
  const flasher = new SimulatedFlasher({ seed, sceneId, start: 'x' });
  const reader = new EchoReader(flasher.header);
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: flasher.header.beamDeg });
  const calm = new SteadyAdvice(0.5 * metresPerFoot);
  const [raw, said]: { t: number; text: string; advice: Advice }[][] = [[], []];
  let followedAt = 0;
  for (let k = 0; k < 120 * flasher.header.pingRateHz; k++) {
    const { ping } = flasher.next();
    const advice = coach.update(reader.ping(ping));
    const spoken = calm.push(advice, ping.t);
    if (!advice || !spoken) continue;
    for (const [list, one] of [
      [raw, advice],
      [said, spoken],
    ] as const) {
      const text = adviceWords(one, imperial).instruction;
      if (list.at(-1)?.text !== text) list.push({ t: ping.t, text, advice: one });
    }
    // A hand follows two seconds late.
    if (ping.t - followedAt > 2000) {
      followedAt = ping.t;
      flasher.setJig(spoken.jigM, spoken.handMs);
      flasher.setRod(rodFor(spoken.cadence.id as CadenceId, 4));
      reader.line(spoken.jigM);
      coach.line(spoken.jigM);
    }
  }
  return { raw, said };
}

test('what is said changes far less often than the advice, never twice within four seconds but for a fish that comes', () => {
  let [rawChanges, saidChanges] = [0, 0];
  for (const sceneId of ['stack', 'steady'])
    for (const seed of [1, 2, 3]) {
      const { raw, said } = twoMinutes(sceneId, seed);
      rawChanges += raw.length - 1;
      saidChanges += said.length - 1;
      said.forEach((one, k) => {
        if (k === 0 || one.t - said[k - 1].t >= 4000) return;
        expect(one.advice.marks).toBeGreaterThan(0);
        expect(said[k - 1].advice.marks).toBe(0);
      });
    }
  expect(saidChanges).toBeLessThan(0.6 * rawChanges);
});

test('a depth within half a step is the same, and quieter and livelier do not take turns', () => {
  const base = { ruleId: 'look.still', cadence: { id: 'quiver' }, jigM: 5, marks: 1, byAnswers: 'quieter' } as unknown as Advice;
  const calm = new SteadyAdvice(0.15);
  expect(calm.push(base, 0)).toMatchObject({ jigM: 5, byAnswers: 'quieter' });
  expect(calm.push({ ...base, jigM: 5.07 }, 5000)!.jigM).toBe(5);
  expect(calm.push({ ...base, jigM: 5.09 }, 6000)!.jigM).toBe(5.09);
  expect(calm.push({ ...base, jigM: 5.6 }, 7000)!.jigM).toBe(5.09);
  expect(calm.push({ ...base, ruleId: 'look.coming', byAnswers: 'livelier' }, 11_000)).toMatchObject({ ruleId: 'look.coming', byAnswers: null });
  expect(calm.push({ ...base, ruleId: 'look.still', byAnswers: 'livelier' }, 140_000)!.byAnswers).toBe('livelier');
});
