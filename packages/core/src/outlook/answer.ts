import { feltAir, frostbiteTime, judgeIce, type FrostbiteTime, type IceFinding, type IceLoad, type IceMeasurement } from '../safety';
import { dayMs, hourMs, startOfDay } from '../units';
import {
  cloudTurn,
  findFronts,
  findPhases,
  lastingCloud,
  phaseAtInstant,
  sunDay,
  sunShare,
  weatherAt,
  type Front,
  type Phase,
  type PhaseName,
  type CloudTurn,
  type LastingCloud,
  type Place,
  type SunDay,
  type WeatherHour,
} from '../weather';
import { fishDepth, seasonStage, type Band, type FishDepth } from './band';
import type { ColumnAnswer } from '../column';
import { columnAsMeasured, type TempReading } from './reading';
import { startingViewpoints, type Viewpoints } from './viewpoints';
import { isDenied, surfaceOf, type Surface, type SurfaceNews } from './surface';
import type { RuleEvidence } from './log-evidence';
import { skinRisk, type SkinRisk } from './skin';
import { turnNow } from './turn';
import { feedingActivity, feedingWindows, isBeforeWarmth, type Activity, type FeedingSetting, type FeedingWindow } from './windows';

export interface OutlookInput {
  speciesId: string;
  nowMs: number;
  place: Place;
  series: readonly WeatherHour[];
  lastIce?: IceMeasurement;
  /** What was last seen over the water. */
  seen?: SurfaceNews['seen'];
  /** Who goes on the ice. */
  load?: IceLoad;
  /** Whether the water flows: it gets no walk over ice, whatever the cold. */
  isMoving?: boolean;
  /** Deepest of its map, m, for a water without a column. */
  deepestM?: number;
  /** Of the foot of its first drop, m; null or absent where there is none. */
  footM?: number | null;
  /** The water's column, where it could be computed, and what a thermometer read there of late, which goes before it. */
  column?: ColumnAnswer | null;
  readings?: readonly TempReading[];
  /** What the log says of the rules, and the sides taken where schools differ. */
  evidence?: ReadonlyMap<string, RuleEvidence>;
  viewpoints?: Viewpoints;
}

/** The worst of a stay: its strongest wind and heaviest fall. */
export interface Storm {
  atMs: number;
  windMs: number;
  precipMm: number;
}

/** From here on wind (m/s) or what falls in an hour (mm) is a danger on open ice or water. Source: fieldcraft; gale from 17 m/s. */
export const stormLimits = { windMs: 12, precipMm: 2.5 } as const;

/** Everything the Outlook shows, computed. */
export interface Outlook {
  span: { fromMs: number; toMs: number };
  fronts: Front[];
  phases: Phase[];
  phaseNow: Phase | undefined;
  nextFront: Front | undefined;
  activity: Activity[];
  windows: FeedingWindow[];
  /** The window to go for: the best of today's that are left, else of the next days. */
  choice: FeedingWindow | undefined;
  /** Whether the fish wait for the water to gain its degree: a blank until then is usual. */
  awaitsWarmth: boolean;
  sun: SunDay[];
  weatherNow: WeatherHour | undefined;
  /** Cloud that came or went of late; null where the glass alone is gone by. */
  cloudTurn: CloudTurn | null;
  /** Share of the sun of three clear days that the last three had, 0–1; null where it is not known. */
  sunned: number | null;
  /** Cloud to come that stays for a day; null where none is foretold. */
  cloudAhead: LastingCloud | null;
  /** Latest row of the series: when the station last spoke. */
  feelsLikeC: number | undefined;
  coldest: { atMs: number; feelsLikeC: number; frostbite: FrostbiteTime } | undefined;
  surface: Surface;
  /** The column as the thermometer has it; null without one. */
  column: ColumnAnswer | null;
  ice: IceFinding;
  /** Clear ice that the model has grown since the last measurement, m; null where it cannot say. Never a measurement. */
  grownM: number | null;
  /** Wind or snow before dark that is a danger in itself; null where none is forecast. */
  storm: Storm | null;
  /** Whether open still water will likely be skinned over; null where it will not. */
  skin: SkinRisk | null;
  /** Where to look for the fish in the column; null without one. */
  depth: FishDepth | null;
  /** Where to look for it in the weather of the window to go for. */
  choiceLook: Band | null;
  setting: FeedingSetting;
  /** Last row of the weather: no hour after it is judged. */
  knownToMs: number;
}

/** Days of weather shown behind and ahead of now. */
export const outlookSpan = { behindMs: 2 * dayMs, aheadMs: 3 * dayMs } as const;

