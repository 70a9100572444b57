import { bearingDeg, compassPoint, depthAt, distanceM, type LonLat } from '@burrow/core/ground';
import { countingThickness } from '@burrow/core/safety';
import { depthText, distanceText, iceText, isoWithOffset, type UnitPreference } from '@burrow/core/units';
import { outlineOf } from '@burrow/contract/formats/water-geojson';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/components/Action';
import { Caution } from '@/components/Caution';
import { DrillSheet } from '@/components/DrillSheet';
import type { MapHole } from '@/components/map/DepthMapView';
import { Notice } from '@/components/Notice';
import { useWide } from '@/components/shell/Shell';
import { Words } from '@/components/Words';
import { useGround } from '@/data/ground';
import { newId } from '@/data/ledger';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLastIce, useOuting, useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import type { Ground } from '@/workers/ground.api';

const DepthMapView = lazy(() => import('@/components/map/DepthMapView'));

/** Where? */
export function WaterScreen() {
  const { detail, waters } = useWater();
  const { state, ledger, ready } = useLedger();
  const { units, species } = usePreferences();
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const outing = useOuting();
  const { plan } = useOutlook();
  const water = detail.data?.value;
  const lastIce = useLastIce(water?.id);
  const ground = useGround(water, state.outings, units);
  const [candidate, setCandidate] = useState<LonLat | null>(null);
  const [position, setPosition] = useState<LonLat | null>(null);
  const [positionSays, setPositionSays] = useState<string | null>(null);
  const [drilling, setDrilling] = useState(false);
  const zoom = useRef<(by: number) => void>(() => {});
  const holdZoom = useCallback((z: (by: number) => void) => void (zoom.current = z), []);
  const holes = useMemo(() => mapHoles(state.outings, water?.id, outing?.id), [state.outings, water?.id, outing?.id]);
  const outline = useMemo(() => (water ? outlineOf(water.file) : []), [water]);
  const inflows = useMemo(
    () => water?.file.features.flatMap((f) => (f.properties.role === 'inflow' && f.geometry.type === 'Point' ? [f.geometry.coordinates] : [])) ?? [],
    [water],
  );

  if (waters.data?.value.length === 0) return <Notice title="No water yet">Add your lake in Gear: a GeoJSON file with its outline and soundings.</Notice>;
  if (detail.isError || waters.isError)
    return (
      <Notice title="No signal yet" action={{ label: 'Try again', onPress: () => void detail.refetch() }}>
        The map of your water has not reached this phone.
      </Notice>
    );
  if (ground.isError) return <Notice title="No map">{(ground.error as Error).message}</Notice>;
  if (!water || !ground.data) return <Notice title="Drawing the bed" busy />;

  const zone = water.file.water.timezone;
  const target = candidate ?? ground.data.breakFoot?.at ?? ground.data.map.deepest.at;
  const expected = depthAt(ground.data.map, target);
  const locate = () => {
    setPositionSays('Looking for you');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const here: LonLat = [coords.longitude, coords.latitude];
        setPosition(here);
        setPositionSays(depthAt(ground.data!.map, here) ? null : 'You are not over this water');
        if (depthAt(ground.data!.map, here)) setCandidate(here);
      },
      () => setPositionSays('The phone does not say where it is. Tap the map instead.'),
      { enableHighAccuracy: true, timeout: 10_000 },
    );
  };
  const start = () => {
    const id = newId();
    void ledger.write({ id, zone }, 'outing-started', {
      water: water.id,
      waterName: water.file.water.name,
      species: [species],
      goal: 'numbers',
      method: 'ice',
      ...(plan.length > 0 ? { plan: plan.map((item) => ({ at: isoWithOffset(item.atMs, zone), what: item.what })) } : {}),
    });
  };

  const answer = (
    <View style={{ padding: 16, paddingBottom: 12, gap: 6 }}>
      <Words heading={1} size="title">
        {headline(ground.data)}
      </Words>
      <Words tone="second">{reason(ground.data, units)}</Words>
    </View>
  );
  const map = (
    <View style={{ flex: 1, minHeight: 260, backgroundColor: palette.ground }}>
      <Suspense fallback={<Notice title="Unrolling the map" busy />}>
        <DepthMapView
          ground={ground.data}
          outline={outline}
          inflows={inflows}
          holes={holes}
          candidate={target}
          position={position}
          palette={palette}
          units={units}
          onTap={setCandidate}
          zoomRef={holdZoom}
        />
      </Suspense>
      <View style={{ position: 'absolute', right: 12, bottom: 12, gap: 8 }}>
        <Action label="" spoken="Where am I" icon="locate" onPress={locate} />
        <Action label="" spoken="Closer" icon="plus" onPress={() => zoom.current(0.7)} />
        <Action label="" spoken="Further" icon="minus" onPress={() => zoom.current(-0.7)} />
      </View>
      <View pointerEvents="none" style={{ position: 'absolute', left: 12, top: 8 }}>
        <Words size="small" tone="second">{`depths in ${units.depth === 'ft' ? 'feet' : 'metres'}, ${ground.data.map.soundings} soundings`}</Words>
      </View>
    </View>
  );
  const next = (
    <View style={{ padding: 16, gap: 10, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Words strong>{expected ? `Expect ${depthText(expected.depthM, units)} ±${depthText(expected.sdM * 2, units).replace(/ \w+$/, '')}` : 'Not on this water'}</Words>
          <Words size="small" tone="second">
            {positionSays ?? way(position, target, units) ?? (candidate ? 'The place you tapped.' : 'Tap the map for another place.')}
          </Words>
        </View>
        {outing ? (
          <Action kind="main" height={64} label="Drill here" disabled={!expected} onPress={() => setDrilling(true)} />
        ) : (
          <Action kind="main" height={64} label="Start outing" disabled={!ready} onPress={start} />
        )}
      </View>
      {outing ? <OutingRow onHole={() => router.navigate('/hole')} /> : null}
    </View>
  );
  const iceNote = (
    <Caution headline={lastIce ? `Last ice ${iceText(countingThickness(lastIce), units)} here` : 'Ice not measured here'}>
      Check each hole, more often near the inflow. No ice is safe ice.
    </Caution>
  );

  return (
    <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
      {wide ? (
        <>
          {map}
          <View style={{ width: 400, borderLeftWidth: 1, borderLeftColor: palette.line }}>
            <ScrollView>
              {answer}
              <View style={{ paddingHorizontal: 16, paddingBottom: 16 }}>{iceNote}</View>
              <HoleList holes={holes} units={units} ground={ground.data} />
            </ScrollView>
            {next}
          </View>
        </>
      ) : (
        <>
          {answer}
          {map}
          {next}
        </>
      )}
      {outing && expected ? (
        <DrillSheet
          open={drilling}
          onClose={() => setDrilling(false)}
          outing={outing}
          zone={zone}
          at={target}
          expectedM={expected.depthM}
          onDrilled={() => {
            setDrilling(false);
            setCandidate(null);
            router.navigate('/hole');
          }}
        />
      ) : null}
    </View>
  );
}

function headline({ breakFoot }: Ground): string {
  return breakFoot ? `Start at the foot of the ${breakFoot.side} break` : 'Start over the deepest water';
}

function reason({ breakFoot, map }: Ground, units: UnitPreference): string {
  if (!breakFoot) return `${depthText(map.deepest.depthM, units)} at the deepest.`;
  return `${depthText(breakFoot.depthM, units)} beside a slope that rises 1 in ${Math.max(1, Math.round(1 / breakFoot.slope))}. In midwinter fish lie in basins beside steep breaks.`;
}

function way(from: LonLat | null, to: LonLat, units: UnitPreference): string | null {
  return from ? `${distanceText(distanceM(from, to), units)} ${compassPoint(bearingDeg(from, to))} of you` : null;
}

function mapHoles(outings: ReturnType<typeof useLedger>['state']['outings'], water: string | undefined, current: string | undefined): MapHole[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.holes.map((h) => ({ id: h.id, label: h.label, at: h.at, fish: o.fish.filter((f) => f.hole === h.id).length, current: o.id === current })));
}

