import type { EventBodies, EventKind } from '@burrow/core/ledger';
import { useState } from 'react';
import { useLedger } from '@/data/session';

/** A thing to be written into the ledger. */
export type Thing = { [K in EventKind]: { kind: K; body: EventBodies[K] } }[EventKind];

/** Writes things that happened at one moment, says so, and takes them back. `onLogged` runs once they are written. */
export function useLogged(scope: { id: string; zone: string }, onLogged: () => void) {
  const { ledger } = useLedger();
  const [said, setSaid] = useState<{ text: string; undo: string[] } | null>(null);
  const undo = (...ids: string[]) =>
    void ledger.writeAll(
      scope,
      ids.map((target) => ({ kind: 'undone' as const, body: { target } })),
    );
  const log = async (text: string, things: readonly Thing[]) => {
    const events = await ledger.writeAll(scope, things);
    setSaid({ text, undo: events.map((e) => e.id) });
    onLogged();
  };
  return { said, setSaid, undo, log };
}
