import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { makeApp } from './app';
import { scenarioClock, systemClock } from './clock';
import { dataSource } from './data-source';
import { makeLogger } from './log';
import { migrate } from './migrate';
import { readSettings } from './settings';

async function main(): Promise<void> {
  const settings = readSettings(process.env);
  const log = makeLogger(settings.LOG_LEVEL);
  const db = await dataSource(settings.DATABASE_URL).initialize();
  await migrate(db);
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
    stationUrl: settings.STATION_URL ?? null,
    winterWorker: fileURLToPath(new URL('winter-worker.mjs', import.meta.url)),
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
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: unknown) => {
  process.stderr.write(`server: ${(error as Error).message}\n`);
  process.exit(1);
});
