import { foldLedger } from '@burrow/contract';
import { summariseSeason } from '@burrow/core/season';
import type { Logger } from 'pino';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { Account, Event, Fish, Outing } from '../entities';
import { isAway } from '../problem';
import { joinedOutings } from './joined-outings';
import { toEvent } from './event-row';

/** Grows when the same events add up to other rows. Accounts of an older form are projected anew when a server starts. */
export const projectionForm = 1;

/** Rows of one INSERT: PostgreSQL takes at most 65 535 values in a statement. */
const mostRows = 1000;

/** Writes anew what the events of one outing, and of those joined with it, add up to. */
async function projectOuting(manager: EntityManager, accountId: string, outingId: string): Promise<void> {
  const group = await joinedOutings(manager, accountId, outingId);
  const rows = await manager.getRepository(Event).findBy({ accountId, outing: In(group) });
  const state = foldLedger(rows.map((r) => toEvent(r, accountId)));
  await manager.getRepository(Outing).delete({ accountId, id: In(group) });
  if (state.outings.length === 0) return;
  const lastMs = rows.reduce((ms, r) => Math.max(ms, r.atInstant.getTime()), 0);
  const { outings } = summariseSeason(state, lastMs);
  for (const outing of state.outings) {
    const summary = outings.find((o) => o.id === outing.id)!;
    await manager.getRepository(Outing).insert({
      accountId,
      id: outing.id,
      water: outing.water,
      startedAt: new Date(outing.startedMs),
      endedAt: outing.endedMs === null ? null : new Date(outing.endedMs),
      stations: summary.stations,
      method: outing.method,
      casts: summary.casts,
      lineMin: summary.lineMin,
      bites: summary.bites,
      fish: summary.fish,
    });
    const fish = outing.fish.map((f) => ({
      accountId,
      id: f.id,
      outing: outing.id,
      caughtAt: new Date(f.ms),
      species: f.species,
      lengthMm: f.lengthMm,
      weightG: f.weightG,
      depthM: f.depthM,
      fate: f.fate,
    }));
    for (let i = 0; i < fish.length; i += mostRows) await manager.getRepository(Fish).insert(fish.slice(i, i + mostRows));
  }
}

/** Writes an outing's projection anew. One that cannot be written is logged and left out: what was logged is never lost for what it adds up to. */
export async function projected(manager: EntityManager, accountId: string, outingId: string, log?: Logger): Promise<boolean> {
  try {
    await manager.transaction((inner) => projectOuting(inner, accountId, outingId));
    return true;
  } catch (error) {
    if (isAway(error)) throw error;
    log?.error({ err: error, outing: outingId }, 'an outing cannot be projected and is left out of the summaries');
    await manager.getRepository(Outing).delete({ accountId, id: outingId });
    return false;
  }
}

/** Builds the projections of one account anew, in a transaction of its own. Returns how many outings were built. */
async function rebuildAccount(db: DataSource, accountId: string, log?: Logger): Promise<number> {
  return db.transaction(async (manager) => {
    await manager.getRepository(Account).findOneOrFail({ where: { id: accountId }, lock: { mode: 'pessimistic_write' } });
    await manager.getRepository(Outing).delete({ accountId });
    const outings: { outing: string }[] = await manager.query('SELECT DISTINCT outing FROM event WHERE account_id = $1', [accountId]);
    let built = 0;
    for (const { outing } of outings) if (await projected(manager, accountId, outing, log)) built++;
    await manager.getRepository(Account).update({ id: accountId }, { projected: projectionForm });
    return built;
  });
}

/** Builds projections again from the events: of every account, or of those whose form is an older one. Returns how many outings were built. */
export async function rebuildProjections(db: DataSource, which: 'all' | 'old' = 'all', log?: Logger): Promise<number> {
  const accounts: { id: string }[] = await db.query(`SELECT id FROM account ${which === 'old' ? 'WHERE projected <> $1' : 'WHERE $1 > 0'}`, [projectionForm]);
  let built = 0;
  for (const { id } of accounts) built += await rebuildAccount(db, id, log);
  return built;
}
