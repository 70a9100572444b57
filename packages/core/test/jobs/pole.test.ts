import { bagsTogether, bagWeight, facesDeg, feedLanding, layInSide, nextBallFor, pegRig } from '../../src/pole';
import { LocalFrame } from '../../src/units';

const floats = [0.9, 0.6, 0.4].map((capacityG) => ({ name: `${capacityG}`, capacityG }));
const rig = (flowMs: number, earlierMs: number | null) => pegRig({ depthM: 1.7, flowMs, earlierMs, floats, loadG: 0.02, pattern: null });

describe('job 6, roach on a drain', () => {
  test('float: the 0.9 g for 0.25 m/s, and when it slows to 0.12 the 0.4 g', () => {
    expect(rig(0.25, null)).toMatchObject({ float: { capacityG: 0.9 }, change: null });
    expect(rig(0.12, 0.25).change).toMatchObject({ label: 'Change to the 0.4 g', reason: expect.stringMatching(/lifts the bait/) });
  });
  test('whip: shot never weighs more than the float carries', () => {
    for (const flow of [0, 0.12, 0.25]) {
      const { plan, float } = rig(flow, null);
      expect(plan!.totalG + 0.02).toBeLessThanOrEqual(float!.capacityG + 1e-9);
    }
  });
  test('ball: squeezed hard it lies 0.8 m down the run; half way it leaves a trail, and that is advised', () => {
    const hard = feedLanding({ depthM: 1.7, flowMs: 0.2, ballCm: 5, densityGcc: 1.2, breakAt: 'never', particle: 'crumb', profile: 'seventh' });
    expect(hard.landsM).toBeGreaterThan(0.4);
    expect(hard.landsM).toBeLessThan(0.9);
    const ball = nextBallFor({ depthM: 1.7, flowMs: 0.2, runM: 6, tempC: 5 });
    expect(ball.break).toBe('half');
    expect(ball.fedToM! - ball.fedFromM!).toBeGreaterThan(3);
    expect(ball.shareOnRun!).toBeGreaterThanOrEqual(0.7);
  });
  test('after a blank of 10 min on a hard ball: smaller and looser; after two: thrown', () => {
    const after = (breaks: 'bottom' | 'half', blankMin: number) => nextBallFor({ depthM: 1.7, flowMs: 0.2, runM: 6, tempC: 5, last: { breaks, blankMin } });
    expect(['half', 'surface']).toContain(after('bottom', 12).break);
    expect(after('bottom', 12).why).toMatch(/too hard/);
    expect(after('half', 12).break).toBe('surface');
    expect(after('half', 26).way).toBe('throw');
  });
  test('after: 60 of 65 g come to 3.65 to 4.15 kg', () => {
    const bag = bagWeight(60, 65, 20);
    expect(bag.lowG).toBeGreaterThan(3600);
    expect(bag.highG).toBeLessThan(4200);
  });
});

describe('job 12, roach on a big cold water', () => {
  const far = (capacityG: number) => pegRig({ depthM: 3.1, flowMs: 0, earlierMs: null, windMs: 8, reachM: 12, floats: [{ name: 'far', capacityG }], loadG: 0.02, pattern: null });
  const named = (name: string, plan: NonNullable<ReturnType<typeof far>['plan']>) => plan.shots.filter((s) => s.name === name).length;
  test('rigs: far 1.0 g is 15 No. 8 and one No. 10, near 0.6 g is 17 No. 10', () => {
    const { plan, pattern } = far(1);
    expect(pattern).toBe('strung-dropper');
    expect([named('No. 8', plan!), named('No. 10', plan!)]).toEqual([15, 1]);
    expect(plan!.totalG).toBeCloseTo(0.98, 2);
    const near = pegRig({ depthM: 3.1, flowMs: 0, earlierMs: null, windMs: 8, reachM: 5.5, floats: [{ name: 'near', capacityG: 0.6 }], loadG: 0.02, pattern: 'strung' });
    expect(named('No. 10', near.plan!)).toBe(17);
  });
  test('open: several balls on the bed where fish are used to bait, one or none where they are not', () => {
    const used = nextBallFor({ depthM: 3.1, flowMs: 0, runM: 2, habit: 'used', tempC: 5 });
    const unfed = nextBallFor({ depthM: 3.1, flowMs: 0, runM: 2, habit: 'unfed', tempC: 5 });
    expect(used.balls).toBeGreaterThanOrEqual(3);
    expect(used.balls).toBeLessThanOrEqual(10);
    expect(used.break).toBe('bottom');
    expect(unfed.balls).toBeLessThanOrEqual(1);
  });
  test('feed: in water that cools no balls once it is fed, five or six grains', () => {
    expect(nextBallFor({ depthM: 3.1, flowMs: 0, runM: 2, habit: 'used', tempC: 4.8, isBegun: true, isCooling: true })).toMatchObject({
      balls: 0,
      way: 'loose',
      why: expect.stringMatching(/that cools no ball: five or six grains/),
    });
    expect(nextBallFor({ depthM: 3.1, flowMs: 0, runM: 2, habit: 'used', tempC: 4.8, isBegun: true }).balls).toBeGreaterThan(0);
  });
  test('lay in: against the wind, by the side it comes from as one faces the water; against a flow that is stronger; nowhere in neither', () => {
    const northerly = { speedMs: 8, fromDeg: 0 };
    // Facing west the north lies to the right.
    expect(layInSide({ facesDeg: 270, wind: northerly, flowMs: 0 })).toMatchObject({ side: 'right', against: 'wind' });
    expect(layInSide({ facesDeg: 90, wind: northerly, flowMs: null })).toMatchObject({ side: 'left', against: 'wind' });
    expect(layInSide({ facesDeg: 270, wind: northerly, flowMs: 0.25 })).toMatchObject({ side: 'left', against: 'flow' });
    expect(layInSide({ facesDeg: 270, wind: northerly, flowMs: -0.25 })).toMatchObject({ side: 'right', against: 'flow' });
    for (const facing of [0, 180, null]) expect(layInSide({ facesDeg: facing, wind: northerly, flowMs: 0 })).toBeNull();
    expect(layInSide({ facesDeg: 270, wind: { speedMs: 1, fromDeg: 0 }, flowMs: 0 })).toBeNull();
  });
  test('a peg looks out over the water from the nearest stretch of its shore', () => {
    const frame = new LocalFrame(-140, 47);
    const square = [[0, 0], [100, 0], [100, 100], [0, 100]].map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
    for (const [x, y, deg] of [[50, 1, 0], [99, 50, 270], [50, 102, 180], [-1, 50, 90]]) expect(facesDeg(square, frame.toLonLat(x, y))).toBeCloseTo(deg, 0); // prettier-ignore
    expect(facesDeg([], frame.toLonLat(0, 0))).toBeNull();
  });
  test('tow: 5 cm on the bed and more as it tows more', () => {
    const over = (windMs: number) => pegRig({ depthM: 3.1, flowMs: 0, earlierMs: null, windMs, reachM: 12, floats: [], loadG: 0.02, pattern: null }).overM;
    expect(over(4)).toBeGreaterThanOrEqual(0.05 - 1e-9);
    expect(over(8)).toBeGreaterThan(over(4));
  });
  test('after: 31 at 95 g and 9 at 380 come to 6.4 kg with a spread', () => {
    const bag = bagsTogether([bagWeight(31, 95, 25), bagWeight(9, 380, 80)]);
    expect(Math.round(bag.totalG / 100)).toBe(64);
    expect(bag.highG - bag.lowG).toBeGreaterThan(400);
  });
});
