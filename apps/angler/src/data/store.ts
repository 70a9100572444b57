import type { LedgerEvent } from '@burrow/core/ledger';
import { Dexie, type Table } from 'dexie';

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

/** What the phone keeps for one account. */
export class PhoneStore extends Dexie {
  readonly events!: Table<KeptEvent, string>;
  readonly settings!: Table<Setting, string>;

  constructor(account: string) {
    super(`burrow-${account}`, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, sent', settings: 'key' });
  }

  async setting<T>(key: string): Promise<T | undefined> {
    return (await this.settings.get(key))?.value as T | undefined;
  }

  async keep(key: string, value: unknown): Promise<void> {
    await this.settings.put({ key, value });
  }
}
