import { memoryOf } from '@burrow/core/coach';
import type { EventKind, LineState, OutingState } from '@burrow/core/ledger';
import { SimulatedFlasher } from '@burrow/core/simulator';
import { act, fireEvent, render, screen, userEvent } from '@testing-library/react-native';
import { FlagBar } from '@/features/station/FlagBar';
import { ShownDepth } from '@/features/station/ShownDepth';
import { RigSheet } from '@/features/station/RigSheet';
import { TipUpSheet } from '@/features/station/TipUpSheet';
import { flagOf, flagsUp, flagText, tipUpName } from '@/features/station/tip-ups';
import { ResponseSheet } from '@/features/station/ResponseSheet';
import { unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';

const mockWritten: { kind: EventKind; body: Record<string, unknown> }[] = [];
const mockAtOnce: number[] = [];

jest.mock('@/data/session', () => ({
  useLedger: () => ({
    ledger: {
      write: async (_scope: unknown, kind: string, body: object) => void mockWritten.push({ kind, body } as (typeof mockWritten)[number]),
      writeAll: async (_scope: unknown, things: object[]) => {
        mockAtOnce.push(things.length);
        mockWritten.push(...(things as typeof mockWritten));
      },
    },
  }),
}));

let mockRules: unknown;
jest.mock('@/data/water', () => ({ useWater: () => ({ detail: { data: { value: { file: { water: { rules: mockRules } } } } } }) }));

const units = unitSystems.metric;
const simulatedEcho = new SimulatedFlasher({ seed: 1, sceneId: 'steady', start: 'x' }).header;
const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);
const line = (over: Partial<LineState> = {}): LineState => ({
  id: 'l1',
  station: 'hole',
  rod: 'tip-up 1',
  presentation: 'Dead bait under a flag',
  downMs: 0,
  upMs: null,
  depths: [{ ms: 0, depthM: 7.2, lineOutM: null }],
  flagsMs: [],
  cadences: [],
  second: null,
  ...over,
});
const outingWith = (over: Partial<OutingState>): OutingState =>
  ({
    id: 'outing',
    stations: [{ id: 'hole', label: '3', at: [0, 0], openedMs: 0, clearIceM: 0.25, whiteIceM: 0, depthM: 7.5, mapDepthM: null, arrivals: [0] }],
    lines: [],
    reactions: [],
    ...over,
  }) as unknown as OutingState;

beforeEach(() => {
  mockWritten.length = 0;
  mockAtOnce.length = 0;
});

describe('tip-ups', () => {
  const sheet = (lines: LineState[], over: Partial<Parameters<typeof TipUpSheet>[0]> = {}) => {
    const outing = outingWith({ lines });
    const onFish = jest.fn();
    show(<TipUpSheet onClose={() => undefined} outing={outing} hole={outing.stations[0]} zone="UTC" units={units} bottomM={7.5} nowMs={90_000} onFish={onFish} {...over} />);
    return onFish;
  };

  test('one is set at its height over the flasher’s bottom, under the next free name', async () => {
    sheet([line(), line({ id: 'l2', rod: 'rod 1' })]);
    const shown = Number(/([\d.]+) m of line/.exec(screen.getByText(/^Set here/).props.children as string)![1]);
    await userEvent.press(screen.getByRole('button', { name: /^Set here/ }));
    expect(mockWritten).toHaveLength(1);
    const { kind, body } = mockWritten[0];
    expect(kind).toBe('line-down');
    expect(body).toMatchObject({ station: 'hole', rod: 'tip-up 2' });
    expect(body.depthM as number).toBeLessThan(7.5);
    expect(body.depthM as number).toBeGreaterThan(6.5);
    expect(Math.abs((body.depthM as number) - shown)).toBeLessThan(0.06);
  });

  test('one more than the rule card allows is said before it is set', () => {
    mockRules = { fish: [], lines: 2, seenOn: '2026-12-01' };
    sheet([line()]);
    expect(screen.queryByText(/your card allows/)).toBeNull();
    screen.unmount();
    sheet([line(), line({ id: 'l2', rod: 'rod 1' })]);
    expect(screen.getByText('2 lines out: your card allows 2.')).toBeTruthy();
    mockRules = undefined;
  });

  test('a line let down with a weight overrules the flasher', async () => {
    sheet([]);
    expect(screen.getByText(/Off the flasher/)).toBeTruthy();
    await userEvent.press(screen.getByRole('button', { name: 'More Bottom' }));
    expect(screen.getByText(/let down with a weight/)).toBeTruthy();
    screen.unmount();
    // Where nothing tells the bottom, nothing is set over it.
    sheet([], { bottomM: null });
    expect(screen.getByText('not sounded')).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Set here/ })).toBeDisabled();
  });

  test('a flag is logged, then its fish, its bait set again or its line taken up', async () => {
    sheet([line()]);
    await userEvent.press(screen.getByRole('button', { name: 'Flag up' }));
    expect(mockWritten).toEqual([{ kind: 'flag-up', body: { line: 'l1' } }]);
    screen.unmount();
    mockWritten.length = 0;
    const onFish = sheet([line({ flagsMs: [25_000] })]);
    expect(screen.getByText('tip-up 1: flag up 1:05')).toBeTruthy();
    await userEvent.press(screen.getByRole('button', { name: 'Fish' }));
    expect(onFish).toHaveBeenCalledWith('l1');
    await userEvent.press(screen.getByRole('button', { name: 'Nothing: set again' }));
    expect(mockWritten.map((w) => w.kind)).toEqual(['line-up', 'line-down']);
    expect(mockWritten[1].body).toMatchObject({ rod: 'tip-up 1', depthM: 7.2 });
    // Both or none: a line taken up without the one set again would be lost.
    expect(mockAtOnce).toEqual([2]);
  });

  test.each([
    ['Felt it, missed', 'missed'],
    ['Bait gone', 'robbed'],
  ])('a flag that came to "%s" is a bite at its depth, and a fresh bait goes down as deep', async (label, reaction) => {
    sheet([line({ flagsMs: [25_000] })]);
    mockWritten.length = 0;
    await userEvent.press(screen.getByRole('button', { name: label }));
    expect(mockWritten.map((w) => w.kind)).toEqual(['reaction', 'line-up', 'line-down']);
    expect(mockWritten[0].body).toMatchObject({ line: 'l1', reaction, depthM: 7.2 });
    expect(mockWritten[2].body).toMatchObject({ rod: 'tip-up 1', depthM: 7.2 });
  });

  test('a line that is up, or no tip-up, has no flag; the earliest flag comes first', () => {
    const early = line({ id: 'early', flagsMs: [10, 500] });
    const late = line({ id: 'late', flagsMs: [900] });
    const lines = [late, early, line({ id: 'up', flagsMs: [5], upMs: 50 }), line({ id: 'rod', rod: 'rod 1', flagsMs: [1] })];
    expect(flagsUp({ lines }).map((l) => l.id)).toEqual(['early', 'late']);
    expect(flagOf(early)).toBe(500);
    expect(tipUpName({ lines: [] })).toBe('tip-up 1');
    expect([flagText(0), flagText(61_000), flagText(-5)]).toEqual(['0:00', '1:01', '0:00']);
  });

  test('the bar counts the seconds by itself and leads to the sheet', async () => {
    jest.useFakeTimers();
    const onPress = jest.fn();
    show(<FlagBar outing={outingWith({ lines: [line({ flagsMs: [60_000] })] })} nowMs={70_000} onPress={onPress} />);
    expect(screen.getByText('Flag up at hole 3, 0:10')).toBeTruthy();
    await act(async () => void jest.advanceTimersByTime(3000));
    fireEvent.press(screen.getByText('Flag up at hole 3, 0:13'));
    expect(onPress).toHaveBeenCalled();
    jest.useRealTimers();
  });

  test('without a flag there is no bar', () => {
    show(<FlagBar outing={outingWith({ lines: [line()] })} nowMs={70_000} onPress={() => undefined} />);
    expect(screen.queryByText(/Flag up/)).toBeNull();
  });
});

