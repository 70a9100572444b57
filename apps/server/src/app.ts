import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { type Express, type Request, type RequestHandler } from 'express';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import path from 'node:path';
import type pg from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { collectDefaultMetrics, Registry } from 'prom-client';
import type { DataSource } from 'typeorm';
import { Bodies } from './bodies';
import { systemClock, type Clock } from './clock';
import { logSerializers } from './log';
import { openApi } from './openapi';
import { notFound, ProblemError, problemHandler } from './problem';
import { accountRoutes } from './routes/account';
import { anglerRoutes } from './routes/angler';
import { crewRoutes } from './routes/crews';
import { waterRoutes } from './routes/waters';
import { CrewNews } from './services/crew-news';
import { Crews } from './services/crews';
import { limitedTo, sessionRoutes } from './routes/session';
import { signedIn } from './routes/signed-in';
import type { Services } from './services';
import { Accounts, type SignUp } from './services/accounts';
import { Archives } from './services/archives';
import { FlasherFeed } from './services/flasher-feed';
import { Guesses } from './services/guesses';
import { Ledger } from './services/ledger';
import { Mailer } from './services/mailer';
import { Photos } from './services/photos';
import { Sessions, sessionMs } from './services/sessions';
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
  /** Folder of the bundled workers. */
  workers: string;
  /** Who may make an account. */
  signUp: SignUp;
  /** A mail server for reset codes, null for none, and whom its mails come from. */
  mail: { url: string | null; from: string };
  /** Opens /metrics to whoever sends it; without it only this machine reads them. */
  metricsToken?: string;
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

/** An address with a broken escape is a problem like any other, whichever part of the program would have read it first. */
const readableAddress: RequestHandler = (req, _res, next) => {
  try {
    decodeURIComponent(req.path);
  } catch {
    throw new ProblemError(400, 'Bad request', `expected an address that can be read, found ${req.path.slice(0, 200)}`);
  }
  next();
};

/** The application, ready to listen. */
export function makeApp(options: AppOptions): Express {
  const { db, clock, demo, signUp } = options;
  const [ledger, waters, weather] = [new Ledger(db, options.log), new Waters(db), new Weather(db, options.weatherUrl, options.weatherPastDays, demo)];
  const accounts = new Accounts(db, new Guesses(options.pool), signUp);
  const photos = new Photos(db);
  const bodies = new Bodies(path.join(options.workers, 'body-worker.mjs'));
  const services: Services = {
    accounts,
    sessions: new Sessions(db),
    archives: new Archives(db, { accounts, ledger, photos, waters, weather }, bodies),
    bodies,
    mailer: new Mailer(options.mail.url, options.mail.from),
    ledger,
    photos,
    waters,
    winters: new Winters(path.join(options.workers, 'winter-worker.mjs'), waters, ledger, weather),
    weather,
    crews: new Crews(db, options.pool),
    crewNews: new CrewNews(options.pool, options.log),
    flasher: new FlasherFeed(options.flasherUrl),
    clockOf: (account) => (demo && !account?.isDemo ? systemClock : clock),
    demo,
    signUp,
  };
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', options.proxyHops);
  logAndGuard(app, options);
  app.use(readableAddress);
  probes(app, options);
  const sessionStore = new (connectPgSimple(session))({
    pool: options.pool,
    tableName: 'session',
    errorLog: () => options.log.warn('session store: a query failed'),
  });
  app.use('/api', sameOrigin, limitedTo(1200));
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
      cookie: { httpOnly: true, sameSite: 'lax', secure: options.proxyHops > 0 ? 'auto' : false, maxAge: sessionMs },
    }),
    sessionRoutes(services),
    signedIn,
    accountRoutes(services),
    anglerRoutes(services),
    waterRoutes(services),
    crewRoutes(services),
  );
  if (options.webDir !== undefined) serveWeb(app, options.webDir);
  app.use(notFound);
  app.use(problemHandler);
  return app;
}

/** Requests are logged, and answers carry what keeps a browser from running what is not ours. */
function logAndGuard(app: Express, options: AppOptions): void {
  app.use(
    pinoHttp({
      logger: options.log,
      serializers: logSerializers,
      wrapSerializers: false,
      autoLogging: { ignore: (req) => !req.url?.startsWith('/api') },
      customLogLevel: (_req, res, err) => (res.statusCode === 503 ? 'warn' : err || res.statusCode >= 500 ? 'error' : 'debug'),
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
  app.use((req, res, next) => {
    if (req.secure) res.setHeader('strict-transport-security', 'max-age=31536000');
    next();
  });
}

/** Whether it lives, whether it can answer, and its measurements. */
function probes(app: Express, options: AppOptions): void {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  app.get('/healthz', (_req, res) => void res.json({ ok: true }));
  app.get('/readyz', async (_req, res) => {
    await options.db.query('SELECT 1');
    res.json({ ok: true });
  });
  app.get('/metrics', async (req, res) => {
    if (!mayMeasure(req, options)) throw new ProblemError(404, 'Not found', 'expected a known address, found /metrics');
    res.type(registry.contentType).send(await registry.metrics());
  });
}

/** Measurements are for this machine, and for whoever knows the token; a proxy's requests come from this machine and are not from it. */
function mayMeasure(req: Request, { metricsToken, proxyHops }: AppOptions): boolean {
  if (metricsToken !== undefined) return req.get('authorization') === `Bearer ${metricsToken}`;
  const isForwarded = proxyHops > 0 || req.get('x-forwarded-for') !== undefined;
  return !isForwarded && /^(::1|(::ffff:)?127\.)/.test(req.socket.remoteAddress ?? '');
}

/** The file of the worker that reads a flasher, whatever its hash and encoding. */
const flasherWorker = /\/flasher-[0-9a-f]{32}\.js(\.br|\.gz)?$/;

/** The exported pages: files by their hashes for long, the page itself always fresh, every route the same page. */
function serveWeb(app: Express, webDir: string): void {
  app.use(
    expressStaticGzip(webDir, {
      enableBrotli: true,
      orderPreference: ['br'],
      index: false,
      serveStatic: {
        dotfiles: 'allow',
        setHeaders: (res, file) => {
          res.setHeader('cache-control', /[-.][0-9a-f]{32}\./.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache');
          // A worker has the policy of its own file. This one alone listens to a flasher at the address that its angler has set; the page never does.
          if (flasherWorker.test(file)) res.setHeader('content-security-policy', "default-src 'none'; script-src 'self'; connect-src 'self' http: https:");
        },
      },
    }),
  );
  app.get('/{*path}', (req, res, next) => {
    if (req.path.startsWith('/api') || req.path.startsWith('/_expo/') || req.path.startsWith('/assets/') || path.extname(req.path) !== '') next();
    else res.setHeader('cache-control', 'no-cache').sendFile('index.html', { root: webDir, dotfiles: 'allow' });
  });
}
