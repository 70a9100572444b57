import type { WaterDetail } from '@burrow/contract/api';
import { middleOfWater } from '@burrow/contract/formats/water-geojson';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { assumedPole, pegPlaces, pegPlaceWords, quietReasons } from '@burrow/core/pole';
import { temperatureAt, unknownWater, waterAt } from '@burrow/core/situation';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { useSituation } from './outlook';
import { usePreferences } from './preferences';
import { useLedger } from './session';

/** Depth that the water of a peg is told for, m. Convention. */
const pegDepthM = 1;

/** The water at a peg, who says so, and why it may be quiet. */
export function usePegWater(outing: OutingState, nowMs: number) {
  const situation = useSituation();
  const temp = temperatureAt(situation, pegDepthM);
  const { fallMm, airC } = situation;
  const rain = fallMm && airC ? { precipMm: fallMm.value, airC: airC.value } : null;
  return { temp, airC: airC?.value ?? null, reasons: quietReasons(outing, nowMs, rain, temp.by === 'assumed' ? null : temp.value) };
}

/** Temperature of a peg's water at the end of a past day, °C: as it was read then, else what is usual of the date. */
export function usePastPegC(water: WaterDetail | undefined, atMs: number): number {
  const { state } = useLedger();
  return useMemo(() => {
    if (!water) return unknownWater.temperature.value;
    const [lon, lat] = middleOfWater(water.file);
    const isMoving = isFlowing(water.file.water.kind);
    return temperatureAt(waterAt({ state, nowMs: atMs, outlook: null, water: { id: water.id, place: { lon, lat, timeZone: 'UTC' }, isMoving, deepestM: null } }), pegDepthM).value;
  }, [state, water, atMs]);
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
