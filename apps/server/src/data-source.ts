import { DataSource } from 'typeorm';
import { entities } from './entities';
import { FirstLedger1700000000000 } from './migrations/1700000000000-first-ledger';
import { HonestFigures1800000000000 } from './migrations/1800000000000-honest-figures';
import { WaysOfFishing1900000000000 } from './migrations/1900000000000-ways-of-fishing';
import { Weather2000000000000 } from './migrations/2000000000000-weather';
import { DeletedWaters2100000000000 } from './migrations/2100000000000-deleted-waters';
import { Keep2200000000000 } from './migrations/2200000000000-keep';
import { Photos2300000000000 } from './migrations/2300000000000-photos';
import { Crews2400000000000 } from './migrations/2400000000000-crews';

/** The store, with its migrations; not connected yet. */
export const dataSource = (databaseUrl: string) =>
  new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities,
    migrations: [
      FirstLedger1700000000000,
      HonestFigures1800000000000,
      WaysOfFishing1900000000000,
      Weather2000000000000,
      DeletedWaters2100000000000,
      Keep2200000000000,
      Photos2300000000000,
      Crews2400000000000,
    ],
    migrationsTransactionMode: 'each',
    synchronize: false,
    // A database that is away is said so within seconds.
    extra: { max: 10, connectionTimeoutMillis: 5000 },
  });
