import { api, ApiError, OfflineError } from '@/data/api';

const reply = (status: number, body: unknown) => ({ ok: status < 400, status, json: async () => (body === undefined ? Promise.reject(new SyntaxError('no JSON')) : body) });
const fetchMock = jest.fn();

beforeEach(() => {
  fetchMock.mockReset();
  Object.assign(globalThis, { fetch: fetchMock });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

const session = { account: { id: 'a', name: 'Ada', isDemo: false }, demo: true, nowMs: 5 };

test('an answer is checked before it is believed', async () => {
  fetchMock.mockResolvedValueOnce(reply(200, session));
  await expect(api.session()).resolves.toEqual(session);
  fetchMock.mockResolvedValueOnce(reply(200, { ...session, nowMs: 'late' }));
  await expect(api.session()).rejects.toThrow(/does not understand/);
});

test('what is asked goes to the right place as JSON', async () => {
  fetchMock.mockResolvedValue(reply(200, session));
  await api.signIn('a@b.invalid', 'a long password');
  const [url, init] = fetchMock.mock.calls[0] as [string, RequestInit];
  expect(url).toBe('/api/session');
  expect(init.method).toBe('POST');
  expect(JSON.parse(init.body as string)).toEqual({ email: 'a@b.invalid', password: 'a long password' });
});

test('a water’s name is no way out of its address', async () => {
  fetchMock.mockResolvedValue(reply(404, { type: 'about:blank', title: 'No such water', status: 404 }));
  await expect(api.water('../session')).rejects.toThrow('No such water');
  expect(fetchMock.mock.calls[0][0]).toBe('/api/waters/..%2Fsession');
});

test('nobody there, or only a gateway, is no signal', async () => {
  fetchMock.mockRejectedValueOnce(new TypeError('failed to fetch'));
  await expect(api.waters()).rejects.toBeInstanceOf(OfflineError);
  for (const status of [502, 504]) {
    fetchMock.mockResolvedValueOnce(reply(status, undefined));
    await expect(api.waters()).rejects.toBeInstanceOf(OfflineError);
  }
});

test('a refusal carries its status and the server’s words, or at least the status', async () => {
  fetchMock.mockResolvedValueOnce(reply(409, { type: 'about:blank', title: 'Account exists', status: 409, detail: 'email: expected another' }));
  await expect(api.register('a@b.invalid', 'a long password', 'Ada')).rejects.toMatchObject({ status: 409, message: 'email: expected another' });
  fetchMock.mockResolvedValueOnce(reply(500, undefined));
  const refused = api.waters();
  await expect(refused).rejects.toBeInstanceOf(ApiError);
  await expect(refused).rejects.toMatchObject({ status: 500, message: 'The server answered 500.' });
});

test('an answer without a body is taken as done', async () => {
  fetchMock.mockResolvedValueOnce(reply(204, undefined));
  await expect(api.signOut()).resolves.toBeNull();
});
