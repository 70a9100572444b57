import type { WaterDetail } from '@burrow/contract/api';
import { marksOf } from '@burrow/contract/formats/water-marks';
import { coverKind, nearestPlace } from '@burrow/core/ground';
import { nextCover, nextCoverText } from '@burrow/core/holes';
import { turnWords } from '@burrow/core/situation';
import { useMemo, useState } from 'react';
import { useOutlook } from '@/data/outlook';
import { usePreferences, type KeptHolePlan } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWide } from '@/features/shell/Shell';
import type { Ground } from '@/workers/ground.api';
import { LakeList } from './LakeList';
import { MapPane } from './MapPane';
import { PlanActions } from './PlanActions';
import { PlanSheet } from './PlanSheet';
import { useDrilling } from './useDrilling';
import { useGroundPlace } from './useGroundPlace';
import { useLayers } from './useLayers';
import { useOutingHere } from './useOutingHere';
import { useStandpoint } from './useStandpoint';
import { useWayPlace } from './useWayPlace';
import { WaterFrame } from './WaterFrame';
import { mapHoles } from './words';

/** Marked cover by what it is called. */
const coverOf = ({ file }: WaterDetail) => marksOf(file).places.flatMap((p) => (p.role === 'cover' ? [{ at: p.at, name: p.name ?? coverKind(p.kind ?? '').label }] : []));

/** Standing water: where to drill, in what order. */
export function LakeWater({ water, ground }: { water: WaterDetail; ground: Ground }) {
  const { state } = useLedger();
  const { units, pressedWaters } = usePreferences();
  const turn = useOutlook().situation?.turn;
  const wide = useWide();
  const here = useOutingHere(water);
  const { outing, method, lastWay } = here;
  const place = useGroundPlace(ground, method);
  const standpoint = useStandpoint(place.fishable);
  const drilling = useDrilling(water, ground, here, standpoint);
  const byWay = useWayPlace(water, ground, here, standpoint.position);
  const [isPlanning, setPlanning] = useState(false);
  const [inWords, setInWords] = useState(false);
  const [dropped, setDropped] = useState<KeptHolePlan | null>(null);
  const { plan, left, why, make, fish, look, restore } = drilling.holes;
  const holes = useMemo(() => mapHoles(state.outings, water.id, outing?.id), [state.outings, water.id, outing?.id]);
  const planned = useMemo(() => left.map((h) => ({ ...h, number: plan!.holes.indexOf(h) + 1 })), [left, plan]);
  const { layers, overlay } = useLayers(fish, look, ground.map.deepest.depthM);
  const named = standpoint.tapped ?? (byWay ? byWay.at : drilling.at);
  const ring = named ?? ground.map.deepest.at;
  const wayThere = place.wayText(drilling.from, ring);
  const turned = turn ? turnWords(turn.value, units, water.file.water.timezone) : null;
  const band = useOutlook().situation?.band?.value ?? null;
  const crowded = named && pressedWaters.includes(water.id) ? nextCoverText(nextCover(ground.map, coverOf(water), named, band, 2), named, units) : null;
  const failed = make.isError ? (make.error as Error).message : null;
  return (
    <>
      <WaterFrame
        water={water}
        here={here}
        standpoint={standpoint}
        answer={{ ...(byWay?.words ?? drilling.words), notes: [why, failed, turned, crowded].filter((note) => note !== null) }}
        ring={ring}
        isRingNamed={named !== null}
        ringSays={{
          title: (standpoint.tapped === null && byWay?.title) || place.title(ring),
          detail: standpoint.tapped ? 'The place you tapped.' : named ? (wayThere ?? 'Tap the map for another place.') : 'Tap the map where you are.',
        }}
        placeTitle={place.title}
        expectedM={place.expectedM}
        canOpen={place.canOpen}
        map={(bars, onWords) => (
          <MapPane
            water={water}
            ground={ground}
            holes={holes}
            planned={planned}
            from={drilling.from}
            overlay={overlay}
            candidate={ring}
            position={standpoint.position}
            onTap={standpoint.tap}
            onLocate={standpoint.locate}
            layers={layers}
            onWords={wide ? undefined : onWords}
          >
            {bars}
          </MapPane>
        )}
        list={<LakeList water={water} ground={ground} here={here} ring={ring} planned={planned} holes={holes} onPlace={standpoint.tap} asksBanks={wide || inWords} />}
        actions={<PlanActions drilling={drilling.holes} isOnIce={(outing ? method : (lastWay ?? method)).isOnIce} onPlan={() => setPlanning(true)} onDropped={setDropped} />}
        dropped={
          dropped && {
            id: dropped.id,
            text: 'Plan dropped',
            onUndo: () => {
              restore(dropped);
              setDropped(null);
            },
            onForget: () => setDropped(null),
          }
        }
        onInWords={setInWords}
      />
      {isPlanning ? (
        <PlanSheet
          water={water.id}
          onClose={() => setPlanning(false)}
          ground={ground}
          start={drilling.from ?? nearestPlace(ground.ring, ring)}
          tapped={standpoint.tapped}
          units={units}
          onPlan={(request) => {
            setPlanning(false);
            standpoint.tap(null);
            make.mutate(request);
          }}
        />
      ) : null}
    </>
  );
}
