import { alertsFor, answerOutlook, dayPlan, outlookWords, startingPlan, withoutWeather, type OutlookInput, type PlanItem } from '@burrow/core/outlook';
import { dayText, distanceM, inOwnUnits } from '@burrow/core/units';
import { withSeen, type Place } from '@burrow/core/weather';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { methodsOn, stepsOn, usualMethod, type Hazard } from '@burrow/core/methods';
import { useMemo } from 'react';
import { useColumn } from './column';
import { useNow } from './clock';
import { useGround } from './ground';
import { change, usePreferences } from './preferences';
import { useLedger } from './session';
import { useAfterFirstPaint } from './after-first-paint';
import { isNone, useLastIce, useWater, useWeather, useWinter } from './water';
import { useSpecies } from './species';

/** Stands before the cautions of open water: the model may be wrong. */
const modelledOpen: Hazard = { id: 'modelled-open', headline: 'Open water, as modelled', text: 'If there is ice here, it is new and not to be trusted.' };

/** Everything that the Outlook shows: weather, column, log and plan put together. Null parts are still on their way or cannot be had. */
export function useOutlook() {
  const { water, waters, detail } = useWater();
  const weather = useWeather(water?.id);
  const lastIce = useLastIce(water?.id);
  const { state } = useLedger();
  const { units, load, craft, viewpoints, plan: kept } = usePreferences();
  const nowMs = useNow(60_000);
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
  const input = useMemo<OutlookInput | null>(
    () =>
      place && series && series.length > 1
        ? { speciesId: species, nowMs, place, series, lastIce, load, column: column.data?.column ?? null, evidence, viewpoints, isMoving: isMixed, deepestM }
        : null,
    [place, series, species, nowMs, lastIce, load, column.data, evidence, viewpoints, isMixed, deepestM],
  );
  const outlook = useMemo(() => input && answerOutlook(input), [input]);
  const answer = column.data?.column ?? null;
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
    /** Whether nobody measured how clear this water is. */
    clarityAssumed: file?.water.assumed?.includes('secchi_m') === true && !state.outings.some((o) => o.water === water?.id && o.clarity.length > 0),
    /** What can be said without any weather; null where there is some, or it is not known yet. */
    without: noWeather && place ? withoutWeather({ place, nowMs, isMoving: isMixed, lastIce, load }, units) : null,
    columnWhy: isMixed
      ? 'Moving water is mixed: it has the temperature that you measure, from top to bottom'
      : inUnits(column.data?.why ?? (column.isError ? (column.error as Error).message : null)),
    columnPending: !isMixed && !noWeather && (!settled || (column.isPending && !ground.isError)),
    winter: winter.data?.value ?? null,
    evidence: column.data?.evidence ?? [],
    /** The way of fishing that this water asks for now. */
    method,
    hazards,
    crafts,
    alerts: outlook && input ? alertsFor(answer, outlook, species, nowMs, input.place.timeZone, units) : [],
    /** How far the measured ice lies from the place to start, m; null where either is not known. */
    iceAwayM: lastIce?.at && ground.data?.breakFoot ? distanceM(lastIce.at, ground.data.breakFoot.at) : null,
    plan: isEdited ? kept.items : computed,
    isEdited,
    changePlan: (items: PlanItem[]) => change({ plan: { key: planKey, items } }),
    resetPlan: () => change({ plan: null }),
    nowMs,
  };
}
