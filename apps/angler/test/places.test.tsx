import { render, screen, userEvent } from '@testing-library/react-native';
import type { WaterWeather } from '@burrow/contract/api';
import { fold } from '@burrow/core/ledger';
import { hourMs } from '@burrow/core/units';
import { GearScreen } from '@/features/gear/GearScreen';
import { OutlookScreen } from '@/features/outlook/OutlookScreen';
import { SeasonScreen } from '@/features/season/SeasonScreen';
import { OutlookProvider } from '@/data/outlook';
import { change, unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';
import { baseMs, event, shortOuting, testId } from '../../../packages/core/test/events';

/** The morning of the test: before dawn on 16 January at the water. */
const mockNow = Date.UTC(2027, 0, 16, 15, 40);
const mockQuery = <T,>(value: T | undefined, isError = false, error: unknown = null) => ({
  data: value === undefined ? undefined : { value, keptMs: Date.now() },
  isError,
  error,
  refetch: jest.fn(),
});

let mockWaters: ReturnType<typeof mockQuery>;
let mockDetail: ReturnType<typeof mockQuery>;
let mockWeather: ReturnType<typeof mockQuery>;
let mockLedger: object;
let mockIce: { clearM: number; whiteM: number; atMs: number } | undefined;
const [mockImport, mockWrite] = [jest.fn(async () => ({ count: 3 })), jest.fn(async () => ({ id: 'event' }))];

jest.mock('@/data/clock', () => ({ ...jest.requireActual('@/data/clock'), useNow: () => mockNow, nowMs: () => mockNow }));
jest.mock('@/data/water', () => ({
  useWater: () => ({ waters: mockWaters, water: (mockWaters.data?.value as unknown[] | undefined)?.[0], detail: mockDetail }),
  useWeather: () => mockWeather,
  useWinter: () => ({ data: undefined }),
  useLastIce: () => mockIce,
  useOuting: () => undefined,
  isNone: (error: { status?: number } | null) => error?.status === 404,
}));
let mockColumn: object;
jest.mock('@/data/column', () => ({ useColumn: () => mockColumn }));
jest.mock('@/data/ground', () => ({ useGround: () => ({ data: undefined, isError: false }) }));
jest.mock('@/data/learned', () => ({ useFactors: () => ({ isPending: true }), useCalibration: () => ({ waterName: null }) }));
const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: mockNavigate }), useLocalSearchParams: () => ({}) }));
jest.mock('@/data/session', () => ({
  useLedger: () => mockLedger,
  useAccount: () => ({ name: 'Ada', store: { health: { get: () => 'kept', subscribe: () => () => undefined } } }),
  useSignOut: () => async () => undefined,
  useIsSignedOut: () => false,
}));
jest.mock('@/features/shell/Shell', () => ({ useWide: () => false }));
jest.mock('@tanstack/react-query', () => ({
  useQuery: () => ({ data: undefined, isError: false, isPending: false }),
  useQueryClient: () => ({ invalidateQueries: async () => undefined }),
  useMutation: () => ({ error: null, isPending: false, mutate: () => undefined, reset: () => undefined }),
}));

const lake = { id: 'tamber-lake', name: 'Tamber Lake', kind: 'lake', lon: -140, lat: 47 };
const detail = { id: 'tamber-lake', version: 1, file: { water: { name: 'Tamber Lake', kind: 'lake', timezone: 'Etc/GMT+9' }, features: [] } };

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

const show = (node: React.ReactElement) =>
  render(
    <ThemeProvider name="day">
      <OutlookProvider>{node}</OutlookProvider>
    </ThemeProvider>,
  );

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
  mockIce = { clearM: 0.254, whiteM: 0.0508, atMs: mockNow - 3 * 86_400_000 };
  mockWeather = mockQuery(weather());
  mockColumn = { data: undefined, isPending: true, isError: false };
  mockLedger = {
    ready: true,
    state: { outings: [], weather: [] },
    events: [],
    refused: [],
    unsent: 0,
    reached: true,
    trouble: null,
    imports: [],
    signedOut: false,
    ledger: { importEvents: mockImport, sync: async () => undefined, write: mockWrite },
  };
});

