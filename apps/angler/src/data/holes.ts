import type { LonLat } from '@burrow/core/ground';
import { deepestSoughtM, holeStays, restedHoles, thinPlaces, type PlaceSetting } from '@burrow/core/holes';
import { speciesOf } from '@burrow/core/fish';
import { placesOfNow, type Situation } from '@burrow/core/situation';
import { dayMs } from '@burrow/core/units';
import type { WaterDetail } from '@burrow/contract/api';
import { placesOf } from '@burrow/contract/formats/water-marks';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { shortlyKeptMs, useComputed } from './computed';
import { newId } from './ids';
import { groundWorker } from './ground';
import { change, usePreferences, type KeptHolePlan } from './preferences';
import { useLedger } from './session';
import { useOuting } from './water';
import type { Ground, PlaceQuery, PlanRequest } from '@/workers/ground.api';

/** What places on a water are scored by; null until the situation and the water are known. */
function usePlaceQuery(water: WaterDetail | undefined, situation: Situation | null): PlaceQuery | null {
  const { state } = useLedger();
  const { units, leastIceM, pressedWaters, coldPlaces } = usePreferences();
  const outing = useOuting();
  const setting = useMemo<PlaceSetting | null>(
    () =>
      water && situation
        ? {
            group: speciesOf(situation.species.value).group,
            stage: situation.stage.value,
            look: situation.band?.value ?? null,
            phase: situation.phase?.value ?? 'steady',
            inflows: placesOf(water.file, 'inflow'),
            cover: placesOf(water.file, 'cover'),
            isPressed: pressedWaters.includes(water.id),
            ...(coldPlaces === 'by-sun' ? {} : { coves: coldPlaces }),
            ...placesOfNow(situation),
          }
        : null,
    [water, situation, pressedWaters, coldPlaces],
  );
  const current = outing?.water === water?.id ? outing : undefined;
  const noDeeperM = situation ? deepestSoughtM(situation.species.value, situation.goal.value === 'supper') : Infinity;
  // What holes show changes with every sign and with the minutes; asked anew at most each minute.
  const minute = Math.floor((situation?.nowMs ?? 0) / 60_000) * 60_000;
  return useMemo<PlaceQuery | null>(
    () =>
      water && setting
        ? {
            water: water.id,
            setting,
            stays: holeStays(state, water.id, minute),
            drilled: current ? restedHoles(current, minute) : [],
            thin: thinPlaces(state, water.id, leastIceM, minute - 4 * dayMs),
            noDeeperM: Number.isFinite(noDeeperM) ? noDeeperM : null,
            units,
          }
        : null,
    [water, setting, noDeeperM, state, minute, current, leastIceM, units],
  );
}

/**
 * Where to begin on standing water: the best place of the depths that the fish is looked for in. Nothing while the situation or the answer is on its way.
 * @param shoreReachM no further from the shore than this, m, for one who casts from it
 */
export function useFirstPlace(water: WaterDetail | undefined, ground: Ground | undefined, situation: Situation | null, shoreReachM: number | null = null) {
  const query = usePlaceQuery(water, situation);
  const band = situation?.band?.value;
  const asked = situation && band ? { speciesId: situation.species.value, band, keepsAll: situation.goal.value === 'supper' } : null;
  return useComputed({
    key: ['first-place', water?.id, shoreReachM],
    of: JSON.stringify([ground?.map.soundings, ground?.levelM, query?.setting, query?.stays, query?.thin, query?.units, asked]),
    enabled: ground !== undefined && query !== null && asked !== null,
    compute: async () => (await groundWorker()).first(query!, asked!, shoreReachM),
  });
}

/** The outing under way on a water, the hole that was drilled last, and where one stands. */
function useUnderWay(water: WaterDetail | undefined, from: LonLat | null) {
  const outing = useOuting();
  const current = outing?.water === water?.id ? outing : undefined;
  const lastHole = current?.stations.at(-1);
  return { isUnderWay: lastHole !== undefined, lastHole, standing: from ?? lastHole?.at ?? null };
}

/** What is asked of the ground worker: kept a short while, and the last answer stands until the next one. */
const asked = { gcTime: shortlyKeptMs, networkMode: 'always', placeholderData: keepPreviousData } as const;

/** The plan that was laid out on a water, what of it is left, and laying out another. */
function usePlan(water: WaterDetail | undefined, query: PlaceQuery | null) {
  const { holePlan } = usePreferences();
  const plan = holePlan?.water === water?.id ? holePlan : null;
  const isDrilled = (at: LonLat) => query?.drilled.some((d) => d.at[0] === at[0] && d.at[1] === at[1]) === true;
  const make = useMutation({
    networkMode: 'always',
    mutationFn: async (request: PlanRequest) => (await groundWorker()).plan(query!, request),
    onSuccess: (made, request) => change({ holePlan: { ...made, id: newId(), water: water!.id, wanted: request.count } }),
  });
  return {
    plan,
    /** Holes of the plan that are not drilled yet, in walking order. */
    left: plan?.holes.filter((h) => !isDrilled(h.at)) ?? [],
    make,
    drop: () => change({ holePlan: null }),
    restore: (kept: KeptHolePlan) => change({ holePlan: kept }),
  };
}

/**
 * Where to drill: the plan, the next hole after what the others have shown, and the fish expected, computed in the ground worker.
 * While the column, which says where in the water fish are, is on its way (null), nothing is advised yet: advice that turns
 * about under the thumb is worse.
 */
export function useHoles(water: WaterDetail | undefined, ground: Ground | undefined, situation: Situation | null, from: LonLat | null) {
  const query = usePlaceQuery(water, situation);
  const setting = query?.setting ?? null;
  const { isUnderWay, lastHole, standing } = useUnderWay(water, from);
  const planned = usePlan(water, query);
  const minute = Math.floor((situation?.nowMs ?? 0) / 60_000) * 60_000;
  const isReady = query !== null && ground !== undefined;
  const soundings = ground?.map.soundings;
  const next = useQuery({
    ...asked,
    queryKey: ['next-hole', water?.id, soundings, lastHole?.id, standing, planned.plan?.id, setting, minute],
    enabled: isReady && standing !== null && isUnderWay,
    staleTime: Infinity,
    queryFn: async () => {
      const ahead = planned.left.map((h) => h.at);
      return (await groundWorker()).next(query!, standing!, ahead);
    },
  });
  const fish = useQuery({
    ...asked,
    queryKey: ['fish-layer', water?.id, soundings, setting, query?.stays.length],
    enabled: isReady,
    staleTime: 5 * 60_000,
    queryFn: async () => (await groundWorker()).fish(query!),
  });
  const isLast = (at: LonLat) => lastHole !== undefined && at[0] === lastHole.at[0] && at[1] === lastHole.at[1];
  return {
    ...planned,
    /** Whether there is enough to plan by. */
    isReady,
    next: next.data ?? null,
    /** Why there is no next hole. */
    why: next.isError ? (next.error as Error).message : null,
    lastStay: query?.stays.filter((s) => isLast(s.at)).at(-1),
    fish: fish.data ?? null,
    look: setting?.look ?? null,
  };
}
