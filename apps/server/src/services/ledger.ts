import { amendmentProblem, foldLedger } from '@burrow/contract';
import { syncBatch, type SyncRequest, type SyncResponse } from '@burrow/contract/api';
import { instantOf, type LedgerEvent, type LedgerState } from '@burrow/core/ledger';
import type { Logger } from 'pino';
import { In, MoreThan, QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import { sortOut, type Refusal, type SortedSync } from '../bodies/check';
import { Account, Event, Fish } from '../entities';
import { isDataError } from '../problem';
import { seenByCrews, toldCrews } from './crews';
import { toEvent } from './event-row';
import { projected } from './projection';

interface Stored {
  accepted: string[];
  rejected: Refusal[];
  /** Events of ours that stand where others were sent under the same id. */
  instead: LedgerEvent[];
}

/** Takes in and gives out events; idempotent on their ids. */
export class Ledger {
  private generation: Promise<string> | null = null;

  constructor(
    private readonly db: DataSource,
    private readonly log?: Logger,
  ) {}

  /**
   * One exchange with a device: stores what is new, answers what it has not seen. Each event is judged alone, and those refused come back
   * with the reason. All in one transaction under the account's row lock, so that numbers are given out in commit order and a reader
   * never misses a late commit.
   */
  async sync(accountId: string, { events, ...request }: SyncRequest): Promise<SyncResponse> {
    return this.exchange(accountId, { ...request, ...sortOut(events) });
  }

  /** The same for entries that were checked one by one already. */
  async exchange(accountId: string, { good, asSent, rejected, ...request }: SortedSync): Promise<SyncResponse> {
    const own = good.filter((e) => e.angler === accountId);
    const foreign = good.filter((e) => e.angler !== accountId).map(({ id }) => ({ id, reason: 'angler: expected this account, found another' }));
    const stored = await this.storeAll(accountId, own);
    await seenByCrews(this.db, accountId);
    const generation = await this.generationOf();
    // A cursor of another ledger, or one ahead of this one, says nothing of what its device has seen: it reads from the beginning.
    const isOfThis = request.cursor <= (await this.lastSeq(accountId)) && (request.generation ?? generation) === generation;
    const cursor = isOfThis ? request.cursor : 0;
    const rows = await this.db.getRepository(Event).find({ where: { accountId, seq: MoreThan(String(cursor)) }, order: { seq: 'ASC' }, take: syncBatch });
    const known = new Set([...stored.accepted, ...stored.instead.map((e) => e.id)]);
    const sentAs = (id: string) => asSent[id] ?? id;
    return {
      accepted: stored.accepted.map(sentAs),
      rejected: [...rejected, ...[...foreign, ...stored.rejected].map((r) => ({ ...r, id: sentAs(r.id) }))],
      events: [...stored.instead, ...rows.filter((r) => !known.has(r.id)).map((r) => toEvent(r, accountId))],
      cursor: rows.length > 0 ? Number(rows[rows.length - 1].seq) : cursor,
      more: rows.length === syncBatch,
      generation,
    };
  }

  /** Which ledger this is; another one once a backup was put back. */
  private generationOf(): Promise<string> {
    this.generation ??= this.db.query(`SELECT value FROM server_state WHERE key = 'generation'`).then(([row]: { value: string }[]) => row.value);
    this.generation.catch(() => (this.generation = null));
    return this.generation;
  }

  /** Number of the account's last event. */
  async lastSeq(accountId: string): Promise<number> {
    return Number((await this.db.getRepository(Account).findOneOrFail({ select: { id: true, lastSeq: true }, where: { id: accountId } })).lastSeq);
  }

  /** What all events of an account add up to. */
  async state(accountId: string): Promise<LedgerState> {
    const rows = await this.db.getRepository(Event).findBy({ accountId });
    return foldLedger(rows.map((r) => toEvent(r, accountId)));
  }

  /** Stores a batch; one that the database will not have is halved until the event at fault stands alone and is refused. */
  private async storeAll(accountId: string, events: readonly LedgerEvent[]): Promise<Stored> {
    if (events.length === 0) return { accepted: [], rejected: [], instead: [] };
    try {
      return await this.db.transaction((manager) => this.store(manager, accountId, events));
    } catch (error) {
      if (!(error instanceof QueryFailedError && isDataError(error))) throw error;
      if (events.length === 1)
        return { accepted: [], rejected: [{ id: events[0].id, reason: 'expected an entry that can be stored, found one that the database refuses' }], instead: [] };
      const half = Math.ceil(events.length / 2);
      const [first, second] = [await this.storeAll(accountId, events.slice(0, half)), await this.storeAll(accountId, events.slice(half))];
      return { accepted: [...first.accepted, ...second.accepted], rejected: [...first.rejected, ...second.rejected], instead: [...first.instead, ...second.instead] };
    }
  }

  private async store(manager: EntityManager, accountId: string, events: readonly LedgerEvent[]): Promise<Stored> {
    const account = await manager.getRepository(Account).findOneOrFail({ select: { id: true, lastSeq: true }, where: { id: accountId }, lock: { mode: 'pessimistic_write' } });
    const { fresh, ...judged } = await judge(manager, accountId, events);
    if (fresh.length === 0) return judged;
    let seq = Number(account.lastSeq);
    await manager
      .createQueryBuilder()
      .insert()
      .into(Event)
      .values(
        fresh.map((e) => ({
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
      .execute();
    await manager.getRepository(Account).update({ id: accountId }, { lastSeq: String(seq) });
    for (const outing of new Set(fresh.map((e) => e.outing))) await projected(manager, accountId, outing, this.log);
    await toldCrews(manager, accountId, [...new Set(fresh.map((e) => e.outing))]);
    return judged;
  }
}

/** Holds events against what the account has: which are new, which are here already, which cannot stand beside what is here. */
async function judge(manager: EntityManager, accountId: string, events: readonly LedgerEvent[]): Promise<Stored & { fresh: LedgerEvent[] }> {
  const targets = events.flatMap((e) => (e.kind === 'undone' || e.kind === 'amended' ? [e.body.target] : []));
  const rows = await manager.getRepository(Event).findBy({ accountId, id: In([...new Set([...events.map((e) => e.id), ...targets])]) });
  const known = new Map(rows.map((r) => [r.id, toEvent(r, accountId)]));
  const outingOfFish = await fishOutings(manager, accountId, events);
  const judged = { accepted: [] as string[], rejected: [] as Refusal[], instead: [] as LedgerEvent[], fresh: [] as LedgerEvent[] };
  for (const event of events) {
    const same = known.get(event.id);
    const reason = same ? (contentOf(same) === contentOf(event) ? null : 'id: expected a new one, found that of another entry') : conflictOf(event, known, outingOfFish);
    if (reason !== null) {
      judged.rejected.push({ id: event.id, reason });
      if (same) judged.instead.push(same);
      continue;
    }
    judged.accepted.push(event.id);
    if (same) continue;
    judged.fresh.push(event);
    known.set(event.id, event);
    if (event.kind === 'fish-landed') outingOfFish.set(event.body.fish, event.outing);
  }
  return judged;
}

/** Why an event cannot stand beside those that are here; null when it can. What it speaks of may still be on its way. */
function conflictOf(event: LedgerEvent, known: ReadonlyMap<string, LedgerEvent>, outingOfFish: ReadonlyMap<string, string>): string | null {
  if (event.kind === 'fish-landed') {
    const outing = outingOfFish.get(event.body.fish);
    return outing === undefined || outing === event.outing ? null : 'body.fish: expected an id of its own, found that of a fish of another outing';
  }
  if (event.kind !== 'undone' && event.kind !== 'amended') return null;
  const target = known.get(event.body.target);
  if (!target) return null;
  const isOfOuting = target.kind !== 'weather-seen' && target.kind !== 'drill-done';
  if (isOfOuting && target.outing !== event.outing) return 'outing: expected that of the entry it is about, found another';
  return event.kind === 'amended' ? amendmentProblem(target, event.body.body) : null;
}

/** The outing of each fish of these events that has been landed already. */
async function fishOutings(manager: EntityManager, accountId: string, events: readonly LedgerEvent[]): Promise<Map<string, string>> {
  const ids = [...new Set(events.flatMap((e) => (e.kind === 'fish-landed' ? [e.body.fish] : [])))];
  const rows = ids.length === 0 ? [] : await manager.getRepository(Fish).find({ select: { id: true, outing: true }, where: { accountId, id: In(ids) } });
  return new Map(rows.map((r) => [r.id, r.outing]));
}

/** What an event says, whoever sends it: the same text for the same content, in whatever order its fields stand. */
const contentOf = ({ outing, at, kind, v, body }: LedgerEvent): string => JSON.stringify([outing, at, kind, v, inKeyOrder(body)]);

function inKeyOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inKeyOrder);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, inKeyOrder(inner)]),
  );
}
