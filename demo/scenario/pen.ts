import type { EventBodies, EventKind, LedgerEvent } from '@burrow/core/ledger';
import { isoWithOffset, type Random } from '@burrow/core/units';
import { v7 } from 'uuid';

export const zone = 'Etc/GMT+9';
const device = 'demo-phone';

/** An id of a moment, drawn from a seeded source so that the demo is made the same each time. */
export const idAt = (ms: number, random: Random) => v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(256 * random())) });

/** Writes one outing as events of the app's own kinds. */
export class Pen {
  readonly events: LedgerEvent[] = [];
  constructor(
    private readonly outing: string,
    private readonly random: Random,
  ) {}

  write<K extends EventKind>(ms: number, kind: K, body: EventBodies[K]): void {
    this.events.push({ id: idAt(ms, this.random), outing: this.outing, angler: 'demo', device, at: isoWithOffset(ms, zone), kind, v: 2, body } as unknown as LedgerEvent);
  }
}
