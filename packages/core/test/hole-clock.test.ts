import fc from 'fast-check';
import { activePrior, bestPlan, holePriors, stayOrGo, worthAfter, type HolePrior, type HoleSigns } from '../src/patch';
import { holeSigns, nextHole, restedHoles } from '../src/holes';
import { fold } from '../src/ledger';
import { minuteMs, seededRandom } from '../src/units';
import { baseMs, event, testId } from './events';
import { usualMethod } from '../src/methods';

const quiet: HoleSigns = { arrivedMs: 0, visitsMs: [], refusalsMs: [], bitesMs: [] };
const min = (...minutes: number[]) => minutes.map((m) => m * minuteMs);
const stayMin = (prior: HolePrior, signs: HoleSigns = quiet) => stayOrGo(signs, prior, 0).stayUntilMs / minuteMs;

describe('how long', () => {
  test('with the active defaults and no marks it is 12 to 22 minutes; hours where fish are sparse or settle', () => {
    expect(stayMin(activePrior)).toBeGreaterThanOrEqual(12);
    expect(stayMin(activePrior)).toBeLessThanOrEqual(22);
    expect(stayMin(holePriors.deep)).toBeGreaterThan(60);
    expect(stayMin(holePriors['roach-like'])).toBeGreaterThan(60);
  });

  test('longer where moves are long, shorter on rich water', () => {
    expect(stayMin({ ...activePrior, moveMin: 30 })).toBeGreaterThan(stayMin(activePrior));
    expect(stayMin({ ...activePrior, visitsPerHour: 9 })).toBeLessThan(stayMin(activePrior));
  });

  const stepMin = 0.25;

  /** By small steps: chance of a visit within each wait, and the minutes until it or the end of the wait. */
  function steps({ visitsPerHour, aliveShare, schoolMin }: HolePrior, aliveAtFirst: number, longestMin: number): { visit: Float64Array; minutes: Float64Array } {
    const [fine, n] = [25, longestMin / stepMin];
    const dt = stepMin / fine;
    const come = (visitsPerHour / 60 / aliveShare) * dt;
    const [visit, minutes] = [new Float64Array(n + 1), new Float64Array(n + 1)];
    let [alive, unseen, came, spent] = [aliveAtFirst, 1, 0, 0];
    for (let k = 1; k <= n; k++) {
      for (let f = 0; f < fine; f++) {
        spent += unseen * dt;
        came += alive * come;
        unseen -= alive * come;
        alive *= 1 - come - dt / schoolMin;
      }
      [visit[k], minutes[k]] = [came, spent];
    }
    return { visit, minutes };
  }

  /** The waiting times, first and after a visit, that bring most visits a minute: every pair is tried. */
  function bruteForce(prior: HolePrior): { firstMin: number; againMin: number; perMin: number } {
    const first = steps(prior, prior.aliveShare, 160);
    const again = steps(prior, 1, 400);
    let best = { firstMin: 0, againMin: 0, perMin: 0 };
    for (let a = 1; a < again.visit.length; a++) {
      const further = 1 / (1 - again.visit[a]);
      for (let f = 1; f < first.visit.length; f++) {
        const perMin = (first.visit[f] * further) / (prior.moveMin + first.minutes[f] + first.visit[f] * again.minutes[a] * further);
        if (perMin > best.perMin) best = { firstMin: f * stepMin, againMin: a * stepMin, perMin };
      }
    }
    return best;
  }

  test.each([
    [3, 0.5, 40, 12],
    [3, 0.3, 40, 12],
    [6, 0.5, 40, 12],
    [3, 0.5, 20, 6],
    [3, 0.5, 60, 25],
    [2, 0.4, 90, 15],
    [1, 0.5, 60, 12],
    [9, 0.2, 30, 5],
    [4, 0.8, 45, 10],
    [1.6, 0.5, 60, 12],
    [5, 0.35, 25, 4],
    [2, 0.6, 120, 30],
    [8, 0.5, 15, 8],
    [3, 0.7, 80, 3],
  ])('is within 1 min or 10 %% of the best of all pairs of waits: %d an hour, alive %d, school %d min, move %d min', (visitsPerHour, aliveShare, schoolMin, moveMin) => {
    const prior = { visitsPerHour, aliveShare, schoolMin, moveMin };
    const best = bruteForce(prior);
    const near = (ours: number, theirs: number) => Math.abs(ours - theirs) <= Math.max(1, 0.1 * theirs);
    expect([stayMin(prior), best.firstMin, near(stayMin(prior), best.firstMin)]).toEqual([expect.anything(), expect.anything(), true]);
    const again = stayMin(prior, { ...quiet, visitsMs: [0] });
    expect([again, best.againMin, near(again, best.againMin)]).toEqual([expect.anything(), expect.anything(), true]);
    expect(bestPlan(prior).rate / best.perMin).toBeCloseTo(1, 2);
  });

  /** Long-run visits per minute of fixed waiting times, by simulation of the holes themselves. */
  function simulatedRate(prior: HolePrior, firstMin: number, againMin: number): number {
    const random = seededRandom(17);
    const rate = prior.visitsPerHour / 60 / prior.aliveShare;
    let [visits, minutes] = [0, 0];
    for (let hole = 0; hole < 20_000; hole++) {
      const leaves = random() < prior.aliveShare ? -Math.log(1 - random()) * prior.schoolMin : 0;
      let [t, limit] = [0, firstMin];
      for (;;) {
        const next = t - Math.log(1 - random()) / rate;
        if (next > leaves || next > t + limit) break;
        visits++;
        [t, limit] = [next, againMin];
      }
      minutes += t + limit + prior.moveMin;
    }
    return visits / minutes;
  }

  test('and brings in simulated holes what it promises', () => {
    for (const prior of [activePrior, holePriors['pike-walleye'], holePriors.deep])
      expect(simulatedRate(prior, stayMin(prior), stayMin(prior, { ...quiet, visitsMs: [0] })) / bestPlan(prior).rate).toBeCloseTo(1, 1);
  });
});