function OutingRow({ onHole }: { onHole: () => void }) {
  const outing = useOuting()!;
  const { ledger } = useLedger();
  const { detail } = useWater();
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const hole = outing.holes.find((h) => h.id === outing.currentHole);
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {hole ? <Action grow label={`Back to hole ${hole.label}`} onPress={onHole} /> : null}
      <Action grow label="End outing" onPress={() => void ledger.write({ id: outing.id, zone }, 'outing-ended', {})} />
    </View>
  );
}

/** The same as the map, in words. */
function HoleList({ holes, units, ground }: { holes: readonly MapHole[]; units: UnitPreference; ground: Ground }) {
  const palette = usePalette();
  const best = [...holes].sort((a, b) => b.fish - a.fish).slice(0, 12);
  return (
    <View style={{ paddingHorizontal: 16, paddingBottom: 16 }}>
      <Words heading={2} size="lead">{`${holes.length} holes drilled here`}</Words>
      {best.map((hole) => {
        const depth = depthAt(ground.map, hole.at);
        return (
          <View
            key={hole.id}
            style={{ flexDirection: 'row', justifyContent: 'space-between', minHeight: 36, alignItems: 'center', borderTopWidth: 1, borderTopColor: palette.line }}
          >
            <Words size="small">{`${compassPoint(bearingDeg(ground.map.deepest.at, hole.at))} of the deepest, ${depth ? depthText(depth.depthM, units) : 'no depth'}`}</Words>
            <Words size="small" strong tone={hole.fish > 0 ? 'kelp' : 'ink'}>{`${hole.fish} fish`}</Words>
          </View>
        );
      })}
    </View>
  );
}
