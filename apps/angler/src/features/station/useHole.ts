import { adviceWords, memoryOf, type CoachMemory } from '@burrow/core/coach';
import { stayOrGo } from '@burrow/core/patch';
import { speciesOf } from '@burrow/core/fish';
import { holeSigns } from '@burrow/core/holes';
import type { StationState, OutingState, ReactionKind } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { useEffect, useMemo, useState } from 'react';
import { nowMs, useNow } from '@/data/clock';
import { saveFile } from '@/data/files';
import { useFlasher } from '@/data/flasher';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useAccount, useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { reactionWords } from './LogList';
import type { TakenReading } from './reading/ReadingSheet';
import { useStrikeSignal } from './useStrikeSignal';
import type { KeptReading } from './ByEye';
import { isTipUp } from './tip-ups';
import { useCall } from './useCall';

/** Water at the fishing depth in midwinter, °C, until a thermometer has been down. */
const assumedWaterC = 4;

export type HoleSheet = 'fish' | 'more' | 'clock' | 'help' | 'reading' | 'tip-ups' | 'responses' | 'rig';

/** A hole being fished: its flasher or the last reading by eye, what the coach says of it, its clock, and what can be logged there. */
export function useHole(outing: OutingState, hole: StationState) {
  const { isDemo } = useAccount();
  const { units, presentation, presentations } = usePreferences();
  const { ledger, state } = useLedger();
  const { detail } = useWater();
  const now = useNow(5000);
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const speciesId = outing.species[0];
  const waterTempC = outing.temperatures.at(-1)?.tempC ?? assumedWaterC;
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
  // Nothing is simulated for a hole of one's own: without a flasher of the demo there is none, and it is read by eye.
  const flasher = useFlasher(
    isDemo ? { mode: 'live', memory, speciesId, waterTempC, bottomM: hole.depthM ?? hole.mapDepthM ?? undefined, sceneId: 'stack', seed: outing.stations.indexOf(hole) + 1 } : null,
  );
  const [reading, setReading] = useState<KeptReading | null>(null);
  const [sheet, setSheet] = useState<HoleSheet | null>(isDemo || outing.reactions.some((r) => r.station === hole.id) ? null : 'reading');
  const [heard, setHeard] = useState<CoachMemory>();
  const [fishLine, setFishLine] = useState<string | null>(null);
  const [said, setSaid] = useState<{ text: string; undo: string } | null>(null);
  const line = outing.lines.findLast((l) => l.station === hole.id && l.upMs === null && !isTipUp(l));
  const name = presentations.find((p) => p.id === presentation)?.name ?? presentations[0].name;
  const { frame } = flasher;
  const advice = frame?.advice ?? reading?.advice ?? null;
  const words = advice && adviceWords(advice, units);
  const method = methodOf(hole.method) ?? usualMethod;
  const prior = method.clockPriors[speciesOf(speciesId).group];
  const clock = stayOrGo(holeSigns(outing, hole), prior, now);
  const scope = { id: outing.id, zone };
  const jigM = frame ? (frame.state.jigM ?? frame.lineM) : (reading?.advice.jigM ?? line?.depths.at(-1)?.depthM ?? null);
  const bottomM = frame?.state.bottomM ?? reading?.bottomM ?? hole.depthM;

  const isTaken = useStrikeSignal(flasher);
  useCall(flasher);
  const asksMemory = sheet === 'reading' || sheet === 'responses';
  const { memory: readMemory } = flasher;
  useEffect(() => {
    if (asksMemory) void readMemory().then(setHeard);
  }, [asksMemory, readMemory]);

  const openFish = (from: string | null) => {
    setFishLine(from);
    setSheet('fish');
  };
  const fishOn = outing.lines.find((l) => l.id === fishLine);
  const undo = (id: string) => void ledger.write(scope, 'undone', { target: id });
  const react = async (reaction: ReactionKind) => {
    const event = await ledger.write(scope, 'reaction', {
      station: hole.id,
      reaction,
      ...(line ? { line: line.id } : {}),
      ...(jigM === null ? {} : { depthM: jigM }),
      ...(bottomM === null ? {} : { bottomM }),
      ...(advice ? { cadence: advice.cadence.id } : {}),
    });
    setSaid({ text: `${reactionWords[reaction]} logged`, undo: event.id });
    flasher.reacted(reaction);
    if (reaction === 'bite') await flasher.strike();
  };
  const lowerLine = async () => {
    const event = await ledger.write(scope, 'line-down', { line: newId(), station: hole.id, rod: 'rod 1', presentation: name, ...(jigM === null ? {} : { depthM: jigM }) });
    setSaid({ text: `Line down: ${name}`, undo: event.id });
  };
  /** The jig goes to a depth; what a reading by eye says the mark did is logged where the jig hung then. */
  const setJig = (depthM: number, handMs?: number | null, read?: TakenReading) => {
    flasher.setLine(depthM, handMs);
    if (read?.reaction && line) void react(read.reaction);
    if (line) void ledger.write(scope, 'depth-set', { line: line.id, depthM });
  };

  const keepLog = async () => {
    const text = await flasher.log();
    if (text !== null) saveFile(`hole-${hole.label}.echo.ndjson`, 'application/x-ndjson', text);
    setSheet(null);
  };
  /** A reading by eye is acted on: the jig goes where it says. */
  const takeReading = (taken: TakenReading) => {
    setSheet(null);
    if (!isDemo) setReading({ ...taken, atMs: nowMs() });
    setJig(taken.advice.jigM, null, taken);
  };
  const fishLogged = (id: string, text: string) => {
    setSheet(null);
    setSaid({ text, undo: id });
    if (fishOn) void ledger.write(scope, 'line-up', { line: fishOn.id });
    else flasher.reacted('landed');
    setFishLine(null);
  };
  return {
    outing,
    hole,
    method,
    isDemo,
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
    setting: { speciesId, waterTempC },
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
