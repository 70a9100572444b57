import { adviceWords, memoryOf, type CoachMemory } from '@burrow/core/coach';
import { stayOrGo } from '@burrow/core/patch';
import { speciesOf } from '@burrow/core/fish';
import { holeSigns } from '@burrow/core/holes';
import type { StationState, OutingState, ReactionKind } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { temperatureAt, unknownWater } from '@burrow/core/situation';
import { depthStepM } from '@burrow/core/units';
import { useEffect, useMemo, useState } from 'react';
import { useNow } from '@/data/clock';
import { saveFile } from '@/data/files';
import { useOutlook } from '@/data/outlook';
import { newId } from '@/data/ids';
import { tied, unsaidBait, useOnTheLine, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { reactionWords } from '@/features/entries/kinds';
import { useStrikeSignal } from './useStrikeSignal';
import { isTipUp } from './tip-ups';
import { marksDid, useReading } from './reading/useReading';
import { useCall } from './useCall';
import { useDevice } from './useDevice';
import { useLogged } from './useLogged';

export type HoleSheet = 'fish' | 'more' | 'clock' | 'help' | 'why' | 'tip-ups' | 'responses' | 'rig';

/** Beam of a flasher whose own is not known, °. Heuristic. */
const readingBeamDeg = 20;

/** A hole being fished: its flasher or the last reading by eye, what the coach says of it, its clock, and what can be logged there. */
export function useHole(outing: OutingState, hole: StationState) {
  const { units } = usePreferences();
  const piece = useOnTheLine();
  const { ledger, state } = useLedger();
  const { detail } = useWater();
  const now = useNow(5000);
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const speciesId = outing.species[0];
  const waterTempC = useSounderTempC(outing, hole);
  const band = useOutlook().situation?.band?.value ?? null;
  // What was told before; what is told from here on the coach at a flasher hears itself, and a reading by eye is given anew.
  const answers = useMemo(
    () =>
      memoryOf(
        outing.reactions,
        state.outings.filter((o) => o.id !== outing.id && o.water === outing.water).flatMap((o) => o.reactions),
      ),
    [outing, state.outings],
  );
  const [memory] = useState(answers);
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
  const [sheet, setSheet] = useState<HoleSheet | null>(null);
  const [heard, setHeard] = useState<CoachMemory>();
  const [fishLine, setFishLine] = useState<string | null>(null);
  const line = outing.lines.findLast((l) => l.station === hole.id && l.upMs === null && !isTipUp(l));
  const name = piece?.name ?? unsaidBait;
  const { frame } = flasher;
  const lineM = line?.depths.at(-1)?.depthM ?? null;
  const reading = useReading(
    hole,
    { speciesId, waterTempC, beamDeg: readingBeamDeg, band },
    hasFlasher ? (heard ?? answers) : answers,
    { jigM: lineM ?? frame?.lineM ?? null, bottomM: frame?.state.bottomM ?? null },
    units,
  );
  const advice = (isByEye ? reading.readings[0]?.advice : frame?.advice) ?? null;
  const words = advice && adviceWords(advice, units);
  const method = methodOf(hole.method) ?? usualMethod;
  const prior = method.clockPriors[speciesOf(speciesId).group];
  const clock = stayOrGo(holeSigns(outing, hole), prior, now);
  const scope = { id: outing.id, zone };
  const { said, setSaid, undo, log } = useLogged(scope);
  const jigM = isByEye || !frame ? reading.jigM : (frame.state.jigM ?? frame.lineM);
  const bottomM = (isByEye ? reading.bottomM : frame?.state.bottomM) ?? hole.depthM;

  const isTaken = useStrikeSignal(flasher);
  useCall(flasher);
  const { searchIn } = flasher;
  const [fromM, toM, isListening] = [band?.fromM, band?.toM, frame !== null];
  useEffect(() => {
    if (isListening && fromM !== undefined && toM !== undefined) searchIn({ fromM, toM });
  }, [searchIn, fromM, toM, isListening]);
  const asksMemory = isReadingByEye || sheet === 'responses';
  const { memory: readMemory } = flasher;
  useEffect(() => {
    if (asksMemory) void readMemory().then(setHeard);
  }, [asksMemory, readMemory]);

  const openFish = (from: string | null) => {
    setFishLine(from);
    setSheet('fish');
  };
  const fishOn = outing.lines.find((l) => l.id === fishLine);
  const react = async (reaction: ReactionKind, atM = jigM) => {
    const body = {
      station: hole.id,
      reaction,
      ...(line ? { line: line.id } : {}),
      ...(atM === null ? {} : { depthM: atM }),
      ...(bottomM === null ? {} : { bottomM }),
      ...(advice ? { cadence: advice.cadence.id } : {}),
    };
    await log(`${reactionWords[reaction]} logged`, [{ kind: 'reaction', body }]);
    flasher.reacted(reaction);
    if (reaction === 'bite') await flasher.strike();
  };
  const lowerLine = () =>
    log(`Line down: ${name}`, [{ kind: 'line-down', body: { line: newId(), station: hole.id, rod: 'rod 1', ...tied(piece), ...(jigM === null ? {} : { depthM: jigM }) } }]);
  /** The jig goes to a depth. */
  const setJig = (depthM: number, handMs?: number | null) => {
    flasher.setLine(depthM, handMs);
    reading.moved(depthM);
    if (line) void ledger.write(scope, 'depth-set', { line: line.id, depthM });
  };
  /** A reading by eye: the coach answers it, where the jig hung is logged, and what the mark did. */
  const takeReading = (did: Parameters<typeof reading.take>[0]) => {
    const taken = reading.take(did);
    if (!taken) return;
    const { reaction } = marksDid.find((m) => m.id === did)!;
    if (line) {
      if (lineM === null || Math.abs(taken.jigM - lineM) > 0.05) void ledger.write(scope, 'depth-set', { line: line.id, depthM: taken.jigM });
      if (reaction) void react(reaction, taken.jigM);
      return;
    }
    // Who reads a jig has it in the water.
    const lowered = newId();
    void log(`Line down: ${name}`, [
      { kind: 'line-down', body: { line: lowered, station: hole.id, rod: 'rod 1', ...tied(piece), depthM: taken.jigM } },
      ...(reaction ? [{ kind: 'reaction' as const, body: { station: hole.id, reaction, line: lowered, depthM: taken.jigM, bottomM: taken.bottomM } }] : []),
    ]);
  };

  const keepLog = async () => {
    const text = await flasher.log();
    if (text !== null) saveFile(`hole-${hole.label}.echo.ndjson`, 'application/x-ndjson', text);
    setSheet(null);
  };
  const fishLogged = (id: string, text: string) => {
    setSheet(null);
    setSaid({ text, undo: [id] });
    if (fishOn) void ledger.write(scope, 'line-up', { line: fishOn.id });
    else flasher.reacted('landed');
    setFishLine(null);
  };
  return {
    outing,
    hole,
    method,
    device,
    hasFlasher,
    isByEye,
    setReadingByEye,
    units,
    zone,
    now,
    flasher,
    reading,
    answers,
    heard,
    advice,
    words,
    isTaken,
    clock,
    prior,
    line,
    fishOn,
    jigM,
    bottomM,
    presentation: name,
    sheet,
    setSheet,
    said,
    setSaid,
    openFish,
    undo,
    react,
    lowerLine,
    setJig,
    takeReading,
    fishLogged,
    keepLog,
  };
}

export type HoleControl = ReturnType<typeof useHole>;

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
