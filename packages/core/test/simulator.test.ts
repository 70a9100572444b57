import { intensityOf, decisionModels, sceneOf, scenes, SimulatedFlasher, SimulatedWater, stillRod, type DecisionModel } from '../src/simulator';
import { ArousalFish } from '../src/simulator/arousal-fish';
import { DriftFish } from '../src/simulator/drift-fish';
import { GlanceFish } from '../src/simulator/glance-fish';
import { HazardFish } from '../src/simulator/hazard-fish';
import { SimulatedJig, type JigSense } from '../src/simulator/jig';
import type { Mood } from '../src/simulator/mood';
import { PulseFish } from '../src/simulator/pulse-fish';
import { School } from '../src/simulator/school';
import { VerdictFish } from '../src/simulator/verdict-fish';
import { seededRandom } from '../src/units';

const calm: JigSense = { depthM: 5, riseMs: 0, motion: 0.3, beat: 0.3, liftM: 0.02, stillS: 1, pulseMs: 0.1, startle: 0, sizeMm: 4 };
const eager: Mood = { activity: 0.95, wariness: 0.15, likedMotion: 0.35, likedLiftM: 0.03, likedSizeMm: 4, hunger: 0.9 };
const kinds = { drift: DriftFish, hazard: HazardFish, glance: GlanceFish, arousal: ArousalFish, pulse: PulseFish, verdict: VerdictFish };

/** Lets one fish live under a jig and answers the states it went through, and when it took. */
function live(model: DecisionModel, mood: Mood, jig: (s: number) => Partial<JigSense>, seconds: number, seed: number) {
  const random = seededRandom(seed);
  const fish = new kinds[model](1, 25, mood, 5.8, new School(random, 0, 1e9), random);
  fish.xM = 0.4;
  fish.yM = 0.2;
  const states = new Set<string>();
  for (let s = 0; s < seconds; s += 0.1) {
    const bite = fish.step(0.1, { ...calm, stillS: s % 4 < 3 ? 1 : 0, ...jig(s) }, 8, 0);
    states.add(fish.state);
    if (bite === 'take') return { fish, states, took: s };
  }
  return { fish, states, took: null };
}
const share = (count: number, run: (seed: number) => boolean) => Array.from({ length: count }, (_, i) => run(i + 1)).filter(Boolean).length / count;
const taken = (model: DecisionModel, mood: Mood, jig: (s: number) => Partial<JigSense>, seconds = 120) => share(60, (seed) => live(model, mood, jig, seconds, seed).took !== null);

describe.each(decisionModels)('a fish of the decision model "%s"', (model) => {
  test('that is eager comes up and takes what it likes', () => {
    expect(taken(model, eager, () => ({}))).toBeGreaterThan(0.5);
    expect(live(model, eager, () => ({}), 120, 3).states).toContain('approach');
  });

  test('takes the movement that it likes more often than another', () => {
    const still: Mood = { ...eager, activity: 0.6, likedMotion: 0.05, likedLiftM: 0.006 };
    const quiet = taken(model, still, () => ({ motion: 0.05, beat: 0.05, liftM: 0.006, stillS: 9, pulseMs: 0.03 }), 60);
    const loud = taken(model, still, () => ({ motion: 0.95, beat: 0.95, liftM: 0.3, stillS: 0, pulseMs: 0.6 }), 60);
    expect(quiet).toBeGreaterThan(loud + 0.15);
  });

  test('turns away from sudden darts the more it is wary, and leaves after three refusals', () => {
    const darts = (s: number) => ({ startle: Math.floor(s) % 3 === 0 ? 0.8 : 0 });
    const wary = { ...eager, activity: 0.7, wariness: 0.95 };
    expect(taken(model, wary, darts)).toBeLessThan(taken(model, { ...wary, wariness: 0.05 }, darts));
    for (let seed = 1; seed <= 10; seed++) expect(live(model, wary, darts, 400, seed).fish.refusals).toBeLessThanOrEqual(3);
  });

  test('sees a jig above it, hardly one below', () => {
    const noticed = (depthM: number) => share(40, (seed) => live(model, eager, () => ({ depthM }), 20, seed).states.has('notice'));
    expect(noticed(5)).toBeGreaterThan(noticed(6.6) + 0.4);
  });

  test('stays in the water whatever it does', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const random = seededRandom(seed);
      const fish = new kinds[model](1, 25, eager, 7.9, new School(random, 0.1, 60), random);
      for (let s = 0; s < 120; s += 0.1) {
        fish.step(0.1, { ...calm, depthM: 0.4 + (s % 7) }, 8, 1);
        expect(fish.depthM).toBeGreaterThanOrEqual(0.6 - 1e-9);
        expect(fish.depthM).toBeLessThanOrEqual(7.92 + 1e-9);
      }
    }
  });
});

test('a jig drawn away tempts a fish that has looked at it, and only then', () => {
  const doubtful: Mood = { ...eager, activity: 0.75, likedMotion: 0.5 };
  const drawn = (fromS: number) => taken('drift', doubtful, (s) => (s % 20 > fromS ? { depthM: 5 - 0.06 * ((s % 20) - fromS), riseMs: 0.06, motion: 0.3 } : {}), 80);
  expect(drawn(6)).toBeGreaterThan(drawn(99));
});

test('a fish that gives its verdict goes by the beat of the rod, whatever the line does, and gives it sooner while the jig is drawn', () => {
  const fussy: Mood = { ...eager, activity: 0.7, hunger: 0.6, likedMotion: 0.3 };
  const taking = (jig: Partial<JigSense>) => taken('verdict', fussy, () => jig, 40);
  expect(taking({ beat: 0.3, motion: 0.9, pulseMs: 0.5 })).toBeGreaterThan(taking({ beat: 0.9, motion: 0.3 }) + 0.2);
  const decided = (jig: Partial<JigSense>) => {
    let seconds = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const fish = new VerdictFish(1, 25, fussy, 5.3, new School(random, 0, 1e9), random);
      fish.xM = fish.yM = 0;
      // One that swims off before it has looked says nothing of how long it looks.
      for (let s = 0; s < 120 && !['refuse', 'flee', 'leave', 'commit'].includes(fish.state); s += 0.1) {
        fish.step(0.1, { ...calm, depthM: fish.depthM - 0.18, ...jig }, 8, 0);
        if (fish.state === 'inspect' || fish.state === 'follow') seconds += 0.1;
      }
    }
    return seconds / 60;
  };
  expect(decided({ riseMs: 0.06 })).toBeLessThan(0.85 * decided({}));
});

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
