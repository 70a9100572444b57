import { readFileSync } from 'node:fs';
import path from 'node:path';
import { shortOuting } from '../../../packages/core/test/events';
import request from 'supertest';
import { newApp } from './fresh-database';

let app: Awaited<ReturnType<typeof newApp>>;
beforeAll(async () => {
  app = await newApp();
});
afterAll(() => app.close());

const password = 'cold enough to stand on';

test('the migrations make what the entities describe', async () => {
  const { upQueries } = await app.db.driver.createSchemaBuilder().log();
  expect(upQueries.map((q) => q.query).filter((q) => !q.includes('"session"'))).toEqual([]);
});

test('an account signs up, in and out', async () => {
  const agent = request.agent(app.app);
  const made = await agent.post('/api/account').send({ email: 'One@Test.invalid', password, name: 'One' }).expect(201);
  expect(made.body.account.name).toBe('One');
  expect((await agent.get('/api/session')).body.account.name).toBe('One');
  await agent.delete('/api/session').expect(204);
  expect((await agent.get('/api/session')).body.account).toBeNull();
  await agent.post('/api/session').send({ email: 'one@test.invalid', password }).expect(200);
  await agent.get('/api/waters').expect(200, []);
});

test('wrong passwords, doubled accounts and bad input are told apart', async () => {
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'two@test.invalid', password, name: 'Two' }).expect(201);
  await request(app.app).post('/api/account').send({ email: 'two@test.invalid', password, name: 'Again' }).expect(409);
  await request(app.app).post('/api/session').send({ email: 'two@test.invalid', password: 'not the password' }).expect(401);
  const bad = await request(app.app).post('/api/account').send({ email: 'no address', password, name: 'X' }).expect(400);
  expect(bad.headers['content-type']).toMatch(/problem\+json/);
  expect(bad.body).toMatchObject({ status: 400, detail: expect.stringMatching(/^email: /) });
  await request(app.app).post('/api/session').set('content-type', 'application/json').send('{"half').expect(400);
});

test('a request from a foreign page changes nothing', async () => {
  await request(app.app).post('/api/account').set('origin', 'http://elsewhere.invalid').send({ email: 'x@test.invalid', password, name: 'X' }).expect(403);
  await request(app.app).post('/api/account').set('origin', 'not an origin').send({ email: 'x@test.invalid', password, name: 'X' }).expect(403);
});

test('there is no demo door where there is no demo', async () => {
  await request(app.app).post('/api/session/demo').expect(404);
});

test('a water goes in, comes back and belongs to its account alone', async () => {
  const file = JSON.parse(readFileSync(path.resolve('demo/tamber-lake.geojson'), 'utf8'));
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'three@test.invalid', password, name: 'Three' });
  const { body } = await agent.post('/api/waters').send(file).expect(201);
  expect(body.id).toBe('tamber-lake');
  expect((await agent.get('/api/waters/tamber-lake')).body.file).toEqual(file);
  const other = request.agent(app.app);
  await other.post('/api/account').send({ email: 'four@test.invalid', password, name: 'Four' });
  await other.get('/api/waters/tamber-lake').expect(404);
  file.features[1].geometry.coordinates = [500, 47];
  const bad = await agent.post('/api/waters').send(file).expect(400);
  expect(bad.body.detail).toMatch(/features/);
});

