import { lineSetting } from '@burrow/contract/api';
import { bytesOf } from '@burrow/contract/formats/echo-log';
import { parseHourlyJson } from '@burrow/contract/formats/hourly-json';
import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import path from 'node:path';

const children: ChildProcess[] = [];
afterAll(() => children.forEach((child) => child.kill()));

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** Starts a built stand-in as the process of its own that it is. */
async function start(name: string, env: NodeJS.ProcessEnv = {}): Promise<string> {
  const port = await freePort();
  children.push(spawn(process.execPath, [path.resolve(`.build/${name}.mjs`)], { env: { ...process.env, ...env, PORT: String(port) }, stdio: 'inherit' }));
  const url = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 900; i++) {
    if (
      await fetch(`${url}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return url;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${name} did not start`);
}

interface Sent {
  event: string;
  id: string;
  data: Record<string, unknown>;
}

/** Reads some events of a stream, then leaves it. */
async function listen(url: string, count: number): Promise<Sent[]> {
  const leaving = new AbortController();
  const answer = await fetch(url, { signal: leaving.signal });
  expect(answer.headers.get('content-type')).toMatch(/event-stream/);
  const events: Sent[] = [];
  let text = '';
  const decoder = new TextDecoder();
  for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(chunk, { stream: true });
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      const fields = Object.fromEntries(
        text
          .slice(0, end)
          .split('\n')
          .map((l) => [l.slice(0, l.indexOf(':')), l.slice(l.indexOf(':') + 2)]),
      );
      events.push({ event: fields.event, id: fields.id, data: JSON.parse(fields.data) as Record<string, unknown> });
      text = text.slice(end + 2);
    }
    if (events.length >= count) break;
  }
  leaving.abort();
  return events.slice(0, count);
}

const post = (url: string, body: unknown) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: typeof body === 'string' ? body : JSON.stringify(body) });

describe('the simulated flasher', () => {
  let url: string;
  beforeAll(async () => {
    url = await start('flasher');
  });

  test('says that it is simulated, then sends pings in order with ids of its own epoch', async () => {
    const [header, ...pings] = await listen(`${url}/stream?unit=a&bottomM=8`, 8);
    expect(header).toMatchObject({ event: 'header', data: { simulated: true } });
    const { bins } = header.data.header as { bins: number };
    let last = -1;
    for (const ping of pings) {
      expect(ping.event).toBe('ping');
      expect(bytesOf(ping.data.a as string)).toHaveLength(bins);
      expect(ping.data.t as number).toBeGreaterThan(last);
      last = ping.data.t as number;
    }
    const epochs = new Set([header, ...pings].map((e) => e.id.split('.')[0]));
    expect(epochs.size).toBe(1);
  });

  test('takes the jig’s depth, and keeps it for who comes back to the same hole', async () => {
    await listen(`${url}/stream?unit=b&bottomM=8`, 2);
    expect((await post(`${url}/line?unit=b`, lineSetting.parse({ depthM: 3.5 }))).status).toBe(200);
    const [header] = await listen(`${url}/stream?unit=b&bottomM=8`, 1);
    expect(header.data.jigM).toBe(3.5);
    const [elsewhere] = await listen(`${url}/stream?unit=b&bottomM=5`, 1);
    expect(elsewhere.data.jigM).not.toBe(3.5);
  });

  test('units are apart, and a strike at nothing lands nothing', async () => {
    await post(`${url}/line?unit=c`, { depthM: 2 });
    const [other] = await listen(`${url}/stream?unit=d&bottomM=8`, 1);
    expect(other.data.jigM).not.toBe(2);
    expect(await (await post(`${url}/strike?unit=c`, {})).json()).toEqual({ take: null });
  });

  test('refuses what it cannot do, and goes on', async () => {
    expect((await fetch(`${url}/stream?unit=e&bottomM=900`)).status).toBe(400);
    expect((await post(`${url}/line?unit=e`, { depthM: 'deep' })).status).toBe(400);
    expect((await post(`${url}/line?unit=e`, '{"half')).status).toBe(400);
    expect((await fetch(`${url}/nowhere`)).status).toBe(404);
    expect((await fetch(`${url}/healthz`)).status).toBe(200);
  });
});

describe('the simulated weather service', () => {
  const now = Date.parse('2027-01-16T06:40-09:00');
  const [start0, start6] = [0, 6].map((h) => new Date(now + h * 3_600_000).toISOString());
  const ask = async (url: string, query: string) => parseHourlyJson(await (await fetch(`${url}/hourly?latitude=47&longitude=-140&${query}`)).json());

  test('gives the days asked for back and ahead by its own clock, hour by hour, and says that it is simulated', async () => {
    const url = await start('weather-service', { CLOCK_START: start0 });
    const weather = await ask(url, 'past_days=10&forecast_days=5');
    expect(weather).toMatchObject({ simulated: true, service: 'Upland station', lat: 47, lon: -140 });
    expect(weather.series).toHaveLength(15 * 24 + 1);
    expect(weather.series[240].atMs).toBe(Date.parse('2027-01-16T06:00-09:00'));
    for (let i = 1; i < weather.series.length; i++) expect(weather.series[i].atMs - weather.series[i - 1].atMs).toBe(3_600_000);
    for (const row of weather.series) for (const value of Object.values(row)) expect(value).not.toBeNull();
  });

  test('what was observed once stays as it was', async () => {
    const [early, late] = await Promise.all([start0, start6].map(async (CLOCK_START) => ask(await start('weather-service', { CLOCK_START }), 'past_days=2')));
    const seen = early.series.filter((r) => r.atMs <= now && r.atMs >= late.series[0].atMs);
    expect(seen.length).toBeGreaterThan(40);
    for (const row of seen) expect(late.series.find((r) => r.atMs === row.atMs)).toEqual(row);
  });

  test('refuses a place or days that are none', async () => {
    const url = await start('weather-service');
    for (const query of ['latitude=97&longitude=0', 'longitude=0', 'latitude=47&longitude=0&past_days=900', 'latitude=47&longitude=0&forecast_days=x'])
      expect((await fetch(`${url}/hourly?${query}`)).status).toBe(400);
    expect((await fetch(`${url}/other`)).status).toBe(404);
  });
});
