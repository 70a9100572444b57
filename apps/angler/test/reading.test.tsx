import { adviseReading } from '@burrow/core/coach';
import type { StationState } from '@burrow/core/ledger';
import { act, fireEvent, render, renderHook, screen, userEvent, waitFor } from '@testing-library/react-native';
import { ReadingView } from '@/features/station/reading/ReadingView';
import { useReading } from '@/features/station/reading/useReading';
import { unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';

const mockKept = new Map<string, unknown>();
jest.mock('@/data/session', () => {
  const store = { setting: async (key: string) => mockKept.get(key), keep: async (key: string, value: unknown) => void mockKept.set(key, value) };
  return { useAccount: () => ({ store }) };
});

const units = unitSystems.metric;
const setting = { speciesId: 'black-crappie', waterTempC: 4, beamDeg: 20 };
const hole = (depthM: number | null) => ({ id: 'h', label: '1', depthM, mapDepthM: null }) as unknown as StationState;
const height = 300;
const readMs = Date.UTC(2027, 0, 16, 15);

function Reading({ depthM, jigM, onDid }: { depthM: number | null; jigM: number | null; onDid: (taken: unknown) => void }) {
  const reading = useReading(hole(depthM), setting, undefined, { jigM, bottomM: null }, units);
  return <ReadingView reading={reading} units={units} iceM={null} adviceM={reading.readings[0]?.advice.jigM ?? null} nowMs={readMs} onDid={(did) => onDid(reading.take(did))} />;
}

function show(depthM: number | null, jigM: number | null) {
  const onDid = jest.fn();
  render(
    <ThemeProvider name="day">
      <Reading depthM={depthM} jigM={jigM} onDid={onDid} />
    </ThemeProvider>,
  );
  return onDid;
}

beforeEach(() => mockKept.clear());

/** Touches the picture at a share of its height. */
function touch(name: string, share: number) {
  const picture = screen.getByLabelText(name);
  fireEvent(picture, 'layout', { nativeEvent: { layout: { width: 240, height } } });
  fireEvent(screen.getByLabelText(name), 'responderGrant', { nativeEvent: { locationY: share * height } });
  fireEvent(screen.getByLabelText(name), 'responderRelease', { nativeEvent: {} });
}

test('without a flasher bottom, jig and mark are asked for one after the other, and nothing is filled in', async () => {
  const onDid = show(null, null);
  expect(screen.getByLabelText('Bottom').props['aria-valuetext']).toBe('not set');
  await userEvent.press(screen.getByLabelText('Reading: the mark gone'));
  expect(onDid).toHaveBeenLastCalledWith(null);
  expect(screen.getByText(/^First the bottom: touch the picture/)).toBeTruthy();
  touch('Bottom', 0.8);
  expect(screen.getByLabelText('Jig').props['aria-valuetext']).toBe('not set');
  touch('Jig', 0.5);
  expect(screen.getByLabelText('Top mark').props['aria-valuetext']).toBe('not set');
  await userEvent.press(screen.getByLabelText('Reading: the mark came up'));
  expect(onDid).toHaveBeenLastCalledWith(null);
  expect(screen.getByText(/^First the top mark/)).toBeTruthy();
});

test('a reading is answered by the coach that the flasher has, and two taps repeat it with a change', async () => {
  const onDid = show(7.5, 5);
  for (let k = 0; k < 2; k++) await userEvent.press(screen.getByLabelText(/^Top mark down by/));
  await userEvent.press(screen.getByLabelText('Reading: the mark followed'));
  const markM = onDid.mock.lastCall![0].markM;
  expect(markM).toBeCloseTo(0.7 * 7.5 + 0.1, 0);
  const wanted = adviseReading({ bottomM: 7.5, jigM: 5, topMarkM: markM, did: 'followed' }, setting);
  expect(onDid.mock.lastCall![0].advice).toEqual(wanted);
  await userEvent.press(screen.getByLabelText(/^Top mark up by/));
  await userEvent.press(screen.getByLabelText('Reading: the mark hung'));
  expect(onDid.mock.lastCall![0]).toMatchObject({ did: 'still', jigM: 5, bottomM: 7.5 });
  expect(onDid.mock.lastCall![0].markM).toBeCloseTo(markM - 0.1, 6);
  expect(mockKept.get('readings/h')).toHaveLength(2);
});

test('what nobody saw has no depth, and a jig cannot hang under the bottom', async () => {
  const onDid = show(4, null);
  await userEvent.press(screen.getByLabelText('Jig not set'));
  for (let k = 0; k < 14; k++) await userEvent.press(screen.getByLabelText(/^Jig down by/));
  expect(screen.getByLabelText('Jig 4 m')).toBeTruthy();
  await userEvent.press(screen.getByLabelText('Reading: the mark gone'));
  expect(onDid.mock.lastCall![0]).toMatchObject({ markM: null, did: 'none', jigM: 4 });
});

test('readings outlast the page: bottom and mark stand as they were read last', async () => {
  const first = renderHook(() => useReading(hole(null), setting, undefined, { jigM: 3, bottomM: null }, units));
  act(() => first.result.current.choose('bottom'));
  act(() => first.result.current.touch(6.2));
  act(() => first.result.current.choose('mark'));
  act(() => first.result.current.touch(4.4));
  act(() => void first.result.current.take('rising'));
  first.unmount();
  const again = renderHook(() => useReading(hole(null), setting, undefined, { jigM: 3, bottomM: null }, units));
  await waitFor(() => expect(again.result.current.readings).toHaveLength(1));
  expect(again.result.current.bottomM).toBeCloseTo(6.2, 6);
  expect(again.result.current.markM).toBeCloseTo(4.4, 6);
});
