import { FloatDrill, floatDrillLimits, floatSchedule, floatSigns, type FloatSays } from '../src/practice';

const seeds = Array.from({ length: 40 }, (_, k) => k + 1);

test('a drill shows everything a float says at least once, one after the other, with rest between, and the same again by its seed', () => {
  for (const seed of seeds) {
    const signs = floatSchedule(seed);
    expect(signs).toHaveLength(floatDrillLimits.signs);
    expect(new Set(signs.map((s) => s.says))).toEqual(new Set(Object.keys(floatSigns)));
    for (const [k, s] of signs.slice(1).entries()) expect(s.atS - signs[k].atS - signs[k].lastsS).toBeGreaterThanOrEqual(floatDrillLimits.restS[0]);
    expect(floatSchedule(seed)).toEqual(signs);
  }
  expect(new Set(seeds.map((s) => floatSchedule(s)[0].says)).size).toBeGreaterThan(3);
});

/** Strikes at what `strikes` says, half a second after it began to show. */
function played(seed: number, strikes: (says: FloatSays) => boolean) {
  const drill = new FloatDrill(seed);
  for (const { says, atS, lastsS } of drill.signs) if (strikes(says)) drill.strike(atS + Math.min(0.5, 0.9 * lastsS));
  return drill.review(drill.endS);
}

test('who strikes at fish alone has all, who never strikes and who always does have not', () => {
  for (const seed of seeds) {
    expect(played(seed, (s) => floatSigns[s].isFish)).toMatchObject({ score: 100, vain: 0 });
    const never = played(seed, () => false);
    expect(never.rows.filter((r) => r.verdict === 'missed')).toHaveLength(never.rows.filter((r) => floatSigns[r.sign.says].isFish).length);
    expect(never.score).toBeLessThan(80);
    expect(played(seed, () => true).score).toBeLessThan(100);
  }
});

test('a strike at a float that stands is in vain and costs, one before anybody could have seen it is none at it, and a sign is struck once', () => {
  const drill = new FloatDrill(3);
  const [first] = drill.signs;
  expect(drill.strike(first.atS - 1)).toBeNull();
  expect(drill.strike(first.atS + 0.05)).toBeNull();
  expect(drill.strike(first.atS + 0.4)).toMatchObject({ says: first.says });
  expect(drill.strike(first.atS + 0.45)).toBeNull();
  expect(drill.review(first.atS + 1)).toMatchObject({ vain: 3, rows: [{ sign: first }] });
});

test('the float looks like what it says: under is under the water, flat lies down, a slide goes against the drift, rest stands', () => {
  for (const seed of seeds) {
    const drill = new FloatDrill(seed);
    const late = (says: FloatSays) => {
      const s = drill.signs.find((x) => x.says === says)!;
      return drill.pose(s.atS + 0.95 * s.lastsS);
    };
    expect(late('under').tip).toBeLessThan(0);
    expect(late('lifts').tip).toBeGreaterThan(1.5);
    expect(late('flat').tiltDeg).toBeGreaterThan(70);
    expect(Math.sign(late('slides').alongM)).toBe(-Math.sign(late('drifts').alongM));
    expect(Math.abs(late('slides').alongM)).toBeGreaterThan(2 * Math.abs(late('drifts').alongM));
    const rest = drill.pose(drill.signs[0].atS - 0.5);
    expect(rest.says).toBeNull();
    expect(rest.tip).toBeCloseTo(1, 0);
  }
});
