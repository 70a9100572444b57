import { SimulatedFlasher, sceneOf, scenes, stillRod } from '../src/simulator';
import { SimulatedJig } from '../src/simulator/jig';
import { Quarry, type JigSense, type Mood } from '../src/simulator/quarry';
import { seededRandom } from '../src/units';

const place = { xM: 0.6, yM: 0.4, vx: -1, vy: -0.6 };
const still: JigSense = { depthM: 5, riseMs: 0, motion: 0.4, startle: 0 };

/** Lets one fish live beside a jig and answers the states it went through. */
function live(mood: Mood, jig: (s: number) => JigSense, seconds: number, seed = 1) {
  const fish = new Quarry(1, 25, mood, 5.8, seededRandom(seed), place);
  const states = new Set<string>();
  let took: number | null = null;
  for (let s = 0; s < seconds && took === null; s += 0.1) {
    if (fish.step(0.1, jig(s), 8)) took = s;
    states.add(fish.state);
  }
  return { fish, states, took };
}

const eager: Mood = { activity: 0.95, wariness: 0.1, likedMotion: 0.4 };
const many = (count: number, run: (seed: number) => boolean) => Array.from({ length: count }, (_, i) => run(i + 1)).filter(Boolean).length / count;

test('an eager fish comes up to a jig that moves as it likes, and takes it', () => {
  const { states, took } = live(eager, () => still, 240, 3);
  expect(states).toContain('approach');
  expect(took).not.toBeNull();
});

test('a fish that likes it still takes a still jig more often than a lively one', () => {
  const mood: Mood = { activity: 0.7, wariness: 0.3, likedMotion: 0.05 };
  const taken = (motion: number) => many(40, (seed) => live(mood, () => ({ ...still, motion }), 90, seed).took !== null);
  expect(taken(0.05)).toBeGreaterThan(taken(0.95) + 0.2);
});

test('drawing the jig slowly away makes up its mind', () => {
  const mood: Mood = { activity: 0.5, wariness: 0.3, likedMotion: 0.7 };
  const drawn = (riseMs: number) =>
    many(40, (seed) => live(mood, (s) => ({ depthM: 5 - Math.min(0.8, riseMs * (s % 20)), riseMs, motion: 0.3, startle: 0 }), 60, seed).took !== null);
  expect(drawn(0.05)).toBeGreaterThan(drawn(0));
});

test('a wary fish turns away from sudden changes, and leaves after three refusals', () => {
  const wary: Mood = { activity: 0.8, wariness: 1, likedMotion: 0.4 };
  const startled = (s: number) => ({ ...still, startle: Math.floor(s) % 3 === 0 ? 0.8 : 0 });
  const { fish, states, took } = live(wary, startled, 400, 2);
  expect(took).toBeNull();
  expect(states).toContain('refuse');
  expect(fish.refusals).toBeLessThanOrEqual(3);
});

test('fish stay in the water whatever they do', () => {
  for (let seed = 1; seed <= 8; seed++) {
    const fish = new Quarry(1, 25, eager, 7.9, seededRandom(seed), place);
    for (let s = 0; s < 120; s += 0.1) {
      fish.step(0.1, { ...still, depthM: 0.4 + (s % 7) }, 8);
      expect(fish.depthM).toBeGreaterThanOrEqual(0.6 - 1e-9);
      expect(fish.depthM).toBeLessThanOrEqual(8 - 0.08 + 1e-9);
    }
  }
});

test('the jig goes where the line says at the speed of reel and fall, and the rod moves it about that', () => {
  const jig = new SimulatedJig(5);
  jig.rod = stillRod;
  jig.commandedM = 6;
  for (let i = 0; i < 5; i++) jig.step(0.1);
  expect(jig.depthM).toBeGreaterThan(5.4);
  expect(jig.depthM).toBeLessThan(6);
  for (let i = 0; i < 90; i++) jig.step(0.1);
  expect(jig.depthM).toBe(6);
  expect(jig.sense().motion).toBeLessThan(0.25);
  jig.rod = { liftM: 0.3, beatPerMin: 60, pauseS: 2 };
  const depths = Array.from({ length: 120 }, () => {
    jig.step(0.1);
    return jig.depthM;
  });
  expect(Math.max(...depths)).toBeCloseTo(6, 6);
  expect(Math.min(...depths)).toBeCloseTo(5.7, 1);
  expect(jig.sense().motion).toBeGreaterThan(0.3);
});

test('a take is felt, held for a while, and landed only by a strike in time', () => {
  const flasher = new SimulatedFlasher({ seed: 8, sceneId: 'stack', start: 'x' });
  flasher.setJig(5.4);
  expect(flasher.strike()).toBeNull();
  let struck = null;
  let late = 0;
  for (let i = 0, takes = 0, since = 0; i < 30_000 && struck === null; i++) {
    const { take } = flasher.next();
    if (take) {
      takes++;
      since = 0;
    }
    since++;
    // The first is struck too late, the second in time.
    if (takes === 1 && since === 60) late = flasher.strike() === null ? 1 : 0;
    if (takes === 2 && since === 5) struck = flasher.strike();
  }
  expect(late).toBe(1);
  expect(struck).toMatchObject({ lengthMm: expect.any(Number) });
  expect(flasher.strike()).toBeNull();
});

test('scenes are found by id, and an unknown one is named', () => {
  for (const { id } of scenes) expect(sceneOf(id).id).toBe(id);
  expect(() => sceneOf('moon')).toThrow(/scene must be one of .* found moon/);
});
