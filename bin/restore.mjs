import { existsSync } from 'node:fs';
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
  // All of it or nothing.
  const done = againstDatabase('pg_restore', database.url, [
    '--dbname',
    new URL(database.url).pathname.slice(1),
    '--clean',
    '--if-exists',
    '--no-owner',
    '--single-transaction',
    '--exit-on-error',
    file,
  ]);
  if (done.status !== 0) leave(`${done.error?.message ?? done.stderr.trim()}; nothing was changed`);
  const now = await stateOf(database.url);
  database.stop();
  process.stdout.write(`Restored: ${now.accounts} ${now.accounts === 1 ? 'account' : 'accounts'}. Everybody signs in anew.\n`);
} catch (error) {
  database?.stop();
  fail(error.message);
}
