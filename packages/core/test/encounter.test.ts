import { Coach } from '../src/coach';
import type { Mark } from '../src/sonar';

test('the coach tells by itself what was looked at, taken and turned down', () => {
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  const mark = (depthM: number, riseMs: number): Mark => ({ id: 1, depthM, kind: 'fish', levelDb: -38, riseMs, ageMs: 5000 });
  const see = (from: number, to: number, at: (s: number) => Mark[]) => {
    for (let t = from; t < to; t += 100) coach.update({ t, bottomM: 7.5, jigM: 5, marks: at((t - from) / 1000) });
  };
  see(0, 6000, (s) => [mark(Math.max(5.2, 6 - 0.2 * s), s < 4 ? 0.2 : 0)]);
  const looked = coach.memory.answers.reduce((sum, a) => sum + a.seconds, 0);
  expect(looked).toBeGreaterThan(2);
  expect(looked).toBeLessThan(6);
  expect(coach.memory.answers.every((a) => a.won === 0 && a.lost === 0)).toBe(true);
  see(6000, 10_000, (s) => [mark(5.2 + 0.25 * s, -0.25)]);
  expect(coach.memory.answers.reduce((sum, a) => sum + a.lost, 0)).toBeCloseTo(1, 9);
  see(10_000, 16_000, (s) => [mark(Math.max(5.2, 6 - 0.2 * s), s < 4 ? 0.2 : 0)]);
  coach.reacted('bite', 16_000, 5);
  expect(coach.memory.answers.reduce((sum, a) => sum + a.won, 0)).toBeCloseTo(1, 9);
});

test('what is taken at the stop that ends a draw is laid to the draw and to holding still, by how long each was shown of late', () => {
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  let stopMs = Infinity;
  // It comes, looks, and comes along with a jig that is drawn up by 80 cm and more.
  for (let t = 0; t < 21_000; t += 100) {
    const upM = Math.max(0, 0.06 * (t / 1000 - 6));
    coach.line(5 - upM);
    const depthM = Math.max(5.3, 6 - 0.2 * (t / 1000)) - upM;
    const advice = coach.update({ t, bottomM: 7.5, jigM: 5 - upM, marks: [{ id: 1, depthM, kind: 'fish', levelDb: -38, riseMs: t > 6000 ? 0.06 : 0, ageMs: 5000 }] });
    if (advice?.ruleId === 'look.follows.stop') stopMs = Math.min(stopMs, t);
  }
  coach.reacted('bite', 21_000, 4.1);
  const won = new Map(coach.memory.answers.filter((a) => a.won > 0).map((a) => [a.cadence, a.won]));
  expect([...won.keys()].sort()).toEqual(['deadstick', 'slow-lift']);
  expect(won.get('deadstick')! + won.get('slow-lift')!).toBeCloseTo(1, 9);
  expect(won.get('deadstick')!).toBeCloseTo((20_900 - stopMs) / 6000, 1);
});

