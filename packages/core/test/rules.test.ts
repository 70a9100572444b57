import { adviceWords, suggestionRules, cadences, Coach, sightingRules, pauseSeconds, type Advice } from '../src/coach';
import { longestRulerMm, speciesTable } from '../src/fish';
import { lightRules, phaseRules } from '../src/outlook';
import type { Mark } from '../src/sonar';
import { imperial } from '../src/units';

const mark = (depthM: number, riseMs = 0, id = 1, kind: Mark['kind'] = 'fish'): Mark => ({ id, depthM, kind, levelDb: -38, riseMs, ageMs: 5000 });
type Observation = { marks: Mark[]; jigM?: number; lineM?: number };
interface Scene {
  at: (s: number) => Observation;
  speciesId?: string;
  /** On the line. */
  family?: string;
  seconds?: number;
  /** Taps of the angler, by second. */
  taps?: { s: number; kind: 'missed' | 'landed' | 'nipped' | 'refused' }[];
}

/** Lets a coach watch a scene and collects the advice of every rule that spoke, and every ask. */
function watch({ at, speciesId = 'black-crappie', family, seconds = 14, taps = [] }: Scene): { spoken: Map<string, Advice>; asked: Set<string> } {
  const coach = new Coach({ speciesId, waterTempC: 4, beamDeg: 12, ...(family ? { family } : {}) });
  const spoken = new Map<string, Advice>();
  const asked = new Set<string>();
  for (let t = 0; t < seconds * 1000; t += 100) {
    for (const tap of taps) if (tap.s * 1000 === t) coach.reacted(tap.kind, t, 5.1);
    const { marks, jigM = 5, lineM } = at(t / 1000);
    if (lineM !== undefined) coach.line(lineM);
    const advice = coach.update({ t, bottomM: 7.5, jigM, marks });
    if (!advice) continue;
    spoken.set(advice.ruleId, advice);
    if (advice.suggestion) asked.add(advice.suggestion.ruleId);
  }
  return { spoken, asked };
}

const bait: Mark = { ...mark(3, 0, 9, 'bait'), levelDb: -56, topM: 3, baseM: 4 };
const stack: Mark = { ...mark(5.6, 0, 8, 'school'), topM: 5.6, baseM: 6.8 };
const fleeing = (s: number): Observation => ({ marks: s < 3 ? [mark(5.4)] : s < 4 ? [mark(5.4 + 0.9 * (s - 3), -0.9)] : [] });
/** It looks for six seconds, then the line is drawn up and it comes along. */
const following = (s: number): Observation => {
  const upM = Math.min(1, Math.max(0, 0.06 * (s - 6)));
  return { jigM: 5 - upM, lineM: 5 - upM, marks: [mark(5.3 - upM, s > 6 && s < 22 ? 0.06 : 0)] };
};

