import { act, fireEvent, render, screen, userEvent } from '@testing-library/react-native';
import type { EventKind, LedgerEvent, OutingState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { StationSheet } from '@/features/station/StationSheet';
import { FishSheet } from '@/features/station/FishSheet';
import { LogList } from '@/features/station/LogList';
import { change, unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';

const mockWritten: { kind: EventKind; body: Record<string, unknown> }[] = [];
let mockOutings: unknown[] = [];
let mockRules: unknown;

jest.mock('@/data/session', () => ({
  useLedger: () => ({
    state: { outings: mockOutings, weather: [] },
    ledger: {
      writeAll: async (_scope: unknown, things: { kind: string; body: object }[]) => {
        mockWritten.push(...(things as typeof mockWritten));
        return things.map((thing, i) => ({ id: `event-${i}`, ...thing })) as unknown as LedgerEvent[];
      },
    },
  }),
}));
jest.mock('@/data/water', () => ({
  useWater: () => ({ detail: { data: mockRules ? { value: { file: { water: { kind: 'lake', at: [-140, 47], rules: mockRules }, features: [] } } } : undefined } }),
}));

const outing: OutingState = {
  id: 'outing',
  water: 'tamber-lake',
  waterName: 'Tamber Lake',
  species: ['black-crappie'],
  goal: 'numbers',
  zone: '+00:00',
  startedMs: 0,
  endedMs: null,
  method: usualMethod.id,
  methods: [{ ms: 0, method: usualMethod.id }],
  casts: [],
  feeds: [],
  plumbed: [],
  flows: [],
  changes: [],
  quiet: [],
  weighed: [],
  rests: [],
  stations: [
    {
      id: 'hole',
      kind: 'hole',
      method: usualMethod.id,
      track: null,
      trackMs: [],
      endedMs: null,
      label: '1',
      at: [-140, 47],
      placed: null,
      openedMs: 0,
      clearIceM: 0.25,
      whiteIceM: 0.05,
      depthM: 7.5,
      mapDepthM: 7.4,
      outM: null,
      peg: 'hole',
      arrivals: [0],
      stays: [],
    },
  ],
  lines: [],
  reactions: [],
  temperatures: [],
  felt: [],
  levels: [],
  surfaces: [],
  ice: [],
  entries: [],
  plan: [],
  clarity: [],
  currentStation: 'hole',
  fish: [
    {
      id: 'f1',
      eventId: 'e1',
      ms: 0,
      station: 'hole',
      line: null,
      species: 'black-crappie',
      lengthMm: 240,
      classMm: null,
      weightG: 200,
      girthMm: null,
      note: null,
      photo: null,
      depthM: 6,
      bottomM: 7.5,
      cast: null,
      outM: null,
      alongM: null,
      at: null,
      fate: 'kept',
    },
  ],
};
const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);

beforeEach(() => {
  mockWritten.length = 0;
  mockOutings = [];
  mockRules = undefined;
  change({ units: unitSystems.imperial, species: 'black-crappie', leastIceM: 0.1 });
});

describe('fish sheet', () => {
  const sheet = (over: Partial<Parameters<typeof FishSheet>[0]> = {}, onLogged = jest.fn()) => {
    show(<FishSheet open onClose={() => undefined} outing={outing} zone="UTC" station="hole" line="line" depthM={6} bottomM={7.5} airC={-2} onLogged={onLogged} {...over} />);
    return onLogged;
  };

  test('a tap on released writes the fish with its depth, and no length or weight that nobody measured', async () => {
    const logged = sheet();
    expect(screen.getByText('Not measured')).toBeTruthy();
    await userEvent.press(screen.getByText('Released'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['fish-landed', 'fish-released']);
    expect(mockWritten[0].body).toEqual({ fish: expect.any(String), station: 'hole', species: 'black-crappie', depthM: 6, bottomM: 7.5, line: 'line' });
    expect(mockWritten[1].body.fish).toBe(mockWritten[0].body.fish);
    expect(logged).toHaveBeenCalledWith('event-0', 'Crappie released');
  });

  test('a length is what the ruler was set to, by touch or drag, each species for itself; the weight from it is an estimate and not logged', async () => {
    sheet();
    const ruler = screen.getByLabelText('Length');
    fireEvent(ruler, 'layout', { nativeEvent: { layout: { width: 380, height: 84 } } });
    fireEvent(ruler, 'responderGrant', { nativeEvent: { pageX: 200 } });
    fireEvent(ruler, 'responderRelease', { nativeEvent: { pageX: 200, locationX: 190 } });
    expect(screen.getByText('9.5 in')).toBeTruthy();
    expect(screen.getByText(/^About \d+ oz, give or take/)).toBeTruthy();
    expect(screen.queryByText('Roach')).toBeNull();
    await userEvent.press(screen.getByText('Another fish'));
    await userEvent.press(screen.getByText(/^All \d+ fish$/));
    await userEvent.press(screen.getByText('Roach'));
    expect(screen.getByText('Not measured')).toBeTruthy();
    fireEvent(ruler, 'responderGrant', { nativeEvent: { pageX: 200 } });
    fireEvent(ruler, 'responderMove', { nativeEvent: { pageX: 190 } });
    await userEvent.press(screen.getByText('Kept'));
    expect(mockWritten[0].body).toMatchObject({ species: 'roach', lengthMm: expect.any(Number) });
    expect(mockWritten[0].body).not.toHaveProperty('weightG');
  });

  const keptToday = (count: number) => [{ ...outing, fish: Array.from({ length: count }, (_, k) => ({ ...outing.fish[0], id: `k${k}`, ms: Date.now() - 60_000 })) }];

  test('what is kept today is counted, with the law left to the law', () => {
    mockOutings = keptToday(1);
    sheet();
    expect(screen.getByText(/1 kept today\. Check the local limit and size: no rule card is written/)).toBeTruthy();
  });

  test('over the bag or under the size is said before the fish is kept, and keeping it takes a second tap; letting it go takes one', async () => {
    mockOutings = keptToday(2);
    mockRules = { fish: [{ species: 'black-crappie', bag: 2, leastMm: 200 }], seenOn: '2026-12-01' };
    sheet();
    expect(screen.getByText(/^2 kept today: your card allows 2 a day\. Not measured: your card has a size/)).toBeTruthy();
    await userEvent.press(screen.getByText('Kept'));
    expect(mockWritten).toEqual([]);
    await userEvent.press(screen.getByText('Kept all the same'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['fish-landed', 'fish-kept']);
    mockWritten.length = 0;
    await userEvent.press(screen.getByText('Released'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['fish-landed', 'fish-released']);
  });

  test('look-alikes are parted by what one can see, and the fish is taken from there', async () => {
    sheet();
    await userEvent.press(screen.getByText('Which fish is it?'));
    expect(screen.getByText('Two crappies')).toBeTruthy();
    await userEvent.press(screen.getByText('6 or fewer'));
    expect(screen.getByText(/^White crappie 97 in 100, Crappie 3 in 100$/)).toBeTruthy();
    await userEvent.press(screen.getByText('White crappie: take it'));
    await userEvent.press(screen.getByText('Released'));
    expect(mockWritten[0].body).toMatchObject({ species: 'white-crappie' });
  });

  test('from deep water, or in hard frost, the caution stands where the fish is', () => {
    sheet({ depthM: 9, airC: -11 });
    expect(screen.getByText('From 29.5 ft: likely hurt by depth')).toBeTruthy();
    expect(screen.getByText(/^12 °F: gills and eyes freeze/)).toBeTruthy();
  });

  test('in shallow water and mild air there is none', () => {
    sheet();
    expect(screen.queryByText(/likely hurt/)).toBeNull();
    expect(screen.queryByText(/freeze in seconds/)).toBeNull();
  });
});

describe('drill sheet', () => {
  const sheet = (onDrilled = jest.fn(), method = usualMethod) => {
    show(
      <StationSheet
        open
        onClose={() => undefined}
        method={method}
        outing={outing}
        zone="UTC"
        at={[-140.001, 47.001]}
        placed={{ by: 'map' }}
        expectedM={6.4}
        onOpened={onDrilled}
      />,
    );
    return onDrilled;
  };

  test('with nothing touched it writes a hole whose ice is not measured and whose depth is the map’s estimate, not a sounding', async () => {
    sheet();
    expect(screen.getAllByText('not measured')).toHaveLength(2);
    expect(screen.getByText('not sounded')).toBeTruthy();
    expect(screen.getByText('Ice not measured here')).toBeTruthy();
    expect(screen.queryByText(/^Counts as/)).toBeNull();
    await userEvent.press(screen.getByText('Hole is drilled'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['station-opened']);
    expect(mockWritten[0].body).toMatchObject({ mapDepthM: 6.4 });
  });

  test('over open water no ice is asked for, and the place is a spot', async () => {
    sheet(jest.fn(), methodOf('vertical')!);
    expect(screen.getByText('Spot 2')).toBeTruthy();
    expect(screen.queryByText('Clear ice')).toBeNull();
    expect(screen.queryByText(/Ice not measured/)).toBeNull();
    await userEvent.press(screen.getByText('I am over it'));
    expect(mockWritten[0].body).toMatchObject({ kind: 'spot', mapDepthM: 6.4 });
  });

  test('a figure that was set can be taken back to not measured', async () => {
    sheet();
    await userEvent.press(screen.getByLabelText('More Clear ice'));
    await userEvent.press(screen.getByLabelText('More Depth by flasher or line'));
    await userEvent.press(screen.getByLabelText('Clear ice not measured'));
    await userEvent.press(screen.getByLabelText('Depth by flasher or line not measured'));
    await userEvent.press(screen.getByText('Hole is drilled'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['station-opened']);
  });

  test('ice is counted up from nothing, the depth from the map’s, and hole, ice and depth are written together', async () => {
    const drilled = sheet();
    expect(screen.getByText('The map expects 21 ft: an estimate, not a sounding.')).toBeTruthy();
    await userEvent.press(screen.getByLabelText('More Clear ice'));
    expect(screen.getByText('0.5 in')).toBeTruthy();
    for (let k = 0; k < 3; k++) await userEvent.press(screen.getByLabelText('Add 2 in to Clear ice'));
    expect(screen.getByText('6.5 in')).toBeTruthy();
    await userEvent.press(screen.getByLabelText('More Depth by flasher or line'));
    await userEvent.press(screen.getByLabelText('More Depth by flasher or line'));
    await userEvent.press(screen.getByText('Hole is drilled'));
    expect(mockWritten.map((e) => e.kind)).toEqual(['station-opened', 'ice-measured', 'depth-sounded']);
    expect(mockWritten[0].body).toMatchObject({ label: '2', at: [-140.001, 47.001] });
    expect(mockWritten[2].body.depthM).toBeCloseTo(6.4 + 0.1524, 3);
    expect(drilled).toHaveBeenCalled();
  });

  test('ice below the angler’s own least is not enough; white ice counts half', async () => {
    sheet();
    await userEvent.press(screen.getByLabelText('Add 2 in to Clear ice'));
    for (let k = 0; k < 2; k++) await userEvent.press(screen.getByLabelText('More Clear ice'));
    await userEvent.press(screen.getByLabelText('More White ice'));
    await userEvent.press(screen.getByLabelText('More White ice'));
    expect(screen.getByText('Counts as 3.5 in: not enough')).toBeTruthy();
    await userEvent.press(screen.getByLabelText('More Clear ice'));
    await userEvent.press(screen.getByLabelText('More Clear ice'));
    expect(screen.getByText('Counts as 4.5 in here')).toBeTruthy();
    expect(screen.getByText(/says nothing about the next hole/)).toBeTruthy();
  });

  test('nothing is written when it is left', () => {
    sheet();
    expect(mockWritten).toEqual([]);
  });
});

test('the log says what happened in the angler’s units, latest first, each with its undo', async () => {
  const undone: string[] = [];
  const full: OutingState = {
    ...outing,
    reactions: [
      {
        id: 'r1',
        ms: 60_000,
        station: 'hole',
        line: null,
        kind: 'looked',
        depthM: 6,
        bottomM: 7.5,
        cadence: null,
        cast: null,
        outM: null,
        alongM: null,
        at: null,
        turn: null,
        speedMs: null,
      },
    ],
    ice: [{ ms: 30_000, clearM: 0.254, whiteM: 0.05, snowM: null, station: 'hole' }],
    entries: [
      { id: 'd', ms: 0, station: 'hole', kind: 'station-opened' },
      { id: 'i', ms: 30_000, station: 'hole', kind: 'ice-measured' },
      { id: 'r1', ms: 60_000, station: 'hole', kind: 'reaction', text: 'looked' },
      { id: 'e1', ms: 90_000, station: 'hole', kind: 'fish-landed', text: 'f1' },
    ],
  };
  show(<LogList outing={full} entries={full.entries} units={unitSystems.metric} timeZone="UTC" onUndo={(id) => undone.push(id)} />);
  expect(screen.getByText('Crappie 24 cm, 200 g, kept')).toBeTruthy();
  expect(screen.getByText('jig 6 m')).toBeTruthy();
  expect(screen.getByText('25 cm clear, 5 cm white')).toBeTruthy();
  expect(screen.getByText('bottom 7.5 m')).toBeTruthy();
  await userEvent.press(screen.getByLabelText('Undo Looked 00:01'));
  expect(undone).toEqual(['r1']);
  act(() => change({ units: unitSystems.imperial }));
});
