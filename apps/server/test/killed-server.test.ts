import type { LedgerEvent } from '@burrow/core/ledger';
import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import pg from 'pg';
import { freePort } from './free-port';
import { event, shortOuting } from '../../../packages/core/test/events';
import { newDatabase } from './fresh-database';

/** The built server as a process of its own, over a database. */
async function start(databaseUrl: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [path.resolve('.build/server.mjs')], {
    env: {
      ...process.env,
      PORT: String(port),
      DATABASE_URL: databaseUrl,
      FLASHER_URL: 'http://127.0.0.1:9',
      WEATHER_URL: 'http://127.0.0.1:9',
      SESSION_SECRET: 'a secret for the tests only',
      LOG_LEVEL: 'silent',
    },
    stdio: 'ignore',
  });
  for (let i = 0; i < 900; i++) {
    if (
      await fetch(`http://127.0.0.1:${port}/readyz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not start');
}

const kill = (child: ChildProcess) =>
  new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill('SIGKILL');
  });

test('a server killed hard between and during batches loses and doubles nothing', async () => {
  const url = await newDatabase();
  const port = await freePort();
  const base = `http://127.0.0.1:${port}/api`;
  let server = await start(url, port);
  const headers = { 'content-type': 'application/json', cookie: '' };
  const made = await fetch(`${base}/account`, { method: 'POST', headers, body: JSON.stringify({ email: 'k@test.invalid', password: 'long enough 1', name: 'K' }) });
  headers.cookie = made.headers.get('set-cookie')!.split(';')[0];
  const { account } = (await made.json()) as { account: { id: string } };

  const { events, outing } = shortOuting(account.id);
  const all: LedgerEvent[] = [...events, ...Array.from({ length: 400 }, (_, i) => event(outing, 1000 + i, 'note', { text: `note ${i}` }, account.id))];
  const unsent = new Map(all.map((e) => [e.id, e]));
  let kills = 0;
  for (let round = 0; unsent.size > 0; round++) {
    const batch = [...unsent.values()].slice(0, 60);
    const sending = fetch(`${base}/ledger/sync`, { method: 'POST', headers, body: JSON.stringify({ device: 'k', cursor: 0, events: batch }) })
      .then((r) => r.json() as Promise<{ accepted: string[] }>)
      .catch(() => null);
    if (round % 2 === 1 && kills < 5) {
      // Sometimes while the batch is on its way, sometimes after it has been stored but before it is believed.
      await new Promise((resolve) => setTimeout(resolve, kills * 15));
      await kill(server);
      kills++;
      await sending;
      server = await start(url, port);
      continue;
    }
    for (const id of (await sending)?.accepted ?? []) unsent.delete(id);
  }
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query('SELECT count(*)::int AS events, count(DISTINCT seq)::int AS numbers FROM event');
  const fish = await client.query('SELECT count(*)::int AS fish FROM fish');
  await client.end();
  await kill(server);
  expect(kills).toBe(5);
  expect(rows[0]).toEqual({ events: all.length, numbers: all.length });
  expect(fish.rows[0].fish).toBe(1);
});
