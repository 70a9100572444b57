import { changeFirst, firstToBuy, tackleMethods, whatToTieOn, type TackleMethod, type TieOnQuery } from '@burrow/core/tackle';
import { usualMethod } from '@burrow/core/methods';
import { temperatureAt, unknownWater } from '@burrow/core/situation';
import { clamp, lureMassesG } from '@burrow/core/units';
import { useMemo } from 'react';
import { boxOf, usePreferences } from '@/data/preferences';
import { useOutlook } from '@/data/outlook';
import { useSpecies } from '@/data/species';
import { useOuting } from '@/data/water';

/** What to tie on here and now, out of the box, with what it rests on. */
export function useTieOn() {
  const { presentations, goal, kit, units } = usePreferences();
  const lineMm = kit.rods[0]?.lineMm ?? undefined;
  const { method, situation } = useOutlook();
  const outing = useOuting();
  const station = outing?.stations.find((s) => s.id === outing.currentStation);
  const { species } = useSpecies(undefined, undefined);
  const speciesId = situation?.species.value ?? outing?.species[0] ?? species;
  // Without weather nobody knows the surface; moving water is never walked on.
  const wayId = outing?.method ?? method?.id ?? (situation?.surface.value === 'moving' ? 'cast' : usualMethod.id);
  const way: TackleMethod = (tackleMethods as readonly string[]).includes(wayId) ? (wayId as TackleMethod) : 'cast';
  const jigM = outing?.lines.findLast((l) => l.upMs === null)?.depths.at(-1)?.depthM;
  const band = situation?.band?.value;
  const fishedM = jigM ?? (band ? (band.fromM + band.toM) / 2 : null) ?? station?.depthM ?? null;
  // Beyond what baits are reckoned for, what holds at the end of it is the best answer there is.
  const depthM = fishedM === null ? null : clamp(fishedM, 0.3, 60);
  const temp = situation && depthM !== null ? temperatureAt(situation, depthM) : (situation ?? unknownWater).temperature;
  const secchi = (situation ?? unknownWater).clarity;
  const cloud = situation?.cloud?.value ?? null;
  const query = useMemo<TieOnQuery>(
    () => ({
      speciesId,
      tempC: temp.value,
      secchiM: secchi.value,
      method: way,
      goal,
      depthM,
      currentMs: 0,
      cloud,
      soldG: lureMassesG(units),
      ...(lineMm === undefined ? {} : { lineMm }),
    }),
    [speciesId, temp.value, secchi.value, way, goal, depthM, cloud, lineMm, units],
  );
  const box = useMemo(() => boxOf(presentations), [presentations]);
  const choices = useMemo(() => whatToTieOn(box, query), [box, query]);
  return {
    query,
    temp,
    secchi,
    box,
    choices,
    next: changeFirst(choices, box),
    buy: choices.length === 0 ? firstToBuy(query) : null,
    outing,
    station,
    unsaid: presentations.filter((p) => !p.tackle),
  };
}