const scenes: Record<string, Scene> = {
  'look.stopped': { at: () => ({ jigM: 4, lineM: 5, marks: [] }) },
  'look.missed': { at: () => ({ marks: [mark(5.6)] }), taps: [{ s: 4, kind: 'missed' }] },
  'look.landed': { at: () => ({ marks: [] }), taps: [{ s: 4, kind: 'landed' }] },
  'look.fled.bottom': { at: fleeing, speciesId: 'yellow-perch' },
  'look.fled': { at: fleeing },
  'look.bait': { at: () => ({ marks: [bait] }) },
  'look.nothing.trout': { at: () => ({ marks: [] }), speciesId: 'lake-trout' },
  'look.nothing.bottom': { at: () => ({ marks: [] }), speciesId: 'yellow-perch' },
  'look.nothing.lifted': { at: () => ({ marks: [] }), speciesId: 'yellow-perch' },
  'look.nothing.clock': { at: () => ({ marks: [] }), seconds: 160 },
  'look.nothing': { at: () => ({ marks: [] }) },
  'look.follows.stop': { at: following, seconds: 22 },
  'look.follows': { at: (s) => ({ jigM: 5 - 0.05 * s, marks: [mark(5.4 - 0.05 * s, 0.05)] }) },
  'look.sinks': { at: (s) => ({ marks: [mark(5.4 + 0.12 * s, -0.12)] }) },
  'look.hot': { at: (s) => ({ marks: [mark(7.4 - 0.2 * s, 0.2)] }), seconds: 11 },
  'look.stack': { at: () => ({ marks: [stack] }) },
  'look.several': { at: () => ({ marks: [mark(5.6), mark(5.9, 0, 2), mark(6.2, 0, 3)] }) },
  'look.stalled': { at: () => ({ marks: [mark(5.4)] }) },
  'look.stalled.draw': { at: () => ({ marks: [mark(5.4)] }) },
  'look.rising': { at: (s) => ({ marks: [mark(6.9 - 0.15 * s, 0.15)] }) },
  'look.bottom': { at: () => ({ jigM: 6.6, marks: [mark(7.4)] }), speciesId: 'yellow-perch' },
  'look.bottom.tick': { at: () => ({ jigM: 6.9, marks: [mark(7.4)] }), speciesId: 'yellow-perch', seconds: 40 },
  'look.far.call': { at: () => ({ marks: [mark(6.6)] }), seconds: 90 },
  'look.far': { at: () => ({ marks: [mark(6.6)] }) },
  'look.above': { at: () => ({ marks: [mark(4.2)] }) },
  'look.near': { at: () => ({ marks: [mark(5.85)] }) },
  'look.level': { at: () => ({ marks: [mark(4.8, 0.1)] }), seconds: 1 },
};

test.each(sightingRules.map((r) => r.id))('rule %s speaks in its scene, in words without a hole in them', (id) => {
  const advice = watch(scenes[id]).spoken.get(id);
  expect(advice).toBeDefined();
  const words = adviceWords(advice!, imperial);
  for (const text of Object.values(words)) {
    expect(text).not.toMatch(/[{}]|NaN|undefined|Infinity|!/);
    expect(text.trim()).not.toBe('');
  }
  expect(words.instruction).toMatch(/ at [\d.]+ ft$|Go to [\d.]+ ft$|up to [\d.]+ ft$|^Strike$/);
});

const refusals = (count: number, more: Partial<Scene> = {}): Scene => ({
  at: () => ({ marks: [mark(5.4)] }),
  taps: Array.from({ length: count }, (_, k) => ({ s: 5 + k, kind: 'refused' as const })),
  seconds: 8 + count,
  ...more,
});
const asks: Record<string, Scene> = {
  'ask.nipped': { at: () => ({ marks: [mark(5.4)] }), taps: [{ s: 5, kind: 'nipped' }] },
  'ask.tails': { at: () => ({ marks: [mark(5.85)] }), taps: [{ s: 5, kind: 'nipped' }], family: 'tube' },
  'ask.whitefish': refusals(2, { speciesId: 'lake-whitefish', family: 'spoon' }),
  'ask.trout': refusals(1, { speciesId: 'lake-trout' }),
  'ask.cadence': refusals(2),
  'ask.depth': refusals(4),
  'ask.under': refusals(5),
  'ask.size': refusals(6),
  'ask.colour': refusals(8),
  'ask.scent': refusals(10),
  'ask.colour-first': refusals(2, { at: following, seconds: 14, taps: [12, 13].map((s) => ({ s, kind: 'refused' as const })) }),
};

test.each(suggestionRules.map((r) => r.id))('%s is asked for when its time comes, and one thing at a time', (id) => {
  expect([...watch(asks[id]).asked]).toContain(id);
});

test('nothing but rows of the tables speaks', () => {
  const ids = new Set(sightingRules.map((r) => r.id));
  for (const scene of [...Object.values(scenes), ...Object.values(asks)]) {
    for (const [id, advice] of watch(scene).spoken) {
      expect(ids).toContain(id);
      expect(sightingRules.find((r) => r.id === id)!.offers.map((o) => o.cadence)).toContain(advice.cadence.id);
    }
  }
});

