/** The database of `serve`, `backup` and `restore`: another PostgreSQL by its address, or a private one in the data folder. */
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { freePort, postgresProgram, runningUrl, startCluster } from './cluster.mjs';
import { createDatabase, root } from './stack.mjs';

/** Answers the database's address and what stops it, where it was started here. One that runs already is used and left running. */
export async function ownDatabase(settings, dataDir, say) {
  if (settings.DATABASE_URL !== undefined) return { url: settings.DATABASE_URL, isRunning: false, stop: () => {} };
  const setup = spawnSync(path.join(root, 'bin/setup'), ['demo'], { stdio: ['ignore', 'inherit', 'inherit'] });
  if (setup.status !== 0) throw new Error('PostgreSQL is missing; the lines above say what to install, or set DATABASE_URL');
  const folder = path.join(dataDir, 'postgresql');
  const running = runningUrl(folder);
  if (running) return { url: running('burrow'), isRunning: true, stop: () => {} };
  say('starting PostgreSQL on loopback');
  const cluster = await startCluster(folder, await freePort());
  await createDatabase(cluster.url('postgres'));
  return { url: cluster.url('burrow'), isRunning: false, stop: cluster.stop };
}

/** Runs a program of PostgreSQL against a database; the password goes by the environment, where a list of processes does not show it. */
export function againstDatabase(program, url, args) {
  const { username, password, hostname, port, pathname } = new URL(url);
  return spawnSync(postgresProgram(program), args, {
    encoding: 'utf8',
    env: {
      ...process.env,
      PGHOST: hostname,
      PGPORT: port || '5432',
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGDATABASE: decodeURIComponent(pathname.slice(1)),
    },
  });
}
