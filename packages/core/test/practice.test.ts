import { cadences, type Advice, type CadenceId } from '../src/coach';
import { DrillLog, decisionWords, drillLimits } from '../src/practice';
import type { FishState } from '../src/simulator';
import { imperial } from '../src/units';

const advice = (ruleId: string, sinceMs: number, jigM: number, cadence: CadenceId): Advice => ({
  sighting: 'far',
  ruleId,
  cadence: cadences[cadence],
  rod: cadences[cadence],
  pauseS: 3,
  jigM,
  handMs: null,
  forS: 30,
  sinceMs,
  topMarkM: 6,
  gapM: 1,
  stillS: 0,
  marks: 1,
  bottomM: 8,
  then: 'Then wait.',
  reason: 'The top mark lies still at {mark}, {gap} under the jig. Go to it.',
  changesMind: 'it goes',
  byAnswers: null,
  suggestion: null,
  jigSeenM: 5,
  baitM: null,
  search: null,
});

/** Ten moments a second of one decision, and what the learner and the fish do. */
function drill(
  seconds: number,
  lineM: (s: number) => number,
  cadence: (s: number) => CadenceId,
  fish: (s: number) => FishState,
  rules = [{ s: 0, ruleId: 'look.far', jigM: 5.7, cadence: 'bounce' as CadenceId }],
) {
  const log = new DrillLog();
  for (let i = 0; i < seconds * 10; i++) {
    const s = i / 10;
    const rule = rules.findLast((r) => r.s <= s)!;
    log.push({
      state: { t: i * 100, bottomM: 8, jigM: lineM(s), marks: [{ id: 1, depthM: 6, kind: 'fish', levelDb: -40, riseMs: 0, ageMs: 3000 }] },
      advice: advice(rule.ruleId, rule.s * 1000, rule.jigM, rule.cadence),
      lineM: lineM(s),
      cadence: cadence(s),
      fish: [{ id: 7, depthM: 6, state: fish(s) }],
    });
  }
  return log;
}
const still = () => 'pass' as const;

test('doing in time what the coach would do scores full marks, whatever was before', () => {
  const { decisions, score } = drill(
    10,
    (s) => (s < 2 ? 3 : 5.7),
    (s) => (s < 2 ? 'deadstick' : 'bounce'),
    still,
  ).review();
  expect(decisions).toHaveLength(1);
  expect(score).toBe(100);
  expect(decisions[0].remarks).toEqual([{ kind: 'depth-right' }, { kind: 'cadence-right' }]);
});

test('too late is as good as not done; at the start there is longer', () => {
  const rules = [0, 20].map((s) => ({ s, ruleId: s ? 'look.far' : 'look.near', jigM: 5.7, cadence: 'bounce' as CadenceId }));
  const score = (actS: number) => {
    const { decisions } = drill(
      32,
      (s) => (s % 20 < actS ? 3 : 5.7),
      () => 'bounce',
      still,
      rules,
    ).review();
    return decisions.map((d) => d.score);
  };
  expect(score(drillLimits.actMs / 1000 - 1)).toEqual([100, 100]);
  expect(score(drillLimits.actMs / 1000 + 1)).toEqual([100, 45]);
  expect(score(drillLimits.firstActMs / 1000 + 1)).toEqual([45, 45]);
});

test('wrong depth and wrong movement are told apart, with by how much', () => {
  const deep = drill(
    10,
    () => 6.4,
    () => 'call',
    still,
  ).review().decisions[0];
  expect(deep.remarks[0]).toEqual({ kind: 'too-deep', byM: expect.closeTo(0.7, 6) });
  const quiet = drill(
    10,
    () => 5.2,
    () => 'deadstick',
    still,
  ).review().decisions[0];
  expect(quiet.remarks).toEqual([{ kind: 'too-high', byM: expect.closeTo(0.5, 6) }, { kind: 'too-quiet' }]);
  const words = decisionWords(quiet, imperial);
  expect(words.did).toBe('Hold still at 17 ft.');
  expect(words.would).toBe('Go to 18.5 ft.');
  expect(words.remarks).toMatch(/too high\. Too quiet\.$/);
});

test('where the coach searches, any depth that it searches is right, and only outside is it told by how much', () => {
  const at = (lineM: number) => {
    const log = new DrillLog();
    const state = { bottomM: 8, jigM: lineM, marks: [] };
    const searching = { ...advice('look.nothing', 0, 6.7, 'call'), search: { fromM: 2.8, toM: 6.7 } };
    for (let i = 0; i < 100; i++) log.push({ state: { ...state, t: i * 100 }, advice: searching, lineM, cadence: 'call', fish: [] });
    return log.review().decisions[0];
  };
  for (const lineM of [2.8, 4.4, 6.7]) expect(at(lineM)).toMatchObject({ score: 100, remarks: [{ kind: 'depth-right' }, { kind: 'cadence-right' }] });
  expect(at(7.2).remarks[0]).toEqual({ kind: 'too-deep', byM: expect.closeTo(0.5, 6) });
  expect(at(2).remarks[0]).toEqual({ kind: 'too-high', byM: expect.closeTo(0.8, 6) });
});

test('the nearer to the coach, the higher the score', () => {
  const score = (offM: number) =>
    drill(
      6,
      () => 5.7 + offM,
      () => 'bounce',
      still,
    ).review().score!;
  for (let off = 0; off < 1; off += 0.1) expect(score(off)).toBeGreaterThanOrEqual(score(off + 0.1));
});

test('what the fish did next is told, the strongest of it, and only while it may be an answer', () => {
  const did = (fish: (s: number) => FishState) =>
    drill(
      14,
      () => 5.7,
      () => 'bounce',
      fish,
    ).review().decisions[0].fishDid;
  expect(did(still)).toBe('nothing');
  expect(did((s) => (s < 2 ? 'pass' : s < 5 ? 'approach' : 'inspect'))).toBe('came');
  expect(did((s) => (s < 2 ? 'inspect' : s < 5 ? 'follow' : 'commit'))).toBe('took');
  expect(did((s) => (s < 3 ? 'inspect' : 'flee'))).toBe('fled');
  expect(did((s) => (s < 9 ? 'pass' : 'commit'))).toBe('nothing');
});

test('refusals are counted, and those logged in time credited once', () => {
  const log = new DrillLog();
  for (let i = 0; i < 200; i++) {
    const s = i / 10;
    log.push({
      state: { t: i * 100, bottomM: 8, jigM: 5, marks: [] },
      advice: null,
      lineM: 5,
      cadence: 'tap',
      fish: [{ id: 1, depthM: 6, state: s < 3 ? 'inspect' : s < 10 ? 'refuse' : s < 12 ? 'inspect' : 'refuse' }],
    });
    if (i === 40 || i === 41) log.logged('refused');
  }
  expect(log.review()).toMatchObject({ refusals: 2, logged: 1, score: null, decisions: [] });
});

test('an hour’s drill stays within its bounds', () => {
  const rules = Array.from({ length: 400 }, (_, k) => ({ s: k * 9, ruleId: k % 2 ? 'look.far' : 'look.near', jigM: 5.5, cadence: 'tap' as CadenceId }));
  const { decisions, trace } = drill(
    3600,
    () => 5.5,
    () => 'tap',
    still,
    rules,
  ).review();
  expect(decisions).toHaveLength(drillLimits.decisions);
  expect(trace.length).toBeLessThanOrEqual(drillLimits.tracePoints);
});
