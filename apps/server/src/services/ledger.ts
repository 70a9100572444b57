import { amendmentProblem, firstProblem, foldLedger, ledgerEvent } from '@burrow/contract';
import { syncBatch, type SyncRequest, type SyncResponse } from '@burrow/contract/api';
import { instantOf, type LedgerEvent, type LedgerState } from '@burrow/core/ledger';
import { In, MoreThan, QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import { Account, Event, Fish } from '../entities';
import { isDataError } from '../problem';
import { toEvent } from './event-row';
import { projectOuting } from './projection';

interface Refusal {
  id: string;
  reason: string;
}

interface Stored {
  accepted: string[];
  rejected: Refusal[];
  /** Events of ours that stand where others were sent under the same id. */
  instead: LedgerEvent[];
}

/** Takes in and gives out events; idempotent on their ids. */
export class Ledger {
  constructor(private readonly db: DataSource) {}

  /**
   * One exchange with a device: stores what is new, answers what it has not seen. Each event is judged alone, and those refused come back
   * with the reason. All in one transaction under the account's row lock, so that numbers are given out in commit order and a reader
   * never misses a late commit.
   */
  async sync(accountId: string, request: SyncRequest): Promise<SyncResponse> {
    const { good, asSent, rejected } = sortOut(request.events, accountId);
    const stored = await this.storeAll(accountId, good);
    const rows = await this.db.getRepository(Event).find({
      where: { accountId, seq: MoreThan(String(request.cursor)) },
      order: { seq: 'ASC' },
      take: syncBatch,
    });
    const known = new Set([...stored.accepted, ...stored.instead.map((e) => e.id)]);
    const sentAs = (id: string) => asSent.get(id) ?? id;
    return {
      accepted: stored.accepted.map(sentAs),
      rejected: [...rejected, ...stored.rejected.map((r) => ({ ...r, id: sentAs(r.id) }))],
      events: [...stored.instead, ...rows.filter((r) => !known.has(r.id)).map((r) => toEvent(r, accountId))],
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
    const account = await manager.getRepository(Account).findOneOrFail({ where: { id: accountId }, lock: { mode: 'pessimistic_write' } });
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
    for (const outing of new Set(fresh.map((e) => e.outing))) await projectOuting(manager, accountId, outing);
    return judged;
  }
}

/** Each event is judged alone. Ids are kept small; `asSent` has those that came in capitals. */
function sortOut(events: readonly unknown[], accountId: string) {
  const good: LedgerEvent[] = [];
  const asSent = new Map<string, string>();
  const rejected: Refusal[] = [];
  for (const value of events) {
    const parsed = ledgerEvent.safeParse(value);
    const given = (value as { id?: unknown } | null)?.id;
    const id = typeof given === 'string' ? given : '';
    if (!parsed.success) rejected.push({ id, reason: firstProblem(parsed.error) });
    else if (parsed.data.angler !== accountId) rejected.push({ id, reason: 'angler: expected this account, found another' });
    else if (Number.isNaN(instantOf(parsed.data.at))) rejected.push({ id, reason: `at: expected a real instant, found ${parsed.data.at}` });
    else {
      good.push(parsed.data);
      if (id !== parsed.data.id) asSent.set(parsed.data.id, id);
    }
  }
  return { good, asSent, rejected };
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
