import type { SyncRequest, SyncResponse } from '@burrow/contract/api';
import type { LedgerEvent } from '@burrow/core/ledger';
import { api, ApiError, OfflineError } from '@/data/api';
import { newId } from '@/data/ids';
import { PhoneLedger } from '@/data/ledger';
import { PhoneDatabase, PhoneStore } from '@/data/store';
import { usualMethod } from '@burrow/core/methods';
import { MemoryServer } from './memory-server';

jest.mock('@/data/api', () => ({ ...jest.requireActual('@/data/api'), api: { sync: jest.fn() } }));

const sync = api.sync as jest.MockedFunction<typeof api.sync>;
let accounts = 0;
async function open(server: MemoryServer | null, account = `a${++accounts}`) {
  sync.mockImplementation(server ? server.answer : () => Promise.reject(new OfflineError()));
  const ledger = new PhoneLedger(new PhoneStore(account), account);
  await ledger.open();
  return { ledger, account };
}
const outing = () => ({ id: newId(), zone: 'Etc/GMT+9' });
const started = { water: 'w', waterName: 'W', species: ['black-crappie'], goal: 'numbers', method: usualMethod.id } as const;

test('what is written without a signal is on disk, shown, counted, and there after a restart', async () => {
  const { ledger, account } = await open(null);
  const at = outing();
  await ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  await ledger.write(at, 'note', { text: 'cold' });
  await expect(ledger.sync()).rejects.toThrow();
  expect(ledger.view.get()).toMatchObject({ unsent: 2, reached: false });
  expect(ledger.view.get().state.outings).toHaveLength(1);
  ledger.close();
  const again = await open(null, account);
  expect(again.ledger.view.get()).toMatchObject({ ready: true, unsent: 2 });
  again.ledger.close();
});

test('the outbox empties when the server answers, and nothing is sent twice', async () => {
  const { ledger } = await open(null);
  const at = outing();
  for (let i = 0; i < 3; i++) await ledger.write(at, 'note', { text: `n${i}` });
  await ledger.sync().catch(() => undefined);
  const server = new MemoryServer();
  sync.mockImplementation(server.answer);
  await ledger.sync();
  await ledger.sync();
  expect(server.events).toHaveLength(3);
  expect(ledger.view.get()).toMatchObject({ unsent: 0, reached: true });
  ledger.close();
});

test('what another phone wrote comes in', async () => {
  const server = new MemoryServer();
  const first = await open(server);
  const at = outing();
  await first.ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  await first.ledger.sync();
  first.ledger.close();
  const second = await open(server);
  await second.ledger.sync();
  expect(second.ledger.view.get().state.outings.map((o) => o.id)).toEqual([at.id]);
  second.ledger.close();
});

test('a new phone shows no log before all of it has come: half of one lacks the ends of outings', async () => {
  const server = new MemoryServer();
  const first = await open(server);
  const at = outing();
  await first.ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  await first.ledger.write(at, 'outing-ended', {});
  await first.ledger.sync();
  first.ledger.close();
  // This server gives one event at a time.
  const slow = async (request: SyncRequest): Promise<SyncResponse> => {
    const events = server.events.slice(request.cursor, request.cursor + 1);
    return { accepted: [], rejected: [], events, cursor: request.cursor + events.length, more: request.cursor + 1 < server.events.length };
  };
  sync.mockImplementation(slow);
  const ledger = new PhoneLedger(new PhoneStore('half'), 'half');
  const seen: { ready: boolean; open: number }[] = [];
  ledger.view.subscribe(() => seen.push({ ready: ledger.view.get().ready, open: ledger.view.get().state.outings.filter((o) => o.endedMs === null).length }));
  await ledger.open();
  await ledger.sync();
  expect(seen.filter((s) => s.open > 0)).toEqual([]);
  expect(ledger.view.get().ready).toBe(true);
  ledger.close();
});

test('a phone that was closed half way through its first log shows none of it, only what is written there meanwhile', async () => {
  const server = new MemoryServer();
  const first = await open(server);
  const at = outing();
  await first.ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  await first.ledger.write(at, 'outing-ended', {});
  await first.ledger.sync();
  first.ledger.close();
  // One page comes, and then the signal is gone.
  const { ledger, account } = await open(server);
  let pages = 0;
  sync.mockImplementation(async (request: SyncRequest): Promise<SyncResponse> => {
    if (++pages > 1) throw new Error('closed');
    return { accepted: [], rejected: [], events: server.events.slice(request.cursor, request.cursor + 1), cursor: request.cursor + 1, more: true };
  });
  await ledger.sync().catch(() => undefined);
  ledger.close();
  // The server takes its time now: nothing fails, and nothing comes.
  sync.mockImplementation(() => new Promise(() => undefined));
  const again = new PhoneLedger(new PhoneStore(account), account);
  await again.open();
  expect(again.view.get()).toMatchObject({ ready: false, state: { outings: [] } });
  const own = outing();
  await again.write(own, 'outing-started', { ...started, species: [...started.species] });
  expect(again.view.get().state.outings.map((o) => o.id)).toEqual([own.id]);
  again.close();
  const whole = await open(server, account);
  await whole.ledger.sync();
  const { state, ready } = whole.ledger.view.get();
  expect(ready).toBe(true);
  expect(state.outings.map((o) => [o.id, o.endedMs !== null])).toEqual([[at.id, true], [own.id, false]]); // prettier-ignore
  whole.ledger.close();
});

