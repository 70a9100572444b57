import { median } from '../units';

/**
 * What is left of an hourly temperature after the usual rhythm of the day: for each hour of the day the median departure from
 * the running 24-hour mean, over the whole series, is taken away. Needs two days; with less the series comes back as it is.
 */
export function dailyAnomaly(values: Float64Array): Float64Array {
  if (values.length < 48) return values.slice();
  const departures: number[][] = Array.from({ length: 24 }, () => []);
  for (let i = 12; i < values.length - 12; i++) {
    const mean = runningMean(values, i, 12);
    const departure = values[i] - mean;
    if (Number.isFinite(departure)) departures[i % 24].push(departure);
  }
  const rhythm = departures.map((all) => (all.length === 0 ? 0 : median(all)));
  return values.map((v, i) => v - rhythm[i % 24]);
}

/**
 * Pressure without the half-daily air tide: least squares of a 12-hour wave on what is left after a running 12-hour mean.
 */
export function tideRemoved(values: Float64Array): Float64Array {
  let cc = 0;
  let ss = 0;
  let cy = 0;
  let sy = 0;
  for (let i = 6; i < values.length - 6; i++) {
    const y = values[i] - runningMean(values, i, 6);
    if (!Number.isFinite(y)) continue;
    const c = Math.cos((i * Math.PI) / 6);
    const s = Math.sin((i * Math.PI) / 6);
    cc += c * c;
    ss += s * s;
    cy += c * y;
    sy += s * y;
  }
  if (cc === 0 || values.length < 48) return values.slice();
  // A running mean over a whole period leaves the wave itself; tides stay below about 1.5 hPa, larger waves are weather.
  const a = cy / cc;
  const b = sy / ss;
  const size = Math.hypot(a, b);
  const keep = size > 1.5 ? 1.5 / size : 1;
  return values.map((v, i) => v - keep * (a * Math.cos((i * Math.PI) / 6) + b * Math.sin((i * Math.PI) / 6)));
}

/** Mean over i−half … i+half with both ends at half weight, so that exactly 2·half hours count; NaN with any gap. */
function runningMean(values: Float64Array, i: number, half: number): number {
  let sum = (values[i - half] + values[i + half]) / 2;
  for (let j = i - half + 1; j < i + half; j++) sum += values[j];
  return sum / (2 * half);
}
