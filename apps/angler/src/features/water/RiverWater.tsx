import type { WaterDetail } from '@burrow/contract/api';
import { canStand, CastWater } from '@burrow/core/casting';
import { bearingDeg, compassPoint, depthAt, distanceM, type LonLat } from '@burrow/core/ground';
import { expectedText } from '@burrow/core/holes';
import { methodOf } from '@burrow/core/methods';
import { depthText, distanceText } from '@burrow/core/units';
import { lieReasons, lieText, poolText, riverWords } from '@burrow/core/river';
import { passPlaceWords } from '@burrow/core/troll';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Notice } from '@/ui/Notice';
import { useWide } from '@/features/shell/Shell';
import { Text } from '@/ui/Text';
import { useBanks } from '@/data/banks';
import { useCastSetting, useFirstStand } from '@/data/casting';
import { useOutlook } from '@/data/outlook';
import { usePegPlace } from '@/data/peg';
import { usePreferences } from '@/data/preferences';
import { useRiver } from '@/data/river';
import { useLedger } from '@/data/session';
import type { Ground } from '@/workers/ground.api';
import { BankPanel } from './BankPanel';
import { GroundList, Row, Section } from './GroundList';
import { MapPane } from './MapPane';
import { OutingActions } from './OutingActions';
import { Answer, Foot, Panes } from './Panes';
import { StartActions } from './StartActions';
import { StationHere } from './StationHere';
import { useLayers } from './useLayers';
import { useOutingHere } from './useOutingHere';
import { useTapped } from './useTapped';
import { mapHoles, way } from './words';

const UndoSnackbar = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.UndoSnackbar })));

