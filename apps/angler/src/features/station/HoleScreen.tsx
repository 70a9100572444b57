import { speciesOf } from '@burrow/core/fish';
import { isBegun } from '@burrow/core/holes';
import type { StationState, OutingState } from '@burrow/core/ledger';
import { spinText } from '@burrow/core/rig';
import { agoText, clockText, depthText } from '@burrow/core/units';
import { cloudTurnText } from '@burrow/core/weather';
import { View } from 'react-native';
import { FactsLine } from '@/features/fish/TargetChoice';
import { Action } from '@/ui/Action';
import { HoleMap } from './HoleMap';
import { ReadingView, readingKeysPx } from './reading/ReadingView';
import { HoleSheets } from './HoleSheets';
import { useHole, type HoleControl } from './useHole';
import type { Listener } from './useListener';
import { Beat } from './Beat';
import { FlagBar } from './FlagBar';
import { HoleClock } from './HoleClock';
import { StationFrame } from './StationFrame';
import { LoggedBar } from './LoggedBar';
import { LogList } from './LogList';
import { SimulatedBand } from '@/ui/SimulatedBand';
import { WaterColumnView } from '@/features/station/shaft/WaterColumnView';
import type { ThumbKey } from '@/ui/ThumbBar';
import { Text } from '@/ui/Text';
import { useOutlook } from '@/data/outlook';
import { useOnTheLine, usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';

/** At a hole, and over a spot: the water under it, and the jig in it. */
export function HoleScreen({ outing, station: hole }: { outing: OutingState; station: StationState }) {
  const control = useHole(outing, hole);
  const { units } = usePreferences();
  const { zone, now, listener, round, lead, isTaken, clock, method, sheet, show, log: entry } = control;
  const { isByEye, reading, advice, words } = listener;
  const keys = holeKeys(control);
  const spin = useSpin(control);
  const sky = useOutlook().outlook?.cloudTurn;
  // One thing beside the beat: what the fish ask for goes before what the sky does.
  const beside = spin ?? advice?.suggestion?.text ?? (sky ? cloudTurnText(sky, zone) : null);
  const readByEye = reading.readings[0] ? `read by eye, ${agoText(now - reading.readings[0].atMs)}` : 'read your flasher by eye';
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === hole.id)} units={units} timeZone={zone} onUndo={(id) => entry.undo(id)} />;
  const shaft = (
    <>
      <Shaft control={control} />
      <SetJig control={control} />
      <LoggedBar logged={entry} onTop={isByEye ? readingKeysPx : 0} />
    </>
  );
  return (
    <StationFrame
      facts={<FactsLine facts={`${method.station} ${hole.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}${isByEye ? `, ${readByEye}` : ''}`} />}
      heading={isTaken ? 'Rod tip down: strike' : (lead?.headline ?? words?.instruction ?? (isByEye ? 'Read your flasher' : 'Listening to the flasher'))}
      reason={holeReason(control)}
      reasonLines={4}
      why={{ label: 'Why, and what would change it', onOpen: () => show('why'), isOff: words === null || isTaken }}
      clock={isBegun(outing, hole) ? <HoleClock clock={clock} round={round} untilText={clockText(clock.stayUntilMs, zone)} onPress={() => show('clock')} /> : null}
      movement={
        <>
          <View style={{ height: suggestionPx }}>
            {beside && !isTaken ? (
              <Text size="small" strong numberOfLines={1}>
                {beside}
              </Text>
            ) : null}
          </View>
          <View style={{ height: beatPx }}>{advice && words ? <Beat advice={advice} words={words} /> : null}</View>
          <FlagBar outing={outing} nowMs={now} onPress={() => show('tip-ups')} />
        </>
      }
      picture={shaft}
      keys={keys}
      log={log}
      logTitle={`This ${method.station.toLowerCase()}`}
      panes={[<HoleMap key="map" outing={outing} />, shaft]}
      sheets={<HoleSheets control={control} keys={keys} log={log} />}
      isBusy={sheet !== null}
      onHelp={() => show('help')}
    />
  );
}

/** A light jig on a twisted line is let hang first. */
function useSpin({ line, hole, now }: HoleControl): string | null {
  const { kit } = usePreferences();
  const piece = useOnTheLine(hole.method);
  return line ? spinText(kit.rods[0]?.reel ?? null, piece?.tackle?.massG ?? null, (now - line.downMs) / 1000) : null;
}

