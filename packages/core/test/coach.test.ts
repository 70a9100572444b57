import { aboveMark, adviceWords, chooseCadence, Coach, coachLimits, searchSpan, sightingRules, memoryOf, shaftWords, type SightingId } from '../src/coach';
import { speciesOf } from '../src/fish';
import { EchoReader, type EchoState, type Mark } from '../src/sonar';
import { SimulatedFlasher } from '../src/simulator';
import { imperial, metric, seededRandom } from '../src/units';

const setting = { speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 };
const mark = (depthM: number, riseMs = 0, id = 1): Mark => ({ id, depthM, kind: 'fish', levelDb: -38, riseMs, ageMs: 5000 });

/** Shows a coach ten pings a second of a moving water and answers the looks it named. */
function looks(seconds: number, at: (s: number) => Partial<EchoState>, speciesId = 'black-crappie'): SightingId[] {
  const coach = new Coach({ ...setting, speciesId });
  const seen: SightingId[] = [];
  for (let t = 0; t < seconds * 1000; t += 100) {
    const advice = coach.update({ t, bottomM: 7.5, jigM: 5, marks: [], ...at(t / 1000) });
    if (advice && seen.at(-1) !== advice.sighting) seen.push(advice.sighting);
  }
  return seen;
}

test('nothing seen: call; bottom feeders: thump', () => {
  expect(looks(5, () => ({}))).toEqual(['nothing']);
  const coach = new Coach({ ...setting, speciesId: 'yellow-perch' });
  const advice = coach.update({ t: 0, bottomM: 7.5, jigM: 7, marks: [] })!;
  expect(advice.ruleId).toBe('look.nothing.bottom');
  expect(advice.jigM).toBeCloseTo(7.5 - speciesOf('yellow-perch').offsetM, 6);
});

test('a mark far off, then rising, stalled, sinking away', () => {
  expect(looks(10, () => ({ marks: [mark(6.6)] }))).toEqual(['far']);
  expect(looks(8, (s) => ({ marks: [mark(6.9 - 0.15 * s, 0.15)] }))).toContain('rising');
  expect(looks(12, () => ({ marks: [mark(5.4)] })).slice(-1)).toEqual(['stalled']);
  expect(looks(10, (s) => ({ marks: [mark(5.4 + 0.12 * s, -0.12)] })).slice(-1)).toEqual(['sinks']);
});

test('after a long stall the jig is drawn away, and a follower is drawn on', () => {
  const coach = new Coach(setting);
  let advice = null;
  for (let t = 0; t < 16_000; t += 100) advice = coach.update({ t, bottomM: 7.5, jigM: 5, marks: [mark(5.4)] });
  expect(advice!.ruleId).toBe('look.stalled.draw');
  expect(['slow-lift', 'quiver', 'shrink']).toContain(advice!.cadence.id);
  expect(looks(10, (s) => ({ jigM: 5 - 0.05 * s, marks: [mark(5.4 - 0.05 * s, 0.05)] }))).toContain('follows');
});

test('by the bottom the jig stays over a fish that sways, is let down after one that sinks, and does not leave it for one that swims through above', () => {
  const coach = new Coach(setting);
  const bottomM = 6.6;
  const at = (t: number, marks: Mark[], jigM = 5) => {
    coach.line(jigM);
    return coach.update({ t, bottomM, jigM, marks })!;
  };
  const overM = at(0, [mark(5.3)]).jigM;
  for (let t = 100; t < 3000; t += 100) expect(at(t, [mark(5.3 + 0.1 * Math.sin(t))], overM).jigM).toBeLessThanOrEqual(overM);
  expect(at(3100, [mark(5.2, 0, 7), mark(5.4)], overM).topMarkM).toBe(5.4);
  expect(at(3200, [mark(5.2, 0, 7), mark(5.9)], overM).topMarkM).toBe(5.2);
  for (let t = 3300; t < 9000; t += 100) at(t, [mark(6.4)], overM);
  expect(at(9000, [mark(6.4)], overM).jigM).toBeCloseTo(6.4 - coachLimits.hoverM, 6);
  // In open water the jig goes after every mark, and to the highest.
  const open = new Coach(setting);
  open.line(5);
  open.update({ t: 0, bottomM: 9, jigM: 5, marks: [mark(5.3)] });
  const later = open.update({ t: 100, bottomM: 9, jigM: 5, marks: [mark(5.25, 0, 7), mark(5.4)] })!;
  expect(later.topMarkM).toBe(5.25);
  expect(open.update({ t: 200, bottomM: 9, jigM: 5, marks: [mark(5.4)] })!.jigM).toBeCloseTo(5.4 - coachLimits.hoverM, 6);
});

