import type { LonLat } from '@burrow/core/ground';
import type { EventBodies, OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import { StationSheet } from '@/features/station/StationSheet';

/** A place that a station is opened at, what the map expects there, m, and who says where it is. */
export interface OpenedPlace {
  at: LonLat;
  expectedM: number | null;
  placed: NonNullable<EventBodies['station-opened']['placed']>;
}

interface Props {
  method: Method;
  outing: OutingState | undefined;
  zone: string;
  /** The place held while its sheet is open: advice that changes meanwhile must not move it; null while none is asked for. */
  place: OpenedPlace | null;
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
      onOpened={(goesOn) => {
        onClose();
        onOpened();
        // Find first, fish after: a row of holes is drilled and sounded from the map.
        if (!goesOn) router.navigate('/hole');
      }}
    />
  );
}
