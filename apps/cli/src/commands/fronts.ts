import { parseMetars, parseWeatherCsv, stationsOf } from '@burrow/contract/formats';
import { findFronts, findPhases, type WeatherHour } from '@burrow/core/weather';
import { BadInput } from '../bad-input';
import { numberOption, readArgs, readFormat, readText } from '../options';

/** `burrow fronts F.csv|F.metar [--lat N] [--month YYYY-MM] [--station ABCD]` */
export function fronts(args: string[]): void {
  const { values, positionals } = readArgs(args, { lat: { type: 'string' }, month: { type: 'string' }, station: { type: 'string' } });
  const path = positionals[0];
  const series = path?.endsWith('.metar') ? readMetar(path, values.month, values.station) : readFormat(path, parseWeatherCsv, readText(path, 'a weather CSV or METAR text'));
  if (series.length < 2) throw new BadInput(`${path}: expected at least 2 rows of weather, found ${series.length}`);
  const lat = numberOption(values, 'lat', 45);
  if (lat < -90 || lat > 90) throw new BadInput(`--lat: expected −90 to 90, found ${lat}`);
  const found = findFronts(series, lat);
  const iso = (ms: number) => new Date(ms).toISOString();
  const phases = findPhases(series, found, series[series.length - 1].atMs);
  process.stdout.write(
    `${JSON.stringify({
      fronts: found.map((f) => ({ at: iso(f.atMs), kind: f.kind, uncertaintyH: f.uncertaintyH, evidence: f.evidence })),
      phases: phases.map((p) => ({ from: iso(p.fromMs), to: iso(p.toMs), phase: p.name, confidence: p.confidence, ...(p.missing ? { missing: p.missing } : {}) })),
    })}\n`,
  );
}

/** Reports with what could not be read named on the error stream, a group a line. */
function readMetar(path: string, month: string | undefined, station: string | undefined): WeatherHour[] {
  if (month === undefined) throw new BadInput('--month: METAR reports carry no month, expected that of the first such as --month 2027-01, found nothing');
  const text = readText(path, 'METAR text');
  const stations = stationsOf(text);
  const names = stations.map((s) => `${s.station} (${s.reports})`).join(', ');
  if (station === undefined && stations.length > 1)
    throw new BadInput(`${path}: expected the reports of one station, found those of ${names}; say which with --station ${stations[0].station}`);
  if (station !== undefined && !stations.some((s) => s.station === station)) throw new BadInput(`--station: expected one of ${names || 'the reports'}, found "${station}"`);
  const { series, bad } = readFormat(path, (t) => parseMetars(t, month, station), text);
  for (const { line, group, expected } of bad) process.stderr.write(`${path}: line ${line}: ${group}: expected ${expected}\n`);
  return series;
}
