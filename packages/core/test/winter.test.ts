import { hourMs } from '../src/units';
import { waterDensity } from '../src/water';
import { valueAt } from '../src/water';
import { coneHypsography, IceSheet, runWinter, stefanThickness, winterConstants, type ColumnProfile, type Forcing } from '../src/winter';
import { faceAreas } from '../src/winter/hypsography';
import { autumnMs, dayMs, lake, madeUpWinter } from './winter-weather';

const bare = { snowfallM: 0, snowKept: 1, sunWm2: 0 };

function iceAfter(days: number, airC: number, from: Partial<Pick<IceSheet, 'clearM' | 'snowM'>>, constants: { airExchange: number }): number {
  const sheet = new IceSheet({ airExchange: constants.airExchange, snowConductivity: 0.2, floods: false });
  Object.assign(sheet, from);
  for (let h = 0; h < days * 24; h++) sheet.step({ airC, ...bare }, 3600);
  return sheet.clearM;
}

test.each([
  [100, 0.355],
  [400, 0.711],
])('bare ice without resistance to the air follows Stefan: %d °C·day', (fdd, thickM) => {
  expect(iceAfter(fdd / 10, -10, {}, { airExchange: 1e9 })).toBeCloseTo(thickM, 2);
  expect(Math.abs(iceAfter(fdd / 10, -10, {}, { airExchange: 1e9 }) / stefanThickness(fdd) - 1)).toBeLessThan(0.001);
});

test('thirty days of −10 °C from 2 cm: 51.8 cm bare, 16.3 cm under 10 cm of snow', () => {
  const exchange = { airExchange: 20 };
  expect(Math.abs(iceAfter(30, -10, { clearM: 0.02 }, exchange) / 0.518 - 1)).toBeLessThan(0.02);
  expect(Math.abs(iceAfter(30, -10, { clearM: 0.02, snowM: 0.1 }, exchange) / 0.163 - 1)).toBeLessThan(0.02);
});

test('the steps of growth do not matter: one day at once is as good as hours', () => {
  const [hourly, daily] = [new IceSheet(), new IceSheet()];
  for (let d = 0; d < 20; d++) {
    daily.step({ airC: -12, ...bare }, 86_400);
    for (let h = 0; h < 24; h++) hourly.step({ airC: -12, ...bare }, 3600);
  }
  expect(Math.abs(hourly.clearM - daily.clearM)).toBeLessThan(1e-9);
});

test('snow that the ice cannot float is flooded and freezes white, with the heat accounted for', () => {
  const sheet = new IceSheet();
  sheet.clearM = 0.1;
  const before = sheet.heatJ;
  let taken = sheet.step({ airC: -10, sunWm2: 0, snowfallM: 0.2, snowKept: 1 }, 3600);
  expect(sheet.slushM).toBeGreaterThan(0.02);
  // Neither the ice below grows nor is anything lost while the slush freezes.
  const clear = sheet.clearM;
  for (let h = 0; h < 24 * 12; h++) taken += sheet.step({ airC: -10, ...bare }, 3600);
  expect(sheet.slushM).toBe(0);
  expect(sheet.whiteM).toBeGreaterThan(0.02);
  expect(sheet.clearM).toBeGreaterThan(clear);
  expect(sheet.heatJ - before).toBeCloseTo(taken, 0);
  expect(winterConstants.snowDensity * sheet.snowM).toBeLessThanOrEqual(83 * sheet.iceM + 1e-6);
});

test('a thaw takes the snow first, and weakens the ice before it thins it', () => {
  const sheet = new IceSheet();
  Object.assign(sheet, { clearM: 0.3, snowM: 0.05 });
  sheet.step({ airC: 2, ...bare }, 3600);
  expect(sheet.snowM).toBeLessThan(0.05);
  expect(sheet.clearM).toBe(0.3);
  for (let h = 0; h < 30; h++) sheet.step({ airC: 2, ...bare }, 3600);
  expect(sheet.thawDegreeH).toBeCloseTo(62, 6);
  expect(sheet.hoursAbove).toBe(31);
  sheet.step({ airC: -10, ...bare }, 3600);
  expect(sheet.thawDegreeH).toBeCloseTo(57, 6);
  expect(sheet.hoursAbove).toBe(0);
});

test('a cone holds what a cone holds, and areas that grow downward are refused', () => {
  const areas = faceAreas(coneHypsography(12, 90_000), 0.1, 120);
  let volume = 0;
  for (let i = 0; i < 120; i++) volume += (0.1 * (areas[i] + areas[i + 1])) / 2;
  expect(volume).toBeCloseTo((12 * 90_000) / 3, -3);
  expect(() => faceAreas({ depthsM: [0, 2, 4], areasM2: [100, 120, 0] }, 0.5, 8)).toThrow('areas must shrink');
});

const winters = [1, 2, 3].map((seed) => ({ seed, forcing: madeUpWinter(182, seed) }));
const everyFive = Array.from({ length: 36 }, (_, k) => dayMs(5 * k + 2));

test.each(winters)('heat in is heat stored, from autumn to spring (winter $seed)', ({ forcing }) => {
  const { budget } = runWinter(lake(), forcing, [dayMs(182)]);
  expect(Math.abs(budget.endJ - budget.startJ - budget.inJ) / Math.abs(budget.endJ - budget.startJ)).toBeLessThan(1e-6);
});

const isStable = ({ tempC }: ColumnProfile) => tempC.every((t, i) => i === 0 || waterDensity(t) >= waterDensity(tempC[i - 1]) - 1e-9);

