import type { CrewBoardAnswer } from '@burrow/contract/api';
import { crewBoard } from '@burrow/contract/api';
import type { LedgerEvent } from '@burrow/core/ledger';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { newApp } from './fresh-database';

type App = Awaited<ReturnType<typeof newApp>>;

let [one, two]: App[] = [];
let servers: http.Server[] = [];
/** Two servers over one database. */
beforeAll(async () => {
  one = await newApp();
  two = await newApp({ databaseUrl: one.url });
  servers = [one, two].map(({ app }) => app.listen(0, '127.0.0.1'));
  for (const server of servers) if (!server.listening) await new Promise((done) => server.once('listening', done));
});
afterAll(async () => {
  for (const server of servers) {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  }
  await two.close();
  await one.close();
});

const base = (k: number) => `http://127.0.0.1:${(servers[k].address() as AddressInfo).port}`;

/** An angler with an outing under way, signed in at one of the servers. */
async function angler(k: number, name: string) {
  const made = await request(base(k))
    .post('/api/account')
    .send({ email: `${testId()}@test.invalid`, password: 'cold enough to stand on', name })
    .expect(201);
  const cookie = made.headers['set-cookie'][0].split(';')[0];
  const { id } = made.body.account as { id: string };
  const { events, outing } = shortOuting(id);
  const call = (method: 'get' | 'post' | 'delete', path: string, server = k) => request(base(server))[method](`/api${path}`).set('cookie', cookie);
  const sync = (batch: readonly LedgerEvent[], server = k) => call('post', '/ledger/sync', server).send({ device: name, cursor: 0, events: batch }).expect(200);
  const underWay = events.filter((e) => e.kind !== 'outing-ended');
  await sync(underWay);
  const line = underWay.find((e) => e.kind === 'line-down')!;
  let minute = 500;
  const bite = () =>
    event(outing, 60 * ++minute, 'reaction', { station: (line.body as { station: string }).station, line: (line.body as { line: string }).line, reaction: 'bite' }, id);
  return { id, outing, cookie, call, sync, bite, end: () => event(outing, 60 * 900, 'outing-ended', {}, id) };
}

/** The boards that a stream shows, as they come. */
function watched(k: number, cookie: string, id: string) {
  const boards: CrewBoardAnswer[] = [];
  let isEnded = false;
  const req = http.get(`${base(k)}/api/crews/${id}/stream`, { headers: { cookie } }, (res) => {
    let text = '';
    res.setEncoding('utf8').on('data', (part: string) => {
      text += part;
      for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
        const [head, data] = text.slice(0, at).split('\ndata: ');
        text = text.slice(at + 2);
        if (head === 'event: ended') isEnded = true;
        if (head === 'event: board') boards.push(crewBoard.parse(JSON.parse(data)));
      }
    });
  });
  const until = async (holds: () => boolean) => {
    for (let i = 0; i < 400 && !holds(); i++) await new Promise((done) => setTimeout(done, 25));
    expect(holds()).toBe(true);
  };
  return {
    boards,
    ended: () => until(() => isEnded),
    shows: (holds: (board: CrewBoardAnswer) => boolean) => until(() => boards.length > 0 && holds(boards[boards.length - 1])),
    close: () => req.destroy(),
  };
}

const bitesOf = (board: CrewBoardAnswer, name: string) => board.rows.find((r) => r.name === name)?.bites.length ?? -1;

