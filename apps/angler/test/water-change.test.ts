import { readFileSync } from 'node:fs';
import path from 'node:path';
import { parseWaterFile } from '@burrow/contract/formats/water-geojson';
import { withMark } from '@burrow/contract/formats/water-marks';
import { api, ApiError, OfflineError } from '@/data/api';
import { PhoneStore } from '@/data/store';
import { keepUnsent, ownVersion, sendWater } from '@/data/water-change';

jest.mock('@/data/api', () => ({ ...jest.requireActual('@/data/api'), api: { changeWater: jest.fn() } }));
jest.mock('@/data/session', () => ({}));

const changeWater = api.changeWater as jest.MockedFunction<typeof api.changeWater>;
const drain = parseWaterFile(readFileSync(path.resolve(__dirname, '../../../demo/marrow-drain.geojson'), 'utf8'));
const marked = withMark(drain, { role: 'hard', at: [-139.9, 46.86] });
const twice = withMark(marked, { role: 'spot', at: [-139.9, 46.86], name: 'roach' });

let accounts = 0;
const phone = () => new PhoneStore(`water-${++accounts}`);

test('a changed water is kept without a signal, shown as it is, and sent once when there is one', async () => {
  const store = phone();
  expect(await ownVersion(store, 'drain')).toBeNull();
  await keepUnsent(store, 'drain', marked);
  changeWater.mockRejectedValueOnce(new OfflineError());
  expect(await ownVersion(store, 'drain')).toEqual({ id: 'drain', file: marked });
  changeWater.mockResolvedValueOnce(null);
  expect(await sendWater(store, 'drain')).toEqual({ own: marked, isUnsent: false, why: null });
  expect(changeWater).toHaveBeenLastCalledWith('drain', marked);
  expect(await sendWater(store, 'drain')).toEqual({ own: null, isUnsent: false, why: null });
  expect(changeWater).toHaveBeenCalledTimes(2);
});

test('what is marked while an older change is on its way is not lost', async () => {
  const store = phone();
  await keepUnsent(store, 'drain', marked);
  changeWater.mockImplementationOnce(async () => {
    await keepUnsent(store, 'drain', twice);
    return null;
  });
  expect(await sendWater(store, 'drain')).toEqual({ own: twice, isUnsent: true, why: null });
  changeWater.mockResolvedValueOnce(null);
  expect((await sendWater(store, 'drain')).isUnsent).toBe(false);
  expect(changeWater).toHaveBeenLastCalledWith('drain', twice);
});

test('what the server refuses stays, with its reason', async () => {
  const store = phone();
  await keepUnsent(store, 'drain', marked);
  changeWater.mockRejectedValueOnce(new ApiError(400, 'features.3 (hard): expected a point'));
  expect(await sendWater(store, 'drain')).toEqual({ own: marked, isUnsent: true, why: 'features.3 (hard): expected a point' });
});
