import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { floatRule, swimName, type BagSoFar } from '@burrow/core/pole';
import { clockText, depthText, fishLengthText, tempText, weightText, type UnitPreference } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
import { FactsLine } from '@/features/fish/TargetChoice';
import { usePreferences } from '@/data/preferences';
import { useWater } from '@/data/water';
import { useWide } from '@/features/shell/Shell';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import type { ThumbKey } from '@/ui/ThumbBar';
import { PegSection } from './section/PegSection';
import { PegSheets } from './PegSheets';
import { RunView } from './RunView';
import { SwimsPane } from './SwimsPane';
import { usePeg, type PegControl } from './usePeg';

/** What to do on which swim, until when? */
export function PegScreen({ outing, station }: { outing: OutingState; station: StationState }) {
  const { detail } = useWater();
  const water = detail.data?.value;
  if (!water) return <Notice title="Opening the water" busy />;
  return <AtPeg key={station.peg} outing={outing} station={station} water={water} />;
}

function AtPeg({ outing, station, water }: { outing: OutingState; station: StationState; water: WaterDetail }) {
  const palette = usePalette();
  const wide = useWide();
  const control = usePeg(outing, station, water);
  const { units } = usePreferences();
  const { zone, sheets, advice, temp, log: entry } = control;
  const { peg, species } = advice;
  const setSheet = sheets.show;
  const keys = pegKeys(control, outing.fish.at(-1)?.species, units);
  const ids = new Set(peg.swims.map((s) => s.id));
  const log = (
    <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && ids.has(e.station))} units={units} timeZone={zone} onUndo={(id) => entry.undo(id)} />
  );
  const section = (
    <>
      <PegSection control={control} />
      <LoggedBar logged={entry} />
    </>
  );
  return (
    <StationFrame
      facts={<FactsLine facts={`Peg ${peg.label}, pole, ${speciesOf(species).short.toLowerCase()}, water ${tempText(temp.value, units)} ${temp.by}`} />}
      heading={advice.headline}
      reason={advice.detail}
      why={{ label: 'Why', onOpen: () => setSheet('why') }}
      movement={<PegMovement control={control} />}
      picture={section}
      below={<RunView control={control} />}
      belowShare={0.87}
      strip={wide ? null : <BagLine control={control} />}
      keys={keys}
      keysLabel="What you did and what happened"
      log={log}
      logTitle="This peg"
      overLog={<Bag control={control} />}
      panes={[
        <View key="section" style={{ flex: 1 }}>
          <View style={{ flex: 1.2, minHeight: 0 }}>{section}</View>
          <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>
            <RunView control={control} />
          </View>
        </View>,
        <ScrollPane key="swims" label="The swims">
          <SwimsPane control={control} />
        </ScrollPane>,
      ]}
      sheets={<PegSheets control={control} keys={keys} log={log} />}
      isBusy={sheets.open !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

/** The keys of a peg, with the fish that was caught last here today. */
function pegKeys({ pole, own, sheets, along, advice, log: entry }: PegControl, last: string | undefined, units: UnitPreference): ThumbKey[] {
  const { swapsTo, here } = advice;
  const setSheet = sheets.show;
  // One tap logs another of the last one caught here today; before the first, and of no size said, it is asked.
  const again = last === undefined || pole.classMm === null ? null : { species: last, classMm: pole.classMm, fate: pole.fate };
  return [
    { id: 'bite', label: 'Bite', detail: along.m === null ? undefined : depthText(Math.abs(along.m), units), icon: 'bite', shortcut: 'B', onPress: () => void entry.bite() },
    {
      id: 'fish',
      label: 'Fish',
      detail: again ? fishLengthText(again.classMm, units) : undefined,
      icon: 'fish',
      shortcut: 'F',
      main: true,
      onPress: () => (again ? void entry.landed(again) : setSheet('fish')),
      onHold: () => setSheet('fish'),
    },
    {
      id: 'fed',
      label: 'Fed',
      detail: own.ball ? '1 ball' : undefined,
      icon: 'fed',
      shortcut: 'E',
      onPress: () => entry.feedAgain(here),
      onHold: () => setSheet('feed'),
    },
    {
      id: 'swap',
      label: 'Swap',
      detail: swapsTo ? `to ${swimName(swapsTo, units)}` : undefined,
      icon: 'swap',
      shortcut: 'S',
      onPress: () => (swapsTo ? void entry.swap(swapsTo) : setSheet('more')),
    },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
}

/** The one tap that does what is advised, and the rig. */
function PegMovement({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { advice, sheets } = control;
  const action = pegAction(control, units) ?? { label: advice.feed.label, spoken: 'Feed', onPress: () => sheets.show('feed') };
  return (
    <View style={{ flexDirection: 'row', gap: 8, minHeight: 52 }}>
      <Action grow kind="plain" {...action} />
      {advice.step === 'fish' ? <Action label="Rig" onPress={() => sheets.show('rig')} /> : null}
    </View>
  );
}

/** What the advice comes to as a tap; null where it is to go on as one does. */
function pegAction({ advice, sheets, log }: PegControl, units: UnitPreference): { label: string; onPress: () => void } | null {
  const { step, offered, flow, peg, here, feed, swapTo: better } = advice;
  if (step === 'plumb') return { label: 'Plumb it', onPress: () => sheets.show('plumb') };
  if (step === 'choose') return { label: offered ? 'Choose these swims' : 'Choose a swim', onPress: () => sheets.show('swims') };
  if (flow.ms === null) return { label: 'Time the float', onPress: () => sheets.show('flow') };
  const unfed = peg.swims.filter((s) => s.outM !== null).findLast((s) => s.fedMs.length === 0);
  if (unfed && here.stays.length === 0) return { label: `Feed ${swimName(unfed, units)}: ${feed.label.toLowerCase()}`, onPress: () => log.feedAgain(unfed) };
  if (log.line === undefined) return { label: `Line down on ${swimName(here, units)}`, onPress: () => void log.lineDown() };
  if (better) return { label: `Swap to ${swimName(better, units)}`, onPress: () => void log.swap(better) };
  const { wait, change } = advice;
  const isChange = change.id === floatRule.id || (wait.isUnusual && change.id !== 'pole.change.none-yet' && change.id !== 'pole.change.reason');
  return isChange ? { label: `Done: ${change.label.toLowerCase()}`, onPress: () => void log.answers.changed() } : null;
}

const spread = ({ bag }: BagSoFar, units: UnitPreference) => (bag ? `± ${weightText(bag.highG - bag.totalG, units)}` : '');

/** Count, weight with its spread, and rate. */
function BagLine({ control }: { control: PegControl }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { bag } = control.advice;
  return (
    <Pressable
      role="button"
      aria-label={`${bag.count} fish${bag.bag ? `, ${weightText(bag.bag.totalG, units)} ${spread(bag, units)}` : ''}, ${Math.round(bag.perHour)} an hour. Weigh some`}
      onPress={() => control.sheets.show('weigh')}
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'center',
        minHeight: 48,
        paddingHorizontal: 16,
        backgroundColor: palette.card,
        borderTopWidth: 1,
        borderTopColor: palette.line,
      }}
    >
      <Text strong size="lead">{`${bag.count} fish`}</Text>
      <Text>
        <Text strong size="lead">
          {bag.bag ? weightText(bag.bag.totalG, units) : bag.count > 0 ? 'not weighed' : ''}
        </Text>
        <Text tone="second">{bag.bag ? ` ${spread(bag, units)}` : ''}</Text>
      </Text>
      <Text>
        <Text strong size="lead">{`${Math.round(bag.perHour)}`}</Text>
        <Text tone="second"> an hour</Text>
      </Text>
    </Pressable>
  );
}

/** The bag by size class, and when the weight that one fishes for is reached. */
function Bag({ control }: { control: PegControl }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { zone, pole } = control;
  const { bag, peg, target } = control.advice;
  const most = Math.max(1, ...bag.classes.map((c) => c.count));
  return (
    <View style={{ gap: 8, paddingBottom: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between' }}>
        <Text>
          <Text strong size="title">
            {bag.count}
          </Text>
          <Text strong> fish</Text>
        </Text>
        <Text>
          <Text strong size="lead">
            {bag.bag ? weightText(bag.bag.totalG, units) : ''}
          </Text>
          <Text tone="second">{bag.bag ? ` ${spread(bag, units)}` : ''}</Text>
        </Text>
      </View>
      <Text
        size="small"
        tone="second"
      >{`${Math.round(bag.perHour)} an hour since ${clockText(peg.sinceMs, zone)}${bag.bag && bag.count > 0 ? `, ${weightText(bag.bag.totalG / Math.max(1, bag.count - bag.unknown), units)} each` : ''}${bag.unknown > 0 ? `; ${bag.unknown} of unknown weight` : ''}`}</Text>
      {bag.classes.map((c) => (
        <View key={`${c.species} ${c.classMm}`} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text size="small" style={{ width: 52 }}>
            {c.classMm === null ? 'any' : fishLengthText(c.classMm, units)}
          </Text>
          <View style={{ flex: 1, height: 13, flexDirection: 'row', gap: 2 }}>
            {Array.from({ length: Math.min(c.count, 24) }, (_, k) => (
              <View key={k} style={{ flexGrow: 0, flexBasis: `${88 / Math.max(12, Math.min(most, 24))}%`, borderRadius: 2, backgroundColor: palette.kelp }} />
            ))}
          </View>
          <Text
            size="small"
            tone="second"
          >{`${c.count} ${speciesOf(c.species).short.toLowerCase()}, ${weightText(c.bag.totalG, units)}${c.by === 'weighed' ? ' weighed' : ''}`}</Text>
        </View>
      ))}
      {target && pole.targetG !== null ? (
        <Text size="small">{`${weightText(pole.targetG, units)} by about ${clockText(target.atMs, zone)}, give or take ${Math.round(target.giveMs / 60_000)} min.`}</Text>
      ) : null}
      <Action height={48} label="Weigh some" onPress={() => control.sheets.show('weigh')} />
    </View>
  );
}
