import { bankCadences, pauseS, castText } from '@burrow/core/casting';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { trollSpeedText } from '@burrow/core/troll';
import { clamp, depthText, distanceText, metresPerDepthUnit, metresPerYard, tempText } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { change, setTroll, usePreferences } from '@/data/preferences';
import { useSituation } from '@/data/outlook';
import { CastMeasures } from '@/features/cast/CastMeasures';
import { ColdWaterNote } from '@/features/cast/ColdWater';
import { RetrieveBeat } from '@/features/cast/RetrieveBeat';
import { SchoolField } from '@/features/station/SchoolField';
import { TurnBackNote } from '@/features/station/TurnBackNote';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { ThumbKey } from '@/ui/ThumbBar';
import { DepthsSheet } from './DepthsSheet';
import { HoursByDepth } from './PassParts';
import { BandSteppers, PassExits, SpeedStepper } from './PassSettings';
import { StrikeSheets } from './StrikeSheets';
import type { PassControl } from './usePass';

/** Everything that opens over the pass. */
export function PassSheets({ control, keys, log }: { control: PassControl; keys: readonly ThumbKey[]; log: ReactNode }) {
  const { units } = usePreferences();
  const { outing, pass, water, sheet, setSheet, running, advice, follow, log: entry, place } = control;
  const { answer, lane, speed, underM } = advice;
  const zone = water.file.water.timezone;
  const legal = water.file.water.rules?.lines;
  const close = () => setSheet(null);
  return (
    <>
      {sheet === 'depths' ? <DepthsSheet control={{ running, log: entry, speed, underM, legal, onClose: close }} /> : null}
      {sheet === 'more' ? <MorePass control={control} log={log} /> : null}
      <StrikeSheets
        sheet={sheet}
        control={{ outing, pass, zone, lines: running.lines, strikes: running.strikes, here: place.at, strike: control.drive.strike, landed: entry.landed }}
        onClose={close}
      />
      <Sheet title={answer.headline} open={sheet === 'why'} onClose={close}>
        <Text>{answer.detail}</Text>
        {lane ? (
          <Text>{`The lane is ${distanceText(lane.lengthM, units)} long, ${Math.round(100 * lane.inBandShare)} % of it over ${depthText(follow.fromM, units)} to ${depthText(follow.toM, units)} of water; the deepest bait keeps ${depthText(Math.max(0, lane.leastClearanceM), units)} off the bed by the map. A map has its doubt: watch the sounder.`}</Text>
        ) : null}
        <Text strong>Hours by depth on this water</Text>
        <HoursByDepth rows={running.rows} units={units} />
      </Sheet>
      <KeysSheet keys={keys} open={sheet === 'help'} onClose={close} />
    </>
  );
}

/** A rip takes about so long, s. */
const ripS = 1.5;
const rip = bankCadences.find((c) => c.id === 'rip-pause') ?? bankCadences[0];

/** What is wanted less often on a pass. */
function MorePass({ control, log }: { control: PassControl; log: ReactNode }) {
  const { craft, units, troll } = usePreferences();
  const { wind } = useSituation();
  const { outing, pass, water, settings, setSheet, advice, drive } = control;
  const { drift, speed } = advice;
  const { flush } = drive;
  const zone = water.file.water.timezone;
  const method = methodOf(pass.method) ?? usualMethod;
  const close = () => setSheet(null);
  const unitM = metresPerDepthUnit(units);
  const farM = units.distance === 'yd' ? metresPerYard : 1;
  const rest = pauseS(settings.temp.value, rip.id);
  const band = settings.band;
  return (
    <Sheet title={`${method.station} ${pass.label}`} open onClose={close}>
      <SchoolField outing={outing} station={pass.id} zone={zone} moved={control.place.at ? { station: pass.at, now: control.place.at } : undefined} onLogged={close} />
      <Text strong>Line in the propeller: engine off first.</Text>
      <TurnBackNote outing={outing} at={control.place.at ?? pass.at} zone={zone} />
      <Choice
        label="How you go"
        wrap
        options={[
          { id: 'lane', label: 'Along a lane' },
          { id: 'drift', label: 'Drift with the wind' },
        ]}
        value={troll.isDrift ? 'drift' : 'lane'}
        onChange={(id) => setTroll({ isDrift: id === 'drift' })}
      />
      {troll.isDrift ? (
        <>
          <Text>
            {drift
              ? `About ${trollSpeedText(drift.speedMs, units)} along ${Math.round(drift.towardDeg)}°, ${distanceText(drift.lengthM, units)} before it gets too shallow: a rule of thumb from a wind of ${trollSpeedText(wind?.value.speedMs ?? 0, units)}.`
              : 'The wind is not known here, or carries you ashore.'}
          </Text>
          <Action selected={troll.hasSock} height={56} label={troll.hasSock ? 'Drift sock is out' : 'Drift sock'} onPress={() => setTroll({ hasSock: !troll.hasSock })} />
          <Text strong>Rip and hang</Text>
          <RetrieveBeat way={{ cadence: rip, moveS: ripS, restS: rest, hardRestS: rest }} hasHard={false} units={units} />
        </>
      ) : null}
      <SpeedStepper speedMs={speed.ms} speedBy={speed.by} speeds={control.speeds} />
      <Stepper
        label="Tightest turn"
        text={distanceText(troll.turnM, units)}
        onStep={(d) => setTroll({ turnM: clamp(troll.turnM + d * 2.5 * farM, 5, 100) })}
        hint="Radius that the lines can follow without crossing."
      />
      <Stepper
        label="Clear of the bed"
        text={depthText(troll.clearanceM, units)}
        onStep={(d) => setTroll({ clearanceM: clamp(troll.clearanceM + d * unitM * (units.depth === 'ft' ? 0.5 : 0.2), 0, 5) })}
      />
      <Stepper label="Length of the lane" text={distanceText(troll.laneM, units)} onStep={(d) => setTroll({ laneM: clamp(troll.laneM + d * 100 * farM, 50, 3000) })} />
      <BandSteppers waterId={water.id} band={band} hint={`Now ${settings.bandBy}.`} />
      {settings.bandBy === 'yours' ? <Action label="Back to the depths foretold" onPress={() => change({ castBand: null })} /> : null}
      <PassExits outing={outing} flush={flush} />
      <ColdWaterNote tempC={settings.temp.by === 'assumed' ? null : settings.temp.value} method={method} craft={craft === 'kayak' ? 'kayak' : 'boat'} units={units} />
      <CastMeasures outing={outing} station={pass.id} zone={zone} levelM={control.ground.levelM} units={units} onLogged={close} />
      <Text
        size="small"
        tone="second"
      >{`Water ${tempText(settings.temp.value, units)}, ${settings.temp.by}. Fish of this water are looked for at ${castText(band.fromM, units)} to ${castText(band.toM, units)}.`}</Text>
      <View style={{ gap: 6 }}>
        <Text strong>This outing</Text>
        {log}
      </View>
    </Sheet>
  );
}
