import type { WaterDetail } from '@burrow/contract/api';
import { middleOfWater } from '@burrow/contract/formats/water-geojson';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { assumedPole, pegBy, pegPlaces, pegPlaceWords, quietReasons } from '@burrow/core/pole';
import { temperatureAt, unknownWater, waterAt } from '@burrow/core/situation';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { shoresOf } from '@/workers/shores';
import { useFirstPlace } from './holes';
import { useOutlook, useSituation } from './outlook';
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

/**
 * Where to sit with the pole: on standing water by the first place for the fish within its reach, the same scorer that the other ways begin by; on moving water
 * by the deepest. Null where this is not the way one fishes.
 */
export function usePegPlace(water: WaterDetail, ground: Ground, method: Method, isUnderWay: boolean) {
  const { pole, units } = usePreferences();
  const { column, weather, situation } = useOutlook();
  // Until the column says where in the water they are, no place is named that would turn with it.
  const isSettling = column.isPending && !weather.isError;
  const isPole = isUnderWay && method.picture === 'section';
  const reachM = pole.reachM ?? assumedPole.reachM;
  const isByFish = isPole && !isFlowing(water.file.water.kind) && (isSettling || situation?.band != null);
  const first = useFirstPlace(water, isByFish ? ground : undefined, isByFish && !isSettling ? situation : null, reachM);
  const deepest = useMemo(() => (isPole && !isByFish ? (pegPlaces(ground.map, ground.ring, reachM, 1).at(0) ?? null) : null), [isPole, isByFish, ground, reachM]);
  if (!isPole) return null;
  const isSeeking = isByFish && (isSettling || first.isPending || first.isBehind);
  const fished = isByFish && !isSeeking ? (first.data ?? null) : null;
  const place = fished ? pegBy(fished, shoresOf(ground)) : deepest;
  return { place, words: pegPlaceWords(isSeeking ? 'seeking' : place, reachM, units, pole.reachM === null, fished && fished.words.detail) };
}
