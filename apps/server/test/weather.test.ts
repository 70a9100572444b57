import type { WeatherHour } from '@burrow/core/weather';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { WeatherPlace } from '../src/entities';
import { waterFile } from '@burrow/contract/formats/water-geojson';
import { checkedWater } from '../src/bodies/check';
import { Waters } from '../src/services/waters';
import { Weather } from '../src/services/weather';
import { bareAccount, newApp } from './fresh-database';

let app: Awaited<ReturnType<typeof newApp>>;
let db: DataSource;
const servers: Server[] = [];
beforeAll(async () => {
  app = await newApp();
  db = app.db;
});
afterAll(async () => {
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
  await app.close();
});
beforeEach(() => db.query('DELETE FROM "weather_place"'));

/** A weather service of the test's own. */
async function service(answer: RequestListener): Promise<string> {
  const server = createServer(answer).listen(0, '127.0.0.1');
  servers.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/v1/hourly?key=of+mine`;
}

const hour = 3_600_000;
const nowMs = Date.UTC(2026, 10, 27, 12);
const hours = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => nowMs + (from + i) * hour);
const answerOf = (times: readonly number[], airC: (ms: number) => number | null, more: object = {}) => ({
  latitude: 47.1,
  longitude: -140,
  hourly_units: { wind_speed_10m: 'm/s' },
  hourly: { time: times.map((ms) => ms / 1000), temperature_2m: times.map(airC), wind_speed_10m: times.map(() => 3) },
  ...more,
});
const place = { lon: -140, lat: 47 };
const own = async () => ({ id: await bareAccount(db), isDemo: false });
const aged = (ms: number) => db.query('UPDATE "weather_place" SET "fetched_at" = "fetched_at" - $1::interval', [`${ms} milliseconds`]);

test('is asked for place and days in the open form, kept by place in the database, and tells how far off its point lies', async () => {
  const asked: URL[] = [];
  const url = await service((req, res) => {
    asked.push(new URL(req.url!, 'http://x'));
    res.end(JSON.stringify(answerOf(hours(-24, 24), () => -8)));
  });
  const weather = await new Weather(db, url, 92, false).for(await own(), 'pond', place, nowMs, 10);
  expect(weather).toMatchObject({ station: '127.0.0.1', simulated: false, observedMs: nowMs });
  expect(weather.awayM! / 1000).toBeCloseTo(11.1, 1);
  expect(weather.series).toHaveLength(49);
  expect(weather.series[0]).toMatchObject({ airC: -8, windMs: 3, pressureHpa: null });
  // Another process over the same database, another account, a place a few hundred metres off: known.
  await new Weather(db, url, 92, false).for(await own(), 'lake', { lon: -140.001, lat: 47.001 }, nowMs, 5);
  expect(asked).toHaveLength(1);
  const query = Object.fromEntries(asked[0].searchParams);
  expect(asked[0].pathname).toBe('/v1/hourly');
  expect(query).toMatchObject({ key: 'of mine', latitude: '47.0000', longitude: '-140.0000', past_days: '10', wind_speed_unit: 'ms', timezone: 'GMT' });
  expect(query.hourly.split(',')).toEqual(expect.arrayContaining(['temperature_2m', 'pressure_msl', 'snow_depth']));
});

test('what is half an hour old is given at once and fetched anew behind it; hours that the service no longer has are kept', async () => {
  let calls = 0;
  const url = await service((_req, res) => void res.end(JSON.stringify(answerOf(calls++ === 0 ? hours(-48, 24) : hours(0, 48), () => -calls))));
  const weather = new Weather(db, url, 92, false);
  const account = await own();
  await weather.for(account, 'pond', place, nowMs);
  await aged(40 * 60_000);
  expect((await weather.for(account, 'pond', place, nowMs)).series.at(-1)!.atMs).toBe(nowMs + 24 * hour);
  for (let i = 0; i < 3000 && (await db.getRepository(WeatherPlace).findOneByOrFail({})).series.length < 97; i++) await new Promise((resolve) => setTimeout(resolve, 20));
  const { series } = await weather.for(account, 'pond', place, nowMs);
  expect(series).toHaveLength(97);
  expect([series[0].airC, series.at(-1)!.airC]).toEqual([-1, -2]);
  expect(calls).toBe(2);
});

test.each<[string, RequestListener]>([
  ['says an error', (_req, res) => res.writeHead(500).end('{}')],
  ['answers no JSON', (_req, res) => res.end('<html>')],
  ['answers without times', (_req, res) => res.end('{"latitude":47,"longitude":-140,"hourly":{}}')],
  ['answers columns of another length', (_req, res) => res.end(JSON.stringify(answerOf([nowMs], () => 1, { hourly: { time: [1, 2], temperature_2m: [1] } })))],
  ['answers a flood', (_req, res) => res.end(`"${'x'.repeat(9_000_000)}"`)],
  ['sends elsewhere', (_req, res) => res.writeHead(302, { location: 'http://127.0.0.1:9/' }).end()],
  ['is slow', () => undefined],
])('a service that %s is no weather, said as such, and asked no more for a minute', async (_, answer) => {
  let calls = 0;
  const url = await service((req, res) => {
    calls++;
    answer(req, res);
  });
  const weather = new Weather(db, url, 92, false);
  const account = await own();
  for (let i = 0; i < 3; i++) await expect(weather.for(account, 'pond', place, nowMs)).rejects.toMatchObject({ status: 503, title: 'No weather' });
  expect(calls).toBe(1);
});

test('whoever asks further back while a shorter question is under way gets all that was asked for', async () => {
  const asked: number[] = [];
  const url = await service((req, res) => {
    const days = Number(new URL(req.url!, 'http://x').searchParams.get('past_days'));
    asked.push(days);
    setTimeout(() => res.end(JSON.stringify(answerOf(hours(-24 * days, 24), () => -8))), 600);
  });
  const weather = new Weather(db, url, 220, false);
  const account = await own();
  const asking = (days: number) => weather.for(account, 'pond', place, nowMs, days);
  const first = asking(10);
  // The others come while it is under way, whichever the database answers first.
  while (asked.length === 0) await new Promise((resolve) => setTimeout(resolve, 5));
  const [near, season, again] = await Promise.all([first, asking(120), asking(120)]);
  expect(asked).toEqual([10, 120]);
  expect(near.series[0].atMs).toBe(nowMs - 240 * hour);
  for (const { series } of [season, again]) expect(series[0].atMs).toBe(nowMs - 120 * 24 * hour);
});

test('a service that goes away leaves what it gave, with its age', async () => {
  let isUp = true;
  const url = await service((_req, res) => (isUp ? res.end(JSON.stringify(answerOf(hours(-48, 48), () => -8))) : res.writeHead(503).end()));
  const account = await own();
  const weather = new Weather(db, url, 92, false);
  await weather.for(account, 'pond', place, nowMs);
  isUp = false;
  await aged(10 * hour);
  const later = await weather.for(account, 'pond', place, nowMs + 10 * hour);
  expect(later.observedMs).toBe(nowMs);
  expect(later.series.length).toBeGreaterThan(90);
});

test('rows of another millennium, and air that cannot be, do not come in; places are bounded', async () => {
  const url = await service((_req, res) => void res.end(JSON.stringify(answerOf([nowMs - hour, nowMs, Date.UTC(9999, 0)], (ms) => (ms === nowMs ? 900 : 1)))));
  const weather = new Weather(db, url, 92, false);
  const { series } = await weather.for(await own(), 'pond', place, nowMs);
  expect(series.map((r) => r.airC)).toEqual([1, null]);
  await db.query(`INSERT INTO "weather_place" SELECT 'p' || n, 0, 0, 'x', false, now(), 1, now() - n * interval '1 hour', '[]' FROM generate_series(1, 700) n`);
  await weather.for(await own(), 'pond', { lon: -120, lat: 40 }, nowMs);
  expect(await db.getRepository(WeatherPlace).count()).toBe(500);
});

test('a simulated service serves the demo’s account alone, and none at all is no weather yet', async () => {
  const url = await service((_req, res) => void res.end(JSON.stringify(answerOf(hours(-24, 24), () => -8, { simulated: true, service: 'Stand-in' }))));
  const none = { status: 404, title: 'No weather yet' };
  for (const demo of [false, true]) await expect(new Weather(db, url, 92, demo).for(await own(), 'pond', place, nowMs)).rejects.toMatchObject(none);
  expect(await new Weather(db, url, 92, true).for({ ...(await own()), isDemo: true }, 'pond', place, nowMs)).toMatchObject({ station: 'Stand-in', simulated: true });
  await expect(new Weather(db, null, 92, false).for(await own(), 'pond', place, nowMs)).rejects.toMatchObject(none);
});

describe('weather that an angler brings', () => {
  const row = (h: number, airC: number): WeatherHour => ({
    atMs: nowMs + h * hour,
    airC,
    pressureHpa: 1010,
    windMs: null,
    windFromDeg: null,
    cloud: null,
    precipMm: null,
    snowCm: null,
  });
  const water = {
    type: 'FeatureCollection',
    water: { name: 'Pond', kind: 'lake', timezone: 'UTC', elevation_m: 0, secchi_m: 2 },
    features: [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: [[[0, 50], [0.01, 50], [0.01, 50.01], [0, 50]]] }, properties: { role: 'outline' } }], // prettier-ignore
  };

  test('is weather where there is no service, hour for hour the latest, for its water and account alone, until it is forgotten', async () => {
    const bare = await newApp({ nowMs, weatherUrl: null });
    const [ada, bo] = [request.agent(bare.app), request.agent(bare.app)];
    for (const [agent, name] of [
      [ada, 'ada'],
      [bo, 'bo'],
    ] as const) {
      await agent
        .post('/api/account')
        .send({ email: `${name}@test.invalid`, password: 'long enough 1', name })
        .expect(201);
      await agent.post('/api/waters').send(water).expect(201);
    }
    await ada.get('/api/waters/pond/weather').expect(404);
    await ada
      .put('/api/waters/pond/weather')
      .send({ source: 'station.csv', series: [row(-2, 1), row(-1, 2)] })
      .expect(204);
    await ada
      .put('/api/waters/pond/weather')
      .send({ source: 'garden.csv', series: [row(-1, 3), row(0, 4)] })
      .expect(204);
    const { body } = await ada.get('/api/waters/pond/weather').expect(200);
    expect(body).toMatchObject({ station: 'station.csv, garden.csv', brought: 'station.csv, garden.csv', simulated: false, observedMs: nowMs });
    expect(body.series.map((r: WeatherHour) => r.airC)).toEqual([1, 3, 4]);
    await bo.get('/api/waters/pond/weather').expect(404);
    await ada
      .put('/api/waters/pit/weather')
      .send({ source: 'a', series: [row(0, 1)] })
      .expect(404);
    const bad = await ada
      .put('/api/waters/pond/weather')
      .send({ source: 'a', series: [{ ...row(0, 1), airC: 'cold' }] })
      .expect(400);
    expect(bad.body.detail).toMatch(/series\.0\.airC/);
    await ada.delete('/api/waters/pond/weather').expect(204);
    await ada.get('/api/waters/pond/weather').expect(404);
    await bare.close();
  });

  test('takes the place of the service’s hours about it, and leaves the others', async () => {
    const url = await service((_req, res) => void res.end(JSON.stringify(answerOf(hours(-3, 3), () => -8))));
    const weather = new Weather(db, url, 92, false);
    const account = await own();
    await new Waters(db).add(account.id, checkedWater(waterFile.parse(water)));
    await weather.bring(account.id, 'pond', { source: 'by hand', series: [{ ...row(0, 5), atMs: nowMs + 20 * 60_000 }] });
    const answer = await weather.for(account, 'pond', place, nowMs);
    expect(answer.brought).toBe('by hand');
    expect(answer.series.map((r) => [(r.atMs - nowMs) / hour, r.airC])).toEqual([[-3, -8], [-2, -8], [-1, -8], [expect.closeTo(1 / 3), 5], [2, -8], [3, -8]]); // prettier-ignore
  });
});

test('an account that asks for many places gives up its own; another’s stay, and too many questions at once are refused', async () => {
  let slowMs = 20;
  const url = await service((_req, res) => void setTimeout(() => res.end(JSON.stringify(answerOf(hours(-3, 3), () => -8))), slowMs));
  const weather = new Weather(db, url, 92, false);
  const [quiet, greedy] = [await own(), await own()];
  await db.query('DELETE FROM weather_place');
  await weather.for(quiet, 'pond', { lon: 10, lat: 60 }, nowMs);
  await aged(3 * hour);
  // As if it had asked for five hundred places before.
  await db.query(
    `INSERT INTO weather_place SELECT 'filler ' || i, lat, lon, service, simulated, observed_at, past_days, now() - i * interval '1 second', series, $1::uuid
     FROM weather_place, generate_series(1, 500) i WHERE place = '60.00,10.00'`,
    [greedy.id],
  );
  for (let i = 0; i < 3; i++) await weather.for(greedy, 'lake', { lon: 20 + i, lat: 50 }, nowMs);
  const kept = await db.getRepository(WeatherPlace).find({ select: { place: true, askedBy: true } });
  expect(kept).toHaveLength(500);
  expect(kept.filter((p) => p.askedBy === quiet.id).map((p) => p.place)).toEqual(['60.00,10.00']);
  // Slow enough that all questions are under way together, on a busy machine as well.
  slowMs = 2500;
  const many = await Promise.allSettled(Array.from({ length: 12 }, (_, i) => weather.for(greedy, 'lake', { lon: 30 + i, lat: 40 }, nowMs)));
  const refused = many.filter((m) => m.status === 'rejected');
  expect(refused.length).toBe(8);
  for (const { reason } of refused as PromiseRejectedResult[]) expect(reason).toMatchObject({ status: 429 });
});

test('what is kept of a few days is no answer to a question for the season while the service is away', async () => {
  let isAway = false;
  const url = await service((_req, res) => {
    if (isAway) res.statusCode = 500;
    res.end(isAway ? '' : JSON.stringify(answerOf(hours(-3, 3), () => -8)));
  });
  const weather = new Weather(db, url, 92, false);
  const account = await own();
  const place = { lon: 71, lat: 33 };
  await weather.for(account, 'lake', place, nowMs, 10);
  isAway = true;
  await expect(weather.for(account, 'lake', place, nowMs, 90)).rejects.toMatchObject({ status: 503 });
  expect((await weather.for(account, 'lake', place, nowMs, 10)).series.length).toBeGreaterThan(0);
});
