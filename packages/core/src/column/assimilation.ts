import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { clamp } from '../units';
import { valueAt } from '../water';
import { runWinter, winterBounds, winterPrior, type ColumnProfile, type ColumnSetting, type Forcing, type Measurement, type WinterFit, type WinterParameters } from '../winter';

/** What a measurement and the model together may be off by: one standard deviation. Heuristic. */
export const measurementSd = { tempC: 0.2, iceClearM: 0.025, iceWhiteM: 0.03, snowM: 0.04, oxygenMgL: 0.8 } as const satisfies Record<Measurement['kind'], number>;

const names = ['windMixing', 'sediment', 'snowShare'] as const;
/** Factors are fitted as logarithms. Prior spread of each in that scale. */
const isFactor = { windMixing: true, sediment: true, snowShare: false } as const;
const priorSd = { windMixing: 0.9, sediment: 0.6, snowShare: 0.25 } as const;

const toScale = (name: keyof WinterParameters, value: number) => (isFactor[name] ? Math.log(value) : value) / priorSd[name];
const fromScale = (name: keyof WinterParameters, u: number) =>
  clamp(isFactor[name] ? Math.exp(u * priorSd[name]) : u * priorSd[name], winterBounds[name][0], winterBounds[name][1]);
const parametersOf = (u: ArrayLike<number>) => Object.fromEntries(names.map((name, k) => [name, fromScale(name, u[k])])) as unknown as WinterParameters;

/**
 * Corrects the column by what was measured: bounded least squares (Levenberg–Marquardt) over wind mixing, warmth of the bed and
 * share of snow, held near their priors as far as the measurements do not speak.
 * Throws RangeError for measurements outside the forcing.
 */
export function fitWinter(setting: ColumnSetting, forcing: Forcing, measurements: readonly Measurement[]): WinterFit {
  const ordered = [...measurements].sort((a, b) => a.atMs - b.atMs);
  const instants = [...new Set(ordered.map((m) => m.atMs))];
  let runs = 0;
  const known = new Map<string, number[]>();
  const modelledBy = (u: ArrayLike<number>): number[] => {
    const key = Array.from(u).join();
    let values = known.get(key);
    if (!values) {
      runs++;
      const { profiles } = runWinter({ ...setting, parameters: parametersOf(u) }, forcing, instants);
      values = ordered.map((m) => modelled(profiles[instants.indexOf(m.atMs)], m));
      known.set(key, values);
    }
    return values;
  };
  const prior = names.map((name) => toScale(name, winterPrior[name]));
  const scaled = (values: readonly number[]) => values.map((v, i) => v / measurementSd[ordered[i].kind]);
  const predict = (u: number[]) => {
    const values = [...scaled(modelledBy(u)), ...u];
    return (i: number) => values[i];
  };
  const y = [...scaled(ordered.map((m) => m.value)), ...prior];
  const bound = (end: 0 | 1) => names.map((name) => toScale(name, Math.max(1e-3, winterBounds[name][end])));
  const found = levenbergMarquardt({ x: y.map((_, i) => i), y }, predict, {
    initialValues: prior,
    minValues: bound(0),
    maxValues: bound(1),
    damping: 0.1,
    gradientDifference: 0.05,
    maxIterations: 5,
    errorTolerance: 1e-4,
  }).parameterValues;

  const values = modelledBy(found);
  const residuals = ordered.map((m, i) => ({ ...m, modelled: values[i] }));
  const temps = ordered.flatMap((m, i) => (m.kind === 'tempC' ? [i] : []));
  const rms = (of: readonly number[]) => Math.sqrt(temps.reduce((sum, i) => sum + (of[i] - ordered[i].value) ** 2, 0) / temps.length);
  const spread = spreadOf(found, scaled(values), (u) => scaled(modelledBy(u)));
  return { parameters: parametersOf(found), spread, residuals, tempRms: temps.length > 0 ? { before: rms(modelledBy(prior)), after: rms(values) } : null, runs };
}

function modelled(profile: ColumnProfile, { kind, depthM }: Measurement): number {
  return kind === 'tempC' || kind === 'oxygenMgL' ? valueAt(profile, kind, depthM ?? 0) : profile[kind];
}

/** From the curvature at the best fit: (JᵀJ + 1)⁻¹ in units of the prior, widened where the fit is worse than its sds say. */
function spreadOf(best: readonly number[], atBest: readonly number[], model: (u: number[]) => number[]): WinterFit['spread'] {
  const step = 0.1;
  const slopes = names.map((_, k) => {
    const moved = model(best.map((u, j) => (j === k ? u + step : u)));
    return moved.map((v, i) => (v - atBest[i]) / step);
  });
  const curvature = Matrix.eye(names.length);
  slopes.forEach((a, k) => slopes.forEach((b, j) => curvature.set(k, j, curvature.get(k, j) + a.reduce((sum, v, i) => sum + v * b[i], 0))));
  const covariance = inverse(curvature);
  return Object.fromEntries(names.map((name, k) => [name, Math.sqrt(Math.max(0, covariance.get(k, k))) * priorSd[name]])) as WinterFit['spread'];
}

/**
 * The fitted column at an instant with its spread: each layer's standard deviation of temperature, °C, from the parameters'.
 * Depths of `spreadC` are those of the profile.
 */
export function profileWithSpread(
  setting: ColumnSetting,
  forcing: Forcing,
  fit: Pick<WinterFit, 'parameters' | 'spread'>,
  atMs: number,
): { profile: ColumnProfile; spreadC: number[] } {
  const at = (parameters: WinterParameters) => runWinter({ ...setting, parameters }, forcing, [atMs]).profiles[0];
  const profile = at(fit.parameters);
  const variance = profile.depthM.map(() => modelErrorC ** 2);
  for (const name of names) {
    const u = toScale(name, fit.parameters[name]) + fit.spread[name] / priorSd[name];
    const moved = at({ ...fit.parameters, [name]: fromScale(name, u) });
    profile.depthM.forEach((z, i) => (variance[i] += (valueAt(moved, 'tempC', z) - profile.tempC[i]) ** 2));
  }
  return { profile, spreadC: variance.map(Math.sqrt) };
}
/** What a column in one dimension misses even with the right parameters, °C. Heuristic. */
const modelErrorC = 0.1;

/** The prior as a fit without any measurement. */
export const unfitted: Pick<WinterFit, 'parameters' | 'spread'> = { parameters: winterPrior, spread: priorSd };
