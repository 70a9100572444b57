import { EchoList } from '../src/sonar/echoes';
import { JigLine } from '../src/sonar/jig-line';
import { Track } from '../src/sonar/track';
import { Tracker } from '../src/sonar/tracker';
import { trackerLimits } from '../src/sonar/tracker-limits';

const rate = 10;
const mergeM = 0.09;
const jigDb = -49;

interface Target {
  rangeM: number;
  levelDb: number;
}

/** Echoes of targets: those nearer than a pulse are one, at the stronger one's range. */
function echoesOf(targets: readonly Target[]): EchoList {
  const list = new EchoList();
  const apart: Target[] = [];
  for (const t of [...targets].sort((a, b) => b.levelDb - a.levelDb)) if (!apart.some((x) => Math.abs(x.rangeM - t.rangeM) < mergeM / 2)) apart.push(t);
  list.count = apart.length;
  apart.forEach(({ rangeM, levelDb }, i) => {
    list.rangeM[i] = rangeM;
    list.levelDb[i] = levelDb;
  });
  return list;
}

/** Shows a tracker a jig and a fish for some seconds and tells how often what it takes for the jig was the jig. */
function follow(seconds: number, at: (s: number) => { lineM: number; jigM: number; fish: Target[] }) {
  const tracker = new Tracker(rate, mergeM);
  let [right, last] = [0, Number.NaN];
  const pings = seconds * rate;
  for (let i = 0; i < pings; i++) {
    const { lineM, jigM, fish } = at(i / rate);
    if (lineM !== last) tracker.expectJig((last = lineM));
    const list = echoesOf([{ rangeM: jigM, levelDb: jigDb }, ...fish]);
    tracker.update(list, i * 100, 8);
    const read = tracker.jigRange(list, 8);
    if (read !== null && Math.abs(read - jigM) < 0.12) right++;
  }
  return { tracker, share: right / pings };
}

/** Three lifts of 45 cm at two seconds each, then twelve seconds of rest. */
const called = (s: number) => (s % 18 < 6 ? 0.225 * (1 - Math.cos(Math.PI * (s % 18))) : 0);

test('the jig of a calling rod is not lost to a stronger fish that hangs where it is lifted from', () => {
  const { share, tracker } = follow(60, (s) => ({ lineM: 7.4, jigM: 7.4 - called(s), fish: [{ rangeM: s < 5 ? 7 : 7.36, levelDb: -40 }] }));
  expect(share).toBeGreaterThan(0.97);
  expect(tracker.jig!.levelDb).toBeCloseTo(jigDb, -1);
});

test('nor to one that follows the lift half way', () => {
  const { share } = follow(60, (s) => ({ lineM: 7.4, jigM: 7.4 - called(s), fish: [{ rangeM: 7.45 - 0.4 * called(s), levelDb: -41 }] }));
  expect(share).toBeGreaterThan(0.93);
});

test.each([
  ['up', 7.6, 7.2],
  ['down', 7.2, 7.6],
])('a fish that stays where the jig was does not keep its name when the line goes %s', (_, fromM, toM) => {
  const { share } = follow(20, (s) => {
    const jigM = s < 10 ? fromM : fromM + Math.sign(toM - fromM) * Math.min(Math.abs(toM - fromM), 0.9 * (s - 10));
    return { lineM: s < 10 ? fromM : toM, jigM, fish: [{ rangeM: fromM - 0.02, levelDb: -44 }] };
  });
  expect(share).toBeGreaterThan(0.93);
});

test('a fish that leaves the shared echo downward is not the jig: nothing hangs below its line', () => {
  const { share, tracker } = follow(30, (s) => ({ lineM: 7.3, jigM: 7.3, fish: [{ rangeM: s < 15 ? 7.32 : Math.min(7.8, 7.32 + 0.15 * (s - 15)), levelDb: -41 }] }));
  expect(share).toBeGreaterThan(0.97);
  expect(tracker.jig!.rangeM).toBeCloseTo(7.3, 1);
});

describe('what line and level tell', () => {
  const jigAt = (rangeM: number, levelDb: number) => new Track(rangeM, levelDb, 0, trackerLimits.jig);
  const settledLine = (atM: number) => {
    const line = new JigLine(rate, mergeM);
    line.expect(atM, null);
    line.tick(10_000);
    return line;
  };

  test('without a line counter no range speaks against a jig, with one the more the further below it or over the rod’s reach', () => {
    expect(new JigLine(rate, mergeM).astray(3)).toBe(0);
    const line = settledLine(7);
    expect([7, 6.8, 6.5].map((m) => line.astray(m))).toEqual([0, 0, 0]);
    expect(line.astray(7.2)).toBeGreaterThan(line.astray(7.1));
    expect(line.astray(6.3)).toBeGreaterThan(line.astray(6.45));
    expect(line.astray(9)).toBe(16);
  });

  test('on its way the line’s depth hardly counts', () => {
    const line = settledLine(7);
    line.expect(5, 7);
    expect(line.isOnItsWay).toBe(true);
    expect(line.astray(7)).toBe(1);
    line.tick(10_000 + 1000 * (trackerLimits.settleS + 2 / trackerLimits.reelMs) + 1);
    expect(line.isOnItsWay).toBe(false);
    expect(line.astray(7)).toBe(16);
  });

  test('a fish in its echo makes it stronger: that counts less against it than being weaker', () => {
    const line = settledLine(7);
    line.levelDb = jigDb;
    expect(line.unlike(jigAt(7, jigDb + 6))).toBeLessThan(line.unlike(jigAt(7, jigDb - 6)));
    expect(line.unlike(jigAt(6.8, jigDb + 6))).toBeCloseTo(line.unlike(jigAt(6.8, jigDb - 6)), 6);
  });

  test('its level is learnt downward even in company, upward only alone and slowly', () => {
    const line = settledLine(7);
    line.learn(jigAt(7, -43), -43, true);
    expect(line.levelDb).toBe(-43);
    for (let i = 0; i < 60; i++) line.learn(jigAt(7, jigDb), jigDb, true);
    expect(line.levelDb).toBeCloseTo(-48, 0);
    const low = line.levelDb!;
    line.learn(jigAt(7, -40), -40, true);
    expect(line.levelDb).toBe(low);
    line.learn(jigAt(7, -40), -40, false);
    expect(line.levelDb! - low).toBeCloseTo(0.03, 6);
  });
});
