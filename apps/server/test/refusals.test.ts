import type { SyncResponse } from '@burrow/contract/api';
import { foldLedger } from '@burrow/contract';
import type { LedgerEvent } from '@burrow/core/ledger';
import { seededRandom, type Random } from '@burrow/core/units';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { Event, Fish } from '../src/entities';
import { Ledger } from '../src/services/ledger';
import { bareAccount, newApp } from './fresh-database';

jest.setTimeout(300_000);

let app: Awaited<ReturnType<typeof newApp>>;
let db: DataSource;
beforeAll(async () => {
  app = await newApp();
  db = app.db;
});
afterAll(() => app.close());

const newAccount = () => bareAccount(db);

const sync = (account: string, events: readonly unknown[], cursor = 0): Promise<SyncResponse> => new Ledger(db).sync(account, { device: 'test', cursor, events: [...events] });

test('text that PostgreSQL does not keep is refused alone, with the field', async () => {
  const account = await newAccount();
  const { events, outing } = shortOuting(account);
  const bad = ['a\0b', 'half \ud800', '\udc00'].map((text, i) => event(outing, 3000 + i, 'note', { text }, account));
  const answer = await sync(account, [...events, ...bad]);
  expect(answer.accepted).toHaveLength(events.length);
  expect(answer.rejected.map((r) => r.id)).toEqual(bad.map((b) => b.id));
  for (const { reason } of answer.rejected) expect(reason).toBe('body.text: expected text of whole characters without NUL');
});

test('a fish id of another outing is refused, and both outings stay as they were', async () => {
  const account = await newAccount();
  const [one, two] = [shortOuting(account), shortOuting(account)];
  const fish = one.events.find((e) => e.kind === 'fish-landed')!;
  await sync(account, [...one.events, ...two.events]);
  const double = event(two.outing, 700, 'fish-landed', { ...fish.body, station: two.hole, line: two.line } as never, account);
  const answer = await sync(account, [double]);
  expect(answer.rejected).toEqual([{ id: double.id, reason: 'body.fish: expected an id of its own, found that of a fish of another outing' }]);
  expect(await db.getRepository(Fish).countBy({ accountId: account })).toBe(2);
});

test.each([
  ['a length that is no whole number', 'fish-landed', { lengthMm: 300.5 }, /^body\.lengthMm: /],
  ['a water that is nothing', 'outing-started', { water: null }, /^body\.water: /],
  ['a plan that is a number', 'outing-started', { plan: 5 }, /^body\.plan: /],
  ['another fish', 'fish-landed', { fish: testId() }, /^body\.fish: expected the same fish as before/],
] as const)('an amendment by %s is refused with the field', async (_, kind, body, reason) => {
  const account = await newAccount();
  const { events, outing } = shortOuting(account);
  await sync(account, events);
  const amended = event(outing, 5000, 'amended', { target: events.find((e) => e.kind === kind)!.id, body }, account);
  const answer = await sync(account, [amended]);
  expect(answer.accepted).toEqual([]);
  expect(answer.rejected[0].reason).toMatch(reason);
});

test('an amendment that is nested eight thousand deep is refused', async () => {
  const account = await newAccount();
  const { events, outing } = shortOuting(account);
  const body = JSON.parse(`${'{"a":'.repeat(8000)}1${'}'.repeat(8000)}`);
  const answer = await sync(account, [...events, event(outing, 5000, 'amended', { target: events[0].id, body }, account)]);
  expect(answer.rejected.map((r) => r.reason)).toEqual(['body.body: expected values nested at most 4 deep, found deeper']);
});

test('an amendment that comes before its entry counts when it fits, and for nothing when it does not', async () => {
  const account = await newAccount();
  const { events, outing } = shortOuting(account);
  const landed = events.find((e) => e.kind === 'fish-landed')!;
  const fits = event(outing, 5000, 'amended', { target: landed.id, body: { lengthMm: 310 } }, account);
  const misfit = event(outing, 5001, 'amended', { target: landed.id, body: { lengthMm: 'long' } }, account);
  await sync(account, [misfit, fits]);
  await sync(account, events);
  expect(await db.getRepository(Fish).findBy({ accountId: account })).toMatchObject([{ lengthMm: 310 }]);
});

test('one id for two entries: the first stands and is given to the phone that has the other', async () => {
  const account = await newAccount();
  const { events, outing } = shortOuting(account);
  await sync(account, events);
  const mine = { ...event(outing, 9000, 'note', { text: 'mine' }, account), id: events[5].id };
  const last = (await sync(account, [])).cursor;
  const answer = await sync(account, [mine], last);
  expect(answer.accepted).toEqual([]);
  expect(answer.rejected).toEqual([{ id: mine.id, reason: 'id: expected a new one, found that of another entry' }]);
  expect(answer.events).toEqual([events[5]]);
  // The same again, in whatever order its fields stand, is no other.
  const turned = { ...events[5], body: Object.fromEntries(Object.entries(events[5].body).reverse()) };
  expect((await sync(account, [turned], last)).accepted).toEqual([events[5].id]);
});

test('an id in capitals is the same id', async () => {
  const account = await newAccount();
  const { events } = shortOuting(account);
  const shouted = events.map((e) => ({ ...e, id: e.id.toUpperCase(), outing: e.outing.toUpperCase() }));
  const answer = await sync(account, shouted);
  expect(answer.accepted).toEqual(shouted.map((e) => e.id));
  expect(answer.events).toEqual([]);
  await sync(account, events);
  expect(await db.getRepository(Event).countBy({ accountId: account })).toBe(events.length);
});

