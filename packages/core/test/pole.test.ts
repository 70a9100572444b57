import {
  bagsTogether,
  bagWeight,
  ballSpeed,
  changeRules,
  fedShare,
  feedLanding,
  floatCapacityG,
  floatOf,
  isOtherFloat,
  overDepthM,
  quietFactor,
  settlingMin,
  fedSpan,
  swimView,
  targetTime,
  unusualWaitMin,
  waitIn,
  whatToChange,
  whichSwim,
  type ChangeScene,
  type SwimLog,
} from '../src/pole';
import { ballBreaks, feedParticleIds } from '../src/ledger';
import { shotPatterns, shotPlan, usualShot } from '../src/rig';
import { flowOfTimedFloat } from '../src/water';
import { gammaDraw, hourMs, minuteMs, seededRandom } from '../src/units';

describe('float', () => {
  it.each([
    [2, 0.25, 1],
    [2, 0.1, 0.4],
    [2, 0, 0.4],
    [2, -0.25, 1],
  ])('%d m at %d m/s wants %d g', (depth, flow, grams) => expect(floatCapacityG(depth, flow)).toBeCloseTo(grams, 9));

  it('never wants less than on still water, nor less in a stronger flow', () => {
    for (let u = 0; u < 1; u += 0.05) {
      expect(floatCapacityG(1.8, u)).toBeGreaterThanOrEqual(floatCapacityG(1.8, 0));
      expect(floatCapacityG(1.8, u + 0.05)).toBeGreaterThanOrEqual(floatCapacityG(1.8, u));
    }
    expect(() => floatCapacityG(0, 0.1)).toThrow('depth');
  });

  it('is taken from those one has, and changed when the flow changes by a third', () => {
    const floats = [{ capacityG: 1 }, { capacityG: 0.2 }, { capacityG: 0.4 }];
    expect(floatOf(floats, 0.3)).toEqual({ capacityG: 0.4 });
    expect(floatOf(floats, 3)).toEqual({ capacityG: 1 });
    expect(floatOf([], 1)).toBeNull();
    expect(isOtherFloat(0.12, 0.16)).toBe(true);
    expect(isOtherFloat(0.12, 0.14)).toBe(false);
    expect(isOtherFloat(0.12, -0.12)).toBe(false);
    expect(flowOfTimedFloat(4, 35)).toBeCloseTo(0.1, 6);
    expect(flowOfTimedFloat(-4, 35)).toBeLessThan(0);
    expect([0, 0.1, 1].map(overDepthM)).toEqual([0, 0.05, 0.15]);
  });
});

describe('shot', () => {
  it('never weighs more than the float carries beside hook and bait, and leaves three hundredths at most', () => {
    const random = seededRandom(5);
    for (let k = 0; k < 300; k++) {
      const capacity = 0.05 + 6 * random() ** 2;
      const load = capacity * 0.4 * random();
      const pattern = shotPatterns[k % shotPatterns.length];
      const { shots, totalG, leftG } = shotPlan(capacity, 0.6 + 3 * random(), load, pattern);
      expect(totalG).toBeLessThanOrEqual(capacity - load + 1e-9);
      expect(leftG).toBeLessThanOrEqual(0.03);
      expect(shots.reduce((sum, s) => sum + s.massG, 0)).toBeCloseTo(totalG, 9);
      for (const s of shots) expect(usualShot).toContainEqual({ name: s.name, massG: s.massG });
      shots.slice(1).forEach((s, i) => expect(s.aboveHookM).toBeLessThanOrEqual(shots[i].aboveHookM));
    }
  });

  it('groups equal ones and drops the small below, or strings them out', () => {
    const strung = shotPlan(0.6, 3.1, 0.02, 'strung').shots;
    expect(strung.map((s) => s.name)).toEqual(Array(17).fill('No. 10'));
    expect(strung[0].aboveHookM).toBeCloseTo(2.17, 3);
    expect(strung[16].aboveHookM).toBeCloseTo(0.1, 3);
    const far = shotPlan(1, 3.1, 0.02, 'strung-dropper');
    expect(far.shots.map((s) => s.name)).toEqual([...Array(15).fill('No. 8'), 'No. 10']);
    expect(far.totalG).toBeCloseTo(0.979, 6);
    expect(shotPlan(1, 2, 0, 'strung', [{ name: 'Big', massG: 0.4 }])).toMatchObject({ totalG: 0.8, leftG: 0.2 });
    expect(() => shotPlan(0.4, 1.8, 0.5)).toThrow('load of hook and bait');
  });

  it('hangs two droppers or more under a bulk, lighter than half of all, a hand apart; and one under a string, well below it', () => {
    const random = seededRandom(6);
    for (let k = 0; k < 120; k++) {
      const capacity = 0.3 + 4 * random();
      const depth = 1 + 4 * random();
      const { shots } = shotPlan(capacity, depth, 0.02, 'bulk-droppers');
      const bulkM = Math.max(...shots.map((s) => s.aboveHookM)) - 0.15;
      const [bulk, droppers] = [shots.filter((s) => s.aboveHookM > bulkM), shots.filter((s) => s.aboveHookM <= bulkM)];
      const mass = (of: typeof shots) => of.reduce((total, s) => total + s.massG, 0);
      expect(droppers.length).toBeGreaterThanOrEqual(2);
      expect(mass(droppers)).toBeLessThan(mass(shots) / 2);
      expect(Math.max(...droppers.map((s) => s.massG))).toBeLessThanOrEqual(Math.max(...bulk.map((s) => s.massG)));
      const heights = shots.map((s) => s.aboveHookM).filter((h) => h <= bulkM).sort((a, b) => a - b); // prettier-ignore
      heights.slice(1).forEach((h, i) => expect(h - heights[i]).toBeGreaterThanOrEqual(0.0499));
      const string = shotPlan(capacity, depth, 0.02, 'strung-dropper').shots;
      const gaps = string.slice(1).map((s, i) => string[i].aboveHookM - s.aboveHookM);
      expect(gaps.at(-1)!).toBeGreaterThan(Math.max(...gaps.slice(0, -1)));
      expect(string.at(-1)!.massG).toBeLessThan(Math.min(...string.slice(0, -1).map((s) => s.massG)));
    }
  });
});

