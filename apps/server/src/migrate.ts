import type { DataSource } from 'typeorm';
import { rebuildProjections } from './services/projection';

/** Brings the store to today's form: its tables, and, where those changed, what the events add up to. */
export async function migrate(db: DataSource): Promise<void> {
  const ran = await db.runMigrations();
  if (ran.length > 0) await rebuildProjections(db);
}
