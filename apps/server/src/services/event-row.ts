import { upcastEvent, type LedgerEvent } from '@burrow/core/ledger';
import type { EventRow } from '../entities';

/** The event that a row holds, in today's form: rows of version 1 stay as they came and are read through the one upcast. */
export const toEvent = (row: EventRow, angler: string): LedgerEvent =>
  upcastEvent({ id: row.id, outing: row.outing, angler, device: row.device, at: row.at, kind: row.kind, v: row.v, body: row.body }) as unknown as LedgerEvent;
