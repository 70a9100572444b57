import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { laneEndText } from '@burrow/core/troll';
import { counted, depthText, tempText } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { useWide } from '@/features/shell/Shell';
import { LoggedBar } from '@/features/station/LoggedBar';
import { Action } from '@/ui/Action';
import { ClockRing } from '@/ui/ClockRing';
import { Notice } from '@/ui/Notice';
import { Text } from '@/ui/Text';
import { useShortcuts } from '@/ui/useShortcuts';
import { useWakeLock } from '@/ui/useWakeLock';
import type { Ground } from '@/workers/ground.api';
import { LaneMap } from './LaneMap';
import { LinesView } from './LinesView';
import { PassFrame, PassLog, SpeedLine } from './PassFrame';
import { PassSheets } from './PassSheets';
import { UnsoundedPass } from './UnsoundedPass';
import { passKeys } from './pass-keys';
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
  const control = usePass(outing, pass, water, ground);
  const { units, zone, sheet, setSheet, undo, rows, speedMs, speedBy, untried, strikes } = control;
  const keys = passKeys(control);
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));
  const log = <PassLog outing={outing} pass={pass} units={units} zone={zone} onUndo={(id) => undo(id)} />;
  const map = (
    <>
      <LaneMap control={control} />
      <LoggedBar logged={control} />
    </>
  );
  const says = strikes.length > 0 ? counted(strikes.length, 'strike') : untried ? `not yet tried: ${depthText(untried.fromM, units)} to ${depthText(untried.toM, units)}` : '';
  return (
    <>
      <PassFrame
        advice={<Advice control={control} />}
        map={map}
        lines={<LinesView control={control} />}
        speed={<SpeedLine speedMs={speedMs} speedBy={speedBy} units={units} says={says} />}
        keys={keys}
        rows={rows}
        log={log}
        units={units}
      />
      <PassSheets control={control} keys={keys} log={log} />
    </>
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
