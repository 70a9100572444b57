import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { fold } from '@burrow/core/ledger';
import { SimulatedFlasher } from '@burrow/core/simulator';
import {
  base64Of,
  bytesOf,
  catchesCsv,
  EchoLogReader,
  headerLine,
  isFlowing,
  ledgerText,
  marksOf,
  outlineOf,
  parseGpx,
  parseSoundingsCsv,
  gpxText,
  placesOf,
  riverMarksOf,
  soundingsCsv,
  waterPlaces,
  withHoles,
  withMark,
  withOutline,
  withoutMark,
  type DrilledHole,
  lineLine,
  parseLedger,
  parseWaterFile,
  parseWeatherCsv,
  pingLine,
  soundingsOf,
} from '../src/formats';
import { shortOuting } from '../../core/test/events';

const header = 'time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm';
const row = (time: string, rest = '-8,1020,3,220,0.4,0,5') => `${time},${rest}`;
const csv = (...rows: string[]) => [header, ...rows].join('\n');

test('weather is read, with blanks, a byte order mark and Windows line ends', () => {
  const text = `\uFEFF${csv(row('2027-01-16T06:00-09:00'), row('2027-01-16T07:00-09:00', ',1019.5,,,,,'))}\n`.replaceAll('\n', '\r\n');
  expect(parseWeatherCsv(text)).toMatchObject([
    { atMs: Date.UTC(2027, 0, 16, 15), airC: -8, windFromDeg: 220 },
    { airC: null, pressureHpa: 1019.5, windMs: null },
  ]);
});

test.each([
  ['', /line 1: expected a header/],
  ['time,air_c\n2027-01-16T06:00Z,3', /line 1: expected the columns .* missing pressure_hpa/],
  [csv(row('2027-01-16T06:00Z'), row('2027-01-16T07:00Z', 'cold,1020,3,220,0.4,0,5')), /line 3: air_c: expected a number or nothing, found "cold"/],
  [csv(row('2027-01-16T06:00Z', '-8,1020,3,220,4,0,5')), /line 2: cloud: expected 0 to 1, found 4/],
  [csv(row('2027-01-16T07:00Z'), row('2027-01-16T06:00Z')), /line 3: time: expected ascending times/],
  [csv(row('2027-01-16T07:00Z'), row('2027-01-16T07:00Z')), /line 3: time: expected each time once/],
  [csv(row('16.1.2027 7:00')), /line 2: time: expected ISO 8601 with offset/],
])('weather that is wrong is told by line (%#)', (text, message) => {
  expect(() => parseWeatherCsv(text)).toThrow(message);
});

const demo = (file: string) => readFileSync(path.resolve('demo', file), 'utf8');

test('the demo lake has its soundings, and a broken one says what is wrong', () => {
  const file = parseWaterFile(demo('tamber-lake.geojson'));
  expect(soundingsOf(file).length).toBeGreaterThanOrEqual(400);
  expect(() => parseWaterFile('{')).toThrow(/expected a GeoJSON file/);
  expect(() => parseWaterFile(JSON.stringify({ ...file, features: file.features.slice(1) }))).toThrow(/feature of role outline, or in water\.at the place .*, found neither/);
  expect(() => parseWaterFile(JSON.stringify({ ...file, water: { ...file.water, timezone: 'Nowhere/None' } }))).toThrow(/water\.timezone: expected an IANA time zone/);
});

test('the demo season holds at least twelve outings, and the ledger goes out and in unchanged', () => {
  const events = parseLedger(demo('season.ndjson'));
  expect(fold(events).outings.length).toBeGreaterThanOrEqual(12);
  expect(parseLedger(ledgerText(events))).toEqual(parseLedger(ledgerText([...events].reverse())));
  expect(fold(parseLedger(ledgerText(events)))).toEqual(fold(events));
});

test('a damaged ledger is refused by line', () => {
  const lines = ledgerText(shortOuting().events).trim().split('\n');
  expect(() => parseLedger([...lines.slice(0, 3), lines[3].slice(0, 40)].join('\n'))).toThrow(/line 4: expected a JSON object on one line/);
  expect(() => parseLedger(lines.join('\n').replace('"kind":"station-opened"', '"kind":"hole-dug"'))).toThrow(/line 2: expected a ledger event, kind/);
});

test('catches come out as CSV that no spreadsheet runs', () => {
  const { events } = shortOuting();
  const named = events.map((e) => (e.kind === 'line-down' ? { ...e, body: { ...e.body, presentation: '=SUM(A1), "big"' } } : e)) as typeof events;
  const text = catchesCsv(fold(named));
  const [head, fish] = text.trim().split('\n');
  expect(head.split(',')).toContain('length_mm');
  expect(fish).toContain('black-crappie,250,228,5.5,7.5,"\'=SUM(A1), ""big""",released,ice,,,');
});

