import type { DeletedWater, WaterSummary, WaterVersion } from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { IsNull, LessThan, Not, type DataSource, type EntityManager } from 'typeorm';
import type { CheckedWater } from '../bodies/check';
import { Outing, Water } from '../entities';
import { ProblemError } from '../problem';

/** Waters of one account. */
const mostWaters = 200;
/** A deleted water can be brought back for so long, days. */
const keptDays = 30;

/** The waters of an account. Files go through as text: only what computes on a water reads it. */
export class Waters {
  constructor(private readonly db: DataSource) {}

  /** The one fished last comes first. */
  /** Waters that were deleted and can be brought back, the last deleted first. */
  async deleted(accountId: string): Promise<DeletedWater[]> {
    const rows = await this.db.getRepository(Water).find({
      select: { accountId: true, id: true, name: true, deletedAt: true },
      where: { accountId, deletedAt: Not(IsNull()) },
      withDeleted: true,
      order: { deletedAt: 'DESC' },
    });
    return rows.map(({ id, name, deletedAt }) => ({ id, name, untilMs: deletedAt!.getTime() + keptDays * 86_400_000 }));
  }

  list(accountId: string): Promise<WaterSummary[]> {
    return this.db
      .getRepository(Water)
      .createQueryBuilder('water')
      .select(['water.id', 'water.name', 'water.kind', 'water.lon', 'water.lat'])
      .addSelect((last) => last.select('max(outing.startedAt)').from(Outing, 'outing').where('outing.accountId = water.accountId AND outing.water = water.id'), 'fished')
      .where('water.accountId = :accountId', { accountId })
      .orderBy('fished', 'DESC', 'NULLS LAST')
      .addOrderBy('water.name', 'ASC')
      .getMany();
  }

  /** A water's version and its file as JSON text. Throws a 404 problem for an unknown one. */
  async text(accountId: string, id: string): Promise<{ version: number; json: string }> {
    const [row]: { version: number; json: string }[] = await this.db.query(
      'SELECT version, file::text AS json FROM water WHERE account_id = $1 AND id = $2 AND deleted_at IS NULL',
      [accountId, id],
    );
    if (!row) throw noSuchWater(id);
    return row;
  }

  /** A water's version and what its file says of it beside the map. Throws a 404 problem for an unknown one. */
  async head(accountId: string, id: string): Promise<{ version: number; water: WaterFile['water'] }> {
    const [row]: { version: number; water: WaterFile['water'] }[] = await this.db.query(
      `SELECT version, file->'water' AS water FROM water WHERE account_id = $1 AND id = $2 AND deleted_at IS NULL`,
      [accountId, id],
    );
    if (!row) throw noSuchWater(id);
    return row;
  }

  /**
   * Takes in a new water, in the place of a deleted one of its name. Throws a 409 problem where one of this name is there already,
   * whatever its capitals, blanks and marks, and where the account has as many as it may.
   */
  async add(accountId: string, water: CheckedWater): Promise<WaterVersion> {
    const id = idOf(water.name);
    return this.db.transaction(async (manager) => {
      if ((await manager.getRepository(Water).countBy({ accountId })) >= mostWaters)
        throw new ProblemError(409, 'Too many waters', `expected at most ${mostWaters} waters of an account, found one more; delete some that you do not fish`);
      await manager.query('DELETE FROM water WHERE account_id = $1 AND id = $2 AND deleted_at IS NOT NULL', [accountId, id]);
      const made: unknown[] = await manager.query(
        `INSERT INTO water (account_id, id, name, kind, lon, lat, version, file)
         VALUES ($1, $2, $3, $4, $5, $6, 1, convert_from($7::bytea, 'UTF8')::jsonb) ON CONFLICT DO NOTHING RETURNING id`,
        [accountId, id, water.name, water.kind, water.lon, water.lat, Buffer.from(water.json.buffer)],
      );
      if (made.length === 0) throw nameTaken(water.name);
      return { id, version: 1 };
    });
  }

  /** Takes a water away; what was logged on it stays, and `restore` brings it back for 30 days. Throws a 404 problem for an unknown one. */
  async remove(accountId: string, id: string): Promise<void> {
    const { affected } = await this.db.getRepository(Water).softDelete({ accountId, id });
    if (affected !== 1) throw noSuchWater(id);
    await this.purge();
  }

  /** Forgets waters that were deleted long ago, and the weather brought for them. */
  async purge(nowMs = Date.now()): Promise<void> {
    await this.db.getRepository(Water).delete({ deletedAt: LessThan(new Date(nowMs - keptDays * 86_400_000)) });
  }

  /** Brings a deleted water back. Throws a 404 problem where there is none of this id, or another has taken its place. */
  async restore(accountId: string, id: string): Promise<WaterVersion> {
    await this.db.getRepository(Water).restore({ accountId, id });
    return { id, version: (await this.head(accountId, id)).version };
  }

  /**
   * Puts a changed water in the place of the one that has this id, whatever it is called now. The change must have been made to the
   * version that stands: throws a 412 problem where another has come between, for the sender to join the two.
   */
  async replace(accountId: string, id: string, version: number, water: CheckedWater): Promise<WaterVersion> {
    return this.db.transaction(async (manager) => {
      const waters = manager.getRepository(Water);
      const row = await waters.findOne({ select: { id: true, accountId: true, name: true, version: true }, where: { accountId, id }, lock: { mode: 'pessimistic_write' } });
      if (!row) throw noSuchWater(id);
      if (row.version !== version)
        throw new ProblemError(412, 'Changed meanwhile', `expected a change to version ${row.version}, found one to version ${version}; read the water anew and join the two`);
      await renamable(manager, accountId, id, row.name, water.name);
      await manager.query(
        `UPDATE water SET name = $3, kind = $4, lon = $5, lat = $6, version = $7, file = convert_from($8::bytea, 'UTF8')::jsonb WHERE account_id = $1 AND id = $2`,
        [accountId, id, water.name, water.kind, water.lon, water.lat, version + 1, Buffer.from(water.json.buffer)],
      );
      return { id, version: version + 1 };
    });
  }
}

async function renamable(manager: EntityManager, accountId: string, id: string, from: string, to: string): Promise<void> {
  const renamed = idOf(to);
  if (renamed !== idOf(from) && renamed !== id && (await manager.getRepository(Water).existsBy({ accountId, id: renamed }))) throw nameTaken(to);
}

/** What a name is known by: its letters and digits, small. */
const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'water';

const noSuchWater = (id: string) => new ProblemError(404, 'No such water', `expected one of your waters, found "${id.slice(0, 200)}"`);

const nameTaken = (name: string) =>
  new ProblemError(409, 'Name taken', `expected a name that none of your waters has, found "${name}"; choose another, or change the water that is there`);