describe('Outlook', () => {
  test('opens with when to go and why, the cold, and the ice with its caution', () => {
    show(<OutlookScreen />);
    expect(screen.getByText(/^Be over them/)).toBeTruthy();
    expect(screen.getByText(/cold front comes at 19:[03]0/)).toBeTruthy();
    expect(screen.getByText('Ice measured 3 days ago: 11 in')).toBeTruthy();
    expect(screen.getByText('Running the winter through this water')).toBeTruthy();
    expect(screen.getByText(/No ice is safe ice/)).toBeTruthy();
    expect(screen.getByText(/Upland station, simulated/)).toBeTruthy();
    expect(screen.getByText(/^Simulated weather/)).toBeTruthy();
  });

  test('another fish changes the answer', async () => {
    show(<OutlookScreen />);
    await userEvent.press(screen.getByText('Walleye'));
    expect(screen.getByText(/^Walleye feed best/)).toBeTruthy();
  });

  /** A column of 13 m under a foot of ice: 0 to 4 °C, oxygen failing under 10 m. */
  const profile = (atMs: number) => {
    const depthM = Array.from({ length: 53 }, (_, i) => 0.3 + 0.25 * i);
    return {
      atMs,
      iceClearM: 0.3,
      iceWhiteM: 0.05,
      snowM: 0.05,
      slushM: 0,
      thawDegreeH: 0,
      hoursAbove: 0,
      depthM,
      tempC: depthM.map((z) => Math.min(4, z / 2)),
      oxygenMgL: depthM.map((z) => (z > 10 ? 1 : 11)),
      light: depthM.map((z) => 0.02 * Math.exp(-z / 2)),
    };
  };
  const answer = () => ({
    column: {
      now: profile(mockNow),
      ahead: [profile(mockNow)],
      dayAgo: null,
      spreadC: Array.from({ length: 53 }, () => 0.1),
      freezeUpMs: mockNow - 50 * 24 * hourMs,
      iceOutMs: null,
      fit: null,
      deepestM: 13.4,
    },
    why: null,
    evidence: [{ ruleId: 'weather.approach', minutes: 600, bites: 50, expected: 40, share: 0.6, factor: 1.4 }],
  });

  test('with its column it says where to be in it, how it was come by, and the same in figures', async () => {
    mockColumn = { data: answer(), isPending: false, isError: false };
    show(<OutlookScreen />);
    expect(screen.getByText('Warmest at the bottom, breathable to 33 ft')).toBeTruthy();
    expect(screen.getByText(/^Crappie, midwinter: \d+(\.5)? to \d+(\.5)? ft/)).toBeTruthy();
    expect(screen.getByText(/nothing measured yet/)).toBeTruthy();
    expect(screen.getAllByText('60 % your log, the rest fieldcraft').length).toBeGreaterThan(0);
    await userEvent.press(screen.getByText('In figures'));
    expect(screen.getByText('24 ft')).toBeTruthy();
    expect(screen.getAllByText('39.2 °F').length).toBeGreaterThan(0);
  });

  test('a thermometer read this morning says what it changed, from what to what', () => {
    const outing = testId();
    const started = { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers' as const, method: 'ice' };
    const read = { station: testId(), depthM: 3, tempC: 6 };
    const at = (s: number) => (mockNow - baseMs) / 1000 - 3600 + s;
    mockLedger = { ...mockLedger, state: fold([event(outing, at(0), 'outing-started', started), event(outing, at(60), 'temperature-measured', read)]) };
    mockColumn = { data: answer(), isPending: false, isError: false };
    show(<OutlookScreen />);
    expect(screen.getByText(/^Your thermometer, 05:41: 43 °F at 10 ft, where the model had \d+ °F\./)).toBeTruthy();
  });

  test('a column that cannot be had says why, and the windows stand without it', () => {
    mockColumn = { data: { column: null, why: 'weather before freeze-up is missing', evidence: [] }, isPending: false, isError: false };
    show(<OutlookScreen />);
    expect(screen.getByText(/Not to be had: weather before freeze-up is missing/)).toBeTruthy();
    expect(screen.getByText(/^Be over them/)).toBeTruthy();
  });

  test('the plan can be moved, thinned and had back', async () => {
    mockColumn = { data: answer(), isPending: false, isError: false };
    show(<OutlookScreen />);
    await userEvent.press(screen.getByLabelText(/^Change Drill 6 holes.*, 14:50$/));
    await userEvent.press(screen.getByText('15 min later'));
    expect(screen.getByLabelText(/^Done with Drill 6 holes/)).toBeTruthy();
    expect(screen.getByText('15:05')).toBeTruthy();
    await userEvent.press(screen.getByText('Take out'));
    expect(screen.queryByText(/^Drill 6 holes/)).toBeNull();
    await userEvent.press(screen.getByText('Back to the plan as computed'));
    expect(screen.getByText('14:50')).toBeTruthy();
  });

  test('what one sees of the weather is logged, only what was set', async () => {
    // Still on its way to the disk: what is said afterwards is loaded by the browser alone.
    mockWrite.mockReturnValueOnce(new Promise(() => undefined));
    show(<OutlookScreen />);
    await userEvent.press(screen.getByText('Log what I see'));
    await userEvent.press(screen.getByText('Overcast'));
    await userEvent.press(screen.getByLabelText('Less Glass'));
    await userEvent.press(screen.getByText('Log this weather'));
    expect(mockWrite).toHaveBeenCalledWith(expect.anything(), 'weather-seen', { cloud: 1, pressureHpa: expect.closeTo(1015, 0) });
  });

  test('with a machine the ice is asked for more, and its bearing stands beside the guidance', async () => {
    show(<OutlookScreen />);
    await userEvent.press(screen.getByText('With a truck'));
    expect(screen.getByText(/^Not enough ice/)).toBeTruthy();
    expect(screen.queryByText(/published range/)).toBeNull();
    await userEvent.press(screen.getByText('With a sled machine'));
    expect(screen.getByText(/published range ice like that bore \d+ lb/)).toBeTruthy();
    await userEvent.press(screen.getByText('On foot'));
  });

  test('without a water it says how to add one', () => {
    mockWaters = mockQuery([]);
    show(<OutlookScreen />);
    expect(screen.getByText('No water yet')).toBeTruthy();
  });

  test('without a signal or a station it says so, with a way on', async () => {
    mockWeather = mockQuery(undefined, true);
    show(<OutlookScreen />);
    expect(screen.getByText('No weather yet')).toBeTruthy();
    expect(screen.getByText(/^The weather service does not answer/)).toBeTruthy();
    await userEvent.press(screen.getByText('Ask it again'));
    expect(mockWeather.refetch).toHaveBeenCalled();
    screen.unmount();
    mockWaters = mockQuery(undefined, true);
    show(<OutlookScreen />);
    expect(screen.getByText('No signal yet')).toBeTruthy();
  });

  test('a water whose weather nobody knows gets none made up: what was measured, and the light', () => {
    mockWeather = mockQuery(undefined, true, { status: 404 });
    mockIce = undefined;
    show(<OutlookScreen />);
    expect(screen.getByText('No weather yet')).toBeTruthy();
    expect(screen.getByText('Ice not measured')).toBeTruthy();
    expect(screen.getByText(/^Light from \d\d:\d\d, sunrise/)).toBeTruthy();
    expect(screen.queryByText(/simulated|modelled|cold front/i)).toBeNull();
    screen.unmount();
    mockIce = { clearM: 0.254, whiteM: 0, atMs: mockNow - 3 * 86_400_000 };
    show(<OutlookScreen />);
    expect(screen.getByText(/Whether it has thawed since is not known either/)).toBeTruthy();
  });

  test('moving water gets no walk over ice and only its own fish, whatever the cold', () => {
    mockWaters = mockQuery([{ ...lake, id: 'ullen', name: 'Ullen', kind: 'river' }]);
    mockDetail = mockQuery({
      id: 'ullen',
      version: 1,
      file: { water: { name: 'Ullen', kind: 'river', timezone: 'Etc/GMT+9', species: ['largemouth', 'smallmouth'] }, features: [] },
    });
    show(<OutlookScreen />);
    expect(screen.getByText('Moving water: keep off any ice on it')).toBeTruthy();
    expect(screen.queryByText(/testing the ice|Drill \d|Off the ice|Open water, as modelled|On foot/)).toBeNull();
    expect(screen.getByText(/^Set out along the bank/)).toBeTruthy();
    // Two fish, and five things to cast from.
    expect(screen.getAllByRole('radio')).toHaveLength(7);
    expect(screen.getByText('Largemouth')).toBeTruthy();
    expect(screen.queryByText('Crappie')).toBeNull();
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
    expect(screen.getByText(/1 outing, 1 h of line|1 outing, 0 h of line/)).toBeTruthy();
    expect(screen.getByText(/1 hole, 0\.5 h of line, 1 bite: 1 crappie/)).toBeTruthy();
  });
});

describe('Gear', () => {
  test('a presentation is tied on, taken out and put back; an empty box says that the log knows no bait', async () => {
    show(<GearScreen />);
    await userEvent.press(screen.getByText('Tie on'));
    expect(screen.getByText(/^on the line/)).toBeTruthy();
    await userEvent.press(screen.getByLabelText('Take out Tungsten'));
    expect(screen.queryByText('Tungsten')).toBeNull();
    await userEvent.press(screen.getByLabelText('Take out Spoon'));
    expect(screen.getByText(/^The box is empty/)).toBeTruthy();
    await userEvent.press(screen.getByText('Put back Spoon'));
    expect(screen.getByText('Spoon')).toBeTruthy();
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

  test('a server that answers but does not take what is sent is told apart from no signal, and what it refused is listed', () => {
    const event = { id: 'e1', outing: 'o', angler: 'a', device: 'd', at: '2027-01-16T06:40:00Z', kind: 'note', v: 1, body: { text: 'x' } };
    mockLedger = { ...mockLedger, unsent: 1, reached: true, trouble: 'The server failed.', refused: [{ id: 'e1', event, sent: 0, refused: 'body.text: too long' }] };
    show(<GearScreen />);
    expect(screen.getByText(/The server answers but does not take what is sent: The server failed\. 1 entry waits on this phone/)).toBeTruthy();
    expect(screen.getByText('Note, Sat 16 Jan 06:40 UTC')).toBeTruthy();
    expect(screen.getByText('body.text: too long')).toBeTruthy();
    expect(screen.getByText('Send again')).toBeTruthy();
  });
});