test('catches of the pole come with their swim and size class, those of a pass with neither', () => {
  const [head, ...rows] = catchesCsv(fold(parseLedger(demo('season.ndjson'))))
    .trim()
    .split('\n');
  const of = (way: string) => rows.map((row) => Object.fromEntries(row.split(',').map((cell, k) => [head.split(',')[k], cell]))).filter((row) => row.way === way);
  const pole = of('pole');
  expect(pole.length).toBeGreaterThan(20);
  expect(pole.every((row) => Number(row.out_m) > 1 && (row.size_class_mm !== '' || row.length_mm !== ''))).toBe(true);
  expect(of('troll').every((row) => row.out_m === '' && row.size_class_mm === '')).toBe(true);
});

/** A short echo log of the simulated flasher. */
function echoLog(pings: number): string[] {
  const flasher = new SimulatedFlasher({ seed: 1, sceneId: 'steady', start: '2027-01-16T06:40:00.000-09:00' });
  return [headerLine(flasher.header), lineLine(0, 5.6), ...Array.from({ length: pings }, () => pingLine(flasher.next().ping))];
}

test('an echo log is read back as written', () => {
  const reader = new EchoLogReader();
  const records = echoLog(5).map((line) => reader.push(line));
  expect(reader.header?.bins).toBe(700);
  expect(records.map((r) => r?.type ?? null)).toEqual([null, 'line', 'ping', 'ping', 'ping', 'ping', 'ping']);
});

test('a damaged echo log is told by line, whatever the damage', () => {
  const lines = echoLog(6);
  const readUpTo = (changed: string[]) => {
    const reader = new EchoLogReader();
    let read = 0;
    try {
      for (const line of changed) {
        reader.push(line);
        read++;
      }
    } catch (error) {
      return { read, message: (error as Error).message };
    }
    return { read, message: null };
  };
  expect(readUpTo(lines.slice(1)).message).toMatch(/line 1: expected an echo-log header/);
  expect(readUpTo([...lines.slice(0, 4), lines[3]]).message).toMatch(/line 5: t: expected later/);
  expect(readUpTo([lines[0], pingLine({ t: 1, a: new Uint8Array(12) })]).message).toMatch(/expected 700 bins, found 12/);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: lines.length - 1 }), fc.nat(1000), (at, cut) => {
      const damaged = lines[at].slice(0, cut % (lines[at].length - 1));
      const { read, message } = readUpTo([...lines.slice(0, at), damaged]);
      if (damaged.trim() === '') return;
      expect(message).toMatch(new RegExp(`^line ${at + 1}: expected`));
      expect(read).toBe(at);
    }),
  );
});

test('bytes go to text and back', () => {
  fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => expect(bytesOf(base64Of(bytes))).toEqual(new Uint8Array(bytes))));
  expect(bytesOf('not base64 !')).toBeNull();
});

