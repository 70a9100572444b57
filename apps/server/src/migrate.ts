import type { DataSource } from 'typeorm';
import { rebuildProjections } from './services/projection';

/** Any number that nothing else locks by. */
const migrationLock = 7_265_018;

/** Brings the store to today's form: its tables, and, where those changed, what the events add up to. */
export async function migrate(db: DataSource): Promise<void> {
  // One at a time where several processes start together; the lock goes with its connection.
  const guard = db.createQueryRunner();
  try {
    await guard.query('SELECT pg_advisory_lock($1)', [migrationLock]);
    const ran = await db.runMigrations();
    if (ran.length > 0) await rebuildProjections(db);
  } finally {
    await guard.query('SELECT pg_advisory_unlock($1)', [migrationLock]).catch(() => undefined);
    await guard.release();
  }
}
