import type { WaterVersion, WaterWeather, WaterWinter } from '@burrow/contract/api';
import { Router, type Request } from 'express';
import { z } from 'zod';
import { smallBody } from '../bodies';
import { accept, ProblemError } from '../problem';
import type { Services } from '../services';
import { accountOf, whose } from './signed-in';

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

/** The waters of an account, each with its weather and its winter. */
export function waterRoutes({ accounts, waters, winters, weather, bodies, clockOf, demo }: Services): Router {
  const router = Router();
  const ownerOf = (req: Pick<Request, 'session'>) => whose(req, accounts, demo);
  const waterOf = async (req: Pick<Request<{ id: string }>, 'session' | 'params'>) => {
    const water = (await waters.list(accountOf(req))).find((w) => w.id === req.params.id);
    if (!water) throw new ProblemError(404, 'No such water', `expected one of your waters, found "${req.params.id}"`);
    return water;
  };
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
    const account = await ownerOf(req);
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
    const account = await ownerOf(req);
    const winter: WaterWinter = await winters.of(account, req.params.id, clockOf(account).nowMs());
    res.json(winter);
  });
  return router;
}
