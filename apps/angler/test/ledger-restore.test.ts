import type { LedgerEvent } from '@burrow/core/ledger';
import { api, OfflineError } from '@/data/api';
import { newId } from '@/data/ids';
import { PhoneLedger } from '@/data/ledger';
import { PhoneStore } from '@/data/store';
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

test('a phone whose clock is an hour fast does not win every correction', async () => {
  const server = new MemoryServer();
  const first = await open(server);
  const at = outing();
  await first.ledger.write(at, 'outing-started', { ...started, species: [...started.species] });
  const note = await first.ledger.write(at, 'note', { text: 'as written' });
  const clock = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 3_600_000);
  await first.ledger.write(at, 'amended', { target: note.id, body: { text: 'by the fast clock' } });
  clock.mockRestore();
  await first.ledger.sync();
  first.ledger.close();
  const second = await open(server);
  await second.ledger.sync();
  const after = await second.ledger.write(at, 'amended', { target: note.id, body: { text: 'by the right clock, later' } });
  expect(second.ledger.view.get().state.outings[0].entries.at(-1)!.text).toBe('by the right clock, later');
  const undo = await second.ledger.write(at, 'undone', { target: after.id });
  expect(second.ledger.view.get().state.outings[0].entries.at(-1)!.text).toBe('by the fast clock');
  await second.ledger.write(at, 'undone', { target: undo.id });
  expect(second.ledger.view.get().state.outings[0].entries.at(-1)!.text).toBe('by the right clock, later');
  second.ledger.close();
});

test('a correction is written to the outing of its entry, also where that was joined into another', async () => {
  const { ledger } = await open(null);
  const [one, two] = [outing(), outing()];
  for (const each of [one, two]) await ledger.write(each, 'outing-started', { ...started, species: [...started.species] });
  const note = await ledger.write(two, 'note', { text: 'x' });
  await ledger.write(two, 'joined', { into: one.id });
  expect((await ledger.write(one, 'undone', { target: note.id })).outing).toBe(two.id);
  ledger.close();
});

test('a server that was put back from a backup is offered everything, and read from the beginning', async () => {
  const server = new MemoryServer();
  const { ledger } = await open(server);
  sync.mockImplementation(async (request) => ({ ...(await server.answer(request)), generation: 'one' }));
  const at = outing();
  for (let i = 0; i < 5; i++) await ledger.write(at, 'note', { text: `n${i}` });
  await ledger.sync();
  expect(server.events).toHaveLength(5);
  const restored = new MemoryServer();
  const others = Array.from({ length: 9 }, (_, i) => ({ ...server.events[0], id: newId(), body: { text: `other ${i}` } }) as LedgerEvent);
  restored.events.push(...server.events.slice(0, 2), ...others);
  sync.mockImplementation(async (request) => ({ ...(await restored.answer({ ...request, cursor: request.generation === 'two' ? request.cursor : 0 })), generation: 'two' }));
  await ledger.sync();
  expect(restored.events).toHaveLength(14);
  expect(ledger.view.get()).toMatchObject({ unsent: 0 });
  expect(ledger.view.get().events).toHaveLength(14);
  ledger.close();
});

test('a log that cannot be read is not taken for an empty one: the server is asked for all of it, and what the disk held comes in later', async () => {
  const server = new MemoryServer();
  const first = await open(server);
  const at = outing();
  await first.ledger.write(at, 'note', { text: 'sent' });
  await first.ledger.sync();
  sync.mockRejectedValue(new OfflineError());
  await first.ledger.write(at, 'note', { text: 'not sent' });
  first.ledger.close();
  const store = new PhoneStore(first.account);
  const asked: number[] = [];
  sync.mockImplementation((request) => (asked.push(request.cursor), server.answer(request)));
  const broken = jest.spyOn(Object.getPrototypeOf((store as unknown as { db: { events: object } }).db.events), 'toArray').mockRejectedValueOnce(new Error('damaged'));
  const ledger = new PhoneLedger(store, first.account);
  await ledger.open();
  expect(store.health.get()).toBe('refused');
  await ledger.sync();
  expect(asked[0]).toBe(0);
  expect(ledger.view.get().events).toHaveLength(1);
  broken.mockRestore();
  for (let i = 0; i < 100 && ledger.view.get().events.length < 2; i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(ledger.view.get().events).toHaveLength(2);
  // Told once the writing that waited has gone through as well.
  for (let i = 0; i < 100 && store.health.get() !== 'again'; i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(store.health.get()).toBe('again');
  ledger.close();
});
