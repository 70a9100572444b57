import { methodOf, usualMethod } from '@burrow/core/methods';
import { answerOutlook, recentReadings, surfaceSeen, withoutWeather, type Outlook, type OutlookInput, type TempReading } from '@burrow/core/outlook';
import { situationAt, type Situation } from '@burrow/core/situation';
import { inOwnUnits, minuteMs } from '@burrow/core/units';
import { withSeen, type Place } from '@burrow/core/weather';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { createContext, use, useMemo, type ReactNode } from 'react';
import { useColumn } from './column';
import { useNow } from './clock';
import { useGround } from './ground';
import { useOnTheLine, usePreferences } from './preferences';
import { useLedger } from './session';
import { useAfterFirstPaint } from './after-first-paint';
import { isNone, useLastIce, useOuting, useWater, useWeather, useWinter, WaterContext } from './water';
import { useSpecies } from './species';

/** The outlook is made anew so often, ms. */
const outlookEveryMs = 5 * minuteMs;

type OutlookData = ReturnType<typeof useOutlookData>;
const OutlookContext = createContext<OutlookData | null>(null);

/** Works out the outlook and the situation of the water in use once, for all screens within. */
export function OutlookProvider({ children }: { children: ReactNode }) {
  return <OutlookContext value={useOutlookData()}>{children}</OutlookContext>;
}

/** The screens of an outing are about its own water, whatever was chosen since. */
export function AtOutingWater({ children }: { children: ReactNode }) {
  const { water } = useWater();
  const outing = useOuting();
  if (!outing || outing.water === water?.id) return children;
  return (
    <WaterContext value={outing.water}>
      <OutlookProvider>{children}</OutlookProvider>
    </WaterContext>
  );
}

/** Everything that the Outlook shows: weather, column, log and plan put together. Null parts are still on their way or cannot be had. */
export function useOutlook(): OutlookData {
  const data = use(OutlookContext);
  if (data === null) throw new Error('useOutlook: expected an OutlookProvider around the screen, found none');
  return data;
}

/** What is known here and now, the same for every screen of a water that has been read. */
export function useSituation(): Situation {
  const { situation } = useOutlook();
  if (situation === null) throw new Error('useSituation: expected a water that has been read, found none yet');
  return situation;
}

/** What the outlook of a water is made from, as far as it has come. */
function useWaterNow() {
  const { water, waters, detail } = useWater();
  const weather = useWeather(water?.id);
  const lastIce = useLastIce(water?.id);
  const { state } = useLedger();
  const { units } = usePreferences();
  const tickMs = useNow(minuteMs);
  // What was logged since the minute began counts at once: a thermometer that was just read is not of the future.
  const loggedMs = state.outings.at(-1)?.entries.at(-1)?.ms ?? 0;
  const nowMs = loggedMs > tickMs && loggedMs - tickMs < 2 * minuteMs ? loggedMs : tickMs;
  const file = detail.data?.value.file;
  const place = useMemo<Place | undefined>(() => (water && file ? { lon: water.lon, lat: water.lat, timeZone: file.water.timezone } : undefined), [water, file]);
  const station = weather.data?.value.series;
  // Nothing is simulated for a water of one's own: without a station there is no weather, and that is said.
  // None was ever brought, or a service is down and nothing is kept from before: all that needs no weather goes on.
  const noWeather = isNone(weather.error) || (weather.isError && !weather.data);
  // The first answer by weather and light comes before the workers that make it better.
  const settled = useAfterFirstPaint((station !== undefined || noWeather) && place !== undefined);
  const settledWater = settled ? detail.data?.value : undefined;
  const ground = useGround(settledWater, state.outings, units);
  // A river is mixed by its current: what is modelled is a standing water.
  const isMixed = file !== undefined && isFlowing(file.water.kind);
  const series = useMemo(() => station && withSeen(station, state.weather), [station, state.weather]);
  return { water, waters, detail, weather, lastIce, state, nowMs, file, place, noWeather, settledWater, ground, isMixed, series };
}

type WaterNow = ReturnType<typeof useWaterNow>;

/** Thermometer readings of late; every tap changes the log, few of them a thermometer, and only those change the list. */
function useReadings({ state, water, nowMs }: WaterNow): readonly TempReading[] {
  const readAs = water ? JSON.stringify(recentReadings(state, water.id, nowMs)) : '[]';
  return useMemo(() => JSON.parse(readAs) as TempReading[], [readAs]);
}

