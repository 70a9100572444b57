import fc from 'fast-check';
import {
  adviceWords,
  cadences,
  chooseCadence,
  Coach,
  drawRecord,
  drawWords,
  emptyMemory,
  sightingRules,
  memoryOf,
  ownRecord,
  preferenceBelief,
  preferenceToday,
  preferenceWords,
  type CadenceId,
  type CoachMemory,
} from '../src/coach';
import type { Mark } from '../src/sonar';
import { metric, normal, seededRandom } from '../src/units';

const told = (...answers: CoachMemory['answers']): CoachMemory => ({ ...emptyMemory(), answers });
const answer = (cadence: CadenceId, won: number, lost: number, seconds = 20): CoachMemory['answers'][number] => ({ situation: 'close', cadence, won, lost, seconds });
const beats = ['deadstick', 'quiver', 'shrink', 'tap', 'bounce'] as const;
const stalled = sightingRules.find((r) => r.id === 'look.stalled')!.offers;

test('a belief sums to one and is flat before the first answer', () => {
  const flat = preferenceBelief(emptyMemory());
  for (const p of flat) expect(p).toBeCloseTo(1 / flat.length, 12);
  const count = fc.nat({ max: 30 });
  const row = fc.tuple(fc.constantFrom(...beats), count, count, fc.double({ min: 0, max: 600, noNaN: true }));
  fc.assert(
    fc.property(fc.array(row, { maxLength: 12 }), (rows) => {
      const belief = preferenceBelief(told(...rows.map(([cadence, won, lost, seconds]) => answer(cadence, won, lost, seconds))));
      expect(belief.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      for (const p of belief) expect(p).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('what is answered draws the belief to it, what is refused drives it off, and more of it more so', () => {
  const mean = (...answers: CoachMemory['answers']) => preferenceToday(told(...answers))!.mean;
  expect(mean(answer('bounce', 3, 0))).toBeGreaterThan(mean(answer('shrink', 3, 0)));
  expect(mean(answer('shrink', 3, 0))).toBeGreaterThan(mean(answer('deadstick', 3, 0)));
  expect(mean(answer('bounce', 0, 4))).toBeLessThan(mean(answer('deadstick', 0, 4)));
  expect(mean(answer('bounce', 0, 8, 40))).toBeLessThan(mean(answer('bounce', 0, 2, 10)));
  const span = (k: number) => {
    const { low, high } = preferenceToday(told(answer('quiver', 4 * k, k, 40 * k), answer('bounce', 0, 4 * k, 20 * k)))!;
    return high - low;
  };
  expect(span(4)).toBeLessThan(span(1));
});

test('by the bottom, where most turns are told, as many takes tell more', () => {
  for (const [cadence, won, lost, seconds] of [
    ['bounce', 2, 8, 60],
    ['bounce', 8, 2, 100],
    ['deadstick', 5, 5, 100],
  ] as const) {
    const told = (open: number, bottom: number) => preferenceToday({ ...emptyMemory(), lookedS: { open, bottom }, answers: [answer(cadence, won, lost, seconds)] })!;
    const [clear, below] = [told(50, 10), told(10, 50)];
    expect(clear).toEqual(told(0, 0));
    expect(below.high - below.low).toBeLessThan(clear.high - clear.low);
    expect(Math.sign(below.mean - clear.mean)).toBe(cadence === 'bounce' ? 1 : -1);
  }
});

test('it is bites per second that count: as many in less time draw the belief more', () => {
  const mean = (quietS: number, livelyS: number) => preferenceToday(told(answer('deadstick', 3, 0, quietS), answer('bounce', 3, 0, livelyS)))!.mean;
  expect(mean(300, 30)).toBeGreaterThan(mean(30, 300));
});

test('before the first answer the default of fieldcraft is chosen, whatever was looked at', () => {
  for (const rule of sightingRules)
    for (const key of ['a', 'b', 'c']) expect(chooseCadence(told(answer('bounce', 0, 0, 90)), rule.situation, rule.offers, key)).toBe(rule.offers[0].cadence);
});

test('the preference of simulated answers is found again', () => {
  const random = seededRandom(5);
  for (const preference of [0.05, 0.5, 0.9]) {
    const memory = emptyMemory();
    for (const cadence of beats) {
      const like = Math.exp(-0.5 * ((cadences[cadence].intensity - preference) / 0.25) ** 2);
      let [won, lost] = [0, 0];
      for (let s = 0; s < 200; s++) {
        if (random() < 0.05 * like) won++;
        if (random() < 0.06 * (1.6 - like)) lost++;
      }
      memory.answers.push({ situation: 'far', cadence, won, lost, seconds: 200 });
    }
    expect(Math.abs(preferenceToday(memory)!.mean - preference)).toBeLessThan(0.2);
  }
});

test('what was drawn away tells nothing of beats', () => {
  expect([...preferenceBelief(told(answer('slow-lift', 5, 0)))]).toEqual([...preferenceBelief(emptyMemory())]);
});

test('a cadence refused twice on end sits out, even the best liked', () => {
  const memory = { ...told(answer('quiver', 9, 0, 60)), refused: { cadence: 'quiver' as const, count: 2 }, refusals: 2 };
  for (let k = 0; k < 40; k++) expect(chooseCadence(memory, 'close', stalled, `k${k}`)).not.toBe('quiver');
  expect(chooseCadence({ ...memory, refused: null }, 'close', stalled, 'k')).toBe('quiver');
});

test('where the answers speak against fieldcraft’s first, the words say so', () => {
  const several = [5.6, 5.9, 6.2].map((depthM, id): Mark => ({ id, depthM, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 5000 }));
  const advice = (memory: CoachMemory) => new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 }, memory).update({ t: 0, bottomM: 7.5, jigM: 5.2, marks: several })!;
  expect(advice(emptyMemory())).toMatchObject({ ruleId: 'look.several', byAnswers: null, cadence: { id: 'tap' } });
  expect(adviceWords(advice(emptyMemory()), metric).reason).toBe('Three marks together, the highest at 5.6 m. They compete: keep it lively.');
  const quiet = advice(told(answer('deadstick', 9, 0, 60), answer('tap', 0, 9, 30), answer('bounce', 0, 9, 30), answer('shrink', 0, 9, 30)));
  expect(quiet).toMatchObject({ ruleId: 'look.several', byAnswers: 'quieter' });
  expect(adviceWords(quiet, metric).reason).toMatch(/keep it lively\. Going by the answers so far: quieter than usual\.$/);
  expect(advice(told(answer('bounce', 9, 0, 60), answer('tap', 0, 9, 30), answer('deadstick', 0, 9, 30), answer('quiver', 0, 9, 30))).byAnswers).toBe('livelier');
});

test('the beat into empty water follows the preference of the day', () => {
  const searching = (memory: CoachMemory) =>
    new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 }, memory).update({ t: 0, bottomM: 7.5, jigM: 5, marks: [] })!.cadence;
  expect(searching(emptyMemory()).id).toBe('call');
  const quiet = told(answer('deadstick', 6, 0, 60), answer('tap', 0, 6, 30), answer('bounce', 0, 6, 30));
  expect(searching(quiet).intensity).toBeLessThan(0.35);
  const lively = told(answer('bounce', 8, 0, 60), answer('deadstick', 0, 6, 30), answer('quiver', 0, 6, 30));
  expect(searching(lively).intensity).toBeGreaterThan(0.5);
});

describe('whether pays so far', () => {
  const beat = answer('shrink', 5, 5, 100);

  test('is open until it was tried, then follows what it was answered', () => {
    expect(drawRecord(emptyMemory())).toBe(1);
    expect(drawRecord(told(beat))).toBe(1);
    expect(drawRecord(told(beat, answer('slow-lift', 5, 1, 50)))).toBeGreaterThan(1.2);
    expect(drawRecord(told(beat, answer('slow-lift', 0, 6, 50)))).toBeLessThan(0.7);
    const count = fc.integer({ min: 0, max: 20 });
    fc.assert(
      fc.property(count, count, fc.double({ min: 1, max: 300, noNaN: true }), (won, lost, seconds) => {
        const at = (w: number, l: number) => drawRecord(told(beat, answer('slow-lift', w, l, seconds)));
        expect(at(won + 1, lost)).toBeGreaterThan(at(won, lost));
        expect(at(won, lost + 1)).toBeLessThan(at(won, lost));
      }),
    );
  });

  test('decides whether one that looks is drawn, and is said', () => {
    const advised = (memory: CoachMemory) => {
      const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 }, memory);
      let ruleId = '';
      for (let t = 0; t < 10_000; t += 100)
        ruleId = coach.update({ t, bottomM: 7.5, jigM: 5, marks: [{ id: 1, depthM: 5.4, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 5000 }] })!.ruleId;
      return ruleId;
    };
    const [bad, good] = [told(beat, answer('slow-lift', 0, 6, 50)), told(beat, answer('slow-lift', 5, 1, 50))];
    expect(drawWords(bad)).toMatch(/does not pay/);
    expect(drawWords(good)).toMatch(/pays so far/);
    expect(drawWords(told(beat))).toBeNull();
    expect(advised(good)).toBe('look.stalled.draw');
    expect(advised(bad)).toBe('look.stalled');
  });
});

