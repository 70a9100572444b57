import type { LedgerState, OutingState } from '../ledger';
import {
  fishDepth,
  readingLimits,
  readingReach,
  readingWeight,
  recentReadings,
  seasonStage,
  type Band,
  type Outlook,
  type SeasonStage,
  type Surface,
  turnNow,
  type TempReading,
  type WaterTurn,
} from '../outlook';
import { clamp, compassPoint, dayMs, hourMs } from '../units';
import { flowOfTimedFloat, valueAt, type DepthProfile } from '../water';
import { sunDay, sunHeightDeg, type PhaseName, type Place } from '../weather';
import { visitsOf } from '../visits';
import { answersOf, type BaitAnswers } from './answers';
import { assumed, lastOf, type Known } from './known';
import { iceNow, surfaceNow, type WaterSetting } from './surface';
import { usualProfile, usualStage, usualWaterC } from './usual';

/** What a situation is made of. */
export interface SituationSetting {
  state: LedgerState;
  /** Thermometer readings of the last two days here, earliest first; those of the log where left out. */
  readings?: readonly TempReading[];
  nowMs: number;
  /** Weather, column and what follows from them; null without weather. Its `column` is that which the thermometer has corrected. */
  outlook: Outlook | null;
  water: {
    id: string;
    place: Place;
    isMoving: boolean;
    /** Secchi depth of its file, m, and whether somebody measured it. */
    secchiM: number;
    isSecchiMeasured: boolean;
    /** Of today; null where no depth is known. */
    deepestM: number | null;
    /** Of the foot of its first drop, m; null or absent where there is none, or nobody sounded it. */
    footM?: number | null;
  };
  /** As chosen: the fish, the way, the goal and the bait; what an outing under way says of them goes before. Null where nobody chose. */
  species: string;
  method: string | null;
  goal: OutingState['goal'] | null;
  bait: string | null;
  /** Whether one fishes on ice: then there is some, where nothing else tells what the water lies under. */
  isOnIce?: boolean;
  /** Depths that the angler fishes whatever is known, m. */
  ownBand: Band | null;
}

/** What is known here and now. Null where nothing tells a value and nothing can be taken for it. */
export interface Situation {
  nowMs: number;
  method: string | null;
  species: Known<string>;
  goal: Known<OutingState['goal']>;
  surface: Known<Surface>;
  stage: Known<SeasonStage>;
  band: Known<Band> | null;
  /** Of the water in the middle of the band, else a metre down, °C. */
  temperature: Known<number> & { depthM: number };
  /** Secchi depth, m. */
  clarity: Known<number>;
  /** Share of the sun of three clear days that the last three had. */
  sunned: Known<number> | null;
  /** Share of the sky under cloud. */
  cloud: Known<number> | null;
  light: Known<'day' | 'twilight' | 'dark'>;
  /** Whether the fish wait for the water to gain its degree; false where no weather tells. */
  awaitsWarmth: boolean;
  airC: Known<number> | null;
  /** What falls in this hour, mm of water. */
  fallMm: Known<number> | null;
  wind: Known<{ speedMs: number; fromDeg: number | null; quarter: string | null }> | null;
  /** Mean over the depth, m/s, to the right of one who faces the water positive. */
  flow: Known<number> | null;
  /** Of the water over that of its soundings, m. */
  level: Known<number>;
  phase: Known<PhaseName> | null;
  /** A rise or fall of the last two days that a thermometer read; null where there was none, or nobody read it. */
  turn: Known<WaterTurn> | null;
  /** Clear and white ice, m. */
  ice: Known<number> | null;
  /** What hangs on the line. */
  onLine: Known<string> | null;
  /** What fish answered on the outing under way, and here in the weeks before. */
  answers: { today: Known<BaitAnswers[]>; lately: Known<BaitAnswers[]> };
  /** Temperature by depth, and the readings that rule it. */
  column: { profile: DepthProfile; readings: readonly TempReading[]; base: Known<null> };
}