test.each(winters)('the column is never unstable, 0 °C at the ice, at most 4.5 °C at the bottom (winter $seed)', ({ forcing }) => {
  const { profiles, freezeUpMs } = runWinter(lake(), forcing, everyFive);
  expect(freezeUpMs).not.toBeNull();
  let underIce = 0;
  for (const profile of profiles) {
    expect(isStable(profile)).toBe(true);
    if (profile.iceClearM + profile.iceWhiteM === 0 || profile.atMs < freezeUpMs!) continue;
    underIce++;
    expect(profile.tempC[0]).toBe(0);
    expect(profile.tempC.at(-1)!).toBeLessThanOrEqual(4.5);
  }
  expect(underIce).toBeGreaterThan(15);
});

test('without sun and without warmth from the bed the water under ice stays at or below 4 °C and only cools', () => {
  const forcing = madeUpWinter(150, 4);
  const dark = { ...forcing, sunWm2: new Float64Array(forcing.sunWm2.length) };
  // The least the bed's factor may be; its heat is then a seventh.
  const { profiles } = runWinter(lake({ sediment: 0.15 }), dark, [90, 105, 120, 135, 149].map(dayMs));
  const means = profiles.map((p) => p.tempC.reduce((a, b) => a + b) / p.tempC.length);
  for (const p of profiles) expect(Math.max(...p.tempC)).toBeLessThanOrEqual(4.02);
  expect(means.at(-1)!).toBeLessThan(means[0]);
});

test('halving layers and steps changes little: 0.1 °C, 1 cm of ice, half a day of freeze-up', () => {
  for (const { forcing } of winters) {
    const instants = [50, 62, 75, 90, 105, 120, 135].map(dayMs);
    const coarse = runWinter(lake({}, { layerM: 0.1 }), forcing, instants, 3600);
    const fine = runWinter(lake({}, { layerM: 0.05 }), forcing, instants, 1800);
    expect(Math.abs(coarse.freezeUpMs! - fine.freezeUpMs!)).toBeLessThan(12 * hourMs);
    coarse.profiles.forEach((c, k) => {
      const f = fine.profiles[k];
      const base = 0.917 * (c.iceClearM + c.iceWhiteM);
      let square = 0;
      let n = 0;
      for (let z = base + 0.1; z < 13.8; z += 0.1) {
        const off = valueAt(c, 'tempC', z) - valueAt(f, 'tempC', z);
        square += off * off;
        n++;
        if (z > base + 1) expect(Math.abs(off)).toBeLessThan(0.15);
      }
      expect(Math.sqrt(square / n)).toBeLessThan(0.1);
      expect(Math.abs(c.iceClearM + c.iceWhiteM - f.iceClearM - f.iceWhiteM)).toBeLessThan(0.01);
    });
  }
});

test('oxygen is full in autumn and fails from the bottom up under the ice', () => {
  const { profiles, freezeUpMs } = runWinter(lake(), madeUpWinter(150, 2), [dayMs(35), dayMs(145)]);
  const [autumn, late] = profiles;
  expect(freezeUpMs!).toBeLessThan(late.atMs);
  expect(valueAt(autumn, 'oxygenMgL', 13)).toBeGreaterThan(10.5);
  expect(valueAt(late, 'oxygenMgL', 13)).toBeLessThan(4);
  expect(valueAt(late, 'oxygenMgL', 2)).toBeGreaterThan(8);
  for (const value of late.oxygenMgL) expect(value).toBeGreaterThanOrEqual(0);
});

test('snow on the lake keeps light out and ice thin; wind leaves less heat at freeze-up', () => {
  const forcing = madeUpWinter(140, 3);
  const [much, little] = [1, 0.1].map((snowShare) => runWinter(lake({ snowShare }), forcing, [dayMs(135)]).profiles[0]);
  expect(much.iceClearM).toBeLessThan(little.iceClearM - 0.05);
  expect(valueAt(much, 'light', 3)).toBeLessThan(valueAt(little, 'light', 3));
  const heat = [0.3, 4].map((windMixing) => {
    const run = runWinter(lake({ windMixing }), forcing, [dayMs(100)]);
    return run.profiles[0].tempC.reduce((a, b) => a + b) / run.profiles[0].tempC.length;
  });
  expect(heat[1]).toBeLessThan(heat[0] - 0.1);
});

test('weather that starts after the cold has come, and instants outside it, are refused', () => {
  const forcing = madeUpWinter(120, 1);
  const late = (from: number): Forcing => {
    const cut = (row: Float64Array) => row.subarray(from * 24);
    return {
      startMs: dayMs(from),
      airC: cut(forcing.airC),
      windMs: cut(forcing.windMs),
      sunWm2: cut(forcing.sunWm2),
      snowfallM: cut(forcing.snowfallM),
      snowKept: cut(forcing.snowKept),
    };
  };
  expect(() => runWinter(lake(), late(70), [dayMs(100)])).toThrow(/weather before freeze-up is missing: expected a series whose first 5 days are above 3 °C/);
  expect(() => runWinter(lake(), forcing, [dayMs(130)])).toThrow(/instant must lie in the weather series/);
  expect(() => runWinter(lake({}, { hypsography: { depthsM: [0, 0.2], areasM2: [100, 0] } }), forcing, [autumnMs])).toThrow('greatest depth must be 0.5');
  expect(() => runWinter(lake({ snowShare: 3 }), forcing, [autumnMs])).toThrow('snowShare must be 0 to 1.2');
});
