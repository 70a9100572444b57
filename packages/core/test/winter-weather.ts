import { hourMs, normal, seededRandom } from '../src/units';
import { coneHypsography, winterPrior, type ColumnSetting, type Forcing, type WinterParameters } from '../src/winter';

export const autumnMs = Date.UTC(2026, 9, 1);
const turn = 2 * Math.PI;

/** A made-up upland winter from 1 October, an hour a value: year and day, wandering weather, gales, snow falls, low sun. */
export function madeUpWinter(days: number, seed = 1, coldC = 0): Forcing {
  const random = seededRandom(seed);
  const phases = Array.from({ length: 6 }, () => turn * random());
  const hours = days * 24;
  const row = (at: (hour: number) => number) => Float64Array.from({ length: hours }, (_, h) => at(h));
  let wander = 0;
  const airC = row((h) => {
    wander += -wander / 70 + 0.45 * normal(random);
    const day = h / 24;
    return 3.5 - coldC - 13.5 * Math.cos((turn * (day - 110)) / 365) + 2.5 * Math.cos((turn * ((h % 24) - 14)) / 24) + wander;
  });
  return {
    startMs: autumnMs,
    airC,
    windMs: row((h) => 1 + 2.2 * (1 + Math.sin(h / 29 + phases[0])) * (1 + 0.5 * Math.sin(h / 7 + phases[1]))),
    sunWm2: row((h) => {
      const noon = 330 - 210 * Math.cos((turn * (h / 24 - 81)) / 365 + Math.PI);
      return Math.max(0, Math.cos((turn * ((h % 24) - 12)) / 24) - 0.35) * noon * (0.7 + 0.3 * Math.sin(h / 43 + phases[2]));
    }),
    snowfallM: row((h) => (airC[h] < 0 && (h + Math.floor(90 * random())) % 170 < 5 ? 0.011 : 0)),
    snowKept: row((h) => (airC[h] > 0 ? 0.985 : 0.9993)),
  };
}

/** A kettle lake of 14 m. */
export const lake = (parameters: Partial<WinterParameters> = {}, more: Partial<ColumnSetting> = {}): ColumnSetting => ({
  hypsography: coneHypsography(14, 6.1e5),
  layerM: 0.25,
  secchiM: 3.2,
  latDeg: 47,
  pressureShare: 0.963,
  parameters: { ...winterPrior, ...parameters },
  ...more,
});

export const dayMs = (day: number) => autumnMs + day * 24 * hourMs;
