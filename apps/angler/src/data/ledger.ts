import type { SyncResponse } from '@burrow/contract/api';
import { foldLedger, ledgerEvent } from '@burrow/contract';
import { importDevice, upcastEvent, type EventBodies, type EventKind, type LedgerEvent, type OutingState } from '@burrow/core/ledger';
import { isoWithOffset } from '@burrow/core/units';
import { ApiError, OfflineError, api } from './api';
import { correctionOf } from './correction-time';
import { askToPersist } from './persistence';
import { nowMs } from './clock';
import { newId } from './ids';
import { emptyView, type ImportRecord, type LedgerView } from './ledger-view';
import { ObservableValue } from './observable-value';
import type { KeptEvent, PhoneStore } from './store';

const batch = 500;
/** Answers that lie with what was sent rather than with the way or the server. */
const isFaultOfBatch = (error: unknown): error is ApiError => error instanceof ApiError && [400, 413, 422, 500].includes(error.status);
const retryMs = { first: 2500, longest: 15_000 };

/** An outing, with the offset that its times are written in. */
export type Scope = Pick<OutingState, 'id'> & { zone: string };

/**
 * The phone's copy of the ledger. An event is on disk before `write` answers; the outbox empties itself whenever the server
 * can be reached.
 */
export class PhoneLedger {
  readonly view = new ObservableValue<LedgerView>(emptyView);
  private readonly kept = new Map<string, KeptEvent>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private syncing: Promise<void> | null = null;
  private waitMs = retryMs.first;
  private stopped = false;
  /** Whether something came from the server that is not added up yet. */
  private isStale = false;
  private device = '';
  private cursor = 0;
  /** The ledger that the cursor counts in; null before the server has said. */
  private generation: string | null = null;

  constructor(
    private readonly store: PhoneStore,
    private readonly angler: string,
  ) {}

  /** Reads the log of this phone. Where the browser keeps none it begins empty, in memory, and is filled by the server. */
  async open(): Promise<void> {
    this.store.onOpenedLate = () => void this.readAgain(true);
    const events = await this.store.allEvents();
    const [device, isBehind, cursor, generation, imports] = await Promise.all([
      this.store.setting<string>('device'),
      this.store.setting<boolean>('behind'),
      this.store.setting<number>('cursor'),
      this.store.setting<string>('generation'),
      this.store.setting<ImportRecord[]>('imports'),
    ]);
    if (this.stopped) return;
    this.device = device ?? newId();
    this.cursor = cursor ?? 0;
    this.generation = generation ?? null;
    if (device === undefined) await this.store.keep('device', this.device);
    // Rows of an older app are read as they would be written now; they are sent as such, under their own ids.
    const rows = await this.inSmallLetters(events.map((row) => ({ ...row, event: upcastEvent(row.event) })));
    for (const row of rows) this.kept.set(row.id, row);
    // Half a log can show an outing without its end as under way: a new phone waits for the rest, while the server answers.
    this.show({ ready: isBehind === false || (isBehind === undefined && events.length > 0), imports: imports ?? [] });
    globalThis.addEventListener?.('online', this.syncSoon);
    this.later(0);
  }

  /** Takes in what the database holds beside what is known here: another tab's, or all of it where it opened only after the log had begun. */
  async readAgain(isLate = false): Promise<void> {
    const fresh = (await this.store.allEvents()).filter((row) => !this.kept.has(row.id));
    for (const row of fresh) this.kept.set(row.id, { ...row, event: upcastEvent(row.event) });
    // What another tab has read of a log that still comes in is not the whole of it either.
    if (isLate || fresh.length > 0) this.show(isLate ? { ready: true } : {});
  }

  close(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    globalThis.removeEventListener?.('online', this.syncSoon);
    this.store.close();
  }

  /** Writes one event of an outing. Resolves with it once it is on disk. */
  async write<K extends EventKind>(outing: Scope, kind: K, body: EventBodies[K]): Promise<LedgerEvent> {
    const [event] = await this.writeAll(outing, [{ kind, body }]);
    return event;
  }

  /**
   * Writes several events that happened together, all or none.
   * @param ms when they happened, where that is not now
   */
  async writeAll(outing: Scope, things: readonly { kind: EventKind; body: EventBodies[EventKind] }[], ms = nowMs()): Promise<LedgerEvent[]> {
    const events: LedgerEvent[] = [];
    for (const { kind, body } of things) events.push(this.newEvent(outing, kind, body, ms, events));
    const isFirst = this.kept.size === 0;
    await this.keep(events.map((event) => ({ id: event.id, event, sent: 0 })));
    this.syncSoon();
    // Asked when there is something to lose: browsers say no to a page that nobody has used.
    if (isFirst) void askToPersist();
    return events;
  }

