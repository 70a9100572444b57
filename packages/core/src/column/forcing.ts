import { hourMs } from '../units';
import { clearSkyRadiation, cloudTransmission, hourlyGrid, sunHeightDeg, type Place, type WeatherHour } from '../weather';
import type { Forcing } from '../winter';

/** Longer gaps than this in the air or the wind are not bridged for the column, h. */
const longestGapH = 48;
/** Where no snow depth is measured: snow below this, and how much deeper it lies than its water. */
const snowBelowC = 0.5;
const snowPerWater = 10;

/**
 * Weather of a series as the winter column takes it: an hour a value without gaps, the sun from its height and the clouds,
 * snow from the depth on land or else from what fell in the cold.
 * Throws RangeError naming a gap that is too long, and for a series without any air temperature.
 */
export function forcingOf(series: readonly WeatherHour[], place: Place): Forcing {
  const grid = hourlyGrid(series);
  const bridged = (values: Float64Array, what: string) => bridge(values, what, grid.startMs);
  const airC = bridged(grid.airC, 'air temperature');
  const windMs = Float64Array.from(grid.windEast, (east, i) => Math.hypot(east, grid.windNorth[i]));
  const cloud = grid.cloud;
  const sunWm2 = airC.map((_, i) => {
    // The middle of the hour stands for it.
    const clear = clearSkyRadiation(sunHeightDeg(grid.startMs + (i + 0.5) * hourMs, place));
    return clear === 0 ? 0 : clear * cloudTransmission(Number.isNaN(cloud[i]) ? 0.5 : cloud[i]);
  });
  return { startMs: grid.startMs, airC, windMs: calmWhereUnknown(windMs), sunWm2, ...snowOf(grid.snowCm, grid.precipMm, airC) };
}

function bridge(values: Float64Array, what: string, startMs: number): Float64Array {
  const out = values.slice();
  let last = -1;
  for (let i = 0; i <= out.length; i++) {
    if (i < out.length && Number.isNaN(out[i])) continue;
    const gap = i - last - 1;
    if (gap > 0) {
      const iso = (k: number) => new Date(startMs + k * hourMs).toISOString().slice(0, 16);
      if (gap > longestGapH || gap >= out.length)
        throw new RangeError(`${what} is missing from ${iso(last + 1)} for ${gap} hours: expected gaps of at most ${longestGapH} hours for the column`);
      const [from, to] = [last < 0 ? out[i] : out[last], i < out.length ? out[i] : out[last]];
      for (let k = last + 1; k < i; k++) out[k] = from + ((to - from) * (k - last)) / (gap + 1);
    }
    last = i;
  }
  return out;
}

/** A light air where nobody measured the wind. */
const calmWhereUnknown = (windMs: Float64Array) => windMs.map((w) => (Number.isNaN(w) ? 2 : w));

function snowOf(snowCm: Float64Array, precipMm: Float64Array, airC: Float64Array): Pick<Forcing, 'snowfallM' | 'snowKept'> {
  const snowfallM = new Float64Array(airC.length);
  const snowKept = new Float64Array(airC.length).fill(1);
  const isMeasured = snowCm.some((s) => !Number.isNaN(s));
  let lies = NaN;
  for (let i = 0; i < airC.length; i++) {
    if (isMeasured) {
      const now = snowCm[i];
      if (Number.isNaN(now)) continue;
      if (now > lies) snowfallM[i] = (now - lies) / 100;
      else if (now < lies) snowKept[i] = now / lies;
      lies = now;
    } else if (precipMm[i] > 0 && airC[i] < snowBelowC) snowfallM[i] = (precipMm[i] * snowPerWater) / 1000;
  }
  return { snowfallM, snowKept };
}