describe('feed', () => {
  const half = { depthM: 2, flowMs: 0.2, ballCm: 5, densityGcc: 1.25, breakAt: 'half', particle: 'crumb' } as const;

  it.each([
    [5, 1.2, 0.528],
    [4, 1.35, 0.624],
    [7, 1.1, 0.442],
  ])('a ball of %d cm and %d falls at %d m/s', (cm, density, speed) => expect(ballSpeed(cm, density)).toBeCloseTo(speed, 3));

  it('one that never breaks lands at U·D/w in either profile', () => {
    for (const profile of ['uniform', 'seventh'] as const) {
      const whole = feedLanding({ ...half, breakAt: 'never', profile });
      expect(whole.landsM).toBeCloseTo((0.2 * 2) / ballSpeed(5, 1.25), 9);
      expect(whole.landsM).toBeCloseTo(0.678, 3);
      expect(whole.sinkS).toBeCloseTo(3.39, 2);
      expect([whole.fedFromM, whole.fedToM]).toEqual([whole.landsM, whole.landsM]);
    }
  });

  it.each([
    ['crumb', 3.39, 12.45],
    ['pellet', 1.76, 3.39],
    ['maggot', 2.96, 5.55],
    ['caster', 2.38, 3.99],
    ['hemp', 1.76, 2.64],
  ] as const)('broken half way its %s lies from %d to %d m', (particle, from, to) => {
    const fed = feedLanding({ ...half, particle });
    expect(fed.fedFromM).toBeCloseTo(from, 2);
    expect(fed.fedToM).toBeCloseTo(to, 2);
    expect(fed.landsM).toBeGreaterThan(from);
    expect(fed.landsM).toBeLessThan(to);
  });

  it('runs the other way when the water does, and leaves no trail on still water', () => {
    for (const breakAt of ballBreaks)
      for (const particle of feedParticleIds) {
        const [down, back, still] = [0.2, -0.2, 0].map((flowMs) => feedLanding({ ...half, breakAt, particle, flowMs }));
        expect([back.landsM, back.fedFromM, back.fedToM]).toEqual([-down.landsM, -down.fedFromM, -down.fedToM]);
        expect(still.landsM).toBe(0);
        expect(still.fedFromM).toBe(-still.fedToM || 0);
        expect(fedSpan(back).fromM).toBeLessThanOrEqual(fedSpan(back).toM);
      }
  });

  it('the higher it breaks the further and wider it lies', () => {
    const spread = (['bottom', 'half', 'surface'] as const).map((breakAt) => feedLanding({ ...half, breakAt }));
    // On the bed it is washed a little way along.
    expect([spread[0].fedFromM, spread[0].fedToM].map((m) => m - spread[0].landsM)).toEqual([expect.closeTo(0.1, 9), expect.closeTo(1.2, 9)]);
    expect(spread[2].landsM).toBeGreaterThan(spread[1].landsM);
    expect(spread[1].landsM).toBeGreaterThan(spread[0].landsM);
  });

  it('a share of a run is that part of it which is fed', () => {
    expect(fedShare({ fromM: 0, toM: 4 }, { fromM: 3, toM: 9 })).toBeCloseTo(0.25, 9);
    expect(fedShare({ fromM: 0, toM: 4 }, { fromM: 5, toM: 9 })).toBe(0);
  });
});

