import type { WaterDetail } from '@burrow/contract/api';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { assumedPole, pegPlaces, pegPlaceWords, quietReasons } from '@burrow/core/pole';
import { valueAt } from '@burrow/core/water';
import { weatherAt } from '@burrow/core/weather';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { useOutlook } from './outlook';
import { usePreferences } from './preferences';

/** Water where nothing tells its temperature, °C. */
const assumedC = 4;

/** The water at a peg, who says so, and why it may be quiet. */
export function usePegWater(water: WaterDetail, outing: OutingState, nowMs: number) {
  const { input, column } = useOutlook();
  const measuredC = outing.temperatures.at(-1)?.tempC;
  const isMoving = isFlowing(water.file.water.kind);
  const temp: { value: number; by: 'measured' | 'modelled' | 'assumed' } =
    measuredC !== undefined
      ? { value: measuredC, by: 'measured' }
      : column && !isMoving
        ? { value: valueAt(column.now, 'tempC', Math.min(1, column.deepestM)), by: 'modelled' }
        : { value: assumedC, by: 'assumed' };
  const now = (input && weatherAt(input.series, nowMs)) ?? null;
  const rain = now && now.precipMm !== null && now.airC !== null ? { precipMm: now.precipMm, airC: now.airC } : null;
  return { temp, airC: now?.airC ?? null, reasons: quietReasons(outing, nowMs, rain, temp.by === 'assumed' ? null : temp.value) };
}

/** Where to sit with the pole; null where this is not the way one fishes. */
export function usePegPlace(ground: Ground, method: Method, isUnderWay: boolean) {
  const { pole, units } = usePreferences();
  const isPole = isUnderWay && method.picture === 'section';
  return useMemo(() => {
    if (!isPole) return null;
    const reachM = pole.reachM ?? assumedPole.reachM;
    const place = pegPlaces(ground.map, ground.ring, reachM, 1).at(0) ?? null;
    return { place, words: pegPlaceWords(place, reachM, units, pole.reachM === null) };
  }, [isPole, ground, pole.reachM, units]);
}
