import type { WaterDetail, WaterSummary } from '@burrow/contract/api';
import { outlineOf, type WaterFile } from '@burrow/contract/formats/water-geojson';
import type { DataSource } from 'typeorm';
import { Outing, Water } from '../entities';
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
    if (!row) throw new ProblemError(404, 'No such water', `expected one of your waters, found "${id}"`);
    return { id, file: row.file };
  }

  /** Takes in a water, replacing one of the same name. */
  async put(accountId: string, file: WaterFile): Promise<string> {
    const id =
      file.water.name
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-|-$/g, '') || 'water';
    await this.save(accountId, id, file);
    return id;
  }

  /** Puts a changed water in the place of the one that has this id, whatever it is called now. The last to come stands. */
  async replace(accountId: string, id: string, file: WaterFile): Promise<void> {
    await this.detail(accountId, id);
    await this.save(accountId, id, file);
  }

  private async save(accountId: string, id: string, file: WaterFile): Promise<void> {
    const ring = outlineOf(file);
    const middle = (axis: 0 | 1) => (Math.min(...ring.map((p) => p[axis])) + Math.max(...ring.map((p) => p[axis]))) / 2;
    await this.db.getRepository(Water).save({ accountId, id, name: file.water.name, kind: file.water.kind, lon: middle(0), lat: middle(1), file });
  }
}
