import type { WaterDetail } from '@burrow/contract/api';
import { canStand, CastWater, standWords } from '@burrow/core/casting';
import { bearingDeg, compassPoint, depthAt, distanceM, nearestPlace, type LonLat } from '@burrow/core/ground';
import { expectedText, nextWords, planWords } from '@burrow/core/holes';
import { speciesOf } from '@burrow/core/fish';
import { countingThickness } from '@burrow/core/safety';
import { depthText, distanceText, iceText } from '@burrow/core/units';
import { passPlaceWords } from '@burrow/core/troll';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { usualMethod } from '@burrow/core/methods';
import { useWide } from '@/features/shell/Shell';
import { Text } from '@/ui/Text';
import { useBanks } from '@/data/banks';
import { useCastSetting, useFirstStand } from '@/data/casting';
import { useFirstPlace, useHoles } from '@/data/holes';
import { useOutlook } from '@/data/outlook';
import { usePegPlace } from '@/data/peg';
import { usePreferences, type KeptHolePlan } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLastIce } from '@/data/water';
import type { Ground } from '@/workers/ground.api';
import { BankPanel } from './BankPanel';
import { GroundList } from './GroundList';
import { MapPane } from './MapPane';
import { OutingActions } from './OutingActions';
import { Answer, Foot, Panes } from './Panes';
import { PlanSheet } from './PlanSheet';
import { StartActions } from './StartActions';
import { StationHere } from './StationHere';
import { useLayers } from './useLayers';
import { useOutingHere } from './useOutingHere';
import { useTapped } from './useTapped';
import { firstWords, mapHoles, way } from './words';

const UndoSnackbar = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.UndoSnackbar })));

