import type { AccountSettings } from '@burrow/contract/api';
import { joinedSettings } from '@burrow/contract/api';
import { api } from '@/data/api';
import { enterAccount, forgetSettings, syncSettings } from '@/data/account-settings';
import { change, preferences, unitSystems } from '@/data/preferences';

jest.mock('@/data/api', () => ({ ...jest.requireActual('@/data/api'), api: { settings: jest.fn() } }));

/** What the server has of each account; the one that is signed in. */
const server = new Map<string, AccountSettings>();
let signedIn = '';
beforeEach(() => {
  const kept = new Map<string, string>();
  const localStorage = {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, text: string) => void kept.set(name, text),
    removeItem: (name: string) => void kept.delete(name),
  };
  Object.assign(globalThis, { localStorage });
  server.clear();
  (api.settings as jest.MockedFunction<typeof api.settings>).mockImplementation(async (sent) => {
    server.set(signedIn, joinedSettings(server.get(signedIn) ?? {}, sent));
    return server.get(signedIn)!;
  });
});

const enter = (account: string, nowMs?: number) => {
  signedIn = account;
  enterAccount(account, nowMs);
};

test('the first account takes what was set before; another one’s tackle stays its own, and comes back with it', async () => {
  const spoon = { id: 'a', name: 'Spoon' };
  change({ presentations: [spoon], units: unitSystems.metric });
  enter('ada');
  await syncSettings();
  expect(server.get('ada')!.presentations.value).toEqual([spoon]);
  enter('bo');
  expect(preferences.get().presentations).toEqual([]);
  change({ presentations: [{ id: 'b', name: 'Worm' }] });
  await syncSettings();
  enter('ada');
  expect(preferences.get()).toMatchObject({ presentations: [spoon], units: unitSystems.metric });
  expect(server.get('bo')!.presentations.value).toEqual([{ id: 'b', name: 'Worm' }]);
  forgetSettings('ada');
  expect(preferences.get().presentations).toEqual([]);
  // From the server it comes back to a phone that has forgotten it.
  enter('ada');
  await syncSettings();
  expect(preferences.get().presentations).toEqual([spoon]);
  forgetSettings('ada');
});

test('what another phone set later comes in; what was set here since stands', async () => {
  enter('cy');
  await syncSettings(1000);
  server.set('cy', joinedSettings(server.get('cy')!, { castM: { atMs: 5000, value: 40 }, goal: { atMs: 5000, value: 'size' } }));
  change({ goal: 'supper' });
  await syncSettings(9000);
  expect(preferences.get()).toMatchObject({ castM: 40, goal: 'supper' });
  expect(server.get('cy')!.goal).toEqual({ atMs: 9000, value: 'supper' });
  forgetSettings('cy');
});

test('a setting of a newer app that this one does not know is kept as it came, and not overwritten', async () => {
  enter('di');
  await syncSettings(1000);
  server.set('di', joinedSettings(server.get('di')!, { goal: { atMs: 5000, value: 'serenity' }, kites: { atMs: 5000, value: [1] } }));
  await syncSettings(6000);
  expect(preferences.get().goal).toBe('numbers');
  await syncSettings(9000);
  expect(server.get('di')).toMatchObject({ goal: { atMs: 5000, value: 'serenity' }, kites: { atMs: 5000, value: [1] } });
  forgetSettings('di');
});
