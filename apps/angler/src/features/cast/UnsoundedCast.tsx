import { bearingText, floatWords } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { tempText } from '@burrow/core/units';
import type { WaterDetail } from '@burrow/contract/api';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { FactsLine } from '@/features/fish/TargetChoice';
import { FishSheet } from '@/features/station/FishSheet';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { Action } from '@/ui/Action';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import type { ThumbKey } from '@/ui/ThumbBar';
import { CastMeasures } from './CastMeasures';
import { CastAnswers, CastHabits, FeltOutThere, straightDown } from './CastParts';
import { CastBait } from './CastBait';
import { ColdWaterNote } from './ColdWater';
import { Dial } from './Dial';
import { FlatSheet } from './FlatSheet';
import { RetrieveBeat } from './RetrieveBeat';
import { useUnsoundedCast } from './useUnsoundedCast';

/** Casting where too few depths are known for a map: one aims by oneself, and all that happens is logged all the same. */
export function UnsoundedCast({ outing, stand, water }: { outing: OutingState; stand: StationState; water: WaterDetail }) {
  const { units } = usePreferences();
  const zone = water.file.water.timezone;
  const control = useUnsoundedCast(outing, stand, zone);
  const { way, float, rule, made, line, logged, aim, sheets, log } = control;
  const { temperature, airC } = useSituation();
  const keys: ThumbKey[] = [
    { id: 'cast', label: 'Cast', detail: bearingText(aim.bearingDeg), icon: 'cast', shortcut: 'C', main: true, onPress: () => void log.cast() },
    ...(float
      ? [
          { id: 'bite', label: 'Under', icon: 'bite' as const, shortcut: 'B', onPress: () => void log.react('bite', 'Bite logged: under', { float: 'under' }) },
          { id: 'flat', label: 'Flat', icon: 'minus' as const, shortcut: 'R', onPress: () => sheets.open('flat') },
        ]
      : [
          { id: 'felt', label: 'Felt rock', icon: 'rock' as const, shortcut: 'R', onPress: () => void log.felt('hard') },
          { id: 'bite', label: 'Bite', icon: 'bite' as const, shortcut: 'B', onPress: () => void log.react('bite', 'Bite logged') },
        ]),
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => sheets.open('fish') },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => sheets.open('more') },
  ];
  const entries = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === stand.id)} units={units} timeZone={zone} onUndo={(id) => logged.undo(id)} />;
  const toAim = 'Three depths make a map, and then the casts that show most are worked out.';
  const plain =
    rule.aim === 'best'
      ? { headline: 'Aim, cast, count it down', detail: `Drag the rod to where you cast. ${way.why.reason} ${toAim}` }
      : { headline: rule.headline, detail: rule.reason };
  const words = floatWords(float, rule, plain, `Drag the rod to where you cast. ${toAim}`);
  return (
    <StationFrame
      facts={
        <FactsLine
          facts={`Stand ${stand.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${tempText(temperature.value, units)} ${temperature.by}, no depths known`}
        />
      }
      heading={words.headline}
      reason={words.detail}
      reasonLines={4}
      movement={<RetrieveBeat way={way} hasHard={false} units={units} />}
      picture={
        <>
          <Dial bearingDeg={aim.bearingDeg} made={made} onAim={aim.set} />
          <LoggedBar logged={logged} onTop={0} />
        </>
      }
      keys={keys}
      keysLabel="What you did and what happened"
      log={entries}
      logTitle="This stand"
      sheets={
        <>
          <FishSheet
            open={sheets.sheet === 'fish'}
            onClose={sheets.close}
            outing={outing}
            zone={zone}
            station={stand.id}
            line={line?.id}
            depthM={float?.stopM ?? null}
            bottomM={null}
            airC={airC?.value ?? null}
            onLogged={(id, text) => {
              logged.setSaid({ text, undo: [id] });
              sheets.close();
            }}
          />
          <KeysSheet keys={keys} arrows="Arrows on the picture turn the aim." open={sheets.sheet === 'help'} onClose={sheets.close} />
          {sheets.sheet === 'flat' && float ? (
            <FlatSheet
              float={float}
              units={units}
              onReact={(reaction, text, how) => void log.react(reaction, text, how)}
              onStop={(toM) => void log.setStop(toM)}
              onClose={sheets.close}
            />
          ) : null}
          {sheets.sheet === 'more' ? (
            <MoreUnsounded outing={outing} stand={stand} zone={zone} control={control}>
              {entries}
            </MoreUnsounded>
          ) : null}
        </>
      }
      isBusy={sheets.sheet !== null}
      onHelp={() => sheets.open('help')}
    />
  );
}

interface MoreProps {
  outing: OutingState;
  stand: StationState;
  zone: string;
  control: ReturnType<typeof useUnsoundedCast>;
  children: ReactNode;
}

/** What else there is at a stand without depths. */
function MoreUnsounded({ outing, stand, zone, control: { float, log, sheets }, children }: MoreProps) {
  const { units, craft } = usePreferences();
  const { ledger } = useLedger();
  const router = useRouter();
  const { temperature } = useSituation();
  const tempC = temperature.value;
  return (
    <Sheet title={`Stand ${stand.label}`} open onClose={sheets.close}>
      <CastAnswers onReact={(reaction, text, how) => void log.react(reaction, text, how)} />
      <FeltOutThere onFelt={(what) => void log.felt(what)} says="How far out is reckoned by the time since the cast." />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Action
          grow
          height={64}
          label="Straight down here"
          onPress={() => void ledger.writeAll({ id: outing.id, zone }, straightDown(outing, stand, stand.depthM)).then(sheets.close)}
        />
        <Action grow height={64} icon="walk" label="Leave this stand" onPress={() => router.navigate('/water')} />
        <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
      </View>
      <CastBait float={float} onChanged={() => void log.liftLine()} onStop={(toM) => void log.setStop(toM)} />
      <ColdWaterNote tempC={temperature.by === 'assumed' ? null : tempC} method={methodOf(stand.method) ?? usualMethod} craft={craft} units={units} />
      <CastHabits />
      <CastMeasures outing={outing} station={stand.id} zone={zone} levelM={0} units={units} onLogged={sheets.close} />
      {children}
    </Sheet>
  );
}
