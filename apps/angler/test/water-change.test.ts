import { readFileSync } from 'node:fs';
import path from 'node:path';
import { parseWaterFile } from '@burrow/contract/formats/water-geojson';
import { withMark } from '@burrow/contract/formats/water-marks';
import { api, ApiError, OfflineError } from '@/data/api';
import { PhoneStore } from '@/data/store';
import { keepUnsent, ownVersion, sendWater } from '@/data/water-change';

jest.mock('@/data/api', () => ({ ...jest.requireActual('@/data/api'), api: { changeWater: jest.fn(), water: jest.fn() } }));
jest.mock('@/data/session', () => ({}));

const changeWater = api.changeWater as jest.MockedFunction<typeof api.changeWater>;
const water = api.water as jest.MockedFunction<typeof api.water>;
const drain = parseWaterFile(readFileSync(path.resolve(__dirname, '../../../demo/marrow-drain.geojson'), 'utf8'));
const known = { id: 'drain', version: 4, file: drain };
const marked = withMark(drain, { id: 'a', role: 'hard', at: [-139.9, 46.86] });
const twice = withMark(marked, { id: 'b', role: 'spot', at: [-139.9, 46.86], name: 'roach' });
const theirs = withMark(drain, { id: 'c', role: 'spot', at: [-139.91, 46.86], name: 'theirs' });

let accounts = 0;
const phone = () => new PhoneStore(`water-${++accounts}`);
beforeEach(() => jest.clearAllMocks());

test('a changed water is kept without a signal, shown as it is, and sent once when there is one', async () => {
  const store = phone();
  expect(await ownVersion(store, 'drain')).toBeNull();
  expect(await keepUnsent(store, known, drain, marked)).toEqual(marked);
  changeWater.mockRejectedValueOnce(new OfflineError());
  expect(await ownVersion(store, 'drain')).toEqual({ id: 'drain', version: 4, file: marked });
  changeWater.mockResolvedValueOnce({ id: 'drain', version: 5 });
  expect(await sendWater(store, 'drain')).toEqual({ own: { id: 'drain', version: 5, file: marked }, isUnsent: false, why: null });
  expect(changeWater).toHaveBeenLastCalledWith('drain', 4, marked);
  expect(await sendWater(store, 'drain')).toEqual({ own: null, isUnsent: false, why: null });
  expect(changeWater).toHaveBeenCalledTimes(2);
});

test('what is marked while an older change is on its way is not lost', async () => {
  const store = phone();
  await keepUnsent(store, known, drain, marked);
  changeWater.mockImplementationOnce(async () => {
    await keepUnsent(store, known, marked, twice);
    return { id: 'drain', version: 5 };
  });
  expect(await sendWater(store, 'drain')).toEqual({ own: { id: 'drain', version: 5, file: twice }, isUnsent: true, why: null });
  changeWater.mockResolvedValueOnce({ id: 'drain', version: 6 });
  expect((await sendWater(store, 'drain')).isUnsent).toBe(false);
  expect(changeWater).toHaveBeenLastCalledWith('drain', 5, twice);
});

test('what another phone marked meanwhile is joined, not wiped, and taking a mark back takes it back', async () => {
  const store = phone();
  await keepUnsent(store, known, drain, twice);
  await keepUnsent(store, known, twice, marked);
  changeWater.mockRejectedValueOnce(new ApiError(412, 'Changed meanwhile'));
  water.mockResolvedValueOnce({ id: 'drain', version: 9, file: theirs });
  changeWater.mockResolvedValueOnce({ id: 'drain', version: 10 });
  const { own } = await sendWater(store, 'drain');
  const names = own!.file.features.slice(drain.features.length).map((f) => (f.properties as { id?: string }).id);
  expect(names).toEqual(['c', 'a']);
  expect(changeWater).toHaveBeenLastCalledWith('drain', 9, own!.file);
});

test('a change kept by an older app, whose version is not known, is joined with the server’s water', async () => {
  const store = phone();
  await store.keep('unsent-water/drain', { id: 'x', file: marked });
  water.mockResolvedValueOnce({ id: 'drain', version: 2, file: theirs });
  changeWater.mockResolvedValueOnce({ id: 'drain', version: 3 });
  const { own } = await sendWater(store, 'drain');
  expect(own!.file.features).toHaveLength(drain.features.length + 2);
});

test('what the server refuses stays, with its reason', async () => {
  const store = phone();
  await keepUnsent(store, known, drain, marked);
  changeWater.mockRejectedValueOnce(new ApiError(400, 'features.3 (hard): expected a point'));
  expect(await sendWater(store, 'drain')).toMatchObject({ own: { file: marked }, isUnsent: true, why: 'features.3 (hard): expected a point' });
});
