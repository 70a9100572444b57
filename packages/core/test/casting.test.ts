import { bestStance, CastWater, Fan, passesAlong, planFrom, shyDistanceM, stances, standCasts, strikeRadiusM, takeChance, takenAfter, type CastSetting } from '../src/casting';
import { LocalFrame, mapAtLevel, type LonLat } from '../src/ground';
import { levelAt, onDatum } from '../src/water';
import { windBow } from '../src/rig';
import { bedOf } from './made-up-beds';

const frame = new LocalFrame(0, 0);
const at = (x: number, y: number): LonLat => frame.toLonLat(x, y);
/** A straight bank along y = 0 with the bed falling away to the north by one in two: the band of 10 to 20 m off it is 5 to 10 m deep. */
const plane = bedOf((_, y) => (y >= 0 ? y / 2 : NaN), 80, 0.5);
const strip: CastSetting = { band: { fromM: 5, toM: 10 }, castM: 40, strikeM: 0.4 };
const fromAlong = (deg: number, along: number) => Math.min(...[along, along + 180].map((a) => Math.abs(((deg - a + 540) % 360) - 180)));

describe('strike radius and passes', () => {
  it('has the reference values', () => {
    expect(strikeRadiusM(4, 4)).toBeCloseTo(0.4, 6);
    expect(strikeRadiusM(10, 4)).toBeCloseTo(1, 6);
    expect(strikeRadiusM(10, 0.4)).toBeCloseTo(0.16, 6);
    expect(strikeRadiusM(0, 4)).toBe(0.15);
    expect(() => strikeRadiusM(41, 4)).toThrow('water temperature');
  });

  it('stays further off in clear water, and counts what lies close a fifth', () => {
    expect([0.4, 2, 8].map(shyDistanceM)).toEqual([1.5, 4, 9]);
    const [bold, shy] = [0, 20].map((shyM) => new Fan(new CastWater(plane), { x: 0, y: 15 }, { ...strip, shyM }));
    expect(shy.total).toBeLessThan(0.8 * bold.total);
    expect(shy.total).toBeGreaterThan(0.2 * bold.total);
  });

  it('counts passes of one water by how far a fish moves: the colder, the closer two casts must lie', () => {
    const casts = [{ bearingDeg: 88 }, { bearingDeg: 91 }, { bearingDeg: 96 }];
    expect([0.15, 0.4, 1.2].map((strikeM) => passesAlong(casts, 90, strikeM, 25))).toEqual([1, 2, 3]);
  });

  it('adds passes as 1 − (1 − p)^n, and asks for more of them in the cold', () => {
    expect(takenAfter(0.35, 3)).toBeCloseTo(1 - 0.65 ** 3, 9);
    expect(takeChance(6)).toBeCloseTo(0.35, 6);
    expect(takeChance(1)).toBeLessThan(takeChance(10));
  });

  it('never counts a place twice in one pass: the same cast again shows nothing', () => {
    const fan = new Fan(new CastWater(plane), { x: 0, y: 0 }, strip);
    const first = fan.show(40, true);
    expect(first).toBeGreaterThan(0);
    expect(fan.show(40)).toBeCloseTo(0, 9);
    let sum = first;
    for (let deg = 0; deg < 360; deg += 0.5) sum += fan.show(deg, true);
    expect(sum).toBeCloseTo(1, 6);
  });

  it('counts a second pass as the chance that is left', () => {
    const fan = new Fan(new CastWater(plane), { x: 0, y: 0 }, { ...strip, passLeft: 0.65 });
    const [once, again, third] = [fan.show(40, true), fan.show(40, true), fan.show(40, true)];
    // Bearings at the edge of a cast are only partly in it, so a little more than the chance is left of them.
    expect(again / once).toBeGreaterThanOrEqual(0.65);
    expect(again / once).toBeLessThan(0.72);
    expect(third).toBeLessThan(again);
  });

  it('knows what a cast from another place has shown', () => {
    const query = { at: at(0, 15), band: strip.band, castM: 40, strikeM: 0.4, chance: 0.35, targets: [], base: 1, count: 2 };
    const left = (casts: { from: LonLat; bearingDeg: number; lengthM: number }[]) =>
      new Map(standCasts(plane, { ...query, casts }).bars.map((b) => [Math.round(b.bearingDeg), b.leftM]));
    const along = [...left([])][3][0];
    const far = at(60 * Math.sin((along * Math.PI) / 180), 15 + 60 * Math.cos((along * Math.PI) / 180));
    const shown = standCasts(plane, { ...query, casts: [{ from: far, bearingDeg: (along + 180) % 360, lengthM: 40 }] });
    const fresh = standCasts(plane, { ...query, casts: [] });
    expect(fresh.casts[0].bearingDeg).toBe(along);
    expect(Math.abs(shown.casts[0].bearingDeg - along)).toBeGreaterThan(0.5);
    expect(shown.isReached).toBe(true);
  });
});

