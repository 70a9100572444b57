import { FormatError, parseHourlyJson } from '../src/formats';

const answer = (hourly: object, more: object = {}) => ({ latitude: 52.5, longitude: 13.4, elevation: 38, generationtime_ms: 0.1, timezone: 'GMT', hourly, ...more });

test('a day as services write it: local times, km/h, percent and metres', () => {
  const { series, service, simulated } = parseHourlyJson(
    answer(
      {
        time: ['2026-11-27T00:00', '2026-11-27T01:00'],
        temperature_2m: [-3.2, null],
        pressure_msl: [1021.4, 1020.9],
        wind_speed_10m: [18, 36],
        wind_direction_10m: [0, 360],
        cloud_cover: [100, 25],
        precipitation: [0, 0.4],
        snow_depth: [0.05, 0.12],
      },
      { utc_offset_seconds: 3600, timezone: 'Europe/Somewhere', hourly_units: { time: 'iso8601', temperature_2m: '°C', wind_speed_10m: 'km/h', snow_depth: 'm' } },
    ),
  );
  expect([service, simulated]).toEqual([null, false]);
  expect(series).toEqual([
    { atMs: Date.UTC(2026, 10, 26, 23), airC: -3.2, pressureHpa: 1021.4, windMs: 5, windFromDeg: 0, cloud: 1, precipMm: 0, snowCm: 5 },
    { atMs: Date.UTC(2026, 10, 27, 0), airC: null, pressureHpa: 1020.9, windMs: 10, windFromDeg: 360, cloud: 0.25, precipMm: 0.4, snowCm: 12 },
  ]);
});

test('Unix seconds, Fahrenheit, knots and inches; columns that are not there are unknown', () => {
  const { series } = parseHourlyJson(
    answer(
      { time: [1_800_000_000], temperature_2m: [14], wind_speed_10m: [10], precipitation: [0.1] },
      { utc_offset_seconds: 3600, hourly_units: { temperature_2m: '°F', wind_speed_10m: 'kn', precipitation: 'inch' } },
    ),
  );
  expect(series[0]).toMatchObject({
    atMs: 1_800_000_000_000,
    airC: expect.closeTo(-10),
    windMs: expect.closeTo(5.14, 2),
    precipMm: expect.closeTo(2.54),
    pressureHpa: null,
    snowCm: null,
  });
});

test('times with an offset of their own, out of order and twice: ascending, each once', () => {
  const { series } = parseHourlyJson(
    answer({ time: ['2026-11-27T02:00:00+01:00', '2026-11-27T00:00:00Z', '2026-11-27T01:00:00Z'], temperature_2m: [1, 0, 9] }, { utc_offset_seconds: 7200 }),
  );
  expect(series.map((r) => [new Date(r.atMs).getUTCHours(), r.airC])).toEqual([
    [0, 0],
    [1, 1],
  ]);
});

test('what cannot be is unknown, not weather', () => {
  const { series } = parseHourlyJson(answer({ time: [0], temperature_2m: [999], pressure_msl: [10], wind_speed_10m: [-1], cloud_cover: [140], snow_depth: [400] }));
  expect(Object.values(series[0]).filter((v) => v !== null)).toEqual([0]);
});

test.each([
  [{}, /^latitude: /],
  [answer({}), /^hourly\.time: /],
  [answer({ time: [1, 2], pressure_msl: [1000] }), /hourly\.pressure_msl: expected 2 values, one for each time, found 1/],
  [answer({ time: ['noon'] }), /hourly\.time\[0\]: expected Unix seconds or ISO 8601, found "noon"/],
  [answer({ time: [1], temperature_2m: [1] }, { hourly_units: { temperature_2m: 'K' } }), /hourly_units\.temperature_2m: expected °C, °F, found "K"/],
  [answer({ time: [1], temperature_2m: ['cold'] }), /hourly\.temperature_2m\.0/],
  ['<html>', /expected object/],
])('refuses what is no such answer, and says where (%#)', (value, message) => {
  expect(() => parseHourlyJson(value)).toThrow(FormatError);
  expect(() => parseHourlyJson(value)).toThrow(message);
});
