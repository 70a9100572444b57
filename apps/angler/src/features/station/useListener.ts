import { adviceWords, memoryOf, type CoachMemory } from '@burrow/core/coach';
import type { LineState, OutingState, StationState } from '@burrow/core/ledger';
import { temperatureAt, unknownWater } from '@burrow/core/situation';
import type { Mark } from '@burrow/core/sonar';
import { depthStepM } from '@burrow/core/units';
import { useEffect, useMemo, useState } from 'react';
import { useOutlook } from '@/data/outlook';
import { useFamilyOnLine, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useReading } from './reading/useReading';
import { useDevice } from './useDevice';

/** A picture that shows no mark for so long is empty: they go out of the cone and come back, ms. Heuristic. */
const emptyMs = 20_000;

/** Beam of a flasher whose own is not known, °. Heuristic. */
const readingBeamDeg = 20;

/**
 * What listens at a hole and what it says: the flasher in use, or one read by eye, with the coach's advice on either.
 * @param asksMemory whether a sheet shows what the coach remembers
 */
export function useListener(outing: OutingState, hole: StationState, line: LineState | undefined, asksMemory: boolean) {
  const { units, hangsAbove } = usePreferences();
  const { state } = useLedger();
  const speciesId = outing.species[0];
  const waterTempC = useSounderTempC(outing, hole);
  const band = useOutlook().situation?.band?.value ?? null;
  const family = useFamilyOnLine(line?.presentation ?? null, hole.method);
  // What was told before; what is told from here on the coach at a flasher hears itself, and a reading by eye is given anew.
  const told = useMemo(
    () =>
      memoryOf(
        outing.reactions,
        state.outings.filter((o) => o.id !== outing.id && o.water === outing.water).flatMap((o) => o.reactions),
      ),
    [outing, state.outings],
  );
  const [memory] = useState(told);
  const { flasher, device, hasFlasher } = useDevice({
    memory,
    speciesId,
    waterTempC,
    bottomM: hole.depthM ?? hole.mapDepthM ?? undefined,
    stepM: depthStepM(units),
    sceneId: 'stack',
    seed: outing.stations.indexOf(hole) + 1,
  });
  // Without a flasher that the phone can hear, one's own is read by eye; with one it can be, where its picture is not trusted.
  const [isReadingByEye, setReadingByEye] = useState(false);
  const isByEye = !hasFlasher || isReadingByEye;
  const { frame, knows, memory: readMemory } = flasher;
  const [heard, setHeard] = useState<CoachMemory>();
  const lineM = line?.depths.at(-1)?.depthM ?? null;
  const reading = useReading(
    hole,
    { speciesId, waterTempC, beamDeg: readingBeamDeg, band, family, hangsAbove },
    hasFlasher ? (heard ?? told) : told,
    { jigM: lineM ?? frame?.lineM ?? null, bottomM: frame?.state.bottomM ?? null },
    units,
  );
  const [fromM, toM, isListening] = [band?.fromM, band?.toM, frame !== null];
  useEffect(() => {
    if (isListening) knows({ band: fromM === undefined || toM === undefined ? null : { fromM, toM }, family, hangsAbove });
  }, [knows, fromM, toM, isListening, family, hangsAbove]);
  const asks = isReadingByEye || asksMemory;
  useEffect(() => {
    if (asks) void readMemory().then(setHeard);
  }, [asks, readMemory]);
  const advice = (isByEye ? reading.readings[0]?.advice : frame?.advice) ?? null;
  return {
    flasher,
    device,
    hasFlasher,
    isByEye,
    setReadingByEye,
    reading,
    memory: heard ?? told,
    advice,
    family,
    words: advice && adviceWords(advice, units),
    lineM,
    jigM: isByEye || !frame ? reading.jigM : (frame.state.jigM ?? frame.lineM),
    bottomM: (isByEye ? reading.bottomM : frame?.state.bottomM) ?? hole.depthM,
    isEmpty: advice?.sighting === 'nothing' && (isByEye || (frame !== null && frame.state.t - advice.sinceMs >= emptyMs)),
    topMarkM: isByEye || !frame ? reading.markM : topMarkM(frame.state.marks),
  };
}

/** The highest fish or school among marks, m; null without one. */
function topMarkM(marks: readonly Mark[]): number | null {
  const seen = marks.filter((m) => m.kind === 'fish' || m.kind === 'school').map((m) => m.depthM);
  return seen.length === 0 ? null : Math.min(...seen);
}

export type Listener = ReturnType<typeof useListener>;

/** Temperature that echoes are timed by, °C, taken anew only when a thermometer was read: a sounder that starts over forgets its marks. */
function useSounderTempC(outing: OutingState, hole: StationState): number {
  const { situation } = useOutlook();
  // Sound runs through the whole of the water: half way down stands for it. A hole is fished also where its water is not on this phone.
  const depthM = hole.depthM ?? hole.mapDepthM;
  const { value } = situation && depthM !== null ? temperatureAt(situation, depthM / 2) : (situation ?? unknownWater).temperature;
  const take = () => ({ readMs: outing.temperatures.at(-1)?.ms, tempC: Math.round(10 * value) / 10 });
  const [taken, setTaken] = useState(take);
  if (taken.readMs !== outing.temperatures.at(-1)?.ms) setTaken(take());
  return taken.tempC;
}
