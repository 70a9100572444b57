import { foldLedger } from '@burrow/contract';
import { isFlowing, islandsOf, middleOfWater, parseLedger, parseWaterFile, parseWeatherCsv, shoreOf, soundingsOf, type WaterFile } from '@burrow/contract/formats';
import { answerColumn, type ColumnAnswer } from '@burrow/core/column';
import { speciesTable } from '@burrow/core/fish';
import { buildDepthMap, dropFeet, hypsographyOf, mapAtLevel, surveyedArea, type DepthMap, type SurveyedArea } from '@burrow/core/ground';
import { holeStays, type HoleStay } from '@burrow/core/holes';
import { instantOf, type LedgerState } from '@burrow/core/ledger';
import { methodIds, methodOf } from '@burrow/core/methods';
import { answerOutlook, measurementsOf, recentReadings, secchiOf, surfaceSeen, type Outlook, type TempReading } from '@burrow/core/outlook';
import { situationAt, type Situation, type SituationSetting } from '@burrow/core/situation';
import { thinnest } from '@burrow/core/safety';
import { levelAt } from '@burrow/core/water';
import { withSeen, type Place } from '@burrow/core/weather';
import { BadInput } from './bad-input';
import { instantOption, readFormat, readText, wordOption } from './options';

/** Where a temperature that is given without a depth was read, m. Convention. */
const surfaceM = 0.3;

const text = { type: 'string' } as const;
/** Options that say which water, fish, way and moment a command is about, and what is known of them. */
export const knownWaterOptions = { water: text, weather: text, at: text, species: text, method: text, log: text } as const;

export interface KnownWater {
  file: WaterFile;
  isMoving: boolean;
  /** With the depths of that moment; null where nothing is sounded. */
  map: DepthMap | null;
  area: SurveyedArea | null;
  /** Over that of the soundings, m: as given, else as logged. */
  levelM: number;
  /** Stays of the log on it up to that moment. */
  stays: HoleStay[];
  situation: Situation;
}

/** A water and its situation by the options. `levelM` and `tempC` are what was read there and then, and go before the log. */
export function knownWater(
  values: Partial<Record<keyof typeof knownWaterOptions, string>>,
  read: { levelM?: number; tempC?: number; goal?: SituationSetting['goal'] } = {},
): KnownWater {
  const file = readFormat(values.water, parseWaterFile, readText(values.water, 'a water in GeoJSON (--water)'));
  const nowMs = instantOption(values, 'at');
  const speciesIds = speciesTable.map((s) => s.id);
  const species = wordOption('species', values.species, speciesIds);
  const method = wordOption('method', values.method, methodIds());
  const { state, waterId } = logOf(values.log, file, nowMs);
  const readHere: TempReading[] = read.tempC === undefined ? [] : [{ atMs: nowMs, depthM: surfaceM, tempC: read.tempC }];
  const readings = [...recentReadings(state, waterId, nowMs), ...readHere];
  const [lon, lat] = middleOfWater(file);
  const place: Place = { lon, lat, timeZone: file.water.timezone };
  const soundings = soundingsOf(file);
  const isMoving = isFlowing(file.water.kind);
  const levels = state.outings.flatMap((o) => (o.water === waterId ? o.levels : []));
  const levelM = read.levelM ?? levelAt(levels, nowMs);
  const area = soundings.length > 0 ? surveyedArea(shoreOf(file), soundings, islandsOf(file)) : null;
  const map = area && mapAtLevel(buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands }), levelM);
  const deepestM = map && map.deepest.depthM;
  const footM = (map && !isMoving ? dropFeet(map).at(0)?.depthM : null) ?? null;
  const outlook = outlookOf({
    values,
    file,
    state,
    waterId,
    readings,
    place,
    species,
    nowMs,
    isMoving,
    deepestM,
    footM,
    hypsography: map && !isMoving ? hypsographyOf(map) : null,
  });
  const isSecchiMeasured = file.water.assumed?.includes('secchi_m') !== true;
  const water = { id: waterId, place, isMoving, secchiM: file.water.secchi_m, isSecchiMeasured, deepestM, footM };
  const situation = situationAt({
    state,
    readings,
    nowMs,
    outlook,
    water,
    species,
    method,
    goal: read.goal ?? null,
    bait: null,
    ownBand: null,
    isOnIce: methodOf(method)!.isOnIce,
  });
  return { file, isMoving, map, area, levelM, stays: holeStays(state, waterId, nowMs), situation };
}

interface Weathered {
  values: { weather?: string };
  file: WaterFile;
  state: LedgerState;
  waterId: string;
  readings: readonly TempReading[];
  place: Place;
  species: string;
  nowMs: number;
  isMoving: boolean;
  deepestM: number | null;
  footM: number | null;
  hypsography: ReturnType<typeof hypsographyOf> | null;
}

/** What the weather makes of the water; null without weather. A season too short for the column is said on stderr, and the rest is answered without it. */
function outlookOf({ values, file, state, waterId, readings, place, species, nowMs, isMoving, deepestM, footM, hypsography }: Weathered): Outlook | null {
  if (values.weather === undefined) return null;
  const station = readFormat(values.weather, parseWeatherCsv, readText(values.weather, 'a weather CSV (--weather)'));
  if (station.length < 2) throw new BadInput(`${values.weather}: expected at least 2 rows of weather, found ${station.length}`);
  const series = withSeen(station, state.weather);
  let column: ColumnAnswer | null = null;
  try {
    const secchiM = secchiOf(state, waterId, nowMs, file.water.secchi_m);
    column = hypsography && answerColumn({ hypsography, secchiM, elevationM: file.water.elevation_m, place, series, measurements: measurementsOf(state, waterId), nowMs });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    process.stderr.write(`burrow: no temperatures by depth: ${error.message}\n`);
  }
  const ice = state.outings.filter((o) => o.water === waterId && o.ice.length > 0).at(-1)?.ice ?? [];
  const lastIce = thinnest(ice.map((i) => ({ clearM: i.clearM, whiteM: i.whiteM, atMs: i.ms })));
  return answerOutlook({
    speciesId: species,
    nowMs,
    place,
    series,
    isMoving,
    column,
    readings,
    ...(lastIce ? { lastIce } : {}),
    ...(deepestM === null ? {} : { deepestM }),
    footM,
    seen: surfaceSeen(state, waterId, nowMs),
  });
}

/** The log up to an instant, and the id that this water has in it: that of the only water there, or of the one of its name. */
function logOf(path: string | undefined, file: WaterFile, nowMs: number): { state: LedgerState; waterId: string } {
  if (path === undefined) return { state: foldLedger([]), waterId: 'water' };
  const events = readFormat(path, parseLedger, readText(path, 'a ledger in NDJSON (--log)')).filter((e) => instantOf(e.at) <= nowMs);
  const state = foldLedger(events);
  const waters = new Map(state.outings.map((o) => [o.water, o.waterName]));
  const named = [...waters].find(([, name]) => name.toLowerCase() === file.water.name.toLowerCase())?.[0];
  if (named === undefined && waters.size > 0)
    process.stderr.write(`burrow: ${path}: expected an outing on ${file.water.name} before --at, found ${[...waters.values()].join(', ')}: nothing of it is used\n`);
  return { state, waterId: named ?? 'water' };
}