  /** @param before entries that are written together with this one, and stand before it */
  private newEvent(outing: { id: string; zone: string }, kind: EventKind, body: EventBodies[EventKind], ms = nowMs(), before: readonly LedgerEvent[] = []): LedgerEvent {
    const isCorrection = kind === 'undone' || kind === 'amended';
    const corrects = isCorrection ? correctionOf([...[...this.kept.values()].map((k) => k.event), ...before], (body as EventBodies['undone']).target) : null;
    // A phone whose clock runs behind has the last word all the same: a correction is never earlier than its target or what corrected that before.
    const at = isoWithOffset(Math.max(ms, corrects?.lastMs ?? -Infinity), outing.zone);
    return { id: newId(), outing: corrects?.outing ?? outing.id, angler: this.angler, device: this.device, at, kind, v: 2, body } as LedgerEvent;
  }

  /** What bringing in these events would do, before it is done. */
  previewImport(events: readonly LedgerEvent[]): { fresh: number; known: number; outings: number; isForeign: boolean } {
    const all = new Map(events.map((e) => [e.id, e]));
    const fresh = [...all.values()].filter((e) => !this.kept.has(e.id));
    return {
      fresh: fresh.length,
      known: all.size - fresh.length,
      outings: fresh.filter((e) => e.kind === 'outing-started').length,
      isForeign: events.some((e) => e.angler !== this.angler),
    };
  }

  /** Takes in events from a file; those known already are left alone. Answers what it takes to take them out again. */
  async importEvents(events: readonly LedgerEvent[], name: string): Promise<ImportRecord> {
    const fresh = new Map(events.filter((e) => !this.kept.has(e.id)).map((event) => [event.id, { id: event.id, event: this.brought(event, name), sent: 0 as const }]));
    const rows = [...fresh.values()];
    const started = new Set(rows.flatMap(({ event }) => (event.kind === 'outing-started' ? [event.outing] : [])));
    const targets = rows.filter(({ event }) => event.kind === 'outing-started' || !started.has(event.outing)).map(({ event }) => ({ id: event.id, outing: event.outing }));
    const record: ImportRecord = { id: newId(), name, atMs: nowMs(), count: rows.length, targets };
    for (const row of rows) this.kept.set(row.id, row);
    await this.store.put({ events: rows, settings: rows.length > 0 ? { imports: [...this.view.get().imports, record] } : {} });
    this.show(rows.length > 0 ? { imports: [...this.view.get().imports, record] } : {});
    this.syncSoon();
    return record;
  }

  /** An entry of a file as it is kept: another's becomes one's own, and stays marked as brought in. */
  private brought(event: LedgerEvent, file: string): LedgerEvent {
    return event.angler === this.angler ? event : { ...event, angler: this.angler, device: importDevice(file) };
  }

  /** Takes a ledger that was brought in out again. Answers the entries that do so, for an undo. */
  async takeOut(record: ImportRecord, zone: string): Promise<LedgerEvent[]> {
    const events = record.targets.map(({ id, outing }) => this.newEvent({ id: outing, zone }, 'undone', { target: id }));
    await this.keep(events.map((event) => ({ id: event.id, event, sent: 0 })));
    await this.keepImports(this.view.get().imports.filter((r) => r.id !== record.id));
    this.syncSoon();
    return events;
  }

  /** Puts a ledger back that was just taken out. */
  async putBack(record: ImportRecord, undone: readonly LedgerEvent[], zone: string): Promise<void> {
    const events = undone.map((e) => this.newEvent({ id: e.outing, zone }, 'undone', { target: e.id }));
    await this.keep(events.map((event) => ({ id: event.id, event, sent: 0 })));
    await this.keepImports([...this.view.get().imports, record]);
    this.syncSoon();
  }

  private async keepImports(imports: ImportRecord[]): Promise<void> {
    await this.store.keep('imports', imports);
    this.show({ imports });
  }

  /** Sends an entry once more that the server refused. */
  async sendAgain(row: KeptEvent): Promise<void> {
    await this.keep([{ id: row.id, event: row.event, sent: 0 }]);
    this.syncSoon();
  }

  /** Sends and fetches until both sides have all. Throws what hindered it. */
  sync(): Promise<void> {
    this.syncing ??= this.exchangeAll().finally(() => {
      this.syncing = null;
    });
    return this.syncing;
  }

