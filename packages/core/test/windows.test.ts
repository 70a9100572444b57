import { feedingWindows, type Activity } from '../src/outlook';
import { hourMs } from '../src/units';

const startMs = Date.parse('2027-01-16T06:00Z');
/** Quarter hours of sixteen hours: a level, and a peak over some of them. */
const day = (level: number, peak: number, quarters: readonly number[]): Activity[] =>
  Array.from(
    { length: 64 },
    (_, k) => ({ atMs: startMs + (k * hourMs) / 4, value: quarters.includes(k) ? peak : level, reasons: [], phase: 'steady', confidence: 1 }) as unknown as Activity,
  );

test('a short sharp peak is worth its hour, where its surroundings are some good', () => {
  const windows = feedingWindows('black-crappie', day(0.7, 1.8, [31, 32, 33]));
  expect(windows).toHaveLength(1);
  expect(windows[0].toMs - windows[0].fromMs).toBeGreaterThanOrEqual(hourMs);
  expect(windows[0].fromMs).toBeLessThanOrEqual(startMs + 7.75 * hourMs);
  expect(windows[0].toMs).toBeGreaterThanOrEqual(startMs + 8.25 * hourMs);
});

test('one that stands in dead hours is none, and a flat day of low worth has none', () => {
  expect(feedingWindows('black-crappie', day(0.1, 1.8, [31, 32]))).toEqual([]);
  expect(feedingWindows('black-crappie', day(0.3, 0.3, []))).toEqual([]);
});
