import { bearingDeg, compassPoint, depthAt, nearestPlace, type LonLat } from '@burrow/core/ground';
import { expectedText, nextWords, planWords } from '@burrow/core/holes';
import { countingThickness } from '@burrow/core/safety';
import { depthText, distanceText, iceText, isoWithOffset } from '@burrow/core/units';
import { outlineOf } from '@burrow/contract/formats/water-geojson';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/components/Action';
import { Caution } from '@/components/Caution';
import { DrillSheet } from '@/components/DrillSheet';
import type { Overlay } from '@/components/map/overlay';
import { Notice } from '@/components/Notice';
import { useWide } from '@/components/shell/Shell';
import { BankPanel } from '@/components/water/BankPanel';
import { GroundList } from '@/components/water/GroundList';
import { OutingActions } from '@/components/water/OutingActions';
import { PlanSheet } from '@/components/water/PlanSheet';
import { ShowSheet, type Layer } from '@/components/water/ShowSheet';
import { headline, mapHoles, reason, way } from '@/components/water/words';
import { Words } from '@/components/Words';
import { useBanks } from '@/data/banks';
import { useGround } from '@/data/ground';
import { useHoles } from '@/data/holes';
import { newId } from '@/data/ledger';
import { useOutlook } from '@/data/outlook';
import { usePreferences, type KeptHolePlan } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLastIce, useOuting, useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';

const Said = lazy(() => import('@/components/Said'));
const DepthMapView = lazy(() => import('@/components/map/DepthMapView'));

