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
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';
import { useShortcuts } from '@/ui/useShortcuts';
import { useWakeLock } from '@/ui/useWakeLock';
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
  useWakeLock();
  const wide = useWide();
  const palette = usePalette();
  const control = usePeg(outing, station, water);
  const { units, zone, pole, species, sheet, setSheet, undo, alongM, runText, swapTo, here } = control;
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
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));
  const undoBar = <LoggedBar logged={control} />;
  const ids = new Set(control.peg.swims.map((s) => s.id));
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && ids.has(e.station))} units={units} timeZone={zone} onUndo={(id) => undo(id)} />;
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        <Advice control={control} />
        <View style={{ flex: 1.15, minHeight: 0 }}>
          <PegSection control={control} />
          {undoBar}
        </View>
        <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>
          <RunView control={control} />
        </View>
        <BagLine control={control} />
        <ThumbBar keys={keys} label="What you did and what happened" />
        <PegSheets control={control} keys={keys} log={log} />
      </View>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1.3, borderRightWidth: 1, borderRightColor: palette.line }}>
        <Advice control={control} />
        <View style={{ flex: 1.2, minHeight: 0 }}>
          <PegSection control={control} />
          {undoBar}
        </View>
        <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>
          <RunView control={control} />
        </View>
      </View>
      <View style={{ flex: 0.85, borderRightWidth: 1, borderRightColor: palette.line }}>
        <ScrollPane label="The swims">
          <SwimsPane control={control} />
        </ScrollPane>
      </View>
      <View style={{ width: 380 }}>
        <ThumbBar keys={keys} showShortcuts label="What you did and what happened" />
        <ScrollPane label="The bag and the log">
          <Bag control={control} />
          <Text heading={2} size="lead">
            This peg
          </Text>
          {log}
        </ScrollPane>
      </View>
      <PegSheets control={control} keys={keys} log={log} />
    </View>
  );
}

/** Room for the words, px: whatever they say, the picture under them keeps its size. */
const wordsPx = 112;

/** What to do now and why, and the one tap that does it. */
function Advice({ control }: { control: PegControl }) {
  const { answer, peg, species, temp, units, setSheet, here, line, swap, lineDown, changed, flowMs } = control;
  const unfed = answer.step === 'fish' ? peg.swims.filter((s) => s.outM !== null).findLast((s) => s.fedMs.length === 0) : undefined;
  const action =
    answer.step === 'plumb'
      ? { label: 'Plumb it', onPress: () => setSheet('plumb') }
      : answer.step === 'choose'
        ? { label: answer.offered ? 'Choose these swims' : 'Choose a swim', onPress: () => setSheet('swims') }
        : flowMs === null
          ? { label: 'Time the float', onPress: () => setSheet('flow') }
          : unfed && here.stays.length === 0
            ? { label: `Feed ${swimName(unfed, units)}: ${control.answer.feed.label.toLowerCase()}`, onPress: () => control.feedAgain(unfed) }
            : line === undefined
              ? { label: `Line down on ${swimName(here, units)}`, onPress: () => void lineDown() }
              : answer.swapTo
                ? { label: `Swap to ${swimName(answer.swapTo, units)}`, onPress: () => void swap(answer.swapTo!) }
                : answer.wait.isUnusual && answer.change.id !== 'pole.change.none-yet' && answer.change.id !== 'pole.change.reason'
                  ? { label: `Done: ${answer.change.label.toLowerCase()}`, onPress: () => void changed() }
                  : null;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 8, gap: 4 }}>
      <Text size="small" tone="second" numberOfLines={1}>
        {`Peg ${peg.label}, pole, ${speciesOf(species).short.toLowerCase()}, water ${tempText(temp.value, units)} ${temp.by}`}
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
      <View style={{ flexDirection: 'row', gap: 8, minHeight: 52 }}>
        {action ? (
          <Action grow kind="plain" label={action.label} onPress={action.onPress} />
        ) : (
          <Action grow kind="plain" label={control.answer.feed.label} spoken="Feed" onPress={() => setSheet('feed')} />
        )}
        {answer.step === 'fish' ? <Action label="Rig" onPress={() => setSheet('rig')} /> : null}
      </View>
    </View>
  );
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
