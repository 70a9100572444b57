import type { LedgerEvent } from '@burrow/core/ledger';
import request from 'supertest';
import pg from 'pg';
import { pino } from 'pino';
import { Writable } from 'node:stream';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { checkedWater } from '../src/bodies/check';
import { Event, Fish, Outing } from '../src/entities';
import { migrate } from '../src/migrate';
import { Ledger } from '../src/services/ledger';
import { projectionForm } from '../src/services/projection';
import { Waters } from '../src/services/waters';
import { bareAccount, newApp } from './fresh-database';

type App = Awaited<ReturnType<typeof newApp>>;
let app: App;
beforeAll(async () => {
  app = await newApp();
});
afterAll(() => app.close());

const manyFish = (account: string, count: number): LedgerEvent[] => {
  const { events, outing, hole, line } = shortOuting(account);
  const fish = Array.from({ length: count }, (_, i) =>
    event(outing, 700 + i / 10, 'fish-landed', { fish: testId(), station: hole, line, species: 'bluegill', lengthMm: 150 }, account),
  );
  return [...events.slice(0, -1), ...fish];
};

test('an outing of 7 300 fish is taken in', async () => {
  const account = await bareAccount(app.db);
  const ledger = new Ledger(app.db);
  const events = manyFish(account, 7300);
  // The last batch alone writes all fish at once; those before only fill the table.
  for (let from = 0; from < events.length - 500; from += 1000)
    await app.db.getRepository(Event).insert(
      events.slice(from, Math.min(from + 1000, events.length - 500)).map((e, i) => ({
        accountId: account,
        id: e.id,
        seq: String(from + i + 1),
        outing: e.outing,
        device: e.device,
        at: e.at,
        atInstant: new Date(e.at),
        kind: e.kind,
        v: 2,
        body: e.body as never,
      })),
    );
  await app.db.query('UPDATE account SET last_seq = 100000 WHERE id = $1', [account]);
  const answer = await ledger.sync(account, { device: 'd', cursor: 100_000, events: events.slice(-500) });
  expect([answer.accepted.length, answer.rejected]).toEqual([500, []]);
  expect(await app.db.getRepository(Fish).countBy({ accountId: account })).toBe(7301);
});

test('a database put back: the phone that was ahead reads from the beginning, and offers what the backup has not', async () => {
  const account = await bareAccount(app.db);
  const { events, outing } = shortOuting(account);
  const ledger = () => new Ledger(app.db);
  const first = await ledger().sync(account, { device: 'a', cursor: 0, events: events.slice(0, 6) });
  await app.db.query('CREATE TABLE event_backup AS SELECT * FROM event WHERE account_id = $1', [account]);
  const second = await ledger().sync(account, { device: 'a', cursor: first.cursor, generation: first.generation, events: events.slice(6) });
  // Back to the backup, as `restore` leaves it: older rows and another generation.
  await app.db.query('DELETE FROM event WHERE account_id = $1', [account]);
  await app.db.query('INSERT INTO event SELECT * FROM event_backup');
  await app.db.query('UPDATE account SET last_seq = $2 WHERE id = $1', [account, first.cursor]);
  await app.db.query(`UPDATE server_state SET value = gen_random_uuid()::text WHERE key = 'generation'`);
  // Another phone writes first, so that numbers alone would not show it.
  const others = Array.from({ length: 12 }, (_, i) => event(outing, 3000 + i, 'note', { text: `other ${i}` }, account));
  await ledger().sync(account, { device: 'b', cursor: 0, events: others });
  const back = await ledger().sync(account, { device: 'a', cursor: second.cursor, generation: second.generation, events: [] });
  expect(back.generation).not.toBe(second.generation);
  expect(back.events.map((e) => e.id)).toEqual([...events.slice(0, 6), ...others].map((e) => e.id));
  const offered = await ledger().sync(account, { device: 'a', cursor: back.cursor, generation: back.generation, events });
  expect(offered.accepted).toHaveLength(events.length);
  expect(await app.db.getRepository(Event).countBy({ accountId: account })).toBe(events.length + others.length);
  // A cursor that is ahead is no cursor of this ledger, whatever it calls itself.
  const ahead = await ledger().sync(account, { device: 'a', cursor: 5000, generation: back.generation, events: [] });
  expect(ahead.events).toHaveLength(events.length + others.length);
});

