import { useRouter } from 'expo-router';
import { Notice } from '../Notice';

/** The Hole screen before there is a hole, with the next step. */
export function NoHole({ hasOuting, isMoving }: { hasOuting: boolean; isMoving: boolean }) {
  const router = useRouter();
  const toMap = () => router.navigate('/water');
  if (hasOuting)
    return (
      <Notice title="No hole yet" action={{ label: 'Choose where to drill', onPress: toMap }}>
        Tap the map where you stand, or where you want to go.
      </Notice>
    );
  if (isMoving)
    return (
      <Notice title="No holes on moving water" action={{ label: 'To the lies', onPress: toMap }}>
        This screen follows a hole in the ice. Where to cast on this water stands on its map.
      </Notice>
    );
  return (
    <Notice title="No outing yet" action={{ label: 'To the map', onPress: toMap }}>
      Start one on the map, then drill. The flasher comes on here.
    </Notice>
  );
}
