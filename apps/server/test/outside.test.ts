import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { FlasherFeed } from '../src/services/flasher-feed';
import { Station } from '../src/services/station';

const servers: Server[] = [];
afterAll(() =>
  servers.forEach((server) => {
    server.closeAllConnections();
    server.close();
  }),
);

/** A small outside device or service of the test's own. */
async function outside(answer: RequestListener): Promise<string> {
  const server = createServer(answer).listen(0, '127.0.0.1');
  servers.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

const demo = { isDemo: true };
const row = { atMs: 0, airC: -8, pressureHpa: 1020, windMs: 2, windFromDeg: 200, cloud: 0.4, precipMm: 0, snowCm: 5 };
const weather = { station: 'Test', simulated: true, observedMs: 0, series: [row] };

describe('the weather station', () => {
  test('is asked for the place and the time, and not again within a minute', async () => {
    const asked: string[] = [];
    const url = await outside((req, res) => {
      asked.push(req.url!);
      res.end(JSON.stringify(weather));
    });
    const station = new Station(url);
    expect(await station.for(demo, -140, 47, 1000)).toEqual(weather);
    await station.for(demo, -140.0001, 47.0001, 2000);
    await station.for(demo, -141, 47, 2000);
    expect(asked).toEqual(['/series?lat=47&lon=-140&now=1000&days=10', '/series?lat=47&lon=-141&now=2000&days=10']);
  });

  test.each([
    ['an error', (res: Parameters<RequestListener>[1]) => res.writeHead(500).end('{}')],
    ['no JSON', (res: Parameters<RequestListener>[1]) => res.end('<html>')],
  ])('with %s is no weather, said as such', async (_, reply) => {
    const url = await outside((_req, res) => void reply(res));
    await expect(new Station(url).for(demo, -140, 47, 0)).rejects.toMatchObject({ status: 503, title: 'No weather' });
  });

  test('that answers something else is not believed', async () => {
    const url = await outside((_req, res) => void res.end(JSON.stringify({ ...weather, series: [{ ...row, airC: 'cold' }] })));
    await expect(new Station(url).for(demo, -140, 47, 0)).rejects.toMatchObject({ status: 503, title: 'No weather' });
  });

  test('that is simulated serves the demo’s account alone, and none at all is no weather yet', async () => {
    const url = await outside((_req, res) => void res.end(JSON.stringify(weather)));
    await expect(new Station(url).for({ isDemo: false }, -140, 47, 0)).rejects.toMatchObject({ status: 404, title: 'No weather yet' });
    await expect(new Station(null).for(demo, -140, 47, 0)).rejects.toMatchObject({ status: 404, title: 'No weather yet' });
  });

  test('cannot bring rows of another millennium in', async () => {
    const far = { ...row, atMs: Date.UTC(9999, 0, 1) };
    const url = await outside((_req, res) => void res.end(JSON.stringify({ ...weather, simulated: false, series: [row, far] })));
    expect((await new Station(url).for({ isDemo: false }, -140, 47, 1000)).series).toEqual([row]);
  });
});

describe('the flasher', () => {
  test('streams on until the listener goes, each account its own unit', async () => {
    const seen: string[] = [];
    let left = false;
    const url = await outside((req, res) => {
      seen.push(req.url!);
      res.writeHead(200, { 'content-type': 'text/event-stream' });
      const timer = setInterval(() => res.write('data: ping\n\n'), 5);
      res.on('close', () => {
        clearInterval(timer);
        left = true;
      });
    });
    const leaving = new AbortController();
    const stream = await new FlasherFeed(url).open('account-1', 7.5, leaving.signal);
    stream.on('error', () => undefined);
    let text = '';
    for await (const chunk of stream) {
      text += String(chunk);
      if (text.length > 60) break;
    }
    leaving.abort();
    for (let i = 0; i < 100 && !left; i++) await new Promise((resolve) => setTimeout(resolve, 10));
    expect(seen).toEqual(['/stream?unit=account-1&bottomM=7.5']);
    expect(text).toContain('data: ping');
    expect(left).toBe(true);
  });

  test('is told the depth, and its refusal is not hidden', async () => {
    const bodies: string[] = [];
    const url = await outside((req, res) => {
      let body = '';
      req.on('data', (chunk) => (body += String(chunk)));
      req.on('end', () => {
        bodies.push(`${req.url} ${body}`);
        res.writeHead(req.url!.includes('deaf') ? 400 : 200, { 'content-type': 'application/json' }).end('{"take":null}');
      });
    });
    const feed = new FlasherFeed(url);
    await feed.setLine('a', { depthM: 5.5 });
    expect(await feed.strike('a')).toEqual({ take: null });
    expect(bodies).toEqual(['/line?unit=a {"depthM":5.5}', '/strike?unit=a {}']);
    await expect(feed.setLine('deaf', { depthM: 5 })).rejects.toMatchObject({ status: 503, title: 'No flasher' });
  });

  test('that is not there is said', async () => {
    await expect(new FlasherFeed('http://127.0.0.1:9').open('a', undefined, new AbortController().signal)).rejects.toMatchObject({ status: 503 });
  });
});
