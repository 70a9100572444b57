import { adviseReading, adviceWords, baitRules, sightingRules, type CoachSetting, type MarkDid } from '../src/coach';
import { withBait } from '../src/coach/bait-table';
import { tackleFamilies } from '../src/tackle';
import { metric } from '../src/units';

const dids: readonly MarkDid[] = ['none', 'still', 'long-still', 'rising', 'sinking', 'followed', 'fled', 'several'];
const setting = (more: Partial<CoachSetting>): CoachSetting => ({ speciesId: 'lake-whitefish', waterTempC: 3.5, beamDeg: 20, ...more });
/** A mark a little under the jig, 14 m down. */
const advised = (did: MarkDid, more: Partial<CoachSetting>, jigM = 13) => adviseReading({ bottomM: 14.5, jigM, topMarkM: did === 'none' ? null : 13.4, did }, setting(more));
const says = (...args: Parameters<typeof advised>) => adviceWords(advised(...args), metric);

test('job 15: a mark that comes up stops a tube dead and keeps a spoon moving, smaller', () => {
  expect(says('rising', { family: 'tube' }).instruction).toMatch(/^Hold still/);
  expect(says('rising', { family: 'tube' }).reason).toMatch(/opens its tails/);
  expect(says('rising', { family: 'spoon' }).instruction).toMatch(/^Slow down, smaller/);
  expect(says('rising', { family: null })).toEqual(says('rising', { family: 'spoon' }));
});

test('job 15: come and stopped, a spoon is drawn slowly away before any other change is asked', () => {
  const { instruction } = says('long-still', { family: 'spoon' });
  expect(instruction).toMatch(/^Draw slowly up to/);
  expect(advised('long-still', { family: 'spoon' }).suggestion).toBeNull();
});

test('job 5: what hangs still is never told to move, whatever is seen', () => {
  for (const family of ['plain-hook', 'tip-up-rig'])
    for (const did of dids) {
      const advice = advised(did, { family });
      expect([did, advice.cadence.id, advice.rod.id]).toEqual([did, 'deadstick', 'deadstick']);
    }
});

test('job 1: a lipless bait never hangs; the take is weight on the lift', () => {
  for (const species of ['black-crappie', 'walleye'])
    for (const did of dids) {
      const { cadence, then } = advised(did, { family: 'lipless', speciesId: species });
      expect(cadence.id).not.toBe('deadstick');
      expect(then).toMatch(/weight on the lift/);
    }
});

test('job 9: live bait is lowered under the marks and drawn up through them at 10 cm a second, or hung above by the other side', () => {
  const at = { bottomM: 6.9, jigM: 4.2, topMarkM: 4.6, did: 'still' as const };
  const words = (hangsAbove: boolean) => adviceWords(adviseReading(at, setting({ speciesId: 'white-crappie', waterTempC: 11.5, family: 'live-bait', hangsAbove })), metric);
  expect(words(false).instruction).toBe('Lower to 5.6 m, draw slowly up to 4.3 m');
  expect(words(false).pause).toBe('up 10 cm a second');
  expect(words(false).reason).toMatch(/Fast lifts are the mistake/);
  const [, depth] = /^Hold still at ([\d.]+) m$/.exec(words(true).instruction)!;
  expect(Number(depth)).toBeGreaterThanOrEqual(4.2);
  expect(Number(depth)).toBeLessThanOrEqual(4.4);
  // In thin water it is lowered no nearer to the bottom than a hand or two.
  expect(adviceWords(adviseReading({ ...at, bottomM: 5 }, setting({ family: 'live-bait' })), metric).instruction).toMatch(/^Lower to 4\.7 m/);
});

test('job 20: a lake trout that flared off is answered on the bed, trembled and not lifted, after the first one', () => {
  const { instruction, then } = says('fled', { speciesId: 'lake-trout', family: 'spoon' });
  expect(instruction).toMatch(/^Lay it down, tremble/);
  expect(then).toBe('Do not lift it off.');
});

test('a line that stops is struck at once, whatever hangs on it, and families of the rules are those of the tackle table', () => {
  const stopped = sightingRules.find((r) => r.sighting === 'stopped')!;
  for (const { id } of tackleFamilies) expect(withBait(stopped, id)).toBe(stopped);
  for (const rule of baitRules) for (const family of rule.families) expect(tackleFamilies.map((f) => f.id)).toContain(family);
  expect(new Set(baitRules.map((r) => r.id)).size).toBe(baitRules.length);
});
