import { isFlowing } from '@burrow/contract/formats/water-marks';
import { LakeWater } from './LakeWater';
import { RiverWater } from './RiverWater';
import { Notice } from '@/ui/Notice';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';

const sentence = (text: string) => `${text[0].toUpperCase()}${text.slice(1)}.`;

/** Where? Standing water is drilled by its basins and breaks, moving water fished by its seams. */
export function WaterScreen() {
  const { detail, waters } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);

  if (waters.data?.value.length === 0) return <Notice title="No water yet">Add your lake in Gear: a GeoJSON file with its outline and soundings.</Notice>;
  if (detail.isError || waters.isError)
    return (
      <Notice title="No signal yet" action={{ label: 'Try again', onPress: () => void detail.refetch() }}>
        The map of your water has not reached this phone.
      </Notice>
    );
  if (ground.isError)
    return (
      <Notice title="No map yet">{`${sentence((ground.error as Error).message)} Bring a file with soundings in Gear, Draw a new water. A water without any cannot be drilled yet.`}</Notice>
    );
  if (!water || !ground.data) return <Notice title="Drawing the bed" busy />;
  const Kind = isFlowing(water.file.water.kind) ? RiverWater : LakeWater;
  return <Kind key={water.id} water={water} ground={ground.data} />;
}
