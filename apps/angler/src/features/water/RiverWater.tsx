import type { WaterDetail } from '@burrow/contract/api';
import { bearingDeg, compassPoint, distanceM, type LonLat } from '@burrow/core/ground';
import { riverIce } from '@burrow/core/methods';
import { lieText, riverWords } from '@burrow/core/river';
import { distanceText, type UnitPreference } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { usePreferences } from '@/data/preferences';
import { useRiver } from '@/data/river';
import { useLedger } from '@/data/session';
import { useWide } from '@/features/shell/Shell';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import type { Ground, RiverAnswer } from '@/workers/ground.api';
import { MapPane } from './MapPane';
import { RiverList, type NumberedLie } from './RiverList';
import { useGroundPlace } from './useGroundPlace';
import { useLayers } from './useLayers';
import { useOutingHere } from './useOutingHere';
import { useStandpoint } from './useStandpoint';
import { useWayPlace, type WayPlace } from './useWayPlace';
import { WaterFrame } from './WaterFrame';
import { mapHoles } from './words';

/** Moving water: the pool where fish winter, and the lies where they come to feed. */
export function RiverWater({ water, ground }: { water: WaterDetail; ground: Ground }) {
  const river = useRiver(water, ground);
  if (river.isError) return <Notice title="No lies to show">{(river.error as Error).message}</Notice>;
  if (!river.data) return <Notice title="Reading the river" busy />;
  return <ReadRiver water={water} ground={ground} river={river.data} />;
}

function ReadRiver({ water, ground, river }: { water: WaterDetail; ground: Ground; river: RiverAnswer }) {
  const { units } = usePreferences();
  const wide = useWide();
  const router = useRouter();
  const { state } = useLedger();
  const here = useOutingHere(water);
  const { outing, method } = here;
  const place = useGroundPlace(ground, method);
  const standpoint = useStandpoint(place.fishable);
  const byWay = useWayPlace(water, ground, here, standpoint.position);
  const { layers, overlay } = useLayers(null, null, ground.map.deepest.depthM);
  const [inWords, setInWords] = useState(false);
  const stands = useMemo(() => mapHoles(state.outings, water.id, outing?.id), [state.outings, water.id, outing?.id]);
  const lies = useMemo(() => river.lies.map((l, k) => ({ ...l, number: k + 1 })), [river]);
  const words = riverWords(river.pools, lies, units);
  const named = standpoint.tapped ?? (byWay ? byWay.at : (lies[0]?.at ?? river.pools[0]?.at ?? null));
  const ring = named ?? ground.map.deepest.at;
  const lie = lies.find((l) => l.at[0] === ring[0] && l.at[1] === ring[1]);
  const atLie = lie && `Lie ${lie.number}, ${lieText(lie, units).detail}`;
  const elsewhere = standpoint.tapped ? 'The place you tapped.' : named ? 'The ring on the map.' : 'Tap the map where you are.';
  return (
    <WaterFrame
      water={water}
      here={here}
      standpoint={standpoint}
      answer={
        outing && method.isOnIce
          ? { headline: riverIce.headline, detail: riverIce.text }
          : ((byWay && riverPlaceWords(byWay, method.picture === 'fan', lies, words.detail, units)) ?? words)
      }
      ring={ring}
      isRingNamed={named !== null}
      ringSays={{
        title: (standpoint.tapped === null && byWay?.title) || place.title(ring),
        detail: atLie ?? place.wayText(standpoint.position, ring) ?? elsewhere,
      }}
      placeTitle={place.title}
      expectedM={place.expectedM}
      canOpen={place.canOpen}
      map={(bars, onWords) => (
        <MapPane
          water={water}
          ground={ground}
          holes={stands}
          planned={lies}
          isLoose
          candidate={ring}
          position={standpoint.position}
          onTap={standpoint.tap}
          onLocate={standpoint.locate}
          layers={layers}
          overlay={overlay}
          onWords={wide ? undefined : onWords}
        >
          {bars}
        </MapPane>
      )}
      list={<RiverList water={water} ground={ground} pools={river.pools} lies={lies} asksBanks={wide || inWords} />}
      beside={<Action height={64} label="Mark what is here" onPress={() => router.navigate('/mark-water')} />}
      onInWords={setInWords}
    />
  );
}

const nearestLie = (lies: readonly NumberedLie[], to: LonLat): NumberedLie | null =>
  lies.reduce<NumberedLie | null>((best, l) => (best === null || distanceM(l.at, to) < distanceM(best.at, to) ? l : best), null);

/** Where to stand on a river: told from the lie that the casts are for. Null while nothing is to be said but the lies themselves. */
function riverPlaceWords({ at, words }: WayPlace, isFan: boolean, lies: readonly NumberedLie[], detail: string, units: UnitPreference): WayPlace['words'] | null {
  if (!isFan) return words;
  const lie = at && nearestLie(lies, at);
  if (!lie) return null;
  return {
    headline: `Stand ${distanceText(distanceM(lie.at, at), units)} ${compassPoint(bearingDeg(lie.at, at))} of the ${lie.by}`,
    detail: `From the ring the casts show most of what holds fish. ${detail}`,
  };
}