function useOutlookInput(now: WaterNow, column: ReturnType<typeof useColumn>, species: string): OutlookInput | null {
  const { load, viewpoints } = usePreferences();
  const { water, place, series, lastIce, isMixed, ground, nowMs, state } = now;
  const evidence = useMemo(() => new Map((column.data?.evidence ?? []).map((e) => [e.ruleId, e])), [column.data]);
  const deepestM = ground.data?.map.deepest.depthM;
  const footM = ground.data?.feet.at(0)?.depthM ?? null;
  const readings = useReadings(now);
  const seenAs = water ? JSON.stringify(surfaceSeen(state, water.id, nowMs)) : 'null';
  const seen = useMemo(() => JSON.parse(seenAs) as ReturnType<typeof surfaceSeen>, [seenAs]);
  // All screens carry the outlook along: made anew every minute it would cost a slow phone a stutter each time.
  const outlookMs = Math.floor(nowMs / outlookEveryMs) * outlookEveryMs;
  const modelled = column.data?.column ?? null;
  return useMemo<OutlookInput | null>(() => {
    if (!water || !place || !series || series.length < 2) return null;
    return { speciesId: species, nowMs: outlookMs, place, series, lastIce, load, column: modelled, readings, evidence, viewpoints, isMoving: isMixed, deepestM, footM, seen };
  }, [water, place, series, species, outlookMs, lastIce, load, modelled, readings, evidence, viewpoints, isMixed, deepestM, footM, seen]);
}

/** What is known here and now; null until the water has been read. */
function useSituationNow({ water, file, place, state, nowMs, isMixed, ground }: WaterNow, outlook: Outlook | null, species: string): Situation | null {
  const { goal, castBand } = usePreferences();
  const way = useOuting()?.method;
  const bait = useOnTheLine(way ?? usualMethod.id)?.name ?? null;
  const isOnIce = way !== undefined && (methodOf(way)?.isOnIce ?? false);
  const deepestM = ground.data?.map.deepest.depthM ?? null;
  const footM = ground.data?.feet.at(0)?.depthM ?? null;
  return useMemo(() => {
    if (!water || !file || !place) return null;
    const isSecchiMeasured = file.water.assumed?.includes('secchi_m') !== true;
    const here = { id: water.id, place, isMoving: isMixed, secchiM: file.water.secchi_m, isSecchiMeasured, deepestM, footM };
    return situationAt({ state, nowMs, outlook, water: here, species, method: null, goal, bait, isOnIce, ownBand: castBand?.water === water.id ? castBand : null });
  }, [water, file, place, state, nowMs, outlook, isMixed, deepestM, footM, species, goal, bait, isOnIce, castBand]);
}

function useOutlookData() {
  const now = useWaterNow();
  const { load, units } = usePreferences();
  const { water, waters, detail, weather, file, place, noWeather, settledWater, ground, isMixed, nowMs, lastIce } = now;
  const { species, offered } = useSpecies(file, water?.id);
  const standing = isMixed ? undefined : settledWater;
  const column = useColumn(standing, ground.data?.hypsography, place, species, nowMs);
  const winter = useWinter(standing?.id);
  const input = useOutlookInput(now, column, species);
  const outlook = useMemo(() => input && answerOutlook(input), [input]);
  const situation = useSituationNow(now, outlook, species);
  const failed = column.isError ? (column.error as Error).message : null;
  const why = column.data?.why ?? failed;
  return {
    waters,
    water,
    detail,
    weather,
    input,
    outlook,
    zone: file?.water.timezone ?? 'UTC',
    offered,
    situation,
    /** What can be said without any weather; null where there is some, or it is not known yet. */
    without: noWeather && place ? withoutWeather({ place, nowMs, isMoving: isMixed, lastIce, load }, units) : null,
    /** The water by depth as the thermometer has corrected it, whether it is still on its way, and why there is none. */
    column: {
      answer: outlook?.column ?? null,
      isPending: !isMixed && !noWeather && (settledWater === undefined || (column.isPending && !ground.isError)),
      why: isMixed ? 'Moving water is mixed: it has the temperature that you measure, from top to bottom' : why && inOwnUnits(why, units),
    },
    winter: winter.data?.value ?? null,
    evidence: column.data?.evidence ?? [],
    nowMs,
  };
}
