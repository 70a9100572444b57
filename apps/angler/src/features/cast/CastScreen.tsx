import type { WaterDetail } from '@burrow/contract/api';
import { castText, bearingText } from '@burrow/core/casting';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { clockText, counted, depthFigure, depthText, tempText } from '@burrow/core/units';
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
import { BearingBars } from './BearingBars';
import { ColdWater } from './ColdWater';
import { CastMap } from './CastMap';
import { CastSectionView } from './CastSectionView';
import { CastSheets } from './CastSheets';
import { RetrieveBeat } from './RetrieveBeat';
import { UnsoundedCast } from './UnsoundedCast';
import { useCast, type CastControl } from './useCast';
import { hasCompass, useCompass } from './useCompass';

const craftNames = { bank: 'Bank', pier: 'Pier', wading: 'Wading', kayak: 'Kayak', boat: 'Boat' } as const;

/** From where, along which bearing, how deep, how slowly? */
export function CastScreen({ outing, stand }: { outing: OutingState; stand: StationState }) {
  const { detail } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);
  if (!water || (ground.isPending && !ground.data)) return <Notice title="Drawing the bed" busy />;
  if (!ground.data) return <UnsoundedCast key={stand.id} outing={outing} stand={stand} water={water} />;
  return <AtStand key={stand.id} outing={outing} stand={stand} water={water} ground={ground.data} />;
}

function AtStand({ outing, stand, water, ground }: { outing: OutingState; stand: StationState; water: WaterDetail; ground: NonNullable<ReturnType<typeof useGround>['data']> }) {
  useWakeLock();
  const wide = useWide();
  const palette = usePalette();
  const control = useCast(outing, stand, water, ground);
  const { units, zone, bearingDeg, fan, isPending, sheet, setSheet, undo, makeCast, logFelt, react } = control;
  const keys: ThumbKey[] = [
    { id: 'cast', label: 'Cast', detail: bearingText(bearingDeg), icon: 'cast', shortcut: 'C', main: true, onPress: () => void makeCast() },
    { id: 'felt', label: 'Felt rock', icon: 'rock', shortcut: 'R', onPress: () => void logFelt('hard') },
    { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void react('bite', 'Bite logged') },
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => setSheet('fish') },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
  useShortcuts(wide && sheet === null ? keys : [], () => setSheet('help'));
  const undoBar = <LoggedBar logged={control} onTop={0} />;
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === stand.id)} units={units} timeZone={zone} onUndo={(id) => undo(id)} />;
  const map = (
    <CastMap control={control}>
      <Corner control={control} />
      {isPending && !fan ? (
        <View style={{ position: 'absolute', left: 8, bottom: 8, padding: 6, borderRadius: 6, backgroundColor: palette.card }} aria-live="polite">
          <Text size="small" strong>
            Working out the fan
          </Text>
        </View>
      ) : null}
    </CastMap>
  );
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        <Advice control={control} />
        <View style={{ flex: 1.55, minHeight: 0 }}>
          {map}
          {undoBar}
        </View>
        <View style={{ flex: 1, minHeight: 0 }}>
          <CastSectionView control={control} />
        </View>
        <ThumbBar keys={keys} label="What you did and what happened" />
        <CastSheets control={control} keys={keys} log={log} />
      </View>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1.1, borderRightWidth: 1, borderRightColor: palette.line }}>
        {map}
        {undoBar}
      </View>
      <View style={{ flex: 0.9, borderRightWidth: 1, borderRightColor: palette.line }}>
        <View style={{ padding: 16, paddingBottom: 4 }}>
          <Text heading={2} size="lead">
            {`Along ${bearingText(bearingDeg)}: ${control.dived ? `dives to ${depthText(control.dived.deepestM, units)}` : `${control.cadence.name.toLowerCase()} from ${depthText(control.section.landsM, units)}`}`}
          </Text>
          <Text size="small" tone="second">
            {`${castText(control.section.bandM, units)} of ${castText(control.section.lengthM, units)} in the band`}
          </Text>
          {control.divedText ? (
            <Text size="small" tone="straw">
              {control.divedText}
            </Text>
          ) : null}
        </View>
        <View style={{ height: 220 }}>
          <CastSectionView control={control} />
        </View>
        <ScrollPane label="The casts in order" gap={16}>
          <BearingBars control={control} />
        </ScrollPane>
      </View>
      <View style={{ width: 400 }}>
        <Advice control={control} />
        <ThumbBar keys={keys} showShortcuts label="What you did and what happened" />
        <ScrollPane label="This stand">
          <ColdWater control={control} />
          <Text heading={2} size="lead">
            This stand
          </Text>
          {log}
        </ScrollPane>
      </View>
      <CastSheets control={control} keys={keys} log={log} />
    </View>
  );
}