/** Answers of other outings count as of late for so long. Convention. */
const latelyMs = 21 * dayMs;
/** The sun's height from which it is day, and to which it is dark, degrees. Civil twilight. */
const [dayDeg, darkDeg] = [0, -6] as const;

/**
 * What is known here and now, made once and asked by every adviser. What was measured here in the last half day goes before what was logged, that before the
 * model as the thermometer has corrected it, and that before the usual figure of the date and latitude.
 */
export function situationAt(setting: SituationSetting): Situation {
  const { state, nowMs, outlook, water } = setting;
  const outing = state.outings.findLast((o) => o.endedMs === null && o.water === water.id);
  const speciesId = outing?.species[0] ?? setting.species;
  const here = state.outings.filter((o) => o.water === water.id);
  const ice = iceNow(here, outlook, nowMs);
  const surface = surfaceNow(setting, ice);
  const column = waterNow(setting, surface.value);
  const stage = stageNow(setting, column.profile, surface.value);
  const phase: Known<PhaseName> | null = outlook?.phaseNow ? { value: outlook.phaseNow.name, by: 'foretold', atMs: outlook.phaseNow.fromMs } : null;
  const turned = turnNow(column.readings, nowMs, outlook?.column?.ahead ?? []);
  const turn: Known<WaterTurn> | null = turned && { value: turned, by: 'measured', atMs: column.readings.at(-1)?.atMs ?? nowMs };
  const band = bandNow(setting, speciesId, column, stage, phase?.value, surface.value === 'ice' || surface.value === 'skin' ? null : (turn?.value ?? null));
  const middleM = band ? (band.value.fromM + band.value.toM) / 2 : 1;
  const partial = { nowMs, column };
  const row = outlook?.weatherNow;
  const said = <T>(value: T | null | undefined): Known<T> | null => (value === null || value === undefined || !row ? null : { value, ...spokenBy(state, row.atMs) });
  const wind = windNow(state, nowMs, said(row?.windMs), row?.windFromDeg ?? null);
  return {
    nowMs,
    method: outing?.method ?? setting.method,
    species: outing ? { value: speciesId, by: 'logged', atMs: outing.startedMs } : { value: speciesId, by: 'logged', atMs: null },
    goal: setting.goal === null ? assumed('numbers') : { value: setting.goal, by: 'logged', atMs: null },
    surface,
    stage,
    band,
    temperature: { ...temperatureAt(partial, middleM), depthM: middleM },
    clarity: clarityNow(here, setting),
    sunned: said(outlook?.sunned),
    cloud: said(row?.cloud),
    light: { value: lightAt(nowMs, water.place), by: 'modelled', atMs: nowMs },
    awaitsWarmth: outlook?.awaitsWarmth ?? false,
    airC: said(row?.airC),
    fallMm: said(row?.precipMm),
    wind,
    flow: flowNow(outing, water.isMoving),
    level:
      lastOf(
        here.flatMap((o) => o.levels),
        nowMs,
        (l) => l.levelM,
        'measured',
      ) ?? assumed(0),
    phase,
    turn,
    ice,
    onLine: onLineNow(outing, setting.bait),
    answers: answersNow(here, outing, nowMs),
    column,
  };
}

/** A wind that was seen stands for so long, whatever was foretold for the hour. Convention. */
const seenWindMs = 2 * hourMs;

/** The wind: as it was seen of late, also where no weather is known, else of the hour. */
function windNow({ weather }: LedgerState, nowMs: number, ofHour: Known<number> | null, hourFromDeg: number | null): Situation['wind'] {
  const seen = weather.findLast((w) => w.windMs !== undefined && w.ms <= nowMs && nowMs - w.ms <= seenWindMs);
  const wind: Known<number> | null = seen ? { value: seen.windMs!, by: 'logged', atMs: seen.ms } : ofHour;
  const fromDeg = seen?.windFromDeg ?? hourFromDeg;
  return wind && { ...wind, value: { speedMs: wind.value, fromDeg, quarter: fromDeg === null ? null : compassPoint(fromDeg) } };
}

