import type { LedgerEvent, LedgerState } from '@burrow/core/ledger';
import type { KeptEvent } from './store';

/** What the screens see of the phone's ledger. */
export interface LedgerView {
  /** Whether the log is whole: read from the phone, and not cut off in the middle of coming from the server. */
  ready: boolean;
  state: LedgerState;
  events: readonly LedgerEvent[];
  unsent: number;
  refused: readonly KeptEvent[];
  /** Whether the server answered the last time; null before the first. */
  reached: boolean | null;
  /** Why it did not take what was sent, although it answered; null when all is well. */
  trouble: string | null;
  /** Ledgers that were brought in from files. */
  imports: readonly ImportRecord[];
  /** The session is gone: signing in again sends what waits. */
  signedOut: boolean;
}

/** A ledger that was brought in, to be taken out again. */
export interface ImportRecord {
  id: string;
  /** Name of the file. */
  name: string;
  atMs: number;
  /** Entries that were new. */
  count: number;
  /** Entries whose taking back takes all of it back: the starts of its outings, and what belongs to no outing of its own. */
  targets: { id: string; outing: string }[];
}

/** Before the log was read. */
export const emptyView: LedgerView = {
  ready: false,
  state: { outings: [], weather: [], drills: [] },
  events: [],
  unsent: 0,
  refused: [],
  reached: null,
  trouble: null,
  imports: [],
  signedOut: false,
};
