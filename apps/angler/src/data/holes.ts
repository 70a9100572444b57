import type { LonLat } from '@burrow/core/ground';
import { holeStays, restedHoles, thinPlaces, type PlaceSetting } from '@burrow/core/holes';
import { speciesOf } from '@burrow/core/fish';
import type { Situation } from '@burrow/core/situation';
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
  const { units, leastIceM, isPressed } = usePreferences();
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
            isPressed,
          }
        : null,
    [water, situation, isPressed],
  );
  const current = outing?.water === water?.id ? outing : undefined;
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
            units,
          }
        : null,
    [water, setting, state, minute, current, leastIceM, units],
  );
}

/** Where to begin on standing water: the best place of the depths that the fish is looked for in. Nothing while the situation or the answer is on its way. */
export function useFirstPlace(water: WaterDetail | undefined, ground: Ground | undefined, situation: Situation | null) {
  const query = usePlaceQuery(water, situation);
  const band = situation?.band?.value;
  const asked = situation && band ? { speciesId: situation.species.value, band, keepsAll: situation.goal.value === 'supper' } : null;
  return useComputed({
    key: ['first-place', water?.id],
    of: JSON.stringify([ground?.map.soundings, ground?.levelM, query?.setting, query?.stays, query?.thin, query?.units, asked]),
    enabled: ground !== undefined && query !== null && asked !== null,
    compute: async () => (await groundWorker()).first(query!, asked!),
  });
}

/**
 * Where to drill: the plan, the next hole after what the others have shown, and the fish expected, computed in the ground worker.
 * While the column, which says where in the water fish are, is on its way (null), nothing is advised yet: advice that turns
 * about under the thumb is worse.
 */
export function useHoles(water: WaterDetail | undefined, ground: Ground | undefined, situation: Situation | null, from: LonLat | null) {
  const { holePlan } = usePreferences();
  const outing = useOuting();
  const query = usePlaceQuery(water, situation);
  const setting = query?.setting ?? null;
  const current = outing?.water === water?.id ? outing : undefined;
  const minute = Math.floor((situation?.nowMs ?? 0) / 60_000) * 60_000;
  const plan = holePlan?.water === water?.id ? holePlan : null;
  const left = plan?.holes.filter((h) => !query?.drilled.some(({ at }) => at[0] === h.at[0] && at[1] === h.at[1])) ?? [];
  const lastHole = current?.stations.at(-1);
  const standing = from ?? lastHole?.at ?? null;
  const next = useQuery({
    queryKey: ['next-hole', water?.id, ground?.map.soundings, lastHole?.id, standing, plan?.id, setting, minute],
    enabled: ground !== undefined && query !== null && standing !== null && current !== undefined && current.stations.length > 0,
    staleTime: Infinity,
    gcTime: shortlyKeptMs,
    networkMode: 'always',
    placeholderData: keepPreviousData,
    queryFn: async () =>
      (await groundWorker()).next(
        query!,
        standing!,
        left.map((h) => h.at),
      ),
  });
  const fish = useQuery({
    queryKey: ['fish-layer', water?.id, ground?.map.soundings, setting, query?.stays.length],
    enabled: ground !== undefined && query !== null,
    staleTime: 5 * 60_000,
    gcTime: shortlyKeptMs,
    networkMode: 'always',
    placeholderData: keepPreviousData,
    queryFn: async () => (await groundWorker()).fish(query!),
  });
  const make = useMutation({
    networkMode: 'always',
    mutationFn: async (request: PlanRequest) => (await groundWorker()).plan(query!, request),
    onSuccess: (made, request) => change({ holePlan: { ...made, id: newId(), water: water!.id, wanted: request.count } }),
  });
  return {
    plan,
    /** Whether there is enough to plan by. */
    isReady: query !== null && ground !== undefined,
    /** Holes of the plan that are not drilled yet, in walking order. */
    left,
    next: next.data ?? null,
    /** Why there is no next hole. */
    why: next.isError ? (next.error as Error).message : null,
    lastStay: query?.stays.filter((s) => lastHole && s.at[0] === lastHole.at[0] && s.at[1] === lastHole.at[1]).at(-1),
    fish: fish.data ?? null,
    look: setting?.look ?? null,
    make,
    drop: () => change({ holePlan: null }),
    restore: (kept: KeptHolePlan) => change({ holePlan: kept }),
  };
}
