import { isFlowing } from '@burrow/contract/formats/water-marks';
import { LakeWater } from './LakeWater';
import { RiverWater } from './RiverWater';
import { UnsoundedWater } from './UnsoundedWater';
import { useRouter } from 'expo-router';
import { Notice } from '@/ui/Notice';
import { useGround } from '@/data/ground';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';

/** Where? Standing water is drilled by its basins and breaks, moving water fished by its seams. */
export function WaterScreen() {
  const { detail, waters } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);
  const { situation } = useOutlook();

  const router = useRouter();

  if (waters.data?.value.length === 0)
    return (
      <Notice title="No water yet" action={{ label: 'Point at your water', onPress: () => router.navigate('/new-water') }}>
        A point on the map is enough to begin. Shore and soundings can come later, or from a file.
      </Notice>
    );
  if (detail.isError || waters.isError)
    return (
      <Notice title="No signal yet" action={{ label: 'Try again', onPress: () => void detail.refetch() }}>
        The map of your water has not reached this phone.
      </Notice>
    );
  // Too few soundings, or all at one place: the water is fished all the same.
  if (water && ground.isError) return <UnsoundedWater key={water.id} water={water} />;
  if (!water || !ground.data || situation === null) return <Notice title="Drawing the bed" busy />;
  const Kind = isFlowing(water.file.water.kind) ? RiverWater : LakeWater;
  return <Kind key={water.id} water={water} ground={ground.data} />;
}
