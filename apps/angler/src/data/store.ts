import type { LedgerEvent } from '@burrow/core/ledger';
import { Dexie, type Table } from 'dexie';
import { newId } from './ids';
import { ObservableValue } from './observable-value';

/** An event as the phone keeps it. */
export interface KeptEvent {
  id: string;
  event: LedgerEvent;
  /** 0 until the server has it. */
  sent: 0 | 1;
  /** Why the server refused it; such an event is kept and shown. */
  refused?: string;
}

interface Setting {
  key: string;
  value: unknown;
}

/** The browser's own database of one account. */
export class PhoneDatabase extends Dexie {
  readonly events!: Table<KeptEvent, string>;
  readonly settings!: Table<Setting, string>;

  constructor(account: string) {
    super(`burrow-${account}`, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, sent', settings: 'key' });
  }
}

/**
 * How the phone keeps the log. `kept`: all of it is on disk; `full`: there is no room; `refused`: the browser opens or writes no database;
 * `again`: it is kept again after trouble, told for a while.
 */
export type StoreHealth = 'kept' | 'full' | 'refused' | 'again';

/** How often the disk is tried again, and looked at for whether it still has what it was given, ms. */
const lookMs = 1200;
/** A database that has not opened by then is treated as refused; should it open later, all goes on as usual. */
const patienceMs = 1500;
/** How long it is told that all is well again, ms. */
const againMs = 8000;

/** By what is found on disk whether it is still the database that was written to. */
const markKey = 'mark';

/**
 * What the phone keeps for one account. What the disk does not take stays in memory, is told, and is written when there is room: nothing is lost while
 * the page is open.
 */
export class PhoneStore {
  readonly health = new ObservableValue<StoreHealth>('kept');
  private readonly db: PhoneDatabase;
  /** What the disk has not taken. */
  private readonly waiting = { events: new Map<string, KeptEvent>(), gone: new Set<string>(), settings: new Map<string, unknown>() };
  /** All that has to be written anew should the browser throw the database away under the page. */
  private readonly known = { events: new Map<string, KeptEvent>(), settings: new Map<string, unknown>() };
  // Not the browser's own maker of ids, which a page that came by plain http has not.
  private readonly mark = newId();
  /** Called where the database opens after one had begun without it. */
  onOpenedLate: (() => void) | null = null;
  private isLate = false;
  private isLooking = false;
  private opened: Promise<void> | null = null;
  private isOpen = false;
  private isClosed = false;
  private writing: Promise<void> = Promise.resolve();
  private timer: ReturnType<typeof setInterval> | null = null;
  private againTimer: ReturnType<typeof setTimeout> | null = null;

  constructor(account: string) {
    this.db = new PhoneDatabase(account);
  }

  /** Opens the database. Resolves when it is open, or when it is known that one must do without for now. */
  open(): Promise<void> {
    this.opened ??= this.openOnce();
    return this.opened;
  }

  private async openOnce(): Promise<void> {
    if (this.isClosed) return;
    this.timer = background(setInterval(() => void this.look(), lookMs));
    const opening = this.db.open().then(() => this.nowOpen());
    const late = new Promise<'late'>((resolve) => background(setTimeout(() => resolve('late'), patienceMs)));
    const first = await Promise.race([opening.then(() => 'open' as const).catch(() => 'refused' as const), late]);
    if (first === 'open') return;
    this.isLate = true;
    this.tell('refused');
    opening.catch(() => undefined);
  }

  /** The database can be read and written. Should that come late, whoever did without it is told. */
  private async nowOpen(): Promise<void> {
    if (this.isOpen) return;
    await this.db.settings.put({ key: markKey, value: this.mark });
    this.isOpen = true;
    if (this.isLate) this.onOpenedLate?.();
  }

  /** All events of the log. */
  async allEvents(): Promise<KeptEvent[]> {
    await this.open();
    const rows = this.isOpen ? await this.db.events.toArray().catch((error: unknown) => this.unread(error)) : [];
    for (const row of rows) if (!this.known.events.has(row.id)) this.known.events.set(row.id, row);
    return [...this.known.events.values()];
  }

  /** A log that cannot be read is none that is empty: its place in the server's ledger is not read either, so that all of it is fetched, and it is tried again. */
  private unread(error: unknown): KeptEvent[] {
    this.isOpen = false;
    this.isLate = true;
    this.tell(isFull(error) ? 'full' : 'refused');
    return [];
  }

  async setting<T>(key: string): Promise<T | undefined> {
    await this.open();
    if (this.known.settings.has(key)) return this.known.settings.get(key) as T;
    if (!this.isOpen) return undefined;
    try {
      return (await this.db.settings.get(key))?.value as T | undefined;
    } catch {
      return undefined;
    }
  }

  /** Keeps a setting. One that is `dear` is not to be had anywhere else, and is written anew should the database be thrown away. */
  keep(key: string, value: unknown, dear = true): Promise<void> {
    return this.put({ settings: { [key]: value }, dear });
  }

