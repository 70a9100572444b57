import type { StationState, OutingState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { depthText } from '@burrow/core/units';
import { View } from 'react-native';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { Action } from '@/ui/Action';
import { CastScreen } from '@/features/cast/CastScreen';
import { PassScreen } from '@/features/pass/PassScreen';
import { PegScreen } from '@/features/peg/PegScreen';
import { HoleMap } from './HoleMap';
import { ReadingView, readingKeysPx } from './reading/ReadingView';
import { HoleSheets } from './HoleSheets';
import { Instruction } from './Instruction';
import { NoHole } from './NoHole';
import { useHole } from './useHole';
import { LoggedBar } from './LoggedBar';
import { LogList } from './LogList';
import { Notice } from '@/ui/Notice';
import { ScrollPane } from '@/ui/ScrollPane';
import { SimulatedBand } from '@/ui/SimulatedBand';
import { WaterColumnView } from '@/features/station/shaft/WaterColumnView';
import { useWide } from '@/features/shell/Shell';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';
import { useShortcuts } from '@/ui/useShortcuts';
import { useWakeLock } from '@/ui/useWakeLock';
import { Text } from '@/ui/Text';
import { useLedger } from '@/data/session';
import { useOuting, useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';

/** What do I do right now? */
export function HoleScreen() {
  const outing = useOuting();
  const { ready } = useLedger();
  const { water } = useWater();
  const hole = outing?.stations.find((h) => h.id === outing.currentStation);
  if (!ready) return <Notice title="Opening the log" busy />;
  if (!outing || !hole)
    return <NoHole hasOuting={Boolean(outing)} isMoving={Boolean(water && isFlowing(water.kind))} method={(outing && methodOf(outing.method)) ?? usualMethod} />;
  const picture = methodOf(hole.method)?.picture;
  if (picture === 'fan') return <CastScreen outing={outing} stand={hole} />;
  if (picture === 'section') return <PegScreen outing={outing} station={hole} />;
  if (picture === 'lane') return <PassScreen outing={outing} pass={hole} />;
  return <AtHole key={hole.id} outing={outing} hole={hole} />;
}

function AtHole({ outing, hole }: { outing: OutingState; hole: StationState }) {
  useWakeLock();
  const wide = useWide();
  const palette = usePalette();
  const control = useHole(outing, hole);
  const { isByEye, units, zone, now, flasher, reading, advice, line, jigM, sheet, setSheet, openFish, undo, react, lowerLine, setJig, takeReading } = control;
  const { frame } = flasher;
  const keys: ThumbKey[] = line
    ? [
        { id: 'looked', label: 'Looked', icon: 'eye', shortcut: 'L', onPress: () => void react('looked') },
        { id: 'refused', label: 'Refused', icon: 'refused', shortcut: 'R', onPress: () => void react('refused') },
        { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void react('bite') },
        { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', main: true, onPress: () => openFish(null) },
        { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
      ]
    : [
        { id: 'down', label: 'Line down', detail: control.presentation, icon: 'hole', main: true, shortcut: 'D', onPress: () => void lowerLine() },
        { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => openFish(null) },
        { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
      ];
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));

  const iceM = hole.clearIceM === null ? null : hole.clearIceM + (hole.whiteIceM ?? 0);
  const shaft = isByEye ? (
    <ReadingView reading={reading} units={units} iceM={iceM} adviceM={advice?.jigM ?? null} nowMs={now} onDid={takeReading} />
  ) : (
    <>
      {frame?.source === 'log' ? (
        <SimulatedBand>A recorded log is playing: it is not this hole</SimulatedBand>
      ) : frame?.isSimulated !== false && control.device.kind !== 'stream' ? (
        <SimulatedBand>{bandWords(frame?.source)}</SimulatedBand>
      ) : frame?.isSimulated ? (
        <SimulatedBand>This flasher says that it is simulated: these fish are in no water</SimulatedBand>
      ) : null}
      <WaterColumnView flasher={flasher} units={units} iceM={iceM} adviceM={advice?.jigM ?? null} onJig={setJig} />
      {flasher.failure && frame ? (
        <View style={{ position: 'absolute', left: 92, right: 8, top: 40, padding: 8, borderRadius: 8, backgroundColor: palette.strawGround }} aria-live="polite">
          <Text size="small" strong tone="straw">
            {flasher.failure}
          </Text>
        </View>
      ) : null}
    </>
  );
  const hangsM = isByEye ? jigM : (frame?.lineM ?? null);
  const goTo =
    advice && hangsM !== null && Math.abs(advice.jigM - hangsM) > 0.15 ? (
      <View style={{ position: 'absolute', ...(isByEye ? { right: readingKeysPx + 8, top: 88 } : { left: 92, bottom: 4 }) }}>
        <Action height={48} label={`Set jig to ${depthText(advice.jigM, units)}`} onPress={() => setJig(advice.jigM, advice.handMs)} />
      </View>
    ) : null;
  const undoBar = <LoggedBar logged={control} onTop={isByEye ? readingKeysPx : 0} />;
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === hole.id)} units={units} timeZone={zone} onUndo={(id) => undo(id)} />;
  if (!wide) {
    return (
      <View style={{ flex: 1 }}>
        <Instruction control={control} />
        <View style={{ flex: 1, minHeight: 0 }}>
          {shaft}
          {goTo}
          {undoBar}
        </View>
        <ThumbBar keys={keys} />
        <HoleSheets control={control} keys={keys} log={log} />
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
        {undoBar}
      </View>
      <View style={{ width: 400 }}>
        <Instruction control={control} />
        <ThumbBar keys={keys} showShortcuts />
        <ScrollPane label={`This ${control.method.station.toLowerCase()}`} gap={0}>
          <Text heading={2} size="lead">
            {`This ${control.method.station.toLowerCase()}`}
          </Text>
          {log}
        </ScrollPane>
      </View>
      <HoleSheets control={control} keys={keys} log={log} />
    </View>
  );
}

/** What the picture shows, across it. */
const bandWords = (source: string | undefined) =>
  source === 'live'
    ? 'Flasher simulated, live: these fish are in no water'
    : source === 'local'
      ? 'No signal: simulated on this phone, these fish are in no water'
      : 'Simulated flasher coming on';
