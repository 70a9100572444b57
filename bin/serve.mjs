import { spawn, spawnSync } from 'node:child_process';
import os from 'node:os';
import path from 'node:path';
import { ownDatabase } from './own-database.mjs';
import { ownSettings, sessionSecret } from './own-settings.mjs';
import { root } from './stack.mjs';

const say = (text) => process.stdout.write(`· ${text}\n`);

function fail(message) {
  process.stderr.write(`serve: ${message}\n`);
  process.exit(1);
}

/** Addresses under which another machine may reach a server that listens on `host`. */
function addresses(host, port) {
  if (host !== '0.0.0.0' && host !== '::') return [`http://${host.includes(':') ? `[${host}]` : host}:${port}`];
  const all = Object.values(os.networkInterfaces()).flatMap((list) => list ?? []);
  return all.filter((a) => a.family === 'IPv4').map((a) => `http://${a.address}:${port}`);
}

let database;
let server;
let stopping = false;
const stop = async (code) => {
  if (stopping) return;
  stopping = true;
  if (server && server.exitCode === null) {
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
  }
  database?.stop();
  process.exit(code);
};
process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));

try {
  const { settings, dataDir, args } = ownSettings(process.argv.slice(2));
  if (args.length > 0) fail(`expected --settings FILE or nothing, found "${args[0]}"`);
  for (const [what, script] of [
    ['programs', 'build.mjs'],
    ['web app', 'build-web.mjs'],
  ]) {
    say(`building the ${what} if the sources changed`);
    if (spawnSync(process.execPath, [path.join(root, 'bin', script)], { stdio: 'inherit' }).status !== 0) fail(`building the ${what} failed; the lines above say why`);
  }
  const [port, host] = [settings.PORT ?? '8787', settings.HOST ?? '127.0.0.1'];
  database = await ownDatabase(settings, dataDir, say);
  say('starting the server');
  server = spawn(process.execPath, ['--enable-source-maps', path.join(root, '.build/server.mjs')], {
    env: {
      ...process.env,
      ...settings,
      NODE_ENV: 'production',
      PORT: port,
      HOST: host,
      DATABASE_URL: database.url,
      SESSION_SECRET: sessionSecret(settings, dataDir),
      WEB_DIR: path.join(root, '.build/web'),
      // Nothing of the demo, whatever the environment says.
      DEMO_START: '',
    },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  server.once('exit', (code) => {
    if (stopping) return;
    process.stderr.write(`serve: the server ended with ${code}; the lines above say why\n`);
    void stop(1);
  });
  const local = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
  // A big log may migrate for minutes.
  for (let i = 0; i < 3000 && !stopping; i++) {
    const isReady = await fetch(`http://${local.includes(':') ? `[${local}]` : local}:${port}/readyz`).then(
      (r) => r.ok,
      () => false,
    );
    if (isReady) {
      process.stdout.write(`\nVivid Burrow is ready: ${addresses(host, port).join(', ')}\nData: ${dataDir}. Ctrl-C stops it.\n`);
      break;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
} catch (error) {
  process.stderr.write(`serve: ${error.message}\n`);
  await stop(1);
}
