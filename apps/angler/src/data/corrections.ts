import { asItStands, type EventBodies, type EventKind, type LedgerEvent } from '@burrow/core/ledger';
import type { PhoneLedger, Scope } from './ledger';

/** The body of an entry as it stands now. Throws where it was taken back meanwhile. */
export function bodyOf<K extends EventKind>(events: readonly LedgerEvent[], id: string): EventBodies[K] {
  const event = asItStands(events, id);
  if (!event) throw new Error('This entry was taken back meanwhile.');
  return event.body as EventBodies[K];
}

/**
 * Corrects an entry: by an amendment where only figures change, else the entry is taken back and written anew, since when it happened
 * and what was never measured cannot be amended. Answers what to take back to undo the correction.
 */
export async function correct(ledger: PhoneLedger, scope: Scope, events: readonly LedgerEvent[], id: string, body: EventBodies[EventKind], atMs: number): Promise<LedgerEvent[]> {
  const event = asItStands(events, id);
  if (!event) throw new Error('This entry was taken back meanwhile.');
  const isLess = Object.keys(event.body).some((key) => !(key in body));
  const isMoved = Math.abs(Date.parse(event.at) - atMs) >= 1000;
  if (!isLess && !isMoved) {
    // Only what differs: a field that nobody touched is not written, and what another phone made of it stands.
    const before = event.body as Record<string, unknown>;
    const changed = Object.fromEntries(Object.entries(body).filter(([key, value]) => JSON.stringify(before[key]) !== JSON.stringify(value)));
    return Object.keys(changed).length === 0 ? [] : ledger.writeAll(scope, [{ kind: 'amended', body: { target: id, body: changed } }]);
  }
  const anew = await ledger.writeAll(scope, [{ kind: event.kind, body }], isMoved ? atMs : Date.parse(event.at));
  return [...anew, ...(await ledger.writeAll(scope, [{ kind: 'undone', body: { target: id } }]))];
}
