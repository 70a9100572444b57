import { middleOfWater, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { offeredSpecies, regionAt, type FishPlace, type Species } from '@burrow/core/fish';
import { asItStands, type OutingState } from '@burrow/core/ledger';
import { useMemo } from 'react';
import { correct } from './corrections';
import { change, usePreferences } from './preferences';
import { useLedger } from './session';

export interface SpeciesHere {
  /** What is fished for here: by the outing under way, else as chosen. */
  species: string;
  /** Whether somebody chose it here, today or on another day; else the first that is offered stands for it until somebody does. */
  isChosen: boolean;
  /** The likely ones, the last fished first. */
  offered: Species[];
  /** What orders the whole list of fish. */
  place: FishPlace;
}

const underWayOn = (outings: readonly OutingState[], waterId: string | undefined) => outings.findLast((o) => o.endedMs === null && o.water === waterId);

/** The species fished for on a water, and those it offers: its own, the last fished first. */
export function useSpecies(file: WaterFile | undefined, waterId: string | undefined): SpeciesHere {
  const { state } = useLedger();
  const { species: chosen, speciesOn } = usePreferences();
  const isChosenHere = waterId !== undefined && speciesOn === waterId;
  const { offered, place, isFished } = useMemo(() => {
    const outings = state.outings.filter((o) => o.water === waterId);
    const caught = outings.flatMap((o) => o.fish.map((f) => ({ species: f.species, ms: f.ms })));
    const fished = [...outings.flatMap((o) => o.species.map((species) => ({ species, ms: o.startedMs }))), ...caught];
    const middle = file && middleOfWater(file);
    const region = middle && regionAt(middle[0], middle[1]);
    const listed = file?.water.species;
    return {
      offered: offeredSpecies({ kind: file?.water.kind ?? 'lake', region, listed, fished: isChosenHere ? [...fished, { species: chosen, ms: 1 }] : fished }),
      place: { region: region ?? 'north-america', listed, caught: caught.map((c) => c.species) } satisfies FishPlace,
      isFished: fished.length > 0,
    };
  }, [state, file, waterId, chosen, isChosenHere]);
  const underWay = underWayOn(state.outings, waterId);
  const species = underWay?.species[0] ?? (offered.some((s) => s.id === chosen) ? chosen : offered[0].id);
  return { species, isChosen: isChosenHere || isFished, offered, place };
}

/** Chooses what is fished for on a water: from now on there, and for the outing under way there. */
export function useChooseSpecies(waterId: string | undefined): (species: string) => void {
  const { ledger, state, events } = useLedger();
  return (species) => {
    change({ species, speciesOn: waterId ?? null });
    const outing = underWayOn(state.outings, waterId);
    const start = outing && events.find((e) => e.kind === 'outing-started' && e.outing === outing.id);
    const stands = start && asItStands(events, start.id);
    if (!outing || !start || stands?.kind !== 'outing-started' || outing.species[0] === species) return;
    // The first is what is fished for; the others were named beside it.
    const others = stands.body.species.slice(1).filter((s) => s !== species);
    // The zone only says in which offset the moment of the correction is written.
    void correct(ledger, { id: outing.id, zone: 'UTC' }, events, start.id, { ...stands.body, species: [species, ...others] }, Date.parse(stands.at));
  };
}
