import { School, type JigSense, type Mood } from '@burrow/core/simulator';
import { seededRandom } from '@burrow/core/units';
import { decisionModels, fishKinds, type DecisionModel } from '../src/decision-models';
import { VerdictFish } from '../src/decision-models/verdict-fish';

const calm: JigSense = { depthM: 5, riseMs: 0, motion: 0.3, beat: 0.3, liftM: 0.02, stillS: 1, pulseMs: 0.1, startle: 0, sizeMm: 4 };
const eager: Mood = { activity: 0.95, wariness: 0.15, likedMotion: 0.35, likedLiftM: 0.03, likedSizeMm: 4, hunger: 0.9 };

/** Lets one fish live under a jig and answers the states it went through, and when it took. */
function live(model: DecisionModel, mood: Mood, jig: (s: number) => Partial<JigSense>, seconds: number, seed: number) {
  const random = seededRandom(seed);
  const fish = new fishKinds[model](1, 25, mood, 5.8, new School(random, 0, 1e9), random);
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
      const fish = new fishKinds[model](1, 25, eager, 7.9, new School(random, 0.1, 60), random);
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
