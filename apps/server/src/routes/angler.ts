import { lineSetting, syncRequest, type WaterWeather, type WaterWinter } from '@burrow/contract/api';
import { simulatedBottom } from '@burrow/core/simulator';
import { waterFile } from '@burrow/contract/formats/water-geojson';
import { Router, type Request, type RequestHandler } from 'express';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import type { Services } from '../services';
import { accept, ProblemError } from '../problem';

const bottom = z.coerce.number().min(simulatedBottom.leastM).max(simulatedBottom.mostM).optional();

/** How far back a series may be asked for: a winter with its autumn. */
const weatherDays = z.coerce.number().int().min(1).max(220).default(10);

const signedIn: RequestHandler = (req, _res, next) => {
  if (req.session.accountId === undefined) throw new ProblemError(401, 'Not signed in', 'Sign in first.');
  next();
};
const accountOf = (req: Request) => req.session.accountId!;

/** What a signed-in angler can reach; everything is scoped to the account of the session. */
export function anglerRoutes({ ledger, waters, winters, station, flasher, clock }: Services): Router {
  const router = Router();
  router.use(signedIn);

  router.post('/ledger/sync', async (req, res) => {
    res.json(await ledger.sync(accountOf(req), accept(syncRequest, req.body)));
  });

  router.get('/waters', async (req, res) => {
    res.json(await waters.list(accountOf(req)));
  });
  router.post('/waters', async (req, res) => {
    res.status(201).json({ id: await waters.put(accountOf(req), accept(waterFile, req.body)) });
  });
  router.get('/waters/:id', async (req, res) => {
    res.json(await waters.detail(accountOf(req), req.params.id));
  });
  router.put('/waters/:id', async (req, res) => {
    await waters.replace(accountOf(req), req.params.id, accept(waterFile, req.body));
    res.status(204).end();
  });
  router.get('/waters/:id/weather', async (req, res) => {
    const water = (await waters.list(accountOf(req))).find((w) => w.id === req.params.id);
    if (!water) throw new ProblemError(404, 'No such water', `expected one of your waters, found "${req.params.id}"`);
    const weather: WaterWeather = await station.at(water.lon, water.lat, clock.nowMs(), accept(weatherDays, req.query.days));
    res.json(weather);
  });

  router.get('/waters/:id/winter', async (req, res) => {
    const winter: WaterWinter = await winters.of(accountOf(req), req.params.id, clock.nowMs());
    res.json(winter);
  });

  router.get('/flasher/stream', async (req, res) => {
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const feed = await flasher.open(accountOf(req), accept(bottom, req.query.bottomM), gone.signal);
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform', 'x-accel-buffering': 'no' });
    // The stream ends when either side goes; that is no error of the request.
    await pipeline(feed, res).catch(() => res.end());
  });
  router.post('/flasher/line', async (req, res) => {
    await flasher.setLine(accountOf(req), accept(lineSetting, req.body));
    res.status(204).end();
  });
  router.post('/flasher/strike', async (req, res) => {
    res.json(await flasher.strike(accountOf(req)));
  });
  return router;
}