test('the preference is put into words with as much doubt as there is', () => {
  expect(preferenceWords(emptyMemory())).toMatch(/Nothing has answered yet/);
  expect(preferenceWords(told(answer('tap', 1, 0, 60)))).toMatch(/Not clear yet/);
  expect(preferenceWords(told(answer('deadstick', 8, 0, 60), answer('bounce', 0, 8, 40)))).toMatch(/quiet/);
  expect(preferenceWords(told(answer('bounce', 8, 0, 60), answer('quiver', 0, 8, 40)))).toMatch(/ lively\.$/);
  expect(preferenceWords(memoryOf(Array.from({ length: 12 }, (_, k) => ({ kind: k % 4 === 0 ? ('refused' as const) : ('bite' as const), cadence: 'shrink' }))))).toMatch(/neither/);
});

describe('the own record of a cadence', () => {
  const record = (cadence: CadenceId, ...answers: CoachMemory['answers']) => {
    const memory = told(...answers);
    return ownRecord(memory, cadence, preferenceBelief(memory));
  };

  test('is 1 for one that was never shown, over 1 where it was answered more than its intensity foretells, under it where less', () => {
    expect(record('tap')).toBe(1);
    expect(record('tap', answer('bounce', 5, 5, 100))).toBe(1);
    // Shrink and tap are nearly as lively, so that a preference cannot tell them apart.
    const told = [answer('tap', 8, 2, 100), answer('shrink', 1, 9, 100)] as const;
    expect(record('tap', ...told)).toBeGreaterThan(1.3);
    expect(record('shrink', ...told)).toBeLessThan(0.75);
  });

  test('turns the choice where intensity alone would not', () => {
    const share = (...answers: CoachMemory['answers']) => {
      let taps = 0;
      for (let k = 0; k < 200; k++) if (chooseCadence(told(...answers), 'close', stalled, `${k}`) === 'tap') taps++;
      return taps / 200;
    };
    const even = share(answer('tap', 5, 5, 100), answer('shrink', 5, 5, 100));
    expect(share(answer('tap', 9, 1, 100), answer('shrink', 1, 9, 100))).toBeGreaterThan(even + 0.2);
    expect(share(answer('tap', 1, 9, 100), answer('shrink', 9, 1, 100))).toBeLessThan(even);
  });
});

