import { createServer, request as httpRequest } from 'node:http';
import { connect, createServer as createTcpServer, type AddressInfo, type Socket } from 'node:net';
import { Writable } from 'node:stream';
import request from 'supertest';
import { makeLogger } from '../src/log';
import { demoEmail } from '../src/services/accounts';
import { newApp, newDatabase } from './fresh-database';

type App = Awaited<ReturnType<typeof newApp>>;
const password = 'cold enough to stand on';

async function listening(app: App): Promise<{ port: number; close: () => void }> {
  const server = createServer(app.app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { port: (server.address() as AddressInfo).port, close: () => server.close() };
}

test('the body of a stranger is not read: the answer comes before it is sent', async () => {
  const app = await newApp();
  const { port, close } = await listening(app);
  for (const path of ['/api/waters', '/api/ledger/sync']) {
    const status = await new Promise((resolve, reject) => {
      const sending = httpRequest({ port, path, method: 'POST', headers: { 'content-type': 'application/json', 'content-length': 23_000_000 } }, (res) => {
        resolve(res.statusCode);
        sending.destroy();
      });
      sending.on('error', reject);
      // A beginning, and never the rest.
      sending.write('{"type":"FeatureCollection"');
    });
    expect([path, status]).toEqual([path, 401]);
  }
  await request(app.app)
    .post('/api/account')
    .send({ email: 'a@test.invalid', password, name: 'x'.repeat(20_000) })
    .expect(413);
  close();
  await app.close();
});

test('an account sends one large file at a time', async () => {
  const app = await newApp();
  const { port, close } = await listening(app);
  const agent = request.agent(`http://127.0.0.1:${port}`);
  const made = await agent.post('/api/account').send({ email: 'b@test.invalid', password, name: 'B' });
  const cookie = String(made.headers['set-cookie']).split(';')[0];
  const large = { 'content-type': 'application/json', 'content-length': 9_000_000, cookie };
  const send = () =>
    agent
      .post('/api/waters')
      .set('content-type', 'application/json')
      .send(`{"pad":"${'x'.repeat(300_000)}"}`);
  // The second is refused once the server has begun to read the first; on a busy machine that takes longer.
  let second = await send();
  for (const waitMs of [300, 1000, 5000, 20_000]) {
    const first = httpRequest({ port, path: '/api/waters', method: 'POST', headers: large });
    first.on('error', () => undefined);
    first.write('{');
    await new Promise((resolve) => setTimeout(resolve, waitMs));
    second = await send();
    first.destroy();
    if (second.status === 429) break;
  }
  expect([second.status, second.body.title]).toEqual([429, 'One at a time']);
  close();
  await app.close();
});

test('the log of a failure holds no cookie, mail, password hash or note', async () => {
  const lines: string[] = [];
  const to = new Writable({ write: (chunk, _encoding, done) => (lines.push(String(chunk)), done()) });
  const app = await newApp({ log: makeLogger('debug', to) });
  const agent = request.agent(app.app);
  const made = await agent.post('/api/account').send({ email: 'secret.mail@test.invalid', password, name: 'Secretname' });
  const cookie = /burrow=([^;]+)/.exec(String(made.headers['set-cookie']))![1];
  // Something that no part of the program foresees.
  await app.db.query('ALTER TABLE "event" DROP COLUMN "body"; ALTER TABLE "account" DROP COLUMN "name"');
  const note = {
    id: '0198c0de-0000-7000-8000-0000000000aa',
    outing: '0198c0de-0000-7000-8000-0000000000ab',
    angler: made.body.account.id,
    device: 'd',
    at: '2027-01-16T06:40:00Z',
    kind: 'note',
    v: 1,
    body: { text: 'secret spot' },
  };
  await agent
    .post('/api/ledger/sync')
    .send({ device: 'd', cursor: 0, events: [note] })
    .expect(500);
  await agent.post('/api/account').send({ email: 'other.secret@test.invalid', password, name: 'Secretname' }).expect(500);
  const log = lines.join('');
  expect(log).toMatch(/request failed/);
  expect(log).toMatch(/"code":"42703"/);
  for (const secret of [cookie, decodeURIComponent(cookie), 'secret.mail', 'other.secret', '$argon2id', 'secret spot', 'Secretname', password]) expect(log).not.toContain(secret);
  await app.close();
});

/** A door to the database that can be shut. */
async function door(databaseUrl: string) {
  const { hostname, port } = new URL(databaseUrl);
  const sockets = new Set<Socket>();
  const server = createTcpServer((near) => {
    const far = connect(Number(port), hostname);
    for (const socket of [near, far]) {
      sockets.add(socket);
      socket.on('error', () => undefined).on('close', () => (sockets.delete(socket), near.destroy(), far.destroy()));
    }
    near.pipe(far).pipe(near);
  });
  const listen = (at: number) => new Promise<void>((resolve) => server.listen(at, '127.0.0.1', resolve));
  await listen(0);
  const at = (server.address() as AddressInfo).port;
  const shut = () => {
    for (const socket of sockets) socket.destroy();
    return new Promise((resolve) => server.close(resolve));
  };
  return { url: databaseUrl.replace(`:${port}/`, `:${at}/`), shut, open: () => listen(at) };
}

test('a database that is away is said to be, and found again when it is back', async () => {
  const way = await door(await newDatabase());
  const app = await newApp({ databaseUrl: way.url });
  app.pool.on('error', () => undefined);
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'c@test.invalid', password, name: 'C' }).expect(201);
  await way.shut();
  for (const path of ['/api/waters', '/api/session', '/readyz']) {
    const away = await agent.get(path);
    expect([path, away.status]).toEqual([path, 503]);
    expect(away.body.detail).toMatch(/nothing was changed/);
  }
  await way.open();
  await agent.get('/api/waters').expect(200);
  await app.close();
  await way.shut();
});

