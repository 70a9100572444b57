import { FormatError, parseWeatherFile } from '../src/formats';

const nowMs = Date.UTC(2026, 11, 2, 9);

test('METAR is taken to be of the latest month in which its last report is past', () => {
  const over = parseWeatherFile('AAAA 301200Z 31012KT 10SM OVC020 M03/M05 A3002\nAAAA 010600Z 30010KT 9999 SKC M06/M08 Q1025\n', nowMs);
  expect(over.monthTaken).toBe('2026-11');
  expect(over.series.map((r) => new Date(r.atMs).toISOString().slice(0, 13))).toEqual(['2026-11-30T12', '2026-12-01T06']);
  expect(parseWeatherFile('AAAA 020800Z 30010KT SKC M06/M08 Q1025', nowMs).monthTaken).toBe('2026-12');
  expect(parseWeatherFile('AAAA 021200Z 30010KT SKC M06/M08 Q1025', nowMs).monthTaken).toBe('2026-11');
});

test('what cannot be read of a report is listed with its line', () => {
  const { series, leftOut } = parseWeatherFile('AAAA 010600Z 30010KT SKC M06/M08 Q1025\nAAAA 010700Z 3001OKT SKC M06/M08 Q1025', nowMs);
  expect(series).toHaveLength(2);
  expect(leftOut).toEqual([{ where: 'line 2', why: expect.stringMatching(/^3001OKT: expected wind/) }]);
});

test('a CSV goes by its header and needs no month', () => {
  const csv = 'time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm\n2026-11-30T12:00Z,-3,1015,2,300,1,0,4\n';
  expect(parseWeatherFile(csv, nowMs)).toMatchObject({ monthTaken: null, leftOut: [], series: [{ airC: -3, snowCm: 4 }] });
});

test.each([
  ['', /line 1: expected a CSV whose header begins with time, or METAR/],
  ['Dear diary, it was cold', /line 1: expected a CSV/],
  ['time,air_c\n2026-11-30T12:00Z,-3', /pressure_hpa/],
  ['time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm\n', /expected at least one hour/],
])('what is no weather is refused with what was expected (%#)', (text, message) => {
  expect(() => parseWeatherFile(text, nowMs)).toThrow(FormatError);
  expect(() => parseWeatherFile(text, nowMs)).toThrow(message);
});
