import { lineSetting } from '@burrow/contract/api';
import { mostPhotoBytes } from '@burrow/contract/formats';
import { simulatedBottom } from '@burrow/core/simulator';
import { raw, Router, type Request, type RequestHandler } from 'express';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { smallBody } from '../bodies';
import { accept, ProblemError } from '../problem';
import type { Services } from '../services';
import { accountOf, whose } from './signed-in';

const photoId = z.uuid();

const bottom = z.coerce.number().min(simulatedBottom.leastM).max(simulatedBottom.mostM).optional();

/** The log, its pictures and the flasher of a signed-in angler; everything is scoped to the account of the session. */
export function anglerRoutes({ accounts, ledger, photos, flasher, bodies, demo }: Services): Router {
  const router = Router();
  /** The stand-in for a flasher is the demo's alone. */
  const mayFlash: RequestHandler = async (req, _res, next) => {
    if (demo && !(await whose(req, accounts, demo)).isDemo) throw new ProblemError(404, 'No flasher', 'This server has no flasher for you.');
    next();
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
