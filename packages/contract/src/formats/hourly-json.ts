import type { WeatherHour } from '@burrow/core/weather';
import { z } from 'zod';
import { FormatError } from './format-error';

/** Weather as a service answers it for a place. */
export interface HourlyWeather {
  /** The point that the answer is for: a service answers from the nearest of its own. */
  lat: number;
  lon: number;
  /** What the service calls itself, where it does. */
  service: string | null;
  /** A stand-in says so. */
  simulated: boolean;
  /** Ascending; `null` where the service says nothing, or what cannot be. */
  series: WeatherHour[];
}

const column = z.array(z.number().nullable()).optional();
const answer = z.object({
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  utc_offset_seconds: z.number().min(-86_400).max(86_400).default(0),
  service: z.string().max(120).optional(),
  simulated: z.boolean().default(false),
  hourly_units: z.record(z.string(), z.string()).default({}),
  hourly: z.object({
    time: z.array(z.union([z.string(), z.number()])),
    temperature_2m: column,
    pressure_msl: column,
    wind_speed_10m: column,
    wind_direction_10m: column,
    cloud_cover: column,
    precipitation: column,
    snow_depth: column,
  }),
});

/** What each column is asked for by, its own unit first: factor and shift to ours. */
const units = {
  temperature_2m: { '°C': [1, 0], '°F': [5 / 9, -160 / 9] },
  pressure_msl: { hPa: [1, 0] },
  wind_speed_10m: { 'km/h': [1 / 3.6, 0], 'm/s': [1, 0], ms: [1, 0], mph: [0.44704, 0], 'mp/h': [0.44704, 0], kn: [0.514444, 0] },
  wind_direction_10m: { '°': [1, 0] },
  cloud_cover: { '%': [0.01, 0] },
  precipitation: { mm: [1, 0], inch: [25.4, 0] },
  snow_depth: { m: [100, 0], ft: [30.48, 0] },
} as const satisfies Record<string, Record<string, readonly [factor: number, shift: number]>>;
type Column = keyof typeof units;

/** Names of the columns that a service is asked for. */
export const hourlyColumns = Object.keys(units) as readonly Column[];

/** What air may be, in our units; anything else is a slip of the service and counts as unknown. */
const possible: Record<Column, readonly [least: number, most: number]> = {
  temperature_2m: [-90, 60],
  pressure_msl: [850, 1100],
  wind_speed_10m: [0, 120],
  wind_direction_10m: [0, 360],
  cloud_cover: [0, 1],
  precipitation: [0, 400],
  snow_depth: [0, 1500],
};

/**
 * Reads hourly JSON: `latitude`, `longitude`, `hourly.time` and a column of the same length for each quantity, units by `hourly_units` (°C, hPa, km/h, °, %, mm
 * and m where it names none). Times are Unix seconds, or ISO 8601 at `utc_offset_seconds` where they carry no offset of their own.
 * Throws FormatError that says what was expected where.
 */
export function parseHourlyJson(value: unknown): HourlyWeather {
  const parsed = answer.safeParse(value);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    throw new FormatError(null, `${issue.path.join('.') || 'weather'}: ${issue.message}`);
  }
  const { hourly, hourly_units, utc_offset_seconds: offsetS, ...rest } = parsed.data;
  const rows = hourly.time.length;
  const read = Object.fromEntries(hourlyColumns.map((name) => [name, columnOf(name, hourly[name], hourly_units[name], rows)])) as Record<Column, (i: number) => number | null>;
  const series = hourly.time.map((time, i): WeatherHour => {
    const atMs = typeof time === 'number' ? time * 1000 : instantOf(time, offsetS);
    if (!Number.isFinite(atMs)) throw new FormatError(null, `hourly.time[${i}]: expected Unix seconds or ISO 8601, found "${time}"`);
    return {
      atMs,
      airC: read.temperature_2m(i),
      pressureHpa: read.pressure_msl(i),
      windMs: read.wind_speed_10m(i),
      windFromDeg: read.wind_direction_10m(i),
      cloud: read.cloud_cover(i),
      precipMm: read.precipitation(i),
      snowCm: read.snow_depth(i),
    };
  });
  series.sort((a, b) => a.atMs - b.atMs);
  return {
    lat: rest.latitude,
    lon: rest.longitude,
    service: rest.service ?? null,
    simulated: rest.simulated,
    series: series.filter((row, i) => i === 0 || row.atMs > series[i - 1].atMs),
  };
}

/** A time with an offset of its own, or at the answer's; NaN for what is no time. */
const instantOf = (time: string, offsetS: number) => (/T.*([zZ]|[+-]\d\d:?\d\d)$/.test(time) ? Date.parse(time) : Date.parse(`${time}Z`) - 1000 * offsetS);

function columnOf(name: Column, values: readonly (number | null)[] | undefined, unit: string | undefined, rows: number): (i: number) => number | null {
  if (values === undefined) return () => null;
  if (values.length !== rows) throw new FormatError(null, `hourly.${name}: expected ${rows} values, one for each time, found ${values.length}`);
  const known: Readonly<Record<string, readonly [number, number]>> = units[name];
  const scale = unit === undefined ? Object.values(known)[0] : known[unit];
  if (scale === undefined) throw new FormatError(null, `hourly_units.${name}: expected ${Object.keys(known).join(', ')}, found "${unit}"`);
  const [least, most] = possible[name];
  return (i) => {
    const value = values[i];
    if (value === null) return null;
    const ours = value * scale[0] + scale[1];
    return ours >= least && ours <= most ? ours : null;
  };
}
