import type { WaterDetail } from '@burrow/contract/api';
import { castText, bearingText } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import { isBegun } from '@burrow/core/holes';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { clockText, counted, depthFigure, depthText, tempText } from '@burrow/core/units';
import { View } from 'react-native';
import { FactsLine } from '@/features/fish/TargetChoice';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { ClockRing } from '@/ui/ClockRing';
import { Notice } from '@/ui/Notice';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import type { ThumbKey } from '@/ui/ThumbBar';
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
export function CastScreen({ outing, station: stand }: { outing: OutingState; station: StationState }) {
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
  const control = useCast(outing, stand, water, ground);
  const { units } = usePreferences();
  const { advice, shown, settings, sheet, setSheet, log: entry } = control;
  const { words, back, isGoing, backText } = advice;
  const { temp, craft } = settings;
  const zone = water.file.water.timezone;
  const keys = castKeys(control);
  const log = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === stand.id)} units={units} timeZone={zone} onUndo={(id) => entry.undo(id)} />;
  const map = (
    <>
      <FanMap control={control} />
      <LoggedBar logged={entry} onTop={0} />
    </>
  );
  return (
    <StationFrame
      facts={<FactsLine facts={`${craftNames[craft]}, stand ${stand.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, ${tempText(temp.value, units)} ${temp.by}`} />}
      heading={words?.headline ?? (shown.isPending ? 'Working out the fan' : 'Drag on the map to aim')}
      reason={words ? `${back && isGoing && backText ? `${backText} ` : ''}${words.detail}` : 'Which casts show most of the band from here.'}
      reasonLines={3}
      why={{ label: 'Why, and how to bring it back', onOpen: () => setSheet('why'), isOff: words === null }}
      clock={isBegun(outing, stand) ? <CastsLeft control={control} /> : null}
      movement={<CastMovement control={control} />}
      picture={map}
      below={<CastSectionView control={control} />}
      belowShare={0.65}
      keys={keys}
      keysLabel="What you did and what happened"
      log={log}
      logTitle="This stand"
      overLog={<ColdWater control={control} />}
      panes={[map, <AlongCast key="along" control={control} />]}
      sheets={<CastSheets control={control} keys={keys} log={log} />}
      isBusy={sheet !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

/** The keys of a stand; under a float what it does stands where what the bait feels would. */
function castKeys({ aim, advice: { float }, setSheet, log: entry }: CastControl): ThumbKey[] {
  const answers: ThumbKey[] = float
    ? [
        { id: 'bite', label: 'Under', icon: 'bite', shortcut: 'B', onPress: () => void entry.react('bite', 'Bite logged: under', { float: 'under' }) },
        { id: 'flat', label: 'Flat', icon: 'minus', shortcut: 'R', onPress: () => setSheet('flat') },
      ]
    : [
        { id: 'felt', label: 'Felt rock', icon: 'rock', shortcut: 'R', onPress: () => void entry.felt('hard') },
        { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void entry.react('bite', 'Bite logged') },
      ];
  return [
    { id: 'cast', label: 'Cast', detail: bearingText(aim.bearingDeg), icon: 'cast', shortcut: 'C', main: true, onPress: () => void entry.cast() },
    ...answers,
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => setSheet('fish') },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
}

/** The map about the stand with its fan. */
function FanMap({ control }: { control: CastControl }) {
  const palette = usePalette();
  return (
    <CastMap control={control}>
      <Corner control={control} />
      {control.shown.isPending && !control.shown.fan ? (
        <View style={{ position: 'absolute', left: 8, bottom: 8, padding: 6, borderRadius: 6, backgroundColor: palette.card }} aria-live="polite">
          <Text size="small" strong>
            Working out the fan
          </Text>
        </View>
      ) : null}
    </CastMap>
  );
}

/** The section along the aimed cast, and the casts in their order. */
function AlongCast({ control }: { control: CastControl }) {
  const { units } = usePreferences();
  const { bearingDeg, retrieve, cast } = control.advice;
  const { section, dived, divedText } = cast;
  return (
    <>
      <View style={{ padding: 16, paddingBottom: 4 }}>
        <Text heading={2} size="lead">
          {`Along ${bearingText(bearingDeg)}: ${dived ? `dives to ${depthText(dived.deepestM, units)}` : `${retrieve.cadence.name.toLowerCase()} from ${depthText(section.landsM, units)}`}`}
        </Text>
        <Text size="small" tone="second">
          {`${castText(section.bandM, units)} of ${castText(section.lengthM, units)} in the band`}
        </Text>
        {divedText ? (
          <Text size="small" tone="straw">
            {divedText}
          </Text>
        ) : null}
      </View>
      <View style={{ height: 220 }}>
        <CastSectionView control={control} />
      </View>
      <ScrollPane label="The casts in order" gap={16}>
        <BearingBars control={control} />
      </ScrollPane>
    </>
  );
}

/** What the shading means, and the compass. */
function Corner({ control }: { control: CastControl }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { settings, aim } = control;
  const compass = useCompass(aim.drag);
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

/** For how many casts to stay. */
function CastsLeft({ control: { advice, water, setSheet } }: { control: CastControl }) {
  const { clock } = advice;
  const until = clockText(clock.untilMs, water.file.water.timezone);
  const isOut = clock.castsLeft === 0;
  return (
    <ClockRing
      figure={isOut ? 'go' : String(clock.castsLeft)}
      unit={isOut ? null : clock.castsLeft === 1 ? 'cast' : 'casts'}
      share={clock.leftShare}
      caption={isOut ? 'move on' : `to ${until}`}
      spoken={isOut ? `Go now. ${clock.reason}` : `Stay for ${counted(clock.castsLeft, 'cast')}, until ${until}. ${clock.reason}`}
      onPress={() => setSheet('clock')}
    />
  );
}

/** Where to go where that is advised, else how to bring the cast back. */
function CastMovement({ control }: { control: CastControl }) {
  const { units } = usePreferences();
  const { goDown, goTo, standAt, setStop } = control.log;
  const { next } = control.shown;
  const { rule, back, isGoing, retrieve, cast, float } = control.advice;
  const action =
    rule.aim === 'straight-down'
      ? { label: 'Go straight down', onPress: () => void goDown() }
      : back && isGoing
        ? { label: `To stand ${back.place.label}`, onPress: () => void goTo(back.place.id) }
        : next && isGoing
          ? { label: 'I am at the next stand', onPress: () => void standAt(next.at) }
          : float?.toM != null
            ? { label: `Stop set at ${depthText(float.toM, units)}`, onPress: () => void setStop(float.toM!) }
            : null;
  if (action) return <Action kind="plain" height={56} label={action.label} onPress={action.onPress} />;
  return <RetrieveBeat way={retrieve} hasHard={cast.passed.some((p) => p.target.kind === 'hard')} units={units} />;
}
