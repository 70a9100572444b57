import 'fake-indexeddb/auto';
import type { SyncRequest, SyncResponse } from '@burrow/contract/api';
import { foldLedger } from '@burrow/contract';
import type { EventBodies, EventKind, LedgerEvent } from '@burrow/core/ledger';
import { seededRandom, type Random } from '@burrow/core/units';
import { api, OfflineError } from '../apps/angler/src/data/api';
import { PhoneLedger } from '../apps/angler/src/data/ledger';
import { PhoneStore } from '../apps/angler/src/data/store';
import { testId } from '../packages/core/test/events';
import { Event, Outing } from '../apps/server/src/entities';
import { Ledger } from '../apps/server/src/services/ledger';
import { bareAccount, newApp } from '../apps/server/test/fresh-database';

/** The phone's clock, which each phone sets to its own before it writes: a phone with a fast one must not win for that. */
let mockNow = Date.UTC(2027, 0, 16, 15);
jest.mock('../apps/angler/src/data/clock', () => ({ nowMs: () => mockNow }));
jest.mock('../apps/angler/src/data/api', () => ({ ...jest.requireActual('../apps/angler/src/data/api'), api: { sync: jest.fn() } }));
jest.mock('../apps/angler/src/data/persistence', () => ({ askToPersist: async () => undefined }));

const send = api.sync as jest.MockedFunction<typeof api.sync>;
const histories = process.env.BURROW_LONG ? 2000 : 100;
// Only to end a run that hangs: a busy machine takes several times as long as an idle one.
jest.setTimeout(histories * 30_000);

let app: Awaited<ReturnType<typeof newApp>>;
let db: (typeof app)['db'];
beforeAll(async () => {
  app = await newApp();
  db = app.db;
});
afterAll(() => app.close());

let phones = 0;

/** The phone's own ledger over its own database, with a clock of its own. */
class Phone {
  readonly ledger: PhoneLedger;
  /** What it wrote, in the order of writing. */
  readonly wrote: LedgerEvent[] = [];
  constructor(
    account: string,
    readonly clockMs: number,
  ) {
    this.ledger = new PhoneLedger(new PhoneStore(`${account}-${++phones}`), account);
  }
  async write<K extends EventKind>(outing: string, kind: K, body: EventBodies[K], atMs: number): Promise<void> {
    mockNow = atMs + this.clockMs;
    this.wrote.push(await this.ledger.write({ id: outing, zone: 'UTC' }, kind, body));
  }
}

/** One of several, by chance. */
const one = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];

/** What the wire may do to an exchange. */
function wire(server: () => Ledger, account: string, random: Random) {
  return async (request: SyncRequest): Promise<SyncResponse> => {
    const fate = random();
    if (fate < 0.12) throw new OfflineError();
    const events = [...request.events];
    // Doubled, reordered, and joined by what no phone of ours would send.
    if (fate < 0.3) events.push(...events.slice(0, 3));
    if (fate < 0.5) events.reverse();
    if (fate < 0.6) events.push({ nonsense: true }, { ...(events[0] as object), id: 7 }, null);
    if (fate < 0.7) for (const e of events.slice(0, 2)) events.push({ ...(e as LedgerEvent), id: (e as LedgerEvent | null)?.id?.toUpperCase?.() });
    const answer = await server().sync(account, { ...request, events });
    // The answer is lost on its way, although the server has stored what it says.
    if (random() < 0.12) throw new OfflineError();
    return answer;
  };
}

/** One step of a phone's day: an entry, a correction of any entry it knows, a taking back, or the taking back of one. */
async function step(phone: Phone, outing: string, random: Random, atMs: number): Promise<void> {
  const known = phone.ledger.view.get().events;
  const target = one(random, known);
  const dice = random();
  if (target === undefined || dice < 0.4) {
    const station = testId();
    if (random() < 0.3) await phone.write(outing, 'station-opened', { station, kind: 'hole', label: `${atMs}`, at: [-140, 47] }, atMs);
    else await phone.write(outing, 'fish-landed', { fish: testId(), station, species: 'black-crappie', lengthMm: 200 + Math.floor(random() * 90) }, atMs);
  } else if (dice < 0.65) await phone.write(outing, 'undone', { target: target.id }, atMs);
  else if (dice < 0.9) {
    const fish = known.filter((e) => e.kind === 'fish-landed');
    if (fish.length > 0) await phone.write(outing, 'amended', { target: one(random, fish).id, body: { lengthMm: 300 + Math.floor(random() * 90) } }, atMs);
  }
  // Corrections that cannot stand: of another form, and of what is itself a correction.
  else if (dice < 0.95) await phone.write(outing, 'amended', { target: target.id, body: { lengthMm: 'long' } }, atMs);
  else await phone.write(outing, 'undone', { target: testId() }, atMs);
}

