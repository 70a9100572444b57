import { chmodSync, closeSync, existsSync, openSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { againstDatabase, ownDatabase } from './own-database.mjs';
import { ownSettings } from './own-settings.mjs';

function fail(message) {
  process.stderr.write(`backup: ${message}\n`);
  process.exit(1);
}

const say = (text) => process.stderr.write(`· ${text}\n`);
try {
  const { settings, dataDir, args } = ownSettings(process.argv.slice(2));
  const [out, more] = args;
  if (out === undefined || out.startsWith('-') || more !== undefined) fail(`expected one file to write, found ${out === undefined ? 'none' : `"${more ?? out}"`}`);
  if (existsSync(out)) fail(`${out}: expected a name that is free, found a file that is there`);
  const database = await ownDatabase(settings, dataDir, say);
  const part = `${path.resolve(out)}.part`;
  // Nobody else may read it, not even while it is being written.
  rmSync(part, { force: true });
  closeSync(openSync(part, 'wx', 0o600));
  // Sessions are left behind: a copy of the log must not sign anybody in.
  const dump = againstDatabase('pg_dump', database.url, ['--format=custom', '--no-owner', '--exclude-table-data=session', `--file=${part}`]);
  database.stop();
  if (dump.status !== 0) {
    rmSync(part, { force: true });
    fail(`${dump.error?.message ?? dump.stderr.trim()}`);
  }
  chmodSync(part, 0o600);
  renameSync(part, out);
  process.stdout.write(`${out}: ${(statSync(out).size / 1e6).toFixed(1)} MB. It holds accounts and places: keep it where only you can read it.\n`);
} catch (error) {
  fail(error.message);
}
