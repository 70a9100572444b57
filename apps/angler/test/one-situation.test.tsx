import { fold, type EventBodies, type EventKind, type LedgerState } from '@burrow/core/ledger';
import { situationAt, type Situation } from '@burrow/core/situation';
import { render, screen } from '@testing-library/react-native';
import { OutlookProvider, useSituation } from '@/data/outlook';
import { change, startingPreferences, unitSystems } from '@/data/preferences';
import { UnsoundedCast } from '@/features/cast/UnsoundedCast';
import { TieOnScreen } from '@/features/tackle/TieOnScreen';
import { ThemeProvider } from '@/theme/theme';
import { baseMs, event, testId } from '../../../packages/core/test/events';

const mockNow = baseMs + 3 * 3_600_000;
const query = <T,>(value: T | undefined, error: unknown = null) => ({
  data: value === undefined ? undefined : { value, keptMs: mockNow },
  isError: error !== null,
  error,
  refetch: jest.fn(),
});
const lake = { id: 'beck', name: 'Thin Beck', kind: 'lake', lon: -140, lat: 47 };
const file = { water: { name: 'Thin Beck', kind: 'lake', timezone: 'Etc/GMT+9', elevation_m: 0, secchi_m: 1, assumed: ['secchi_m'] }, features: [] };
const mockWater = { waters: query([lake]), water: lake, detail: query({ id: 'beck', version: 1, file }) };
const noWeather = query(undefined, { status: 404 });
let mockState: LedgerState;
const mockWeather = noWeather;

jest.mock('@/data/clock', () => ({ ...jest.requireActual('@/data/clock'), useNow: () => mockNow, nowMs: () => mockNow }));
jest.mock('@/data/water', () => ({
  useWater: () => mockWater,
  useWeather: () => mockWeather,
  useWinter: () => ({ data: undefined }),
  useLastIce: () => undefined,
  useOuting: () => mockState.outings.at(-1),
  isNone: (error: { status?: number } | null) => error?.status === 404,
}));
jest.mock('@/data/column', () => ({ useColumn: () => ({ data: undefined, isPending: true, isError: false }) }));
jest.mock('@/data/ground', () => ({ useGround: () => ({ data: undefined, isError: false }) }));
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: jest.fn() }) }));
jest.mock('@/data/session', () => ({
  useLedger: () => ({ state: mockState, events: [], ready: true, ledger: {} }),
  useAccount: () => ({ name: 'Ada', store: {} }),
}));
jest.mock('@/features/shell/Shell', () => ({ useWide: () => false }));
jest.mock('@/ui/useWakeLock', () => ({ useWakeLock: () => undefined }));
jest.mock('@/ui/useShortcuts', () => ({ useShortcuts: () => undefined }));
jest.mock('@tanstack/react-query', () => ({ useQueryClient: () => ({}), useQuery: () => ({ data: undefined }), useMutation: () => ({}) }));

const stand = testId();
/** An outing of casting at one stand, with whatever else was logged there, hours after its start. */
function logged(...entries: [number, EventKind, object][]): LedgerState {
  const outing = testId();
  const first: [number, EventKind, object][] = [
    [0, 'outing-started', { water: 'beck', waterName: 'Thin Beck', species: ['walleye'], goal: 'size', method: 'cast' }],
    [0.1, 'station-opened', { station: stand, kind: 'stand', label: '1', at: [-140, 47] }],
  ];
  return fold([...first, ...entries].map(([h, kind, body]) => event(outing, h * 3600, kind, body as EventBodies[typeof kind])));
}

const mockSeen = jest.fn<void, [Situation]>();
function Seen() {
  mockSeen(useSituation());
  return null;
}
const show = (node: React.ReactElement) =>
  render(
    <ThemeProvider name="day">
      <OutlookProvider>{node}</OutlookProvider>
    </ThemeProvider>,
  );
const atStand = () => <UnsoundedCast outing={mockState.outings[0]} stand={mockState.outings[0].stations[0]} water={{ id: 'beck', version: 1, file } as never} />;

beforeEach(() => change({ ...startingPreferences, units: unitSystems.imperial, presentations: [], presentation: null }));

test('screens are given what the core makes of the same log, value for value', () => {
  mockState = logged([1, 'temperature-measured', { station: stand, depthM: 0.3, tempC: 9.4 }], [1, 'clarity-measured', { station: stand, secchiM: 0.7 }]);
  show(<Seen />);
  const [seen] = mockSeen.mock.lastCall!;
  expect(seen).toEqual(
    situationAt({
      state: mockState,
      nowMs: mockNow,
      outlook: null,
      water: { id: 'beck', place: { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' }, isMoving: false, secchiM: 1, isSecchiMeasured: false, deepestM: null },
      species: 'black-crappie',
      method: null,
      goal: 'numbers',
      bait: null,
      ownBand: null,
    }),
  );
  expect(seen).toMatchObject({ species: { value: 'walleye' }, temperature: { by: 'measured' }, clarity: { value: 0.7, by: 'measured' } });
});

test('the stand and the tackle box name one temperature, measured or assumed', () => {
  for (const [entries, words] of [
    [[[1, 'temperature-measured', { station: stand, depthM: 0.3, tempC: 9.4 }]], /49 °F measured/],
    [[], /\d+ °F assumed/],
  ] as [[number, EventKind, object][], RegExp][]) {
    mockState = logged(...entries);
    const found = [atStand(), <TieOnScreen key="tie" />].map((node) => {
      const { unmount } = show(node);
      const [said] = screen.getAllByText(words);
      const text = [said.props.children as string].flat().join('');
      unmount();
      return /(\d+) °F (measured|assumed)/.exec(text)!.slice(1);
    });
    expect(found[0]).toEqual(found[1]);
  }
});

test('warmer water shortens the rest of a cast within the same fold', () => {
  const restAt = (tempC: number) => {
    mockState = logged([1, 'temperature-measured', { station: stand, depthM: 0.3, tempC }]);
    const { unmount } = show(atStand());
    const [, rest] = /rest (\d+) s/.exec(screen.getByLabelText(/^Bring it back/).props['aria-label'] as string)!;
    unmount();
    return Number(rest);
  };
  expect(restAt(12)).toBeLessThan(restAt(5));
});

test('what was read since the minute began counts at once', () => {
  mockState = logged([3 + 20 / 3600, 'temperature-measured', { station: stand, depthM: 0.3, tempC: 7 }]);
  show(<Seen />);
  expect(mockSeen.mock.lastCall![0].temperature).toMatchObject({ value: 7, by: 'measured' });
});