test('one bad outing is logged and left out, the others of every account are projected', async () => {
  const lines: string[] = [];
  const log = pino({ level: 'error' }, new Writable({ write: (chunk, _encoding, done) => (lines.push(String(chunk)), done()) }));
  const [one, two] = [await bareAccount(app.db), await bareAccount(app.db)];
  const ledger = new Ledger(app.db);
  const [good, bad] = [shortOuting(one), shortOuting(one)];
  await ledger.sync(one, { device: 'd', cursor: 0, events: [...good.events, ...bad.events] });
  await ledger.sync(two, { device: 'd', cursor: 0, events: shortOuting(two).events });
  // An entry that no checker of today would have let in.
  await app.db.query(`UPDATE event SET body = body || '{"water": null}' WHERE outing = $1 AND kind = 'outing-started'`, [bad.outing]);
  await app.db.query('DELETE FROM outing; UPDATE account SET projected = 0');
  await migrate(app.db, log);
  const outings = await app.db.getRepository(Outing).find({ select: { id: true, accountId: true } });
  expect(outings.filter((o) => o.accountId === one).map((o) => o.id)).toEqual([good.outing]);
  expect(outings.filter((o) => o.accountId === two)).toHaveLength(1);
  expect(lines.join('')).toContain(bad.outing);
  const [{ n }] = await app.db.query('SELECT count(*)::int AS n FROM account WHERE projected <> $1', [projectionForm]);
  expect(n).toBe(0);
  // What is logged to it later is kept all the same.
  const answer = await ledger.sync(one, { device: 'd', cursor: 0, events: [event(bad.outing, 9000, 'note', { text: 'kept' }, one)] });
  expect(answer.accepted).toHaveLength(1);
});