/** Temperature of the water at a depth, °C, with who says it: a thermometer of the last half day whose layer that is, else what fills the gaps between. */
export function temperatureAt({ nowMs, column }: Pick<Situation, 'nowMs' | 'column'>, depthM: number): Known<number> {
  const { profile, readings, base } = column;
  const value = valueAt(profile, 'tempC', depthM);
  const k = profile.depthM.reduce((best, z, i) => (Math.abs(z - depthM) < Math.abs(profile.depthM[best] - depthM) ? i : best), 0);
  const rules = (r: TempReading) => readingWeight(r.atMs, nowMs) === 1 && readingReach(profile, r.depthM)[k] > 0.6;
  // What a thermometer said is told for where it was read; further off in its layer the column stands, as it has corrected it.
  const read = readings.findLast((r) => rules(r) && (Math.abs(r.depthM - depthM) <= nearM || Math.abs(r.tempC - value) <= alikeC));
  return read ? { value: read.tempC, by: 'measured', atMs: read.atMs } : { ...base, value };
}

/** A reading stands for the water this near to it, m, or as warm as it to so much, °C. Convention. */
const [nearM, alikeC] = [1.5, 0.3] as const;

type WaterColumn = Situation['column'];

/** The temperature of a water alone, for `temperatureAt`. */
export function waterAt(setting: WaterSetting): Pick<Situation, 'nowMs' | 'column'> {
  const { state, water, outlook, nowMs } = setting;
  const ice = iceNow(
    state.outings.filter((o) => o.water === water.id),
    outlook,
    nowMs,
  );
  return { nowMs, column: waterNow(setting, surfaceNow(setting, ice).value) };
}

function waterNow(setting: WaterSetting, surface: Surface): WaterColumn {
  const { state, outlook, water, nowMs } = setting;
  const readings = setting.readings ?? recentReadings(state, water.id, nowMs);
  if (outlook?.column && !water.isMoving) return { profile: outlook.column.now, readings, base: { value: null, by: 'modelled', atMs: outlook.column.now.atMs } };
  const usualC = surface === 'ice' ? 0 : usualWaterC(nowMs, water.place.lat);
  const profile = usualProfile(usualC, water.deepestM ?? usualDepthM, water.isMoving);
  const last = readings.at(-1);
  if (!last) return { profile, readings, base: assumed(null) };
  // Without a model a reading near the surface stands for the whole of a mixed water, and for less with the hours.
  const isMixed = surface !== 'ice' && last.depthM <= readingLimits.leastLayerM;
  const weight = readingWeight(last.atMs, nowMs);
  const known: Omit<WaterColumn, 'profile'> = { readings, base: { value: null, by: 'assumed', atMs: last.atMs } };
  if (isMixed) {
    const surfaceC = clamp(usualC + weight * (last.tempC - usualC), readingLimits.leastC, readingLimits.mostC);
    return { ...known, profile: usualProfile(surfaceC, water.deepestM ?? usualDepthM, water.isMoving) };
  }
  const offC = weight * (last.tempC - valueAt(profile, 'tempC', last.depthM));
  const reach = readingReach(profile, last.depthM);
  const tempC = profile.tempC.map((t, k) => clamp(t + reach[k] * offC, readingLimits.leastC, readingLimits.mostC));
  return { ...known, profile: { ...profile, tempC } };
}

/** A water of which no depth is known is taken to be so deep, m. Convention. */
const usualDepthM = 10;

function stageNow({ outlook, water, nowMs }: SituationSetting, profile: DepthProfile, surface: Surface): Known<SeasonStage> {
  if (outlook?.depth) return { value: outlook.depth.stage, by: 'modelled', atMs: nowMs };
  const column = outlook?.column;
  const { sunriseMs, sunsetMs } = sunDay(nowMs, water.place);
  if (column) return { value: seasonStage(column, (sunsetMs - sunriseMs) / hourMs), by: 'modelled', atMs: nowMs };
  return { value: usualStage(profile.tempC[0], surface, nowMs, water.place), by: 'assumed', atMs: null };
}

