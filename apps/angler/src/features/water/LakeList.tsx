import type { WaterDetail } from '@burrow/contract/api';
import { distanceM, type LonLat } from '@burrow/core/ground';
import { countingThickness } from '@burrow/core/safety';
import { distanceText, iceText } from '@burrow/core/units';
import { View } from 'react-native';
import { useBanks } from '@/data/banks';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLastIce } from '@/data/water';
import type { MapHole } from '@/features/water/map/places';
import { Caution } from '@/ui/Caution';
import type { Ground, PlannedHole } from '@/workers/ground.api';
import { BankPanel } from './BankPanel';
import { GroundList } from './GroundList';
import { LikeList } from './LikeList';
import { PlaceSides } from './PlaceSides';
import type { OutingHere } from './useOutingHere';

interface Props {
  water: WaterDetail;
  ground: Ground;
  here: OutingHere;
  ring: LonLat;
  planned: readonly (PlannedHole & { number: number })[];
  holes: readonly MapHole[];
  /** Puts the ring somewhere. */
  onPlace: (at: LonLat) => void;
  /** Whether the banks are looked at: working them out takes the phone a while. */
  asksBanks: boolean;
}

/** What the ice is known to be, the banks by sun and wind, and the ground in words. */
export function LakeList({ water, ground, here, ring, planned, holes, onPlace, asksBanks }: Props) {
  const { units } = usePreferences();
  const { input, column, situation } = useOutlook();
  const banks = useBanks(water, input, situation, asksBanks);
  const modelled = column.answer?.now;
  const isIced = modelled !== undefined && modelled.iceClearM + modelled.iceWhiteM > 0;
  const panel = <BankPanel {...banks} units={units} zone={here.zone} isIced={isIced} />;
  return (
    <>
      <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 8 }}>
        {here.surface === 'open' ? <Caution headline="Open water, as modelled">If there is ice here, it is new and not to be trusted.</Caution> : null}
        {here.method.isOnIce ? <IceKnown water={water} from={ring} /> : null}
      </View>
      {asksBanks ? <LikeList water={water} ground={ground} here={here} from={ring} onPlace={onPlace} /> : null}
      {isIced ? null : panel}
      <GroundList water={water} ground={ground} planned={planned} holes={holes} units={units} />
      {isIced ? panel : null}
      <View style={{ paddingHorizontal: 16, paddingBottom: 16 }}>
        <PlaceSides water={water.id} />
      </View>
    </>
  );
}

/** The ice that was measured last on a water, and how far from a place; what to do about it. */
export function IceKnown({ water, from }: { water: WaterDetail; from: LonLat | null }) {
  const { units } = usePreferences();
  const last = useLastIce(water.id);
  const away = last?.at && from ? `Measured ${distanceText(distanceM(last.at, from), units)} from the ring. ` : '';
  const hanging = water.file.water.kind === 'reservoir' ? ' Under a falling level ice hangs unsupported.' : '';
  return (
    <Caution headline={last ? `Last ice ${iceText(countingThickness(last), units)} here` : 'Ice not measured here'}>
      {`${away}Check each hole, more often near inflow and outflow. No ice is safe ice.${hanging}`}
    </Caution>
  );
}
