import type { Measurement } from '@burrow/core/winter';
import fc from 'fast-check';
import { measurementsCsv, parseMeasurementsCsv } from '../src/formats';

const header = 'time,kind,depth_m,value';
const read = (...rows: string[]) => parseMeasurementsCsv([header, ...rows].join('\n'));

test('each kind becomes what it is, in metres, degrees and milligrams', () => {
  const { measurements, secchi } = read(
    '2027-01-13T12:30-09:00,temp_c,3.5,2.4',
    '2027-01-13T12:31-09:00,ice_clear_cm,,29.2',
    '2027-01-13T12:31-09:00,ice_white_cm,,5',
    '2027-01-13T12:32-09:00,snow_cm,,7',
    '2027-01-13T12:40-09:00,oxygen_mgl,9,6.1',
    '2026-10-02T10:00-09:00,secchi_m,,3.4',
  );
  expect(measurements.map((m) => [m.kind, m.depthM, Math.round(m.value * 1000) / 1000])).toEqual([
    ['tempC', 3.5, 2.4],
    ['iceClearM', undefined, 0.292],
    ['iceWhiteM', undefined, 0.05],
    ['snowM', undefined, 0.07],
    ['oxygenMgL', 9, 6.1],
  ]);
  expect(secchi).toEqual([{ atMs: Date.parse('2026-10-02T10:00-09:00'), depthM: 3.4 }]);
});

test.each([
  ['2027-01-13T12:30-09:00,temp_f,3,2', /line 2: kind: expected one of temp_c, .*secchi_m, found "temp_f"/],
  ['2027-01-13T12:30-09:00,temp_c,,2', /line 2: depth_m: expected the depth of this temp_c, found nothing/],
  ['2027-01-13T12:30-09:00,temp_c,3,', /line 2: value: expected a number, found nothing/],
  ['2027-01-13T12:30-09:00,temp_c,3,cold', /line 2: value: expected a number or nothing, found "cold"/],
  ['2027-01-13T12:30-09:00,ice_clear_cm,,900', /line 2: value: expected 0 to 300, found 900/],
  ['2027-01-13T12:30-09:00,temp_c,-1,3', /line 2: depth_m: expected 0 to 500/],
  ['13.01.2027,temp_c,3,2', /line 2: time: expected ISO 8601 with offset/],
])('%s is refused by line and field', (row, message) => {
  expect(() => read(row)).toThrow(message);
});

test('a file without its columns says which are missing', () => {
  expect(() => parseMeasurementsCsv('time,value\n')).toThrow(/line 1: expected the columns time,kind,depth_m,value, missing kind, depth_m/);
  expect(() => parseMeasurementsCsv('')).toThrow(/line 1: expected a header/);
});

const tenth = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((n) => n / 10);
const measurement = fc.oneof(
  fc.record({ kind: fc.constant('tempC' as const), depthM: tenth(0, 40), value: tenth(-2, 30) }),
  fc.record({ kind: fc.constant('oxygenMgL' as const), depthM: tenth(0, 40), value: tenth(0, 16) }),
  fc.record({ kind: fc.constantFrom('iceClearM' as const, 'iceWhiteM' as const, 'snowM' as const), value: tenth(0, 90).map((cm) => cm / 100) }),
);

test('what is written is read back as it was, earliest first', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(measurement, fc.integer({ min: 0, max: 200 * 86_400 })), { maxLength: 30 }), (rows) => {
      const all: Measurement[] = rows.map(([m, s]) => ({ ...m, atMs: Date.UTC(2026, 9, 1) + s * 1000 }));
      const back = parseMeasurementsCsv(measurementsCsv(all)).measurements;
      const sorted = [...all].sort((a, b) => a.atMs - b.atMs);
      expect(back.map((m) => [m.atMs, m.kind, m.depthM])).toEqual(sorted.map((m) => [m.atMs, m.kind, m.depthM]));
      back.forEach((m, i) => expect(m.value).toBeCloseTo(sorted[i].value, 5));
    }),
  );
});
