import { hourMs } from '../units';
import { standardPressureHpa, stationPressure } from '../water';
import type { Place, WeatherHour } from '../weather';
import { valueAt } from '../water';
import { runWinter, winterPrior, type ColumnProfile, type ColumnSetting, type Hypsography, type Measurement, type WinterFit } from '../winter';
import { fitWinter, profileWithSpread, unfitted } from './assimilation';
import { forcingOf } from './forcing';

export interface ColumnInput {
  hypsography: Hypsography;
  secchiM: number;
  elevationM: number;
  place: Place;
  /** From autumn through the forecast. */
  series: readonly WeatherHour[];
  measurements: readonly Measurement[];
  nowMs: number;
}

/** The column of a water now, a day ago and through the forecast. */
export interface ColumnAnswer {
  now: ColumnProfile;
  /** Standard deviation of each layer's temperature now, °C. */
  spreadC: number[];
  /** Now and each day of the forecast at the same hour. */
  ahead: ColumnProfile[];
  dayAgo: ColumnProfile | null;
  freezeUpMs: number | null;
  iceOutMs: number | null;
  /** What the measurements made of it; null without any. */
  fit: WinterFit | null;
  deepestM: number;
}

/** Thickness of the model's layers, m. */
const layerM = 0.25;
const dayMs = 24 * hourMs;

/** A water as the winter column takes it. */
export const columnSetting = (input: Pick<ColumnInput, 'hypsography' | 'secchiM' | 'elevationM' | 'place'>): ColumnSetting => ({
  hypsography: input.hypsography,
  layerM,
  secchiM: input.secchiM,
  latDeg: input.place.lat,
  pressureShare: stationPressure(standardPressureHpa, input.elevationM) / standardPressureHpa,
  parameters: winterPrior,
});

/**
 * Runs the winter column of a water, corrected by its measurements.
 * Throws RangeError where the weather does not reach back before the cold, has long gaps, or does not reach to now.
 */
export function answerColumn(input: ColumnInput): ColumnAnswer {
  const setting = columnSetting(input);
  const forcing = forcingOf(input.series, input.place);
  const endMs = forcing.startMs + forcing.airC.length * hourMs;
  const usable = input.measurements.filter((m) => m.atMs >= forcing.startMs && m.atMs <= input.nowMs);
  const fit = usable.length > 0 ? fitWinter(setting, forcing, usable) : null;
  const parameters = fit?.parameters ?? winterPrior;
  const ahead: number[] = [];
  for (let ms = input.nowMs; ms <= endMs && ahead.length <= 5; ms += dayMs) ahead.push(ms);
  if (ahead.length === 0) ahead.push(input.nowMs);
  const dayAgoMs = input.nowMs - dayMs;
  const hasDayAgo = dayAgoMs >= forcing.startMs;
  const run = runWinter({ ...setting, parameters }, forcing, [...(hasDayAgo ? [dayAgoMs] : []), ...ahead]);
  const [now, ...later] = run.profiles.slice(hasDayAgo ? 1 : 0);
  const { spreadC } = profileWithSpread(setting, forcing, fit ?? unfitted, input.nowMs);
  return {
    now,
    spreadC,
    ahead: [now, ...later],
    dayAgo: hasDayAgo ? run.profiles[0] : null,
    freezeUpMs: run.freezeUpMs,
    iceOutMs: run.iceOutMs,
    fit,
    deepestM: input.hypsography.depthsM.at(-1)!,
  };
}

/** A day of the winter so far, at the hour asked for. */
export interface WinterDay {
  atMs: number;
  iceClearM: number;
  iceWhiteM: number;
  snowM: number;
  /** A metre under the ice or the surface, and at the bottom, °C; oxygen at the bottom, mg/L. */
  topC: number;
  bottomC: number;
  bottomOxygenMgL: number;
}

/** The winter of a water day by day, from autumn through the forecast, corrected by its measurements. Errors as `answerColumn`. */
export function winterDays(input: ColumnInput): { days: WinterDay[]; freezeUpMs: number | null; iceOutMs: number | null; fit: WinterFit | null } {
  const setting = columnSetting(input);
  const forcing = forcingOf(input.series, input.place);
  const usable = input.measurements.filter((m) => m.atMs >= forcing.startMs && m.atMs <= input.nowMs);
  const fit = usable.length > 0 ? fitWinter(setting, forcing, usable) : null;
  const endMs = forcing.startMs + forcing.airC.length * hourMs;
  const instants: number[] = [];
  for (let ms = input.nowMs - Math.floor((input.nowMs - forcing.startMs) / dayMs) * dayMs; ms <= endMs; ms += dayMs) instants.push(ms);
  const run = runWinter({ ...setting, parameters: fit?.parameters ?? winterPrior }, forcing, instants);
  const deepestM = input.hypsography.depthsM.at(-1)!;
  const days = run.profiles.map((p) => ({
    atMs: p.atMs,
    iceClearM: p.iceClearM,
    iceWhiteM: p.iceWhiteM,
    snowM: p.snowM,
    topC: valueAt(p, 'tempC', p.depthM[0] + 1),
    bottomC: valueAt(p, 'tempC', deepestM),
    bottomOxygenMgL: valueAt(p, 'oxygenMgL', deepestM),
  }));
  return { days, freezeUpMs: run.freezeUpMs, iceOutMs: run.iceOutMs, fit };
}
