import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ownDatabase } from './own-database.mjs';
import { ownSettings } from './own-settings.mjs';
import { maintain, root } from './stack.mjs';

const usage = 'expected list, invite, or reset-code ADDRESS';
const commands = { list: ['accounts', 0], invite: ['invite', 0], 'reset-code': ['reset-code', 1] };

function fail(message) {
  process.stderr.write(`account: ${message}\n`);
  process.exit(1);
}

let database;
try {
  const { settings, dataDir, args } = ownSettings(process.argv.slice(2));
  const [name, ...rest] = args;
  const [command, wanted] = commands[name ?? ''] ?? fail(`${usage}, found ${name === undefined ? 'nothing' : `"${name}"`}`);
  if (rest.length !== wanted) fail(`${usage}, found "${args.join(' ')}"`);
  if (spawnSync(process.execPath, [path.join(root, 'bin/build.mjs')], { stdio: ['ignore', 'ignore', 'inherit'] }).status !== 0) fail('building the programs failed');
  database = await ownDatabase(settings, dataDir, (text) => process.stderr.write(`· ${text}\n`));
  process.stdout.write(`${maintain(database.url, command, ...rest)}\n`);
  database.stop();
} catch (error) {
  database?.stop();
  fail(error.message.replace(/^[a-z-]+ failed: maintenance: /, '').trim());
}
