import { normal, seededRandom, type Random } from '../src/units';
import { fitWinter, profileWithSpread, unfitted } from '../src/column';
import { valueAt } from '../src/water';
import { runWinter, winterPrior, type Measurement, type WinterParameters } from '../src/winter';
import { dayMs, lake, madeUpWinter } from './winter-weather';

/** A lake whose parameters nobody knows. */
const hidden = (random: Random): WinterParameters => ({
  windMixing: Math.exp(0.8 * normal(random)),
  sediment: Math.min(2.8, Math.exp(0.55 * normal(random))),
  snowShare: 0.1 + 0.8 * random(),
});
const castDays = [30, 52, 70, 92, 110, 128];
const castDepths = [1, 3, 5.5, 8, 10.5, 13];

function measure(truth: WinterParameters, forcing: ReturnType<typeof madeUpWinter>, random: Random): Measurement[] {
  const casts = runWinter(lake(truth), forcing, castDays.map(dayMs)).profiles;
  const ice = runWinter(lake(truth), forcing, [80, 105, 125].map(dayMs)).profiles;
  return [
    ...casts.flatMap((p) => castDepths.map((depthM) => ({ atMs: p.atMs, kind: 'tempC' as const, depthM, value: valueAt(p, 'tempC', depthM) + 0.1 * normal(random) }))),
    ...ice.map((p) => ({ atMs: p.atMs, kind: 'iceClearM' as const, value: p.iceClearM + 0.01 * normal(random) })),
  ];
}

/** RMS of temperature over days and depths that were not measured, °C. */
function unseenError(truth: WinterParameters, guess: WinterParameters, forcing: ReturnType<typeof madeUpWinter>): number {
  const days = [40, 60, 81, 100, 119, 138].map(dayMs);
  const [t, g] = [truth, guess].map((parameters) => runWinter(lake(parameters), forcing, days).profiles);
  let sum = 0;
  let n = 0;
  for (let k = 0; k < days.length; k++) {
    for (const z of [1.5, 2.2, 4, 6.5, 9, 12]) {
      sum += (valueAt(t[k], 'tempC', z) - valueAt(g[k], 'tempC', z)) ** 2;
      n++;
    }
  }
  return Math.sqrt(sum / n);
}

test('six thermometer casts and three ice readings at least halve the error at unseen depths and days (median of 30 lakes)', () => {
  const shares: number[] = [];
  for (let seed = 1; seed <= 30; seed++) {
    const random = seededRandom(4000 + seed);
    const forcing = madeUpWinter(140, 100 + seed);
    const truth = hidden(random);
    const fit = fitWinter(lake(), forcing, measure(truth, forcing, random));
    shares.push(unseenError(truth, fit.parameters, forcing) / unseenError(truth, winterPrior, forcing));
  }
  shares.sort((a, b) => a - b);
  expect((shares[14] + shares[15]) / 2).toBeLessThanOrEqual(0.5);
});

test('a fit says what it left over, what it gained, and how wide it still is', () => {
  const random = seededRandom(9);
  const forcing = madeUpWinter(140, 5);
  const truth = { windMixing: 0.4, sediment: 1.8, snowShare: 0.2 };
  const measurements = measure(truth, forcing, random);
  const fit = fitWinter(lake(), forcing, measurements);
  expect(fit.residuals).toHaveLength(measurements.length);
  expect(fit.tempRms!.after).toBeLessThan(fit.tempRms!.before);
  expect(fit.tempRms!.after).toBeLessThan(0.2);
  expect(fit.parameters.snowShare).toBeCloseTo(0.2, 1);
  const { profile, spreadC } = profileWithSpread(lake(), forcing, fit, dayMs(120));
  expect(spreadC).toHaveLength(profile.tempC.length);
  // Narrower than before the measurements in each parameter, and so in the profile about the same fit.
  for (const name of ['windMixing', 'sediment', 'snowShare'] as const) expect(fit.spread[name]).toBeLessThan(unfitted.spread[name]);
  const before = profileWithSpread(lake(), forcing, { parameters: fit.parameters, spread: unfitted.spread }, dayMs(120));
  const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;
  expect(mean(spreadC)).toBeLessThan(mean(before.spreadC));
});

test('without measurements the fit is the prior', () => {
  const fit = fitWinter(lake(), madeUpWinter(100, 1), []);
  expect(fit.parameters.windMixing).toBeCloseTo(1, 6);
  expect(fit.parameters.snowShare).toBeCloseTo(0.5, 6);
  expect(fit.tempRms).toBeNull();
});