describe('the bag', () => {
  it('has its total and spread', () => {
    expect(bagWeight(40, 60, 25)).toMatchObject({ totalG: 2400, lowG: expect.closeTo(2140, 0), highG: expect.closeTo(2660, 0) });
    expect(bagWeight(40, 60).highG - 2400).toBeCloseTo(1.645 * 21 * Math.sqrt(40), 6);
    const both = bagsTogether([bagWeight(12, 40, 10), bagWeight(15, 100, 20)]);
    expect(both.totalG).toBe(1980);
    expect(both.highG - both.totalG).toBeCloseTo(1.645 * Math.sqrt(12 * 100 + 15 * 400), 6);
    expect(() => bagWeight(-1, 60)).toThrow('count');
  });

  it('foretells when a target is reached', () => {
    const now = 2 * hourMs;
    expect(targetTime(bagWeight(30, 100), 4000, 0, now)!.atMs).toBeCloseTo(now + (1000 / 3000) * now, 0);
    expect(targetTime(bagWeight(30, 100), 2000, 0, now)!.atMs).toBe(now);
    expect(targetTime(bagWeight(0, 100), 2000, 0, now)).toBeNull();
  });
});

describe('waits', () => {
  /** Waits between bites that come in clumps, about one in `meanMin`. */
  const clumped = (random: () => number, meanMin: number): number => (-Math.log(1 - random()) * meanMin) / (gammaDraw(1.6, random) / 1.6 + 0.15);

  it('at most a tenth of steady waits are called unusual', () => {
    const random = seededRandom(77);
    let [called, waits] = [0, 0];
    for (let swim = 0; swim < 500; swim++) {
      const mean = 2 + 6 * random();
      const seen: number[] = [];
      for (let k = 0; k < 14; k++) {
        const wait = clumped(random, mean);
        if (seen.length >= 3) {
          waits++;
          if (wait > unusualWaitMin(seen)) called++;
        }
        seen.push(wait);
      }
    }
    expect(called / waits).toBeLessThanOrEqual(0.1);
    expect(called / waits).toBeGreaterThan(0.01);
  });

  it('a swim that died is called within three mean intervals in half of the cases', () => {
    const random = seededRandom(78);
    let soon = 0;
    for (let swim = 0; swim < 500; swim++) {
      const mean = 2 + 6 * random();
      const seen = Array.from({ length: 12 }, () => clumped(random, mean));
      const own = seen.reduce((a, b) => a + b, 0) / seen.length;
      if (unusualWaitMin(seen) <= 3 * own) soon++;
    }
    expect(soon / 500).toBeGreaterThanOrEqual(0.5);
  });

  it('says nothing before a swim has shown two intervals, and counts no rest as waiting', () => {
    expect(unusualWaitMin([3])).toBe(Infinity);
    const log: SwimLog = {
      id: 'a',
      sinceMs: 0,
      fedMs: [0],
      stays: [
        { fromMs: 0, toMs: 20 * minuteMs },
        { fromMs: 80 * minuteMs, toMs: 200 * minuteMs },
      ],
      bitesMs: [4, 8, 12, 16].map((m) => m * minuteMs),
      fishMs: [],
    };
    expect(waitIn(log, 85 * minuteMs)).toMatchObject({ waitMin: 9, isUnusual: false, meanMin: 4 });
    expect(waitIn(log, 110 * minuteMs).isUnusual).toBe(true);
  });
});

