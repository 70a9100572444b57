import type { LonLat } from '@burrow/core/ground';
import type { OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import { StationSheet } from '@/features/station/StationSheet';

interface Props {
  method: Method;
  outing: OutingState | undefined;
  zone: string;
  /** The place held while its sheet is open: advice that changes meanwhile must not move it; null while none is asked for. */
  place: { at: LonLat; expectedM: number | null } | null;
  onClose: () => void;
  onOpened: () => void;
}

/** The sheet that opens a station at a place of the map, and the way to it. */
export function StationHere({ method, outing, zone, place, onClose, onOpened }: Props) {
  const router = useRouter();
  if (!outing || !place) return null;
  return (
    <StationSheet
      method={method}
      open
      onClose={onClose}
      outing={outing}
      zone={zone}
      {...place}
      onOpened={() => {
        onClose();
        onOpened();
        router.navigate('/hole');
      }}
    />
  );
}
