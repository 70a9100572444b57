import { randomBytes } from 'node:crypto';
import path from 'node:path';
import pg from 'pg';
import { pino, type Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { testId } from '../../../packages/core/test/events';
import { makeApp } from '../src/app';
import { systemClock } from '../src/clock';
import { dataSource } from '../src/data-source';
import { Account } from '../src/entities';
import { migrate } from '../src/migrate';
import type { SignUp } from '../src/services/accounts';

/** Address of a new, empty database on the throwaway cluster. */
export async function newDatabase(): Promise<string> {
  const base = process.env.BURROW_TEST_DATABASE!;
  const name = `t${randomBytes(6).toString('hex')}`;
  const client = new pg.Client({ connectionString: base });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  return base.replace(/\/postgres$/, `/${name}`);
}

/** An account that nobody can sign in to, by its id. */
export async function bareAccount(db: DataSource): Promise<string> {
  const id = testId();
  await db.getRepository(Account).insert({ id, email: `${id}@test.invalid`, name: 'Test', passwordHash: '-' });
  return id;
}

/** What a test that failed left open: a cluster that stops under an open connection would end the whole run without a word of why. */
const open = new Set<() => Promise<void>>();
afterAll(async () => {
  for (const close of open) await close();
});

/** A migrated database and the application over it. */
export async function newApp(
  options: {
    demo?: boolean;
    weatherUrl?: string | null;
    proxyHops?: number;
    flasherUrl?: string;
    nowMs?: number;
    log?: Logger;
    databaseUrl?: string;
    signUp?: SignUp;
    mailUrl?: string;
    metricsToken?: string;
    webDir?: string;
  } = {},
) {
  const url = options.databaseUrl ?? (await newDatabase());
  const db: DataSource = await dataSource(url).initialize();
  await migrate(db);
  const pool = new pg.Pool({ connectionString: url, max: 2 });
  const app = makeApp({
    db,
    pool,
    clock: options.nowMs === undefined ? systemClock : { nowMs: () => options.nowMs! },
    log: options.log ?? pino({ level: 'silent' }),
    demo: options.demo ?? false,
    sessionSecret: 'a secret for the tests only',
    flasherUrl: options.flasherUrl ?? 'http://127.0.0.1:9',
    weatherUrl: options.weatherUrl === undefined ? 'http://127.0.0.1:9' : options.weatherUrl,
    weatherPastDays: 220,
    proxyHops: options.proxyHops ?? 0,
    webDir: options.webDir,
    workers: path.resolve('.build'),
    signUp: options.signUp ?? 'open',
    mail: { url: options.mailUrl ?? null, from: 'burrow@test.invalid' },
    metricsToken: options.metricsToken,
  });
  const close = async () => {
    if (!open.delete(close)) return;
    await pool.end();
    await db.destroy();
  };
  open.add(close);
  return { app, db, pool, url, close };
}
