import { methodOf, usualMethod } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useOutlook } from '@/data/outlook';
import { useOuting } from '@/data/water';
import { ArrivalSheet } from '@/features/arrival/ArrivalSheet';
import { Action } from '@/ui/Action';

/** Back to the station under way, what one finds here against the plan, and the end of the outing. */
export function OutingActions({ zone, onHole, onEnd }: { zone: string; onHole: () => void; onEnd: () => void }) {
  const outing = useOuting();
  const router = useRouter();
  const { situation } = useOutlook();
  const [isArriving, setArriving] = useState(false);
  const hole = outing?.stations.find((h) => h.id === outing.currentStation);
  const place = ((outing && methodOf(outing.method)) ?? usualMethod).station;
  return (
    <>
      {hole ? <Action grow label={`${place} ${hole.label}`} spoken={`See ${place.toLowerCase()} ${hole.label}`} onPress={onHole} /> : null}
      <Action grow label="As planned?" disabled={situation === null} onPress={() => setArriving(true)} />
      <Action grow label="Crew" onPress={() => router.navigate('/crew')} />
      <Action grow label="End outing" onPress={onEnd} />
      {isArriving && outing && situation ? <ArrivalSheet outing={outing} zone={zone} situation={situation} onClose={() => setArriving(false)} /> : null}
    </>
  );
}
