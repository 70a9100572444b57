/** Starts the whole of Vivid Burrow: database, stand-ins, server. Used by the demo, the end-to-end tests and the screenshots. */
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { freePort, removeCluster, startCluster } from './cluster.mjs';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
/** The scenario's morning. */
export const demoStart = '2027-01-16T06:40:00-09:00';

const program = (name) => path.join(root, '.build', `${name}.mjs`);

/** Runs a maintenance command to its end. */
export function maintain(databaseUrl, ...args) {
  const done = spawnSync(process.execPath, [program('maintenance'), ...args], { env: { ...process.env, DATABASE_URL: databaseUrl }, encoding: 'utf8' });
  if (done.status !== 0) throw new Error(`${args[0]} failed: ${done.stderr}`);
  return done.stdout.trim();
}

async function answers(url, child) {
  for (let i = 0; i < 150; i++) {
    if (child.exitCode !== null) throw new Error(`${child.spawnargs.at(-1)} ended with ${child.exitCode} before it answered`);
    const ok = await fetch(url).then(
      (r) => r.ok,
      () => false,
    );
    if (ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`nothing answered at ${url}`);
}

/**
 * Starts everything over a data folder and answers addresses and what stops or restarts the server.
 * `options`: dataDir, port, databaseUrl (any other PostgreSQL), start (of the scenario's clock, else where it stood), log (level), say(text).
 */
export async function startStack(options) {
  const { dataDir, say = () => {} } = options;
  mkdirSync(dataDir, { recursive: true });
  let cluster = null;
  let databaseUrl = options.databaseUrl;
  if (!databaseUrl) {
    say('starting PostgreSQL on loopback');
    cluster = await startCluster(path.join(dataDir, 'postgresql'), await freePort());
    await createDatabase(cluster.url('postgres'));
    databaseUrl = cluster.url('burrow');
  }
  const children = [];
  const stop = async () => {
    for (const child of children.filter((c) => c.exitCode === null)) child.kill('SIGTERM');
    await Promise.all(children.map((child) => (child.exitCode !== null || child.signalCode !== null ? null : new Promise((resolve) => child.once('exit', resolve)))));
    cluster?.stop();
  };
  try {
    const mark = path.join(dataDir, 'demo-loaded');
    if (!existsSync(mark)) {
      say('loading the demo data');
      say(maintain(databaseUrl, 'load-demo', path.join(root, 'demo')));
      writeFileSync(mark, '');
    }
    say('starting the simulated flasher and weather service');
    const clock = demoClock(path.join(dataDir, 'demo-clock'), options.start);
    const standIn = async (name) => {
      const port = await freePort();
      const child = spawn(process.execPath, ['--enable-source-maps', program(name)], {
        env: { ...process.env, PORT: String(port), CLOCK_START: new Date(clock.nowMs()).toISOString() },
        stdio: ['ignore', 'inherit', 'inherit'],
      });
      children.push(child);
      await answers(`http://127.0.0.1:${port}/healthz`, child);
      return `http://127.0.0.1:${port}`;
    };
    const [flasherUrl, stationUrl] = [await standIn('flasher'), await standIn('weather-service')];
    const secretFile = path.join(dataDir, 'session-secret');
    if (!existsSync(secretFile)) writeFileSync(secretFile, randomBytes(32).toString('hex'), { mode: 0o600 });
    const env = {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(options.port),
      DATABASE_URL: databaseUrl,
      FLASHER_URL: flasherUrl,
      WEATHER_URL: `${stationUrl}/hourly`,
      WEATHER_PAST_DAYS: '220',
      SESSION_SECRET: readFileSync(secretFile, 'utf8'),
      WEB_DIR: path.join(root, '.build/web'),
      LOG_LEVEL: options.log ?? 'warn',
    };
    let server;
    const startServer = async () => {
      const DEMO_START = new Date(clock.nowMs()).toISOString();
      server = spawn(process.execPath, ['--enable-source-maps', program('server')], { env: { ...env, DEMO_START }, stdio: ['ignore', 'inherit', 'inherit'] });
      children.push(server);
      await answers(`http://127.0.0.1:${options.port}/readyz`, server);
    };
    say('starting the server');
    await startServer();
    /** Ends the server hard, as a lost network or a crash would. */
    const killServer = () =>
      new Promise((resolve) => {
        if (server.exitCode !== null || server.signalCode !== null) return resolve();
        server.once('exit', resolve);
        server.kill('SIGKILL');
      });
    return { url: `http://127.0.0.1:${options.port}`, databaseUrl, stop, startServer, killServer };
  } catch (error) {
    await stop();
    throw error;
  }
}

/**
 * The scenario's clock: runs while the demo runs, stands still while it does not, and never goes back, so that what is logged
 * stays in order over a restart. Kept in a file every few seconds.
 */
function demoClock(file, start) {
  const kept = existsSync(file) ? Number(readFileSync(file, 'utf8')) : NaN;
  const startMs = start !== undefined ? Date.parse(start) : Number.isFinite(kept) ? kept : Date.parse(demoStart);
  const began = Date.now();
  const nowMs = () => startMs + Date.now() - began;
  const keep = () => {
    // The folder goes when a demo starts over or a test is done.
    if (existsSync(path.dirname(file))) writeFileSync(file, String(nowMs() + keepEveryMs));
  };
  setInterval(keep, keepEveryMs).unref();
  return { nowMs };
}
const keepEveryMs = 5000;

/** Makes the program's database where there is none. */
export async function createDatabase(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rowCount } = await client.query("SELECT 1 FROM pg_database WHERE datname = 'burrow'");
    if (rowCount === 0) await client.query('CREATE DATABASE burrow');
  } finally {
    await client.end();
  }
}

/** Forgets everything a data folder held. */
export function clearData(dataDir) {
  removeCluster(path.join(dataDir, 'postgresql'));
  rmSync(dataDir, { recursive: true, force: true });
}
