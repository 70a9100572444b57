import { render, screen } from '@testing-library/react-native';
import { fold } from '@burrow/core/ledger';
import type { Calibration, Factor } from '@burrow/core/season';
import { FactorPart } from '@/features/season/learned/FactorPart';
import { LossPart } from '@/features/season/learned/LossPart';
import { OutlookPart } from '@/features/season/learned/OutlookPart';
import { Trials } from '@/features/season/learned/Trials';
import { ThemeProvider } from '@/theme/theme';
import { event, shortOuting, testId } from '../../../packages/core/test/events';

interface Told<T> {
  data: T | undefined;
  isPending: boolean;
  isError: boolean;
}
let mockFactors: Told<{ factors: Factor[]; outings: number }>;
let mockCalibration: Told<Calibration> & { waterName: string | null };
let mockState: ReturnType<typeof fold>;
jest.mock('@/data/learned', () => ({ useFactors: () => mockFactors, useCalibration: () => mockCalibration }));
jest.mock('@/data/session', () => ({ useLedger: () => ({ state: mockState }) }));

const show = (part: React.JSX.Element) => render(<ThemeProvider name="day">{part}</ThemeProvider>);
const told = <T,>(data: T): Told<T> => ({ data, isPending: false, isError: false });
const times = (factor: number) => ({ factor, low: factor / 1.4, high: factor * 1.4 });
const factor = (over: Partial<Factor>): Factor => ({ factor: 'presentation', level: 'Spoon', against: 'Worm', alone: times(2), together: times(2), isNamed: false, ...over });

beforeEach(() => {
  mockState = fold(shortOuting().events);
  mockCalibration = { data: undefined, isPending: true, isError: false, waterName: 'Tamber Lake' };
});

test('what surely goes with more bites is the headline, and what only looked like it is told beside it', async () => {
  mockFactors = told({
    factors: [factor({ isNamed: true, together: times(2.1) }), factor({ factor: 'hour', level: 'dawn', against: 'day', alone: times(2.4), together: times(1.1) })],
    outings: 30,
  });
  await show(<FactorPart method="ice" />);
  expect(screen.getByText('Spoon: 2.1 times the bites')).toBeOnTheScreen();
  expect(screen.getByText('Alone, dawn looks like 2.4; beside the others it is 1.1.')).toBeOnTheScreen();
  expect(screen.getByLabelText(/^2\.1 times together, 1\.5 to 2\.9; 2\.0 alone$/)).toBeOnTheScreen();
});

test.each([
  [told({ factors: [] as Factor[], outings: 7 }), 'Not enough yet'],
  [told({ factors: [factor({})], outings: 25 }), 'Nothing that could not be luck'],
  [told({ factors: [] as Factor[], outings: 25 }), 'Nothing to weigh'],
  [{ data: undefined, isPending: false, isError: true }, 'Could not be weighed.'],
  [{ data: undefined, isPending: true, isError: false }, 'Weighing the season'],
])('without a sure difference it says so, and what would tell', async (answer, says) => {
  mockFactors = answer;
  await show(<FactorPart method="ice" />);
  expect(screen.getByText(says)).toBeOnTheScreen();
});

test('each step to the net has its count, and a step that leaked is named with what to change', async () => {
  await show(<LossPart method="ice" />);
  expect(screen.getByText('100 % of those that bit were hooked')).toBeOnTheScreen();
  const day = (seen: number, bites: number) => {
    const [outing, hole, line] = [testId(), testId(), testId()];
    return [
      event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }),
      event(outing, 1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [25, 61] }),
      event(outing, 2, 'line-down', { line, station: hole, rod: 'rod 1' }),
      ...Array.from({ length: seen }, (_, k) => event(outing, 600 * (k + 1), 'reaction', { station: hole, line, reaction: 'looked' })),
      ...Array.from({ length: bites }, (_, k) => event(outing, 600 * (k + 1) + 20, 'reaction', { station: hole, line, reaction: 'bite' })),
      event(outing, 600 * (seen + 2), 'outing-ended', {}),
    ];
  };
  mockState = fold([...day(80, 64), ...day(100, 12)]);
  await show(<LossPart method="ice" />);
  expect(screen.getByText('Last time you lost them before they bite')).toBeOnTheScreen();
  expect(screen.getByText(/change the cadence first, then the size/)).toBeOnTheScreen();
});

test('the Outlook is held against what came, and nothing is claimed of few outings', async () => {
  const bins = [0.5, 1, 1.5, 2, 3].map((foretold) => ({ foretold, came: foretold * 1.1, low: foretold * 0.8, high: foretold * 1.4, hours: 20 }));
  const skill = { constant: { value: 0.31, low: 0.2, high: 0.4 }, dawnDusk: { value: -0.04, low: -0.1, high: 0.1 } };
  mockCalibration = { ...told({ outings: 30, visits: 90, skill, bins, isClaimed: true }), waterName: 'Tamber Lake' };
  await show(<OutlookPart />);
  expect(screen.getByText('The Outlook told more than chance')).toBeOnTheScreen();
  expect(screen.getByText('Tamber Lake: 31 % better than the same all day, 4 % worse than dawn and dusk only.')).toBeOnTheScreen();
  mockCalibration = { ...told({ outings: 9, visits: 20, skill: null, bins: [], isClaimed: false }), waterName: 'Tamber Lake' };
  await show(<OutlookPart />);
  expect(screen.getByText(/25 outings on this water; 9 so far/)).toBeOnTheScreen();
});

test('baits that hung side by side are told of; one alone is not', async () => {
  const { events, outing, hole } = shortOuting();
  await show(<Trials outings={fold(events).outings} heading="Side by side" />);
  expect(screen.queryByText('Side by side')).toBeNull();
  const line = testId();
  const second = [
    event(outing, 121, 'line-down', { line, station: hole, rod: 'rod 2', presentation: 'Worm', depthM: 6 }),
    event(outing, 700, 'reaction', { station: hole, line, reaction: 'bite' }),
  ];
  await show(<Trials outings={fold([...events, ...second]).outings} heading="Side by side" />);
  expect(await screen.findByText('Side by side')).toBeOnTheScreen();
  expect(screen.getByText(/against .*: open$/)).toBeOnTheScreen();
});
