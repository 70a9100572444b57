import cluster from 'node:cluster';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import type { Logger } from 'pino';
import { makeApp } from './app';
import { scenarioClock, systemClock } from './clock';
import { dataSource } from './data-source';
import { makeLogger } from './log';
import { migrate } from './migrate';
import { readSettings, type Settings } from './settings';

async function serve(settings: Settings, log: Logger): Promise<void> {
  const db = await dataSource(settings.DATABASE_URL).initialize();
  await migrate(db, log);
  if (settings.PROXY_HOPS > 0 && !/^(127\.|::1$|localhost$)/.test(settings.HOST))
    log.warn(
      `PROXY_HOPS is ${settings.PROXY_HOPS} and ${settings.HOST}:${settings.PORT} is open to others: whoever comes past the proxy is believed about their address. Set HOST=127.0.0.1, or shut the port.`,
    );
  const pool = new pg.Pool({ connectionString: settings.DATABASE_URL, max: 5, connectionTimeoutMillis: 5000 });
  // An idle connection that the database closes must not end the server.
  pool.on('error', (error) => log.warn({ err: error }, 'idle session connection lost'));
  const clock = settings.DEMO_START === undefined ? systemClock : scenarioClock(Date.parse(settings.DEMO_START));
  const app = makeApp({
    db,
    pool,
    clock,
    log,
    demo: settings.DEMO_START !== undefined,
    sessionSecret: settings.SESSION_SECRET,
    flasherUrl: settings.FLASHER_URL ?? null,
    weatherUrl: settings.WEATHER_URL ?? null,
    weatherPastDays: settings.WEATHER_PAST_DAYS,
    proxyHops: settings.PROXY_HOPS,
    workers: path.dirname(fileURLToPath(import.meta.url)),
    signUp: settings.SIGN_UP,
    mail: { url: settings.SMTP_URL ?? null, from: settings.MAIL_FROM },
    metricsToken: settings.METRICS_TOKEN,
    webDir: settings.WEB_DIR,
  });
  const server = app.listen(settings.PORT, settings.HOST, (error?: Error) => {
    if (error) {
      log.error({ err: error }, `could not listen on port ${settings.PORT}`);
      process.exit(1);
    }
    log.info(`listening on http://${settings.HOST}:${settings.PORT}`);
  });
  // A body that trickles in must not hold its place for minutes.
  server.requestTimeout = 60_000;
  const stop = () => {
    server.close(() => void Promise.all([pool.end(), db.destroy()]).then(() => process.exit(0)));
    // Streams do not end by themselves.
    setTimeout(() => server.closeAllConnections(), 300).unref();
    // Nor must a database that hangs keep it.
    setTimeout(() => process.exit(1), longestStopMs - 2000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

/** Several processes behind one port: each a whole server over the same database. One that ends is started again, unless it never came to listen. */
function shareOut(processes: number, log: Logger): void {
  // The processes take connections from the system themselves: one that dies takes none with it that another could serve.
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  let stopping = false;
  const listened = new Set<number>();
  for (let i = 0; i < processes; i++) cluster.fork();
  cluster.on('listening', (worker) => listened.add(worker.id));
  cluster.on('exit', (worker, code) => {
    if (stopping) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    if (!listened.delete(worker.id)) process.exit(code || 1);
    log.error(`a server process ended with ${code}; another is started`);
    cluster.fork();
  });
  const stop = () => {
    stopping = true;
    const end = (signal: NodeJS.Signals) => Object.values(cluster.workers ?? {}).forEach((worker) => worker?.process.kill(signal));
    end('SIGTERM');
    setTimeout(() => end('SIGKILL'), longestStopMs).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}
/** A process that has not ended by itself after this is ended, ms. */
const longestStopMs = 10_000;

async function main(): Promise<void> {
  const settings = readSettings(process.env);
  const log = makeLogger(settings.LOG_LEVEL);
  if (settings.PROCESSES > 1 && cluster.isPrimary) shareOut(settings.PROCESSES, log);
  else await serve(settings, log);
}

main().catch((error: unknown) => {
  process.stderr.write(`server: ${(error as Error).message}\n`);
  process.exit(1);
});