/**
 * The database put back to what it was, in one transaction as `restore` does it. An exchange that the phone has given up may still be at work on the
 * server: the account's row is taken first, as the server takes it, so that the two wait for each other instead of each for the other.
 */
async function putBack(account: string, kept: { rows: object[]; lastSeq: string }): Promise<void> {
  await db.transaction(async (manager) => {
    await manager.query('SELECT 1 FROM account WHERE id = $1 FOR UPDATE', [account]);
    await manager.query('DELETE FROM event WHERE account_id = $1', [account]);
    await manager.query('DELETE FROM outing WHERE account_id = $1', [account]);
    if (kept.rows.length > 0) await manager.getRepository(Event).insert(kept.rows as never);
    await manager.query('UPDATE account SET last_seq = $2 WHERE id = $1', [account, kept.lastSeq]);
    await manager.query(`UPDATE server_state SET value = gen_random_uuid()::text WHERE key = 'generation'`);
  });
}

/** An exchange that went through; one that began while the wire was bad may be under way still, and fail. */
async function reach(phone: Phone): Promise<void> {
  for (let tries = 0; tries < 5; tries++) if (await phone.ledger.sync().then(() => true, () => false)) return; // prettier-ignore
  throw new Error('expected the phone to reach the server, found no way');
}

async function history(seed: number): Promise<void> {
  const random = seededRandom(seed);
  const account = await bareAccount(db);
  let ledger = new Ledger(db);
  const day = [new Phone(account, 0), new Phone(account, (random() - 0.5) * 6 * 3_600_000)];
  send.mockRejectedValue(new OfflineError());
  for (const phone of day) await phone.ledger.open();
  const outing = testId();
  const startMs = Date.UTC(2027, 0, 16, 15);
  await day[0].write(outing, 'outing-started', { water: 'w', waterName: 'W', species: ['black-crappie'], goal: 'numbers', method: 'ice' }, startMs);
  const exchange = async (phone: Phone) => {
    send.mockImplementation(wire(() => ledger, account, random));
    await phone.ledger.sync().catch(() => undefined);
  };
  let backup: { rows: object[]; lastSeq: string } | null = null;
  for (let k = 1; k <= 14; k++) {
    const phone = one(random, day);
    for (let n = 0; n < 3; n++) await step(phone, outing, random, startMs + k * 60_000 + n * 1000);
    if (random() < 0.7) await exchange(phone);
    if (k === 6) {
      const rows = await db.getRepository(Event).find({ where: { accountId: account } });
      const [{ last_seq }] = await db.query('SELECT last_seq FROM account WHERE id = $1', [account]);
      backup = { rows, lastSeq: last_seq };
    }
    if (k === 11 && backup && random() < 0.6) {
      await putBack(account, backup);
      ledger = new Ledger(db);
    }
  }
  // A quiet evening: the wire holds, and each phone reaches the server until nothing is new.
  send.mockImplementation((request) => ledger.sync(account, request));
  for (let round = 0; round < 3; round++) for (const phone of day) await reach(phone);
  const state = await ledger.state(account);
  const written = new Set(day.flatMap((phone) => phone.wrote.map((e) => e.id)));
  for (const phone of day) {
    const view = phone.ledger.view.get();
    const refused = new Set(view.refused.map((r) => r.event.id));
    const accepted = view.events.filter((e) => !refused.has(e.id));
    // Nothing is lost: what was written is on the phones, or refused with its reason and kept.
    expect([seed, foldLedger(accepted)]).toEqual([seed, state]);
    for (const id of phone.wrote.map((e) => e.id)) expect(view.events.some((e) => e.id === id)).toBe(true);
    phone.ledger.close();
  }
  const stored = await db.getRepository(Event).find({ select: { id: true }, where: { accountId: account } });
  expect(new Set(stored.map((r) => r.id)).size).toBe(stored.length);
  for (const { id } of stored) expect(written.has(id)).toBe(true);
  // What the server sums up is what the fold says.
  const rows = await db.getRepository(Outing).findBy({ accountId: account });
  expect([seed, rows.map((r) => r.fish)]).toEqual([seed, state.outings.map((o) => o.fish.length)]);
}

test(`${histories} histories of two phones, one with a wrong clock, over a bad wire, with a backup put back in the middle, end in one fold`, async () => {
  for (let seed = 1; seed <= histories; seed++) await history(seed);
});
