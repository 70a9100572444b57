import { DataSource } from 'typeorm';
import { entities } from './entities';
import { FirstLedger1700000000000 } from './migrations/1700000000000-first-ledger';

/** The store, with its migrations; not connected yet. */
export const dataSource = (databaseUrl: string) =>
  new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities,
    migrations: [FirstLedger1700000000000],
    migrationsTransactionMode: 'each',
    synchronize: false,
    extra: { max: 10 },
  });
