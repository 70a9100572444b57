import { slowed } from '@/data/flasher';
import type { Frame } from '@/workers/frame';

const frame = (t: number, lineM = 5, source = 'live'): Frame => ({ state: { t, bottomM: 10, jigM: lineM, marks: [] }, lineM, source }) as unknown as Frame;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('twenty pings a second change the words three times, and the last of them is shown', () => {
  const shown: number[] = [];
  const { push } = slowed((f) => shown.push(f.state.t));
  for (let k = 0; k < 40; k++) {
    push(frame(k));
    jest.advanceTimersByTime(50);
  }
  expect(shown.length).toBeGreaterThanOrEqual(5);
  expect(shown.length).toBeLessThanOrEqual(7);
  jest.advanceTimersByTime(500);
  expect(shown.at(-1)).toBe(39);
});

test('a jig that was moved and another source are shown at once', () => {
  const shown: [number, number][] = [];
  const { push } = slowed((f) => shown.push([f.state.t, f.lineM]));
  push(frame(0));
  push(frame(1));
  push(frame(2, 6));
  push(frame(3, 6, 'local'));
  expect(shown).toEqual([[0, 5], [2, 6], [3, 6]]); // prettier-ignore
});

test('nothing is shown after the end', () => {
  const shown: number[] = [];
  const { push, stop } = slowed((f) => shown.push(f.state.t));
  push(frame(0));
  push(frame(1));
  stop();
  jest.advanceTimersByTime(1000);
  expect(shown).toEqual([0]);
});
