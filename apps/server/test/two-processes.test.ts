import type { LedgerEvent } from '@burrow/core/ledger';
import { fold } from '@burrow/core/ledger';
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import pg from 'pg';
import request from 'supertest';
import { event, shortOuting } from '../../../packages/core/test/events';
import { freePort } from './free-port';
import { newApp, newDatabase } from './fresh-database';

let [server, url, port]: [ChildProcess, string, number] = [null!, '', 0];
const base = () => `http://127.0.0.1:${port}`;
/** Each request on a connection of its own, so that either process may be the one that answers. */
const agent = new http.Agent({ keepAlive: false });

beforeAll(async () => {
  [url, port] = [await newDatabase(), await freePort()];
  server = spawn(process.execPath, [path.resolve('.build/server.mjs')], {
    env: { ...process.env, PORT: String(port), DATABASE_URL: url, SESSION_SECRET: 'a secret for the tests only', PROCESSES: '2', LOG_LEVEL: 'silent' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 900; i++) {
    const isReady = await fetch(`${base()}/readyz`).then(
      (r) => r.ok,
      () => false,
    );
    if (isReady) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not start');
});
afterAll(
  () =>
    new Promise((resolve) => {
      if (server.exitCode !== null) resolve(null);
      server.once('exit', resolve);
      server.kill('SIGTERM');
    }),
);

const processes = () => readFileSync(`/proc/${server.pid}/task/${server.pid}/children`, 'utf8').trim().split(' ').map(Number);

test('two processes behind one port: phones that read while others write come to one fold, and miss nothing', async () => {
  expect(processes()).toHaveLength(2);
  const made = await request(base()).post('/api/account').agent(agent).send({ email: 'two@test.invalid', password: 'long enough 1', name: 'Two' }).expect(201);
  const cookie = made.headers['set-cookie'][0].split(';')[0];
  const { account } = made.body as { account: { id: string } };
  const { events, outing } = shortOuting(account.id);
  const all: LedgerEvent[] = [...events, ...Array.from({ length: 240 }, (_, i) => event(outing, 1000 + i, 'note', { text: `note ${i}` }, account.id))];
  const sync = async (device: string, cursor: number, batch: readonly LedgerEvent[]) =>
    (await request(base()).post('/api/ledger/sync').agent(agent).set('cookie', cookie).send({ device, cursor, events: batch }).expect(200)).body as {
      events: LedgerEvent[];
      cursor: number;
    };
  // Three phones write at once, each its own third; a fourth only reads, all the while.
  const writers = [0, 1, 2].map(async (k) => {
    const mine = all.filter((_, i) => i % 3 === k);
    for (let i = 0; i < mine.length; i += 8) await sync(`writer ${k}`, Number.MAX_SAFE_INTEGER, mine.slice(i, i + 8));
  });
  const known = new Map<string, LedgerEvent>();
  let cursor = 0;
  const read = async () => {
    const answer = await sync('reader', cursor, []);
    for (const e of answer.events) known.set(e.id, e);
    cursor = answer.cursor;
    return answer.events.length;
  };
  let isWriting = true;
  const writing = Promise.all(writers).finally(() => (isWriting = false));
  let reads = 0;
  for (; isWriting; reads++) await read();
  await writing;
  while ((await read()) > 0);
  expect(reads).toBeGreaterThan(5);
  expect(known.size).toBe(all.length);
  expect(fold([...known.values()])).toEqual(fold(all));
});

test('a process that dies is started again, and the other answers meanwhile', async () => {
  const [first] = processes();
  process.kill(first, 'SIGKILL');
  // What the dying process had taken is lost, as with any lost signal: asked once more, the other answers.
  const ask = () => request(base()).get('/readyz').agent(agent).timeout(5000);
  for (let i = 0; i < 20; i++) expect((await ask().catch(ask)).status).toBe(200);
  for (let i = 0; i < 900 && (processes().length < 2 || processes().includes(first)); i++) await new Promise((resolve) => setTimeout(resolve, 100));
  expect(processes()).toHaveLength(2);
});

test('two processes that start together over an old database migrate it once', async () => {
  const fresh = await newDatabase();
  const [one, other] = await Promise.all([newApp({ databaseUrl: fresh }), newApp({ databaseUrl: fresh })]);
  const client = new pg.Client({ connectionString: fresh });
  await client.connect();
  const { rows } = await client.query('SELECT count(*)::int AS n, count(DISTINCT name)::int AS names FROM migrations');
  await client.end();
  await Promise.all([one.close(), other.close()]);
  expect(rows[0].n).toBe(rows[0].names);
});

test('behind a proxy that says https the cookie is for https alone; without one such a header is not believed', async () => {
  for (const [proxyHops, isSecure] of [
    [1, true],
    [0, false],
  ] as const) {
    const { app, close } = await newApp({ proxyHops });
    const made = await request(app).post('/api/account').set('x-forwarded-proto', 'https').send({ email: 'p@test.invalid', password: 'long enough 1', name: 'P' }).expect(201);
    expect(/; Secure/.test(made.headers['set-cookie'][0])).toBe(isSecure);
    await close();
  }
});