  /** Writes events and settings, all or none, and takes events out. Resolves once they are on disk, or in memory where the disk takes none: see `health`. */
  async put(what: { events?: readonly KeptEvent[]; gone?: readonly string[]; settings?: Readonly<Record<string, unknown>>; dear?: boolean }): Promise<void> {
    const { events = [], gone = [], settings = {}, dear = true } = what;
    await this.open();
    for (const id of gone) {
      this.known.events.delete(id);
      this.waiting.events.delete(id);
      this.waiting.gone.add(id);
    }
    for (const row of events) {
      this.known.events.set(row.id, row);
      this.waiting.events.set(row.id, row);
      this.waiting.gone.delete(row.id);
    }
    for (const [key, value] of Object.entries(settings)) {
      if (dear) this.known.settings.set(key, value);
      this.waiting.settings.set(key, value);
    }
    await this.flush();
    // What is not dear may be had again: it takes no memory while the disk is in trouble.
    if (!dear) for (const key of Object.keys(settings)) this.waiting.settings.delete(key);
  }

  /** Runs reads and writes that belong together, one such run after the other. */
  async atomically<T>(work: () => Promise<T>): Promise<T> {
    const before = this.queue;
    let done!: () => void;
    this.queue = new Promise((resolve) => (done = resolve));
    await before;
    try {
      return await work();
    } finally {
      done();
    }
  }
  private queue: Promise<void> = Promise.resolve();

  /** Throws away all that is kept for this account. */
  async forget(): Promise<void> {
    this.close();
    await this.db.delete();
  }

  close(): void {
    this.isClosed = true;
    if (this.timer) clearInterval(this.timer);
    if (this.againTimer) clearTimeout(this.againTimer);
    this.db.close();
  }

  /** Writes what waits; one attempt at a time. */
  private flush(): Promise<void> {
    this.writing = this.writing.then(() => this.attempt());
    return this.writing;
  }

  private async attempt(): Promise<void> {
    const { events, gone, settings } = this.waiting;
    if (events.size + gone.size + settings.size === 0 || this.isClosed) return;
    const sent = { events: [...events.values()], gone: [...gone], settings: [...settings] };
    try {
      if (!this.isOpen) throw new Error('not open');
      await this.db.transaction('rw', this.db.events, this.db.settings, async () => {
        await this.db.events.bulkDelete(sent.gone);
        await this.db.events.bulkPut(sent.events);
        await this.db.settings.bulkPut(sent.settings.map(([key, value]) => ({ key, value })));
      });
      for (const row of sent.events) if (events.get(row.id) === row) events.delete(row.id);
      for (const id of sent.gone) gone.delete(id);
      for (const [key, value] of sent.settings) if (settings.get(key) === value) settings.delete(key);
      if (this.health.get() !== 'kept') this.tell('again');
    } catch (error) {
      this.tell(isFull(error) ? 'full' : 'refused');
    }
  }

  /** Looks after the database: opens it where it is shut, writes what waits, and writes everything anew where it was thrown away. */
  private async look(): Promise<void> {
    if (this.isClosed || this.isLooking) return;
    this.isLooking = true;
    try {
      if (!this.db.isOpen()) await this.db.open();
      await this.nowOpen();
      const mark = (await this.db.settings.get(markKey))?.value;
      if (mark === undefined) await this.writeAnew();
    } catch (error) {
      this.tell(isFull(error) ? 'full' : 'refused');
      return;
    } finally {
      this.isLooking = false;
    }
    await this.flush();
    if (this.health.get() === 'refused' || this.health.get() === 'full') {
      const { events, gone, settings } = this.waiting;
      if (events.size + gone.size + settings.size === 0) this.tell('again');
    }
  }

  private async writeAnew(): Promise<void> {
    this.tell('refused');
    await this.db.settings.put({ key: markKey, value: this.mark });
    for (const row of this.known.events.values()) this.waiting.events.set(row.id, row);
    for (const [key, value] of this.known.settings) this.waiting.settings.set(key, value);
  }

  private tell(health: StoreHealth): void {
    if (this.isClosed) return;
    if (this.againTimer) clearTimeout(this.againTimer);
    this.againTimer = health === 'again' ? background(setTimeout(() => this.health.set('kept'), againMs)) : null;
    this.health.set(health);
  }
}

/** Lets a program under Node end although the timer runs; a page has no such notion. */
function background<T>(timer: T): T {
  (timer as { unref?: () => void }).unref?.();
  return timer;
}

/** Whether a write failed for want of room; the reason may lie within the error of a transaction. */
function isFull(error: unknown): boolean {
  for (let at = error as { name?: string; message?: string; inner?: unknown } | null | undefined; at; at = at.inner as typeof at)
    if (/quota/i.test(`${at.name} ${at.message}`)) return true;
  return false;
}