test('on days that like each cadence somewhat otherwise than its intensity foretells it closes half the way from the best single cadence to what is liked best', () => {
  const offers = sightingRules.find((r) => r.id === 'look.stalled')!.offers;
  const [days, looks] = [100, 60];
  const landed = new Map<string, number>();
  for (let day = 0; day < days; day++) {
    const random = seededRandom(400 + day);
    const preference = 0.05 + 0.9 * random();
    const kinds = new Map(offers.map(({ cadence }) => [cadence, cadences[cadence].intensity + 0.15 * normal(random)]));
    const like = (cadence: CadenceId) => 0.06 + 0.94 * Math.exp(-0.5 * ((kinds.get(cadence)! - preference) / 0.22) ** 2);
    const fish = (name: string, choose: (memory: CoachMemory) => CadenceId) => {
      const chance = seededRandom(7 + day);
      const memory = emptyMemory();
      for (let look = 0; look < looks; look++) {
        const cadence = choose(memory);
        const [takes, turns] = [0.06 * like(cadence), 0.07 * (1.6 - like(cadence))];
        const seconds = -Math.log(1 - chance()) / (takes + turns);
        const isTaken = chance() < takes / (takes + turns);
        const row = memory.answers.find((a) => a.cadence === cadence) ?? memory.answers[memory.answers.push(answer(cadence, 0, 0, 0)) - 1];
        row.seconds += seconds;
        if (isTaken) {
          row.won++;
          memory.refused = null;
          landed.set(name, (landed.get(name) ?? 0) + 1);
        } else {
          row.lost++;
          memory.refused = { cadence, count: memory.refused?.cadence === cadence ? memory.refused.count + 1 : 1 };
        }
      }
    };
    fish('chosen', (memory) => chooseCadence(memory, 'close', offers, 'a day'));
    for (const { cadence } of offers) fish(cadence, () => cadence);
    fish('knowing', () => offers.reduce((best, o) => (like(o.cadence) > like(best.cadence) ? o : best)).cadence);
  }
  const best = Math.max(...offers.map((o) => landed.get(o.cadence)!));
  const closed = (landed.get('chosen')! - best) / (landed.get('knowing')! - best);
  expect(closed).toBeGreaterThan(0.5);
});
