import type { SyncRequest, SyncResponse } from '@burrow/contract/api';
import type { LedgerEvent } from '@burrow/core/ledger';

/** A server in memory, as the real one answers. */
export class MemoryServer {
  readonly events: LedgerEvent[] = [];
  refuses = new Set<string>();
  readonly answer = async ({ cursor, events }: SyncRequest): Promise<SyncResponse> => {
    const sent = events as LedgerEvent[];
    const good = sent.filter((e) => !this.refuses.has(e.kind));
    for (const e of good) if (!this.events.some((k) => k.id === e.id)) this.events.push(e);
    const ids = new Set(sent.map((e) => e.id));
    return {
      accepted: good.map((e) => e.id),
      rejected: sent.filter((e) => this.refuses.has(e.kind)).map((e) => ({ id: e.id, reason: 'body.text: too long' })),
      events: this.events.slice(cursor).filter((e) => !ids.has(e.id)),
      cursor: this.events.length,
      more: false,
    };
  };
}