test('three together are kept lively; a flare-off is left alone', () => {
  expect(looks(6, () => ({ marks: [mark(5.6), mark(5.9, 0, 2), mark(6.2, 0, 3)] }))).toContain('several');
  expect(looks(9, (s) => ({ marks: s < 3 ? [mark(5.4)] : s < 4 ? [mark(5.4 + 0.9 * (s - 3), -0.9)] : [] }))).toContain('fled');
});

test('the jig hangs above the top mark, further above a faint one, and never below for upward feeders', () => {
  expect(aboveMark(mark(6), 0.3, 12)).toBeCloseTo(5.7, 6);
  expect(aboveMark({ depthM: 6, levelDb: -55 }, 0.3, 12)).toBeLessThan(5.6);
  const random = seededRandom(4);
  for (let i = 0; i < 200; i++) {
    const marks = Array.from({ length: 1 + Math.floor(3 * random()) }, (_, k) => mark(2 + 5 * random(), 0, k + 1)).sort((a, b) => a.depthM - b.depthM);
    const advice = new Coach(setting).update({ t: 0, bottomM: 7.5, jigM: 1, marks })!;
    if (advice.sighting !== 'nothing') expect(advice.jigM).toBeLessThan(marks[0].depthM);
  }
});

test('no instruction is shorter than four seconds unless a fish arrives', () => {
  const coach = new Coach(setting);
  const random = seededRandom(9);
  let last = { rule: '', since: -10_000 };
  let marks: Mark[] = [];
  for (let t = 0; t < 120_000; t += 100) {
    const before = marks.length;
    if (t % 700 === 0) marks = random() < 0.5 ? [] : [mark(5.2 + 1.5 * random(), 0.3 * (random() - 0.5), t)];
    const advice = coach.update({ t, bottomM: 7.5, jigM: 5, marks })!;
    if (advice.ruleId === last.rule) continue;
    const arrived = marks.length > 0 && before === 0;
    if (!arrived) expect(t - last.since).toBeGreaterThanOrEqual(4000);
    last = { rule: advice.ruleId, since: t };
  }
});

test('the same states give the same advice', () => {
  const run = () => {
    const flasher = new SimulatedFlasher({ seed: 11, sceneId: 'stack', start: 'x' });
    const reader = new EchoReader(flasher.header);
    const coach = new Coach(setting);
    reader.line(flasher.jig.commandedM);
    return Array.from({ length: 900 }, () => coach.update(reader.ping(flasher.next().ping)));
  };
  expect(run()).toEqual(run());
});

test('cadences like the one that is answered come to be chosen, those like one that is refused are left', () => {
  const { offers } = sightingRules.find((r) => r.id === 'look.stalled')!;
  /** How often a lively or a quiet cadence is chosen after so many answers to the lively one. */
  const lively = (kind: 'bite' | 'refused') => {
    const memories = Array.from({ length: 60 }, (_, k) =>
      memoryOf([...Array.from({ length: 8 }, () => ({ kind, cadence: 'bounce' })), ...Array.from({ length: k % 7 }, () => ({ kind: 'looked' as const, cadence: 'shrink' }))]),
    );
    return memories.filter((memory, k) => ['bounce', 'tap'].includes(chooseCadence(memory, 'close', offers, `k${k}`))).length / 60;
  };
  expect(lively('bite')).toBeGreaterThan(0.7);
  expect(lively('refused')).toBeLessThan(0.15);
});

