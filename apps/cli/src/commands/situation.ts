import { foldLedger } from '@burrow/contract';
import { isFlowing, islandsOf, middleOfWater, parseLedger, parseWaterFile, parseWeatherCsv, shoreOf, soundingsOf, type WaterFile } from '@burrow/contract/formats';
import { answerColumn, type ColumnAnswer } from '@burrow/core/column';
import { speciesTable } from '@burrow/core/fish';
import { buildDepthMap, hypsographyOf, levelAt, surveyedArea } from '@burrow/core/ground';
import { instantOf, type LedgerState } from '@burrow/core/ledger';
import { methodIds } from '@burrow/core/methods';
import { answerOutlook, measurementsOf, recentReadings, secchiOf, type Outlook } from '@burrow/core/outlook';
import { situationAt, type Situation } from '@burrow/core/situation';
import { thinnest } from '@burrow/core/safety';
import { withSeen, type Place } from '@burrow/core/weather';
import { BadInput } from '../bad-input';
import { instantOption, readArgs, readFormat, readText, round, wordOption } from '../options';

/** `burrow situation --water F --species id --method m --at ISO [--weather F.csv] [--log F.ndjson]`: what is known, each value with who says it. */
export function situation(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { water: text, weather: text, at: text, species: text, method: text, log: text });
  const file = readFormat(values.water, parseWaterFile, readText(values.water, 'a water in GeoJSON (--water)'));
  const nowMs = instantOption(values, 'at');
  const speciesIds = speciesTable.map((s) => s.id);
  const species = wordOption('species', values.species, speciesIds);
  const method = wordOption('method', values.method, methodIds());
  const { state, waterId } = logOf(values.log, file, nowMs);
  const [lon, lat] = middleOfWater(file);
  const place: Place = { lon, lat, timeZone: file.water.timezone };
  const soundings = soundingsOf(file);
  const isMoving = isFlowing(file.water.kind);
  const levelM = levelAt(
    state.outings.flatMap((o) => (o.water === waterId ? o.levels : [])),
    nowMs,
  );
  const area = soundings.length > 0 ? surveyedArea(shoreOf(file), soundings, islandsOf(file)) : null;
  const map = area && buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands });
  const deepestM = map && map.deepest.depthM + levelM;
  const outlook = outlookOf({ values, file, state, waterId, place, species, nowMs, isMoving, deepestM, hypsography: map && !isMoving ? hypsographyOf(map) : null });
  const known = situationAt({
    state,
    nowMs,
    outlook,
    water: { id: waterId, place, isMoving, secchiM: file.water.secchi_m, isSecchiMeasured: file.water.assumed?.includes('secchi_m') !== true, deepestM },
    species,
    method,
    goal: null,
    bait: null,
    ownBand: null,
  });
  process.stdout.write(`${JSON.stringify(situationLine(known))}\n`);
}

interface Weathered {
  values: { weather?: string };
  file: WaterFile;
  state: LedgerState;
  waterId: string;
  place: Place;
  species: string;
  nowMs: number;
  isMoving: boolean;
  deepestM: number | null;
  hypsography: ReturnType<typeof hypsographyOf> | null;
}

/** What the weather makes of the water; null without weather. A season too short for the column is said on stderr, and the rest is answered without it. */
function outlookOf({ values, file, state, waterId, place, species, nowMs, isMoving, deepestM, hypsography }: Weathered): Outlook | null {
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
    readings: recentReadings(state, waterId, nowMs),
    ...(lastIce ? { lastIce } : {}),
    ...(deepestM === null ? {} : { deepestM }),
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

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
const line = <T>(known: { value: T; by: string; atMs: number | null } | null, shown: (value: T) => unknown = (value) => value) =>
  known && { value: shown(known.value), by: known.by, at: iso(known.atMs) };
const figure = (value: number) => round(value);

/** A situation as it is printed. */
function situationLine(s: Situation): object {
  return {
    at: iso(s.nowMs),
    method: s.method,
    species: line(s.species),
    goal: line(s.goal),
    surface: line(s.surface),
    stage: line(s.stage),
    band: line(s.band, ({ fromM, toM }) => [round(fromM, 2), round(toM, 2)]),
    temperature: { ...line(s.temperature, figure), depthM: round(s.temperature.depthM, 2) },
    clarity: line(s.clarity, figure),
    cloud: line(s.cloud, figure),
    light: line(s.light),
    air: line(s.airC, figure),
    wind: line(s.wind),
    flow: line(s.flow, figure),
    level: line(s.level, figure),
    phase: line(s.phase),
    ice: line(s.ice, figure),
    onLine: line(s.onLine),
    answers: { today: line(s.answers.today), lately: line(s.answers.lately) },
  };
}
