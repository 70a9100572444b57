import type { WaterDetail } from '@burrow/contract/api';
import { middleOfWater, shoreOf, soundingsOf } from '@burrow/contract/formats/water-geojson';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { LonLat } from '@burrow/core/ground';
import { countingThickness } from '@burrow/core/safety';
import { depthText, iceText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLastIce } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Text } from '@/ui/Text';
import BlankMap from './map/BlankMap';
import { OutingActions } from './OutingActions';
import { Answer, Foot, Panes } from './Panes';
import { StartActions } from './StartActions';
import { StationHere } from './StationHere';
import { useOutingHere } from './useOutingHere';
import { useTapped } from './useTapped';
import { mapHoles, unsoundedWords, way } from './words';

const UndoSnackbar = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.UndoSnackbar })));

/** A water with fewer depths than a map needs: one fishes it all the same, and each depth measured is one of the three that begin it. */
export function UnsoundedWater({ water }: { water: WaterDetail }) {
  const { state } = useLedger();
  const { units } = usePreferences();
  const palette = usePalette();
  const router = useRouter();
  const lastIce = useLastIce(water.id);
  const { outing, elsewhere, ready, zone, ways, lastWay, method, start, end, ended, undoEnd, forgetEnded } = useOutingHere(water);
  const { tapped, setTapped, position, says, locate } = useTapped(() => true);
  const [openAt, setOpenAt] = useState<LonLat | null>(null);
  const shore = useMemo(() => shoreOf(water.file), [water]);
  const middle = useMemo(() => middleOfWater(water.file), [water]);
  const holes = useMemo(() => mapHoles(state.outings, water.id, outing?.id), [state.outings, water.id, outing?.id]);
  const measured = useMemo(
    () => [
      ...soundingsOf(water.file),
      ...state.outings.filter((o) => o.water === water.id).flatMap((o) => o.stations.flatMap((s) => (s.depthM === null ? [] : [{ at: s.at, depthM: s.depthM }]))),
    ],
    [water, state.outings],
  );
  const depths = useMemo(() => measured.map(({ at, depthM }) => ({ at, text: depthText(depthM, units) })), [measured, units]);
  const isMoving = isFlowing(water.file.water.kind);
  const target = tapped ?? position ?? middle;
  const words = unsoundedWords(measured.length, isMoving, outing !== undefined);
  const standing = position ?? outing?.stations.at(-1)?.at ?? null;
  const answer = (
    <Answer>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.detail}</Text>
      {method.isOnIce && !isMoving ? (
        <Caution headline={lastIce ? `Last ice ${iceText(countingThickness(lastIce), units)} here` : 'Ice not measured here'}>
          Check each hole, more often near inflow and outflow. No ice is safe ice.
        </Caution>
      ) : null}
    </Answer>
  );
  const map = (
    <View style={{ flex: 1, minHeight: 240 }}>
      <BlankMap
        shore={shore}
        middle={middle}
        holes={holes}
        depths={depths}
        candidate={outing ? target : null}
        position={position}
        palette={palette}
        scale={units.distance === 'm' ? 'metric' : 'imperial'}
        onTap={setTapped}
      />
      {ended ? (
        <Suspense fallback={null}>
          <UndoSnackbar key={ended.event.id} text={ended.text} onUndo={undoEnd} onDismiss={forgetEnded} onTop={0} />
        </Suspense>
      ) : null}
      <View style={{ position: 'absolute', right: 12, bottom: 12 }}>
        <Action label="" spoken="Where am I" icon="locate" onPress={locate} />
      </View>
      <View style={{ position: 'absolute', left: 12, bottom: 36, flexDirection: 'row', gap: 8 }}>
        <Action label={shore ? 'Mark' : 'Draw the shore'} onPress={() => router.navigate('/mark-water')} />
      </View>
    </View>
  );
  const panel = (
    <Foot>
      {outing ? (
        <>
          <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
            <View style={{ flex: 1 }} aria-live="polite">
              <Text strong>{tapped ? 'The place you tapped' : position ? 'Where you stand' : 'Middle of the water'}</Text>
              <Text size="small" tone="second">
                {says ?? way(standing, target, units) ?? 'Tap the map where you are, or let the phone say it.'}
              </Text>
            </View>
            <Action kind="main" height={64} label={method.open} onPress={() => setOpenAt(target)} />
          </View>
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <OutingActions onHole={() => router.navigate('/hole')} onEnd={() => void end()} />
          </View>
        </>
      ) : ways.length > 0 ? (
        <>
          {elsewhere ? <Text size="small" tone="second">{`Starting here ends your outing on ${elsewhere.waterName}.`}</Text> : null}
          <StartActions ways={ways} lastWay={lastWay} disabled={!ready} onStart={(by) => void start(by)} />
        </>
      ) : (
        <Action kind="main" height={64} label="Add soundings" onPress={() => router.navigate('/gear')} />
      )}
    </Foot>
  );
  return (
    <>
      <Panes answer={answer} map={map} list={null} panel={panel} inWords={false} onMap={() => undefined} />
      <StationHere method={method} outing={outing} zone={zone} place={openAt && { at: openAt, expectedM: null }} onClose={() => setOpenAt(null)} onOpened={() => setTapped(null)} />
    </>
  );
}
