import type { OutingState } from '@burrow/core/ledger';
import { useMemo } from 'react';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Notice } from '@/ui/Notice';
import DepthMapView from '@/features/water/map/DepthMapView';

/** The holes of an outing on the bed about them. */
export function HoleMap({ outing }: { outing: OutingState }) {
  const { detail } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const palette = usePalette();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);
  const holes = useMemo(() => outing.stations.map((h) => ({ id: h.id, label: h.label, at: h.at, fish: 0, current: true })), [outing.stations]);
  const current = outing.stations.find((h) => h.id === outing.currentStation);
  if (!ground.data || !water) return <Notice title="Drawing the bed" busy />;
  return <DepthMapView ground={ground.data} holes={holes} candidate={null} position={null} focus={current?.at} palette={palette} units={units} onTap={() => undefined} />;
}