test('a refused event is kept and shown with its reason, and holds up nothing', async () => {
  const server = new MemoryServer();
  server.refuses.add('note');
  const { ledger } = await open(server);
  const at = outing();
  await ledger.write(at, 'note', { text: 'refused' });
  await ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  await ledger.sync();
  expect(ledger.view.get()).toMatchObject({ unsent: 0, refused: [{ refused: 'body.text: too long' }] });
  expect(server.events.map((e) => e.kind)).toEqual(['outing-started']);
  ledger.close();
});

test('a session that ended says so and loses nothing', async () => {
  const { ledger } = await open(null);
  await ledger.write(outing(), 'note', { text: 'kept' });
  sync.mockRejectedValue(new ApiError(401, 'Sign in first.'));
  await expect(ledger.sync()).rejects.toThrow('Sign in first.');
  expect(ledger.view.get()).toMatchObject({ unsent: 1, signedOut: true });
  ledger.close();
});

test('importing the same events twice adds them once', async () => {
  const { ledger } = await open(null);
  const other = await open(null);
  const at = outing();
  const events = [await other.ledger.write(at, 'outing-started', { ...started, species: [...started.species] }), await other.ledger.write(at, 'note', { text: 'x' })];
  expect(ledger.previewImport([...events, events[0]])).toEqual({ fresh: 2, known: 0, outings: 1, isForeign: true });
  expect((await ledger.importEvents([...events, events[0]], 'a.ndjson')).count).toBe(2);
  expect(ledger.previewImport(events)).toMatchObject({ fresh: 0, known: 2 });
  expect((await ledger.importEvents(events, 'a.ndjson')).count).toBe(0);
  expect(ledger.view.get().events).toHaveLength(2);
  ledger.close();
  other.ledger.close();
});

test('a ledger that was brought in can be taken out again, put back, and out after a restart', async () => {
  const { ledger, account } = await open(null);
  const other = await open(null);
  const at = outing();
  const events = [await other.ledger.write(at, 'outing-started', { ...started, species: [...started.species] }), await other.ledger.write(at, 'note', { text: 'x' })];
  const record = await ledger.importEvents(events, 'friend.ndjson');
  expect(ledger.view.get()).toMatchObject({ imports: [{ name: 'friend.ndjson', count: 2 }], state: { outings: [{ id: at.id }] } });
  const undone = await ledger.takeOut(record, 'UTC');
  expect(ledger.view.get()).toMatchObject({ imports: [], state: { outings: [] } });
  await ledger.putBack(record, undone, 'UTC');
  expect(ledger.view.get().state.outings).toHaveLength(1);
  ledger.close();
  const again = await open(null, account);
  expect(again.ledger.view.get().imports).toHaveLength(1);
  await again.ledger.takeOut(again.ledger.view.get().imports[0], 'UTC');
  expect(again.ledger.view.get().state.outings).toEqual([]);
  again.ledger.close();
  other.ledger.close();
});

test.each([413, 500, 400])('a batch that the server cannot take (%d) is halved until the entry at fault stands alone; the others go through', async (status) => {
  const { ledger } = await open(null);
  const at = outing();
  for (let i = 0; i < 9; i++) await ledger.write(at, 'note', { text: i === 5 ? 'at fault' : `n${i}` });
  await ledger.sync().catch(() => undefined);
  const server = new MemoryServer();
  const sizes: number[] = [];
  sync.mockImplementation(async (request) => {
    sizes.push(request.events.length);
    if ((request.events as LedgerEvent[]).some((e) => (e.body as { text?: string }).text === 'at fault')) throw new ApiError(status, 'expected less');
    return server.answer(request);
  });
  await ledger.sync();
  expect(server.events).toHaveLength(8);
  expect(ledger.view.get()).toMatchObject({ unsent: 0, reached: true, trouble: null, refused: [{ refused: 'expected less', event: { body: { text: 'at fault' } } }] });
  expect(Math.max(...sizes)).toBe(9);
  const asked = sizes.length;
  await ledger.sync();
  expect(sizes.slice(asked)).toEqual([0]);
  // Sent again when the angler says so.
  sync.mockImplementation(server.answer);
  await ledger.sendAgain(ledger.view.get().refused[0]);
  await ledger.sync();
  expect([server.events.length, ledger.view.get().refused.length]).toEqual([9, 0]);
  ledger.close();
});

