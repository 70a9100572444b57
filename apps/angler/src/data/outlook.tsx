import {
  alertsFor,
  answerOutlook,
  dayPlan,
  outlookWords,
  recentReadings,
  startingPlan,
  withoutWeather,
  type OutlookInput,
  type PlanItem,
  type TempReading,
} from '@burrow/core/outlook';
import { situationAt, type Situation } from '@burrow/core/situation';
import { dayText, inOwnUnits, minuteMs } from '@burrow/core/units';
import { withSeen, type Place } from '@burrow/core/weather';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { methodsOn, stepsOn, usualMethod, type Hazard } from '@burrow/core/methods';
import { createContext, use, useMemo, type ReactNode } from 'react';
import { useColumn } from './column';
import { useNow } from './clock';
import { useGround } from './ground';
import { change, useOnTheLine, usePreferences } from './preferences';
import { useLedger } from './session';
import { useAfterFirstPaint } from './after-first-paint';
import { isNone, useLastIce, useOuting, useWater, useWeather, useWinter, WaterContext } from './water';
import { useSpecies } from './species';

/** Stands before the cautions of open water: the model may be wrong. */
const modelledOpen: Hazard = { id: 'modelled-open', headline: 'Open water, as modelled', text: 'If there is ice here, it is new and not to be trusted.' };

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