/** Standing water: where to drill, in what order. */
export function LakeWater({ water, ground }: { water: WaterDetail; ground: Ground }) {
  const { state, ledger } = useLedger();
  const { units } = usePreferences();
  const wide = useWide();
  const router = useRouter();
  const { columnPending, weather, without, input, column, situation } = useOutlook();
  const { outing, elsewhere, ready, zone, surface, ways, lastWay, method, start, end, ended, undoEnd, forgetEnded } = useOutingHere(water);
  const lastIce = useLastIce(water.id);
  const { map: bed } = ground;
  const { tapped, setTapped, position, says, locate } = useTapped((at) => !ground.isShore || depthAt(bed, at) !== null);
  const [isPlanning, setPlanning] = useState(false);
  const [drillAt, setDrillAt] = useState<{ at: LonLat; expectedM: number | null } | null>(null);
  const [inWords, setInWords] = useState(false);
  const [dropped, setDropped] = useState<KeptHolePlan | null>(null);
  const holes = useMemo(() => mapHoles(state.outings, water.id, outing?.id), [state.outings, water.id, outing?.id]);
  const settled = columnPending && !weather.isError ? null : situation;
  const drilling = useHoles(water, ground, settled, position);
  const first = useFirstPlace(water, ground, settled);
  const { left, next, fish, look } = drilling;
  const banks = useBanks(water, input, situation, wide || inWords);
  const planned = useMemo(() => left.map((h) => ({ ...h, number: drilling.plan!.holes.indexOf(h) + 1 })), [left, drilling.plan]);
  const { layers, overlay } = useLayers(fish, look, bed.deepest.depthM);

  const casting = useCastSetting(water, ground);
  const isCasting = outing !== undefined && method.picture === 'fan';
  const { at: firstAt, isPending: isSeeking } = useFirstStand(water, ground, casting, isCasting);

  const peg = usePegPlace(ground, method, outing !== undefined);

  const begin = firstWords(
    first.data,
    columnPending || (situation?.band != null && first.isPending),
    speciesOf(situation?.species.value ?? '').short,
    surface === 'open' && !outing,
    situation?.band != null,
  );
  const isUnderWay = outing !== undefined && outing.stations.length > 0;
  const advised = isUnderWay ? next : null;
  const afloat = outing && method.picture === 'lane' ? position : null;
  const target = tapped ?? afloat ?? (isCasting ? firstAt : peg ? peg.place?.at : (advised?.at ?? left[0]?.at)) ?? first.data?.at ?? bed.deepest.at;
  const expected = depthAt(bed, target);
  // A place that has a hole already is gone back to, not drilled again.
  const known = outing?.stations.find((h) => h.at[0] === target[0] && h.at[1] === target[1]);
  const standing = position ?? outing?.stations.at(-1)?.at ?? null;
  const words = peg
    ? peg.words
    : outing && method.picture === 'lane'
      ? passPlaceWords(position !== null)
      : isCasting
        ? standWords(isSeeking ? 'seeking' : firstAt && { underM: depthAt(bed, firstAt)?.depthM ?? null }, casting.band, casting.query.castM, casting.isAshore, units)
        : advised
          ? {
              headline: `${advised.isRevisit ? 'Back to' : 'Next hole:'} ${depthText(advised.depthM, units)}, ${distanceText(advised.walkM, units)} ${standing ? compassPoint(bearingDeg(standing, advised.at)) : 'away'}`,
              detail: nextWords(advised, drilling.lastStay, advised.reasons, advised.own, advised.belief),
            }
          : drilling.plan && left.length > 0
            ? planWords(drilling.plan, left.length, isUnderWay ? left.length : drilling.plan.wanted, units)
            : { ...begin, detail: `${begin.detail}${without && situation ? ` Without weather, places are scored by the date: ${situation.stage.value}, steady weather.` : ''}` };

  const answer = (
    <Answer>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.detail}</Text>
      {drilling.why ? <Text tone="straw">{drilling.why}</Text> : null}
      {drilling.make.isError ? <Text tone="straw">{(drilling.make.error as Error).message}</Text> : null}
    </Answer>
  );
  const isIced = column !== null && column.now.iceClearM + column.now.iceWhiteM > 0;
  const bankPanel = <BankPanel {...banks} units={units} zone={zone} isIced={isIced} />;
  const iceAway = lastIce?.at ? `Measured ${distanceText(distanceM(lastIce.at, target), units)} from the ring. ` : '';
  const list = (
    <>
      <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 8 }}>
        {surface === 'open' ? <Caution headline="Open water, as modelled">If there is ice here, it is new and not to be trusted.</Caution> : null}
        {method.isOnIce ? (
          <Caution headline={lastIce ? `Last ice ${iceText(countingThickness(lastIce), units)} here` : 'Ice not measured here'}>
            {`${iceAway}Check each hole, more often near the inflow. No ice is safe ice.${water.file.water.kind === 'reservoir' ? ' Under a falling level ice hangs unsupported.' : ''}`}
          </Caution>
        ) : null}
      </View>
      {isIced ? null : bankPanel}
      <GroundList water={water} ground={ground} planned={planned} holes={holes} units={units} />
      {isIced ? bankPanel : null}
    </>
  );
  const undoBars = (
    <>
      {dropped ? (
        <Suspense fallback={null}>
          <UndoSnackbar
            key={dropped.id}
            text="Plan dropped"
            onUndo={() => {
              drilling.restore(dropped);
              setDropped(null);
            }}
            onDismiss={() => setDropped(null)}
            onTop={0}
          />
        </Suspense>
      ) : null}
      {ended ? (
        <Suspense fallback={null}>
          <UndoSnackbar key={ended.event.id} text={ended.text} onUndo={undoEnd} onDismiss={forgetEnded} onTop={0} />
        </Suspense>
      ) : null}
    </>
  );
  const map = (
    <MapPane
      water={water}
      ground={ground}
      holes={holes}
      planned={planned}
      from={standing}
      overlay={overlay}
      candidate={target}
      position={position}
      onTap={setTapped}
      onLocate={locate}
      layers={layers}
      onWords={wide ? undefined : () => setInWords(true)}
    >
      {undoBars}
    </MapPane>
  );
  const whereTo = says ?? way(standing, target, units) ?? (tapped ? 'The place you tapped.' : 'Tap the map for another place.');
  const panel = (
    <Foot>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Text strong>
            {peg?.place && !tapped
              ? `Within reach ${depthText(peg.place.depthM, units)}`
              : expected
                ? `Expect ${expectedText(expected.depthM, expected.sdM, units)}`
                : ground.isShore
                  ? 'Not on this water'
                  : 'Depth not known here'}
          </Text>
          <Text size="small" tone="second">
            {elsewhere ? `Starting here ends your outing on ${elsewhere.waterName}.` : tapped && !says ? 'The place you tapped.' : whereTo}
          </Text>
        </View>
        {outing && known ? (
          <Action
            kind="main"
            height={64}
            label={`Back to ${method.station.toLowerCase()} ${known.label}`}
            onPress={() => {
              void ledger.write({ id: outing.id, zone }, 'moved', { station: known.id, ...(outing.currentStation === null ? {} : { fromStation: outing.currentStation }) });
              setTapped(null);
              router.navigate('/hole');
            }}
          />
        ) : outing ? (
          <Action
            kind="main"
            height={64}
            label={method.open}
            disabled={isCasting ? !canStand(new CastWater(bed), ground, target) : !expected && ground.isShore}
            onPress={() => setDrillAt({ at: target, expectedM: expected?.depthM ?? null })}
          />
        ) : null}
      </View>
      {outing ? null : <StartActions ways={ways} lastWay={lastWay} disabled={!ready} onStart={(way) => void start(way)} />}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {!(outing ? method : (lastWay ?? method)).isOnIce ? (
          surface === 'open' && !outing ? (
            <Action grow label="There is ice: start on it" onPress={() => void start(usualMethod)} />
          ) : null
        ) : drilling.plan ? (
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
            onPress={() => setPlanning(true)}
          />
        )}
        {outing ? <OutingActions onHole={() => router.navigate('/hole')} onEnd={() => void end()} /> : null}
      </View>
    </Foot>
  );

  return (
    <>
      <Panes answer={answer} map={map} list={list} panel={panel} inWords={inWords} onMap={() => setInWords(false)} />
      {isPlanning ? (
        <PlanSheet
          onClose={() => setPlanning(false)}
          ground={ground}
          start={standing ?? nearestPlace(ground.ring, target)}
          tapped={tapped}
          units={units}
          onPlan={(request) => {
            setPlanning(false);
            setTapped(null);
            drilling.make.mutate(request);
          }}
        />
      ) : null}
      <StationHere method={method} outing={outing} zone={zone} place={drillAt} onClose={() => setDrillAt(null)} onOpened={() => setTapped(null)} />
    </>
  );
}
