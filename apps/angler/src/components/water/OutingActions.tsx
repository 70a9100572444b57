import { Action } from '@/components/Action';
import { useOuting } from '@/data/water';

/** Back to the hole under way, and the end of the outing. */
export function OutingActions({ onHole, onEnd }: { onHole: () => void; onEnd: () => void }) {
  const outing = useOuting();
  const hole = outing?.stations.find((h) => h.id === outing.currentStation);
  return (
    <>
      {hole ? <Action grow label={`Hole ${hole.label}`} spoken={`See hole ${hole.label}`} onPress={onHole} /> : null}
      <Action grow label="End outing" onPress={onEnd} />
    </>
  );
}