test('a changed water takes the place of its own, under its own id, and nobody else changes it', async () => {
  const file = JSON.parse(readFileSync(path.resolve('demo/ullen-river.geojson'), 'utf8'));
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'six@test.invalid', password, name: 'Six' });
  const { id } = (await agent.post('/api/waters').send(file).expect(201)).body;
  const changed = { ...file, water: { ...file.water, name: 'Renamed' }, features: file.features.slice(0, 30) };
  await agent.put(`/api/waters/${id}`).set('if-match', '"1"').send(changed).expect(200, { id, version: 2 });
  expect((await agent.get(`/api/waters/${id}`)).body.file).toEqual(changed);
  expect((await agent.get('/api/waters')).body).toMatchObject([{ id, name: 'Renamed', kind: 'river' }]);
  expect((await agent.get(`/api/waters/${id}/winter`).expect(422)).body.detail).toMatch(/moving water is mixed/);
  await agent.put('/api/waters/nowhere').set('if-match', '"1"').send(changed).expect(404);
  const other = request.agent(app.app);
  await other.post('/api/account').send({ email: 'seven@test.invalid', password, name: 'Seven' });
  await other.put(`/api/waters/${id}`).set('if-match', '"2"').send(changed).expect(404);
  // A file without its outline is refused and changes nothing.
  await agent
    .put(`/api/waters/${id}`)
    .set('if-match', '"2"')
    .send({ ...changed, features: [] })
    .expect(400);
  expect((await agent.get(`/api/waters/${id}`)).body.file).toEqual(changed);
});

test('the water fished last comes first, the others by name', async () => {
  const agent = request.agent(app.app);
  const { body } = await agent.post('/api/account').send({ email: 'eight@test.invalid', password, name: 'Eight' });
  for (const name of ['verrin-reservoir', 'tamber-lake', 'marrow-drain'])
    await agent.post('/api/waters').send(JSON.parse(readFileSync(path.resolve(`demo/${name}.geojson`), 'utf8')));
  const ids = async () => ((await agent.get('/api/waters')).body as { id: string }[]).map((w) => w.id);
  expect(await ids()).toEqual(['marrow-drain', 'tamber-lake', 'verrin-reservoir']);
  await agent
    .post('/api/ledger/sync')
    .send({ device: 'phone', cursor: 0, events: shortOuting(body.account.id).events })
    .expect(200);
  expect(await ids()).toEqual(['tamber-lake', 'marrow-drain', 'verrin-reservoir']);
});

test('silent outside devices are said, not papered over', async () => {
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: 'five@test.invalid', password, name: 'Five' });
  await agent.post('/api/waters').send(JSON.parse(readFileSync(path.resolve('demo/tamber-lake.geojson'), 'utf8')));
  expect((await agent.get('/api/waters/tamber-lake/weather').expect(503)).body.title).toBe('No weather');
  expect((await agent.get('/api/flasher/stream?bottomM=7').expect(503)).body.title).toBe('No flasher');
  await agent.get('/api/flasher/stream?bottomM=900').expect(400);
});

test('the newest heading of the changelog, the API and every package name one version', async () => {
  const root = path.join(__dirname, '../../..');
  const read = (file: string) => readFileSync(path.join(root, file), 'utf8');
  const [, newest] = /^## (.+)$/m.exec(read('CHANGELOG.md'))!;
  const { body } = await request(app.app).get('/api/openapi.json').expect(200);
  expect(body.info.version).toBe(newest);
  const packages = ['', 'packages/core/', 'packages/contract/', 'apps/server/', 'apps/cli/', 'apps/angler/', 'stand-ins/flasher/', 'stand-ins/weather-service/'];
  for (const folder of packages) expect([folder, JSON.parse(read(`${folder}package.json`)).version]).toEqual([folder, newest]);
  expect(JSON.parse(read('apps/angler/app.json')).expo.version).toBe(newest);
});

test('health, metrics and the description of the API answer', async () => {
  await request(app.app).get('/healthz').expect(200);
  await request(app.app).get('/readyz').expect(200);
  expect((await request(app.app).get('/metrics')).text).toMatch(/process_cpu/);
  const { body } = await request(app.app).get('/api/openapi.json').expect(200);
  expect(body.openapi).toBe('3.1.0');
  expect(Object.keys(body.paths)).toContain('/api/ledger/sync');
  await request(app.app).get('/api/nowhere').expect(401);
  await request(app.app).get('/nowhere').expect(404);
});