describe('what moves it', () => {
  const at = 6 * minuteMs;
  const until = (signs: Partial<HoleSigns>) => stayOrGo({ ...quiet, ...signs }, activePrior, at).stayUntilMs;

  test('a look lengthens the stay, refusals shorten it, a bite lengthens it most', () => {
    const seen = until({ visitsMs: [at] });
    expect(seen).toBeGreaterThan(until({}));
    expect(until({ visitsMs: [at], refusalsMs: [at, at] })).toBeLessThan(seen);
    expect(until({ visitsMs: [at], bitesMs: [at] })).toBeGreaterThan(seen);
  });

  test('a school that comes round every twelve minutes is waited for each time, and left when it has stopped coming', () => {
    const rounds = min(9, 21, 33, 45, 57);
    for (let now = 0; now < 57; now++) {
      const visitsMs = rounds.filter((ms) => ms <= now * minuteMs);
      expect(stayOrGo({ ...quiet, visitsMs }, activePrior, now * minuteMs).leftMin).toBeGreaterThan(0);
    }
    const gone = (stayOrGo({ ...quiet, visitsMs: rounds }, activePrior, 57 * minuteMs).stayUntilMs - rounds[4]) / minuteMs;
    expect(gone).toBeGreaterThan(12);
    expect(gone).toBeLessThan(45);
  });

  test('each refusal takes from what the hole is worth; rest gives it back, most of it within two hours', () => {
    const refusalsMs = min(10, 14, 18, 22);
    const worth = (arrived: number) => worthAfter(refusalsMs, arrived * minuteMs);
    expect(worth(0)).toBeLessThan(0.6);
    expect(worthAfter(refusalsMs.slice(0, 2), 0)).toBeGreaterThan(worth(0));
    expect(worth(40)).toBeGreaterThan(worth(24));
    expect(worth(140)).toBeGreaterThan(0.9);
    // Coming back, the stay is shorter than at a fresh hole, the less so the longer it has rested.
    const stay = (arrived: number) => stayMin(activePrior, { ...quiet, arrivedMs: arrived * minuteMs, refusalsMs }) - arrived;
    expect(stay(30)).toBeLessThan(stay(80));
    expect(stay(80)).toBeLessThan(stayMin(activePrior));
    expect(stay(600)).toBeCloseTo(stayMin(activePrior), 1);
  });
});

