import type { LineState, ReactionKind, ReactionState } from '../src/ledger';
import { responsesBy, responseWords } from '../src/season';

let n = 0;
const reaction = (kind: ReactionKind, cadence: string | null, depthM: number | null = 5, line = 'a'): ReactionState => ({
  id: String(++n),
  ms: n,
  station: 'h',
  line,
  kind,
  depthM,
  bottomM: 8,
  cadence,
  cast: null,
  outM: null,
  alongM: null,
  at: null,
  turn: null,
  speedMs: null,
});
const line = (id: string, presentation: string): LineState => ({
  id,
  station: 'h',
  rod: 'rod 1',
  presentation,
  downMs: 0,
  upMs: null,
  flagsMs: [],
  depths: [],
  cadences: [],
  second: null,
});
const many = (count: number, kind: ReactionKind, cadence: string) => Array.from({ length: count }, () => reaction(kind, cadence));

test('answers are counted by movement, bait and depth, best first', () => {
  const outing = {
    lines: [line('a', 'Spoon'), line('b', 'Grub')],
    reactions: [...many(4, 'bite', 'tap'), ...many(1, 'refused', 'tap'), ...many(5, 'refused', 'bounce'), ...many(1, 'looked', 'bounce'), reaction('bite', null, 3.3, 'b')],
  };
  const told = responsesBy(outing, 'cadence');
  expect(told.rows.map((r) => [r.key, r.answered, r.turnedDown, r.looked])).toEqual([
    ['tap', 4, 1, 0],
    ['bounce', 0, 5, 1],
  ]);
  expect(told.probability!).toBeGreaterThan(0.95);
  expect(responseWords(told, (k) => k)).toMatch(/^tap leads: 4 of 5 answered\. \d\d in 100 against the next; that is hardly luck\.$/);
  expect(responsesBy(outing, 'presentation').rows.map((r) => r.key)).toEqual(['Grub', 'Spoon']);
  expect(
    responsesBy(outing, 'depth')
      .rows.map((r) => r.key)
      .sort(),
  ).toEqual(['3.5', '5.0']);
});

test('a lone bite proves nothing, and nothing told is said', () => {
  const one = responsesBy({ lines: [], reactions: [reaction('bite', 'tap'), reaction('refused', 'bounce')] }, 'cadence');
  expect(one.probability!).toBeLessThan(0.9);
  expect(responseWords(one, (k) => k)).toMatch(/luck|close/);
  expect(responseWords(responsesBy({ lines: [], reactions: [reaction('refused', 'tap'), reaction('looked', 'bounce')] }, 'cadence'), (k) => k)).toMatch(/^All turned down so far/);
  expect(responseWords(responsesBy({ lines: [], reactions: [] }, 'cadence'), (k) => k)).toMatch(/^Nothing told yet/);
});

test('the interval holds the mean, narrows with evidence, and equal rows are a toss-up', () => {
  const width = (count: number) => {
    const { share } = responsesBy({ lines: [], reactions: [...many(count, 'bite', 'tap'), ...many(count, 'refused', 'tap')] }, 'cadence').rows[0];
    expect(share.low).toBeLessThan(share.mean);
    expect(share.high).toBeGreaterThan(share.mean);
    return share.high - share.low;
  };
  expect(width(20)).toBeLessThan(width(2));
  const equal = responsesBy({ lines: [], reactions: [...many(3, 'bite', 'tap'), ...many(3, 'bite', 'bounce')] }, 'cadence');
  expect(equal.probability!).toBeCloseTo(0.5, 2);
});