/** Moving water: the pool where fish winter, and the lies where they come to feed. */
export function RiverWater({ water, ground }: { water: WaterDetail; ground: Ground }) {
  const { units } = usePreferences();
  const wide = useWide();
  const router = useRouter();
  const { input, situation } = useOutlook();
  const { map: bed } = ground;
  const { tapped, setTapped, position, says, locate } = useTapped((at) => !ground.isShore || depthAt(bed, at) !== null);
  const { layers, overlay } = useLayers(null, null, bed.deepest.depthM);
  const { state, ledger } = useLedger();
  const { outing, elsewhere, ready, zone, ways, lastWay, method, start, end, ended, undoEnd, forgetEnded } = useOutingHere(water);
  const [openAt, setOpenAt] = useState<{ at: LonLat; expectedM: number | null } | null>(null);
  const stands = useMemo(() => mapHoles(state.outings, water.id, outing?.id), [state.outings, water.id, outing?.id]);
  const settings = useCastSetting(water, ground);
  const isFan = method.picture === 'fan';
  const seen = useFirstStand(water, ground, settings, isFan).at;
  const first = isFan ? seen : null;
  const peg = usePegPlace(ground, method, outing !== undefined);
  const [inWords, setInWords] = useState(false);
  const river = useRiver(water, ground);
  const banks = useBanks(water, input, situation, wide || inWords);
  const lies = useMemo(() => (river.data?.lies ?? []).map((l, k) => ({ ...l, number: k + 1 })), [river.data]);

  if (river.isError) return <Notice title="No lies to show">{(river.error as Error).message}</Notice>;
  if (!river.data) return <Notice title="Reading the river" busy />;
  const { pools } = river.data;
  const words = riverWords(pools, lies, units);
  const isAt = (a: LonLat, b: LonLat) => a[0] === b[0] && a[1] === b[1];
  const afloat = outing && method.picture === 'lane' ? position : null;
  const target = tapped ?? afloat ?? (outing ? (peg?.place?.at ?? first) : null) ?? lies[0]?.at ?? pools[0]?.at ?? bed.deepest.at;
  const lie = lies.find((l) => isAt(l.at, target));
  const expected = depthAt(bed, target);
  const known = outing?.stations.find((s) => isAt(s.at, target));
  const canOpen = canStand(new CastWater(bed), ground, target);
  const stand = first && nearestLie(lies, first);
  const standing =
    peg?.words ??
    (outing && method.picture === 'lane' ? passPlaceWords(position !== null) : null) ??
    (stand && {
      headline: `Stand ${distanceText(distanceM(stand.at, first), units)} ${compassPoint(bearingDeg(stand.at, first))} of the ${stand.by}`,
      detail: `From the ring the casts show most of what holds fish. ${words.detail}`,
    });
  const answer = (
    <Answer>
      <Text heading={1} size="title">
        {standing && outing ? standing.headline : words.headline}
      </Text>
      <Text tone="second">{standing && outing ? standing.detail : words.detail}</Text>
    </Answer>
  );
  const list = (
    <>
      <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 16 }}>
        <Caution headline="River ice is not lake ice">
          Current thins it from below where nothing shows. From the bank and wading: flotation, cold water takes the breath, somebody knows.
        </Caution>
        {pools.length > 0 ? (
          <Section title={pools.length === 1 ? 'Wintering pool' : 'Wintering pools'}>
            {pools.map((p, k) => (
              <Row key={k} left={poolText(p, units)} right="" />
            ))}
          </Section>
        ) : null}
        <Section title={lies.length === 0 ? 'No feeding lies yet' : 'Feeding lies'}>
          {lies.map((l) => {
            const { name, detail } = lieText(l, units);
            return (
              <Row
                key={l.number}
                left={`${l.number}. ${name}`}
                right={`${Math.round(100 * l.score)} of 100`}
                below={`${detail}. ${lieReasons(l, units)
                  .map((r) => r.text)
                  .join(' ')}`}
              />
            );
          })}
          {lies.length === 0 ? <Text tone="second">Mark seams, pockets, wood and rock, and they are scored from there.</Text> : null}
        </Section>
      </View>
      <BankPanel {...banks} units={units} zone={water.file.water.timezone} isIced={false} />
      <GroundList water={water} ground={ground} planned={[]} holes={[]} units={units} />
    </>
  );
  const map = (
    <MapPane
      water={water}
      ground={ground}
      holes={stands}
      planned={lies}
      isLoose
      candidate={target}
      position={position}
      onTap={setTapped}
      onLocate={locate}
      layers={layers}
      overlay={overlay}
      onWords={wide ? undefined : () => setInWords(true)}
    >
      {ended ? (
        <Suspense fallback={null}>
          <UndoSnackbar key={ended.event.id} text={ended.text} onUndo={undoEnd} onDismiss={forgetEnded} onTop={0} />
        </Suspense>
      ) : null}
    </MapPane>
  );
  const panel = (
    <Foot>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Text strong>
            {peg?.place && !tapped
              ? `Within reach ${depthText(peg.place.depthM, units)}`
              : expected
                ? `Expect ${expectedText(expected.depthM, expected.sdM, units)}`
                : 'Not on this water'}
          </Text>
          <Text size="small" tone="second">
            {elsewhere
              ? `Starting here ends your outing on ${elsewhere.waterName}.`
              : (says ??
                (lie ? `Lie ${lie.number}, ${lieText(lie, units).detail}` : (way(position, target, units) ?? (tapped ? 'The place you tapped.' : 'The ring on the map.'))))}
          </Text>
        </View>
        {outing && known ? (
          <Action
            kind="main"
            height={64}
            label={`Back to ${(methodOf(known.method) ?? method).station.toLowerCase()} ${known.label}`}
            onPress={() => {
              void ledger.write({ id: outing.id, zone }, 'moved', { station: known.id, ...(outing.currentStation === null ? {} : { fromStation: outing.currentStation }) });
              setTapped(null);
              router.navigate('/hole');
            }}
          />
        ) : outing ? (
          <Action kind="main" height={64} label={method.open} disabled={!canOpen} onPress={() => setOpenAt({ at: target, expectedM: expected?.depthM ?? null })} />
        ) : (
          <Action height={64} label="Mark what is here" onPress={() => router.navigate('/mark-water')} />
        )}
      </View>
      {outing ? (
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <OutingActions onHole={() => router.navigate('/hole')} onEnd={() => void end()} />
        </View>
      ) : (
        <StartActions ways={ways} lastWay={lastWay} disabled={!ready} onStart={(by) => void start(by)} />
      )}
    </Foot>
  );
  return (
    <>
      <Panes answer={answer} map={map} list={list} panel={panel} inWords={inWords} onMap={() => setInWords(false)} />
      <StationHere method={method} outing={outing} zone={zone} place={openAt} onClose={() => setOpenAt(null)} onOpened={() => setTapped(null)} />
    </>
  );
}

const nearestLie = <L extends { at: LonLat }>(lies: readonly L[], to: LonLat): L | null =>
  lies.reduce<L | null>((best, l) => (best === null || distanceM(l.at, to) < distanceM(best.at, to) ? l : best), null);