describe('what they told us', () => {
  const reactions = [
    ...Array.from({ length: 5 }, (_, i) => ({ id: `b${i}`, kind: 'bite', cadence: 'quiver', depthM: 6, ms: i, line: null, station: 'hole', bottomM: 7.5 })),
    ...Array.from({ length: 5 }, (_, i) => ({ id: `r${i}`, kind: 'refused', cadence: 'bounce', depthM: 4, ms: 10 + i, line: null, station: 'hole', bottomM: 7.5 })),
  ] as unknown as OutingState['reactions'];

  test('says what they want today, and compares by movement and by depth', async () => {
    show(<ResponseSheet outing={outingWith({ reactions })} memory={memoryOf(reactions)} units={units} onClose={() => undefined} />);
    expect(screen.getByText('By the answers so far they want it quiet.')).toBeTruthy();
    expect(screen.getByText('5 answered, 0 turned down, 0 looked')).toBeTruthy();
    expect(screen.getByLabelText(/^Between \d+ and \d+ in 100 of the way from still to lively/)).toBeTruthy();
    await userEvent.press(screen.getByRole('radio', { name: 'Depth' }));
    expect(screen.getByText(/^6(\.0)? m$/)).toBeTruthy();
  });

  test('before the first answer it says that nothing was told', () => {
    show(<ResponseSheet outing={outingWith({})} memory={memoryOf([])} units={units} onClose={() => undefined} />);
    expect(screen.getByText(/Nothing has answered yet/)).toBeTruthy();
    expect(screen.queryByText('lively')).toBeNull();
  });
});

describe('rig on the spot', () => {
  const seconds = () => Number(/^([\d.]+) s down/.exec(screen.getByText(/ s down to /).props.children as string)![1]);

  test('a lighter metal sinks slower, and a current hangs the jig higher than its line', async () => {
    show(<RigSheet drifts={false} jigM={8} units={units} onClose={() => undefined} />);
    const tungsten = seconds();
    await userEvent.press(screen.getByRole('radio', { name: 'Brass' }));
    expect(seconds()).toBeGreaterThan(tungsten);
    expect(screen.getByText(/strike/)).toBeTruthy();
    await userEvent.press(screen.getByRole('button', { name: 'More Current' }));
    const said = screen.getByText(/it hangs at/).props.children as string;
    const [, out, hangs] = /With ([\d.]+) m of line out.*hangs at ([\d.]+) m/.exec(said)!;
    expect(Number(hangs)).toBeLessThanOrEqual(Number(out));
    expect(said).toMatch(/5 cm|° from upright/);
  });
});

test('the depth that the flasher shows stands beside the true one, where the water is known', () => {
  const header = { ...simulatedEcho, waterTempC: 4 };
  show(<ShownDepth header={header} bottomM={7.5} units={units} />);
  expect(screen.getByText(/true, for water of 4 °C: the bottom is at 7.5 m. A flasher set to 1463 m\/s shows it at 7.72 m/)).toBeTruthy();
  show(<ShownDepth header={simulatedEcho} bottomM={7.5} units={units} />);
  expect(screen.queryByText(/Depths are true/)).toBeNull();
});
