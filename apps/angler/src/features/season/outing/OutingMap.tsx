import { middleOfWater, shoreOf } from '@burrow/contract/formats/water-geojson';
import { isFlowing, marksOf } from '@burrow/contract/formats/water-marks';
import type { WaterDetail } from '@burrow/contract/api';
import type { LonLat } from '@burrow/core/ground';
import type { OutingState } from '@burrow/core/ledger';
import { outingPlaces } from '@burrow/core/season';
import { depthText } from '@burrow/core/units';
import { useMemo } from 'react';
import BlankMap from '@/features/water/map/BlankMap';
import DepthMapView from '@/features/water/map/DepthMapView';
import { mapHoles } from '@/features/water/words';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Notice } from '@/ui/Notice';

interface Props {
  water: WaterDetail;
  outing: OutingState;
  /** A place that is being chosen. */
  candidate?: LonLat | null;
  onTap?: (at: LonLat) => void;
}

const nowhere = () => undefined;

/** Where an outing went on its water: its places in order, each with what it gave. */
export function OutingMap({ water, outing, candidate = null, onTap = nowhere }: Props) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { state } = useLedger();
  const ground = useGround(water, state.outings, units);
  const holes = useMemo(() => mapHoles([outing], water.id, outing.id), [outing, water.id]);
  const walk = useMemo(() => outing.stations.flatMap((s) => (s.track !== null && s.track.length > 1 ? s.track : [s.at])), [outing.stations]);
  const fished = useMemo(() => outingPlaces(outing), [outing]);
  const marks = useMemo(() => marksOf(water.file), [water]);
  const depths = useMemo(() => outing.stations.flatMap((s) => (s.depthM === null ? [] : [{ at: s.at, text: depthText(s.depthM, units) }])), [outing.stations, units]);
  if (ground.isError)
    return (
      <BlankMap
        shore={shoreOf(water.file)}
        middle={candidate ?? walk[0] ?? middleOfWater(water.file)}
        holes={holes}
        depths={depths}
        candidate={candidate}
        position={null}
        palette={palette}
        scale={units.distance === 'm' ? 'metric' : 'imperial'}
        onTap={onTap}
      />
    );
  if (!ground.data) return <Notice title="Drawing the bed" busy />;
  return (
    <DepthMapView
      ground={ground.data}
      marks={marks}
      isFlowing={isFlowing(water.file.water.kind)}
      holes={holes}
      walked={walk}
      fished={fished}
      candidate={candidate}
      position={null}
      palette={palette}
      units={units}
      onTap={onTap}
    />
  );
}
