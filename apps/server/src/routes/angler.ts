import { lineSetting, type WaterVersion, type WaterWeather, type WaterWinter } from '@burrow/contract/api';
import { mostPhotoBytes } from '@burrow/contract/formats';
import { simulatedBottom } from '@burrow/core/simulator';
import { raw, Router, type Request, type RequestHandler } from 'express';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { smallBody } from '../bodies';
import type { Services } from '../services';
import { accept, ProblemError } from '../problem';
import { accountOf } from './signed-in';

const photoId = z.uuid();

const bottom = z.coerce.number().min(simulatedBottom.leastM).max(simulatedBottom.mostM).optional();

/** How far back a series may be asked for: from one autumn to the end of the next, on either side of the equator. */
const weatherDays = z.coerce.number().int().min(1).max(400).default(10);

/** The version that a change was made to, from `If-Match: "3"`. */
function versionOf(req: Pick<Request, 'headers'>): number {
  const given = req.headers['if-match'];
  if (given === undefined) throw new ProblemError(428, 'Version wanted', 'if-match: expected the version that was changed, such as "3", found nothing');
  const version = Number(/^"?(\d{1,9})"?$/.exec(given)?.[1] ?? NaN);
  if (Number.isNaN(version)) throw new ProblemError(400, 'Bad request', `if-match: expected a version such as "3", found ${given}`);
  return version;
}

/** What a signed-in angler can reach; everything is scoped to the account of the session. */
export function anglerRoutes({ accounts, ledger, photos, waters, winters, weather, flasher, bodies, clockOf, demo }: Services): Router {
  const router = Router();
  /** The account of a request, and whether what is simulated is for it. */
  const whose = async (req: Pick<Request, 'session'>) => {
    const id = accountOf(req);
    return { id, isDemo: demo && ((await accounts.find(id))?.isDemo ?? false) };
  };
  /** The stand-in for a flasher is the demo's alone. */
  const mayFlash: RequestHandler = async (req, _res, next) => {
    if (demo && !(await whose(req)).isDemo) throw new ProblemError(404, 'No flasher', 'This server has no flasher for you.');
    next();
  };
  const waterOf = async (req: Pick<Request<{ id: string }>, 'session' | 'params'>) => {
    const water = (await waters.list(accountOf(req))).find((w) => w.id === req.params.id);
    if (!water) throw new ProblemError(404, 'No such water', `expected one of your waters, found "${req.params.id}"`);
    return water;
  };
  router.post('/ledger/sync', bodies.upTo('4mb'), async (req, res) => {
    res.json(await ledger.exchange(accountOf(req), await bodies.checked('sync', req)));
  });

  router.put('/photos/:id', raw({ limit: mostPhotoBytes, type: 'image/jpeg' }), async (req: Request<{ id: string }>, res) => {
    const bytes: unknown = req.body;
    if (!(bytes instanceof Uint8Array)) throw new ProblemError(400, 'Bad request', 'expected a body of content type image/jpeg');
    await photos.keep(accountOf(req), accept(photoId, req.params.id), bytes);
    res.status(204).end();
  });
  router.get('/photos/:id', async (req, res) => {
    const jpeg = await photos.of(accountOf(req), accept(photoId, req.params.id));
    // A picture never changes under its id.
    res.setHeader('cache-control', 'private, max-age=31536000, immutable').type('image/jpeg').send(jpeg);
  });

  router.get('/waters', async (req, res) => {
    res.json(await waters.list(accountOf(req)));
  });
  router.get('/deleted-waters', async (req, res) => {
    res.json(await waters.deleted(accountOf(req)));
  });
  // A water of twenty thousand soundings and more.
  router.post('/waters', bodies.upTo('24mb'), async (req, res) => {
    const made: WaterVersion = await waters.add(accountOf(req), await bodies.checked('water', req));
    res.status(201).json(made);
  });
  router.get('/waters/:id', async (req, res) => {
    const { version, json } = await waters.text(accountOf(req), req.params.id);
    // Put together as text: a large map is not read and written again on its way.
    res
      .setHeader('etag', `"${version}"`)
      .type('json')
      .send(`{"id":${JSON.stringify(req.params.id)},"version":${version},"file":${json}}`);
  });
  router.put('/waters/:id', bodies.upTo('24mb'), async (req: Request<{ id: string }>, res) => {
    const version = versionOf(req);
    const changed: WaterVersion = await waters.replace(accountOf(req), req.params.id, version, await bodies.checked('water', req));
    res.json(changed);
  });
  router.delete('/waters/:id', async (req, res) => {
    await waters.remove(accountOf(req), req.params.id);
    res.status(204).end();
  });
  router.post('/waters/:id/restore', smallBody, async (req: Request<{ id: string }>, res) => {
    res.json(await waters.restore(accountOf(req), req.params.id));
  });
  router.get('/waters/:id/weather', async (req, res) => {
    const water = await waterOf(req);
    const account = await whose(req);
    const answer: WaterWeather = await weather.for(account, water.id, water, clockOf(account).nowMs(), accept(weatherDays, req.query.days));
    res.json(answer);
  });
  // A winter of hours.
  router.put('/waters/:id/weather', bodies.upTo('6mb'), async (req: Request<{ id: string }>, res) => {
    const water = await waterOf(req);
    await weather.bring(accountOf(req), water.id, await bodies.checked('weather', req));
    winters.forget(accountOf(req), water.id);
    res.status(204).end();
  });
  router.delete('/waters/:id/weather', async (req, res) => {
    const water = await waterOf(req);
    await weather.forget(accountOf(req), water.id);
    winters.forget(accountOf(req), water.id);
    res.status(204).end();
  });

  router.get('/waters/:id/winter', async (req, res) => {
    const account = await whose(req);
    const winter: WaterWinter = await winters.of(account, req.params.id, clockOf(account).nowMs());
    res.json(winter);
  });

  router.use('/flasher', mayFlash);
  router.get('/flasher/stream', async (req, res) => {
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const feed = await flasher.open(accountOf(req), accept(bottom, req.query.bottomM), gone.signal);
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform', 'x-accel-buffering': 'no' });
    // The stream ends when either side goes; that is no error of the request.
    await pipeline(feed, res).catch(() => res.end());
  });
  router.post('/flasher/line', smallBody, async (req, res) => {
    await flasher.setLine(accountOf(req), accept(lineSetting, req.body));
    res.status(204).end();
  });
  router.post('/flasher/strike', async (req, res) => {
    res.json(await flasher.strike(accountOf(req)));
  });
  return router;
}
