import { moodOf, ruleWithBait, whatAfter, type CastSign } from '../src/casting';
import { minuteMs } from '../src/units';

const sign = (min: number, kind: CastSign['kind']): CastSign => ({ ms: min * minuteMs, kind, bearingDeg: 90, outM: 10 });
const scene = (signs: CastSign[]) => ({ signs, nowMs: (signs.at(-1)?.ms ?? 0) + minuteMs / 2, underM: 4, passes: 1 });

test('goes one step on the ladder of mood: the pace first, then the bait, and no bait that suits is changed', () => {
  const said = (family: string, goal: 'numbers' | 'size', ...kinds: CastSign['kind'][]) => {
    const s = scene(kinds.map((kind, k) => sign(k, kind)));
    return ruleWithBait(whatAfter(s), null, s.signs, { family, colour: null }, goal).headline;
  };
  expect(said('suspending-minnow', 'size', 'followed')).toBe('The same cast, half as fast');
  expect(said('suspending-minnow', 'size', 'followed', 'followed')).toBe('A longer pause, then smaller');
  expect(said('grub', 'numbers', 'ignored')).toBe('The same cast, left to lie');
  expect(said('grub', 'numbers', 'ignored', 'ignored')).toBe('Change to a straight worm on the bed, left to lie');
  expect(said('grub', 'size', 'ignored', 'cast', 'ignored')).toBe('Change to a bulky jig on the bed, left to lie');
  expect(said('bulky-jig', 'size', 'ignored', 'ignored', 'ignored')).toBe('The same cast, left to lie');
  expect(said('finesse-jig', 'numbers', 'chased', 'chased')).toMatch(/^Change to a suspending bait/);
  // One that took in between begins the count anew.
  expect(said('grub', 'size', 'ignored', 'missed', 'ignored')).toBe('The same cast, left to lie');
  expect(moodOf([sign(0, 'followed'), sign(1, 'landed')])).toEqual({ seen: 'none', times: 0 });
});

test('a swim jig that they roll at is changed for a white one and for nothing else, and a white one is slowed', () => {
  const rolled = (colour: string, ...kinds: CastSign['kind'][]) => {
    const s = scene(kinds.map((kind, k) => sign(k, kind)));
    return ruleWithBait(whatAfter(s), null, s.signs, { family: 'swim-jig', colour }, 'numbers').headline;
  };
  expect(rolled('black', 'chased')).toBe('White, the same pace');
  expect(rolled('black', 'followed')).toBe('White, the same pace');
  expect(rolled('pearl', 'chased')).toBe('The same cast, slower');
  expect(rolled('black', 'ignored')).toBe('The same cast, left to lie');
});
