import type { Session } from '@burrow/contract/api';
import { strToU8, zipSync } from 'fflate';
import { createServer, type AddressInfo } from 'node:net';
import request from 'supertest';
import { smallJpeg } from '../../../packages/contract/test/pictures';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { Accounts } from '../src/services/accounts';
import { Ledger } from '../src/services/ledger';
import { newApp } from './fresh-database';

type App = Awaited<ReturnType<typeof newApp>>;
let app: App;
beforeAll(async () => {
  // Each angler comes from an address of their own: what is limited by address is limited for one.
  app = await newApp({ proxyHops: 1 });
});
afterAll(() => app.close());

const password = 'cold enough to stand on';
const next = 'warm enough to swim in';
let made = 0;

/** A new account that is signed in. */
async function angler(of: App = app) {
  const agent = request.agent(of.app).set('x-forwarded-for', `192.0.2.${made + 1}`);
  const email = `angler${++made}@test.invalid`;
  const { body } = await agent
    .post('/api/account')
    .send({ email, password, name: `Angler ${made}` })
    .expect(201);
  return { agent, email, id: (body as Session).account!.id };
}

const pond = {
  type: 'FeatureCollection',
  water: { name: 'Pond', kind: 'lake', timezone: 'UTC', elevation_m: 0, secchi_m: 2 },
  features: [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: [[[0, 50], [0.01, 50], [0.01, 50.01], [0, 50]]] }, properties: { role: 'outline' } }], // prettier-ignore
};
const hour = { airC: -3, pressureHpa: 1010, windMs: 2, windFromDeg: 300, cloud: 0.5, precipMm: 0, snowCm: null };
const brought = { source: 'by hand', series: Array.from({ length: 30 }, (_, i) => ({ ...hour, atMs: Date.UTC(2027, 0, 16, i) })) };

describe('passwords', () => {
  test.each([
    ['a common one', 'password123'],
    ['a run of keys', 'qwertyuiop12'],
    ['a repeat', 'aaaaaaaaaaaaa'],
    ['one’s own address', 'rosalinda.frost1'],
    ['one’s own name', 'Rosalinda!!'],
  ])('%s is refused with what was expected', async (_, bad) => {
    const { body } = await request(app.app).post('/api/account').send({ email: 'rosalinda.frost@test.invalid', password: bad, name: 'Rosalinda' }).expect(400);
    expect(body.detail).toMatch(/^password: expected one that is hard to guess/);
  });

  test('changing it wants the one of now, and ends every other session', async () => {
    const { agent, email } = await angler();
    const other = request.agent(app.app);
    await other.post('/api/session').send({ email, password }).expect(200);
    expect((await agent.put('/api/account/password').send({ current: 'wrong one here', next }).expect(403)).body.title).toBe('Wrong password');
    await agent.put('/api/account/password').send({ current: password, next: 'password123' }).expect(400);
    await agent.put('/api/account/password').send({ current: password, next }).expect(204);
    await agent.get('/api/waters').expect(200);
    await other.get('/api/waters').expect(401);
    await request(app.app).post('/api/session').send({ email, password }).expect(401);
    await request(app.app).post('/api/session').send({ email, password: next }).expect(200);
  });

  test('a code that the server’s owner prints sets a new one, once, and no wrong code does', async () => {
    const { agent, email } = await angler();
    const code = (await new Accounts(app.db).resetCode(email.toUpperCase()))!;
    const reset = (body: object) =>
      request(app.app)
        .post('/api/account/reset')
        .send({ email, password: next, ...body });
    await reset({ code: 'AAAA-BBBB-CCCC' }).expect(401);
    const loosely = code.toLowerCase().replaceAll('-', ' ');
    expect((await reset({ code: loosely }).expect(200)).body.account.name).toMatch(/^Angler/);
    await reset({ code }).expect(401);
    await agent.get('/api/waters').expect(401);
    await request(app.app).post('/api/session').send({ email, password: next }).expect(200);
  });

  test('a code is dead after an hour and after five wrong tries', async () => {
    const { email } = await angler();
    const accounts = new Accounts(app.db);
    const old = (await accounts.resetCode(email))!;
    await app.db.query(`UPDATE reset_code SET expires_at = now() - interval '1 second'`);
    await expect(accounts.reset(email, old, next)).rejects.toMatchObject({ status: 401 });
    const code = (await accounts.resetCode(email))!;
    for (let i = 0; i < 5; i++) await expect(accounts.reset(email, 'AAAA-BBBB-CCCC', next)).rejects.toMatchObject({ status: 401 });
    await expect(accounts.reset(email, code, next)).rejects.toMatchObject({ status: 401 });
  });

  test('where mail is configured a code comes by it, and an address without an account is answered alike', async () => {
    const mails: string[] = [];
    const smtp = createServer((socket) => {
      let [text, isData] = ['', false];
      socket.write('220 test\r\n');
      socket.on('data', (chunk) => {
        for (const line of chunk.toString().split('\r\n').filter(Boolean)) {
          if (isData) {
            text += `${line}\n`;
            if (line === '.') [isData] = [false, mails.push(text), socket.write('250 ok\r\n')];
          } else if (line === 'DATA') [isData] = [true, socket.write('354 go on\r\n')];
          else if (line === 'QUIT') socket.end('221 bye\r\n');
          else socket.write('250 ok\r\n');
        }
      });
    }).listen(0, '127.0.0.1');
    await new Promise((resolve) => smtp.once('listening', resolve));
    const mailing = await newApp({ mailUrl: `smtp://127.0.0.1:${(smtp.address() as AddressInfo).port}` });
    const { email } = await angler(mailing);
    for (const address of [email, 'nobody@test.invalid']) await request(mailing.app).post('/api/account/reset-request').send({ email: address }).expect(202, { mailed: true });
    for (let i = 0; i < 200 && mails.length === 0; i++) await new Promise((resolve) => setTimeout(resolve, 25));
    expect(mails).toHaveLength(1);
    const [, code] = /Your code: (\S+)/.exec(mails[0])!;
    await request(mailing.app).post('/api/account/reset').send({ email, code, password: next }).expect(200);
    await mailing.close();
    smtp.close();
    await request(app.app).post('/api/account/reset-request').send({ email }).expect(202, { mailed: false });
  });

  test('guesses are counted by account, from whatever address, and say how long to wait', async () => {
    const { email } = await angler();
    for (let i = 0; i < 10; i++)
      await request(app.app)
        .post('/api/session')
        .send({ email, password: `guess number ${i}` })
        .expect(401);
    const shut = await request(app.app).post('/api/session').send({ email, password }).expect(429);
    expect(shut.body.detail).toMatch(/at most 10 wrong tries in 15 minutes, found more; wait 15 min/);
    expect(shut.headers['content-type']).toMatch(/problem\+json/);
    await request(app.app).post('/api/session').send({ email: 'somebody.else@test.invalid', password }).expect(401);
  });
});

