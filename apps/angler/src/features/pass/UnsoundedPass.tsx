import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { speedsFor, trollingSpeed, type PassLine } from '@burrow/core/troll';
import { clockText, counted, depthText, tempText } from '@burrow/core/units';
import { useState, type ReactNode } from 'react';
import { FactsLine } from '@/features/fish/TargetChoice';
import { useNow } from '@/data/clock';
import { useFollowedPosition } from '@/data/position';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useTrack } from '@/data/track';
import { CastMeasures } from '@/features/cast/CastMeasures';
import { ColdWaterNote } from '@/features/cast/ColdWater';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { Action } from '@/ui/Action';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { DepthsSheet } from './DepthsSheet';
import { DepthHoursList, HoursByDepth, PassLog, SpeedLine } from './PassParts';
import { BandSteppers, BeganOver, PassExits, SpeedStepper } from './PassSettings';
import { StrikeSheets } from './StrikeSheets';
import { TrackView } from './TrackView';
import { passKeys } from './pass-keys';
import { usePassLines } from './usePassLines';
import { usePassLog } from './usePassLog';

/** Depths fished where nobody has said any and no bed is known, m: assumed. */
const assumedBand = { fromM: 1, toM: 5 } as const;

/** The depths to fish, and whether nobody said them. */
function useBand() {
  const { band: known } = useSituation();
  return { band: known?.value ?? assumedBand, isAssumed: known === null || known.by === 'assumed' };
}

/** Trolling where too few depths are known for a lane: one steers by the sounder, and lines, strikes, tracks and depths are logged all the same. */
export function UnsoundedPass({ outing, pass, water }: { outing: OutingState; pass: StationState; water: WaterDetail }) {
  const { units, troll } = usePreferences();
  const now = useNow(2000);
  const zone = water.file.water.timezone;
  const [sheet, setSheet] = useState<'strike' | 'fish' | 'depths' | 'more' | 'help' | null>(null);
  const close = () => setSheet(null);
  const position = useFollowedPosition();
  const here = position.fix?.at ?? null;
  const flush = useTrack({ id: outing.id, zone }, pass, here);
  const { speedMs, by: speedBy } = trollingSpeed(position.fix?.speedMs ?? null, position.recent, troll.speedMs);
  const { temperature } = useSituation();
  const { band, isAssumed } = useBand();
  const running = usePassLines({ outing, pass, water, band, waterM: null, speedMs, nowMs: now });
  const { lines, strikes, rows } = running;
  const entry = usePassLog({ outing, pass, zone, running, speedMs, onLogged: close });
  const strike = (line: PassLine, isUpper = false) => entry.strike(line, { isUpper, at: here, speedMs: speedBy === 'measured' ? speedMs : null });
  const turnRound = async () => {
    await flush();
    await entry.nextPass(here ?? pass.at);
  };
  const keys = passKeys({ lines, strike, turnRound, setSheet });
  const sounded = (depthM: number) => entry.sounded(depthM, `Depth ${depthText(depthM, units)}`);
  const log = <PassLog outing={outing} pass={pass} units={units} zone={zone} onUndo={(id) => entry.undo(id)} />;
  const isSetting = lines.length === 0;
  const warmth = temperature.by === 'assumed' ? 'not measured' : `${tempText(temperature.value, units)} ${temperature.by}`;
  const since = (id: string) => clockText(outing.lines.find((o) => o.id === id)?.downMs ?? now, zone);
  const movement = isSetting ? (
    <Action height={52} label="Set the lines" onPress={() => setSheet('depths')} />
  ) : (
    lines.map((l) => <Text key={l.id}>{`${l.name}: ${l.depthM === null ? 'no depth' : depthText(l.depthM, units)}, since ${since(l.id)}`}</Text>)
  );
  const sheets = (
    <>
      {sheet === 'depths' ? (
        <DepthsSheet control={{ running, log: entry, speed: { ms: speedMs, by: speedBy }, underM: null, legal: water.file.water.rules?.lines, onClose: close }} />
      ) : null}
      <StrikeSheets sheet={sheet} control={{ outing, pass, zone, lines, strikes, here, strike, landed: entry.landed }} onClose={close} />
      <KeysSheet keys={keys} open={sheet === 'help'} onClose={close} />
      {sheet === 'more' ? (
        <MoreUnsounded outing={outing} pass={pass} water={water} rows={rows} speed={{ ms: speedMs, by: speedBy }} flush={flush} onSounded={sounded} onClose={close}>
          {log}
        </MoreUnsounded>
      ) : null}
    </>
  );
  return (
    <StationFrame
      facts={<FactsLine facts={`Pass ${pass.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${warmth}, no depths known`} />}
      heading={isSetting ? 'Set the lines' : 'Steer by your sounder'}
      reason={
        isSetting
          ? `Their depths cover ${depthText(band.fromM, units)} to ${depthText(band.toM, units)}, ${!isAssumed ? 'yours' : 'assumed: set it under More'}.`
          : 'No lane without a map. Log the depth where each pass begins: three make one.'
      }
      movement={movement}
      picture={
        <>
          <TrackView pass={pass} here={here} strikes={strikes.flatMap((s) => (s.station === pass.id && s.at ? [s.at] : []))} why={position.why} />
          <LoggedBar logged={entry} onTop={0} />
        </>
      }
      strip={<SpeedLine speedMs={speedMs} speedBy={speedBy} units={units} says={strikes.length === 0 ? '' : counted(strikes.length, 'strike')} />}
      keys={keys}
      keysLabel="What you did and what happened"
      log={log}
      logTitle="This outing"
      overLog={<DepthHoursList rows={rows} units={units} />}
      sheets={sheets}
      isBusy={sheet !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

interface MoreProps {
  outing: OutingState;
  pass: StationState;
  water: WaterDetail;
  rows: ReturnType<typeof usePassLines>['rows'];
  speed: { ms: number; by: ReturnType<typeof trollingSpeed>['by'] };
  flush: () => Promise<void>;
  onSounded: (depthM: number) => Promise<void>;
  onClose: () => void;
  children: ReactNode;
}

/** What else there is on a pass without depths. */
function MoreUnsounded({ outing, pass, water, rows, speed, flush, onSounded, onClose, children }: MoreProps) {
  const { units, craft } = usePreferences();
  const { temperature } = useSituation();
  const { band, isAssumed } = useBand();
  return (
    <Sheet title={`Pass ${pass.label}`} open onClose={onClose}>
      <BeganOver pass={pass} onLog={onSounded} />
      <BandSteppers waterId={water.id} band={band} hint={isAssumed ? 'Assumed until you set it.' : 'Yours.'} />
      <SpeedStepper speedMs={speed.ms} speedBy={speed.by} speeds={speedsFor(outing.species[0], temperature.value)} />
      <PassExits outing={outing} flush={flush} />
      <ColdWaterNote
        tempC={temperature.by === 'assumed' ? null : temperature.value}
        method={methodOf(pass.method) ?? usualMethod}
        craft={craft === 'kayak' ? 'kayak' : 'boat'}
        units={units}
      />
      <CastMeasures outing={outing} station={pass.id} zone={water.file.water.timezone} levelM={0} units={units} onLogged={onClose} />
      <Text strong>Hours by depth on this water</Text>
      <HoursByDepth rows={rows} units={units} />
      {children}
    </Sheet>
  );
}
