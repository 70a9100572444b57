import { castTarget, unshown, unshownText } from '../src/casting';

const log = castTarget('cover', { x: 0, y: 12 }, 'log');
const from = { x: 0, y: 0 };
/** A cast to the north that passes so far to the right of the log, m. */
const past = (rightM: number) => ({ bearingDeg: ((Math.atan2(rightM, 12) * 180) / Math.PI + 360) % 360, lengthM: 18 });

test('job 21: after one cast by the right of a log its left and its top are named, after three nothing', () => {
  expect(unshown([log], from, [past(1.5)])).toEqual({ name: 'log', sides: ['left', 'over'] });
  expect(unshownText({ name: 'log', sides: ['left', 'over'] })).toBe('The log: left side and top not shown yet.');
  expect(unshown([log], from, [past(1.5), past(-1.5)])).toEqual({ name: 'log', sides: ['over'] });
  expect(unshown([log], from, [past(1.5), past(-1.5), past(0)])).toBeNull();
});

test('sides are those seen from the stance, whichever way one faces', () => {
  for (let turnDeg = 0; turnDeg < 360; turnDeg += 30) {
    const t = (turnDeg * Math.PI) / 180;
    const turned = castTarget('cover', { x: 12 * Math.sin(t), y: 12 * Math.cos(t) }, 'log');
    const cast = (rightM: number) => ({ ...past(rightM), bearingDeg: (past(rightM).bearingDeg + turnDeg) % 360 });
    expect(unshown([turned], from, [cast(1.5)])!.sides).toEqual(['left', 'over']);
    expect(unshown([turned], from, [cast(-1.5)])!.sides).toEqual(['right', 'over']);
  }
});

test('what no cast came by, what lies beyond the throw, and bare bank are not named; of two the one cast at last is', () => {
  expect(unshown([log], from, [])).toBeNull();
  expect(unshown([log], from, [past(6)])).toBeNull();
  expect(unshown([log], from, [{ bearingDeg: 0, lengthM: 8 }])).toBeNull();
  expect(unshown([castTarget('seam', { x: 0, y: 12 }, 'seam')], from, [past(0)])).toBeNull();
  const root = castTarget('cover', { x: 12, y: 0 }, 'root');
  expect(unshown([log, root], from, [past(0), { bearingDeg: 90, lengthM: 18 }])!.name).toBe('root');
});
