import fc from 'fast-check';
import { clockText, dayText, fromWallClock, isoWithOffset, wallClock, zoneOffsetMs } from '../src/units';

const zones = ['UTC', 'Europe/Helsinki', 'Pacific/Auckland', 'America/Chicago', 'Asia/Kathmandu', '+02:00', '-09:30', '+13:45'];

test('an offset is a zone of its own, wherever the phone is', () => {
  const atMs = Date.UTC(2027, 0, 16, 23, 50);
  expect(clockText(atMs, '-09:30')).toBe('14:20');
  expect(dayText(atMs, '+13:45')).toBe('Sun 17 Jan');
  expect(isoWithOffset(atMs, '+13:45')).toBe('2027-01-17T13:35:00.000+13:45');
  expect(() => zoneOffsetMs(atMs, '+2')).toThrow(RangeError);
});

test('a wall-clock time is read as the instant that shows it, in every zone', () => {
  const instant = fc.integer({ min: Date.UTC(2000, 0, 1) / 60_000, max: Date.UTC(2060, 0, 1) / 60_000 }).map((minutes) => minutes * 60_000);
  fc.assert(
    fc.property(instant, fc.constantFrom(...zones), (atMs, zone) => {
      const read = fromWallClock(wallClock(atMs, zone), zone);
      // An hour that comes twice in autumn is one of the two.
      expect(wallClock(read, zone)).toBe(wallClock(atMs, zone));
      expect(Math.abs(read - atMs)).toBeLessThanOrEqual(3_600_000);
    }),
  );
});

test('an hour that the clocks skip is read as an instant beside it, and what is none is said', () => {
  expect(Math.abs(fromWallClock('2027-03-28T03:30', 'Europe/Helsinki') - Date.UTC(2027, 2, 28, 1, 0))).toBeLessThanOrEqual(3_600_000);
  expect(fromWallClock('yesterday', 'UTC')).toBeNaN();
});