describe('making an account', () => {
  test('an address that has one is refused in words that do not say so', async () => {
    const { email } = await angler();
    const { body } = await request(app.app).post('/api/account').send({ email, password: next, name: 'X' }).expect(409);
    expect(body.detail).not.toMatch(/has one|exists|found/);
    const wrong = [email, 'nobody@test.invalid'].map((address) => request(app.app).post('/api/session').send({ email: address, password: next }).expect(401));
    const [known, unknown] = (await Promise.all(wrong)).map((answer) => answer.body as object);
    expect(known).toEqual(unknown);
  });

  test('closed: none; by invitation: one for each code', async () => {
    const fields = (n: number) => ({ email: `new${n}@test.invalid`, password, name: 'New' });
    const closed = await newApp({ signUp: 'closed' });
    expect((await request(closed.app).post('/api/account').send(fields(1)).expect(403)).body.title).toBe('Sign-up is closed');
    expect((await request(closed.app).get('/api/session')).body.signUp).toBe('closed');
    await closed.close();
    const invited = await newApp({ signUp: 'invited' });
    await request(invited.app).post('/api/account').send(fields(1)).expect(403);
    const invitation = await new Accounts(invited.db).invite();
    await request(invited.app)
      .post('/api/account')
      .send({ ...fields(1), invitation })
      .expect(201);
    await request(invited.app)
      .post('/api/account')
      .send({ ...fields(2), invitation })
      .expect(403);
    // An account that could not be made leaves the code unused.
    const second = await new Accounts(invited.db).invite();
    await request(invited.app)
      .post('/api/account')
      .send({ ...fields(1), invitation: second })
      .expect(409);
    await request(invited.app)
      .post('/api/account')
      .send({ ...fields(3), invitation: second })
      .expect(201);
    await invited.close();
  });
});

