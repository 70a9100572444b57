import type { SyncResponse } from '@burrow/contract/api';
import { fold, type LedgerEvent } from '@burrow/core/ledger';
import fc from 'fast-check';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { Fish, Outing } from '../src/entities';
import { Ledger } from '../src/services/ledger';
import { rebuildProjections } from '../src/services/projection';
import { bareAccount, newApp } from './fresh-database';

let app: Awaited<ReturnType<typeof newApp>>;
let db: DataSource;
beforeAll(async () => {
  app = await newApp();
  db = app.db;
});
afterAll(() => app.close());

const newAccount = () => bareAccount(db);

/** A phone: what it has, what it has not sent, how far it has read. */
class Phone {
  readonly known = new Map<string, LedgerEvent>();
  private readonly unsent = new Set<string>();
  private cursor = 0;
  constructor(
    private readonly ledger: Ledger,
    private readonly account: string,
    private readonly name: string,
  ) {}

  write(events: readonly LedgerEvent[]): void {
    for (const e of events) {
      this.known.set(e.id, e);
      this.unsent.add(e.id);
    }
  }

  /** One exchange. A cut loses the answer after the server has stored the batch. */
  async sync(order: (ids: string[]) => string[], cut: boolean): Promise<void> {
    const ids = order([...this.unsent]);
    const answer: SyncResponse = await this.ledger.sync(this.account, { device: this.name, cursor: this.cursor, events: ids.map((id) => this.known.get(id)!) });
    if (cut) return;
    for (const id of answer.accepted) this.unsent.delete(id);
    for (const e of answer.events) this.known.set(e.id, e);
    this.cursor = answer.cursor;
  }

  async settle(): Promise<void> {
    for (let i = 0; i < 12; i++) await this.sync((ids) => ids, false);
  }
}

test('two phones converge to one fold whatever is doubled, reordered or cut', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ phone: fc.nat(1), take: fc.integer({ min: 1, max: 6 }), reverse: fc.boolean(), double: fc.boolean(), cut: fc.boolean() }), {
        minLength: 4,
        maxLength: 10,
      }),
      async (steps) => {
        const account = await newAccount();
        const ledger = new Ledger(db);
        const phones = [new Phone(ledger, account, 'a'), new Phone(ledger, account, 'b')];
        const { events } = shortOuting(account);
        const more = Array.from({ length: 8 }, (_, i) => event(events[0].outing, 700 + i, 'note', { text: `note ${i}` }, account));
        const waiting = [...events, ...more];
        const all = [...waiting];
        for (const { phone, take, reverse, double, cut } of steps) {
          phones[phone].write(waiting.splice(0, take));
          await phones[phone].sync((ids) => [...(reverse ? ids.reverse() : ids).slice(0, 5), ...(double ? ids.slice(0, 5) : [])], cut);
        }
        phones[0].write(waiting);
        for (const phone of [...phones, ...phones]) await phone.settle();
        const expected = fold(all);
        for (const phone of phones) {
          expect(phone.known.size).toBe(all.length);
          expect(fold([...phone.known.values()])).toEqual(expected);
        }
        const [{ count }] = await db.query('SELECT count(*)::int AS count FROM event WHERE account_id = $1', [account]);
        expect(count).toBe(all.length);
      },
    ),
    { numRuns: 15 },
  );
});

test('concurrent syncs of one account give every event one number, without gaps for a reader', async () => {
  const account = await newAccount();
  const ledger = new Ledger(db);
  const { events } = shortOuting(account);
  const notes = Array.from({ length: 60 }, (_, i) => event(events[0].outing, 3000 + i, 'note', { text: `n${i}` }, account));
  const all = [...events, ...notes];
  const reader = { cursor: 0, seen: new Set<string>() };
  const read = async () => {
    const answer = await ledger.sync(account, { device: 'reader', cursor: reader.cursor, events: [] });
    reader.cursor = answer.cursor;
    for (const e of answer.events) reader.seen.add(e.id);
  };
  await Promise.all([...all.map((e, i) => ledger.sync(account, { device: `d${i}`, cursor: 0, events: [e, all[(i * 7) % all.length]] })), ...Array.from({ length: 20 }, read)]);
  await read();
  expect(reader.seen.size).toBe(all.length);
});

test('a bad event is refused alone, with its reason', async () => {
  const account = await newAccount();
  const { events } = shortOuting(account);
  const bad = { ...events[3], id: testId(), body: { station: events[3].id, depthM: -4, source: 'flasher' } };
  const foreign = { ...events[4], id: testId(), angler: 'somebody else' };
  const answer = await new Ledger(db).sync(account, { device: 'a', cursor: 0, events: [events[0], bad, foreign, { nonsense: true }] });
  expect(answer.accepted).toEqual([events[0].id]);
  expect(answer.rejected.map((r) => r.id)).toEqual([bad.id, '', foreign.id]);
  expect(answer.rejected[0].reason).toMatch(/body\.depthM/);
});

test('projections follow undo, and rebuilding them gives the same', async () => {
  const account = await newAccount();
  const ledger = new Ledger(db);
  const { events, outing } = shortOuting(account);
  await ledger.sync(account, { device: 'a', cursor: 0, events });
  const rows = () => Promise.all([db.getRepository(Outing).findBy({ accountId: account }), db.getRepository(Fish).findBy({ accountId: account })]);
  const [[before]] = [await rows()];
  expect(before[0]).toMatchObject({ stations: 1, fish: 1, bites: 1, lineMin: 30 });
  const landed = events.find((e) => e.kind === 'fish-landed')!;
  await ledger.sync(account, { device: 'a', cursor: 0, events: [event(outing, 2500, 'undone', { target: landed.id }, account)] });
  const after = await rows();
  expect(after[0][0]).toMatchObject({ fish: 0 });
  expect(after[1]).toEqual([]);
  await rebuildProjections(db);
  expect(await rows()).toEqual(after);
});

test('one account never sees another’s events', async () => {
  const [one, two] = [await newAccount(), await newAccount()];
  const ledger = new Ledger(db);
  const { events } = shortOuting(one);
  await ledger.sync(one, { device: 'a', cursor: 0, events });
  expect((await ledger.sync(two, { device: 'b', cursor: 0, events: [] })).events).toEqual([]);
  const { events: stolen } = shortOuting(two);
  const taken = await ledger.sync(two, { device: 'b', cursor: 0, events: [{ ...stolen[0], id: events[0].id }] });
  expect(taken.accepted).toEqual([events[0].id]);
  expect((await ledger.sync(one, { device: 'c', cursor: 0, events: [] })).events).toHaveLength(events.length);
});

test('over HTTP: no session, no ledger; too many events are refused whole', async () => {
  const agent = request.agent(app.app);
  await agent.post('/api/ledger/sync').send({ device: 'a', cursor: 0, events: [] }).expect(401);
  await agent.post('/api/account').send({ email: 'a@test.invalid', password: 'long enough 1', name: 'A' }).expect(201);
  const { body } = await agent
    .post('/api/ledger/sync')
    .send({ device: 'a', cursor: 0, events: Array(501).fill({}) })
    .expect(400);
  expect(body.detail).toMatch(/events/);
});