test('on a demo server only the demo’s own account has a scenario clock, simulated weather and a flasher', async () => {
  const nowMs = Date.UTC(2027, 0, 16, 15, 40);
  const hourly = { latitude: 47, longitude: -140, simulated: true, hourly: { time: [nowMs / 1000], temperature_2m: [-8] } };
  const outside = createServer((req, res) => {
    if (req.url!.startsWith('/hourly')) res.end(JSON.stringify(hourly));
    else res.writeHead(200, { 'content-type': 'text/event-stream' }).end('data: ping\n\n');
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => outside.once('listening', resolve));
  const url = `http://127.0.0.1:${(outside.address() as AddressInfo).port}`;
  const app = await newApp({ demo: true, nowMs, weatherUrl: `${url}/hourly`, flasherUrl: url });
  const water = {
    type: 'FeatureCollection',
    water: { name: 'Pond', kind: 'lake', timezone: 'UTC', elevation_m: 0, secchi_m: 2 },
    features: [
      {
        type: 'Feature',
        geometry: {
          type: 'Polygon',
          coordinates: [
            [
              [0, 50],
              [0.01, 50],
              [0.01, 50.01],
              [0, 50],
            ],
          ],
        },
        properties: { role: 'outline' },
      },
    ],
  };
  const own = request.agent(app.app);
  const made = await own.post('/api/account').send({ email: 'd@test.invalid', password, name: 'D' }).expect(201);
  expect(made.body.account.isDemo).toBe(false);
  expect(Math.abs(made.body.nowMs - Date.now())).toBeLessThan(60_000);
  await own.post('/api/waters').send(water).expect(201);
  expect((await own.get('/api/waters/pond/weather').expect(404)).body.title).toBe('No weather yet');
  expect((await own.get('/api/waters/pond/winter').expect(404)).body.title).toBe('No weather yet');
  for (const answer of [await own.get('/api/flasher/stream'), await own.post('/api/flasher/line').send({ depthM: 5 }), await own.post('/api/flasher/strike')]) {
    expect([answer.status, answer.body.title]).toEqual([404, 'No flasher']);
  }
  await request(app.app).post('/api/account').send({ email: demoEmail, password, name: 'Demo angler' }).expect(201);
  const demo = request.agent(app.app);
  const entered = await demo.post('/api/session/demo').expect(200);
  expect(entered.body).toMatchObject({ account: { isDemo: true }, nowMs });
  await demo.post('/api/waters').send(water).expect(201);
  expect((await demo.get('/api/waters/pond/weather').expect(200)).body).toMatchObject({ simulated: true });
  await demo.get('/api/flasher/stream').expect(200);
  outside.close();
  await app.close();
});