  private readonly syncSoon = (): void => this.later(150);

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
      let size = batch;
      for (let more = true; more && !this.stopped;) {
        const waiting = this.waiting().slice(0, size);
        const answer = await this.exchange(waiting);
        if (answer === null) {
          size = Math.max(1, Math.ceil(waiting.length / 2));
          continue;
        }
        await this.takeIn(answer);
        size = Math.min(batch, 2 * size);
        more = answer.more || this.waiting().length > 0;
        // A log that comes in by pages is added up once, when the last has come; what is left to send is told page by page.
        if (more) this.view.set({ ...this.view.get(), unsent: this.waiting().length });
      }
      this.show({ ready: true, reached: true, trouble: null, signedOut: false });
    } catch (error) {
      const isSignedOut = error instanceof ApiError && error.status === 401;
      const trouble = error instanceof OfflineError || isSignedOut ? null : (error as Error).message;
      this.show({ ready: true, reached: !(error instanceof OfflineError), trouble, signedOut: isSignedOut });
      throw error;
    }
  }

  /** One exchange; null where the server could not take the batch, which is then halved until what is at fault stands alone and is set aside. */
  private async exchange(waiting: readonly KeptEvent[]): Promise<SyncResponse | null> {
    const place = { cursor: this.cursor, ...(this.generation === null ? {} : { generation: this.generation }) };
    const send = (rows: readonly KeptEvent[]) => api.sync({ device: this.device, ...place, events: rows.map((k) => k.event) });
    try {
      return await send(waiting);
    } catch (error) {
      if (!isFaultOfBatch(error) || waiting.length === 0) throw error;
      if (waiting.length > 1) return null;
      // A server that fails without it too has trouble of its own.
      const answer = await send([]);
      await this.keep([{ ...waiting[0], refused: error.message }]);
      return answer;
    }
  }

  private async takeIn(answer: SyncResponse): Promise<void> {
    const changed: KeptEvent[] = this.isPutBack(answer) ? this.offeredAnew() : [];
    const given = new Set(answer.events.map((e) => e.id));
    for (const id of answer.accepted) {
      const known = this.kept.get(id);
      if (known) changed.push({ id, event: known.event, sent: 1 });
    }
    for (const { id, reason } of answer.rejected) {
      const known = this.kept.get(id);
      // Where the server has another entry under this id, that one stands, and what was written here is kept beside it.
      if (known) changed.push({ ...known, id: given.has(id) ? `${id}/own` : id, refused: reason });
    }
    for (const event of answer.events) if (!this.kept.get(event.id)?.sent) changed.push({ id: event.id, event, sent: 1 });
    // In memory first: a disk that takes nothing must not make the phone ask for the same again and again.
    for (const row of changed) this.kept.set(row.id, row);
    this.cursor = answer.cursor;
    this.generation = answer.generation ?? this.generation;
    this.isStale ||= changed.length > 0;
    await this.store.put({
      events: changed,
      settings: { cursor: answer.cursor, behind: answer.more, ...(answer.generation === undefined ? {} : { generation: answer.generation }) },
    });
  }

  /** Whether the server's ledger is another than the one that was read before: a backup was put back, and our place in it is void. */
  private isPutBack(answer: SyncResponse): boolean {
    const isOther = this.generation !== null && answer.generation !== undefined && answer.generation !== this.generation;
    return isOther || answer.cursor < this.cursor;
  }

  /** Everything that the server had, to be offered again: what it has already it knows by its id. */
  private offeredAnew(): KeptEvent[] {
    const rows = [...this.kept.values()].filter((row) => row.sent === 1).map((row): KeptEvent => ({ ...row, sent: 0 }));
    for (const row of rows) this.kept.set(row.id, row);
    return rows;
  }

  /** Rows whose ids came in capitals, from a file that an older app took as it was, under the one id that the server knows. */
  private async inSmallLetters(rows: KeptEvent[]): Promise<KeptEvent[]> {
    const shouted = rows.filter(({ event }) => /[A-F]/.test(event.id + event.outing));
    if (shouted.length === 0) return rows;
    const known = new Set(rows.map((r) => r.id));
    const small = shouted.flatMap((row): KeptEvent[] => {
      const parsed = ledgerEvent.safeParse(row.event);
      return parsed.success && (parsed.data.id === row.id || !known.has(parsed.data.id)) ? [{ ...row, id: parsed.data.id, event: parsed.data }] : [];
    });
    await this.store.put({ gone: shouted.map((r) => r.id), events: small });
    return [...rows.filter((r) => !shouted.includes(r)), ...small];
  }

  private waiting(): KeptEvent[] {
    return [...this.kept.values()].filter((k) => k.sent === 0 && k.refused === undefined);
  }

  private async keep(rows: KeptEvent[]): Promise<void> {
    for (const row of rows) this.kept.set(row.id, row);
    await this.store.put({ events: rows });
    this.show({});
  }

  private show(change: Partial<LedgerView>): void {
    if (this.stopped) return;
    const before = this.view.get();
    const isSame =
      !this.isStale &&
      change.reached !== undefined &&
      before.ready === change.ready &&
      before.reached === change.reached &&
      before.trouble === change.trouble &&
      before.signedOut === change.signedOut;
    if (isSame) return;
    const rows = [...this.kept.values()];
    // Of a log that is not whole yet only what was written here is shown: an outing whose end has not come would look under way.
    const isWhole = change.ready ?? before.ready;
    const events = rows.filter((k) => k.id === k.event.id && (isWhole || k.sent === 0)).map((k) => k.event);
    const sameEvents = change.reached !== undefined && !this.isStale && before.ready === isWhole;
    this.isStale = false;
    this.view.set({
      ...before,
      ...(sameEvents ? {} : { events, state: foldLedger(events) }),
      unsent: this.waiting().length,
      refused: rows.filter((k) => k.refused !== undefined),
      ...change,
    });
  }
}
