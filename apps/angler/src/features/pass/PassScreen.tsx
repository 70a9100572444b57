import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { laneEndText } from '@burrow/core/troll';
import { counted, depthText, tempText } from '@burrow/core/units';
import { FactsLine } from '@/features/fish/TargetChoice';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { Action } from '@/ui/Action';
import { ClockRing } from '@/ui/ClockRing';
import { Notice } from '@/ui/Notice';
import { Text } from '@/ui/Text';
import type { Ground } from '@/workers/ground.api';
import { LaneMap } from './LaneMap';
import { LinesView } from './LinesView';
import { DepthHoursList, PassLog, SpeedLine } from './PassParts';
import { PassSheets } from './PassSheets';
import { UnsoundedPass } from './UnsoundedPass';
import { passKeys } from './pass-keys';
import { usePass, type PassControl } from './usePass';

/** What to run and where to steer? */
export function PassScreen({ outing, station: pass }: { outing: OutingState; station: StationState }) {
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
  const control = usePass(outing, pass, water, ground);
  const { units } = usePreferences();
  const { sheet, setSheet, running, settings, advice, log: entry, drive } = control;
  const { rows, untried, strikes, lines } = running;
  const { answer, speed } = advice;
  const zone = water.file.water.timezone;
  const keys = passKeys({ lines, strike: drive.strike, turnRound: drive.turnRound, setSheet });
  const log = <PassLog outing={outing} pass={pass} units={units} zone={zone} onUndo={(id) => entry.undo(id)} />;
  const says = strikes.length > 0 ? counted(strikes.length, 'strike') : untried ? `not yet tried: ${depthText(untried.fromM, units)} to ${depthText(untried.toM, units)}` : '';
  return (
    <StationFrame
      facts={<FactsLine facts={`Pass ${pass.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${tempText(settings.temp.value, units)} ${settings.temp.by}`} />}
      heading={answer.headline}
      reason={answer.detail}
      why={{ label: 'Why', onOpen: () => setSheet('why') }}
      clock={<ToTurn control={control} />}
      movement={<PassMovement control={control} />}
      picture={
        <>
          <LaneMap control={control} />
          <LoggedBar logged={entry} />
        </>
      }
      below={<LinesView control={control} />}
      belowShare={0.7}
      strip={<SpeedLine speedMs={speed.ms} speedBy={speed.by} units={units} says={says} />}
      keys={keys}
      keysLabel="What you did and what happened"
      log={log}
      logTitle="This outing"
      overLog={<DepthHoursList rows={rows} units={units} />}
      sheets={<PassSheets control={control} keys={keys} log={log} />}
      isBusy={sheet !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

/** A turn so many seconds off fills the ring. */
const ringS = 180;

/** How long to the next turn. */
function ToTurn({ control: { advice, setSheet } }: { control: PassControl }) {
  const { answer } = advice;
  const seconds = answer.step === 'back' ? null : answer.toTurnS;
  if (seconds === null) return null;
  return (
    <ClockRing
      figure={`${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')}`}
      unit="min"
      share={Math.min(1, seconds / ringS)}
      caption="to the turn"
      spoken={`${Math.round(seconds)} seconds to the turn`}
      onPress={() => setSheet('why')}
    />
  );
}

/** The tap that does what is advised, else how far the lane goes on. */
function PassMovement({ control }: { control: PassControl }) {
  const { troll } = usePreferences();
  const { advice, setSheet, now, water } = control;
  const { answer, lane, place, speed } = advice;
  if (answer.step === 'lines') return <Action kind="plain" height={52} label="Set the lines" onPress={() => setSheet('depths')} />;
  if (answer.step === 'draw') return <Action kind="plain" height={52} label="They are set so" onPress={() => void control.log.drawLines()} />;
  if (!lane || !place || troll.isDrift) return null;
  return (
    <Text size="small" tone="second" numberOfLines={1}>
      {`To its end by ${laneEndText(lane, place, speed.ms, now, water.file.water.timezone)}, ${Math.round(100 * lane.inBandShare)} % over the depths to follow`}
    </Text>
  );
}