test('a server that fails on everything is told apart from no signal, and nothing is set aside', async () => {
  const { ledger } = await open(null);
  for (let i = 0; i < 3; i++) await ledger.write(outing(), 'note', { text: `n${i}` });
  sync.mockRejectedValue(new ApiError(500, 'The server failed on this request; nothing was changed.'));
  await expect(ledger.sync()).rejects.toThrow();
  expect(ledger.view.get()).toMatchObject({ unsent: 3, refused: [], reached: true, trouble: expect.stringMatching(/server failed/) });
  sync.mockRejectedValue(new OfflineError());
  await expect(ledger.sync()).rejects.toThrow();
  expect(ledger.view.get()).toMatchObject({ reached: false, trouble: null });
  ledger.close();
});

test('where another entry stands under the same id the server’s is shown, and one’s own is kept among the refused', async () => {
  const { ledger } = await open(null);
  const at = outing();
  const mine = await ledger.write(at, 'note', { text: 'mine' });
  await ledger.sync().catch(() => undefined);
  const theirs = { ...mine, body: { text: 'theirs' } } as LedgerEvent;
  sync.mockImplementation(async ({ events }) => ({
    accepted: [],
    rejected: events.length > 0 ? [{ id: mine.id, reason: 'id: expected a new one, found that of another entry' }] : [],
    events: events.length > 0 ? [theirs] : [],
    cursor: 1,
    more: false,
  }));
  await ledger.sync();
  const view = ledger.view.get();
  expect(view.events).toEqual([theirs]);
  expect(view.refused.map((r) => r.event)).toEqual([mine]);
  expect(view.unsent).toBe(0);
  ledger.close();
});

test('ids in capitals that an older app took from a file are one with those of the server', async () => {
  const { ledger, account } = await open(null);
  const event = await ledger.write(outing(), 'note', { text: 'x' });
  ledger.close();
  const store = new PhoneDatabase(account);
  const shouted = { ...event, id: event.id.toUpperCase(), outing: event.outing.toUpperCase() } as LedgerEvent;
  const lone = { ...shouted, id: newId().toUpperCase() } as LedgerEvent;
  await store.events.bulkPut([shouted, lone].map((e) => ({ id: e.id, event: e, sent: 0 as const })));
  store.close();
  const again = await open(null, account);
  expect(
    again.ledger.view
      .get()
      .events.map((e) => e.id)
      .sort(),
  ).toEqual([event.id, lone.id.toLowerCase()].sort());
  again.ledger.close();
});

test('an outbox of an app before this form of events is read in today’s, kept, and sent once', async () => {
  const account = `a${++accounts}`;
  const store = new PhoneDatabase(account);
  const at = newId();
  const hole = newId();
  const old = (kind: string, body: object) =>
    ({ id: newId(), outing: at, angler: account, device: 'old', at: new Date().toISOString(), kind, v: 1, body }) as unknown as LedgerEvent;
  const events = [old('outing-started', { ...started }), old('hole-drilled', { hole, label: '1', at: [-140, 47] }), old('reaction', { hole, reaction: 'bite' })];
  await store.events.bulkPut(events.map((event) => ({ id: event.id, event, sent: 0 as const })));
  store.close();
  const { ledger } = await open(null, account);
  expect(ledger.view.get()).toMatchObject({
    unsent: 3,
    state: { outings: [{ method: usualMethod.id, stations: [{ id: hole, kind: 'hole' }], reactions: [{ station: hole, kind: 'bite' }] }] },
  });
  const server = new MemoryServer();
  sync.mockImplementation(server.answer);
  await ledger.sync();
  await ledger.sync();
  expect(server.events.map((e) => [e.kind, e.v])).toEqual([
    ['outing-started', 2],
    ['station-opened', 2],
    ['reaction', 2],
  ]);
  ledger.close();
});

test('ids made within one millisecond keep their order', () => {
  const ids = Array.from({ length: 500 }, newId);
  expect([...ids].sort()).toEqual(ids);
  expect(new Set(ids).size).toBe(500);
});

test('a log that comes in by pages is added up and drawn once', async () => {
  const at = outing();
  const pages = 40;
  const events = Array.from({ length: pages }, (_, i) =>
    Array.from(
      { length: 5 },
      (_, k) => ({ id: newId(), outing: at.id, angler: 'a', device: 'd', at: '2027-01-16T06:40:00.000Z', kind: 'note', v: 2, body: { text: `${i}.${k}` } }) as LedgerEvent,
    ),
  );
  const { ledger } = await open(null);
  await ledger.sync().catch(() => undefined);
  sync.mockImplementation(async ({ cursor }) => ({ accepted: [], rejected: [], events: events[cursor] ?? [], cursor: Math.min(pages, cursor + 1), more: cursor + 1 < pages }));
  const states = new Set<unknown>([ledger.view.get().state]);
  ledger.view.subscribe(() => states.add(ledger.view.get().state));
  await ledger.sync();
  expect(ledger.view.get().events).toHaveLength(5 * pages);
  expect(states.size).toBe(2);
  ledger.close();
});