test('sessions are listed with their browser and ended one by one', async () => {
  const { agent, email } = await angler();
  const phone = request.agent(app.app);
  await phone.post('/api/session').set('user-agent', 'A phone').send({ email, password }).expect(200);
  const { body } = await agent.get('/api/account/sessions').expect(200);
  expect(body).toHaveLength(2);
  const other = (body as { id: string; browser: string; isThis: boolean; sinceMs: number }[]).find((s) => !s.isThis)!;
  expect(other.browser).toBe('A phone');
  expect(Math.abs(other.sinceMs - Date.now())).toBeLessThan(60_000);
  const stranger = await angler();
  await stranger.agent.delete(`/api/account/sessions/${other.id}`).expect(404);
  await agent.delete(`/api/account/sessions/${other.id}`).expect(204);
  await phone.get('/api/waters').expect(401);
  await agent.delete('/api/account/sessions').expect(204);
  await agent.get('/api/account/sessions').expect(200);
});

test('of settings set on two phones the later of each stands', async () => {
  const { agent } = await angler();
  const put = (settings: object) => agent.put('/api/account/settings').send(settings);
  await put({ units: { atMs: 10, value: 'feet' }, kit: { atMs: 30, value: { rods: [1] } } }).expect(200);
  const { body } = await put({ units: { atMs: 20, value: 'metres' }, kit: { atMs: 5, value: { rods: [] } } }).expect(200);
  expect(body).toEqual({ units: { atMs: 20, value: 'metres' }, kit: { atMs: 30, value: { rods: [1] } } });
  expect((await agent.get('/api/account/settings')).body).toEqual(body);
  expect((await put({ 'no name': { atMs: 1, value: 1 } }).expect(400)).body.detail).toMatch(/^no name: /);
  await put({ big: { atMs: 1, value: 'x'.repeat(450_000) } }).expect(400);
});

/** Rows anywhere that name an account or hang on it. */
async function rowsOf(of: App, id: string): Promise<Record<string, number>> {
  const columns: { table_name: string; column_name: string }[] = await of.db.query(
    `SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'public' AND column_name IN ('account_id', 'asked_by')`,
  );
  const found: Record<string, number> = {};
  for (const { table_name, column_name } of columns)
    found[`${table_name}.${column_name}`] = (await of.db.query(`SELECT count(*)::int AS n FROM ${table_name} WHERE ${column_name} = $1`, [id]))[0].n;
  found.account = (await of.db.query('SELECT count(*)::int AS n FROM account WHERE id = $1', [id]))[0].n;
  found.session = (await of.db.query(`SELECT count(*)::int AS n FROM session WHERE sess->>'accountId' = $1`, [id]))[0].n;
  return found;
}

/** An account with something of everything. */
async function fullAccount(of: App) {
  const one = await angler(of);
  await one.agent.post('/api/waters').send(pond).expect(201);
  await one.agent.put('/api/waters/pond/weather').send(brought).expect(204);
  await one.agent.put('/api/account/settings').send({ units: { atMs: 7, value: { depth: 'ft' } }, presentations: { atMs: 8, value: [{ id: 'a', name: 'Spoon' }] } });
  const { events, outing } = shortOuting(one.id);
  const landed = events.find((e) => e.kind === 'fish-landed')!;
  const amended = event(outing, 5000, 'amended', { target: landed.id, body: { lengthMm: 310 } }, one.id);
  const notes = Array.from({ length: 700 }, (_, i) => event(outing, 3000 + i, 'note', { text: `n${i}` }, one.id));
  for (const batch of [[...events, amended], notes.slice(0, 400), notes.slice(400)])
    await one.agent.post('/api/ledger/sync').send({ device: 'd', cursor: 0, events: batch }).expect(200);
  return one;
}

const archiveOf = async (agent: ReturnType<typeof request.agent>): Promise<Buffer> => {
  const { body } = await agent
    .get('/api/account/archive')
    .buffer(true)
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk)).on('end', () => done(null, Buffer.concat(chunks)));
    })
    .expect(200);
  return body as Buffer;
};

test('an account’s archive, brought into an empty account on a second server, gives the same fold, waters, weather and settings', async () => {
  const second = await newApp();
  const one = await fullAccount(app);
  const two = await angler(second);
  const zip = await archiveOf(one.agent);
  const bring = () => two.agent.post('/api/account/archive').set('content-type', 'application/zip').send(zip).expect(200);
  expect((await bring()).body).toMatchObject({ events: 713, waters: 1, left: [] });
  expect(await new Ledger(second.db).state(two.id)).toEqual(await new Ledger(app.db).state(one.id));
  const file = async (agent: typeof one.agent) => (await agent.get('/api/waters/pond')).body.file as object;
  expect(await file(two.agent)).toEqual(await file(one.agent));
  const series = async (of: App, id: string) => (await of.db.query('SELECT source, series FROM own_weather WHERE account_id = $1', [id])) as object;
  expect(await series(second, two.id)).toEqual(await series(app, one.id));
  expect((await two.agent.get('/api/account/settings')).body).toEqual((await one.agent.get('/api/account/settings')).body);
  // Brought in once more it adds nothing, and says what it left alone.
  expect((await bring()).body).toMatchObject({ waters: 0, left: ['Pond: is here already and stays as it is'] });
  expect((await second.db.query('SELECT count(*)::int AS n FROM event'))[0].n).toBe(713);
  await second.close();
});

