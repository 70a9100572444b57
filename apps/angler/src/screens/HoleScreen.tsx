import { adviceWords, holePriors, memoryOf, stayOrGo, type CoachMemory } from '@burrow/core/coach';
import { speciesOf } from '@burrow/core/fish';
import { holeSigns } from '@burrow/core/holes';
import type { HoleState, OutingState, ReactionKind } from '@burrow/core/ledger';
import { clockText, depthText } from '@burrow/core/units';
import { weatherAt } from '@burrow/core/weather';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { Action } from '@/components/Action';
import { Beat } from '@/components/Beat';
import { FishSheet } from '@/components/FishSheet';
import { HoleClock } from '@/components/HoleClock';
import { HoleMap } from '@/components/HoleMap';
import { FlagBar } from '@/components/hole/FlagBar';
import { NoHole } from '@/components/hole/NoHole';
import { ShownDepth } from '@/components/hole/ShownDepth';
import { RigSheet } from '@/components/hole/RigSheet';
import { TipUpSheet } from '@/components/hole/TipUpSheet';
import { isTipUp } from '@/components/hole/tip-ups';
import { ToldSheet } from '@/components/hole/ToldSheet';
import { useCall } from '@/components/hole/useCall';
import { LogList, reactionWords } from '@/components/LogList';
import { MoreSheet } from '@/components/MoreSheet';
import { Notice } from '@/components/Notice';
import { PlanNote } from '@/components/outlook/PlanNote';
import { ReadingSheet, type TakenReading } from '@/components/reading/ReadingSheet';
import { SimulatedBand } from '@/components/SimulatedBand';
import { ByEye, type KeptReading } from '@/components/hole/ByEye';
import { Sheet } from '@/components/Sheet';
import { Shaft } from '@/components/shaft/Shaft';
import { useWide } from '@/components/shell/Shell';
import { ThumbBar, type ThumbKey } from '@/components/ThumbBar';
import { useShortcuts } from '@/components/useShortcuts';
import { useTaken } from '@/components/useTaken';
import { useWakeLock } from '@/components/useWakeLock';
import { Words } from '@/components/Words';
import { nowMs, useNow } from '@/data/clock';
import { saveFile } from '@/data/files';
import { useFlasher } from '@/data/flasher';
import { newId } from '@/data/ledger';
import { usePreferences } from '@/data/preferences';
import { useAccount, useLedger } from '@/data/session';
import { useOuting, useWater, useWeather } from '@/data/water';
import { usePalette } from '@/theme/theme';

const Said = lazy(() => import('@/components/Said'));

/** What do I do right now? */
export function HoleScreen() {
  const outing = useOuting();
  const { ready } = useLedger();
  const { water } = useWater();
  const hole = outing?.holes.find((h) => h.id === outing.currentHole);
  if (!ready) return <Notice title="Opening the log" busy />;
  if (!outing || !hole) return <NoHole hasOuting={Boolean(outing)} isMoving={Boolean(water && isFlowing(water.kind))} />;
  return <AtHole key={hole.id} outing={outing} hole={hole} />;
}

/** Water at the fishing depth in midwinter, °C, until a thermometer has been down. */
const assumedWaterC = 4;

