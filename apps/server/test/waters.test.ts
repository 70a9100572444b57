import { readFileSync } from 'node:fs';
import path from 'node:path';
import request from 'supertest';
import { newApp } from './fresh-database';

let app: Awaited<ReturnType<typeof newApp>>;
beforeAll(async () => {
  app = await newApp();
});
afterAll(() => app.close());

const river = JSON.parse(readFileSync(path.resolve('demo/ullen-river.geojson'), 'utf8'));
const named = (name: string, features = river.features) => ({ ...river, water: { ...river.water, name }, features });
const outlineOnly = river.features.filter((f: { properties: { role: string } }) => f.properties.role === 'outline');

let accounts = 0;
async function signedIn() {
  const agent = request.agent(app.app);
  await agent.post('/api/account').send({ email: `w${++accounts}@test.invalid`, password: 'cold enough to stand on', name: 'W' });
  return agent;
}

test('a water of a name that is taken is refused, whatever its capitals and marks, and the one that is there stays', async () => {
  const agent = await signedIn();
  await agent.post('/api/waters').send(named('Lake')).expect(201);
  for (const name of ['Lake', 'lake', ' LAKE ', 'Lake!']) {
    const answer = await agent.post('/api/waters').send(named(name, outlineOnly)).expect(409);
    expect(answer.body.detail).toMatch(/expected a name that none of your waters has/);
  }
  expect((await agent.get('/api/waters/lake')).body.file.features).toHaveLength(river.features.length);
  // Two at the same moment: one of them has it.
  const both = await Promise.all([agent.post('/api/waters').send(named('Twin')), agent.post('/api/waters').send(named('twin'))]);
  expect(both.map((r) => r.status).sort()).toEqual([201, 409]);
});

test('a change made to an older version is refused, so that what another phone marked is not wiped', async () => {
  const agent = await signedIn();
  await agent.post('/api/waters').send(named('Lake')).expect(201, { id: 'lake', version: 1 });
  const spot = { type: 'Feature', geometry: { type: 'Point', coordinates: [-140.3, 47.9] }, properties: { role: 'spot', name: 'mine' } };
  await agent
    .put('/api/waters/lake')
    .set('if-match', '"1"')
    .send(named('Lake', [...river.features, spot]))
    .expect(200, { id: 'lake', version: 2 });
  const late = await agent.put('/api/waters/lake').set('if-match', '"1"').send(named('Lake')).expect(412);
  expect(late.body.detail).toMatch(/expected a change to version 2, found one to version 1/);
  const kept = (await agent.get('/api/waters/lake')).body;
  expect([kept.version, kept.file.features.at(-1)]).toEqual([2, spot]);
  await agent.put('/api/waters/lake').send(named('Lake')).expect(428);
  await agent.put('/api/waters/lake').set('if-match', 'newest').send(named('Lake')).expect(400);
});

test('a water cannot take the name of another', async () => {
  const agent = await signedIn();
  await agent.post('/api/waters').send(named('One')).expect(201);
  await agent.post('/api/waters').send(named('Two')).expect(201);
  await agent.put('/api/waters/two').set('if-match', '"1"').send(named('ONE')).expect(409);
  await agent.put('/api/waters/two').set('if-match', '"1"').send(named('Third')).expect(200);
});

test('text that no database keeps is refused with what was expected', async () => {
  const agent = await signedIn();
  for (const name of ['a\0b', 'half \ud800 pair']) {
    const answer = await agent.post('/api/waters').send(named(name)).expect(400);
    expect(answer.body.detail).toMatch(/expected text of whole characters without NUL/);
  }
  const spot = { type: 'Feature', geometry: { type: 'Point', coordinates: [-140.3, 47.9] }, properties: { role: 'spot', note: 'x\0' } };
  await agent
    .post('/api/waters')
    .send(named('Lake', [...river.features, spot]))
    .expect(400);
  await agent.get('/api/waters/%00').expect(400);
});

test('a deleted water comes back as it was, another may take its name, and nobody deletes another’s', async () => {
  const agent = await signedIn();
  const ids = async () => ((await agent.get('/api/waters')).body as { id: string }[]).map((w) => w.id);
  await agent.post('/api/waters').send(named('Lake')).expect(201);
  await agent.put('/api/waters/lake').set('if-match', '"1"').send(named('Lake', outlineOnly)).expect(200);
  await (await signedIn()).delete('/api/waters/lake').expect(404);
  await agent.delete('/api/waters/lake').expect(204);
  expect(await ids()).toEqual([]);
  await agent.get('/api/waters/lake').expect(404);
  await agent.delete('/api/waters/lake').expect(404);
  const [gone] = (await agent.get('/api/deleted-waters').expect(200)).body as { id: string; name: string; untilMs: number }[];
  expect(gone).toMatchObject({ id: 'lake', name: 'Lake' });
  expect(Math.abs(gone.untilMs - Date.now() - 30 * 86_400_000)).toBeLessThan(60_000);
  await agent.post('/api/waters/lake/restore').expect(200, { id: 'lake', version: 2 });
  await agent.get('/api/deleted-waters').expect(200, []);
  expect((await agent.get('/api/waters/lake')).body.file.features).toHaveLength(outlineOnly.length);
  await agent.delete('/api/waters/lake').expect(204);
  await agent.post('/api/waters').send(named('LAKE')).expect(201, { id: 'lake', version: 1 });
  expect((await agent.get('/api/waters/lake')).body.file.water.name).toBe('LAKE');
  await agent.post('/api/waters/nowhere/restore').expect(404);
});

test('a water without a shore lies where it was pointed at', async () => {
  const agent = await signedIn();
  const pond = { type: 'FeatureCollection', water: { ...river.water, name: 'Pond', kind: 'lake' }, features: [] };
  expect((await agent.post('/api/waters').send(pond).expect(400)).body.detail).toMatch(/expected a feature of role outline, or in water\.at the place/);
  await agent
    .post('/api/waters')
    .send({ ...pond, water: { ...pond.water, at: [-121.5, 44] } })
    .expect(201);
  expect((await agent.get('/api/waters')).body).toMatchObject([{ name: 'Pond', lon: -121.5, lat: 44 }]);
});
