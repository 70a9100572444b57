import { listOf } from '../../../packages/contract/src/bounded-list';
import request from 'supertest';
import { z } from 'zod';
import { checkBody } from '../src/bodies/check';
import { event, shortOuting, testId } from '../../../packages/core/test/events';
import { newApp } from './fresh-database';

const bytes = (text: string) => new TextEncoder().encode(text);
const detailOf = (kind: 'sync' | 'water' | 'weather', text: string) => {
  const checked = checkBody(kind, bytes(text));
  return checked.ok ? null : checked.detail;
};
const water = (features: string) => `{"type":"FeatureCollection","water":{"name":"W","kind":"lake","timezone":"UTC","elevation_m":0,"secchi_m":2},"features":[${features}]}`;

test('a list is read to its first bad member and no further', () => {
  let read = 0;
  const counted = z.unknown().transform((value) => (read++, value)).pipe(z.number()); // prettier-ignore
  const parsed = listOf(counted, { most: 1_000_000 }).safeParse([1, 2, ...Array(500_000).fill('bad')]);
  expect(parsed.error!.issues).toHaveLength(1);
  expect(parsed.error!.issues[0].path).toEqual([2]);
  expect(read).toBe(3);
});

test('a list that is too long is not read at all', () => {
  let read = 0;
  const counted = z.unknown().transform((value) => (read++, value)); // prettier-ignore
  expect(listOf(counted, { most: 10 }).safeParse(Array(11).fill(0)).error!.issues[0].message).toBe('expected at most 10 items, found 11');
  expect(read).toBe(0);
});

test.each([
  ['empty features', 'water', water(Array(80_000).fill('{}').join(',')), /^features\.0\.properties\.role: expected one of outline, /],
  ['too many features', 'water', water(Array(150_001).fill('{}').join(',')), /^features: expected at most 150000 items, found 150001$/],
  ['more braces than a map has', 'water', water(Array(1_000_001).fill('{}').join(',')), /^expected at most 1000000 lists and braces, found more$/],
  ['a ring of bad places', 'water', water(`{"type":"Feature","properties":{"role":"outline"},"geometry":{"type":"Polygon","coordinates":[[${Array(100_000).fill('[]').join(',')}]]}}`), /^features\.0\.geometry\.coordinates\.0\.0/], // prettier-ignore
  ['nesting, unread: it is not even JSON', 'water', '['.repeat(4_000_000), /^expected values nested at most 10 deep, found deeper$/],
  ['nesting in a sync', 'sync', '['.repeat(4_000_000), /^expected values nested at most 12 deep, found deeper$/],
  ['nesting within an entry', 'sync', `{"device":"d","cursor":0,"events":[${'['.repeat(5000)}${']'.repeat(5000)}]}`, /nested at most 12 deep/],
  ['braces within a text are text', 'sync', '{"device":"[[[[[[[[[[[[[[[[[[[[\\"{{{{","cursor":"x","events":[]}', /^cursor: /],
  ['no JSON', 'sync', '{"half', /^expected JSON, found text that is cut short or damaged$/],
  ['rows of weather', 'weather', `{"source":"x","series":[${Array(20_001).fill('0').join(',')}]}`, /^series: expected at most 20000 items/],
] as const)('%s: one line says what was expected', (_, kind, text, words) => {
  expect(detailOf(kind, text)).toMatch(words);
});

test('a track with a hundred thousand bad points is refused alone, by its first', () => {
  const { events, outing } = shortOuting();
  const track = { ...event(outing, 900, 'note', { text: 'x' }), kind: 'tracked', body: { station: testId(), points: Array(1500).fill(['a', 'b', 'c']) } };
  const checked = checkBody('sync', bytes(JSON.stringify({ device: 'd', cursor: 0, events: [...events, track] })));
  expect(checked.ok && checked.value.good).toHaveLength(events.length);
  expect(checked.ok && checked.value.rejected).toEqual([{ id: track.id, reason: expect.stringMatching(/^body\.points\.0\.0: expected a number/) }]);
});

test('large bodies are checked on a thread of their own and answered as small ones are', async () => {
  const app = await newApp();
  const agent = request.agent(app.app);
  const { body } = await agent.post('/api/account').send({ email: 'large@test.invalid', password: 'four words stand here', name: 'L' }).expect(201);
  const bad = await agent.post('/api/waters').set('content-type', 'application/json').send(water(Array(60_000).fill('{}').join(','))).expect(400); // prettier-ignore
  expect(bad.body).toMatchObject({ status: 400, detail: expect.stringMatching(/^features\.0\.properties\.role/) });
  const sounding = (i: number) =>
    `{"type":"Feature","geometry":{"type":"Point","coordinates":[${(i % 300) / 1e5},${50 + i / 1e7}]},"properties":{"role":"sounding","depth_m":${i % 30}}}`;
  const outline = '{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,50],[0.01,50],[0.01,50.01],[0,50]]]},"properties":{"role":"outline"}}';
  const large = water([outline, ...Array.from({ length: 20_000 }, (_, i) => sounding(i))].join(','));
  await agent.post('/api/waters').set('content-type', 'application/json').send(large).expect(201, { id: 'w', version: 1 });
  expect((await agent.get('/api/waters/w').expect(200)).body.file).toEqual(JSON.parse(large));
  const { events, outing } = shortOuting(body.account.id as string);
  const notes = Array.from({ length: 400 }, (_, i) => event(outing, 3000 + i, 'note', { text: `${i} ${'x'.repeat(400)}` }, body.account.id as string));
  const answer = await agent
    .post('/api/ledger/sync')
    .send({ device: 'd', cursor: 0, events: [...events, ...notes] })
    .expect(200);
  expect(answer.body.accepted).toHaveLength(events.length + notes.length);
  await agent.post('/api/waters').set('content-type', 'text/plain').send(large).expect(400);
  await app.close();
});
