import { hourMs } from '@burrow/core/units';
import type { WeatherHour } from '@burrow/core/weather';
import { FormatError } from './format-error';
import { parseMetars, stationsOf } from './metar';
import type { LeftOut } from './places';
import { parseWeatherCsv } from './weather-csv';

/** Weather from a file that an angler has, with what it does not say itself. */
export interface WeatherFile {
  series: WeatherHour[];
  /** Groups of reports that could not be read. */
  leftOut: LeftOut[];
  /** The month that the first report was taken to be of, "2026-11": METAR carries none. Null for a CSV. */
  monthTaken: string | null;
}

/** Reports of several stations: whose are wanted has to be said. */
export class SeveralStations extends FormatError {
  constructor(readonly stations: readonly { station: string; reports: number }[]) {
    super(null, `expected the reports of one station, found those of ${stations.map((s) => `${s.station} (${s.reports})`).join(', ')}`);
  }
}

/** Reports are looked for this many months back. */
const monthsBack = 24;

/**
 * Reads weather by its text: a CSV of docs/formats.md by its header, else METAR reports, a report a line. METAR carries no month: the latest is taken by which
 * the last report is not of the future. Throws SeveralStations where no station is named and the reports are of more than one, else FormatError that says what was expected where.
 */
export function parseWeatherFile(text: string, nowMs: number, station?: string): WeatherFile {
  const first = text.replace(/^\uFEFF/, '').trimStart();
  if (/^"?time"?\s*[,;\t]/i.test(first)) {
    const series = parseWeatherCsv(text);
    if (series.length === 0) throw new FormatError(null, 'expected at least one hour of weather below the header, found none');
    return { series, leftOut: [], monthTaken: null };
  }
  if (!/\b\d{6}Z\b/.test(first)) throw new FormatError(1, 'expected a CSV whose header begins with time, or METAR reports such as ABCD 161540Z 31012KT, found neither');
  const stations = stationsOf(text);
  if (station === undefined && stations.length > 1) throw new SeveralStations(stations);
  const now = new Date(nowMs);
  for (let back = 0; back <= monthsBack; back++) {
    const month = new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() - back, 1)).toISOString().slice(0, 7);
    const { series, bad } = parseMetars(text, month, station);
    if (series.at(-1)!.atMs <= nowMs + hourMs)
      return { series, leftOut: bad.map(({ line, group, expected }) => ({ where: `line ${line}`, why: `${group}: expected ${expected}` })), monthTaken: month };
  }
  throw new FormatError(null, `expected reports that span ${monthsBack} months at most, found more`);
}
