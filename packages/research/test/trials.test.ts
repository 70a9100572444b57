import { TrueMarks } from '../src/trials/true-marks';
import { ReaderScore, coached, fishSpell, fixedPlan, hands, hourShares, oracle } from '../src/trials';
import { hourPart } from '../src/trials/hour-shares';
import { simulatedHeader } from '@burrow/core/simulator';
import { SimulatedWater, type Truth } from '@burrow/core/simulator';
import { fishKinds } from '../src/decision-models';
import type { EchoState, Mark } from '@burrow/core/sonar';

const header = simulatedHeader('x', 8);
const fish = (id: number, depthM: number, levelDb = -40) => ({ id, depthM, levelDb, noiseDb: -75, state: 'pass' as const, rangeFromBottomM: 8 - depthM });
const mark = (id: number, depthM: number): Mark => ({ id, depthM, kind: 'fish', levelDb: -40, riseMs: 0, ageMs: 2000 });

/** Scores a hundred pings that all look the same. */
function score(truth: Partial<Truth>, state: Partial<EchoState>, change?: (t: number, state: EchoState) => void) {
  const s = new ReaderScore(header);
  for (let t = 0; t < 10_000; t += 100) {
    const seen: EchoState = { t, bottomM: 8, jigM: 5, marks: [], ...state };
    change?.(t, seen);
    s.add(seen, { t, bottomM: 8, jigM: 5, fish: [], ...truth });
  }
  return s.figures();
}

test('what is all right scores full marks', () => {
  expect(score({ fish: [fish(1, 6), fish(2, 6.6)] }, { marks: [mark(1, 6.02), mark(2, 6.6)] })).toMatchObject({ bottom: 1, jig: 1, top: 1, mota: 1, falsePerMin: 0 });
});

test('what is missed, made up or renamed counts, each once a ping', () => {
  expect(score({ fish: [fish(1, 6)] }, {})).toMatchObject({ missed: 100, mota: 0 });
  expect(score({ fish: [fish(1, 6)] }, { marks: [mark(1, 6), mark(2, 7)] })).toMatchObject({ wrong: 100, mota: 0 });
  expect(score({ fish: [fish(1, 6)] }, {}, (t, state) => state.marks.push(mark(t < 5000 ? 1 : 2, 6)))).toMatchObject({ switched: 1 });
  expect(score({}, { marks: [mark(1, 6)] }).falsePerMin).toBeGreaterThan(5);
});

test('fish too faint, in the bottom’s echo or at the jig are neither hit nor false, and two within a pulse are one', () => {
  for (const f of [fish(1, 6, -70), fish(1, 7.95), fish(1, 5.05)]) {
    expect(score({ fish: [f] }, {}).mota).toBeNull();
    expect(score({ fish: [f] }, { marks: [mark(1, f.depthM)] }).wrong).toBe(0);
  }
  expect(score({ fish: [fish(1, 6), fish(2, 6.08)] }, { marks: [mark(1, 6.04)] })).toMatchObject({ mota: 1, required: 100 });
});

test('a jig and a bottom out of reach do not count', () => {
  expect(score({}, { jigM: 5.2, bottomM: 8.3 })).toMatchObject({ jig: 0, bottom: 0 });
});

test('a jig in the blind zone under the transducer is not asked for', () => {
  expect(score({ jigM: 0.3 }, { jigM: null }).jig).toBeNull();
  expect(score({}, { jigM: null }, (t, state) => Object.assign(state, { jigM: t < 5000 ? 5 : null })).jig).toBe(0.5);
});

test('in a fished half hour with fish landed hardly a mark is the jig itself, and the jig is seldom lost', () => {
  let [states, ghosts, astray, landed] = [0, 0, 0, 0];
  for (const seed of [3000, 3002, 3005])
    landed += fishSpell(
      (water) => {
        const who = coached(water);
        return {
          ...who,
          act: (view) => {
            const { marks, jigM } = view.state!;
            const { depthM } = water.jig;
            const isFish = (m: Mark) => water.fish.some((f) => Math.abs(Math.hypot(f.depthM - 0.1, f.offAxisM) + 0.1 - m.depthM) < 0.4);
            states++;
            if (marks.some((m) => m.kind === 'fish' && Math.abs(m.depthM - depthM) < 0.3 && !isFish(m))) ghosts++;
            if (depthM > 1 && (jigM === null || Math.abs(jigM - depthM) > 0.25)) astray++;
            return who.act(view);
          },
        };
      },
      { sceneId: 'stack', seed, model: 'glance', minutes: 30, sees: 'echoes' },
    ).landed;
  expect(landed).toBeGreaterThan(10);
  expect(ghosts / states).toBeLessThan(0.02);
  expect(astray / states).toBeLessThan(0.06);
});

test('nobody lands a second fish while the first is taken off the hook', () => {
  const at: number[] = [];
  const landed = fishSpell(
    (water) => {
      const who = oracle('still')(water);
      return { ...who, reacted: (kind, ms) => kind === 'bite' && at.push(ms) };
    },
    { sceneId: 'dusk', seed: 12, model: 'arousal', minutes: 40 },
  ).landed;
  expect(landed).toBeGreaterThan(10);
  expect(at).toHaveLength(landed);
  for (let k = 1; k < at.length; k++) expect(at[k] - at[k - 1]).toBeGreaterThanOrEqual(1000 * hands.landS);
});

