import { Action } from '@/components/Action';
import { useLedger } from '@/data/session';
import { useOuting, useWater } from '@/data/water';

/** Back to the hole under way, and the end of the outing. */
export function OutingActions({ onHole }: { onHole: () => void }) {
  const outing = useOuting()!;
  const { ledger } = useLedger();
  const { detail } = useWater();
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const hole = outing.holes.find((h) => h.id === outing.currentHole);
  return (
    <>
      {hole ? <Action grow label={`Hole ${hole.label}`} spoken={`See hole ${hole.label}`} onPress={onHole} /> : null}
      <Action grow label="End outing" onPress={() => void ledger.write({ id: outing.id, zone }, 'outing-ended', {})} />
    </>
  );
}