/** Answers "Should I go, and when?" for one water and one species. Throws RangeError for an unknown species or a series of fewer than two rows. */
export function answerOutlook(input: OutlookInput): Outlook {
  const { nowMs, place, series } = input;
  const fronts = findFronts(series, place.lat);
  const phases = findPhases(series, fronts, nowMs);
  const span = { fromMs: nowMs - outlookSpan.behindMs, toMs: nowMs + outlookSpan.aheadMs };
  const hour = Math.floor(nowMs / hourMs) * hourMs;
  const last = series[series.length - 1].atMs;
  const modelled = input.column ? columnAsMeasured(input.column, input.readings ?? [], nowMs) : null;
  const surface = surfaceOf(input.isMoving ?? false, modelled, { iceMs: input.lastIce?.atMs, seen: input.seen, readings: input.readings }, nowMs);
  // A model that has ice where somebody stands at open water or read it warm, or none where he stands on it, tells nothing of this water.
  const column = modelled && isDenied(modelled, surface, input.seen) ? null : modelled;
  const turn = surface === 'ice' || surface === 'skin' ? null : turnNow(input.readings ?? [], nowMs, column?.ahead ?? []);
  const setting: FeedingSetting = {
    viewpoints: input.viewpoints ?? startingViewpoints,
    evidence: input.evidence ?? new Map(),
    isOpen: surface === 'open' || surface === 'moving',
    deepestM: column?.deepestM ?? input.deepestM ?? 10,
  };
  const activity = feedingActivity(input.speciesId, { fromMs: hour, toMs: Math.min(span.toMs, last) }, phases, series, place, setting);
  const windows = feedingWindows(input.speciesId, activity, setting).filter((w) => w.toMs > nowMs);
  const today = sunDay(nowMs, place);
  const choice = chooseWindow(windows, nowMs);
  const stage = column && seasonStage(column, (today.sunsetMs - today.sunriseMs) / hourMs);
  const bed = { deepestM: column?.deepestM ?? 0, footM: input.footM ?? null };
  const depthIn = (phase: PhaseName | undefined) => (column && stage ? fishDepth(input.speciesId, column.now, bed, stage, phase, turn) : null);
  const weatherNow = weatherAt(series, nowMs);
  const sun: SunDay[] = [];
  for (let day = startOfDay(span.fromMs, place.timeZone) + dayMs / 2; day < span.toMs + dayMs / 2; day += dayMs) sun.push(sunDay(day, place));
  return {
    span,
    fronts: fronts.filter((f) => f.atMs >= span.fromMs && f.atMs <= span.toMs),
    phases: phases.filter((p) => p.toMs > span.fromMs && p.fromMs < span.toMs),
    phaseNow: phaseAtInstant(phases, nowMs),
    nextFront: fronts.find((f) => f.atMs > nowMs),
    activity,
    windows,
    choice,
    awaitsWarmth: isBeforeWarmth(nowMs, phaseAtInstant(phases, nowMs)?.name ?? 'steady', place, setting),
    sun,
    weatherNow,
    cloudTurn: setting.viewpoints['pressure-or-light'] === 'glass' ? null : cloudTurn(series, nowMs),
    sunned: sunShare(series, place, nowMs),
    cloudAhead: lastingCloud(series, nowMs),
    feelsLikeC: (weatherNow && feltAir(weatherNow)) ?? undefined,
    coldest: coldestOf(series, nowMs, today.duskMs),
    surface,
    column,
    ice: judgeIce(input.lastIce, input.load ?? 'foot', nowMs, thawHours(series, input.lastIce?.atMs ?? nowMs, nowMs)),
    grownM: grownSince(column, input.lastIce),
    storm: stormBefore(series, nowMs, today.duskMs > nowMs ? today.duskMs : nowMs + 12 * hourMs),
    skin: skinRisk(surface, column, input.readings ?? [], series, nowMs),
    depth: depthIn(phaseAtInstant(phases, nowMs)?.name),
    choiceLook: (choice && depthIn(choice.phase)?.look) ?? null,
    setting,
    knownToMs: last,
  };
}

/** The worst hour up to an instant, when it passes the limits. */
function stormBefore(series: readonly WeatherHour[], fromMs: number, toMs: number): Storm | null {
  const size = (r: WeatherHour) => Math.max((r.windMs ?? 0) / stormLimits.windMs, (r.precipMm ?? 0) / stormLimits.precipMm);
  const hours = series.filter((r) => r.atMs >= fromMs && r.atMs <= toMs);
  const worst = hours.reduce<WeatherHour | null>((a, b) => (!a || size(b) > size(a) ? b : a), null);
  return worst && size(worst) >= 1 ? { atMs: worst.atMs, windMs: worst.windMs ?? 0, precipMm: worst.precipMm ?? 0 } : null;
}

/** Longest thaw without a break between a measurement and now, h. */
function thawHours(series: readonly WeatherHour[], fromMs: number, nowMs: number): number {
  let longest = 0;
  let run = 0;
  for (const { atMs, airC } of series) {
    if (atMs < fromMs || atMs > nowMs || airC === null) continue;
    run = airC > 0 ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}

/** What the column has grown beyond the last measurement. */
const grownSince = (column: ColumnAnswer | null, last: IceMeasurement | undefined) =>
  column && last ? column.now.iceClearM + column.now.iceWhiteM - last.clearM - last.whiteM : null;

/** Windows this close to the best are as good: the first of them is the one to go for. */
const asGood = 0.9;

/** A window of the next day and a half counts fully, later ones must be a good deal better; of those as good as the best the first is taken. */
function chooseWindow(windows: readonly FeedingWindow[], nowMs: number): FeedingWindow | undefined {
  const worth = (w: FeedingWindow) => w.value * (w.fromMs - nowMs < 16 * hourMs ? 1 : 0.8) * (w.fromMs - nowMs < 36 * hourMs ? 1 : 0.85);
  const best = Math.max(...windows.map(worth));
  return windows.find((w) => worth(w) >= asGood * best);
}

function coldestOf(series: readonly WeatherHour[], fromMs: number, toMs: number) {
  let coldest: { atMs: number; feelsLikeC: number; frostbite: FrostbiteTime } | undefined;
  for (const row of series) {
    const feelsLikeC = row.atMs >= fromMs - hourMs && row.atMs <= Math.max(toMs, fromMs) ? feltAir(row) : null;
    if (feelsLikeC === null || (coldest && feelsLikeC >= coldest.feelsLikeC)) continue;
    coldest = { atMs: row.atMs, feelsLikeC, frostbite: frostbiteTime(row.airC!, row.windMs! * 3.6) };
  }
  return coldest;
}
