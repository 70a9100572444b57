import { scenarioClock, systemClock } from '../src/clock';
import { readSettings } from '../src/settings';

const env = { DATABASE_URL: 'postgres://u:p@127.0.0.1:5432/d', FLASHER_URL: 'http://127.0.0.1:1', WEATHER_URL: 'http://127.0.0.1:2', SESSION_SECRET: 'sixteen characters' };

test('settings have their defaults and are numbers where numbers are meant', () => {
  expect(readSettings({ ...env, PORT: '9000' })).toMatchObject({ PORT: 9000, HOST: '127.0.0.1', LOG_LEVEL: 'info' });
  expect(readSettings(env).PORT).toBe(8787);
  expect(readSettings({ ...env, PORT: '', DEMO_START: '', PROCESSES: '2' })).toMatchObject({ PORT: 8787, PROCESSES: 2, PROXY_HOPS: 0 });
});

test.each([
  [{ DATABASE_URL: 'mysql://x' }, /DATABASE_URL: expected postgres/],
  [{ PORT: 'high' }, /PORT: /],
  [{ SESSION_SECRET: 'short' }, /SESSION_SECRET: expected at least 16/],
  [{ DEMO_START: 'tomorrow' }, /DEMO_START: /],
  [{ PROXY_HOPS: '9' }, /PROXY_HOPS: /],
  [{ PROCESSES: '0' }, /PROCESSES: /],
  [{ FLASHER_URL: 'y', WEATHER_URL: 'x' }, /FLASHER_URL: .*WEATHER_URL: /],
])('what is wrong with them is named, all at once (%#)', (over, message) => {
  expect(() => readSettings({ ...env, ...over })).toThrow(message);
});

test('a scenario’s clock starts where it is told and runs on', () => {
  const start = Date.parse('2027-01-16T06:40:00-09:00');
  const clock = scenarioClock(start);
  const first = clock.nowMs();
  expect(first - start).toBeGreaterThanOrEqual(0);
  expect(first - start).toBeLessThan(5000);
  expect(clock.nowMs()).toBeGreaterThanOrEqual(first);
  expect(Math.abs(systemClock.nowMs() - Date.now())).toBeLessThan(5000);
});
