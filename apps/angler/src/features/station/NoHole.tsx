import type { Method } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import { Notice } from '@/ui/Notice';

/** The screen of what one does now before there is a station, with the next step. */
export function NoHole({ hasOuting, isMoving, method }: { hasOuting: boolean; isMoving: boolean; method: Method }) {
  const router = useRouter();
  const toMap = () => router.navigate('/water');
  if (hasOuting)
    return (
      <Notice title={`No ${method.station.toLowerCase()} yet`} action={{ label: method.isOnIce ? 'Choose where to drill' : 'Choose where to stop', onPress: toMap }}>
        Tap the map where you are, or where you want to go.
      </Notice>
    );
  if (isMoving)
    return (
      <Notice title="No holes on moving water" action={{ label: 'To the lies', onPress: toMap }}>
        This screen follows a hole in the ice, or a spot under a boat. Where to cast on this water stands on its map.
      </Notice>
    );
  return (
    <Notice title="No outing yet" action={{ label: 'To the map', onPress: toMap }}>
      Start one on the map. What to do right now stands here.
    </Notice>
  );
}