function AtHole({ outing, hole }: { outing: OutingState; hole: HoleState }) {
  useWakeLock();
  const { isDemo } = useAccount();
  const wide = useWide();
  const palette = usePalette();
  const { units, presentation, presentations } = usePreferences();
  const { ledger, state } = useLedger();
  const { detail, water } = useWater();
  const weather = useWeather(water?.id).data?.value;
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
    isDemo ? { mode: 'live', memory, speciesId, waterTempC, bottomM: hole.depthM ?? hole.mapDepthM ?? undefined, sceneId: 'stack', seed: outing.holes.indexOf(hole) + 1 } : null,
  );
  const [reading, setReading] = useState<KeptReading | null>(null);
  const [sheet, setSheet] = useState<'fish' | 'more' | 'clock' | 'help' | 'reading' | 'tip-ups' | 'told' | 'rig' | null>(
    isDemo || outing.reactions.some((r) => r.hole === hole.id) ? null : 'reading',
  );
  const [told, setTold] = useState<CoachMemory>();
  const [fishLine, setFishLine] = useState<string | null>(null);
  const [said, setSaid] = useState<{ text: string; undo: string } | null>(null);
  const line = outing.lines.findLast((l) => l.hole === hole.id && l.upMs === null && !isTipUp(l));
  const name = presentations.find((p) => p.id === presentation)?.name ?? presentations[0].name;
  const { frame } = flasher;
  const advice = frame?.advice ?? reading?.advice ?? null;
  const words = advice && adviceWords(advice, units);
  const prior = holePriors[speciesOf(speciesId).group];
  const clock = stayOrGo(holeSigns(outing, hole), prior, now);
  const scope = { id: outing.id, zone };
  const jigM = frame ? (frame.state.jigM ?? frame.lineM) : (reading?.advice.jigM ?? line?.depths.at(-1)?.depthM ?? null);
  const bottomM = frame?.state.bottomM ?? reading?.bottomM ?? hole.depthM;

  const isTaken = useTaken(flasher);
  useCall(flasher);
  const asksMemory = sheet === 'reading' || sheet === 'told';
  const { memory: readMemory } = flasher;
  useEffect(() => {
    if (asksMemory) void readMemory().then(setTold);
  }, [asksMemory, readMemory]);

  const openFish = (from: string | null) => {
    setFishLine(from);
    setSheet('fish');
  };
  const fishOn = outing.lines.find((l) => l.id === fishLine);
  const undo = (id: string) => void ledger.write(scope, 'undone', { target: id });
  const react = async (reaction: ReactionKind) => {
    const event = await ledger.write(scope, 'reaction', {
      hole: hole.id,
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
    const event = await ledger.write(scope, 'line-down', { line: newId(), hole: hole.id, rod: 'rod 1', presentation: name, ...(jigM === null ? {} : { depthM: jigM }) });
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

  const keys: ThumbKey[] = line
    ? [
        { id: 'looked', label: 'Looked', icon: 'eye', shortcut: 'L', onPress: () => void react('looked') },
        { id: 'refused', label: 'Refused', icon: 'refused', shortcut: 'R', onPress: () => void react('refused') },
        { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void react('bite') },
        { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', main: true, onPress: () => openFish(null) },
        { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
      ]
    : [
        { id: 'down', label: 'Line down', detail: name, icon: 'hole', main: true, shortcut: 'D', onPress: () => void lowerLine() },
        { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
      ];
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));

  const instruction = (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 8, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Words size="small" tone="second">
            {isDemo ? `Hole ${hole.label}` : `Hole ${hole.label}, no flasher connected: read yours by eye`}
          </Words>
          <View aria-live="polite" style={{ minHeight: 92 }}>
            <Words heading={1} size="title">
              {isTaken ? 'Rod tip down: strike' : (words?.instruction ?? (isDemo ? 'Listening to the flasher' : 'Read your flasher'))}
            </Words>
            <Words tone="second">
              {isTaken
                ? 'Tap Bite to set the hook. The tip is simulated.'
                : words
                  ? `${words.reason} ${words.then}`
                  : isDemo
                    ? 'The first pings take a second.'
                    : 'Bottom, jig, top mark and what it did: the next move follows from them.'}
            </Words>
          </View>
        </View>
        <HoleClock clock={clock} untilText={clockText(clock.stayUntilMs, zone)} onPress={() => setSheet('clock')} />
      </View>
      {advice?.ask && !isTaken ? (
        <Words size="small" strong>
          {advice.ask.text}
        </Words>
      ) : null}
      {advice && words ? <Beat advice={advice} words={words} /> : null}
      <FlagBar outing={outing} nowMs={now} onPress={() => setSheet('tip-ups')} />
    </View>
  );
  const shaft = isDemo ? (
    <>
      <SimulatedBand>{bandWords(frame?.source)}</SimulatedBand>
      <Shaft flasher={flasher} units={units} iceM={hole.clearIceM === null ? null : hole.clearIceM + (hole.whiteIceM ?? 0)} adviceM={advice?.jigM ?? null} onJig={setJig} />
    </>
  ) : (
    <ByEye hole={hole} reading={reading} jigM={jigM} units={units} timeZone={zone} onRead={() => setSheet('reading')} />
  );
  const goTo =
    advice && frame && Math.abs(advice.jigM - frame.lineM) > 0.15 ? (
      <View style={{ position: 'absolute', left: 92, bottom: 4 }}>
        <Action height={48} label={`Set jig to ${depthText(advice.jigM, units)}`} onPress={() => setJig(advice.jigM, advice.handMs)} />
      </View>
    ) : null;
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.hole === hole.id)} units={units} timeZone={zone} onUndo={undo} />;
  const sheets = (
    <>
      <FishSheet
        open={sheet === 'fish'}
        onClose={() => setSheet(null)}
        outing={outing}
        zone={zone}
        hole={fishOn?.hole ?? hole.id}
        line={fishOn?.id ?? line?.id}
        depthM={fishOn ? (fishOn.depths.at(-1)?.depthM ?? null) : jigM}
        bottomM={bottomM}
        airC={weather ? (weatherAt(weather.series, now)?.airC ?? null) : null}
        onLogged={(id, text) => {
          setSheet(null);
          setSaid({ text, undo: id });
          if (fishOn) void ledger.write(scope, 'line-up', { line: fishOn.id });
          else flasher.reacted('landed');
          setFishLine(null);
        }}
      />
      <MoreSheet
        open={sheet === 'more'}
        onClose={() => setSheet(null)}
        outing={outing}
        hole={hole}
        zone={zone}
        line={line}
        jigM={jigM}
        onReact={(kind) => void react(kind)}
        onSheet={setSheet}
        onKeep={isDemo ? () => void keepLog() : null}
        shown={frame && bottomM !== null ? <ShownDepth header={frame.header} bottomM={bottomM} units={units} /> : null}
        log={log}
      />
      {sheet === 'tip-ups' ? (
        <TipUpSheet onClose={() => setSheet(null)} outing={outing} hole={hole} zone={zone} units={units} bottomM={bottomM} nowMs={now} onFish={openFish} />
      ) : null}
      {sheet === 'told' ? <ToldSheet outing={outing} memory={told ?? answers} units={units} onClose={() => setSheet(null)} /> : null}
      {sheet === 'rig' ? <RigSheet jigM={jigM ?? bottomM ?? 5} units={units} onClose={() => setSheet(null)} /> : null}
      {sheet === 'reading' ? (
        <ReadingSheet
          memory={isDemo ? told : answers}
          expectedM={hole.mapDepthM}
          onClose={() => setSheet(null)}
          setting={{ speciesId, waterTempC, beamDeg: readingBeamDeg }}
          bottomM={bottomM}
          jigM={jigM}
          units={units}
          onTake={(taken) => {
            setSheet(null);
            if (!isDemo) setReading({ ...taken, atMs: nowMs() });
            setJig(taken.advice.jigM, null, taken);
          }}
        />
      ) : null}
      <Sheet title={clock.leftMin === 0 ? 'Move on' : `Stay until ${clockText(clock.stayUntilMs, zone)}`} open={sheet === 'clock'} onClose={() => setSheet(null)}>
        <Words>{clock.reason}</Words>
        <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
        <Words tone="second">{`Weighed against ${clock.elsewherePerHour.toFixed(1)} fish seen an hour elsewhere, ${prior.moveMin} minutes for the move already paid. Each look, refusal and bite moves it.`}</Words>
      </Sheet>
      <Sheet title="Keys" open={sheet === 'help'} onClose={() => setSheet(null)}>
        {keys.map((k) => (
          <Words key={k.id}>{`${k.shortcut}: ${k.label}`}</Words>
        ))}
        <Words>Arrow up and down on the shaft move the jig.</Words>
      </Sheet>
      {said === null ? null : (
        <Suspense fallback={null}>
          <Said key={said.undo} text={said.text} onUndo={() => undo(said.undo)} onDismiss={() => setSaid(null)} liftPx={wide ? 0 : 96} />
        </Suspense>
      )}
    </>
  );

  if (!wide) {
    return (
      <View style={{ flex: 1 }}>
        {instruction}
        <View style={{ flex: 1, minHeight: 0 }}>
          {shaft}
          {goTo}
        </View>
        <ThumbBar keys={keys} />
        {sheets}
      </View>
    );
  }
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1, borderRightWidth: 1, borderRightColor: palette.line }}>
        <HoleMap outing={outing} />
      </View>
      <View style={{ flex: 1.15, borderRightWidth: 1, borderRightColor: palette.line }}>
        {shaft}
        {goTo}
      </View>
      <View style={{ width: 400 }}>
        {instruction}
        <ThumbBar keys={keys} showShortcuts />
        <ScrollView contentContainerStyle={{ padding: 16 }}>
          <Words heading={2} size="lead">
            This hole
          </Words>
          {log}
        </ScrollView>
      </View>
      {sheets}
    </View>
  );
}

/** Beam of a flasher whose own is not known, °. Soft. */
const readingBeamDeg = 20;

/** What the picture shows, across it. */
const bandWords = (source: string | undefined) =>
  source === 'live'
    ? 'Flasher simulated, live: these fish are in no water'
    : source === 'local'
      ? 'No signal: simulated on this phone, these fish are in no water'
      : 'Simulated flasher coming on';
