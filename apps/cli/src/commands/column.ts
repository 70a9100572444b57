import { islandsOf, parseMeasurementsCsv, parseWaterFile, parseWeatherCsv, shoreOf, soundingsOf, type MeasurementFile } from '@burrow/contract/formats';
import { buildDepthMap, hypsographyOf, surveyedArea } from '@burrow/core/ground';
import { answerColumn } from '@burrow/core/column';
import { BadInput } from '../bad-input';
import { instantOption, readArgs, readFormat, readText, round } from '../options';

/** `burrow column --water F.geojson --weather F.csv --at ISO [--measurements F.csv]` */
export function column(args: string[]): void {
  const { values } = readArgs(args, { water: { type: 'string' }, weather: { type: 'string' }, at: { type: 'string' }, measurements: { type: 'string' } });
  const file = readFormat(values.water, parseWaterFile, readText(values.water, 'a water in GeoJSON (--water)'));
  const series = readFormat(values.weather, parseWeatherCsv, readText(values.weather, 'a weather CSV (--weather)'));
  const atMs = instantOption(values, 'at');
  const measured: MeasurementFile =
    values.measurements === undefined
      ? { measurements: [], secchi: [] }
      : readFormat(values.measurements, parseMeasurementsCsv, readText(values.measurements, 'a measurements CSV (--measurements)'));
  if (series.length < 2) throw new BadInput(`${values.weather}: expected at least 2 rows of weather, found ${series.length}`);
  const first = series[0].atMs;
  const last = series[series.length - 1].atMs;
  if (atMs < first || atMs > last + 3_600_000) {
    throw new BadInput(`--at: expected an instant in the weather series, ${new Date(first).toISOString()} to ${new Date(last).toISOString()}, found ${values.at}`);
  }
  const soundings = soundingsOf(file);
  if (soundings.length === 0) throw new BadInput(`${values.water}: expected soundings to know the water's depth, found none`);
  const area = surveyedArea(shoreOf(file), soundings, islandsOf(file));
  const map = buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands });
  const secchi = measured.secchi.filter((s) => s.atMs <= atMs).sort((a, b) => a.atMs - b.atMs);
  const answer = answerColumn({
    hypsography: hypsographyOf(map),
    secchiM: secchi.at(-1)?.depthM ?? file.water.secchi_m,
    elevationM: file.water.elevation_m,
    place: { lon: map.lon0, lat: map.lat0, timeZone: file.water.timezone },
    series,
    measurements: measured.measurements,
    nowMs: atMs,
  });
  const { now, fit } = answer;
  process.stdout.write(
    `${JSON.stringify({
      at: new Date(atMs).toISOString(),
      iceClearM: round(now.iceClearM),
      iceWhiteM: round(now.iceWhiteM),
      snowM: round(now.snowM),
      freezeUp: answer.freezeUpMs === null ? null : new Date(answer.freezeUpMs).toISOString(),
      layers: now.depthM.map((depthM, i) => ({
        depthM: round(depthM),
        tempC: round(now.tempC[i]),
        sdC: round(answer.spreadC[i]),
        oxygenMgL: round(now.oxygenMgL[i], 2),
        lightFraction: round(now.light[i], 6),
      })),
      ...(fit
        ? {
            fit: {
              parameters: fit.parameters,
              spread: fit.spread,
              tempRmsC: fit.tempRms,
              residuals: fit.residuals.map((r) => ({ at: new Date(r.atMs).toISOString(), kind: r.kind, depthM: r.depthM, measured: round(r.value), modelled: round(r.modelled) })),
            },
          }
        : {}),
    })}\n`,
  );
}
