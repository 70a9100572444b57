import { castPlaceText, castsText, castText, viewpointLine } from '@burrow/core/casting';
import { depthText, liftText, metresPerDepthUnit, tempText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { useSituation } from '@/data/outlook';
import { PlanNote } from '@/features/outlook/PlanNote';
import { FishSheet } from '@/features/station/FishSheet';
import { TornBait } from '@/features/station/TornBait';
import { SchoolField } from '@/features/station/SchoolField';
import { TurnBackNote } from '@/features/station/TurnBackNote';
import { Action } from '@/ui/Action';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { ThumbKey } from '@/ui/ThumbBar';
import { CastMeasures } from './CastMeasures';
import { ColdWater } from './ColdWater';
import { CastAnswers, CastHabits, FeltOutThere } from './CastParts';
import { CastBait } from './CastBait';
import { FlatSheet } from './FlatSheet';
import type { CastControl } from './useCast';

/** Everything that opens over the stand. */
export function CastSheets({ control, keys, log }: { control: CastControl; keys: readonly ThumbKey[]; log: ReactNode }) {
  const { units } = usePreferences();
  const { outing, stand, now, sheet, setSheet, advice } = control;
  const { line, onCast, goTo, standAt } = control.log;
  const { clock, backText, back } = advice;
  const { next } = control.shown;
  const zone = control.water.file.water.timezone;
  const airC = useSituation().airC?.value ?? null;
  const close = () => setSheet(null);
  return (
    <>
      <FishSheet
        open={sheet === 'fish'}
        onClose={close}
        outing={outing}
        zone={zone}
        station={stand.id}
        line={line?.id}
        depthM={advice.float?.stopM ?? null}
        bottomM={null}
        airC={airC}
        onCast={onCast}
        onLogged={(id, text) => control.log.fish(text, id)}
      />
      {sheet === 'more' ? <MoreCast control={control} log={log} /> : null}
      <Sheet title={clock.castsLeft === 0 ? 'Move on' : castsText(clock.castsLeft, clock.untilMs, zone)} open={sheet === 'clock'} onClose={close}>
        <Text>{clock.reason}</Text>
        <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
        {backText && back ? <Action height={64} label={backText} onPress={() => void goTo(back.place.id).then(close)} /> : null}
        {next ? (
          <>
            <Text>{`The next stand shows ${next.times.toFixed(1)} times as much a cast, the ${castText(next.walkM, units)} there counted in.`}</Text>
            <Action kind="main" height={64} label="I am there: stand on the ring" onPress={() => void standAt(next.at).then(close)} />
          </>
        ) : (
          <Text tone="second">No stand within reach shows more a cast than this one, the way counted in.</Text>
        )}
        <Text tone="second">{`A cast takes about ${clock.minPerCast.toFixed(1)} min here; moving costs ${clock.moveMin} min.`}</Text>
      </Sheet>
      {sheet === 'flat' && advice.float ? (
        <FlatSheet
          float={advice.float}
          units={units}
          onReact={(reaction, text, how) => void control.log.react(reaction, text, how)}
          onStop={(toM) => void control.log.setStop(toM)}
          onClose={close}
        />
      ) : null}
      <CastWhy control={control} onClose={close} />
      <KeysSheet keys={keys} arrows="Arrows on the map turn the aim; on the section they move the bait." open={sheet === 'help'} onClose={close} />
    </>
  );
}

/** Why this cast, and how to bring it back, with every figure it was worked out from. */
function CastWhy({ control, onClose }: { control: CastControl; onClose: () => void }) {
  const { units } = usePreferences();
  const { settings, advice } = control;
  const { rule, words, cast, retrieve } = advice;
  return (
    <Sheet title={words?.headline ?? 'Why'} open={control.sheet === 'why'} onClose={onClose}>
      <Text>{words?.detail ?? ''}</Text>
      <Text strong>{rule.reason}</Text>
      <Text tone="second">{viewpointLine(rule.viewpoint)}</Text>
      <Text>{retrieve.worked ? `${retrieve.cadence.name}: ${retrieve.worked.does}` : `${retrieve.cadence.name}: ${retrieve.cadence.how} ${retrieve.why.reason}`}</Text>
      {retrieve.why.viewpoint ? <Text tone="second">{viewpointLine(`${retrieve.why.viewpoint} here; others drag where these hop`)}</Text> : null}
      {cast.divedText ? <Text>{cast.divedText}</Text> : null}
      <Text>{`${cast.divedText ? '' : `Let it down ${depthText(cast.section.landsM, units)}: ${retrieve.fallS === null ? 'count it, its mass is not in the box' : `${Math.round(retrieve.fallS)} s on a slack line`}. `}Rest ${Math.round(retrieve.restS)} s between moves at ${tempText(settings.temp.value, units)} (${settings.temp.by}).`}</Text>
      {advice.woodText ? <Text tone="straw">{advice.woodText}</Text> : null}
      {cast.bowText ? <Text tone="straw">{cast.bowText}</Text> : null}
      {advice.places.map((row) => (
        <Text key={row.place}>{castPlaceText(row)}</Text>
      ))}
      <Text tone="second">{`Fish move ${liftText(settings.query.strikeM, units)} to a bait here: a rule of thumb by temperature and clarity (sight ${depthText(settings.secchiM, units)}). So clear, keep ${castText(settings.query.shyM ?? 0, units)} off them: water nearer to you counts a fifth.`}</Text>
    </Sheet>
  );
}

/** What is wanted less often at a stand: other answers, other ground, the reach, the depths, measurements, other stands. */
function MoreCast({ control, log }: { control: CastControl; log: ReactNode }) {
  const { units } = usePreferences();
  const { outing, stand, settings, advice, bait, setSheet, method } = control;
  const { underM } = advice;
  const { react, felt, goDown, goTo, line, setStop, liftLine } = control.log;
  const router = useRouter();
  const { band, bandBy } = settings;
  const close = () => setSheet(null);
  const others = outing.stations.filter((s) => s.id !== stand.id && s.method === stand.method);
  const unitM = metresPerDepthUnit(units);
  const step = unitM * (units.depth === 'ft' ? 2 : 0.5);
  const moveBand = (end: 'fromM' | 'toM', d: 1 | -1) => {
    const moved = { ...band, [end]: Math.max(0.2, band[end] + d * step) };
    if (moved.toM - moved.fromM >= 0.3) change({ castBand: { water: control.water.id, ...moved } });
  };
  return (
    <Sheet title={`${method.station} ${stand.label}`} open onClose={close}>
      <CastAnswers onReact={(reaction, text, how) => void react(reaction, text, how)} />
      <TornBait outing={outing} station={stand.id} zone={control.water.file.water.timezone} onLogged={close} />
      <SchoolField outing={outing} station={stand.id} zone={control.water.file.water.timezone} onLogged={close} />
      <FeltOutThere
        onFelt={(what) => void felt(what)}
        says={`Logged ${castText(bait.outM, units)} out, ${bait.isByTime ? 'reckoned by the time since the cast: touch the section to set it' : 'where you touched the section'}.`}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {underM !== null && underM > 1.5 ? <Action grow height={64} label="Straight down here" onPress={() => void goDown().then(close)} /> : null}
        <Action grow height={64} icon="walk" label="Leave this stand" onPress={() => router.navigate('/water')} />
        <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
      </View>
      <CastBait float={advice.float} onChanged={() => void liftLine()} onStop={(toM) => void setStop(toM)} />
      {others.length > 0 ? (
        <View style={{ gap: 6 }}>
          <Text strong>Rest it, and go back to</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {others.map((s) => (
              <Action key={s.id} height={64} label={`Stand ${s.label}`} onPress={() => void goTo(s.id).then(close)} />
            ))}
          </View>
        </View>
      ) : null}
      <ColdWater control={control} />
      <TurnBackNote outing={outing} at={stand.at} zone={control.water.file.water.timezone} />
      <CastHabits />
      {settings.isMoving ? null : (
        <>
          <Stepper label="Depths: from" text={depthText(band.fromM, units)} onStep={(d) => moveBand('fromM', d)} hint={`Now ${bandBy}.`} />
          <Stepper label="Depths: to" text={depthText(band.toM, units)} onStep={(d) => moveBand('toM', d)} />
          {bandBy === 'yours' ? <Action label="Back to the depths foretold" onPress={() => change({ castBand: null })} /> : null}
        </>
      )}
      <CastMeasures outing={outing} station={stand.id} zone={control.water.file.water.timezone} levelM={control.ground.levelM} units={units} onLogged={close} />
      {line ? null : (
        <Text size="small" tone="second">
          The first cast here puts your presentation on the line.
        </Text>
      )}
      <View style={{ gap: 6 }}>
        <Text strong>This stand</Text>
        {log}
      </View>
    </Sheet>
  );
}
