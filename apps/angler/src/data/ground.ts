import { islandsOf, shoreOf, soundingsOf } from '@burrow/contract/formats/water-geojson';
import type { WaterDetail } from '@burrow/contract/api';
import type { OutingState } from '@burrow/core/ledger';
import { levelAt } from '@burrow/core/water';
import { metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import type { Remote } from 'comlink';
import { useMemo } from 'react';
import { useComputed } from './computed';
import type { GroundApi } from '@/workers/ground.api';

let worker: Promise<Remote<GroundApi>> | null = null;

/** The worker that knows the ground; started when first asked, and only once, however many ask at the same time: it keeps the survey. */
export function groundWorker(): Promise<Remote<GroundApi>> {
  worker ??= import('@/workers/spawn').then(({ spawnGround }) => spawnGround());
  return worker;
}

/** The depth map of a water: its soundings and every hole drilled on it, computed in a worker. */
export function useGround(water: WaterDetail | undefined, outings: readonly OutingState[], units: UnitPreference) {
  const holes = outings
    .filter((o) => o.water === water?.id)
    .flatMap((o) => o.stations)
    .filter((h) => h.depthM !== null);
  // Depths are measured at the level of their hour, and the map stands on one.
  const levels = outings.filter((o) => o.water === water?.id).flatMap((o) => o.levels);
  const levelM = levelAt(levels, Infinity);
  // The file's own part, once for each file: a change of water brings another object.
  const drawn = useMemo(() => (water ? JSON.stringify([shoreOf(water.file), islandsOf(water.file), soundingsOf(water.file)]) : ''), [water]);
  return useComputed({
    key: ['ground', water?.id],
    // Each hole by itself: one undone and another drilled are as many.
    of: [drawn, holes.map((h) => `${h.id} ${h.depthM}`).join(), levels.map((l) => `${l.ms} ${l.levelM}`).join(), units.depth].join('/'),
    enabled: water !== undefined,
    compute: async () => {
      const remote = await groundWorker();
      const soundings = [...soundingsOf(water!.file), ...holes.map((h) => ({ at: h.at, depthM: Math.max(0, h.depthM! - levelAt(levels, h.openedMs)) }))];
      return remote.build(water!.id, shoreOf(water!.file), soundings, metresPerDepthUnit(units), levelM, islandsOf(water!.file));
    },
  });
}