test('a crew of three on two accounts and two servers: what one logs is on the boards of all, also what was logged without a signal', async () => {
  const [oda, brek] = [await angler(0, 'Oda'), await angler(1, 'Brek')];
  const { body: crew } = await oda.call('post', '/crews').send({ outing: oda.outing, name: 'Oda' }).expect(201);
  expect(crew.code).toMatch(/^[A-Z2-9]{6}$/);
  // Asked for again, also by another phone of the same account, it is the same crew.
  expect((await oda.call('post', '/crews', 1).send({ outing: oda.outing, name: 'Oda' })).body).toEqual(crew);
  expect((await oda.call('get', `/crews/of/${oda.outing}`)).body).toEqual({ id: crew.id, isYours: true, code: crew.code });
  const typed = `${crew.code.slice(0, 3).toLowerCase()} ${crew.code.slice(3)}`;
  expect((await brek.call('post', '/crews/join').send({ code: typed, outing: brek.outing, name: 'Brek' }).expect(200)).body).toEqual({ id: crew.id, isYours: false, code: null });
  const phones = [watched(0, oda.cookie, crew.id), watched(1, oda.cookie, crew.id), watched(1, brek.cookie, crew.id)];
  for (const phone of phones) await phone.shows((b) => b.rows.length === 2);
  const before = phones.map((p) => bitesOf(p.boards.at(-1)!, 'Brek'));
  await brek.sync([brek.bite()]);
  for (const [k, phone] of phones.entries()) await phone.shows((b) => bitesOf(b, 'Brek') === before[k] + 1);
  // Without a signal a phone keeps what it logs; once it has one again all converge.
  const kept = [brek.bite(), brek.bite(), brek.bite()];
  await oda.sync([oda.bite()], 1);
  await brek.sync(kept);
  for (const [k, phone] of phones.entries()) await phone.shows((b) => bitesOf(b, 'Brek') === before[k] + 4);
  const last = phones.map((p) => p.boards.at(-1)!.rows.map(({ isYou: _, silentMin: __, ...row }) => row));
  expect(last[1]).toEqual(last[0]);
  expect(last[2]).toEqual(last[0]);
  // Who leaves sees nothing any more, and is not seen.
  await brek.call('delete', `/crews/${crew.id}/me`).expect(204);
  await phones[2].ended();
  await phones[0].shows((b) => b.rows.length === 1);
  await brek.call('get', `/crews/${crew.id}`).expect(404);
  await brek.call('delete', `/crews/${crew.id}`).expect(404);
  // Who opened it ends it for all.
  await oda.call('delete', `/crews/${crew.id}`).expect(204);
  for (const phone of phones.slice(0, 2)) await phone.ended();
  await brek.call('post', '/crews/join').send({ code: crew.code, outing: brek.outing, name: 'Brek' }).expect(404);
  for (const phone of phones) phone.close();
}, 60_000);

test('a stranger with a wrong code is told nothing, and slowed', async () => {
  const [oda, stranger] = [await angler(0, 'Oda'), await angler(1, 'Stranger')];
  const { body: crew } = await oda.call('post', '/crews').send({ outing: oda.outing, name: 'Oda' }).expect(201);
  await stranger.call('get', `/crews/${crew.id}`).expect(404);
  await stranger.call('get', `/crews/${crew.id}/stream`).expect(404);
  expect((await stranger.call('get', `/crews/of/${oda.outing}`).expect(200)).body).toBeNull();
  await stranger.call('delete', `/crews/${crew.id}`).expect(404);
  const wrong = (code: string) => stranger.call('post', '/crews/join').send({ code, outing: stranger.outing, name: 'Stranger' });
  const answers = [];
  for (let i = 0; i < 10; i++) answers.push((await wrong(`AAAA${22 + i}`).expect(404)).body);
  expect(new Set(answers.map((a) => JSON.stringify(a))).size).toBe(1);
  // Ten tries a minute, counted over both servers: the right code comes too late.
  const late = await stranger.call('post', '/crews/join', 0).send({ code: crew.code, outing: stranger.outing, name: 'Stranger' }).expect(429);
  expect(late.body.detail).toMatch(/10 tries a minute/);
  expect((await wrong('').expect(400)).body.detail).toMatch(/^code: /);
});

test('a code is good until the outing of who opened the crew has ended', async () => {
  const [oda, brek] = [await angler(0, 'Oda'), await angler(0, 'Brek')];
  const { body: crew } = await oda.call('post', '/crews').send({ outing: oda.outing, name: 'Oda' }).expect(201);
  await oda.sync([oda.end()]);
  await brek.call('post', '/crews/join').send({ code: crew.code, outing: brek.outing, name: 'Brek' }).expect(404);
  // The board stands for those who were in it.
  expect((await oda.call('get', `/crews/${crew.id}`).expect(200)).body.rows).toHaveLength(1);
});

test('another outing of a member is not shared', async () => {
  const [oda, brek] = [await angler(0, 'Oda'), await angler(0, 'Brek')];
  const { body: crew } = await oda.call('post', '/crews').send({ outing: oda.outing, name: 'Oda' }).expect(201);
  await brek.call('post', '/crews/join').send({ code: crew.code, outing: brek.outing, name: 'Brek' }).expect(200);
  const { events } = shortOuting(brek.id);
  const before = (await oda.call('get', `/crews/${crew.id}`)).body as CrewBoardAnswer;
  await brek.sync(events);
  const after = (await oda.call('get', `/crews/${crew.id}`)).body as CrewBoardAnswer;
  expect(after.rows.map((r) => [r.name, r.fish, r.bites.length])).toEqual(before.rows.map((r) => [r.name, r.fish, r.bites.length]));
});
