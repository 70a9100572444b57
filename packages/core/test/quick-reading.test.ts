import fc from 'fast-check';
import { adviseReading, Coach, sightingRules, memoryOf, readingErrorM, statesOfReading, type MarkDid, type QuickReading } from '../src/coach';

const setting = { speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 };
const reading = (did: MarkDid, topMarkM: number | null = 5.4, jigM = 5): QuickReading => ({ bottomM: 7.5, jigM, topMarkM, did });
const ruleOf = (r: QuickReading, speciesId = setting.speciesId) => adviseReading(r, { ...setting, speciesId }).ruleId;

test('each thing seen calls on its rule of fieldcraft', () => {
  const called = {
    'look.nothing': ruleOf(reading('none', null)),
    'look.nothing.bottom': ruleOf(reading('none', null), 'yellow-perch'),
    'look.nothing.trout': ruleOf(reading('none', null), 'lake-trout'),
    'look.fled': ruleOf(reading('fled')),
    'look.fled.bottom': ruleOf(reading('fled'), 'yellow-perch'),
    'look.follows': ruleOf(reading('followed')),
    'look.sinks': ruleOf(reading('sinking')),
    'look.several': ruleOf(reading('several', 5.6)),
    'look.stalled': ruleOf(reading('still')),
    'look.stalled.draw': ruleOf(reading('long-still')),
    'look.rising': ruleOf(reading('rising', 6.2)),
    'look.bottom': ruleOf(reading('still', 7.2, 6), 'yellow-perch'),
    'look.far': ruleOf(reading('still', 6.6)),
    'look.above': ruleOf(reading('still', 4.2)),
    'look.near': ruleOf(reading('still', 5.85)),
    'look.level': ruleOf(reading('still', 4.8)) === 'look.stalled' ? 'look.level' : '',
  };
  expect(Object.values(called)).toEqual(Object.keys(called));
  // The rest needs more than one glance: a tap, a line counter, a band, a minute.
  const known = new Set(sightingRules.map((r) => r.id));
  for (const id of Object.keys(called)) expect(known).toContain(id);
});

test('the same states and the same memory by another way give the same advice', () => {
  const memory = memoryOf([
    { kind: 'refused', cadence: 'bounce' },
    { kind: 'bite', cadence: 'quiver' },
    { kind: 'bite', cadence: 'quiver' },
  ]);
  for (const r of [reading('rising', 6.2), reading('still'), reading('several', 5.6), reading('still', 6.6)]) {
    const live = new Coach(setting, structuredClone(memory));
    const heard = statesOfReading(r).map((s) => live.update(s));
    expect(adviseReading(r, setting, memory)).toEqual(heard.at(-1));
  }
});

test('any reading in order ends at what was read and gives a depth over the bottom', () => {
  const metres = fc.double({ min: 0.5, max: 40, noNaN: true });
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const did = fc.constantFrom<MarkDid>('none', 'still', 'long-still', 'rising', 'sinking', 'followed', 'fled', 'several');
  fc.assert(
    fc.property(metres, share, share, did, (bottomM, jig, mark, what) => {
      const r = { bottomM, jigM: jig * bottomM, topMarkM: what === 'none' ? null : mark * bottomM, did: what };
      const last = statesOfReading(r).at(-1)!;
      expect([last.bottomM, last.jigM]).toEqual([bottomM, r.jigM]);
      if (what === 'none' || what === 'fled') expect(last.marks).toEqual([]);
      else expect(last.marks[0].depthM).toBeCloseTo(r.topMarkM!, 6);
      const { jigM } = adviseReading(r, setting);
      expect(jigM).toBeGreaterThan(0);
      expect(jigM).toBeLessThan(Math.max(0.41, bottomM));
    }),
    { numRuns: 200, seed: 5 },
  );
});

test('depths out of order are refused, and an eye is less sure than a reader', () => {
  expect(() => statesOfReading(reading('still', 9))).toThrow(/top mark/);
  expect(() => statesOfReading(reading('still', 5, 8))).toThrow(/jig/);
  expect(() => statesOfReading({ ...reading('still'), bottomM: 0.1 })).toThrow(/bottom/);
  expect(readingErrorM(10)).toBeCloseTo(0.2, 9);
  expect(readingErrorM(1)).toBe(0.1);
});
