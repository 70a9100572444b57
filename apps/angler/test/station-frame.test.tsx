import { render, screen, userEvent } from '@testing-library/react-native';
import { Text, View } from 'react-native';
import { StationFrame, type StationSlots } from '@/features/station/StationFrame';
import { ThemeProvider } from '@/theme/theme';
import type { ThumbKey } from '@/ui/ThumbBar';

let mockWide = false;
jest.mock('@/features/shell/Shell', () => ({ useWide: () => mockWide }));
jest.mock('@/ui/useWakeLock', () => ({ useWakeLock: () => mockWake() }));
const mockWake = jest.fn();
let mockBound: string[] = [];
jest.mock('@/ui/useShortcuts', () => ({ useShortcuts: (keys: { id: string }[]) => (mockBound = keys.map((k) => k.id)) }));

const pressed: string[] = [];
const key = (id: string, shortcut: string): ThumbKey => ({ id, label: id, icon: 'fish', shortcut, onPress: () => void pressed.push(id) });
const slots: StationSlots = {
  facts: <Text>Stand 1, water 41 °F measured</Text>,
  heading: 'Cast 280°',
  reason: 'Along the edge.',
  picture: <Text>the map</Text>,
  below: <Text>the section</Text>,
  strip: <Text>the bag</Text>,
  clock: <Text>5 casts</Text>,
  movement: <Text>the beat</Text>,
  keys: [key('Cast', 'C'), key('Bite', 'B')],
  keysLabel: 'What happened',
  log: <Text>the log</Text>,
  logTitle: 'This stand',
  overLog: <Text>the caution</Text>,
  sheets: <Text>the sheets</Text>,
  isBusy: false,
  onHelp: () => void pressed.push('help'),
};
const show = (more: Partial<StationSlots> = {}) =>
  render(
    <ThemeProvider name="day">
      <View>
        <StationFrame {...slots} {...more} />
      </View>
    </ThemeProvider>,
  );
/** Everything that is read, in the order in which it stands. */
const read = () =>
  screen
    .getAllByText(/./)
    .map((t) => (t.props as { children: unknown }).children)
    .flat()
    .filter((c): c is string => typeof c === 'string');
const order = (...texts: string[]) => texts.map((t) => read().indexOf(t));

beforeEach(() => {
  pressed.length = 0;
  mockWide = false;
  mockWake.mockClear();
});

test('on a phone facts, heading, reason, movement, pictures, strip and keys stand one under the other, and the log waits under More', () => {
  show();
  const places = order('Stand 1, water 41 °F measured', 'Cast 280°', 'Along the edge.', 'the beat', 'the map', 'the section', 'the bag', 'Cast', 'Bite');
  expect(places).not.toContain(-1);
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(screen.getByText('5 casts')).toBeTruthy();
  expect(screen.queryByText('the log')).toBeNull();
  expect(screen.queryByText('This stand')).toBeNull();
});

test('wide, the pictures stand beside the frame and the log under the keys', () => {
  mockWide = true;
  show();
  for (const text of ['the map', 'the section', 'Cast 280°', 'the caution', 'This stand', 'the log']) expect(screen.getByText(text)).toBeTruthy();
  const places = order('the map', 'Cast 280°', 'Cast', 'the bag', 'the caution', 'This stand', 'the log');
  expect(places).toEqual([...places].sort((a, b) => a - b));
});

test.each([
  ['on a phone', false, false, []],
  ['wide', true, false, ['Cast', 'Bite']],
  ['wide under a sheet', true, true, []],
] as const)('%s: which single keys work', (_, wide, isBusy, bound) => {
  mockWide = wide;
  show({ isBusy });
  expect(mockBound).toEqual(bound);
});

test('wide, a way’s own panes take the place of its pictures', () => {
  mockWide = true;
  show({ panes: [<Text key="a">left pane</Text>, <Text key="b">right pane</Text>] });
  expect(screen.getByText('left pane')).toBeTruthy();
  expect(screen.getByText('right pane')).toBeTruthy();
  expect(screen.queryByText('the section')).toBeNull();
});

test('the words open what stands behind them where there is more to say, and are no button where there is not', async () => {
  const onOpen = jest.fn();
  const { unmount } = show({ why: { label: 'Why', onOpen } });
  await userEvent.press(screen.getByRole('button', { name: 'Why' }));
  expect(onOpen).toHaveBeenCalledTimes(1);
  unmount();
  show();
  expect(screen.queryByRole('button', { name: 'Why' })).toBeNull();
});

test('every station keeps the screen on, and its keys do what they say', async () => {
  show();
  expect(mockWake).toHaveBeenCalled();
  await userEvent.press(screen.getByRole('button', { name: 'Bite' }));
  expect(pressed).toEqual(['Bite']);
});
