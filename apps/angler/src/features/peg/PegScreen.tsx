import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { swimName } from '@burrow/core/pole';
import { clockText, fishLengthText, tempText, weightText } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
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
import { PegSection } from './PegSection';
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
  const { units, zone, pole, species, sheet, setSheet, undo, alongM, runText, swapTo, here, answer, temp } = control;
  const keys: ThumbKey[] = [
    { id: 'bite', label: 'Bite', detail: alongM === null ? undefined : runText(alongM), icon: 'bite', shortcut: 'B', onPress: () => void control.bite() },
    {
      id: 'fish',
      label: 'Fish',
      detail: pole.classMm === null ? undefined : fishLengthText(pole.classMm, units),
      icon: 'fish',
      shortcut: 'F',
      main: true,
      onPress: () => (pole.classMm === null ? setSheet('fish') : void control.landed({ species, classMm: pole.classMm, fate: pole.fate })),
      onHold: () => setSheet('fish'),
    },
    {
      id: 'fed',
      label: 'Fed',
      detail: control.own.ball ? '1 ball' : undefined,
      icon: 'fed',
      shortcut: 'E',
      onPress: () => control.feedAgain(here),
      onHold: () => setSheet('feed'),
    },
    {
      id: 'swap',
      label: 'Swap',
      detail: swapTo ? `to ${swimName(swapTo, units)}` : undefined,
      icon: 'swap',
      shortcut: 'S',
      onPress: () => (swapTo ? void control.swap(swapTo) : setSheet('more')),
    },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
  const ids = new Set(control.peg.swims.map((s) => s.id));
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && ids.has(e.station))} units={units} timeZone={zone} onUndo={(id) => undo(id)} />;
  const section = (
    <>
      <PegSection control={control} />
      <LoggedBar logged={control} />
    </>
  );
  return (
    <StationFrame
      facts={`Peg ${control.peg.label}, pole, ${speciesOf(species).short.toLowerCase()}, water ${tempText(temp.value, units)} ${temp.by}`}
      heading={answer.headline}
      reason={answer.detail}
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
      isBusy={sheet !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

/** The one tap that does what is advised, and the rig. */
function PegMovement({ control }: { control: PegControl }) {
  const { answer, setSheet } = control;
  const action = pegAction(control) ?? { label: answer.feed.label, spoken: 'Feed', onPress: () => setSheet('feed') };
  return (
    <View style={{ flexDirection: 'row', gap: 8, minHeight: 52 }}>
      <Action grow kind="plain" {...action} />
      {answer.step === 'fish' ? <Action label="Rig" onPress={() => setSheet('rig')} /> : null}
    </View>
  );
}

/** What the advice comes to as a tap; null where it is to go on as one does. */
function pegAction({ answer, peg, units, setSheet, here, line, swap, lineDown, changed, flowMs, feedAgain }: PegControl): { label: string; onPress: () => void } | null {
  if (answer.step === 'plumb') return { label: 'Plumb it', onPress: () => setSheet('plumb') };
  if (answer.step === 'choose') return { label: answer.offered ? 'Choose these swims' : 'Choose a swim', onPress: () => setSheet('swims') };
  if (flowMs === null) return { label: 'Time the float', onPress: () => setSheet('flow') };
  const unfed = answer.step === 'fish' ? peg.swims.filter((s) => s.outM !== null).findLast((s) => s.fedMs.length === 0) : undefined;
  if (unfed && here.stays.length === 0) return { label: `Feed ${swimName(unfed, units)}: ${answer.feed.label.toLowerCase()}`, onPress: () => feedAgain(unfed) };
  if (line === undefined) return { label: `Line down on ${swimName(here, units)}`, onPress: () => void lineDown() };
  const better = answer.swapTo;
  if (better) return { label: `Swap to ${swimName(better, units)}`, onPress: () => void swap(better) };
  const isChange = answer.wait.isUnusual && answer.change.id !== 'pole.change.none-yet' && answer.change.id !== 'pole.change.reason';
  return isChange ? { label: `Done: ${answer.change.label.toLowerCase()}`, onPress: () => void changed() } : null;
}

const spread = (control: PegControl) => {
  const { bag } = control.bag;
  return bag ? `± ${weightText(bag.highG - bag.totalG, control.units)}` : '';
};

/** Count, weight with its spread, and rate. */
function BagLine({ control }: { control: PegControl }) {
  const palette = usePalette();
  const { bag, units, setSheet } = control;
  return (
    <Pressable
      role="button"
      aria-label={`${bag.count} fish${bag.bag ? `, ${weightText(bag.bag.totalG, units)} ${spread(control)}` : ''}, ${Math.round(bag.perHour)} an hour. Weigh some`}
      onPress={() => setSheet('weigh')}
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
        <Text tone="second">{bag.bag ? ` ${spread(control)}` : ''}</Text>
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
  const { bag, units, peg, zone, target, pole, setSheet } = control;
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
          <Text tone="second">{bag.bag ? ` ${spread(control)}` : ''}</Text>
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
      <Action height={48} label="Weigh some" onPress={() => setSheet('weigh')} />
    </View>
  );
}
