import { firstProblem, ledgerEvent } from '@burrow/contract';
import { syncBatch, type SyncRequest, type SyncResponse } from '@burrow/contract/api';
import { fold, instantOf, type LedgerEvent, type LedgerState } from '@burrow/core/ledger';
import { MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { Account, Event } from '../entities';
import { toEvent } from './event-row';
import { projectOuting } from './projection';

/** Takes in and gives out events; idempotent on their ids. */
export class Ledger {
  constructor(private readonly db: DataSource) {}

  /**
   * One exchange with a device: stores what is new, answers what it has not seen. All in one transaction under the account's
   * row lock, so that numbers are given out in commit order and a reader never misses a late commit.
   */
  async sync(accountId: string, request: SyncRequest): Promise<SyncResponse> {
    const { good, rejected } = sortOut(request.events, accountId);
    const accepted = good.map((e) => e.id);
    if (good.length > 0) await this.db.transaction((manager) => this.store(manager, accountId, good));
    const rows = await this.db.getRepository(Event).find({
      where: { accountId, seq: MoreThan(String(request.cursor)) },
      order: { seq: 'ASC' },
      take: syncBatch,
    });
    const sent = new Set(accepted);
    return {
      accepted,
      rejected,
      events: rows.filter((r) => !sent.has(r.id)).map((r) => toEvent(r, accountId)),
      cursor: rows.length > 0 ? Number(rows[rows.length - 1].seq) : request.cursor,
      more: rows.length === syncBatch,
    };
  }

  /** Number of the account's last event. */
  async lastSeq(accountId: string): Promise<number> {
    return Number((await this.db.getRepository(Account).findOneByOrFail({ id: accountId })).lastSeq);
  }

  /** What all events of an account add up to. */
  async state(accountId: string): Promise<LedgerState> {
    const rows = await this.db.getRepository(Event).findBy({ accountId });
    return fold(rows.map((r) => toEvent(r, accountId)));
  }

  private async store(manager: EntityManager, accountId: string, events: readonly LedgerEvent[]): Promise<void> {
    const account = await manager.getRepository(Account).findOneOrFail({ where: { id: accountId }, lock: { mode: 'pessimistic_write' } });
    let seq = Number(account.lastSeq);
    const inserted = await manager
      .createQueryBuilder()
      .insert()
      .into(Event)
      .values(
        events.map((e) => ({
          accountId,
          id: e.id,
          seq: String(++seq),
          outing: e.outing,
          device: e.device,
          at: e.at,
          atInstant: new Date(instantOf(e.at)),
          kind: e.kind,
          v: e.v,
          body: { ...e.body },
        })),
      )
      .orIgnore()
      .returning(['id', 'outing'])
      .execute();
    await manager.getRepository(Account).update({ id: accountId }, { lastSeq: String(seq) });
    const outings = new Set((inserted.raw as { outing: string }[]).map((r) => r.outing));
    for (const outing of outings) await projectOuting(manager, accountId, outing);
  }
}

/** Each event is judged alone; doubles within the batch count once. */
function sortOut(events: readonly unknown[], accountId: string) {
  const good = new Map<string, LedgerEvent>();
  const rejected: { id: string; reason: string }[] = [];
  for (const value of events) {
    const parsed = ledgerEvent.safeParse(value);
    const id = String((value as { id?: unknown } | null)?.id ?? '');
    if (!parsed.success) rejected.push({ id, reason: firstProblem(parsed.error) });
    else if (parsed.data.angler !== accountId) rejected.push({ id, reason: 'angler: expected this account, found another' });
    else if (Number.isNaN(instantOf(parsed.data.at))) rejected.push({ id, reason: `at: expected a real instant, found ${parsed.data.at}` });
    else good.set(id, parsed.data);
  }
  return { good: [...good.values()], rejected };
}
