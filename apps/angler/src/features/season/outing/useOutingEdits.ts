import type { LedgerEvent, OutingState } from '@burrow/core/ledger';
import { hourMs } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useLedger } from '@/data/session';

/** An outing that ended this long ago is not gone on with. */
const resumableMs = 18 * hourMs;

/** What can be done to an outing as a whole, and to an entry of it: each can be taken back. */
export function useOutingEdits(outing: OutingState, zone: string, now: number) {
  const { ledger, events, state } = useLedger();
  const router = useRouter();
  const [said, setSaid] = useState<{ text: string; undo: LedgerEvent[] } | null>(null);
  const scope = { id: outing.id, zone };
  const end = outing.entries.findLast((e) => e.kind === 'outing-ended');
  const isOpenElsewhere = state.outings.some((o) => o.endedMs === null && o.id !== outing.id);
  return {
    said,
    setSaid,
    undo: (targets: readonly LedgerEvent[]) =>
      void ledger.writeAll(
        scope,
        [...targets].reverse().map((e) => ({ kind: 'undone' as const, body: { target: e.id } })),
      ),
    takeBack: async (id: string) => setSaid({ text: 'Taken back', undo: [await ledger.write(scope, 'undone', { target: id })] }),
    canGoOn: outing.endedMs !== null && now - outing.endedMs < resumableMs && !isOpenElsewhere && end !== undefined,
    goOn: async () => {
      await ledger.write(scope, 'undone', { target: end!.id });
      router.navigate('/water');
    },
    remove: async () => {
      const start = events.find((e) => e.kind === 'outing-started' && e.outing === outing.id);
      if (start) await ledger.write(scope, 'undone', { target: start.id });
      router.navigate({ pathname: '/season', params: { outing: outing.id } });
    },
  };
}