describe('the reason reads true', () => {
  const times = fc.array(fc.integer({ min: 0, max: 90 }), { maxLength: 6 }).map((m) => min(...m.sort((a, b) => a - b)));
  const stay = fc.record({ arrived: fc.integer({ min: 0, max: 60 }), visitsMs: times, refusalsMs: times, bitesMs: times, now: fc.integer({ min: 0, max: 120 }) });

  test('in any order of looks, refusals and bites', () => {
    fc.assert(
      fc.property(stay, ({ arrived, now, ...seen }) => {
        const nowMs = Math.max(arrived, now) * minuteMs;
        const arrivedMs = arrived * minuteMs;
        const during = (ms: number) => ms >= arrivedMs && ms <= nowMs;
        const signs = { arrivedMs, visitsMs: seen.visitsMs.filter(during), bitesMs: seen.bitesMs.filter(during), refusalsMs: seen.refusalsMs.filter((ms) => ms <= nowMs) };
        const { leftMin, reason, stayUntilMs } = stayOrGo(signs, activePrior, nowMs);
        const quietMin = Math.round((nowMs - Math.max(arrivedMs, ...signs.visitsMs, ...signs.bitesMs)) / minuteMs);
        const figure = /(\d+) min/.exec(reason);
        if (figure) expect(Number(figure[1])).toBe(quietMin);
        // What is said to have happened has happened.
        if (/Fish bit here/.test(reason)) expect(signs.bitesMs.length).toBeGreaterThan(0);
        if (/Fish seen|since the last one/.test(reason)) expect(signs.visitsMs.length).toBeGreaterThan(0);
        if (/^Nothing (in|seen)/.test(reason)) expect(signs.visitsMs.length + signs.bitesMs.length).toBe(0);
        const turnedDown = /(One|\d+) fish ha/.exec(reason);
        if (turnedDown) expect([signs.refusalsMs.length, signs.refusalsMs.filter(during).length]).toContain(turnedDown[1] === 'One' ? 1 : Number(turnedDown[1]));
        // A call to stay is given while there is time left, a call to go when there is none, and the refusals only where they decide.
        expect(/better bet|pays more now|spent/.test(reason)).toBe(leftMin === 0);
        if (/spent/.test(reason)) expect(stayOrGo({ ...signs, refusalsMs: [] }, activePrior, nowMs).leftMin).toBeGreaterThan(0);
        if (/shortens/.test(reason)) expect(stayUntilMs).toBeLessThan(stayOrGo({ ...signs, refusalsMs: [] }, activePrior, nowMs).stayUntilMs);
      }),
      { numRuns: 600, seed: 3 },
    );
  });

  test('in words', () => {
    const words = (signs: Partial<HoleSigns>, now: number) => stayOrGo({ ...quiet, ...signs }, activePrior, now * minuteMs).reason;
    expect(words({}, 3)).toBe('Nothing seen yet: give the call time to work.');
    expect(words({}, 40)).toBe('Nothing in 40 min. Elsewhere is the better bet, the move included.');
    expect(words({ visitsMs: min(10) }, 14)).toBe('Fish seen 4 min ago: they may come round again.');
    expect(words({ visitsMs: min(20), bitesMs: min(10) }, 90)).toBe('Fish bit here, but nothing for 70 min: a fresh hole pays more now.');
    expect(words({ visitsMs: min(10, 12, 14, 16, 18, 20, 22), refusalsMs: min(10, 12, 14, 16, 18, 20, 22) }, 32)).toBe(
      '7 fish have turned it down here: this hole is spent for now. Rest it.',
    );
    expect(words({ arrivedMs: 60 * minuteMs, refusalsMs: min(10) }, 62)).toMatch(/^One fish has turned it down before it rested\./);
  });
});

test('signs come from the log: marks close together are one fish, refusals of an earlier stay are kept, and the next hole knows them', () => {
  const [outing, first, second] = [testId(), testId(), testId()];
  const seen = (minute: number, station: string, reaction: 'looked' | 'refused' | 'bite') => event(outing, 60 * minute, 'reaction', { station, reaction });
  const { outings } = fold([
    event(outing, 0, 'outing-started', { water: 'pond', waterName: 'Pond', species: ['yellow-perch'], goal: 'numbers', method: usualMethod.id }),
    event(outing, 60, 'station-opened', { station: first, kind: 'hole', label: '1', at: [-140, 47] }),
    seen(5, first, 'looked'),
    seen(6, first, 'refused'),
    seen(10, first, 'refused'),
    event(outing, 60 * 20, 'station-opened', { station: second, kind: 'hole', label: '2', at: [-139.999, 47] }),
    event(outing, 60 * 50, 'moved', { station: first, fromStation: second }),
    seen(55, first, 'bite'),
  ]);
  const ms = (minute: number) => baseMs + minute * minuteMs;
  expect(holeSigns(outings[0], outings[0].stations[0])).toEqual({ arrivedMs: ms(50), visitsMs: [], refusalsMs: [ms(6), ms(10)], bitesMs: [ms(55)], mostQuietMin: 45 });
  const [spent, fresh] = restedHoles(outings[0], ms(50));
  expect(fresh.worth).toBe(1);
  expect(spent.worth).toBeGreaterThan(0.8);
  expect(spent.worth).toBeLessThan(restedHoles(outings[0], ms(120))[0].worth);
  // A lake of one good place: gone back to while it is worth it, not while it is spent.
  const perHour = Float32Array.from({ length: 400 }, (_, c) => (c === 210 ? 8 : 2));
  const prior = { x0: 0, y0: 0, cellM: 10, nx: 20, ny: 20, perHour };
  const setting = { from: { x: 60, y: 60 }, spacingM: 8, walkMPerMin: 50, drillMin: 2, stayMin: 15, explore: 0, seed: 1 };
  const back = (worth: number) => nextHole(prior, [], { ...setting, drilled: [{ x: 100, y: 100, worth }] })!;
  expect(back(1)).toMatchObject({ x: 100, y: 100, isRevisit: true });
  expect(back(0.2).isRevisit).toBe(false);
});
