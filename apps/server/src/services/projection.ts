import { foldLedger } from '@burrow/contract';
import { summariseSeason } from '@burrow/core/season';
import type { DataSource, EntityManager } from 'typeorm';
import { Event, Fish, Outing } from '../entities';
import { toEvent } from './event-row';

/** Writes anew what the events of one outing add up to. */
export async function projectOuting(manager: EntityManager, accountId: string, outingId: string): Promise<void> {
  const rows = await manager.getRepository(Event).findBy({ accountId, outing: outingId });
  const state = foldLedger(rows.map((r) => toEvent(r, accountId)));
  await manager.getRepository(Outing).delete({ accountId, id: outingId });
  const [outing] = state.outings;
  if (!outing) return;
  const lastMs = Math.max(...rows.map((r) => r.atInstant.getTime()));
  const [summary] = summariseSeason(state, lastMs).outings;
  await manager.getRepository(Outing).insert({
    accountId,
    id: outingId,
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
  if (outing.fish.length === 0) return;
  await manager.getRepository(Fish).insert(
    outing.fish.map((f) => ({
      accountId,
      id: f.id,
      outing: outingId,
      caughtAt: new Date(f.ms),
      species: f.species,
      lengthMm: f.lengthMm,
      weightG: f.weightG,
      depthM: f.depthM,
      fate: f.fate,
    })),
  );
}

/** Builds every projection again from the events. Returns how many outings were built. */
export const rebuildProjections = (db: DataSource): Promise<number> =>
  db.transaction(async (manager) => {
    const outings: { account_id: string; outing: string }[] = await manager.query('SELECT DISTINCT account_id, outing FROM event');
    for (const { account_id, outing } of outings) await projectOuting(manager, account_id, outing);
    return outings.length;
  });
