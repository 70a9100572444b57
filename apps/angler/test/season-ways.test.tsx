import { pointWater, visit, type Logged } from './at-water';
import { fireEvent, screen } from '@testing-library/react-native';
import { SeasonScreen } from '@/features/season/SeasonScreen';
import { testId } from '../../../packages/core/test/events';

const lake = pointWater('lake', [25.4, 62.1]);
const [hole, stand, line] = [testId(), testId(), testId()];
const onIce: Logged[] = [
  [1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [25.4, 62.1] }],
  [2, 'line-down', { line, station: hole, rod: 'rod 1', depthM: 4 }],
  [62, 'fish-landed', { fish: testId(), station: hole, line, species: 'walleye' }],
  [63, 'line-up', { line }],
];
const casting: Logged[] = [
  [70, 'method-changed', { method: 'cast' }],
  [71, 'station-opened', { station: stand, kind: 'stand', label: '2', at: [25.401, 62.1] }],
  ...[72, 73, 74].map((m): Logged => [m, 'cast', { cast: testId(), station: stand, bearingDeg: 10, distanceM: 20 }]),
  [75, 'fish-landed', { fish: testId(), station: stand, species: 'walleye' }],
  [80, 'outing-ended', {}],
];

test('in two ways of fishing the season opens on all outings with what they came to, and one way is chosen from its row', async () => {
  const at = await visit({ file: lake, log: [...onIce, ...casting], minutes: 100 }, () => <SeasonScreen />);
  expect(at.heading()).toBe('2 fish on 1 outing');
  expect(screen.getByText('This winter: 1 outing, 1 h of line in the water, 3 casts, 2 fish')).toBeTruthy();
  await at.press('Casting: 1 fish');
  expect(screen.getByText('This winter: 1 outing, 3 casts, 1 fish')).toBeTruthy();
  fireEvent.press(screen.getByText('All'));
  expect(at.heading()).toBe('2 fish on 1 outing');
  await at.press('On the ice: 1 fish');
  expect(screen.getByText('This winter: 1 outing, 1 h of line in the water, 1 fish')).toBeTruthy();
  at.unmount();
});

test('one way alone needs no choosing', async () => {
  const at = await visit({ file: lake, log: [...onIce, [80, 'outing-ended', {}]], minutes: 100 }, () => <SeasonScreen />);
  expect(screen.getByText('This winter: 1 outing, 1 h of line in the water, 1 fish')).toBeTruthy();
  expect(screen.queryByText('By way of fishing')).toBeNull();
  expect(screen.getByText('Height above bottom')).toBeTruthy();
  at.unmount();
});
