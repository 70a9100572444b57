import { coneHypsography, runWinter, winterPrior, type Forcing } from '@burrow/core/winter';
import { fastestInTurns, type Figure } from './figure';

const hours = 182 * 24;
const layers = 56;

/** A plain winter from October to March, an hour a value. */
function winter(): Forcing {
  const row = (at: (h: number) => number) => Float64Array.from({ length: hours }, (_, h) => at(h));
  const airC = row((h) => 2 - 12.5 * Math.cos((2 * Math.PI * (h / 24 - 110)) / 365) + 3 * Math.sin(h / 41) + 2 * Math.cos((h * Math.PI) / 12));
  return {
    startMs: Date.UTC(2026, 9, 1),
    airC,
    windMs: row((h) => 3 + 2 * Math.sin(h / 29)),
    sunWm2: row((h) => Math.max(0, Math.cos(((h - 12) * Math.PI) / 12) - 0.3) * 250),
    snowfallM: row((h) => (h % 170 < 5 && airC[h] < 0 ? 0.01 : 0)),
    snowKept: row(() => 0.9993),
  };
}

/** The baseline: an implicit heat solver and nothing else, on the same grid and steps, coefficients made and eliminated anew each step. */
function bareHeatSolver(): number {
  const t = new Float64Array(layers).fill(10);
  const [upper, carried] = [new Float64Array(layers), new Float64Array(layers)];
  const k = new Float64Array(layers + 1).fill(3.5e-7);
  for (let h = 0; h < hours; h++) {
    const surface = 5 - 10 * Math.sin(h / 1400);
    for (let i = 0; i < layers; i++) {
      const above = (3600 * k[i]) / (0.25 * 0.25);
      const below = i === layers - 1 ? 0 : (3600 * k[i + 1]) / (0.25 * 0.25);
      const from = i === 0 ? t[0] + above * surface : t[i];
      const inverse = 1 / (1 + above + below - (i === 0 ? 0 : above * upper[i - 1]));
      upper[i] = below * inverse;
      carried[i] = (from + (i === 0 ? 0 : above * carried[i - 1])) * inverse;
    }
    t[layers - 1] = carried[layers - 1];
    for (let i = layers - 2; i >= 0; i--) t[i] = carried[i] + upper[i] * t[i + 1];
  }
  return t[layers >> 1];
}

/** A season of the column, hourly, 0.25 m, 14 m deep: heat, oxygen, light, ice and mixing against heat alone. */
export function column(): Figure[] {
  const forcing = winter();
  const setting = { hypsography: coneHypsography(14, 6.1e5), layerM: 0.25, secchiM: 3.2, latDeg: 47, pressureShare: 0.96, parameters: winterPrior };
  const season = () => void runWinter(setting, forcing, [forcing.startMs + hours * 3_600_000]);
  const [bareMs, seasonMs] = fastestInTurns(150, () => void bareHeatSolver(), season);
  const ratio = seasonMs / bareMs;
  const perSecond = 1000 / seasonMs;
  return [
    {
      what: 'a season of the winter column, hourly, 0.25 m, 14 m',
      ratio,
      baseline: 'a bare tridiagonal heat solver on the same grid and steps',
      goal: '≤ 1.5×',
      met: ratio <= 1.5,
      detail: `${seasonMs.toFixed(1)} ms against ${bareMs.toFixed(1)} ms`,
    },
    {
      what: 'seasons simulated a second',
      ratio: perSecond,
      baseline: 'one a second',
      goal: '≥ 5×',
      met: perSecond >= 5,
      detail: `${perSecond.toFixed(0)} seasons a second`,
    },
  ];
}