test('ids are unique, and every rule has a reason, what follows, and what would change its mind', () => {
  expect(new Set(sightingRules.map((r) => r.id)).size).toBe(sightingRules.length);
  for (const rule of sightingRules) {
    expect(rule.reason.endsWith('.')).toBe(true);
    expect(rule.then.endsWith('.')).toBe(true);
    expect(rule.changesMind).not.toBe('');
    expect(rule.forS).toBeGreaterThanOrEqual(4);
    expect(rule.offers.length).toBeGreaterThan(0);
    for (const offer of rule.offers) expect(cadences[offer.cadence]).toBeDefined();
  }
});

test('drawing away never lowers the jig, and no advice puts it into the bottom or the ice', () => {
  for (const scene of Object.values(scenes)) {
    for (const advice of watch(scene).spoken.values()) {
      expect(advice.jigM).toBeGreaterThanOrEqual(0.4);
      expect(advice.jigM).toBeLessThan(7.5);
      if (advice.ruleId === 'look.stalled.draw' && advice.cadence.id === 'slow-lift') expect(advice.jigM).toBeLessThan(advice.jigSeenM!);
    }
  }
});

test('pauses follow the water’s temperature as the table says', () => {
  expect(pauseSeconds(10)).toBe(2);
  expect(pauseSeconds(4)).toBeGreaterThanOrEqual(5);
  expect(pauseSeconds(4)).toBeLessThanOrEqual(15);
  expect(pauseSeconds(0)).toBeLessThanOrEqual(30);
  for (let t = 0; t < 10; t++) expect(pauseSeconds(t)).toBeGreaterThanOrEqual(pauseSeconds(t + 1));
});

test('every phase and every light habit of the species has one rule', () => {
  expect(new Set(phaseRules.map((r) => r.phase)).size).toBe(phaseRules.length);
  for (const { light, offsetM, frontSensitivity, ruler } of speciesTable) {
    expect(lightRules.filter((r) => r.habit === light)).toHaveLength(1);
    expect(offsetM).toBeGreaterThan(0);
    expect(offsetM).toBeLessThanOrEqual(0.45);
    expect(frontSensitivity).toBeGreaterThanOrEqual(0);
    expect(frontSensitivity).toBeLessThanOrEqual(1);
    expect(ruler.fromMm).toBeLessThan(ruler.usualMm);
    expect(ruler.usualMm).toBeLessThan(longestRulerMm);
  }
  for (const { sunDeg, factor } of lightRules) {
    expect(sunDeg).toHaveLength(factor.length);
    expect([...sunDeg].sort((a, b) => a - b)).toEqual([...sunDeg]);
  }
});

test('the first offer of a row is what fieldcraft expects most of, and no row offers a cadence twice', () => {
  for (const { offers } of sightingRules) {
    const share = (k: number) => offers[k].won / (offers[k].won + offers[k].lost);
    for (let k = 1; k < offers.length; k++) expect(share(k)).toBeLessThanOrEqual(share(0));
    expect(new Set(offers.map((o) => o.cadence)).size).toBe(offers.length);
  }
});

test('bottom feeders: thump, then lift and watch; over one that lies there, and a tick when it will not come', () => {
  const coach = new Coach({ speciesId: 'yellow-perch', waterTempC: 4, beamDeg: 12 });
  const order: string[] = [];
  const depths: Record<string, number> = {};
  for (let t = 0; t < 60_000; t += 100) {
    const marks = t < 15_000 ? [] : [mark(7.4)];
    const jigM = t < 15_000 ? 7.3 : 6.6;
    const { ruleId, jigM: toM, cadence } = coach.update({ t, bottomM: 7.5, jigM, marks })!;
    if (order.at(-1) !== ruleId) order.push(ruleId);
    depths[ruleId] = toM;
    if (ruleId === 'look.nothing.bottom') expect(cadence.id).toBe('thump');
  }
  expect(order.slice(0, 4)).toEqual(['look.nothing.bottom', 'look.nothing.lifted', 'look.bottom', 'look.bottom.tick']);
  expect(depths['look.nothing.bottom']).toBeGreaterThan(depths['look.nothing.lifted']);
  expect(depths['look.bottom.tick']).toBeGreaterThan(depths['look.bottom']);
  expect(7.5 - depths['look.bottom.tick']).toBeLessThanOrEqual(0.15);
});
