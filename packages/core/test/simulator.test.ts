import { intensityOf, sceneOf, scenes, SimulatedFlasher, SimulatedWater, stillRod } from '../src/simulator';
import { SimulatedJig } from '../src/simulator/jig';

describe('the jig', () => {
  test('goes where the line says at the speed of reel and fall, or of a hand', () => {
    const jig = new SimulatedJig(5);
    jig.rod = stillRod;
    jig.commandedM = 6;
    for (let i = 0; i < 5; i++) jig.step(0.1);
    expect(jig.depthM).toBeGreaterThan(5.4);
    expect(jig.depthM).toBeLessThan(6);
    for (let i = 0; i < 90; i++) jig.step(0.1);
    expect(jig.depthM).toBeCloseTo(6, 9);
    jig.handMs = 0.06;
    jig.commandedM = 5;
    for (let i = 0; i < 50; i++) jig.step(0.1);
    expect(jig.depthM).toBeCloseTo(5.7, 2);
    expect(jig.sense().startle).toBeLessThan(1e-6);
  });

  test('settles at the intensity of its rod, at five steps a second as at fifty', () => {
    const rod = { liftM: 0.06, beatPerMin: 80, pauseS: 4, beats: 4 };
    for (const dt of [0.02, 0.2]) {
      const jig = new SimulatedJig(5);
      jig.rod = rod;
      let sum = 0;
      for (let i = 0; i < 120 / dt; i++) {
        jig.step(dt);
        if (i * dt > 30) sum += jig.sense().motion * dt;
      }
      expect(Math.abs(sum / 90 - intensityOf(rod))).toBeLessThan(0.12);
    }
    expect(intensityOf(stillRod)).toBe(0);
  });

  test('a dart startles, and is forgotten', () => {
    const jig = new SimulatedJig(5);
    jig.rod = stillRod;
    jig.commandedM = 6;
    let most = 0;
    for (let i = 0; i < 10; i++) {
      jig.step(0.1);
      most = Math.max(most, jig.sense().startle);
    }
    expect(most).toBeGreaterThan(0.3);
    for (let i = 0; i < 40; i++) jig.step(0.1);
    expect(jig.sense().startle).toBeLessThan(0.05);
  });
});

test('a take is felt, held for a while, and landed only by a strike in time; a nip cannot be struck', () => {
  const water = new SimulatedWater({ seed: 8, sceneId: 'stack' });
  water.setJig(4.6);
  water.jig.rod = { liftM: 0.02, beatPerMin: 60, pauseS: 5 };
  expect(water.strike()).toBeNull();
  let [landed, late] = [0, 0];
  let since: number | null = null;
  for (let i = 0; i < 60_000 && landed === 0; i++) {
    const take = water.step(0.1);
    if (take?.isNip) expect(water.strike()).toBeNull();
    else if (take) since = 0;
    if (since === null) continue;
    since++;
    // The first is struck too late, the next in time.
    if (late === 0 && since === 60) late = water.strike() === null ? 1 : -1;
    else if (late === 1 && since === 5) landed = water.strike()!.lengthMm;
  }
  expect(late).toBe(1);
  expect(landed).toBeGreaterThan(150);
  expect(water.strike()).toBeNull();
});

test('scenes are found by id, an unknown one is named, and fish keep their height over another bottom', () => {
  for (const { id } of scenes) expect(sceneOf(id).id).toBe(id);
  expect(() => sceneOf('moon')).toThrow(/scene must be one of .* found moon/);
  const bottoms = [7.5, 20].map((bottomM) => {
    const water = new SimulatedWater({ seed: 3, sceneId: 'steady', bottomM });
    return bottomM - water.fish[0].homeDepthM;
  });
  expect(bottoms[0]).toBeCloseTo(bottoms[1], 9);
});

test('days differ in what they like, and a day’s fish are alike', () => {
  const likes = (seed: number) => {
    const water = new SimulatedWater({ seed, sceneId: 'stack' });
    for (let i = 0; i < 6000 && water.fish.length < 3; i++) water.step(0.1);
    return water.fish.map((f) => f.mood.likedMotion);
  };
  const days = [1, 2, 3, 4, 5, 6, 7, 8].map(likes).filter((d) => d.length > 1);
  const within = days.map((d) => Math.max(...d) - Math.min(...d));
  const means = days.map((d) => d.reduce((a, b) => a + b, 0) / d.length);
  expect(Math.max(...means) - Math.min(...means)).toBeGreaterThan(2 * (within.reduce((a, b) => a + b, 0) / within.length));
});

test('the bait hangs where the scene has it, and the truth tells of it', () => {
  const { truth } = new SimulatedFlasher({ seed: 2, sceneId: 'bait', start: 'x' }).next();
  expect(truth.bait!.topM).toBeGreaterThanOrEqual(4);
  expect(truth.bait!.baseM).toBeLessThanOrEqual(5.1);
});