test('a database lost in the middle of a transaction is a 503, and the entry is there once when it is sent again', async () => {
  const agent = request.agent(app.app);
  const { body } = await agent.post('/api/account').send({ email: 'lost@test.invalid', password: 'cold enough to stand on', name: 'Lost' }).expect(201);
  const { events } = shortOuting(body.account.id as string);
  const killer = new pg.Client({ connectionString: app.url });
  await killer.connect();
  const [{ id: accountId }] = (await killer.query('SELECT id FROM account WHERE email = $1', ['lost@test.invalid'])).rows as { id: string }[];
  await killer.query('BEGIN');
  await killer.query('SELECT 1 FROM account WHERE id = $1 FOR UPDATE', [accountId]);
  const waiting = agent.post('/api/ledger/sync').send({ device: 'd', cursor: 0, events });
  const answer = waiting.then((res) => res);
  for (let i = 0; i < 200; i++) {
    const { rows } = await killer.query(`SELECT pid FROM pg_stat_activity WHERE datname = current_database() AND wait_event_type = 'Lock' AND pid <> pg_backend_pid()`);
    if (rows.length > 0) {
      await killer.query('SELECT pg_terminate_backend($1)', [(rows[0] as { pid: number }).pid]);
      break;
    }
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  expect([(await answer).status, (await answer).body.title]).toEqual([503, 'Not ready']);
  await killer.query('COMMIT');
  await killer.end();
  const again = await agent.post('/api/ledger/sync').send({ device: 'd', cursor: 0, events }).expect(200);
  expect(again.body.accepted).toHaveLength(events.length);
});

test('the weather of a deleted water goes with it: at once where another takes its place, else after 30 days', async () => {
  const account = await bareAccount(app.db);
  const waters = new Waters(app.db);
  const water = (name: string) =>
    checkedWater({ type: 'FeatureCollection', water: { name, kind: 'lake', at: [0, 50], timezone: 'UTC', elevation_m: 0, secchi_m: 2 }, features: [] });
  const bring = (id: string) => app.db.query(`INSERT INTO own_weather VALUES ($1, $2, 'x', now(), '[]')`, [account, id]);
  const left = async () => ((await app.db.query('SELECT water_id FROM own_weather WHERE account_id = $1 ORDER BY 1', [account])) as { water_id: string }[]).map((r) => r.water_id);
  for (const name of ['one', 'two']) {
    await waters.add(account, water(name));
    await bring(name);
    await waters.remove(account, name);
  }
  await waters.add(account, water('one'));
  expect(await left()).toEqual(['two']);
  await waters.purge(Date.now() + 29 * 86_400_000);
  expect(await left()).toEqual(['two']);
  await waters.purge(Date.now() + 31 * 86_400_000);
  expect(await left()).toEqual([]);
});

test('an account has at most 200 waters', async () => {
  const account = await bareAccount(app.db);
  await app.db.query(`INSERT INTO water (account_id, id, name, kind, lon, lat, file) SELECT $1, 'w' || i, 'W' || i, 'lake', 0, 0, '{}' FROM generate_series(1, 200) i`, [account]);
  const water = checkedWater({ type: 'FeatureCollection', water: { name: 'more', kind: 'lake', at: [0, 50], timezone: 'UTC', elevation_m: 0, secchi_m: 2 }, features: [] });
  await expect(new Waters(app.db).add(account, water)).rejects.toMatchObject({ status: 409, title: 'Too many waters' });
});

test('two outings joined add up as one, here as on the phone, whatever is logged to the other later; undone they stand apart again', async () => {
  const account = await bareAccount(app.db);
  const ledger = new Ledger(app.db);
  const [one, two] = [shortOuting(account), shortOuting(account)];
  const open = (events: readonly LedgerEvent[]) => events.filter((e) => e.kind !== 'outing-ended');
  const joined = event(two.outing, 2500, 'joined', { into: one.outing }, account);
  await ledger.sync(account, { device: 'd', cursor: 0, events: [...open(one.events), ...open(two.events)] });
  const rows = () => app.db.getRepository(Outing).findBy({ accountId: account });
  expect(await rows()).toHaveLength(2);
  await ledger.sync(account, { device: 'd', cursor: 0, events: [joined] });
  expect(await rows()).toMatchObject([{ id: one.outing, stations: 2, fish: 2 }]);
  const late = event(two.outing, 2600, 'fish-landed', { fish: testId(), station: two.hole, line: two.line, species: 'perch' }, account);
  await ledger.sync(account, { device: 'd', cursor: 0, events: [late] });
  expect(await rows()).toMatchObject([{ id: one.outing, fish: 3 }]);
  expect((await ledger.state(account)).outings.map((o) => o.fish.length)).toEqual([3]);
  await ledger.sync(account, { device: 'd', cursor: 0, events: [event(two.outing, 2700, 'undone', { target: joined.id }, account)] });
  expect((await rows()).map((r) => r.fish).sort()).toEqual([1, 2]);
});

test('a year of weather may be asked for: south of the equator the season begins in March', async () => {
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'south@test.invalid', password: 'cold enough to stand on', name: 'South' }).expect(201);
  const water = { type: 'FeatureCollection', water: { name: 'South', kind: 'lake', at: [170, -44], timezone: 'UTC', elevation_m: 300, secchi_m: 6 }, features: [] };
  await agent.post('/api/waters').send(water).expect(201);
  // The service of this test does not answer; the question itself is taken.
  expect((await agent.get('/api/waters/south/weather?days=366')).status).toBe(503);
  expect((await agent.get('/api/waters/south/weather?days=401').expect(400)).body.status).toBe(400);
});