describe('marks on a water', () => {
  const [west, east]: [number, number][] = [
    [-140, 47],
    [-139.99, 47],
  ];
  const feature = (type: string, coordinates: unknown, properties: object) => ({ type: 'Feature', geometry: { type, coordinates }, properties });
  const outline = feature('Polygon', [[west, east, [-139.99, 47.01], [-140, 47.01], west]], { role: 'outline' });
  const file = (...features: object[]) =>
    JSON.stringify({ type: 'FeatureCollection', water: { name: 'Made', kind: 'river', timezone: 'Etc/GMT+9', elevation_m: 3, secchi_m: 1 }, features: [outline, ...features] });

  test('are read by role, an area at its middle, with what is said of each', () => {
    const water = parseWaterFile(
      file(
        feature('Point', west, { role: 'inflow', name: 'creek' }),
        feature('Polygon', [[west, east, [-139.99, 47.01], [-140, 47.01], west]], { role: 'cover', kind: 'timber' }),
        feature('LineString', [west, east], { role: 'seam', name: 'outer seam' }),
        feature('LineString', [west, east], { role: 'bank', height_m: 4, steepness: 'wall' }),
        feature('Point', east, { role: 'hard' }),
        feature('Point', east, { role: 'sounding', depth_m: 2 }),
      ),
    );
    const { places, lines } = marksOf(water);
    expect(places).toEqual([
      { index: 1, role: 'inflow', at: west, name: 'creek' },
      { index: 2, role: 'cover', kind: 'timber', at: [expect.closeTo(-139.995, 9), expect.closeTo(47.005, 9)] },
      { index: 5, role: 'hard', at: east },
    ]);
    expect(lines.map((l) => [l.index, l.role, l.name ?? l.steepness])).toEqual([
      [3, 'seam', 'outer seam'],
      [4, 'bank', 'wall'],
    ]);
    expect(riverMarksOf(water)).toMatchObject({ seams: [{ name: 'outer seam' }], covers: [{ kind: 'timber' }], hard: [east] });
    expect(placesOf(water, 'inflow')).toEqual([west]);
    expect([isFlowing('river'), isFlowing('channel'), isFlowing('reservoir')]).toEqual([true, true, false]);
  });

  test('one more mark and one fewer: the file given stays as it is, and only marks can go', () => {
    const before = parseWaterFile(file(feature('Point', west, { role: 'sounding', depth_m: 2 })));
    const kept = JSON.stringify(before);
    const boulder = withMark(before, { role: 'cover', at: east, kind: 'boulder', name: 'big one' });
    const wall = withMark(boulder, { role: 'bank', line: [west, east], heightM: 12, steepness: 'wall' });
    expect(marksOf(parseWaterFile(JSON.stringify(wall)))).toEqual({
      places: [{ index: 2, role: 'cover', at: east, kind: 'boulder', name: 'big one' }],
      lines: [{ index: 3, role: 'bank', line: [west, east], heightM: 12, steepness: 'wall' }],
    });
    expect(withoutMark(wall, 3)).toEqual(boulder);
    expect(JSON.stringify(before)).toBe(kept);
    expect(() => withoutMark(wall, 0)).toThrow(/expected the number of a mark, found 0/);
    expect(() => withoutMark(wall, 1)).toThrow(RangeError);
  });

  test('another shore takes the place of the old one, closed, and all else stays', () => {
    const before = parseWaterFile(file(feature('Point', west, { role: 'hard' })));
    const ring: [number, number][] = [west, east, [-139.995, 47.02]];
    const after = parseWaterFile(JSON.stringify(withOutline(before, ring)));
    expect(outlineOf(after)).toEqual([...ring, west]);
    expect(withOutline(before, [...ring, west])).toEqual(after);
    expect(after.features.slice(1)).toEqual(before.features.slice(1));
    expect(() => withOutline(before, [west, east])).toThrow(/at least three corners of a shore, found 2/);
  });

  test('what goes out to other programs comes back: marks, soundings, and holes with what they gave', () => {
    const water = parseWaterFile(
      file(
        feature('Point', west, { role: 'sounding', depth_m: 2.5, time: '2027-01-16T07:00:00-09:00' }),
        feature('Point', east, { role: 'cover', kind: 'root', name: 'alder root' }),
        feature('LineString', [west, east], { role: 'seam', name: 'inner' }),
      ),
    );
    const holes: DrilledHole[] = [
      { at: east, label: '3', depthM: 7.25, time: '2027-01-16T08:00:00-09:00', fish: 2 },
      { at: west, label: '4', depthM: null, time: '2027-01-16T09:00:00-09:00', fish: 0 },
    ];
    const places = waterPlaces(water, holes);
    expect(places.points).toHaveLength(4);
    const { leftOut, ...back } = parseGpx(gpxText(places));
    expect(leftOut).toEqual([]);
    expect(back).toEqual(places);
    expect(parseSoundingsCsv(soundingsCsv(places.points)).points.map((p) => p.depthM)).toEqual([2.5, 7.25]);
    const whole = parseWaterFile(JSON.stringify(withHoles(water, holes)));
    expect(whole.features.slice(0, 4)).toEqual(water.features);
    expect(whole.features[4].properties).toEqual({ role: 'hole', name: 'Hole 3', time: holes[0].time, fish: 2, depth_m: 7.25 });
    expect(whole.features[5].properties).not.toHaveProperty('depth_m');
  });

  test('a feature that is none is named with its number and what was expected of it', () => {
    expect(() => parseWaterFile(file(feature('Point', west, { role: 'shipwreck' })))).toThrow(/features\.1\.properties\.role: expected one of outline, .*found "shipwreck"/);
    expect(() => parseWaterFile(file({ type: 'Feature', properties: null, geometry: { type: 'Point', coordinates: west } } as never))).toThrow(
      /features\.1\.properties\.role: expected one of outline, .*found nothing/,
    );
    expect(() => parseWaterFile(file(feature('Point', west, { role: 'sounding', depth_m: -2 })))).toThrow(/features\.1\.properties\.depth_m: expected at least 0/);
    expect(() => parseWaterFile(file(feature('Point', west, { role: 'seam' })))).toThrow(/features\.1\.geometry\.type: /);
  });
});
