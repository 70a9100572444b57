import { hourMs } from '../units';

/** An hour of weather at a water. `null` where nothing is known. */
export interface WeatherHour {
  atMs: number;
  airC: number | null;
  /** Reduced to sea level. */
  pressureHpa: number | null;
  windMs: number | null;
  windFromDeg: number | null;
  /** Covered share of the sky, 0–1. */
  cloud: number | null;
  precipMm: number | null;
  snowCm: number | null;
}

/** Names of the measured columns of a series, in order. */
export const weatherColumns = ['airC', 'pressureHpa', 'windMs', 'windFromDeg', 'cloud', 'precipMm', 'snowCm'] as const;
type Column = (typeof weatherColumns)[number];

/** Gaps up to this long are bridged; longer ones stay. */
export const longestBridgedGapMs = 3 * hourMs;

/** A series on whole hours in typed arrays; NaN where a gap stays. Wind as components so that directions average rightly. */
export interface HourlyGrid {
  startMs: number;
  length: number;
  airC: Float64Array;
  pressureHpa: Float64Array;
  /** Wind components blowing toward east and north, m/s. */
  windEast: Float64Array;
  windNorth: Float64Array;
  cloud: Float64Array;
  precipMm: Float64Array;
  snowCm: Float64Array;
  /** 1 where any value of the hour was bridged rather than measured. */
  bridged: Uint8Array;
}

/** Longest span a series may have: two winters. A single row with a wrong year would ask for all the memory there is. */
export const longestSeriesMs = 2 * 366 * 24 * hourMs;

/**
 * Puts a series (ascending times) on whole hours, bridging gaps of up to three hours linearly.
 * Throws RangeError when it holds fewer than two rows, or spans more than two years.
 */
export function hourlyGrid(series: readonly WeatherHour[]): HourlyGrid {
  if (series.length < 2) throw new RangeError(`a weather series needs at least 2 rows, found ${series.length}`);
  const [first, last] = [series[0].atMs, series[series.length - 1].atMs];
  if (!(last - first <= longestSeriesMs)) {
    throw new RangeError(`a weather series spans two years at most, found ${new Date(first).toISOString().slice(0, 10)} to ${new Date(last).toISOString().slice(0, 10)}`);
  }
  const startMs = Math.ceil(first / hourMs) * hourMs;
  const length = Math.max(1, Math.floor((last - startMs) / hourMs) + 1);
  const bridged = new Uint8Array(length);
  const fill = (value: (row: WeatherHour) => number | null) => resample(series, value, startMs, length, bridged);
  const rad = Math.PI / 180;
  const component = (turn: (a: number) => number) => (row: WeatherHour) => (row.windMs === null || row.windFromDeg === null ? null : -row.windMs * turn(row.windFromDeg * rad));
  return {
    startMs,
    length,
    airC: fill((r) => r.airC),
    pressureHpa: fill((r) => r.pressureHpa),
    windEast: fill(component(Math.sin)),
    windNorth: fill(component(Math.cos)),
    cloud: fill((r) => r.cloud),
    precipMm: fill((r) => r.precipMm),
    snowCm: fill((r) => r.snowCm),
    bridged,
  };
}

function resample(series: readonly WeatherHour[], value: (row: WeatherHour) => number | null, startMs: number, length: number, bridged: Uint8Array) {
  const out = new Float64Array(length).fill(NaN);
  let before: { atMs: number; v: number } | undefined;
  for (const row of series) {
    const v = value(row);
    if (v === null) continue;
    const now = { atMs: row.atMs, v };
    if (before && now.atMs - before.atMs <= longestBridgedGapMs) {
      const first = Math.max(0, Math.ceil((before.atMs - startMs) / hourMs));
      for (let i = first; startMs + i * hourMs <= now.atMs && i < length; i++) {
        const share = (startMs + i * hourMs - before.atMs) / (now.atMs - before.atMs);
        out[i] = before.v + (now.v - before.v) * share;
        if (share > 0 && share < 1 && now.atMs - before.atMs > hourMs) bridged[i] = 1;
      }
    } else {
      const i = Math.round((now.atMs - startMs) / hourMs);
      if (i >= 0 && i < length && startMs + i * hourMs === now.atMs) out[i] = v;
    }
    before = now;
  }
  return out;
}

/** The row in force at an instant: the latest not after it, no older than three hours; undefined where there is none. */
export function weatherAt(series: readonly WeatherHour[], atMs: number): WeatherHour | undefined {
  let found: WeatherHour | undefined;
  for (const row of series) {
    if (row.atMs > atMs) break;
    found = row;
  }
  return found && atMs - found.atMs <= longestBridgedGapMs ? found : undefined;
}

/** Latest known value of a column at or before an instant, with its time. */
export function latestOf(series: readonly WeatherHour[], column: Column, atMs: number): { atMs: number; value: number } | undefined {
  for (let i = series.length - 1; i >= 0; i--) {
    const value = series[i][column];
    if (series[i].atMs <= atMs && value !== null) return { atMs: series[i].atMs, value };
  }
  return undefined;
}

/** A row of one's own stands for the hours about it, to this far, ms. */
const standsForMs = 0.75 * hourMs;

/**
 * Joins a service's series with rows of one's own (both ascending): within three quarters of an hour of a row of one's own the service's are left out,
 * so that two thermometers do not take turns.
 */
export function joinedSeries(service: readonly WeatherHour[], own: readonly WeatherHour[]): WeatherHour[] {
  if (own.length === 0) return [...service];
  let next = 0;
  const left = service.filter((row) => {
    while (next < own.length && own[next].atMs < row.atMs - standsForMs) next++;
    return next === own.length || own[next].atMs > row.atMs + standsForMs;
  });
  return [...left, ...own].sort((a, b) => a.atMs - b.atMs);
}
