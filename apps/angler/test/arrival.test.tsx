import { demoWater, phoneAt, pointWater, visit, type Logged } from './at-water';
import { screen, waitFor } from '@testing-library/react-native';
import { StationScreen } from '@/features/station/StationScreen';
import { WaterScreen } from '@/features/water/WaterScreen';
import { testId } from '../../../packages/core/test/events';

/*
 * Is it as planned? What one finds on arrival against what the plan took it for.
 */

const water = demoWater('tamber-lake');

beforeEach(() => phoneAt(null));

test('what is found is logged beside what was planned, and what it changes is told at once', async () => {
  const at = await visit({ file: water, log: [], method: 'vertical', minutes: 2 }, () => <WaterScreen />);
  await at.press('As planned?');
  expect(screen.getAllByText(/^Planned for: not known$/)).toHaveLength(2);
  await at.choose('Open water');
  await at.choose('about 18 km/h');
  await at.choose('NW');
  for (let k = 0; k < 2; k++) await at.press('Add 5.0 °C to Water near the surface');
  await at.press('Log what I found');
  expect(at.kinds()).toEqual(['surface-seen', 'weather-seen', 'temperature-measured']);
  expect(at.wrote('surface-seen')).toEqual([{ surface: 'open' }]);
  expect(at.wrote('weather-seen')).toEqual([{ windMs: 5, windFromDeg: 315 }]);
  const [{ tempC }] = at.wrote('temperature-measured');
  expect(screen.getByText('Not as planned')).toBeTruthy();
  expect(screen.getByText('Wind north-west 18 km/h, not known before.')).toBeTruthy();
  expect(screen.getByText(new RegExp(`^Water ${Math.round(tempC)} °C, not`))).toBeTruthy();
  expect(screen.getByText('Banks, casts, line and float go by this wind from now on.')).toBeTruthy();
});

test('a skin of ice is neither stood on nor cast through, and the water says so', async () => {
  const at = await visit({ file: water, log: [], method: 'cast', minutes: 2 }, () => <WaterScreen />);
  await at.press('As planned?');
  await at.choose('A skin of ice');
  await at.press('Log what I found');
  expect(screen.getByText('Neither stand nor cast here: another water that is open, or sort the box.')).toBeTruthy();
  await at.press('Go on');
  await waitFor(() => expect(at.heading()).toMatch(/skin of ice/i));
});

test('what is passed over is not logged, and nothing found that differs changes nothing', async () => {
  const at = await visit({ file: pointWater('lake', [25.7, 62.3]), log: [], method: 'ice', minutes: 2 }, () => <WaterScreen />);
  await at.press('As planned?');
  await at.choose('Ice to stand on');
  await at.press('Log what I found');
  expect(at.kinds()).toEqual(['surface-seen']);
  expect(screen.getByText('As planned')).toBeTruthy();
});

test('a school seen to the side is logged with its bearing, distance, top and bait, and becomes the next place', async () => {
  const hole = testId();
  const log: Logged[] = [
    [1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-139.998, 46.9995] }],
    [2, 'depth-sounded', { station: hole, depthM: 11, source: 'line' }],
  ];
  const at = await visit({ file: water, log, minutes: 6 }, () => <StationScreen />);
  await at.press('More');
  await at.press('A school to the side');
  await at.choose('NE');
  await at.choose('7 m');
  await at.choose('No bait on the way');
  await at.press('Log this school');
  expect(at.wrote('felt')).toMatchObject([{ station: hole, what: 'school', bearingDeg: 45, outM: 7, hasBait: false, by: 'eye' }]);
  at.unmount();
  const there = await visit({ file: water, log: [...log, [6, 'felt', { station: hole, what: 'school', bearingDeg: 45, outM: 7, topM: 6.5, by: 'eye' }]], minutes: 8 }, () => (
    <WaterScreen />
  ));
  await waitFor(() => expect(there.heading()).toMatch(/Over the school: 7 m north-east of hole 1/));
});

test('two bites name more places like where they came, and a touch puts the ring there', async () => {
  const hole = testId();
  const bite = (minutes: number): Logged => [minutes, 'reaction', { station: hole, reaction: 'bite' }];
  const log: Logged[] = [
    [1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-139.998, 46.9995] }],
    [2, 'line-down', { line: testId(), station: hole, rod: 'rod 1', depthM: 5 }],
  ];
  const one = await visit({ file: water, log: [...log, bite(5)], minutes: 8, wide: true }, () => <WaterScreen />);
  await waitFor(() => expect(one.heading()).toMatch(/./));
  expect(screen.queryByText('More places like where they bit today')).toBeNull();
  one.unmount();
  const two = await visit({ file: water, log: [...log, bite(5), bite(25)], minutes: 30, wide: true }, () => <WaterScreen />);
  await screen.findByText('More places like where they bit today');
  await two.press(/ of the ring$/);
  expect(await screen.findByText('The place you tapped.')).toBeTruthy();
  expect(two.kinds()).toEqual([]);
});
