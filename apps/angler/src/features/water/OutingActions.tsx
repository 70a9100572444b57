import { methodOf, usualMethod } from '@burrow/core/methods';
import { Action } from '@/ui/Action';
import { useOuting } from '@/data/water';

/** Back to the station under way, and the end of the outing. */
export function OutingActions({ onHole, onEnd }: { onHole: () => void; onEnd: () => void }) {
  const outing = useOuting();
  const hole = outing?.stations.find((h) => h.id === outing.currentStation);
  const place = ((outing && methodOf(outing.method)) ?? usualMethod).station;
  return (
    <>
      {hole ? <Action grow label={`${place} ${hole.label}`} spoken={`See ${place.toLowerCase()} ${hole.label}`} onPress={onHole} /> : null}
      <Action grow label="End outing" onPress={onEnd} />
    </>
  );
}