test('two refusals alike change the cadence, and the memory of it outlives the coach', () => {
  const coach = new Coach(setting);
  const see = (from: number, to: number) => {
    let advice = null;
    for (let t = from; t < to; t += 100) advice = coach.update({ t, bottomM: 7.5, jigM: 5, marks: [mark(5.4)] });
    return advice!.cadence.id;
  };
  const first = see(0, 3000);
  coach.reacted('refused', 3000, 5);
  coach.reacted('refused', 3100, 5);
  expect(see(3200, 3400)).not.toBe(first);
  expect(coach.memory.refusals).toBe(2);
  coach.reacted('bite', 4000, 5);
  expect(coach.memory.refusals).toBe(0);
  expect(JSON.parse(JSON.stringify(coach.memory))).toEqual(coach.memory);
});

test('with a fish near the jig is moved by hand, without one as it falls', () => {
  const hand = (marks: Mark[]) => new Coach(setting).update({ t: 0, bottomM: 7.5, jigM: 5, marks })!.handMs;
  expect(hand([])).toBeNull();
  expect(hand([mark(5.6)])).toBeLessThanOrEqual(0.3);
});

test('a fish that looks is drawn up: the jig keeps its height over it, and gives way each time it closes', () => {
  for (const speciesId of ['black-crappie', 'lake-trout', 'walleye']) {
    const coach = new Coach({ ...setting, speciesId });
    let jigM = 5;
    let fishM = 5.6;
    const gaps: number[] = [];
    for (let t = 0; t < 12_000; t += 200) {
      // It closes to a hand under the jig, at 10 cm/s.
      fishM += Math.max(-0.02, Math.min(0.02, jigM + 0.18 - fishM));
      const { jigM: to, handMs } = coach.update({ t, bottomM: 9, jigM, marks: [mark(fishM, 0.05)] })!;
      expect(to).toBeLessThan(fishM);
      expect(handMs).toBeLessThanOrEqual(0.3);
      jigM += Math.max(-handMs! / 5, Math.min(handMs! / 5, to - jigM));
      gaps.push(fishM - jigM);
    }
    expect(jigM).toBeLessThan(4.9);
    expect(Math.max(...gaps.slice(-20))).toBeLessThan(0.75);
  }
});

test('cold water lengthens the pause', () => {
  const pause = (waterTempC: number) => new Coach({ ...setting, waterTempC }).update({ t: 0, bottomM: 7.5, jigM: 5, marks: [] })!.pauseS;
  expect(pause(1)).toBeGreaterThan(pause(4));
  expect(pause(4)).toBeGreaterThan(pause(9));
});

test('advice reads as an instruction with its reason in the angler’s units', () => {
  const advice = new Coach(setting).update({ t: 0, bottomM: 7.5, jigM: 5, marks: [mark(6.6)] })!;
  expect(adviceWords(advice, imperial).instruction).toBe('Go to 21 ft');
  expect(adviceWords(advice, metric)).toMatchObject({ instruction: 'Go to 6.3 m', reason: 'The top mark lies still at 6.6 m, 1.6 m under the jig. Go to it.' });
  for (const rule of sightingRules) expect(rule.reason).not.toMatch(/!|\{(?!mark|gap|still|count|bottom|jig|bait)/);
  expect(shaftWords({ bottomM: 7.5, jigM: 5.8, marks: [mark(6.1, 0.1)] }, imperial)).toBe('Bottom 24.5 ft, jig 19, 1 mark, highest 20, rising');
});

test('a search without a mark runs through the band however thin, and over the bottom where that lies above it', () => {
  expect(searchSpan([], 13, { fromM: 8, toM: 11 })).toEqual({ fromM: 8, toM: 11 });
  for (const floorM of [3.4, 7.2, 12]) {
    for (const band of [
      { fromM: 2.8, toM: 3.3 },
      { fromM: 7, toM: 11.5 },
      { fromM: 20, toM: 24 },
    ]) {
      const { fromM, toM } = searchSpan([], floorM, band);
      expect(fromM).toBeLessThanOrEqual(toM - 0.5 + 1e-9);
      expect(toM).toBeLessThanOrEqual(floorM - 0.3 + 1e-9);
      expect(toM).toBeGreaterThanOrEqual(Math.min(band.toM, floorM - 0.3) - 1e-9);
    }
  }
  // Nobody knows where they are: shares of the depth.
  expect(searchSpan([], 10).toM).toBeCloseTo(8.4, 6);
});
