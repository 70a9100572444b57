import { fireEvent, render, screen, userEvent } from '@testing-library/react-native';
import type { WaterWeather } from '@burrow/contract/api';
import { fold } from '@burrow/core/ledger';
import { hourMs } from '@burrow/core/units';
import { GearScreen } from '@/screens/GearScreen';
import { OutlookScreen } from '@/screens/OutlookScreen';
import { SeasonScreen } from '@/screens/SeasonScreen';
import { change, unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';
import { shortOuting } from '../../../packages/core/test/events';

/** The morning of the test: before dawn on 16 January at the water. */
const mockNow = Date.UTC(2027, 0, 16, 15, 40);
const mockQuery = <T,>(value: T | undefined, isError = false) => ({ data: value === undefined ? undefined : { value, keptMs: Date.now() }, isError, refetch: jest.fn() });

let mockWaters: ReturnType<typeof mockQuery>;
let mockDetail: ReturnType<typeof mockQuery>;
let mockWeather: ReturnType<typeof mockQuery>;
let mockLedger: object;
const mockImport = jest.fn(async () => 3);

jest.mock('@/data/clock', () => ({ ...jest.requireActual('@/data/clock'), useNow: () => mockNow, nowMs: () => mockNow }));
jest.mock('@/data/water', () => ({
  useWater: () => ({ waters: mockWaters, water: (mockWaters.data?.value as unknown[] | undefined)?.[0], detail: mockDetail }),
  useWeather: () => mockWeather,
  useLastIce: () => ({ clearM: 0.254, whiteM: 0.0508, atMs: mockNow - 3 * 86_400_000 }),
  useOuting: () => undefined,
}));
jest.mock('@/data/session', () => ({ useLedger: () => mockLedger, useAccount: () => ({ name: 'Ada' }), useSignOut: () => async () => undefined }));
jest.mock('@/components/shell/Shell', () => ({ useWide: () => false }));
jest.mock('@tanstack/react-query', () => ({ useQueryClient: () => ({ invalidateQueries: async () => undefined }) }));

const lake = { id: 'tamber-lake', name: 'Tamber Lake', kind: 'lake', lon: -140, lat: 47 };
const detail = { id: 'tamber-lake', file: { water: { name: 'Tamber Lake', timezone: 'Etc/GMT+9' }, features: [] } };

/** Ten days and five: quiet, with a cold front at 19:00. */
function weather(): WaterWeather {
  const observedMs = Math.floor(mockNow / hourMs) * hourMs;
  const front = Date.UTC(2027, 0, 17, 4);
  const series = [];
  for (let atMs = observedMs - 240 * hourMs; atMs <= observedMs + 120 * hourMs; atMs += hourMs) {
    const since = (atMs - front) / hourMs;
    series.push({
      atMs,
      airC: -9 + 3 * Math.cos(((atMs / hourMs) % 24) / 3.82) - (since > 0 ? 7 : 0),
      pressureHpa: 1020 - 9 * Math.exp(-((since / (since < 0 ? 13 : 6)) ** 2)),
      windMs: 5,
      windFromDeg: since > 0 ? 320 : 200,
      cloud: Math.abs(since) < 10 ? 0.95 : 0.25,
      precipMm: Math.abs(since) < 3 ? 1 : 0,
      snowCm: 8,
    });
  }
  return { station: 'Upland station', simulated: true, observedMs, series };
}

const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);

beforeEach(() => {
  jest.clearAllMocks();
  change({
    units: unitSystems.imperial,
    species: 'black-crappie',
    presentation: 'tungsten',
    presentations: [
      { id: 'tungsten', name: 'Tungsten' },
      { id: 'spoon', name: 'Spoon' },
    ],
  });
  mockWaters = mockQuery([lake]);
  mockDetail = mockQuery(detail);
  mockWeather = mockQuery(weather());
  mockLedger = {
    ready: true,
    state: { outings: [], weather: [] },
    events: [],
    refused: [],
    unsent: 0,
    reached: true,
    signedOut: false,
    ledger: { importEvents: mockImport, sync: async () => undefined },
  };
});

