import type { Session } from '@burrow/contract/api';
import request from 'supertest';
import { smallJpeg, withSegments } from '../../../packages/contract/test/pictures';
import { testId } from '../../../packages/core/test/events';
import { newApp } from './fresh-database';

let app: Awaited<ReturnType<typeof newApp>>;
beforeAll(async () => {
  app = await newApp({ proxyHops: 1 });
});
afterAll(() => app.close());

let made = 0;
async function angler() {
  const agent = request.agent(app.app).set('x-forwarded-for', `192.0.2.${made + 1}`);
  const { body } = await agent
    .post('/api/account')
    .send({ email: `photo${++made}@test.invalid`, password: 'cold enough to stand on', name: 'Ada' })
    .expect(201);
  return { agent, id: (body as Session).account!.id };
}
type Agent = Awaited<ReturnType<typeof angler>>['agent'];
const send = (agent: Agent, id: string, bytes: Uint8Array, type = 'image/jpeg') => agent.put(`/api/photos/${id}`).set('content-type', type).send(Buffer.from(bytes));
const fetched = async (agent: Agent, id: string) => (await agent.get(`/api/photos/${id}`).buffer(true).expect(200).expect('content-type', 'image/jpeg')).body as Buffer;

test('a picture is kept without where it was taken, comes back to its account alone, and sent again changes nothing', async () => {
  const [one, other] = [await angler(), await angler()];
  const id = testId();
  await send(one.agent, id, withSegments(smallJpeg, [[0xe1, 'Exif\0\0 GPSLatitude 62.31']])).expect(204);
  expect(new Uint8Array(await fetched(one.agent, id))).toEqual(smallJpeg);
  await send(one.agent, id, withSegments(smallJpeg, [[0xfe, 'again']])).expect(204);
  expect(new Uint8Array(await fetched(one.agent, id))).toEqual(smallJpeg);
  await other.agent.get(`/api/photos/${id}`).expect(404);
  await request(app.app).get(`/api/photos/${id}`).expect(401);
});

test.each([
  ['text', Buffer.from('not a picture at all'), 'image/jpeg', 400, /expected a whole JPEG picture, found another kind of file/],
  ['another type', Buffer.from(smallJpeg), 'image/png', 400, /expected a body of content type image\/jpeg/],
  ['too large', Buffer.alloc(500_000, 1), 'image/jpeg', 413, /./],
])('%s is refused, and nothing of it is kept', async (_, bytes, type, status, says) => {
  const { agent } = await angler();
  const id = testId();
  const { body } = await send(agent, id, bytes, type).expect(status);
  expect(body.detail).toMatch(says);
  await agent.get(`/api/photos/${id}`).expect(404);
});

test('an id that is none is said', async () => {
  const { agent } = await angler();
  await send(agent, 'my-fish', smallJpeg).expect(400);
});

test('the archive takes the pictures along, and gives them to another account', async () => {
  const [one, two] = [await angler(), await angler()];
  const id = testId();
  await send(one.agent, id, smallJpeg).expect(204);
  const zip = (
    await one.agent
      .get('/api/account/archive')
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (part: Buffer) => parts.push(part));
        res.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200)
  ).body as Buffer;
  await two.agent.post('/api/account/archive').set('content-type', 'application/zip').send(zip).expect(200);
  expect(new Uint8Array(await fetched(two.agent, id))).toEqual(smallJpeg);
});

test('with the account its pictures go', async () => {
  const { agent, id: account } = await angler();
  await send(agent, testId(), smallJpeg).expect(204);
  await agent.delete('/api/account').send({ password: 'cold enough to stand on' }).expect(204);
  expect(await app.db.query('SELECT count(*)::int AS n FROM photo WHERE account_id = $1', [account])).toEqual([{ n: 0 }]);
});