function bandNow(
  { outlook, water, ownBand, nowMs }: SituationSetting,
  speciesId: string,
  column: WaterColumn,
  stage: Known<SeasonStage>,
  phase: PhaseName | undefined,
  turn: WaterTurn | null,
): Known<Band> | null {
  if (ownBand) return { value: ownBand, by: 'logged', atMs: null };
  const deepestM = water.deepestM ?? outlook?.column?.deepestM ?? null;
  if (deepestM === null) return null;
  if (water.isMoving) return assumed(wholeBed(deepestM));
  const profile = { ...emptyIce, ...column.profile, atMs: nowMs };
  const bed = { deepestM: outlook?.column?.deepestM ?? deepestM, footM: water.footM ?? null };
  const { look, risenC } = fishDepth(speciesId, profile, bed, stage.value, phase, turn);
  if (look && risenC !== null) return { value: look, by: 'measured', atMs: turn!.sinceMs };
  return look && { value: look, by: stage.by, atMs: stage.atMs };
}

/** In a current fish hold to lies, at any depth that covers them: the whole bed is looked over. */
export const wholeBed = (deepestM: number): Band => ({ fromM: Math.min(coversM, deepestM / 2), toM: deepestM });

/** Least water that covers a fish in a lie, m. Heuristic. */
const coversM = 0.4;

const emptyIce = { iceClearM: 0, iceWhiteM: 0, snowM: 0, slushM: 0, thawDegreeH: 0, hoursAbove: 0 };

function clarityNow(here: readonly OutingState[], { water, nowMs }: SituationSetting): Known<number> {
  const measured = lastOf(
    here.flatMap((o) => o.clarity),
    nowMs,
    (c) => c.secchiM,
    'measured',
  );
  return measured ?? { value: water.secchiM, by: water.isSecchiMeasured ? 'measured' : 'assumed', atMs: null };
}

function flowNow(outing: OutingState | undefined, isMoving: boolean): Known<number> | null {
  const timed = outing?.flows.at(-1);
  if (timed) return { value: clamp(flowOfTimedFloat(timed.alongM, timed.seconds), -3, 3), by: 'measured', atMs: timed.ms };
  return isMoving ? null : assumed(0);
}

function onLineNow(outing: OutingState | undefined, chosen: string | null): Known<string> | null {
  const line = outing?.lines.findLast((l) => l.upMs === null && l.presentation !== null);
  if (line) return { value: line.presentation!, by: 'logged', atMs: line.downMs };
  return chosen === null ? null : { value: chosen, by: 'logged', atMs: null };
}

function answersNow(here: readonly OutingState[], outing: OutingState | undefined, nowMs: number): Situation['answers'] {
  const of = (outings: readonly OutingState[]): Known<BaitAnswers[]> => {
    const visits = outings.flatMap((o) => visitsOf(o, nowMs));
    const last = visits.flatMap((v) => v.takes.map((t) => t.ms)).reduce<number | null>((a, b) => (a === null || b > a ? b : a), null);
    return { value: answersOf(visits), by: 'logged', atMs: last };
  };
  return { today: of(outing ? [outing] : []), lately: of(here.filter((o) => o !== outing && o.startedMs <= nowMs && nowMs - (o.endedMs ?? o.startedMs) <= latelyMs)) };
}

/** Who says an hour of weather: the angler, where one read the sky within the hour, else the service, which foretells it. */
function spokenBy(state: LedgerState, rowMs: number): { by: 'logged' | 'foretold'; atMs: number } {
  const seen = state.weather.findLast((w) => Math.abs(w.ms - rowMs) <= hourMs / 2);
  return seen ? { by: 'logged', atMs: seen.ms } : { by: 'foretold', atMs: rowMs };
}

function lightAt(nowMs: number, place: Place): 'day' | 'twilight' | 'dark' {
  const height = sunHeightDeg(nowMs, place);
  return height > dayDeg ? 'day' : height > darkDeg ? 'twilight' : 'dark';
}
