import type { SyncResponse } from '@burrow/contract/api';
import { fold, type EventBodies, type EventKind, type LedgerEvent, type LedgerState, type OutingState } from '@burrow/core/ledger';
import { isoWithOffset } from '@burrow/core/units';
import { v7 } from 'uuid';
import { ApiError, api } from './api';
import { nowMs } from './clock';
import { External } from './external';
import type { KeptEvent, PhoneStore } from './store';

export interface LedgerView {
  /** Whether the log is whole: read from the phone, and not cut off in the middle of coming from the server. */
  ready: boolean;
  state: LedgerState;
  events: readonly LedgerEvent[];
  unsent: number;
  refused: readonly KeptEvent[];
  /** Whether the last exchange with the server came through; null before the first. */
  reached: boolean | null;
  /** The session is gone: signing in again sends what waits. */
  signedOut: boolean;
}

const batch = 500;
const retryMs = { first: 2500, longest: 15_000 };

/**
 * The phone's copy of the ledger. An event is on disk before `write` answers; the outbox empties itself whenever the server
 * can be reached.
 */
export class PhoneLedger {
  readonly view = new External<LedgerView>({ ready: false, state: { outings: [], weather: [], drills: [] }, events: [], unsent: 0, refused: [], reached: null, signedOut: false });
  private readonly kept = new Map<string, KeptEvent>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private syncing: Promise<void> | null = null;
  private waitMs = retryMs.first;
  private stopped = false;
  private device = '';

  constructor(
    private readonly store: PhoneStore,
    private readonly angler: string,
  ) {}

  async open(): Promise<void> {
    const [events, device, isBehind] = await Promise.all([this.store.events.toArray(), this.store.setting<string>('device'), this.store.setting<boolean>('behind')]);
    this.device = device ?? crypto.randomUUID();
    if (device === undefined) await this.store.keep('device', this.device);
    for (const row of events) this.kept.set(row.id, row);
    // Half a log can show an outing without its end as under way: a new phone waits for the rest, while the server answers.
    this.show({ ready: isBehind === false || (isBehind === undefined && events.length > 0) });
    globalThis.addEventListener?.('online', this.hurry);
    this.later(0);
  }

  close(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    globalThis.removeEventListener?.('online', this.hurry);
    this.store.close();
  }

  /** Writes one event of an outing. Resolves with it once it is on disk. */
  async write<K extends EventKind>(outing: Pick<OutingState, 'id'> & { zone: string }, kind: K, body: EventBodies[K]): Promise<LedgerEvent> {
    const [event] = await this.writeAll(outing, [{ kind, body }]);
    return event;
  }

  /** Writes several events that happened together, all or none. */
  async writeAll(outing: Pick<OutingState, 'id'> & { zone: string }, things: readonly { kind: EventKind; body: EventBodies[EventKind] }[]): Promise<LedgerEvent[]> {
    const ms = nowMs();
    const events = things.map(
      ({ kind, body }) => ({ id: newId(), outing: outing.id, angler: this.angler, device: this.device, at: isoWithOffset(ms, outing.zone), kind, v: 1, body }) as LedgerEvent,
    );
    await this.keep(events.map((event) => ({ id: event.id, event, sent: 0 })));
    this.hurry();
    return events;
  }

  /** Takes in events from a file; those known already are left alone. Returns how many were new. */
  async importEvents(events: readonly LedgerEvent[]): Promise<number> {
    const fresh = new Map(events.filter((e) => !this.kept.has(e.id)).map((event) => [event.id, { id: event.id, event: { ...event, angler: this.angler }, sent: 0 as const }]));
    await this.keep([...fresh.values()]);
    this.hurry();
    return fresh.size;
  }

  /** Sends and fetches until both sides have all. Throws what hindered it. */
  sync(): Promise<void> {
    this.syncing ??= this.exchangeAll().finally(() => {
      this.syncing = null;
    });
    return this.syncing;
  }

  private readonly hurry = (): void => this.later(150);

  private later(ms: number): void {
    if (this.stopped) return;
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.sync().then(
        () => {
          this.waitMs = retryMs.first;
          this.later(retryMs.longest);
        },
        () => {
          this.waitMs = Math.min(retryMs.longest, this.waitMs * 1.5);
          this.later(this.waitMs);
        },
      );
    }, ms);
  }

  private async exchangeAll(): Promise<void> {
    try {
      for (let more = true; more && !this.stopped;) {
        const waiting = this.waiting().slice(0, batch);
        const cursor = (await this.store.setting<number>('cursor')) ?? 0;
        const answer = await api.sync({ device: this.device, cursor, events: waiting.map((k) => k.event) });
        await this.takeIn(answer);
        more = answer.more || this.waiting().length > 0;
      }
      this.show({ ready: true, reached: true, signedOut: false });
    } catch (error) {
      this.show({ ready: true, reached: false, signedOut: error instanceof ApiError && error.status === 401 });
      throw error;
    }
  }

  private async takeIn(answer: SyncResponse): Promise<void> {
    const changed: KeptEvent[] = [];
    for (const id of answer.accepted) {
      const known = this.kept.get(id);
      if (known) changed.push({ id, event: known.event, sent: 1 });
    }
    for (const { id, reason } of answer.rejected) {
      const known = this.kept.get(id);
      if (known) changed.push({ ...known, refused: reason });
    }
    for (const event of answer.events) if (!this.kept.get(event.id)?.sent) changed.push({ id: event.id, event, sent: 1 });
    await this.store.transaction('rw', this.store.events, this.store.settings, async () => {
      await this.store.events.bulkPut(changed);
      await this.store.keep('cursor', answer.cursor);
      await this.store.keep('behind', answer.more);
    });
    if (changed.length === 0) return;
    for (const row of changed) this.kept.set(row.id, row);
    this.show({});
  }

  private waiting(): KeptEvent[] {
    return [...this.kept.values()].filter((k) => k.sent === 0 && k.refused === undefined);
  }

  private async keep(rows: KeptEvent[]): Promise<void> {
    await this.store.events.bulkPut(rows);
    for (const row of rows) this.kept.set(row.id, row);
    this.show({});
  }

  private show(change: Partial<LedgerView>): void {
    if (this.stopped) return;
    const before = this.view.get();
    const isSame = change.reached !== undefined && before.ready === change.ready && before.reached === change.reached && before.signedOut === change.signedOut;
    if (isSame) return;
    const rows = [...this.kept.values()];
    const events = rows.map((k) => k.event);
    const sameEvents = change.reached !== undefined && before.events.length === events.length;
    this.view.set({
      ...before,
      ...(sameEvents ? {} : { events, state: fold(events) }),
      unsent: this.waiting().length,
      refused: rows.filter((k) => k.refused !== undefined),
      ...change,
    });
  }
}

const lastId = { ms: 0, seq: 0 };

/** A new id in the ledger's form: by the water's clock, and in the order of making within a millisecond. */
export function newId(): string {
  const ms = nowMs();
  lastId.seq = ms === lastId.ms ? lastId.seq + 1 : Math.floor(Math.random() * 0x3fffffff);
  lastId.ms = ms;
  return v7({ msecs: ms, seq: lastId.seq });
}
