import { foldLedger } from '@burrow/contract';
import { parseLedger } from '@burrow/contract/formats';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { dataSource } from '../src/data-source';
import { Event, Fish, Outing } from '../src/entities';
import { migrate } from '../src/migrate';
import { FirstLedger1700000000000 } from '../src/migrations/1700000000000-first-ledger';
import { Ledger } from '../src/services/ledger';
import { rebuildProjections } from '../src/services/projection';
import { newDatabase } from './fresh-database';

const account = '0198c0de-0000-7000-8000-00000000aaaa';
/** The season as 0.15 wrote it: version 1, line by line. */
const lines = readFileSync(path.resolve('packages/core/test/fixtures/season-0.15.ndjson'), 'utf8').trim().split('\n');
const old = lines.map((line) => ({ ...JSON.parse(line), angler: account }));

/** A database as 0.15 left it: its one migration, and the season's events as rows of version 1. */
async function databaseOf015(): Promise<string> {
  const url = await newDatabase();
  const before = await new DataSource({ type: 'postgres', url, entities: [], migrations: [FirstLedger1700000000000], migrationsTransactionMode: 'each' }).initialize();
  await before.runMigrations();
  await before.destroy();
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`INSERT INTO account (id, email, name, password_hash, last_seq) VALUES ($1, 'old@test.invalid', 'Old', '-', $2)`, [account, old.length]);
  for (const [i, e] of old.entries())
    await client.query('INSERT INTO event (account_id, id, seq, outing, device, at, at_instant, kind, v, body) VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10)', [
      account,
      e.id,
      i + 1,
      e.outing,
      e.device,
      e.at,
      new Date(e.at),
      e.kind,
      e.v,
      e.body,
    ]);
  await client.query(`INSERT INTO outing (account_id, id, water, started_at, holes, line_min, bites, fish) VALUES ($1, $2, 'tamber-lake', now(), 99, 1, 1, 1)`, [
    account,
    old[0].outing,
  ]);
  await client.end();
  return url;
}

test('a database of 0.15 is migrated in place: its events stay as they came, and what they add up to is built anew', async () => {
  const db = await dataSource(await databaseOf015()).initialize();
  await migrate(db);
  const expected = foldLedger(parseLedger(lines.map((l) => JSON.stringify({ ...JSON.parse(l), angler: account })).join('\n')));
  expect(await new Ledger(db).state(account)).toEqual(expected);
  const rows = await db.getRepository(Event).findBy({ accountId: account });
  expect(new Set(rows.map((r) => r.v))).toEqual(new Set([1]));
  const outings = await db.getRepository(Outing).find({ where: { accountId: account }, order: { startedAt: 'ASC' } });
  expect(outings.map((o) => [o.id, o.method, o.stations])).toEqual(expected.outings.map((o) => [o.id, 'ice', o.stations.length]));
  expect(await db.getRepository(Fish).countBy({ accountId: account })).toBe(expected.outings.reduce((sum, o) => sum + o.fish.length, 0));
  await rebuildProjections(db);
  expect(await db.getRepository(Outing).find({ where: { accountId: account }, order: { startedAt: 'ASC' } })).toEqual(outings);
  await db.destroy();
});

test('an outbox of 0.15 is taken, and nothing twice, whichever form it is sent in', async () => {
  const db = await dataSource(await databaseOf015()).initialize();
  await migrate(db);
  const ledger = new Ledger(db);
  const sent = old.slice(0, 200);
  // The answer of the first sending was lost; then an updated app sends the same in today's form.
  for (const batch of [sent, parseLedger(sent.map((e) => JSON.stringify(e)).join('\n'))]) {
    const answer = await ledger.sync(account, { device: 'phone', cursor: 0, events: [...batch] });
    expect([answer.accepted.length, answer.rejected]).toEqual([200, []]);
  }
  const [hole] = old.filter((e) => e.kind === 'hole-drilled');
  const fresh = { ...hole, id: '0198c0de-0000-7000-8000-00000000bbbb', kind: 'note', body: { text: 'written by 0.15', hole: hole.body.hole } };
  await ledger.sync(account, { device: 'phone', cursor: 0, events: [fresh] });
  expect(await db.getRepository(Event).countBy({ accountId: account })).toBe(old.length + 1);
  const { events } = await ledger.sync(account, { device: 'other', cursor: old.length, events: [] });
  expect(events).toMatchObject([{ v: 2, body: { text: 'written by 0.15', station: hole.body.hole } }]);
  await db.destroy();
});
