import fc from 'fast-check';
import { FormatError, parseSoundingsCsv, readPlaces, UnknownColumns } from '../src/formats';

/** What is asked of a table before its columns are known. */
function askedOf(text: string): UnknownColumns['table'] {
  try {
    parseSoundingsCsv(text);
  } catch (error) {
    if (error instanceof UnknownColumns) return error.table;
    throw error;
  }
  throw new Error('expected a question, found points');
}

const german = 'X;Y;Tiefe\n13,4021;52,5103;2,5\n13,4022;52,5104;3,25\n';

test('a table of other names, semicolons and decimal commas is asked about with its first rows, and read once it is said', () => {
  expect(askedOf(german)).toEqual({
    separator: ';',
    columns: ['X', 'Y', 'Tiefe'],
    firstRows: [
      ['13,4021', '52,5103', '2,5'],
      ['13,4022', '52,5104', '3,25'],
    ],
    guess: { lon: 0, lat: 1, depth: 2 },
  });
  expect(parseSoundingsCsv(german, { columns: { lon: 0, lat: 1, depth: 2 }, metresPerUnit: 1 }).points).toEqual([
    { role: 'sounding', at: [13.4021, 52.5103], depthM: 2.5 },
    { role: 'sounding', at: [13.4022, 52.5104], depthM: 3.25 },
  ]);
});

test('feet in the name of the depths are offered as feet; columns alone are not enough where no name tells the unit', () => {
  const feet = 'Latitude,Longitude,Depth (ft)\n46.2,-93.4,10\n';
  expect(askedOf(feet)).toMatchObject({ guess: { lat: 0, lon: 1, depth: 2 }, metresPerUnit: 0.3048 });
  expect(parseSoundingsCsv(feet, { columns: { lat: 0, lon: 1, depth: 2 } }).points[0]).toMatchObject({ at: [-93.4, 46.2], depthM: 3.048 });
  expect(() => parseSoundingsCsv(german, { columns: { lon: 0, lat: 1, depth: 2 } })).toThrow(UnknownColumns);
});

test.each([
  ['no header', '25.7 62.3 4'.replaceAll(' ', '\t') + '\n25.71\t62.31\t5\n', ['column 1', 'column 2', 'column 3'], {}],
  ['heights under the surface', 'x,y,z\n25.7,62.3,-4\n25.71,62.31,-5\n', ['x', 'y', 'z'], { lon: 0, lat: 1, depth: 2 }],
])('%s: asked, then read', (_, text, columns, guess) => {
  expect(askedOf(text)).toMatchObject({ columns, guess });
  const { points, leftOut } = parseSoundingsCsv(text, { columns: { lon: 0, lat: 1, depth: 2 }, metresPerUnit: 1 });
  expect(points.map((p) => p.depthM)).toEqual([4, 5]);
  expect(leftOut).toEqual([]);
});

test('rows that cannot be read are listed with their line, the others are read', () => {
  const text = 'X;Y;depth\n25,7;62,3;4\n25,7;;4\n25,7;162,3;4\n25,7;62,3;deep\n';
  const { points, leftOut } = parseSoundingsCsv(text, { columns: { lon: 0, lat: 1, depth: 2 }, metresPerUnit: 1 });
  expect(points).toHaveLength(1);
  expect(leftOut).toEqual([
    { where: 'line 3', why: 'Y: expected a number, found nothing' },
    { where: 'line 4', why: 'Y: expected -90 to 90, found 162,3' },
    { where: 'line 5', why: 'depth: expected a number, found "deep"' },
  ]);
});

test.each([
  ['', /line 1: expected a table of points, found an empty file/],
  ['a;b\n1;2\n', /expected at least three columns/],
  ['"a,b\n1,2', /expected a table of points/],
])('%j is no table, and it is said', (text, says) => {
  expect(() => parseSoundingsCsv(text)).toThrow(FormatError);
  expect(() => parseSoundingsCsv(text)).toThrow(says);
});

test('whatever sets the cells off and however numbers are written, the same points come of it', () => {
  const point = fc.record({ lon: fc.integer({ min: -1800, max: 1800 }), lat: fc.integer({ min: -900, max: 900 }), dm: fc.integer({ min: 0, max: 900 }) });
  const order = fc.constantFrom<('lon' | 'lat' | 'depth')[]>(['lon', 'lat', 'depth'], ['lat', 'lon', 'depth'], ['depth', 'lat', 'lon']);
  fc.assert(
    fc.property(fc.array(point, { minLength: 1, maxLength: 12 }), order, fc.constantFrom(';', '\t'), fc.constantFrom('.', ','), (points, columns, separator, mark) => {
      const cell = (tenths: number) => (tenths / 10).toFixed(1).replace('.', mark);
      const lines = points.map((p) => columns.map((c) => cell(c === 'depth' ? p.dm : p[c])).join(separator));
      const at = { lon: columns.indexOf('lon'), lat: columns.indexOf('lat'), depth: columns.indexOf('depth') };
      const read = parseSoundingsCsv(['a', 'b', 'c'].join(separator) + '\n' + lines.join('\n'), { columns: at, metresPerUnit: 0.3048 });
      expect(read.leftOut).toEqual([]);
      expect(read.points.map((p) => p.at)).toEqual(points.map((p) => [p.lon / 10, p.lat / 10]));
      for (const [k, p] of read.points.entries()) expect(p.depthM).toBeCloseTo(points[k].dm * 0.03048, 3);
    }),
  );
});

test('tables come by the endings that other programs give them', () => {
  for (const ending of ['csv', 'tsv', 'txt', 'xyz']) expect(() => readPlaces(`lake.${ending}`, german)).toThrow(UnknownColumns);
});
