import type { WaterDetail, WaterSummary, WaterVersion } from '@burrow/contract/api';
import { middleOfWater, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { IsNull, Not, type DataSource, type QueryDeepPartialEntity } from 'typeorm';
import { Outing, Water, type WaterRow } from '../entities';
import { ProblemError } from '../problem';

/** The waters of an account. */
export class Waters {
  constructor(private readonly db: DataSource) {}

  /** The one fished last comes first. */
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

  async detail(accountId: string, id: string): Promise<WaterDetail> {
    const row = await this.db.getRepository(Water).findOneBy({ accountId, id });
    if (!row) throw noSuchWater(id);
    return { id, version: row.version, file: row.file };
  }

  /**
   * Takes in a new water, in the place of a deleted one of its name. Throws a 409 problem where one of this name is there already,
   * whatever its capitals, blanks and marks.
   */
  async add(accountId: string, file: WaterFile): Promise<WaterVersion> {
    const id = idOf(file.water.name);
    return this.db.transaction(async (manager) => {
      const waters = manager.getRepository(Water);
      await waters.delete({ accountId, id, deletedAt: Not(IsNull()) });
      const made = await waters
        .createQueryBuilder()
        .insert()
        .values({ accountId, id, version: 1, ...rowOf(file) } as QueryDeepPartialEntity<WaterRow>)
        .orIgnore()
        .returning(['id'])
        .execute();
      if ((made.raw as unknown[]).length === 0) throw nameTaken(file.water.name);
      return { id, version: 1 };
    });
  }

  /** Takes a water away; what was logged on it stays, and `restore` brings it back. Throws a 404 problem for an unknown one. */
  async remove(accountId: string, id: string): Promise<void> {
    const { affected } = await this.db.getRepository(Water).softDelete({ accountId, id });
    if (affected !== 1) throw noSuchWater(id);
  }

  /** Brings a deleted water back. Throws a 404 problem where there is none of this id, or another has taken its place. */
  async restore(accountId: string, id: string): Promise<WaterVersion> {
    const waters = this.db.getRepository(Water);
    await waters.restore({ accountId, id });
    const row = await waters.findOneBy({ accountId, id });
    if (!row) throw noSuchWater(id);
    return { id, version: row.version };
  }

  /**
   * Puts a changed water in the place of the one that has this id, whatever it is called now. The change must have been made to the
   * version that stands: throws a 412 problem where another has come between, for the sender to join the two.
   */
  async replace(accountId: string, id: string, version: number, file: WaterFile): Promise<WaterVersion> {
    return this.db.transaction(async (manager) => {
      const waters = manager.getRepository(Water);
      const row = await waters.findOne({ where: { accountId, id }, lock: { mode: 'pessimistic_write' } });
      if (!row) throw noSuchWater(id);
      if (row.version !== version)
        throw new ProblemError(412, 'Changed meanwhile', `expected a change to version ${row.version}, found one to version ${version}; read the water anew and join the two`);
      const renamed = idOf(file.water.name);
      if (renamed !== idOf(row.name) && renamed !== id && (await waters.existsBy({ accountId, id: renamed }))) throw nameTaken(file.water.name);
      await waters.save({ ...row, ...rowOf(file), version: version + 1 });
      return { id, version: version + 1 };
    });
  }
}

/** What a name is known by: its letters and digits, small. */
const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'water';

const noSuchWater = (id: string) => new ProblemError(404, 'No such water', `expected one of your waters, found "${id}"`);

const nameTaken = (name: string) =>
  new ProblemError(409, 'Name taken', `expected a name that none of your waters has, found "${name}"; choose another, or change the water that is there`);

function rowOf(file: WaterFile) {
  const [lon, lat] = middleOfWater(file);
  return { name: file.water.name, kind: file.water.kind, lon, lat, file };
}
