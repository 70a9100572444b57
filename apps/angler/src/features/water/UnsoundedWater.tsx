import type { WaterDetail } from '@burrow/contract/api';
import { islandsOf, middleOfWater, shoreOf, soundingsOf } from '@burrow/contract/formats/water-geojson';
import { isFlowing, placesOf } from '@burrow/contract/formats/water-marks';
import { isInside, ringOf, type LonLat } from '@burrow/core/ground';
import { depthText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { IceKnown } from './LakeList';
import BlankMap from './map/BlankMap';
import { useOutingHere } from './useOutingHere';
import { useStandpoint, type FishableGround } from './useStandpoint';
import { AddSoundings, WaterFrame } from './WaterFrame';
import { damWords, mapHoles, unsoundedWords, way } from './words';

/** A water with fewer depths than a map needs: one fishes it all the same, and each depth measured is one of the three that begin it. */
export function UnsoundedWater({ water }: { water: WaterDetail }) {
  const { state } = useLedger();
  const { units } = usePreferences();
  const here = useOutingHere(water);
  const { outing, method, ways } = here;
  const { shore, middle, fishable, depths, holes } = useBareWater(water, outing?.id, method.bankM);
  const standpoint = useStandpoint(fishable);
  const { tapped, position } = standpoint;
  const isMoving = isFlowing(water.file.water.kind);
  const known = depths.length;
  const { sunned } = useSituation();
  const dam = !isMoving && !method.isOnIce && known === 0 && outing ? (placesOf(water.file, 'outflow').at(0) ?? null) : null;
  const ring = tapped ?? dam ?? middle;
  const from = position ?? outing?.stations.at(-1)?.at ?? null;
  const title = (at: LonLat) => (at === tapped ? 'The place you tapped' : at === dam ? 'By the dam' : at === middle ? 'Where are you?' : 'Where you stand');
  return (
    <WaterFrame
      water={water}
      here={here}
      standpoint={standpoint}
      answer={{
        ...(dam ? damWords(sunned?.value ?? null) : unsoundedWords(known, isMoving, outing !== undefined)),
        below: method.isOnIce && !isMoving ? <IceKnown water={water} from={state.outings.length > 0 ? ring : null} /> : null,
      }}
      ring={ring}
      isRingNamed={tapped !== null || dam !== null}
      ringSays={{ title: title(ring), detail: (tapped && way(from, ring, units)) ?? 'Tap the map where you are, or let the phone say it.' }}
      placeTitle={title}
      expectedM={() => null}
      canOpen={() => true}
      map={(bars) => (
        <View style={{ flex: 1, minHeight: 240 }}>
          <Blank shore={shore} middle={middle} holes={holes} depths={depths} candidate={outing ? tapped : null} standpoint={standpoint} />
          {bars}
        </View>
      )}
      list={null}
      instead={ways.length > 0 ? undefined : <AddSoundings />}
    />
  );
}

/** What is drawn of a water without a map: its shore, the depths measured so far, and the places fished. */
function useBareWater(water: WaterDetail, outing: string | undefined, bankM: number) {
  const { state } = useLedger();
  const { units } = usePreferences();
  const shore = useMemo(() => shoreOf(water.file), [water]);
  const middle = useMemo(() => middleOfWater(water.file), [water]);
  const fishable = useMemo<FishableGround>(() => {
    // Where no shore is drawn, nobody can say that a place is off the water.
    if (!shore) return { isOn: () => true, shores: [], bankM };
    const islands = islandsOf(water.file);
    const within = (ring: readonly LonLat[], at: LonLat) => isInside(ringOf(ring), at[0], at[1]);
    return { isOn: (at) => within(shore, at) && !islands.some((ring) => within(ring, at)), shores: [shore, ...islands], bankM };
  }, [water, shore, bankM]);
  const depths = useMemo(() => {
    const stations = state.outings.filter((o) => o.water === water.id).flatMap((o) => o.stations);
    const measured = [...soundingsOf(water.file), ...stations.flatMap((s) => (s.depthM === null ? [] : [{ at: s.at, depthM: s.depthM }]))];
    return measured.map(({ at, depthM }) => ({ at, text: depthText(depthM, units) }));
  }, [water, state.outings, units]);
  const holes = useMemo(() => mapHoles(state.outings, water.id, outing), [state.outings, water.id, outing]);
  return { shore, middle, fishable, depths, holes };
}

type BareWater = ReturnType<typeof useBareWater>;

interface BlankProps extends Pick<BareWater, 'shore' | 'middle' | 'holes' | 'depths'> {
  candidate: LonLat | null;
  standpoint: ReturnType<typeof useStandpoint>;
}

/** The chart without depths, with what one does to it. */
function Blank({ shore, middle, holes, depths, candidate, standpoint }: BlankProps) {
  const { units } = usePreferences();
  const palette = usePalette();
  const router = useRouter();
  return (
    <>
      <BlankMap
        shore={shore}
        middle={middle}
        holes={holes}
        depths={depths}
        candidate={candidate}
        position={standpoint.position}
        palette={palette}
        scale={units.distance === 'm' ? 'metric' : 'imperial'}
        onTap={standpoint.tap}
      />
      <View style={{ position: 'absolute', right: 12, bottom: 12 }}>
        <Action label="" spoken="Where am I" icon="locate" onPress={standpoint.locate} />
      </View>
      <View style={{ position: 'absolute', left: 12, bottom: 36, flexDirection: 'row', gap: 8 }}>
        <Action label={shore ? 'Mark' : 'Draw the shore'} onPress={() => router.navigate('/mark-water')} />
      </View>
    </>
  );
}
