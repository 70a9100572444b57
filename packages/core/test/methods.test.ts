import { fold } from '../src/ledger';
import { lineAtAngle, lineDepth, massThatHolds } from '../src/rig';
import { addMethod, methodOf, methodsOn, otherMethods, riverIce, stepsOn } from '../src/methods';
import { judgeIce } from '../src/safety';
import { imperial } from '../src/units';
import { event, shortOuting, testId } from './events';

const setting = { ice: judgeIce(undefined, 'foot', 0), load: 'foot', grownM: null, craft: 'kayak', units: imperial } as const;

test('each way of fishing is done where its surface allows it, and moving water has none that stands on ice', () => {
  expect(methodsOn('ice').map((m) => m.id)).toEqual(['ice']);
  expect(methodsOn('open').map((m) => m.id)).toEqual(['vertical', 'cast', 'pole', 'troll']);
  expect(methodsOn('moving').map((m) => m.id)).toEqual(['cast', 'pole', 'troll']);
  expect(methodsOn('moving').filter((m) => m.isOnIce)).toEqual([]);
  // Ice on a river is the last of the other ways: for who has measured it there.
  expect(otherMethods('moving').map((m) => m.id)).toEqual(['vertical', 'ice']);
  expect(riverIce.text).toMatch(/Only where you have measured it yourself/);
  expect(stepsOn('moving').out).toMatch(/bank/);
  expect(stepsOn('unknown').first).toMatch(/ice or open water\?/);
  expect(() => addMethod(methodOf('ice')!)).toThrow(/expected an id that no way of fishing has, found "ice"/);
});

test('hazards are those of the place: ice has the ice, open water its cold and the craft', () => {
  expect(
    methodOf('ice')!
      .hazards(setting)
      .map((h) => h.headline),
  ).toEqual(['Ice not measured']);
  for (const craft of ['pier', 'boat', 'kayak', 'wading'] as const) {
    const ids = methodOf('vertical')!
      .hazards({ ...setting, craft })
      .map((h) => h.id);
    expect(ids).toEqual([craft, 'cold-water']);
  }
});

test('a line that leans is as deep as the drift that leans it says: upright it is all depth, and the more it leans the less', () => {
  const lure = { massG: 10, material: 'lead', shape: 'teardrop' } as const;
  expect(lineAtAngle(lure, 0.2, 12, 0).depthM).toBeCloseTo(12, 3);
  let before = Infinity;
  for (const angle of [5, 15, 30, 45]) {
    const line = lineAtAngle(lure, 0.2, 12, angle);
    expect(line.surfaceAngleDeg).toBeCloseTo(angle, 3);
    expect(lineDepth(lure, 0.2, 12, line.driftMs).depthM).toBeCloseTo(line.depthM, 6);
    expect(line.depthM).toBeLessThan(before);
    // The rule of thumb of the method lies within a tenth of it.
    expect(Math.abs(methodOf('vertical')!.lureDepthM({ lineOutM: 12, angleDeg: angle }) / line.depthM - 1)).toBeLessThan(0.1);
    before = line.depthM;
  }
  expect(() => lineAtAngle({ ...lure, massG: 20_000 }, 0.2, 12, 60)).toThrow(RangeError);
  const { driftMs } = lineAtAngle(lure, 0.2, 12, 30);
  const held = massThatHolds(lure, [5, 10, 20, 40, 80], 0.2, 12, driftMs, 12)!;
  expect(held).toBeGreaterThan(10);
  expect(lineDepth({ ...lure, massG: held }, 0.2, 12, driftMs).surfaceAngleDeg).toBeLessThanOrEqual(12);
});

test('an outing may change its way: stations keep the way they were opened in', () => {
  const { events, outing } = shortOuting();
  const spot = testId();
  const state = fold([
    ...events.slice(0, -1),
    event(outing, 1930, 'method-changed', { method: 'vertical' }),
    event(outing, 1940, 'station-opened', { station: spot, kind: 'spot', label: '2', at: [-140, 47] }),
  ]);
  const [changed] = state.outings;
  expect(changed.method).toBe('vertical');
  expect(changed.methods.map((m) => m.method)).toEqual(['ice', 'vertical']);
  expect(changed.stations.map((s) => [s.kind, s.method])).toEqual([
    ['hole', 'ice'],
    ['spot', 'vertical'],
  ]);
});