/** What the shading means, and the compass. */
function Corner({ control }: { control: CastControl }) {
  const palette = usePalette();
  const { settings, units, drag } = control;
  const compass = useCompass(drag);
  const chip = { paddingHorizontal: 8, paddingVertical: 3, borderRadius: 5, backgroundColor: palette.card, opacity: 0.94 } as const;
  return (
    <>
      <View pointerEvents="none" style={{ position: 'absolute', left: 8, top: 8, gap: 4, alignItems: 'flex-start' }}>
        <View style={chip}>
          <Text size="small" tone="second">
            {`depths in ${units.depth === 'ft' ? 'feet' : 'metres'}, north up`}
          </Text>
        </View>
        <View style={chip}>
          <Text size="small" strong tone="kelp">
            {settings.isMoving ? 'stars: lies and cover' : `band ${depthFigure(settings.band.fromM, units)} to ${depthFigure(settings.band.toM, units)}, ${settings.bandBy}`}
          </Text>
        </View>
      </View>
      {hasCompass() ? (
        <View style={{ position: 'absolute', right: 8, bottom: 8, alignItems: 'flex-end', gap: 4 }}>
          {compass.why ? (
            <View style={chip}>
              <Text size="small" tone="straw">
                {compass.why}
              </Text>
            </View>
          ) : null}
          <Action height={48} selected={compass.isOn} label={compass.isOn ? 'Compass on' : 'Compass'} onPress={() => void compass.toggle()} />
        </View>
      ) : null}
    </>
  );
}

/** Room for the words, px: whatever they say, the picture under them keeps its size. */
const wordsPx = 132;

/** What to cast now, why, how to bring it back, and for how many casts to stay. */
function Advice({ control }: { control: CastControl }) {
  const { stand, settings, units, zone, words, clock, cadence, rest, hardRest, passed, back, backText, next, isGoing, setSheet, goTo, standAt, rule, changeMethod, isPending } =
    control;
  const { temp, craft } = settings;
  const clockUntil = clockText(clock.untilMs, zone);
  const isOut = clock.castsLeft === 0;
  const action =
    rule.aim === 'straight-down'
      ? { label: 'Go straight down', onPress: () => void changeMethod('vertical') }
      : back && isGoing
        ? { label: `To stand ${back.place.label}`, onPress: () => void goTo(back.place.id) }
        : next && isGoing
          ? { label: 'I am at the next stand', onPress: () => void standAt(next.at) }
          : null;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 6, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Text size="small" tone="second" numberOfLines={1}>
            {`${craftNames[craft]}, stand ${stand.label}, water ${tempText(temp.value, units)} ${temp.by}`}
          </Text>
          <Pressable
            role="button"
            aria-label="Why, and how to bring it back"
            disabled={words === null}
            onPress={() => setSheet('why')}
            style={{ height: wordsPx, overflow: 'hidden' }}
          >
            <View aria-live="polite">
              <Text heading={1} size="title" numberOfLines={2}>
                {words?.headline ?? (isPending ? 'Working out the fan' : 'Drag on the map to aim')}
              </Text>
              <Text tone="second" numberOfLines={3}>
                {words ? `${back && isGoing && backText ? `${backText} ` : ''}${words.detail}` : 'Which casts show most of the band from here.'}
              </Text>
            </View>
          </Pressable>
        </View>
        <ClockRing
          figure={isOut ? 'go' : String(clock.castsLeft)}
          unit={isOut ? null : clock.castsLeft === 1 ? 'cast' : 'casts'}
          share={clock.leftShare}
          caption={isOut ? 'move on' : `to ${clockUntil}`}
          spoken={isOut ? `Go now. ${clock.reason}` : `Stay for ${counted(clock.castsLeft, 'cast')}, until ${clockUntil}. ${clock.reason}`}
          onPress={() => setSheet('clock')}
        />
      </View>
      {action ? (
        <Action kind="plain" height={56} label={action.label} onPress={action.onPress} />
      ) : (
        <RetrieveBeat cadence={cadence} rest={rest} hardRest={hardRest} hasHard={passed.some((p) => p.target.kind === 'hard')} units={units} />
      )}
    </View>
  );
}
