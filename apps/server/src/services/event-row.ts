import type { LedgerEvent } from '@burrow/core/ledger';
import type { EventRow } from '../entities';

/** The event that a row holds. */
export const toEvent = (row: EventRow, angler: string): LedgerEvent =>
  ({ id: row.id, outing: row.outing, angler, device: row.device, at: row.at, kind: row.kind, v: row.v, body: row.body }) as LedgerEvent;
