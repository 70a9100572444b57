import { parseLedger } from '@burrow/contract/formats';
import type { WaterWinter } from '@burrow/contract/api';
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import request from 'supertest';
import { newApp } from './fresh-database';
import { freePort } from './free-port';

const nowMs = Date.parse('2027-01-16T06:40:00-09:00');
const password = 'cold enough to stand on';
const read = (file: string) => readFileSync(path.resolve('demo', file), 'utf8');

let app: Awaited<ReturnType<typeof newApp>>;
let station: ChildProcess;
let relay: Server;

beforeAll(async () => {
  const port = await freePort();
  station = spawn(process.execPath, [path.resolve('.build/weather-service.mjs')], {
    env: { ...process.env, PORT: String(port), CLOCK_START: new Date(nowMs).toISOString() },
    stdio: 'ignore',
  });
  const stationUrl = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 900; i++) {
    if (
      await fetch(`${stationUrl}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  // Its weather is taken for a real station's here, since accounts other than the demo's are served no simulation.
  relay = createServer((req, res) => {
    void fetch(`${stationUrl}${req.url}`).then(async (answer) => {
      res.writeHead(answer.status).end((await answer.text()).replace('"simulated":true', '"simulated":false'));
    });
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => relay.once('listening', resolve));
  app = await newApp({ weatherUrl: `http://127.0.0.1:${(relay.address() as AddressInfo).port}/hourly`, nowMs });
});
afterAll(async () => {
  relay.close();
  station.kill();
  await app.close();
});

async function angler(email: string) {
  const agent = request.agent(app.app);
  const { body } = await agent.post('/api/account').send({ email, password, name: 'Ada' }).expect(201);
  return { agent, id: body.account.id as string };
}

test('a winter is computed on a thread, corrected by the account’s own log, and belongs to it alone', async () => {
  const { agent, id } = await angler('winter@test.invalid');
  await agent
    .post('/api/waters')
    .send(JSON.parse(read('tamber-lake.geojson')))
    .expect(201);
  const plain = (await agent.get('/api/waters/tamber-lake/winter').expect(200)).body as WaterWinter;
  expect(plain.measured).toEqual([]);
  expect(plain.days.length).toBeGreaterThan(100);
  const events = parseLedger(read('season.ndjson')).map((event) => ({ ...event, angler: id }));
  for (let i = 0; i < events.length; i += 500)
    await agent
      .post('/api/ledger/sync')
      .send({ device: 'd', cursor: 0, events: events.slice(i, i + 500) })
      .expect(200);
  const fitted = (await agent.get('/api/waters/tamber-lake/winter').expect(200)).body as WaterWinter;
  expect(fitted.measured.length).toBeGreaterThan(30);
  const last = fitted.measured.at(-1)!;
  const off = (winter: WaterWinter) => {
    const day = winter.days.reduce((a, b) => (Math.abs(b.atMs - last.atMs) < Math.abs(a.atMs - last.atMs) ? b : a));
    return Math.abs(day.iceClearM + day.iceWhiteM - last.clearM - last.whiteM);
  };
  expect(off(fitted)).toBeLessThan(0.04);
  expect(off(fitted)).toBeLessThan(off(plain));
  expect(new Date(fitted.freezeUpMs!).toISOString()).toMatch(/^2026-11-2/);
  const other = await angler('other-winter@test.invalid');
  await other.agent.get('/api/waters/tamber-lake/winter').expect(404);
});

test('a water without soundings has no winter, and says what is wanting', async () => {
  const { agent } = await angler('blind@test.invalid');
  const file = JSON.parse(read('tamber-lake.geojson')) as { features: { properties: { role: string } }[] };
  await agent
    .post('/api/waters')
    .send({ ...file, features: file.features.filter((f) => f.properties.role !== 'sounding') })
    .expect(201);
  const { body } = await agent.get('/api/waters/tamber-lake/winter').expect(422);
  expect(body.detail).toMatch(/at least 3 soundings/);
});

test('weather may be asked for a winter back, no further', async () => {
  const { agent } = await angler('far@test.invalid');
  await agent
    .post('/api/waters')
    .send(JSON.parse(read('tamber-lake.geojson')))
    .expect(201);
  const { body } = await agent.get('/api/waters/tamber-lake/weather?days=119').expect(200);
  expect(body.series.length).toBe(119 * 24 + 120 + 1);
  const bad = await agent.get('/api/waters/tamber-lake/weather?days=4000').expect(400);
  expect(bad.body.detail).toMatch(/400/);
});
