import { changeFirst, firstToBuy, tackleMethods, whatToTieOn, type TackleMethod, type TieOnQuery } from '@burrow/core/tackle';
import { secchiOf } from '@burrow/core/outlook';
import { valueAt } from '@burrow/core/water';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { usualMethod } from '@burrow/core/methods';
import { clamp, lureMassesG } from '@burrow/core/units';
import { weatherAt } from '@burrow/core/weather';
import { useMemo } from 'react';
import { boxOf, usePreferences } from '@/data/preferences';
import { useOutlook } from '@/data/outlook';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { useOuting } from '@/data/water';

/** Water at the fishing depth in midwinter, °C, and its clarity, m, where nothing tells them. */
const [assumedC, assumedSecchiM] = [4, 2];

/** A figure with who says it. */
interface Known {
  value: number;
  by: 'measured' | 'modelled' | 'assumed';
}

/** What to tie on here and now, out of the box, with what it rests on. */
export function useTieOn() {
  const { state } = useLedger();
  const { presentations, goal, kit, units } = usePreferences();
  const lineMm = kit.rods[0]?.lineMm ?? undefined;
  const { water, detail, outlook, method, column, input, nowMs } = useOutlook();
  const outing = useOuting();
  const file = detail.data?.value.file;
  const { species } = useSpecies(file, water?.id);
  const speciesId = outing?.species[0] ?? species;
  // Without weather nobody knows the surface; moving water is never walked on.
  const isMoving = file !== undefined && isFlowing(file.water.kind);
  const wayId = outing?.method ?? method?.id ?? (isMoving ? 'cast' : usualMethod.id);
  const way: TackleMethod = (tackleMethods as readonly string[]).includes(wayId) ? (wayId as TackleMethod) : 'cast';
  const station = outing?.stations.find((s) => s.id === outing.currentStation);
  const jigM = outing?.lines.findLast((l) => l.upMs === null)?.depths.at(-1)?.depthM;
  const look = outlook?.depth?.look;
  const fishedM = jigM ?? (look ? (look.fromM + look.toM) / 2 : null) ?? station?.depthM ?? null;
  // Beyond what baits are reckoned for, what holds at the end of it is the best answer there is.
  const depthM = fishedM === null ? null : clamp(fishedM, 0.3, 60);
  const measuredC = outing?.temperatures.at(-1)?.tempC;
  const temp: Known =
    measuredC !== undefined
      ? { value: measuredC, by: 'measured' }
      : column && depthM !== null
        ? { value: valueAt(column.now, 'tempC', Math.min(depthM, column.deepestM)), by: 'modelled' }
        : { value: assumedC, by: 'assumed' };
  const isClarityMeasured = state.outings.some((o) => o.water === water?.id && o.clarity.length > 0) || (file !== undefined && file.water.assumed?.includes('secchi_m') !== true);
  const secchi: Known = {
    value: water && file ? secchiOf(state, water.id, nowMs, file.water.secchi_m) : assumedSecchiM,
    by: isClarityMeasured ? 'measured' : 'assumed',
  };
  const cloud = input ? (weatherAt(input.series, nowMs)?.cloud ?? null) : null;
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
