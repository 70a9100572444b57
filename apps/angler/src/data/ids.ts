import { v7 } from 'uuid';
import { nowMs } from './clock';

const lastId = { ms: 0, seq: 0 };

/** A new id in the ledger's form: by the water's clock, and in the order of making within a millisecond. */
export function newId(): string {
  const ms = nowMs();
  lastId.seq = ms === lastId.ms ? lastId.seq + 1 : Math.floor(Math.random() * 0x3fffffff);
  lastId.ms = ms;
  return v7({ msecs: ms, seq: lastId.seq });
}