test('a jig that is out of the water is not seen: fish that had it in mind go on as before, unrefused, and none notices it', () => {
  const water = new SimulatedWater({ seed: 4, sceneId: 'stack', Kind: fishKinds.glance });
  const keen = () => water.fish.filter((f) => f.isKeen).length;
  for (let i = 0; i < 5 * 3600 && keen() === 0; i++) {
    if (water.fish.length > 0) water.setJig(water.fish[0].depthM - 0.4);
    water.step(0.2);
  }
  expect(keen()).toBeGreaterThan(0);
  const refusals = water.fish.map((f) => f.refusals);
  water.takeOut();
  expect(keen()).toBe(0);
  expect(water.fish.map((f) => f.refusals)).toEqual(refusals);
  let seen = 0;
  for (let i = 0; i < 5 * 60; i++) {
    water.step(0.2);
    seen += keen();
  }
  expect(seen).toBe(0);
  water.putIn();
  for (let i = 0; i < 5 * 600 && seen === 0; i++) {
    if (water.fish.length > 0) water.setJig(water.fish[0].depthM - 0.4);
    water.step(0.2);
    seen += keen();
  }
  expect(seen).toBeGreaterThan(0);
});

test('an hour is the same for its seed, and a plan out of reach of all fish lands none', () => {
  const setting = { sceneId: 'stack', seed: 77, model: 'hazard' as const, minutes: 20 };
  expect(fishSpell(coached, setting)).toEqual(fishSpell(coached, setting));
  expect(fishSpell(fixedPlan(0.4, 'deadstick'), setting).landed).toBe(0);
});

test('who knows the fish lands more than a plan chosen beforehand, and the coach more where they roam, with either decision model', () => {
  for (const model of ['drift', 'hazard'] as const) {
    const hours = (way: Parameters<typeof fishSpell>[0]) => [60, 61, 62].reduce((sum, seed) => sum + fishSpell(way, { sceneId: 'roaming', seed, model, minutes: 60 }).landed, 0);
    const plan = hours(fixedPlan(6.4, 'quiver'));
    expect(hours(oracle('still'))).toBeGreaterThan(plan);
    expect(hours(coached)).toBeGreaterThanOrEqual(2 * plan);
  }
});

test('marks straight from the water tell fish in the cone, by range, and none beside it or in the bottom', () => {
  const water = new SimulatedWater({ seed: 3, sceneId: 'steady' });
  const eyes = new TrueMarks(water);
  const [fish] = water.fish;
  const at = (xM: number, depthM: number, t: number) => {
    fish.xM = xM;
    fish.yM = 0;
    fish.depthM = depthM;
    return eyes.state(t).marks;
  };
  expect(at(0, 6, 0)[0]).toMatchObject({ depthM: 6, ageMs: 0, kind: 'fish' });
  expect(at(0.6, 6, 200)[0].depthM).toBeCloseTo(0.1 + Math.hypot(5.9, 0.6), 9);
  expect(at(0.6, 6, 400)[0].levelDb).toBeLessThan(at(0, 6, 600)[0].levelDb - 3);
  expect(at(2.5, 6, 800)).toEqual([]);
  expect(at(0, water.bottomM - 0.05, 1000)).toEqual([]);
  let rise = 0;
  for (let k = 0; k < 20; k++) rise = at(0, 6 - 0.02 * k, 1200 + 200 * k)[0].riseMs;
  expect(rise).toBeCloseTo(0.1, 2);
});

test('an hour by true marks has the same water as by echoes: who does not look lands the same', () => {
  const setting = { sceneId: 'bottom', seed: 5, model: 'glance' as const, minutes: 30 };
  expect(fishSpell(fixedPlan(7.5, 'quiver'), { ...setting, sees: 'marks' })).toEqual(fishSpell(fixedPlan(7.5, 'quiver'), setting));
});

test('the parts of a spell add up to it, a fish in hand takes its forty seconds, and empty water is nobody’s', () => {
  const setting = { sceneId: 'dusk', seed: 11, model: 'arousal' as const, minutes: 40, sees: 'marks' as const };
  const { landed, seconds } = hourShares(coached, setting);
  expect(landed).toBe(fishSpell(coached, setting).landed);
  expect(landed).toBeGreaterThan(3);
  expect(Object.values(seconds).reduce((a, b) => a + b, 0)).toBeCloseTo(2400, 0);
  // One may still be in hand at the end.
  expect(seconds.landing).toBeGreaterThan((landed - 1) * hands.landS);
  expect(seconds.landing).toBeLessThan(landed * (hands.landS + 2 * hands.strikeS));
  const empty = hourShares(coached, { ...setting, sceneId: 'empty', minutes: 5 });
  expect(empty).toMatchObject({ landed: 0, seconds: { nobody: expect.closeTo(300, 0), landing: 0 } });
});

test('a fish is seen in the cone and unseen beside it, off the jig’s depth or near it; one that looks goes before all', () => {
  const water = new SimulatedWater({ seed: 3, sceneId: 'steady' });
  const [fish] = water.fish;
  const part = (state: typeof fish.state, xM: number, overJigM: number) => {
    Object.assign(fish, { state, xM, yM: 0, depthM: water.jig.depthM + overJigM });
    return hourPart(water);
  };
  expect(part('pass', 0, 0.5)).toBe('passed, seen');
  expect(part('pass', 0, -2)).toBe('passed, seen off depth');
  expect(part('pass', 2, 0.5)).toBe('passed, unseen');
  expect(part('pass', 2, 1.5)).toBe('passed, unseen off depth');
  expect(part('inspect', 2, 0.2)).toBe('looked at');
  expect(part('approach', 2, 0.2)).toBe('approached');
  expect(part('refuse', 0, 0.2)).toBe('refused');
  expect(part('pass', 4, 0.2)).toBe('nobody');
  expect(part('leave', 0, 0.2)).toBe('nobody');
});
