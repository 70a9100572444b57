import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { shortOuting } from '../../../packages/core/test/events';
import { Event, Fish } from '../src/entities';
import { Ledger } from '../src/services/ledger';
import { bareAccount, newApp, newDatabase } from './fresh-database';

jest.setTimeout(120_000);

const run = (name: string, databaseUrl: string, ...args: string[]) =>
  spawnSync(path.resolve('bin', name), args, { encoding: 'utf8', env: { ...process.env, DATABASE_URL: databaseUrl } });

test('an older backup goes into a database that a newer server has opened, all of it or nothing, under another generation', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'burrow-backup-'));
  const file = path.join(folder, 'log.backup');
  const old = await newApp();
  const account = await bareAccount(old.db);
  await new Ledger(old.db).sync(account, { device: 'd', cursor: 0, events: shortOuting(account).events });
  const [{ value: before }] = (await old.db.query(`SELECT value FROM server_state WHERE key = 'generation'`)) as { value: string }[];
  expect(run('backup', old.url, file)).toMatchObject({ status: 0 });
  expect(statSync(file).mode & 0o077).toBe(0);
  await old.close();

  // A table of a version to come hangs on the accounts: dropping tables one by one, as the backup knows them, would fail on it.
  const newer = await newApp();
  await newer.db.query('CREATE TABLE of_tomorrow (account_id uuid REFERENCES account (id)); INSERT INTO account VALUES (gen_random_uuid(), $$x$$, $$x$$, $$-$$)');
  await newer.close();
  expect(run('restore', newer.url, file).stderr).toMatch(/holds 1 account; .*--replace/);
  const done = run('restore', newer.url, '--replace', file);
  expect([done.status, done.stdout]).toEqual([0, expect.stringMatching(/Restored: 1 account/)]);

  const after = await newApp({ databaseUrl: newer.url });
  expect(await after.db.getRepository(Event).countBy({ accountId: account })).toBe(12);
  expect(await after.db.getRepository(Fish).countBy({ accountId: account })).toBe(1);
  const [{ value: generation }] = (await after.db.query(`SELECT value FROM server_state WHERE key = 'generation'`)) as { value: string }[];
  expect(generation).not.toBe(before);
  expect((await after.db.query(`SELECT to_regclass('of_tomorrow') AS t`))[0].t).toBeNull();
  await after.close();
  rmSync(folder, { recursive: true });
});

test('a backup that breaks off half way changes nothing', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'burrow-backup-'));
  const file = path.join(folder, 'log.backup');
  const from = await newApp();
  await bareAccount(from.db);
  // A row that hangs on nothing, as a damaged disk leaves it: its key cannot be made again.
  await from.db.query(`SET session_replication_role = replica; INSERT INTO invitation VALUES ('x', now()); INSERT INTO reset_code VALUES (gen_random_uuid(), 'x', now(), 0)`);
  expect(run('backup', from.url, file).status).toBe(0);
  await from.close();
  const url = await newDatabase();
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query('CREATE TABLE kept (a int)');
  await client.end();
  const failed = run('restore', url, file);
  expect([failed.status, failed.stderr]).toEqual([1, expect.stringMatching(/nothing was changed/)]);
  const again = new pg.Client({ connectionString: url });
  await again.connect();
  expect((await again.query(`SELECT to_regclass('kept') AS t`)).rows[0].t).toBe('kept');
  await again.end();
  rmSync(folder, { recursive: true });
});
