import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { offeredSpecies, type Species } from '@burrow/core/fish';
import { useMemo } from 'react';
import { usePreferences } from './preferences';
import { useLedger } from './session';

/** The species fished for on a water, and those it offers: its own, the last fished first. */
export function useSpecies(file: WaterFile | undefined, waterId: string | undefined): { species: string; offered: Species[] } {
  const { state } = useLedger();
  const { species: chosen } = usePreferences();
  const offered = useMemo(() => {
    const fished = state.outings
      .filter((o) => o.water === waterId)
      .flatMap((o) => [...o.species.map((species) => ({ species, ms: o.startedMs })), ...o.fish.map(({ species, ms }) => ({ species, ms }))]);
    return offeredSpecies({ kind: file?.water.kind ?? 'lake', listed: file?.water.species, fished });
  }, [state, file, waterId]);
  const species = offered.some((s) => s.id === chosen) ? chosen : offered[0].id;
  return { species, offered };
}