describe('swims', () => {
  const mood = { tempC: 5, factor: 1 };
  const swim = (id: string, stays: [number, number][], bites: number[], fed: number[] = [0]): SwimLog => ({
    id,
    sinceMs: 0,
    fedMs: fed.map((m) => m * minuteMs),
    stays: stays.map(([a, b]) => ({ fromMs: a * minuteMs, toMs: b * minuteMs })),
    bitesMs: bites.map((m) => m * minuteMs),
    fishMs: [],
  });
  const every = (from: number, to: number, step: number) => Array.from({ length: Math.floor((to - from) / step) }, (_, k) => from + (k + 1) * step);

  it('settle longer in the cold, and are left alone until then while another is ready', () => {
    expect(settlingMin(2)).toBeGreaterThan(settlingMin(8));
    const [near, far] = [swim('6 m', [[0, 8]], [3, 6]), swim('11 m', [], [], [2])];
    const answer = whichSwim([near, far], '6 m', mood, 8 * minuteMs)!;
    expect(answer.here).toBe('6 m');
    expect(answer.views.map((v) => v.state)).toEqual(['fishing', 'settling']);
    expect(answer.views[1].untilMs).toBe((2 + settlingMin(5)) * minuteMs);
  });

  it('one that gave well and has gone quiet is rested for one that has rested, and says so', () => {
    const far = swim('11 m', [[30, 100]], every(30, 70, 2));
    const near = swim('6 m', [[0, 30]], every(0, 30, 3));
    const answer = whichSwim([near, far], '11 m', mood, 100 * minuteMs)!;
    expect(answer.here).toBe('6 m');
    expect(answer.reason).toMatch(/Rest brings this one back/);
    expect(answer.untilMs).toBeGreaterThan(100 * minuteMs);
    const busy = whichSwim([near, swim('11 m', [[30, 100]], every(30, 100, 2))], '11 m', mood, 100 * minuteMs)!;
    expect(busy.here).toBe('11 m');
  });

  it('what keeps them all off lowers what is expected, and rest brings it back', () => {
    const log = swim('6 m', [[0, 60]], every(0, 30, 3));
    expect(swimView(log, { ...mood, factor: 0.5 }, 60 * minuteMs, true).bites).toBeCloseTo(0.5 * swimView(log, mood, 60 * minuteMs, true).bites, 9);
    expect(swimView(log, mood, 120 * minuteMs, false).bites).toBeGreaterThan(swimView(log, mood, 61 * minuteMs, false).bites);
    expect(whichSwim([], null, mood, 0)).toBeNull();
  });
});

describe('what to change', () => {
  const scene = (more: Partial<ChangeScene>): ChangeScene => ({
    isUnusual: true,
    waitMin: 20,
    unusualMin: 12,
    flowMs: 0.15,
    tempC: 5,
    tried: [],
    minutesSinceFed: 10,
    fedShare: 0.5,
    hadBites: true,
    reasons: [],
    ...more,
  });
  const cases: [string, ChangeScene][] = [
    ['pole.change.none-yet', scene({ isUnusual: false })],
    ['pole.change.reason', scene({ reasons: ['cooling'] })],
    ['pole.change.ball', scene({ minutesSinceFed: 40 })],
    ['pole.change.lay-in', scene({ flowMs: 0.02 })],
    ['pole.change.lift', scene({})],
    ['pole.change.shallower', scene({ tempC: 8, tried: ['pole.change.lift'] })],
    ['pole.change.deeper', scene({ tried: ['pole.change.lift'] })],
    ['pole.change.bait-single', scene({ tried: ['pole.change.lift', 'pole.change.deeper'] })],
    ['pole.change.bait-other', scene({ tried: ['pole.change.lift', 'pole.change.deeper', 'pole.change.bait-single'] })],
    ['pole.change.bait-double', scene({ tempC: 7, tried: ['pole.change.lift', 'pole.change.shallower', 'pole.change.deeper', 'pole.change.bait-single'] })],
    [
      'pole.change.bait-slow',
      scene({ flowMs: 0.02, tried: ['pole.change.lay-in', 'pole.change.lift', 'pole.change.deeper', 'pole.change.bait-single', 'pole.change.bait-other'] }),
    ],
    ['pole.change.bait-fluffy', scene({ tried: ['pole.change.lift', 'pole.change.deeper', 'pole.change.bait-single', 'pole.change.bait-other'] })],
    ['pole.change.start', scene({ tried: ['pole.change.lift', 'pole.change.deeper', 'pole.change.bait-single', 'pole.change.bait-other', 'pole.change.bait-fluffy'] })],
    [
      'pole.change.swap',
      scene({ tried: ['pole.change.lift', 'pole.change.deeper', 'pole.change.bait-single', 'pole.change.bait-other', 'pole.change.bait-fluffy', 'pole.change.start'] }),
    ],
  ];
  it.each(cases)('%s', (id, s) => expect(whatToChange(s).id).toBe(id));
  it('every rule has its case, and never the same thing twice', () => {
    expect(new Set(cases.map(([id]) => id))).toEqual(new Set(changeRules.map((r) => r.id)));
    const tried: string[] = [];
    for (let k = 0; k < 12; k++) {
      const { id } = whatToChange(scene({ tried: [...tried], minutesSinceFed: 60 }));
      if (id !== 'pole.change.swap') expect(tried).not.toContain(id);
      tried.push(id);
    }
    expect(tried.at(-1)).toBe('pole.change.swap');
    expect(quietFactor(['cold-rain', 'cooling'])).toBeCloseTo(0.33, 2);
  });
});
