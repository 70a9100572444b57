import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { rebuildProjections } from './services/projection';

/** Any number that nothing else locks by. */
const migrationLock = 7_265_018;

/** Brings the store to today's form: its tables, and, account by account, what the events add up to where that has an older form. */
export async function migrate(db: DataSource, log?: Logger): Promise<void> {
  // One at a time where several processes start together; the lock goes with its connection.
  const guard = db.createQueryRunner();
  try {
    await guard.query('SELECT pg_advisory_lock($1)', [migrationLock]);
    await db.runMigrations();
    await rebuildProjections(db, 'old', log);
  } finally {
    await guard.query('SELECT pg_advisory_unlock($1)', [migrationLock]).catch(() => undefined);
    await guard.release();
  }
}
