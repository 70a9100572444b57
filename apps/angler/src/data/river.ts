import type { WaterDetail } from '@burrow/contract/api';
import { riverMarksOf } from '@burrow/contract/formats/water-marks';
import { feltOn } from '@burrow/core/casting';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { shortlyKeptMs } from './computed';
import { groundWorker } from './ground';
import { useLedger } from './session';

/** Pools and feeding lies of a river, from its bed and what is marked in it, computed in the ground worker. */
export function useRiver(water: WaterDetail, ground: Ground) {
  const { state } = useLedger();
  const felt = useMemo(() => feltOn(state, water.id), [state, water.id]);
  const marks = useMemo(() => {
    const marked = riverMarksOf(water.file);
    return { ...marked, hard: [...marked.hard, ...felt.filter((f) => f.what === 'hard').map((f) => f.at)] };
  }, [water, felt]);
  return useQuery({
    queryKey: ['river', water.id, ground.map.soundings, marks],
    staleTime: Infinity,
    gcTime: shortlyKeptMs,
    networkMode: 'always',
    queryFn: async () => (await groundWorker()).river(water.id, marks),
  });
}
