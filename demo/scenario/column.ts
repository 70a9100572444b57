import { outlineOf, soundingsOf } from '@burrow/contract/formats';
import { buildDepthMap, hypsographyOf } from '@burrow/core/ground';
import { columnSetting, forcingOf } from '@burrow/core/column';
import { hourMs } from '@burrow/core/units';
import { runWinter, type ColumnProfile } from '@burrow/core/winter';
import { climateAt } from '../../stand-ins/weather-service/src/climate';
import { tamberLake } from './lake';

export const seasonStartMs = Date.parse('2026-10-01T00:00-09:00');

/** What Tamber Lake is really like, which nobody in the demo knows: windier, colder in its bed and snowier than usual. */
const hidden = { windMixing: 3, sediment: 0.7, snowShare: 0.75 };

/** The true column of the lake at ascending instants. */
export function trueColumn(instantsMs: readonly number[]): ColumnProfile[] {
  const file = tamberLake();
  const map = buildDepthMap(outlineOf(file), soundingsOf(file));
  const place = { lon: map.lon0, lat: map.lat0, timeZone: file.water.timezone };
  const series = [];
  for (let ms = seasonStartMs; ms <= instantsMs[instantsMs.length - 1] + hourMs; ms += hourMs) series.push(climateAt(ms));
  const setting = columnSetting({ hypsography: hypsographyOf(map), secchiM: file.water.secchi_m, elevationM: file.water.elevation_m, place });
  return runWinter({ ...setting, parameters: hidden }, forcingOf(series, place), instantsMs).profiles;
}
