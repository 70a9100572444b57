import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import path from 'node:path';
import type pg from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { collectDefaultMetrics, Registry } from 'prom-client';
import type { DataSource } from 'typeorm';
import { systemClock, type Clock } from './clock';
import { logSerializers } from './log';
import { openApi } from './openapi';
import { notFound, ProblemError, problemHandler } from './problem';
import { anglerRoutes } from './routes/angler';
import { sessionRoutes } from './routes/session';
import type { Services } from './services';
import { Accounts } from './services/accounts';
import { FlasherFeed } from './services/flasher-feed';
import { Ledger } from './services/ledger';
import { Weather } from './services/weather';
import { Waters } from './services/waters';
import { Winters } from './services/winters';

export interface AppOptions {
  db: DataSource;
  pool: pg.Pool;
  /** In the demo the scenario's, for the demo's own account alone. */
  clock: Clock;
  log: Logger;
  demo: boolean;
  sessionSecret: string;
  /** Null where this server has no flasher, or no weather service. */
  flasherUrl: string | null;
  weatherUrl: string | null;
  /** Days back that the weather service may be asked for. */
  weatherPastDays: number;
  /** Proxies whose word on a request's address and scheme is taken. */
  proxyHops: number;
  /** File of the bundled worker that computes winters. */
  winterWorker: string;
  /** Folder of the exported web app; none for the API alone. */
  webDir?: string;
}

/** Requests that change something must come from our own pages. */
const sameOrigin: RequestHandler = (req, _res, next) => {
  const { origin, host } = req.headers;
  if (req.method !== 'GET' && req.method !== 'HEAD' && origin !== undefined && !(URL.canParse(origin) && new URL(origin).host === host)) {
    throw new ProblemError(403, 'Foreign origin', 'Requests that change something must come from this site.');
  }
  next();
};

/** The application, ready to listen. */
export function makeApp(options: AppOptions): Express {
  const { db, clock, demo } = options;
  const [ledger, waters, weather] = [new Ledger(db), new Waters(db), new Weather(db, options.weatherUrl, options.weatherPastDays, demo)];
  const services: Services = {
    accounts: new Accounts(db),
    ledger,
    waters,
    winters: new Winters(options.winterWorker, waters, ledger, weather),
    weather,
    flasher: new FlasherFeed(options.flasherUrl),
    clockOf: (account) => (demo && !account?.isDemo ? systemClock : clock),
    demo,
  };
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', options.proxyHops);
  app.use(
    pinoHttp({
      logger: options.log,
      serializers: logSerializers,
      wrapSerializers: false,
      autoLogging: { ignore: (req) => !req.url?.startsWith('/api') },
      customLogLevel: (_req, res, err) => (err || res.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'"],
          'worker-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.get('/healthz', (_req, res) => void res.json({ ok: true }));
  app.get('/readyz', async (_req, res) => {
    await db.query('SELECT 1');
    res.json({ ok: true });
  });
  app.get('/metrics', async (_req, res) => void res.type(registry.contentType).send(await registry.metrics()));

  const sessionStore = new (connectPgSimple(session))({
    pool: options.pool,
    tableName: 'session',
    errorLog: () => options.log.warn('session store: a query failed'),
  });
  app.use('/api', sameOrigin, rateLimit({ windowMs: 60_000, limit: 1200, standardHeaders: 'draft-8', legacyHeaders: false }));
  // What an account is told stays with it: nothing is kept by a browser that another may use next.
  app.use('/api', (_req, res, next) => {
    res.setHeader('cache-control', 'no-store');
    next();
  });
  app.get('/api/openapi.json', (_req, res) => void res.json(openApi()));
  // Bodies are read by the routes, once it is known who sends them: a stranger's is never taken in.
  app.use(
    '/api',
    compression(),
    session({
      store: sessionStore,
      secret: options.sessionSecret,
      name: 'burrow',
      resave: false,
      saveUninitialized: false,
      cookie: { httpOnly: true, sameSite: 'lax', secure: options.proxyHops > 0 ? 'auto' : false, maxAge: 180 * 86_400_000 },
    }),
    sessionRoutes(services),
    anglerRoutes(services),
  );
  if (options.webDir !== undefined) serveWeb(app, options.webDir);
  app.use(notFound);
  app.use(problemHandler);
  return app;
}

/** The exported pages: files by their hashes for long, the page itself always fresh, every route the same page. */
function serveWeb(app: Express, webDir: string): void {
  app.use(
    expressStaticGzip(webDir, {
      enableBrotli: true,
      orderPreference: ['br'],
      index: false,
      serveStatic: {
        dotfiles: 'allow',
        setHeaders: (res, file) => res.setHeader('cache-control', /[-.][0-9a-f]{32}\./.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache'),
      },
    }),
  );
  app.get('/{*path}', (req, res, next) => {
    if (req.path.startsWith('/api') || req.path.startsWith('/_expo/') || req.path.startsWith('/assets/') || path.extname(req.path) !== '') next();
    else res.setHeader('cache-control', 'no-cache').sendFile('index.html', { root: webDir, dotfiles: 'allow' });
  });
}