function useOutlookData() {
  const { water, waters, detail } = useWater();
  const weather = useWeather(water?.id);
  const lastIce = useLastIce(water?.id);
  const { state } = useLedger();
  const { units, load, craft, viewpoints, goal, castBand, plan: kept } = usePreferences();
  const bait = useOnTheLine()?.name ?? null;
  const tickMs = useNow(minuteMs);
  // What was logged since the minute began counts at once: a thermometer that was just read is not of the future.
  const loggedMs = state.outings.at(-1)?.entries.at(-1)?.ms ?? 0;
  const nowMs = loggedMs > tickMs && loggedMs - tickMs < 2 * minuteMs ? loggedMs : tickMs;
  const file = detail.data?.value.file;
  const { species, offered } = useSpecies(file, water?.id);
  const place = useMemo<Place | undefined>(() => (water && file ? { lon: water.lon, lat: water.lat, timeZone: file.water.timezone } : undefined), [water, file]);
  const station = weather.data?.value.series;
  // Nothing is simulated for a water of one's own: without a station there is no weather, and that is said.
  const noWeather = isNone(weather.error);
  // The first answer by weather and light comes before the workers that make it better.
  const settled = useAfterFirstPaint((station !== undefined || noWeather) && place !== undefined);
  const settledWater = settled ? detail.data?.value : undefined;
  const ground = useGround(settledWater, state.outings, units);
  // A river is mixed by its current: what is modelled is a standing water.
  const isMixed = file !== undefined && isFlowing(file.water.kind);
  const standing = isMixed ? undefined : settledWater;
  const column = useColumn(standing, ground.data?.hypsography, place, species, nowMs);
  const winter = useWinter(standing?.id);
  const series = useMemo(() => station && withSeen(station, state.weather), [station, state.weather]);
  const evidence = useMemo(() => new Map((column.data?.evidence ?? []).map((e) => [e.ruleId, e])), [column.data]);
  const deepestM = ground.data?.map.deepest.depthM;
  // Every tap changes the log, few of them a thermometer: the outlook is made anew only where one was read.
  const readAs = water ? JSON.stringify(recentReadings(state, water.id, nowMs)) : '[]';
  const readings = useMemo(() => JSON.parse(readAs) as TempReading[], [readAs]);
  // All screens carry the outlook along: made anew every minute it would cost a slow phone a stutter each time.
  const outlookMs = Math.floor(nowMs / outlookEveryMs) * outlookEveryMs;
  const input = useMemo<OutlookInput | null>(
    () =>
      water && place && series && series.length > 1
        ? {
            speciesId: species,
            nowMs: outlookMs,
            place,
            series,
            lastIce,
            load,
            column: column.data?.column ?? null,
            readings,
            evidence,
            viewpoints,
            isMoving: isMixed,
            deepestM,
          }
        : null,
    [water, place, series, species, outlookMs, lastIce, load, column.data, readings, evidence, viewpoints, isMixed, deepestM],
  );
  const outlook = useMemo(() => input && answerOutlook(input), [input]);
  const answer = outlook?.column ?? null;
  const situation = useMemo(
    () =>
      water && file && place
        ? situationAt({
            state,
            nowMs,
            outlook,
            water: {
              id: water.id,
              place,
              isMoving: isMixed,
              secchiM: file.water.secchi_m,
              isSecchiMeasured: file.water.assumed?.includes('secchi_m') !== true,
              deepestM: deepestM ?? null,
            },
            species,
            method: null,
            goal,
            bait,
            ownBand: castBand?.water === water.id ? castBand : null,
          })
        : null,
    [water, file, place, state, nowMs, outlook, isMixed, deepestM, species, goal, bait, castBand],
  );
  const columnPending = !isMixed && !noWeather && (!settled || (column.isPending && !ground.isError));
  const computed = useMemo(() => {
    if (!outlook || !input) return [];
    const sun = outlook.sun.find((s) => s.duskMs > nowMs);
    return sun ? dayPlan(outlook.windows, sun, outlook.depth, { ...startingPlan, steps: stepsOn(outlook.surface) }, nowMs, units) : [];
  }, [outlook, input, nowMs, units]);
  const ways = outlook && outlook.surface !== 'unknown' ? methodsOn(outlook.surface) : [];
  const crafts = [...new Set(ways.flatMap((m) => m.crafts))];
  const method = outlook ? (methodsOn(outlook.surface)[0] ?? null) : null;
  const inUnits = (why: string | null) => why && inOwnUnits(why, units);
  const words = outlook && input ? outlookWords(outlook, input, units) : null;
  const hazards: Hazard[] =
    !outlook || !words
      ? []
      : outlook.surface === 'moving'
        ? [{ id: 'moving', headline: words.ice.headline, text: words.ice.detail }, ...(method?.hazards({ ice: outlook.ice, load, grownM: outlook.grownM, craft, units }) ?? [])]
        : [
            ...(outlook.surface === 'open' ? [modelledOpen] : []),
            ...(outlook.surface === 'unknown' ? usualMethod : (method ?? usualMethod)).hazards({ ice: outlook.ice, load, grownM: outlook.grownM, craft, units }),
          ];
  // A changed plan holds for its own day, water and fish.
  const planKey = place && water ? `${water.id}/${species}/${dayText(nowMs, place.timeZone)}` : '';
  const isEdited = kept?.key === planKey;
  return {
    waters,
    water,
    detail,
    weather,
    input,
    outlook,
    words,
    column: answer,
    zone: file?.water.timezone ?? 'UTC',
    offered,
    situation,
    /** What can be said without any weather; null where there is some, or it is not known yet. */
    without: noWeather && place ? withoutWeather({ place, nowMs, isMoving: isMixed, lastIce, load }, units) : null,
    columnWhy: isMixed
      ? 'Moving water is mixed: it has the temperature that you measure, from top to bottom'
      : inUnits(column.data?.why ?? (column.isError ? (column.error as Error).message : null)),
    columnPending,
    winter: winter.data?.value ?? null,
    evidence: column.data?.evidence ?? [],
    /** The way of fishing that this water asks for now. */
    method,
    hazards,
    crafts,
    alerts: outlook && input ? alertsFor(answer, outlook, species, nowMs, input.place.timeZone, units) : [],
    plan: isEdited ? kept.items : computed,
    isEdited,
    changePlan: (items: PlanItem[]) => change({ plan: { key: planKey, items } }),
    resetPlan: () => change({ plan: null }),
    nowMs,
  };
}