test('a file that is no archive is refused in one line, and nothing of it is taken', async () => {
  const { agent, id } = await angler();
  const send = (bytes: Uint8Array) => agent.post('/api/account/archive').set('content-type', 'application/zip').send(Buffer.from(bytes)).expect(400);
  expect((await send(strToU8('just text'))).body.detail).toMatch(/found a file that is no zip/);
  expect((await send(zipSync({ 'other.txt': strToU8('x') }))).body.detail).toMatch(/vivid-burrow\.json/);
  const manifest = { 'vivid-burrow.json': strToU8(JSON.stringify({ format: 'vivid-burrow-archive', version: 1, name: 'X', made: 'now' })) };
  expect((await send(zipSync({ ...manifest, 'waters/a.geojson': strToU8('{}') }))).body.detail).toMatch(/^waters\/a\.geojson: /);
  expect((await send(zipSync({ ...manifest, ...Object.fromEntries(Array.from({ length: 1001 }, (_, i) => [`waters/${i}.geojson`, strToU8('{}')])) }))).body.detail).toMatch(
    /at most 1000 files and 400 MB/,
  );
  expect(await rowsOf(app, id)).toMatchObject({ 'event.account_id': 0, 'water.account_id': 0 });
});

test('an account that is deleted leaves no row', async () => {
  const one = await fullAccount(app);
  await app.db.query(
    `INSERT INTO weather_place (place, lat, lon, service, simulated, observed_at, past_days, fetched_at, series, asked_by) VALUES ('z', 0, 0, 's', false, now(), 1, now(), '[]', $1)`,
    [one.id],
  );
  await new Accounts(app.db).resetCode(one.email);
  await one.agent.put(`/api/photos/${testId()}`).set('content-type', 'image/jpeg').send(Buffer.from(smallJpeg)).expect(204);
  await one.agent.post('/api/crews').send({ outing: testId(), name: 'Ada' }).expect(201);
  expect(Object.values(await rowsOf(app, one.id)).every((n) => n > 0)).toBe(true);
  await one.agent.delete('/api/account').send({ password: 'not the password' }).expect(403);
  await one.agent.delete('/api/account').send({ password }).expect(204);
  expect(Object.values(await rowsOf(app, one.id)).every((n) => n === 0)).toBe(true);
  await one.agent.get('/api/waters').expect(401);
});

test('measurements are for this machine or for whoever knows the token; strict transport is asked for over https alone', async () => {
  const open = await newApp();
  expect((await request(open.app).get('/metrics')).status).toBe(200);
  expect((await request(open.app).get('/metrics').set('x-forwarded-for', '192.0.2.1')).status).toBe(404);
  await open.close();
  const guarded = await newApp({ metricsToken: 'a token of some length', proxyHops: 1 });
  expect((await request(guarded.app).get('/metrics')).status).toBe(404);
  await request(guarded.app).get('/metrics').set('authorization', 'Bearer a token of some length').expect(200);
  const secure = await request(guarded.app).get('/healthz').set('x-forwarded-proto', 'https');
  expect(secure.headers['strict-transport-security']).toBe('max-age=31536000');
  expect((await request(guarded.app).get('/healthz')).headers['strict-transport-security']).toBeUndefined();
  const made = await request(guarded.app).post('/api/account').set('x-forwarded-proto', 'https').send({ email: 's@test.invalid', password, name: 'S' });
  expect(String(made.headers['set-cookie'])).toMatch(/Secure/);
  await guarded.close();
});

test('what is not there, what cannot be decoded and what is asked too often are problems like any other', async () => {
  const web = await newApp({ webDir: __dirname });
  for (const path of ['/nowhere.js', '/%', '/api/%', '/_expo/static/none.js']) {
    const answer = await request(web.app).get(path);
    expect([path, answer.headers['content-type']]).toEqual([path, expect.stringMatching(/problem\+json/)]);
    expect(answer.body.status).toBe(answer.status);
  }
  let last = await request(web.app).post('/api/session/demo');
  for (let i = 0; i < 40 && last.status !== 429; i++) last = await request(web.app).post('/api/session/demo');
  expect([last.status, last.body.title]).toEqual([429, 'Too many requests']);
  expect(last.headers['content-type']).toMatch(/problem\+json/);
  await web.close();
});
