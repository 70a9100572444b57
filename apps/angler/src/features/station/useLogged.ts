import type { EventBodies, EventKind } from '@burrow/core/ledger';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { useLedger } from '@/data/session';

/** A thing to be written into the ledger. */
export type Thing = { [K in EventKind]: { kind: K; body: EventBodies[K] } }[EventKind];

/** What was just logged, in words, and the events that an undo takes back; none where it was only said. */
interface Said {
  text: string;
  undo: readonly string[];
}

export interface Logged {
  said: Said | null;
  setSaid: Dispatch<SetStateAction<Said | null>>;
  undo: (...ids: string[]) => void;
  /** Writes things that happened at one moment, and says so. */
  log: (text: string, things: readonly Thing[]) => Promise<void>;
}

/** What is logged at a station, said and taken back. `onLogged` runs once things are written. */
export function useLogged(scope: { id: string; zone: string }, onLogged?: () => void): Logged {
  const { ledger } = useLedger();
  const [said, setSaid] = useState<Said | null>(null);
  const undo = (...ids: string[]) =>
    void ledger.writeAll(
      scope,
      ids.map((target) => ({ kind: 'undone' as const, body: { target } })),
    );
  const log = async (text: string, things: readonly Thing[]) => {
    const events = await ledger.writeAll(scope, things);
    setSaid({ text, undo: events.map((e) => e.id) });
    onLogged?.();
  };
  return { said, setSaid, undo, log };
}