describe('a straight edge', () => {
  it('from a stance on the strip: along it, with the share in the band that geometry gives', () => {
    const plan = planFrom(new CastWater(plane), { x: 0, y: 15 }, strip, 6);
    for (const cast of plan.casts.slice(0, 2)) {
      expect(fromAlong(cast.bearingDeg, 90)).toBeLessThanOrEqual(10);
      expect(cast.inBandShare).toBeGreaterThanOrEqual(0.95);
    }
    expect(fromAlong(plan.across.bearingDeg, 0)).toBeLessThanOrEqual(3);
    expect(plan.across.inBandShare).toBeCloseTo(5 / 40, 1);
    expect(plan.casts.reduce((sum, c) => sum + c.gain, 0)).toBeCloseTo(plan.covered, 9);
    plan.casts.slice(1).forEach((c, k) => expect(c.gain).toBeLessThanOrEqual(plan.casts[k].gain + 1e-12));
  });

  it('from the bank before it: at the angle whose sine is the far edge over the cast, half of it in the band', () => {
    const plan = planFrom(new CastWater(plane), { x: 0, y: 0 }, strip, 4);
    for (const cast of plan.casts.slice(0, 2)) {
      expect(Math.abs(90 - fromAlong(cast.bearingDeg, 0) - 30)).toBeLessThanOrEqual(2);
      expect(cast.inBandShare).toBeCloseTo(0.5, 1);
    }
    expect(plan.across.inBandShare).toBeCloseTo(0.25, 1);
  });

  it('finds a stance on the strip afloat, and stays ashore where that is asked', () => {
    const water = new CastWater(plane);
    const ring = [at(-80, 0), at(80, 0), at(80, 80), at(-80, 80)];
    const afloat = bestStance(
      water,
      strip,
      4,
      stances(water, [ring], false).filter((_, k) => k % 23 === 0),
      true,
    )!;
    expect(afloat.y).toBeGreaterThan(9);
    expect(afloat.y).toBeLessThan(21);
    const south = stances(water, [ring], true).filter((s, k) => Math.abs(s.y) < 0.5 && k % 6 === 0);
    const ashore = bestStance(water, strip, 4, south, false)!;
    expect(ashore.y).toBeCloseTo(0, 3);
    expect(bestStance(water, { ...strip, band: { fromM: 60, toM: 70 } }, 4, south, true)).toBeNull();
  });

  it('counts no land: a spit between stance and band hides it', () => {
    const spit = bedOf((x, y) => (y < 0 || (y > 4 && y < 6 && Math.abs(x) < 60) ? NaN : y / 2), 80, 0.5);
    const fan = new Fan(new CastWater(spit), { x: 0, y: 0 }, strip);
    expect(fan.total).toBe(0);
    expect(fan.lengthM(0)).toBeLessThan(5);
    expect(fan.best(3)).toEqual([]);
  });
});

it('round a point: casts along both its sides, none over its neck', () => {
  // A ridge that runs north from the bank, dry along its crest.
  const point = bedOf(
    (x, y) => {
      if (y < -60) return NaN;
      const off = Math.max(Math.abs(x) - 2, 0) + Math.max(0, y) * 0.8;
      return off <= 0 ? NaN : off / 3;
    },
    80,
    1,
  );
  const plan = planFrom(new CastWater(point), { x: 0, y: 1 }, { band: { fromM: 4, toM: 6 }, castM: 40, strikeM: 0.5 }, 8);
  expect(plan.casts.some((c) => c.bearingDeg > 20 && c.bearingDeg < 170)).toBe(true);
  expect(plan.casts.some((c) => c.bearingDeg > 190 && c.bearingDeg < 340)).toBe(true);
  expect(plan.casts.every((c) => Math.abs(c.bearingDeg - 180) > 3)).toBe(true);
});

describe('the level of the water', () => {
  it('moves the band with it, and dry ground is no water', () => {
    const low = new CastWater(plane, -2);
    expect(low.depth(0, 14)).toBeCloseTo(5, 1);
    expect(low.depth(0, 3)).toBeNaN();
    const plan = planFrom(low, { x: 0, y: 19 }, strip, 2);
    for (const cast of plan.casts) expect(fromAlong(cast.bearingDeg, 90)).toBeLessThanOrEqual(10);
    const shifted = mapAtLevel(plane, -2);
    expect(shifted.deepest.depthM).toBeCloseTo(plane.deepest.depthM - 2, 6);
    expect(shifted.areaM2).toBeLessThan(plane.areaM2);
    expect(() => mapAtLevel(plane, -200)).toThrow('expected a level that leaves water');
    expect(mapAtLevel(plane, 0)).toBe(plane);
  });

  it('is that of the last reading, and that of the first before any', () => {
    const readings = [
      { ms: 200, levelM: -2 },
      { ms: 100, levelM: -3 },
    ];
    expect([50, 150, 250].map((ms) => levelAt(readings, ms))).toEqual([-3, -3, -2]);
    expect(levelAt([], 5)).toBe(0);
    const made = [{ depthM: 4, time: '1970-01-01T00:00:00.150Z' }, { depthM: 4 }];
    expect(onDatum(made, readings).map((s) => s.depthM)).toEqual([7, 6]);
    expect(onDatum(made, [])).toEqual(made);
  });
});

describe('line in wind and diving baits', () => {
  it.each([
    [5, 0.119, 0.944],
    [8, 0.718, 2.308],
  ])('20 m of 0.2 mm square to %d m/s', (wind, slack, bow) => {
    const bowed = windBow(20, 0.2, wind, 90);
    expect(bowed.slackM).toBeCloseTo(slack, 3);
    expect(bowed.bowM).toBeCloseTo(bow, 2);
  });

  it('is straight without wind and along it, and refuses what is none', () => {
    expect(windBow(20, 0.2, 0, 90)).toEqual({ slackM: 0, bowM: 0 });
    expect(windBow(20, 0.2, 8, 0).slackM).toBeCloseTo(0, 6);
    expect(windBow(20, 0.2, 8, 180).slackM).toBeCloseTo(0, 6);
    expect(() => windBow(20, 0.2, 80, 90)).toThrow('wind');
  });
});
