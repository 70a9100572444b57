import { adviceWords, cadences, Coach, lookRules, pauseSeconds, type Advice, type LookId } from '../src/coach';
import { speciesTable } from '../src/fish';
import { lightRules, phaseRules } from '../src/outlook';
import type { Mark } from '../src/sonar';
import { imperial } from '../src/units';

const mark = (depthM: number, riseMs = 0, id = 1): Mark => ({ id, depthM, kind: 'fish', levelDb: -38, riseMs, ageMs: 5000 });
type Scene = (s: number) => { marks: Mark[]; jigM?: number };

/** Lets a coach watch a scene and collects the advice of every rule that spoke. */
function watch(scene: Scene, seconds: number, speciesId = 'black-crappie'): Map<string, Advice> {
  const coach = new Coach({ speciesId, waterTempC: 4, beamDeg: 12 });
  const spoken = new Map<string, Advice>();
  for (let t = 0; t < seconds * 1000; t += 100) {
    const { marks, jigM = 5 } = scene(t / 1000);
    const advice = coach.update({ t, bottomM: 7.5, jigM, marks });
    if (advice) spoken.set(advice.ruleId, advice);
  }
  return spoken;
}

const scenes: Record<string, { scene: Scene; speciesId?: string }> = {
  'look.nothing': { scene: () => ({ marks: [] }) },
  'look.nothing.bottom': { scene: () => ({ marks: [] }), speciesId: 'yellow-perch' },
  'look.fled': { scene: (s) => ({ marks: s < 3 ? [mark(5.4)] : s < 4 ? [mark(5.4 + 0.9 * (s - 3), -0.9)] : [] }) },
  'look.follows': { scene: (s) => ({ jigM: 5 - 0.05 * s, marks: [mark(5.4 - 0.05 * s, 0.05)] }) },
  'look.sinks': { scene: (s) => ({ marks: [mark(5.4 + 0.12 * s, -0.12)] }) },
  'look.several': { scene: () => ({ marks: [mark(5.6), mark(5.9, 0, 2), mark(6.2, 0, 3)] }) },
  'look.stalled': { scene: () => ({ marks: [mark(5.4)] }) },
  'look.stalled.draw': { scene: () => ({ marks: [mark(5.4)] }) },
  'look.rising': { scene: (s) => ({ marks: [mark(6.9 - 0.15 * s, 0.15)] }) },
  'look.far': { scene: () => ({ marks: [mark(6.6)] }) },
  'look.above': { scene: () => ({ marks: [mark(4.2)] }) },
  'look.near': { scene: () => ({ marks: [mark(5.85)] }) },
};

test.each(lookRules.map((r) => r.id))('rule %s speaks in its scene, in words without a hole in them', (id) => {
  const { scene, speciesId } = scenes[id];
  const advice = watch(scene, 14, speciesId).get(id);
  expect(advice).toBeDefined();
  const words = adviceWords(advice!, imperial);
  for (const text of Object.values(words)) {
    expect(text).not.toMatch(/[{}]|NaN|undefined|Infinity|!/);
    expect(text.trim()).not.toBe('');
  }
  expect(words.instruction).toMatch(/ at [\d.]+ ft$|Go to [\d.]+ ft$|up to [\d.]+ ft$/);
});

test('ids are unique, and every rule has a reason, what follows, and what would change its mind', () => {
  expect(new Set(lookRules.map((r) => r.id)).size).toBe(lookRules.length);
  for (const rule of lookRules) {
    expect(rule.reason.endsWith('.')).toBe(true);
    expect(rule.then.endsWith('.')).toBe(true);
    expect(rule.changesMind).not.toBe('');
    expect(rule.forS).toBeGreaterThanOrEqual(4);
    expect(cadences[rule.cadence]).toBeDefined();
  }
  const looks: LookId[] = ['nothing', 'far', 'rising', 'stalled', 'follows', 'sinks', 'fled', 'several', 'near'];
  expect(new Set(lookRules.map((r) => r.look))).toEqual(new Set(looks));
});

test('drawing away never lowers the jig, and no advice puts it into the bottom or the ice', () => {
  for (const [id, { scene, speciesId }] of Object.entries(scenes)) {
    for (const advice of watch(scene, 14, speciesId).values()) {
      expect(advice.jigM).toBeGreaterThanOrEqual(0.4);
      expect(advice.jigM).toBeLessThan(7.5);
      if (advice.ruleId === 'look.stalled.draw' && id === 'look.stalled.draw') expect(advice.jigM).toBeLessThan(5);
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
    expect(ruler.usualMm).toBeLessThan(ruler.toMm);
  }
  for (const { sunDeg, factor } of lightRules) {
    expect(sunDeg).toHaveLength(factor.length);
    expect([...sunDeg].sort((a, b) => a - b)).toEqual([...sunDeg]);
  }
});