describe('a school is watched mark by mark', () => {
  const mark = (id: number, depthM: number): Mark => ({ id, depthM, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 5000 });
  /** Ten looks a second at a jig and some marks. */
  const see = (coach: Coach, seconds: number, at: (s: number) => { jigM?: number; bottomM?: number; marks: Mark[] }, fromS = 0) => {
    for (let k = 0; k < 10 * seconds; k++) coach.update({ t: 1000 * fromS + 100 * k, bottomM: 7.5, jigM: 5, ...at(k / 10) });
    return coach.memory.answers.reduce((sum, a) => ({ seconds: sum.seconds + a.seconds, lost: sum.lost + a.lost }), { seconds: 0, lost: 0 });
  };
  const coach = () => new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  /** Comes up from 6 m to 20 cm under the jig in 4 s, and goes again after 8. */
  const visitor = (s: number) => (s < 8 ? Math.max(5.2, 6 - 0.2 * s) : Math.min(6, 5.2 + 0.2 * (s - 8)));

  test('one that comes and turns away under another that stays is a refusal, though not one on end', () => {
    const a = coach();
    expect(see(a, 12, (s) => ({ marks: [mark(1, 5.2), mark(2, visitor(s))] })).lost).toBeCloseTo(1, 9);
    expect(a.memory.refusals).toBe(0);
  });

  test('two that came to look tell twice as much as one; one that lies beside the jig tells something in open water, and nothing by the bottom', () => {
    const came = (s: number, toM: number) => toM + Math.max(0, 0.8 - 0.2 * s);
    for (const bottomM of [6.2, 7.5]) {
      const one = see(coach(), 14, (s) => ({ bottomM, marks: [mark(1, came(s, 5.2))] })).seconds;
      const two = see(coach(), 14, (s) => ({ bottomM, marks: [mark(1, came(s, 5.2)), mark(2, came(s, 5.2))] })).seconds;
      const beside = see(coach(), 14, (s) => ({ bottomM, marks: [mark(1, came(s, 5.2)), mark(2, 5.5)] })).seconds;
      expect(one).toBeGreaterThan(9);
      expect(two).toBeCloseTo(2 * one, 6);
      if (bottomM === 6.2) expect(beside).toBeCloseTo(one, 6);
      else expect(beside).toBeGreaterThan(1.8 * one);
    }
  });

  test('a fish of the bottom refuses by a hand, for it cannot sink further; one of open water by an arm', () => {
    const rose = (s: number, backM: number) => (s < 8 ? Math.max(5.3, 5.5 - 0.1 * s) : Math.min(5.3 + backM, 5.3 + 0.1 * (s - 8)));
    const lost = (bottomM: number, backM: number) => see(coach(), 14, (s) => ({ bottomM, marks: [mark(1, 5.3), mark(2, rose(s, backM))] })).lost;
    expect(lost(6.2, 0.25)).toBeCloseTo(1, 9);
    expect(lost(6.2, 0.15)).toBe(0);
    expect(lost(7.5, 0.25)).toBe(0);
    expect(lost(7.5, 0.4)).toBeCloseTo(1, 9);
  });

  test('it is no refusal that the jig is taken up, nor that a fish of the school lay beside it and sinks', () => {
    expect(see(coach(), 12, (s) => ({ jigM: s < 8 ? 5 : 5 - 0.2 * (s - 8), marks: [mark(1, Math.max(5.2, 6 - 0.2 * s))] })).lost).toBe(0);
    expect(see(coach(), 12, (s) => ({ marks: [mark(1, 5.2 + Math.max(0, 0.2 * (s - 8))), mark(2, 6.8)] })).lost).toBe(0);
  });

  test('a refusal is laid to what was shown when it was nearest, not to what came after', () => {
    const a = coach();
    see(a, 8, (s) => ({ marks: [mark(1, visitor(s))] }));
    const before = structuredClone(a.memory.answers);
    see(a, 4, (s) => ({ marks: [mark(1, visitor(8 + s))] }), 8);
    const blamed = a.memory.answers.filter((x) => x.lost > 0);
    expect(blamed.reduce((sum, x) => sum + x.lost, 0)).toBeCloseTo(1, 9);
    for (const { cadence, situation } of blamed) expect(before.some((x) => x.cadence === cadence && x.situation === situation)).toBe(true);
  });

  test('one of the bottom that is first seen at the jig and follows it up has looked, and refuses when it sinks; one that stays down has not', () => {
    // The jig is drawn from 5 m to 4.7 m; the fish, seen first 20 cm under it, comes along, and sinks again.
    const jigM = (s: number) => Math.max(4.7, 5 - 0.06 * s);
    const follows = (s: number) => (s < 8 ? jigM(s) + 0.2 : Math.min(5.4, 4.9 + 0.12 * (s - 8)));
    const run = (bottomM: number, at: (s: number) => number) => see(coach(), 14, (s) => ({ bottomM, jigM: jigM(s), marks: [mark(1, at(s))] }));
    expect(run(6.2, follows).lost).toBeCloseTo(1, 9);
    expect(run(6.2, follows).seconds).toBeGreaterThan(4);
    expect(run(6.2, () => 5.2)).toEqual({ seconds: 0, lost: 0 });
    expect(run(7.5, follows).lost).toBe(0);
  });

  test('where they looked is kept apart: clear of the bottom, or by it', () => {
    for (const [bottomM, where, other] of [
      [6.2, 'bottom', 'open'],
      [7.5, 'open', 'bottom'],
    ] as const) {
      const a = coach();
      const { seconds } = see(a, 8, (s) => ({ bottomM, marks: [mark(1, visitor(s))] }));
      expect(a.memory.lookedS[where]).toBeCloseTo(seconds, 9);
      expect(a.memory.lookedS[other]).toBe(0);
    }
  });
});
