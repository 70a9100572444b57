import path from 'node:path';
import { spawnSync } from 'node:child_process';
import { clearData, root, startStack } from './stack.mjs';

const dataDir = path.resolve(process.env.DATA_DIR ?? path.join(root, '.data'));
const port = Number(process.env.PORT ?? 8787);
const say = (text) => process.stdout.write(`· ${text}\n`);

function fail(message) {
  process.stderr.write(`demo: ${message}\n`);
  process.exit(1);
}

const unknown = process.argv.slice(2).find((arg) => arg !== '--fresh');
if (unknown !== undefined) fail(`expected --fresh or nothing, found "${unknown}"`);
if (!(Number.isInteger(port) && port > 0 && port < 65_536)) fail(`PORT: expected 1 to 65535, found "${process.env.PORT}"`);

for (const [what, script] of [
  ['programs', 'build.mjs'],
  ['web app', 'build-web.mjs'],
]) {
  say(`building the ${what} if the sources changed`);
  const built = spawnSync(process.execPath, [path.join(root, 'bin', script)], { stdio: 'inherit' });
  if (built.status !== 0) fail(`building the ${what} failed; the lines above say why`);
}
if (process.argv.includes('--fresh')) {
  say('starting over');
  clearData(dataDir);
}
let stack;
let stopping = false;
const stop = async () => {
  if (stopping) return;
  stopping = true;
  say('stopping');
  await stack?.stop();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
try {
  stack = await startStack({ dataDir, port, databaseUrl: process.env.DATABASE_URL, say });
} catch (error) {
  fail(error.message);
}
process.stdout.write(
  `\nVivid Burrow is ready: http://127.0.0.1:${port}\nThe demo's clock starts at 06:40 on 16 January and goes on from where it stopped. Flasher and weather are simulated. Ctrl-C stops it.\n`,
);
