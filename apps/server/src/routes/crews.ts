import { crewJoining, crewOpening } from '@burrow/contract/api';
import { Router, type Response } from 'express';
import { z } from 'zod';
import { smallBody } from '../bodies';
import { accept } from '../problem';
import type { Services } from '../services';
import { accountOf, whose } from './signed-in';

const crewId = z.uuid();
/** So often a stream without news says that it lives: proxies cut what is silent, ms. */
const beatMs = 20_000;

/** Crews of a signed-in angler: opened, joined by a code, seen live, left and closed. */
export function crewRoutes({ accounts, crews, crewNews, clockOf, demo }: Services): Router {
  const router = Router();

  router.post('/crews', smallBody, async (req, res) => {
    const { outing, name } = accept(crewOpening, req.body);
    res.status(201).json(await crews.open(accountOf(req), outing, name));
  });
  router.post('/crews/join', smallBody, async (req, res) => {
    const { code, outing, name } = accept(crewJoining, req.body);
    res.json(await crews.join(accountOf(req), code, outing, name));
  });
  router.get('/crews/of/:id', async (req, res) => {
    res.json(await crews.ofOuting(accountOf(req), accept(crewId, req.params.id)));
  });
  router.get('/crews/:id', async (req, res) => {
    const account = await whose(req, accounts, demo);
    res.json(await crews.board(account.id, accept(crewId, req.params.id), clockOf(account).nowMs()));
  });
  router.get('/crews/:id/stream', async (req, res) => {
    const account = await whose(req, accounts, demo);
    const id = accept(crewId, req.params.id);
    const first = await crews.board(account.id, id, clockOf(account).nowMs());
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform', 'x-accel-buffering': 'no' });
    send(res, 'board', first);
    const show = () =>
      crews.board(account.id, id, clockOf(account).nowMs()).then(
        (board) => send(res, 'board', board),
        // Left or closed: there is nothing more to see here.
        () => res.end('event: ended\ndata: {}\n\n'),
      );
    const quiet = crewNews.listen(id, () => void show());
    const beat = setInterval(() => res.write(': here\n\n'), beatMs);
    res.on('close', () => {
      quiet();
      clearInterval(beat);
    });
  });
  router.delete('/crews/:id/me', async (req, res) => {
    await crews.leave(accountOf(req), accept(crewId, req.params.id));
    res.status(204).end();
  });
  router.delete('/crews/:id', async (req, res) => {
    await crews.close(accountOf(req), accept(crewId, req.params.id));
    res.status(204).end();
  });
  return router;
}

const send = (res: Response, event: string, data: unknown) => {
  if (!res.writableEnded) res.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
};