describe('Outlook', () => {
  test('opens with when to go and why, the cold, and the ice with its caution', () => {
    show(<OutlookScreen />);
    expect(screen.getByText(/^Be over them/)).toBeTruthy();
    expect(screen.getByText(/cold front comes at 19:00/)).toBeTruthy();
    expect(screen.getByText('Ice measured 3 days ago: 11 in')).toBeTruthy();
    expect(screen.getByText(/No ice is safe ice/)).toBeTruthy();
    expect(screen.getByText(/Upland station, simulated/)).toBeTruthy();
  });

  test('another fish changes the answer', async () => {
    show(<OutlookScreen />);
    await userEvent.press(screen.getByText('Walleye'));
    expect(screen.getByText(/^Walleye feed best/)).toBeTruthy();
  });

  test('without a water it says how to add one', () => {
    mockWaters = mockQuery([]);
    show(<OutlookScreen />);
    expect(screen.getByText('No water yet')).toBeTruthy();
  });

  test('without a signal or a station it says so, with a way on', async () => {
    mockWeather = mockQuery(undefined, true);
    show(<OutlookScreen />);
    expect(screen.getByText('No weather')).toBeTruthy();
    await userEvent.press(screen.getByText('Try again'));
    expect(mockWeather.refetch).toHaveBeenCalled();
    screen.unmount();
    mockWaters = mockQuery(undefined, true);
    show(<OutlookScreen />);
    expect(screen.getByText('No signal yet')).toBeTruthy();
  });

  test('while the weather is on its way it is busy', () => {
    mockWeather = mockQuery(undefined);
    show(<OutlookScreen />);
    expect(screen.getByText('Reading the weather')).toBeTruthy();
  });

  test('weather kept from long ago is marked with its age', () => {
    mockWeather = { ...mockQuery(weather()), data: { value: weather(), keptMs: Date.now() - 2 * hourMs } };
    show(<OutlookScreen />);
    expect(screen.getByText(/no fresher without signal/)).toBeTruthy();
  });
});

describe('Season', () => {
  test('with nothing logged it says what it will show, and still takes a ledger in', () => {
    show(<SeasonScreen />);
    expect(screen.getByText('Nothing logged yet')).toBeTruthy();
    expect(screen.getByText('Bring a ledger in')).toBeTruthy();
  });

  test('with little logged it does not pretend to know', () => {
    mockLedger = { ...mockLedger, state: fold(shortOuting().events) };
    show(<SeasonScreen />);
    expect(screen.getAllByText(/^Not enough yet/).length).toBeGreaterThan(0);
    expect(screen.getByText(/1 outings, 1 h of line|1 outings, 0 h of line/)).toBeTruthy();
    expect(screen.getByText(/1 hole, 0\.5 h of line, 1 bite: 1 crappie/)).toBeTruthy();
  });
});

describe('Gear', () => {
  test('a presentation is tied on, taken out and put back; the last one stays', async () => {
    show(<GearScreen />);
    await userEvent.press(screen.getByText('Tie on'));
    expect(screen.getByText('on the line')).toBeTruthy();
    await userEvent.press(screen.getByLabelText('Take out Tungsten'));
    expect(screen.queryByText('Tungsten')).toBeNull();
    fireEvent.press(screen.getByLabelText('Take out Spoon'));
    expect(screen.getByText('Spoon')).toBeTruthy();
    await userEvent.press(screen.getByText('Put back Tungsten'));
    expect(screen.getByText('Tungsten')).toBeTruthy();
  });

  test('the least ice can be raised but not lowered under the common guidance', async () => {
    change({ leastIceM: 0.1 });
    show(<GearScreen />);
    await userEvent.press(screen.getByLabelText('Less Least ice'));
    expect(screen.getByText('4 in')).toBeTruthy();
    await userEvent.press(screen.getByLabelText('More Least ice'));
    expect(screen.getByText('4.5 in')).toBeTruthy();
  });

  test('what waits to be sent is said', () => {
    mockLedger = { ...mockLedger, unsent: 4, reached: false };
    show(<GearScreen />);
    expect(screen.getByText('Ada. 4 entries wait on this phone.')).toBeTruthy();
  });
});
