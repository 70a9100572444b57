import type { WaterDetail } from '@burrow/contract/api';
import { riverMarksOf } from '@burrow/contract/formats/water-marks';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { shortlyKeptMs } from './computed';
import { groundWorker } from './ground';

/** Pools and feeding lies of a river, from its bed and what is marked in it, computed in the ground worker. */
export function useRiver(water: WaterDetail, ground: Ground) {
  const marks = useMemo(() => riverMarksOf(water.file), [water]);
  return useQuery({
    queryKey: ['river', water.id, ground.map.soundings, marks],
    staleTime: Infinity,
    gcTime: shortlyKeptMs,
    networkMode: 'always',
    queryFn: async () => (await groundWorker()).river(water.id, marks),
  });
}
