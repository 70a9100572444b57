import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { FlasherFeed } from '../src/services/flasher-feed';

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
    for (let i = 0; i < 3000 && !left; i++) await new Promise((resolve) => setTimeout(resolve, 10));
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
