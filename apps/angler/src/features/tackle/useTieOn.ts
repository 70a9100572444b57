import { methodsOn, usualMethod } from '@burrow/core/methods';
import { changeFirst, firstToBuy, pickByZone, tieOnHere, whatToTieOn, type Forage, type TieOnQuery } from '@burrow/core/tie-on';
import { lureMassesG } from '@burrow/core/units';
import { useMemo } from 'react';
import { useOutlook } from '@/data/outlook';
import { boxOf, change, usePreferences } from '@/data/preferences';
import { useSpecies } from '@/data/species';
import { useLedger } from '@/data/session';
import { useOuting, useWater } from '@/data/water';

/** What to tie on here and now, out of the box, with what it rests on. */
export function useTieOn() {
  const { presentations, goal, kit, units, forage: eaten } = usePreferences();
  const { state } = useLedger();
  const { water } = useWater();
  const { situation } = useOutlook();
  const outing = useOuting();
  const { species } = useSpecies(undefined, undefined);
  // Without weather nobody knows the surface; moving water is never walked on.
  const [asked] = situation ? methodsOn(situation.surface.value) : [];
  const forage = (water && eaten[water.id]) ?? null;
  const here = tieOnHere({
    situation,
    outing,
    outings: state.outings,
    forage,
    species,
    method: (asked ?? usualMethod).id,
    goal,
    lineMm: kit.rods[0]?.lineMm ?? null,
    soldG: lureMassesG(units),
  });
  // The situation is made anew with every tap: what is chosen from the box is so only where the question is another.
  const askedAs = JSON.stringify(here.query);
  const query = useMemo(() => JSON.parse(askedAs) as TieOnQuery, [askedAs]);
  const box = useMemo(() => boxOf(presentations), [presentations]);
  const choices = useMemo(() => whatToTieOn(box, query), [box, query]);
  const byZone = useMemo(() => pickByZone(box, query), [box, query]);
  return {
    byZone,
    forage,
    eats: (id: Forage) => water && change({ forage: { ...eaten, [water.id]: id } }),
    query,
    temp: here.temp,
    secchi: here.clarity,
    box,
    choices,
    next: changeFirst(choices, box),
    buy: choices.length === 0 ? firstToBuy(query) : null,
    outing,
    station: outing?.stations.find((s) => s.id === outing.currentStation),
    unsaid: presentations.filter((p) => !p.tackle),
  };
}