/** Room for the suggestion and the beat, px: with and without them the picture under them keeps its size. */
const [suggestionPx, beatPx] = [20, 64] as const;

/** Why the advice is given, or what is to be done before there is any. */
function holeReason({ isTaken, lead, listener }: HoleControl): string {
  const { words, isByEye } = listener;
  if (isTaken) return 'Tap Bite to set the hook. The tip is simulated.';
  if (lead) return lead.detail;
  if (words) return `${words.reason} ${words.then}`;
  return isByEye ? 'Touch the picture where bottom, jig and top mark are, then say what the mark did.' : 'The first pings take a second.';
}

/** What can be tapped with a line in the water, and before one is. */
function holeKeys({ line, listener, isUnread, show, log }: HoleControl): ThumbKey[] {
  const { react, looked } = log;
  const more: ThumbKey = { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => show('more') };
  if (!line)
    return [
      // What is seen before a line goes in: one tap, with the depth of the top mark where it is read.
      ...(isUnread
        ? [
            { id: 'marks', label: 'Marks', icon: 'eye' as const, shortcut: 'L', onPress: () => void looked('school', listener.topMarkM) },
            { id: 'nothing', label: 'Nothing', icon: 'refused' as const, shortcut: 'N', onPress: () => void looked('empty', null) },
          ]
        : []),
      { id: 'down', label: 'Line down', ...(isUnread ? {} : { detail: log.bait }), icon: 'hole', main: true, shortcut: 'D', onPress: () => void log.lowerLine() },
      { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => show('fish') },
      more,
    ];
  return [
    { id: 'looked', label: 'Looked', icon: 'eye', shortcut: 'L', onPress: () => void react('looked') },
    { id: 'refused', label: 'Refused', icon: 'refused', shortcut: 'R', onPress: () => void react('refused') },
    { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void react('bite') },
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', main: true, onPress: () => show('fish') },
    more,
  ];
}

const iceOf = (hole: StationState) => (hole.clearIceM === null ? null : hole.clearIceM + (hole.whiteIceM ?? 0));

/** The water under the hole: as it is read by eye, or as the flasher has it, with what is not of this water said across it. */
function Shaft({ control }: { control: HoleControl }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { hole, now, listener } = control;
  const { isByEye, flasher, reading, advice, device } = listener;
  const { setJig, takeReading } = control.log;
  const { frame } = flasher;
  if (isByEye) return <ReadingView reading={reading} units={units} iceM={iceOf(hole)} adviceM={advice?.jigM ?? null} nowMs={now} onDid={takeReading} />;
  return (
    <>
      <Unreal frame={frame} device={device} />
      <WaterColumnView flasher={flasher} units={units} iceM={iceOf(hole)} adviceM={advice?.jigM ?? null} onJig={setJig} />
      {flasher.failure && frame ? (
        <View style={{ position: 'absolute', left: 92, right: 8, top: 40, padding: 8, borderRadius: 8, backgroundColor: palette.strawGround }} aria-live="polite">
          <Text size="small" strong tone="straw">
            {flasher.failure}
          </Text>
        </View>
      ) : null}
    </>
  );
}

/** Says of a picture that it is none of this water. */
function Unreal({ frame, device }: { frame: Listener['flasher']['frame']; device: Listener['device'] }) {
  if (frame?.source === 'log') return <SimulatedBand>A recorded log is playing: it is not this hole</SimulatedBand>;
  if (frame?.isSimulated !== false && device.kind !== 'stream') return <SimulatedBand>{bandWords(frame?.source)}</SimulatedBand>;
  return frame?.isSimulated ? <SimulatedBand>This flasher says that it is simulated: these fish are in no water</SimulatedBand> : null;
}

/** Takes the jig to where it is advised, where it hangs elsewhere. */
function SetJig({ control: { listener, log } }: { control: HoleControl }) {
  const { units } = usePreferences();
  const { isByEye, jigM, flasher, advice } = listener;
  const hangsM = isByEye ? jigM : (flasher.frame?.lineM ?? null);
  if (!advice || hangsM === null || Math.abs(advice.jigM - hangsM) <= 0.15) return null;
  return (
    <View style={{ position: 'absolute', ...(isByEye ? { right: readingKeysPx + 8, top: 88 } : { left: 92, bottom: 4 }) }}>
      <Action height={48} label={`Set jig to ${depthText(advice.jigM, units)}`} onPress={() => log.setJig(advice.jigM, advice.handMs)} />
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
