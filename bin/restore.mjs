import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { againstDatabase, ownDatabase } from './own-database.mjs';
import { ownSettings } from './own-settings.mjs';

function fail(message) {
  process.stderr.write(`restore: ${message}\n`);
  process.exit(1);
}

/** Number of accounts that a database holds, and of servers that are at work on it. */
async function stateOf(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows: tables } = await client.query("SELECT to_regclass('public.account') IS NOT NULL AS has");
    const { rows: others } = await client.query('SELECT count(*)::int AS n FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()');
    const accounts = tables[0].has ? (await client.query('SELECT count(*)::int AS n FROM account')).rows[0].n : 0;
    return { accounts, others: others[0].n };
  } finally {
    await client.end();
  }
}

/**
 * Empties the database and puts a backup in, all of it or nothing. The tables of a newer server go as well, which the backup knows nothing of: they are
 * made again at the next start. The ledger gets another name, so that phones know that their place in it is void.
 */
function putBack(url, file) {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'burrow-restore-'));
  const [script, before, after] = ['backup.sql', 'before.sql', 'after.sql'].map((name) => path.join(folder, name));
  try {
    const written = againstDatabase('pg_restore', url, ['--no-owner', `--file=${script}`, file]);
    if (written.status !== 0) return written;
    writeFileSync(before, 'DROP SCHEMA public CASCADE; CREATE SCHEMA public;\n');
    writeFileSync(
      after,
      `DO $$ BEGIN IF to_regclass('public.server_state') IS NOT NULL THEN
         UPDATE public.server_state SET value = gen_random_uuid()::text WHERE key = 'generation'; END IF; END $$;\n`,
    );
    return againstDatabase('psql', url, ['--no-psqlrc', '--quiet', '--single-transaction', '--set=ON_ERROR_STOP=1', ...[before, script, after].map((sql) => `--file=${sql}`)]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const say = (text) => process.stderr.write(`· ${text}\n`);
let database;
try {
  const { settings, dataDir, args } = ownSettings(process.argv.slice(2));
  const replaces = args.includes('--replace');
  const [file, more] = args.filter((arg) => arg !== '--replace');
  if (file === undefined || file.startsWith('-') || more !== undefined) fail(`expected one backup to read, found ${file === undefined ? 'none' : `"${more ?? file}"`}`);
  if (!existsSync(file)) fail(`${file}: expected a backup, found no such file`);
  database = await ownDatabase(settings, dataDir, say);
  const leave = (message) => {
    database.stop();
    fail(message);
  };
  const listed = againstDatabase('pg_restore', database.url, ['--list', file]);
  if (listed.status !== 0 || !/TABLE DATA public event /.test(listed.stdout)) leave(`${file}: expected a backup of Vivid Burrow, found something else`);
  const { accounts, others } = await stateOf(database.url);
  if (others > 0) leave('the server is at work on this database; stop it first');
  if (accounts > 0 && !replaces)
    leave(`the database holds ${accounts} ${accounts === 1 ? 'account' : 'accounts'}; back it up, then give --replace to put this backup in its stead`);
  const done = putBack(database.url, file);
  if (done.status !== 0) leave(`${done.error?.message ?? done.stderr.trim()}; nothing was changed`);
  const now = await stateOf(database.url);
  database.stop();
  process.stdout.write(
    `Restored: ${now.accounts} ${now.accounts === 1 ? 'account' : 'accounts'}. Everybody signs in anew; phones offer what they logged since the backup when they next reach the server.\n`,
  );
} catch (error) {
  database?.stop();
  fail(error.message);
}
