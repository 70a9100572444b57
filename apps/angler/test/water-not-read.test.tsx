import { fold, type EventBodies, type LedgerState } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { render, screen } from '@testing-library/react-native';
import { StationScreen } from '@/features/station/StationScreen';
import { WaterScreen } from '@/features/water/WaterScreen';
import { ThemeProvider } from '@/theme/theme';
import { event, testId } from '../../../packages/core/test/events';

/** The moment in which the water has been read, and what is known of it is not made yet. */
let mockState: LedgerState;
const mockFile = { water: { name: 'Thin Beck', kind: 'lake', timezone: 'UTC', elevation_m: 0, secchi_m: 1 }, features: [] };
const mockRead = { data: { value: { id: 'beck', version: 1, file: mockFile }, keptMs: 0 }, isError: false };
jest.mock('@/data/outlook', () => ({
  useOutlook: () => ({ situation: null }),
  useSituation: () => {
    throw new Error('expected a water that has been read, found none yet');
  },
}));
jest.mock('@/data/water', () => ({
  useWater: () => ({ waters: { data: { value: [{ id: 'beck' }] }, isError: false }, water: { id: 'beck', kind: 'lake' }, detail: mockRead }),
  useOuting: () => mockState.outings.at(-1),
}));
jest.mock('@/data/ground', () => ({ useGround: () => ({ data: { map: {} }, isPending: false, isError: false }) }));
jest.mock('@/data/session', () => ({ useLedger: () => ({ state: mockState, ready: true, ledger: {} }) }));
jest.mock('@/features/water/map/DepthMapView', () => ({ __esModule: true, default: () => null }));
jest.mock('@/features/water/map/BlankMap', () => ({ __esModule: true, default: () => null }));
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: jest.fn() }) }));

const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);

test.each(['cast', 'pole', 'troll'])('%s: the station waits a moment instead of failing', (method) => {
  const outing = testId();
  const started: EventBodies['outing-started'] = { water: 'beck', waterName: 'Thin Beck', species: ['walleye'], goal: 'numbers', method };
  const opened: EventBodies['station-opened'] = { station: testId(), kind: methodOf(method)!.stationKind, label: '1', at: [-140, 47] };
  mockState = fold([event(outing, 0, 'outing-started', started), event(outing, 60, 'station-opened', opened)]);
  show(<StationScreen />);
  expect(screen.getByText('Opening the water')).toBeTruthy();
});

test('the map of the water waits as well', () => {
  mockState = fold([]);
  show(<WaterScreen />);
  expect(screen.getByText('Drawing the bed')).toBeTruthy();
});
