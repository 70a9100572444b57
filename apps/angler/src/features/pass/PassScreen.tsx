import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { depthHoursText, laneEndText, trollSpeedText } from '@burrow/core/troll';
import { counted, depthText, tempText } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { useWide } from '@/features/shell/Shell';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { ClockRing } from '@/ui/ClockRing';
import { Notice } from '@/ui/Notice';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';
import { useShortcuts } from '@/ui/useShortcuts';
import { useWakeLock } from '@/ui/useWakeLock';
import type { Ground } from '@/workers/ground.api';
import { LaneMap } from './LaneMap';
import { LinesView } from './LinesView';
import { PassSheets } from './PassSheets';
import { UnsoundedPass } from './UnsoundedPass';
import { usePass, type PassControl } from './usePass';

/** What to run and where to steer? */
export function PassScreen({ outing, pass }: { outing: OutingState; pass: StationState }) {
  const { detail } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);
  if (!water || (ground.isPending && !ground.data)) return <Notice title="Drawing the bed" busy />;
  if (!ground.data) return <UnsoundedPass outing={outing} pass={pass} water={water} />;
  return <OnPass outing={outing} pass={pass} water={water} ground={ground.data} />;
}

function OnPass({ outing, pass, water, ground }: { outing: OutingState; pass: StationState; water: WaterDetail; ground: Ground }) {
  useWakeLock();
  const wide = useWide();
  const palette = usePalette();
  const control = usePass(outing, pass, water, ground);
  const { units, zone, lines, sheet, setSheet, undo, strike, turnRound, rows } = control;
  const keys: ThumbKey[] = [
    {
      id: 'strike',
      label: 'Strike',
      detail: lines.length > 1 ? 'which line' : undefined,
      icon: 'bite',
      shortcut: 'S',
      onPress: () => (lines.length === 1 ? void strike(lines[0]) : setSheet('strike')),
    },
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', main: true, onPress: () => setSheet('fish') },
    { id: 'turn', label: 'Turn', detail: 'next pass', icon: 'turn', shortcut: 'T', onPress: () => void turnRound() },
    { id: 'depths', label: 'Depths', icon: 'depths', shortcut: 'D', onPress: () => setSheet('depths') },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));
  const undoBar = <LoggedBar logged={control} />;
  const passes = new Set(outing.stations.filter((s) => s.kind === pass.kind).map((s) => s.id));
  const log = (
    <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && passes.has(e.station))} units={units} timeZone={zone} onUndo={(id) => undo(id)} />
  );
  const map = (
    <>
      <LaneMap control={control} />
      {undoBar}
    </>
  );
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        <Advice control={control} />
        <View style={{ flex: 1.3, minHeight: 0 }}>{map}</View>
        <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>
          <LinesView control={control} />
        </View>
        <SpeedLine control={control} />
        <ThumbBar keys={keys} label="What you did and what happened" />
        <PassSheets control={control} keys={keys} log={log} />
      </View>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1.2, borderRightWidth: 1, borderRightColor: palette.line }}>
        <View style={{ flex: 1.6, minHeight: 0 }}>{map}</View>
        <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>
          <LinesView control={control} />
        </View>
      </View>
      <View style={{ width: 420 }}>
        <Advice control={control} />
        <ThumbBar keys={keys} showShortcuts label="What you did and what happened" />
        <SpeedLine control={control} />
        <ScrollPane label="Hours by depth and the log">
          <Text heading={2} size="lead">
            Hours by depth
          </Text>
          {rows.map((h) => (
            <Text key={h.fromM} size="small" tone={h.strikes > 0 ? 'kelp' : h.hours < 0.05 ? 'second' : 'ink'}>
              {depthHoursText(h, units)}
            </Text>
          ))}
          <Text heading={2} size="lead">
            This outing
          </Text>
          {log}
        </ScrollPane>
      </View>
      <PassSheets control={control} keys={keys} log={log} />
    </View>
  );
}

/** Room for the words, px: whatever they say, the picture under them keeps its size. */
const wordsPx = 116;
/** A turn so many seconds off fills the ring. */
const ringS = 180;

/** What to do now, why, and how long to the next turn. */
function Advice({ control }: { control: PassControl }) {
  const { pass, outing, settings, units, answer, setSheet, drawLines, lane, place, speedMs, now, zone, troll } = control;
  const seconds = answer.step === 'back' ? null : answer.toTurnS;
  const action =
    answer.step === 'lines'
      ? { label: 'Set the lines', onPress: () => setSheet('depths') }
      : answer.step === 'draw'
        ? { label: 'They are set so', onPress: () => void drawLines() }
        : null;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 8, paddingBottom: 6, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Text size="small" tone="second" numberOfLines={1}>
            {`Pass ${pass.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${tempText(settings.temp.value, units)} ${settings.temp.by}`}
          </Text>
          <Pressable role="button" aria-label="Why" onPress={() => setSheet('why')} style={{ height: wordsPx, overflow: 'hidden' }}>
            <View aria-live="polite">
              <Text heading={1} size="title" numberOfLines={2}>
                {answer.headline}
              </Text>
              <Text tone="second" numberOfLines={2}>
                {answer.detail}
              </Text>
            </View>
          </Pressable>
        </View>
        {seconds === null ? null : (
          <ClockRing
            figure={`${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')}`}
            unit="min"
            share={Math.min(1, seconds / ringS)}
            caption="to the turn"
            spoken={`${Math.round(seconds)} seconds to the turn`}
            onPress={() => setSheet('why')}
          />
        )}
      </View>
      {action ? <Action kind="plain" height={52} label={action.label} onPress={action.onPress} /> : null}
      {lane && place && !action && !troll.isDrift ? (
        <Text size="small" tone="second" numberOfLines={1}>
          {`To its end by ${laneEndText(lane, place, speedMs, now, zone)}, ${Math.round(100 * lane.inBandShare)} % over the depths to follow`}
        </Text>
      ) : null}
    </View>
  );
}

/** Speed, strikes, and what nobody has tried. */
function SpeedLine({ control }: { control: PassControl }) {
  const palette = usePalette();
  const { speedMs, units, untried, strikes, speedBy } = control;
  return (
    <View
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'center',
        minHeight: 44,
        paddingHorizontal: 16,
        backgroundColor: palette.card,
        borderTopWidth: 1,
        borderTopColor: palette.line,
      }}
    >
      <Text>
        <Text strong size="lead">
          {trollSpeedText(speedMs, units)}
        </Text>
        <Text size="small" tone="second">
          {speedBy === 'measured' ? '' : ` ${speedBy}`}
        </Text>
      </Text>
      <Text size="small" tone="second">
        {strikes.length > 0 ? counted(strikes.length, 'strike') : untried ? `not yet tried: ${depthText(untried.fromM, units)} to ${depthText(untried.toM, units)}` : ''}
      </Text>
    </View>
  );
}