/** Where? */
export function WaterScreen() {
  const { detail, waters } = useWater();
  const { state, ledger, ready } = useLedger();
  const { units, species } = usePreferences();
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const underWay = useOuting();
  const { plan, outlook, columnPending, weather, input, column, nowMs } = useOutlook();
  const water = detail.data?.value;
  // What is under way on another water is not drilled from here.
  const outing = underWay?.water === water?.id ? underWay : undefined;
  const elsewhere = outing ? undefined : underWay;
  const lastIce = useLastIce(water?.id);
  const ground = useGround(water, state.outings, units);
  const [candidate, setCandidate] = useState<LonLat | null>(null);
  const [position, setPosition] = useState<LonLat | null>(null);
  const [positionSays, setPositionSays] = useState<string | null>(null);
  const [open, setOpen] = useState<'plan' | 'show' | null>(null);
  // The place is held while its sheet is open: advice that changes meanwhile must not move the hole.
  const [drillAt, setDrillAt] = useState<{ at: LonLat; expectedM: number } | null>(null);
  const [inWords, setInWords] = useState(false);
  const [layer, setLayer] = useState<Layer>('none');
  const [showStructure, setShowStructure] = useState(true);
  const [dropped, setDropped] = useState<KeptHolePlan | null>(null);
  const zoom = useRef<(by: number) => void>(() => {});
  const holdZoom = useCallback((z: (by: number) => void) => void (zoom.current = z), []);
  const holes = useMemo(() => mapHoles(state.outings, water?.id, outing?.id), [state.outings, water?.id, outing?.id]);
  const outline = useMemo(() => (water ? outlineOf(water.file) : []), [water]);
  const inflows = useMemo(
    () => water?.file.features.flatMap((f) => (f.properties.role === 'inflow' && f.geometry.type === 'Point' ? [f.geometry.coordinates] : [])) ?? [],
    [water],
  );
  const drilling = useHoles(water, ground.data, columnPending && !weather.isError ? undefined : outlook, nowMs, position);
  const { left, next, fish, look } = drilling;
  const banks = useBanks(water, input, column, wide || inWords);
  const planned = useMemo(() => left.map((h) => ({ ...h, number: drilling.plan!.holes.indexOf(h) + 1 })), [left, drilling.plan]);
  const overlay = useMemo<Overlay>(
    () => (layer === 'fish' && fish ? { kind: 'fish', perHour: fish } : layer === 'band' && look ? { kind: 'band', band: look } : { kind: 'none' }),
    [layer, fish, look],
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
  const { map: bed, breakFoot } = ground.data;
  const isUnderWay = outing !== undefined && outing.holes.length > 0;
  const advised = isUnderWay ? next : null;
  const target = candidate ?? advised?.at ?? left[0]?.at ?? breakFoot?.at ?? bed.deepest.at;
  const expected = depthAt(bed, target);
  // A place that has a hole already is gone back to, not drilled again.
  const known = outing?.holes.find((h) => h.at[0] === target[0] && h.at[1] === target[1]);
  const standing = position ?? outing?.holes.at(-1)?.at ?? null;
  const locate = () => {
    setPositionSays('Looking for you');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const here: LonLat = [coords.longitude, coords.latitude];
        setPosition(here);
        setPositionSays(depthAt(bed, here) ? null : 'You are not over this water');
        if (depthAt(bed, here)) setCandidate(here);
      },
      () => setPositionSays('The phone does not say where it is. Tap the map instead.'),
      { enableHighAccuracy: true, timeout: 10_000 },
    );
  };
  const start = () => {
    const id = newId();
    if (elsewhere) void ledger.write({ id: elsewhere.id, zone }, 'outing-ended', {});
    void ledger.write({ id, zone }, 'outing-started', {
      water: water.id,
      waterName: water.file.water.name,
      species: [species],
      goal: 'numbers',
      method: 'ice',
      ...(plan.length > 0 ? { plan: plan.map((item) => ({ at: isoWithOffset(item.atMs, zone), what: item.what })) } : {}),
    });
  };
  const words = advised
    ? {
        headline: `${advised.isRevisit ? 'Back to' : 'Next hole:'} ${depthText(advised.depthM, units)}, ${distanceText(advised.walkM, units)} ${standing ? compassPoint(bearingDeg(standing, advised.at)) : 'away'}`,
        detail: nextWords(advised, drilling.lastStay, advised.reasons, advised.own, advised.belief),
      }
    : drilling.plan && left.length > 0
      ? planWords(drilling.plan, left.length, isUnderWay ? left.length : drilling.plan.wanted, units)
      : { headline: headline(ground.data), detail: reason(ground.data, units) };

  const answer = (
    <View style={{ padding: 16, paddingBottom: 12, gap: 6 }} aria-live="polite">
      <Words heading={1} size="title">
        {words.headline}
      </Words>
      <Words tone="second">{words.detail}</Words>
      {drilling.why ? <Words tone="straw">{drilling.why}</Words> : null}
      {drilling.make.isError ? <Words tone="straw">{(drilling.make.error as Error).message}</Words> : null}
    </View>
  );
  const isIced = column !== null && column.now.iceClearM + column.now.iceWhiteM > 0;
  const bankPanel = <BankPanel {...banks} units={units} zone={zone} isIced={isIced} />;
  const list = (
    <>
      <View style={{ paddingHorizontal: 16, paddingBottom: 16 }}>
        <Caution headline={lastIce ? `Last ice ${iceText(countingThickness(lastIce), units)} here` : 'Ice not measured here'}>
          Check each hole, more often near the inflow. No ice is safe ice.
        </Caution>
      </View>
      {isIced ? null : bankPanel}
      <GroundList ground={ground.data} planned={planned} holes={holes} units={units} />
      {isIced ? bankPanel : null}
    </>
  );
  const map = (
    <View style={{ flex: 1, minHeight: 240, backgroundColor: palette.ground }}>
      <Suspense fallback={<Notice title="Unrolling the map" busy />}>
        <DepthMapView
          ground={ground.data}
          outline={outline}
          inflows={inflows}
          holes={holes}
          planned={planned}
          from={standing}
          showStructure={showStructure}
          overlay={overlay}
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
      <View style={{ position: 'absolute', left: 12, bottom: 36, gap: 8 }}>
        <Action label="Show" onPress={() => setOpen('show')} />
        {wide ? null : <Action label="In words" onPress={() => setInWords(true)} />}
      </View>
      <View pointerEvents="none" style={{ position: 'absolute', left: 8, top: 8, paddingHorizontal: 6, borderRadius: 6, backgroundColor: palette.ground }}>
        <Words size="small" tone="second">{`depths in ${units.depth === 'ft' ? 'feet' : 'metres'}, ${bed.soundings} soundings`}</Words>
      </View>
    </View>
  );
  const whereTo = positionSays ?? way(standing, target, units) ?? (candidate ? 'The place you tapped.' : 'Tap the map for another place.');
  const panel = (
    <View style={{ padding: 16, gap: 10, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Words strong>{expected ? `Expect ${expectedText(expected.depthM, expected.sdM, units)}` : 'Not on this water'}</Words>
          <Words size="small" tone="second">
            {elsewhere ? `Starting here ends your outing on ${elsewhere.waterName}.` : candidate && !positionSays ? 'The place you tapped.' : whereTo}
          </Words>
        </View>
        {outing && known ? (
          <Action
            kind="main"
            height={64}
            label={`Back to hole ${known.label}`}
            onPress={() => {
              void ledger.write({ id: outing.id, zone }, 'moved', { hole: known.id, ...(outing.currentHole === null ? {} : { fromHole: outing.currentHole }) });
              setCandidate(null);
              router.navigate('/hole');
            }}
          />
        ) : outing ? (
          <Action kind="main" height={64} label="Drill here" disabled={!expected} onPress={() => setDrillAt({ at: target, expectedM: expected!.depthM })} />
        ) : (
          <Action kind="main" height={64} label="Start outing" disabled={!ready} onPress={start} />
        )}
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {drilling.plan ? (
          <Action
            grow
            label="Drop the plan"
            onPress={() => {
              setDropped(drilling.plan);
              drilling.drop();
            }}
          />
        ) : (
          <Action
            grow
            label={drilling.make.isPending ? 'Laying out' : drilling.isReady ? 'Plan holes' : 'Reading the water'}
            disabled={drilling.make.isPending || !drilling.isReady}
            onPress={() => setOpen('plan')}
          />
        )}
        {outing ? <OutingActions onHole={() => router.navigate('/hole')} /> : null}
      </View>
    </View>
  );

  return (
    <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
      {wide ? (
        <>
          {map}
          <View style={{ width: 400, borderLeftWidth: 1, borderLeftColor: palette.line }}>
            <ScrollView>
              {answer}
              {list}
            </ScrollView>
            {panel}
          </View>
        </>
      ) : inWords ? (
        <>
          <ScrollView>
            {answer}
            {list}
          </ScrollView>
          <View style={{ padding: 16 }}>
            <Action label="Back to the map" onPress={() => setInWords(false)} />
          </View>
        </>
      ) : (
        <>
          {answer}
          {map}
          {panel}
        </>
      )}
      {open === 'plan' ? (
        <PlanSheet
          onClose={() => setOpen(null)}
          ground={ground.data}
          start={standing ?? nearestPlace(outline, target)}
          tapped={candidate}
          units={units}
          onPlan={(request) => {
            setOpen(null);
            setCandidate(null);
            drilling.make.mutate(request);
          }}
        />
      ) : null}
      {open === 'show' ? (
        <ShowSheet onClose={() => setOpen(null)} layer={layer} onLayer={setLayer} showStructure={showStructure} onStructure={setShowStructure} look={look} units={units} />
      ) : null}
      {dropped ? (
        <Suspense fallback={null}>
          <Said
            key={dropped.id}
            text="Plan dropped"
            onUndo={() => {
              drilling.restore(dropped);
              setDropped(null);
            }}
            onDismiss={() => setDropped(null)}
            liftPx={wide ? 0 : 150}
          />
        </Suspense>
      ) : null}
      {outing && drillAt ? (
        <DrillSheet
          open
          onClose={() => setDrillAt(null)}
          outing={outing}
          zone={zone}
          {...drillAt}
          onDrilled={() => {
            setDrillAt(null);
            setCandidate(null);
            router.navigate('/hole');
          }}
        />
      ) : null}
    </View>
  );
}