test('taking back an entry of another outing is refused; one that came first counts for nothing, here and on the phone', async () => {
  const account = await newAccount();
  const [one, two] = [shortOuting(account), shortOuting(account)];
  const landed = one.events.find((e) => e.kind === 'fish-landed')!;
  const early = event(two.outing, 5000, 'undone', { target: landed.id }, account);
  await sync(account, [...two.events, early]);
  await sync(account, one.events);
  const late = event(two.outing, 5001, 'undone', { target: landed.id }, account);
  expect((await sync(account, [late])).rejected).toEqual([{ id: late.id, reason: 'outing: expected that of the entry it is about, found another' }]);
  expect(await db.getRepository(Fish).countBy({ accountId: account })).toBe(2);
  const phone = foldLedger([...one.events, ...two.events, early]);
  expect(phone.outings.map((o) => o.fish.length)).toEqual([1, 1]);
});

test('over HTTP an id that is no text, and a batch that is too large, are told apart from a server that failed', async () => {
  const agent = request.agent(app.app);
  const { body } = await agent.post('/api/account').send({ email: 'r@test.invalid', password: 'long enough 1', name: 'R' }).expect(201);
  const account = body.account.id as string;
  const { events } = shortOuting(account);
  for (const id of [{ toString: 1 }, ['a'], 7, null]) {
    const answer = await agent
      .post('/api/ledger/sync')
      .send({ device: 'a', cursor: 0, events: [{ ...events[0], id }, events[1]] })
      .expect(200);
    expect(answer.body.rejected).toEqual([{ id: '', reason: expect.stringMatching(/^id: /) }]);
  }
  const pad = 'x'.repeat(5 * 1024 * 1024);
  const large = await agent
    .post('/api/ledger/sync')
    .send({ device: 'a', cursor: 0, events: [{ pad }] })
    .expect(413);
  expect(large.body.title).toBe('Too large');
});

/** Ways in which an event of somebody else's making may be wrong. */
const faults: readonly ((honest: LedgerEvent, random: Random, others: readonly LedgerEvent[]) => unknown)[] = [
  (e) => ({ ...e, id: { toString: 1 } }),
  (e) => ({ ...e, id: 'not an id' }),
  (e) => ({ ...e, kind: 'danced' }),
  (e) => ({ ...e, at: '9999-99-99' }),
  (e) => ({ ...e, at: '0001-01-01T00:00:00Z' }),
  (e) => ({ ...e, device: 'nul\0' }),
  (e) => ({ ...e, kind: 'note', body: { text: `\ud800${e.id}` } }),
  (e) => ({ ...e, angler: 'somebody else' }),
  (e) => ({ ...e, body: null }),
  (e) => ({ ...e, v: 1.5 }),
  (e) => ({ ...e, kind: 'depth-sounded', body: { station: e.id, depthM: 'deep', source: 'line' } }),
  (e) => ({ ...e, kind: 'amended', body: { target: e.id, body: { a: { b: { c: { d: { e: 1 } } } } } } }),
  (e, _, others) => ({ ...e, id: testId(), kind: 'amended', body: { target: others.find((o) => o.kind === 'outing-started')!.id, body: { plan: 5 } } }),
  (e, _, others) => ({ ...e, id: others[0].id, kind: 'note', body: { text: 'another entry under a known id' } }),
  (e) => ({ ...e, id: testId(), outing: testId(), kind: 'undone', body: { target: e.id } }),
  () => null,
  () => 'an event',
  () => [[[[]]]],
  (_, random) => Math.floor(random() * 1e9),
  (e) => ({ ...e, body: { ...e.body, station: '\0' }, kind: 'moved' }),
];

const batches = process.env.BURROW_LONG ? 2000 : 200;
test(`of ${batches} batches with one malformed event each, the honest ones are stored, the others refused with a reason`, async () => {
  const account = await newAccount();
  const random = seededRandom(4711);
  let { events, outing } = shortOuting(account);
  let honest = 0;
  for (let batch = 0; batch < batches; batch++) {
    if (batch % faults.length === 0) {
      ({ events, outing } = shortOuting(account));
      await sync(account, events);
      honest += events.length;
    }
    const notes = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i) => event(outing, 10_000 + batch * 10 + i, 'note', { text: `n${batch}.${i}` }, account));
    const template = event(outing, 10_009 + batch * 10, 'note', { text: 'bad' }, account);
    const fault = faults[batch % faults.length](template, random, events);
    // An entry taken back under another outing is known to be wrong only once the entry itself is there.
    const sent: unknown[] = batch % faults.length === 14 ? [template, fault, ...notes] : [...notes];
    if (batch % faults.length === 14) honest++;
    else sent.splice(Math.floor(random() * (sent.length + 1)), 0, fault);
    honest += notes.length;
    const answer = await sync(account, sent, Number.MAX_SAFE_INTEGER);
    expect([batch, answer.rejected.length, answer.accepted.length]).toEqual([batch, 1, sent.length - 1]);
    expect(answer.rejected[0].reason).toMatch(/: |expected/);
  }
  expect(await db.getRepository(Event).countBy({ accountId: account })).toBe(honest);
});
