import type { CrewBoardAnswer, CrewMembership } from '@burrow/contract/api';
import { foldLedger } from '@burrow/contract';
import { crewBoard } from '@burrow/core/crew';
import type { OutingState } from '@burrow/core/ledger';
import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { RateLimiterMemory, RateLimiterPostgres, type RateLimiterAbstract, type RateLimiterRes } from 'rate-limiter-flexible';
import { In, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { Crew, CrewMember, Event, type CrewMemberRow, type CrewRow } from '../entities';
import { ProblemError } from '../problem';
import { plainCode, shortCode } from './codes';
import { toEvent } from './event-row';
import { joinedOutings } from './joined-outings';

/** Tries at a code by one account, and how long a code is good at most, h. */
const [tries, codeH] = [{ points: 10, duration: 60 }, 36] as const;

/** On this channel the database tells all processes which crew has something new. */
export const crewChannel = 'crew';

/** Tells all processes that something of an outing has changed, where a crew shares it; at the end of the transaction. */
export async function toldCrews(manager: EntityManager, accountId: string, outings: readonly string[]): Promise<void> {
  const of: { crew_id: string }[] = await manager.query(`SELECT DISTINCT crew_id FROM crew_member WHERE account_id = $1`, [accountId]);
  if (of.length === 0 || outings.length === 0) return;
  for (const { crew_id } of of) await manager.query(`SELECT pg_notify('${crewChannel}', $1)`, [crew_id]);
}

/** Marks that a phone of an account was heard just now, for those whose crew it is in. */
export const seenByCrews = (db: DataSource, accountId: string) =>
  db.query(`UPDATE crew_member SET seen_at = now() WHERE account_id = $1 AND seen_at < now() - interval '20 seconds'`, [accountId]);

const noCrew = () => new ProblemError(404, 'No crew', 'expected a crew that you are in, found none');

/** Crews: opened by one, joined by a code, seen by those who are in. Each keeps its own log; what is shared is the outing that each came with. */
export class Crews {
  private readonly limiter: RateLimiterAbstract;

  constructor(
    private readonly db: DataSource,
    pool: pg.Pool,
  ) {
    const insuranceLimiter = new RateLimiterMemory(tries);
    this.limiter = new RateLimiterPostgres({ storeClient: pool, tableName: 'guess', keyPrefix: 'crew', tableCreated: true, insuranceLimiter, ...tries });
  }

  /** Opens a crew for an outing, or answers the one that is open for it. */
  async open(accountId: string, outing: string, name: string): Promise<CrewMembership> {
    const known = await this.ofOuting(accountId, outing);
    if (known) return known;
    const id = randomUUID();
    const code = shortCode();
    await this.db.transaction(async (manager) => {
      await manager.getRepository(Crew).insert({ id, accountId, outing, code });
      await manager.getRepository(CrewMember).insert({ crewId: id, accountId, outing, name });
    });
    return { id, isYours: true, code };
  }

  /** Lets an account in by a code. Throws a 404 problem that tells nothing but that it is no code now, 429 after too many tries. */
  async join(accountId: string, code: string, outing: string, name: string): Promise<CrewMembership> {
    await this.limiter.consume(accountId).catch((error: RateLimiterRes | Error) => {
      if (error instanceof Error) throw error;
      throw new ProblemError(429, 'Too many tries', `expected at most ${tries.points} tries a minute, found more; wait ${Math.ceil(error.msBeforeNext / 1000)} s`);
    });
    const openSince = new Date(Date.now() - codeH * 3_600_000);
    const crew = await this.db.getRepository(Crew).findOneBy({ code: plainCode(code), openedAt: MoreThan(openSince) });
    if (!crew || (await this.isOver(crew))) throw new ProblemError(404, 'No such code', 'code: expected the six signs of a crew that is out now, found none');
    await this.db.transaction(async (manager) => {
      await manager.getRepository(CrewMember).upsert({ crewId: crew.id, accountId, outing, name }, ['crewId', 'accountId']);
      await manager.query(`SELECT pg_notify('${crewChannel}', $1)`, [crew.id]);
    });
    return { id: crew.id, isYours: crew.accountId === accountId, code: crew.accountId === accountId ? crew.code : null };
  }

  /** The crew that an outing of an account is shared with; null where there is none. */
  async ofOuting(accountId: string, outing: string): Promise<CrewMembership | null> {
    const member = await this.db.getRepository(CrewMember).findOne({ where: { accountId, outing }, order: { joinedAt: 'DESC' } });
    const crew = member && (await this.db.getRepository(Crew).findOneBy({ id: member.crewId }));
    return crew && { id: crew.id, isYours: crew.accountId === accountId, code: crew.accountId === accountId ? crew.code : null };
  }

  /** What a crew sees of itself. Throws a 404 problem for whoever is not in it. */
  async board(accountId: string, id: string, nowMs: number): Promise<CrewBoardAnswer> {
    const { crew, members } = await this.membersFor(accountId, id);
    const shared = await Promise.all(members.map(async (member) => ({ member, outing: await this.outingOf(member) })));
    const known = shared.filter((s): s is { member: CrewMemberRow; outing: OutingState } => s.outing !== null);
    const isYours = crew.accountId === accountId;
    const head = { id, isYours, code: isYours ? crew.code : null };
    if (known.length === 0) return { ...head, fromMs: nowMs, nowMs, rows: [], schools: [], trial: null };
    const board = crewBoard(
      known.map(({ member, outing }) => ({ name: member.name, outing })),
      nowMs,
    );
    const rows = board.rows.map((row, k) => {
      const { member } = known[k];
      return { ...row, isYou: member.accountId === accountId, silentMin: Math.max(0, Math.round((Date.now() - member.seenAt.getTime()) / 60_000)) };
    });
    return { ...board, ...head, rows };
  }

  /** Takes an account out of a crew: from then on nothing of either is shared with the other. */
  async leave(accountId: string, id: string): Promise<void> {
    const left = await this.db.getRepository(CrewMember).delete({ crewId: id, accountId });
    if (left.affected === 0) throw noCrew();
    await this.db.query(`SELECT pg_notify('${crewChannel}', $1)`, [id]);
  }

  /** Ends a crew for all. Throws a 404 problem for whoever did not open it. */
  async close(accountId: string, id: string): Promise<void> {
    const closed = await this.db.getRepository(Crew).delete({ id, accountId });
    if (closed.affected === 0) throw noCrew();
    await this.db.query(`SELECT pg_notify('${crewChannel}', $1)`, [id]);
  }

  private async membersFor(accountId: string, id: string): Promise<{ crew: CrewRow; members: CrewMemberRow[] }> {
    const crew = await this.db.getRepository(Crew).findOneBy({ id });
    const members = await this.db.getRepository(CrewMember).find({ where: { crewId: id }, order: { joinedAt: 'ASC' } });
    if (!crew || !members.some((m) => m.accountId === accountId)) throw noCrew();
    return { crew, members };
  }

  /** The outing that a member shares, with those joined to it; null before any of it has come. */
  private async outingOf({ accountId, outing }: Pick<CrewMemberRow, 'accountId' | 'outing'>): Promise<OutingState | null> {
    const ids = await joinedOutings(this.db.manager, accountId, outing);
    const rows = await this.db.getRepository(Event).find({ where: { accountId, outing: In(ids) }, order: { seq: 'ASC' } });
    return foldLedger(rows.map((r) => toEvent(r, accountId))).outings.at(-1) ?? null;
  }

  private async isOver(crew: CrewRow): Promise<boolean> {
    return ((await this.outingOf(crew))?.endedMs ?? null) !== null;
  }
}
