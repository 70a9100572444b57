import fc from 'fast-check';
import {
  gpxText,
  parseGpx,
  parsePlacesGeoJson,
  parseSoundingsCsv,
  parseWaterFile,
  placeRoles,
  placesGeoJson,
  soundingsCsv,
  swappedNotice,
  type MarkedPlace,
  type Places,
} from '../src/formats';

const degrees = (most: number) => fc.double({ min: -most, max: most, noNaN: true, noDefaultInfinity: true }).map((v) => Number(v.toFixed(7)) + 0);
const at = fc.tuple(degrees(180), degrees(90));
const depthM = fc.double({ min: 0, max: 300, noNaN: true }).map((v) => Number(v.toFixed(2)) + 0);
const time = fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true }).map((d) => d.toISOString());
/** Words as people write them, with what XML and CSV trip over. */
const words = fc
  .array(fc.constantFrom('perch', 'Rød', '<b>', '&', '"quoted"', "o'", 'a,b', 'ß', '10 m', ']]>', '水'), { minLength: 1, maxLength: 4 })
  .map((parts) => parts.join(' '));
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined });
const clean = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as T;

const place: fc.Arbitrary<MarkedPlace> = fc
  .record({ role: fc.constantFrom(...placeRoles), at, depthM: maybe(depthM), name: maybe(words), note: maybe(words), time: maybe(time) })
  .map((p) => clean(p) as MarkedPlace);
const places: fc.Arbitrary<Places> = fc.record({
  points: fc.array(place, { maxLength: 6 }),
  tracks: fc.array(
    fc
      .record({ name: maybe(words), points: fc.array(fc.record({ at, depthM: maybe(depthM), time: maybe(time) }).map(clean), { minLength: 1, maxLength: 4 }) })
      .map((t) => clean(t)),
    { maxLength: 2 },
  ),
}) as fc.Arbitrary<Places>;

test('GPX there and back loses nothing', () => {
  fc.assert(fc.property(places, (p) => expect(parseGpx(gpxText(p))).toEqual({ ...p, leftOut: [] })));
});

test('GeoJSON there and back loses nothing', () => {
  fc.assert(fc.property(places, (p) => expect(parsePlacesGeoJson(placesGeoJson(p))).toEqual({ ...p, leftOut: [] })));
});

test('soundings there and back lose nothing', () => {
  const sounding = fc.record({ role: fc.constant('sounding' as const), at, depthM, time: maybe(time) }).map((p) => clean(p) as MarkedPlace);
  fc.assert(fc.property(fc.array(sounding, { maxLength: 8 }), (points) => expect(parseSoundingsCsv(soundingsCsv(points))).toEqual({ points, leftOut: [] })));
});

test('by way of each other too, as far as each can hold it', () => {
  fc.assert(fc.property(places, (p) => expect(parsePlacesGeoJson(placesGeoJson(parseGpx(gpxText(p))))).toEqual({ ...p, leftOut: [] })));
});

describe('files of other conventions', () => {
  const gpx = (body: string, root = '<gpx version="1.1">') => `<?xml version="1.0"?>\r\n${root}${body}</gpx>`;

  test('GPX with prefixes, a BOM, CRLF, foreign extensions, routes and several segments', () => {
    const text = `\uFEFF${gpx(
      '<g:wpt lat="47.1" lon="-140.2">\r\n<g:name>A &amp; B</g:name><g:extensions><x:Ext><x:Depth>4.5</x:Depth></x:Ext></g:extensions></g:wpt>' +
        '<g:rte><g:rtept lat="47" lon="-140"/></g:rte>' +
        '<g:trk><g:trkseg><g:trkpt lat="1" lon="2"/></g:trkseg><g:trkseg><g:trkpt lat="3" lon="4"/></g:trkseg></g:trk>',
      '<g:gpx xmlns:g="http://www.topografix.com/GPX/1/1" xmlns:x="urn:else">',
    ).replace('</gpx>', '</g:gpx>')}`;
    const { points, tracks, leftOut } = parseGpx(text);
    expect(points).toEqual([
      { role: 'spot', at: [-140.2, 47.1], name: 'A & B' },
      { role: 'spot', at: [-140, 47] },
    ]);
    expect(tracks[0].points.map((p) => p.at)).toEqual([
      [2, 1],
      [4, 3],
    ]);
    expect(leftOut).toEqual([
      { where: '1 depth', why: expect.stringMatching(/^expected burrow:depth_m in metres, found extension elements called Depth, which do not tell their unit/) },
    ]);
  });

  test.each([
    ['<wpt lat="47,1" lon="-140"/>', /waypoint 1: lat: expected −90 to 90 with a decimal point, found "47,1"/],
    ['<wpt lat="-140" lon="47"/>', /waypoint 1: lat: expected .* found "-140"; lat and lon look swapped/],
    ['<wpt lon="47"/>', /lat: expected .* found nothing/],
    ['<wpt lat="1" lon="2"><time>yesterday</time></wpt>', /time: expected ISO 8601, found "yesterday"/],
    [
      '<wpt lat="1" lon="2"><extensions><depth_m xmlns="urn:vivid-burrow:depth:1">3,5</depth_m></extensions></wpt>',
      /depth: expected 0 to 1000 m with a decimal point, found "3,5"/,
    ],
  ])('%s is left out, and why', (body, why) => {
    const { points, leftOut } = parseGpx(gpx(body));
    expect(points).toEqual([]);
    expect(`${leftOut[0].where}: ${leftOut[0].why}`).toMatch(why);
  });

  test('a depth in centimetres of another program is not read as metres, ours is read under any prefix', () => {
    const { points, leftOut } = parseGpx(
      gpx(
        '<wpt lat="47" lon="-140"><extensions><fish:depth>640</fish:depth></extensions></wpt><wpt lat="47" lon="-140"><extensions><d:depth_m>6.4</d:depth_m></extensions></wpt>',
        '<gpx version="1.1" xmlns:fish="urn:some-sounder" xmlns:d="urn:vivid-burrow:depth:1">',
      ),
    );
    expect(points.map((p) => p.depthM)).toEqual([undefined, 6.4]);
    expect(leftOut).toHaveLength(1);
    const borrowed = parseGpx(gpx('<wpt lat="47" lon="-140"><extensions><burrow:depth_m>640</burrow:depth_m></extensions></wpt>', '<gpx xmlns:burrow="urn:else">'));
    expect(borrowed.points[0].depthM).toBeUndefined();
  });

  test('what is no GPX is refused with the line', () => {
    expect(() => parseGpx('<gpx>\n<wpt lat="1" lon="2">\n</gpx>')).toThrow(/line \d: expected GPX, found text that is not well-formed XML/);
    expect(() => parseGpx('<kml></kml>')).toThrow(/element gpx at its root, found none/);
  });

  test('soundings with a BOM and CRLF are read; decimal commas, semicolons and swapped columns are named', () => {
    expect(parseSoundingsCsv('\uFEFFlon,lat,depth_m\r\n-140.1,47.1,3.2\r\n').points).toEqual([{ role: 'sounding', at: [-140.1, 47.1], depthM: 3.2 }]);
    const { points, leftOut } = parseSoundingsCsv('lon,lat,depth_m\n-140,47,2\n"-140,1",47,2\n47,-140,2\n-140,47,\n-140,47,deep\n-140,47,-3\n');
    expect(points).toHaveLength(1);
    expect(leftOut.map((l) => `${l.where}: ${l.why}`)).toEqual([
      'line 3: lon: expected a decimal point, found a decimal comma in "-140,1"',
      'line 4: lat: expected -90 to 90, found -140; lon and lat look swapped',
      'line 5: depth_m: expected a number, found nothing',
      'line 6: depth_m: expected a number or nothing, found "deep"',
      'line 7: depth_m: expected 0 to 1000, found -3',
    ]);
    expect(() => parseSoundingsCsv('lon;lat;depth_m\n-140,1;47,0;3,2\n')).toThrow(/line 1: expected columns set off by commas .* found semicolons/);
    expect(() => parseSoundingsCsv('x,y,z\n1,2,3\n')).toThrow(/expected the columns lon, lat, depth_m .* found x, y, z set off by commas, in the first row 1 \| 2 \| 3/);
  });

  test('GeoJSON: heights are dropped, foreign points are spots, wrong ones are listed, no collection is refused', () => {
    const text = JSON.stringify({
      type: 'FeatureCollection',
      features: [
        { type: 'Feature', geometry: { type: 'Point', coordinates: [-140, 47, 212] }, properties: null },
        { type: 'Feature', geometry: { type: 'Point', coordinates: [47, -140] }, properties: {} },
      ],
    });
    const { points, leftOut } = parsePlacesGeoJson(text);
    expect(points).toEqual([{ role: 'spot', at: [-140, 47] }]);
    expect(leftOut[0]).toEqual({ where: 'feature 2', why: expect.stringMatching(/geometry\.coordinates\.1: expected a latitude/) });
    expect(() => parsePlacesGeoJson('{}')).toThrow(/expected a GeoJSON FeatureCollection/);
    expect(() => parsePlacesGeoJson('lon,lat')).toThrow(/found text that is not JSON/);
  });

  test('a water whose soundings have longitude and latitude swapped is noticed', () => {
    const outline = [
      [-40.01, 46.99],
      [-39.99, 46.99],
      [-39.99, 47.01],
      [-40.01, 46.99],
    ] as [number, number][];
    expect(swappedNotice([[-40, 47]], outline)).toBeNull();
    expect(swappedNotice([[47, -40]], outline)).toMatch(/1 of 1 soundings would lie on the water/);
    const file = {
      type: 'FeatureCollection',
      water: { name: 'W', kind: 'lake', timezone: 'UTC', elevation_m: 1, secchi_m: 2 },
      features: [
        { type: 'Feature', geometry: { type: 'Polygon', coordinates: [outline] }, properties: { role: 'outline' } },
        { type: 'Feature', geometry: { type: 'Point', coordinates: [47, -40] }, properties: { role: 'sounding', depth_m: 2 } },
      ],
    };
    expect(() => parseWaterFile(JSON.stringify(file))).toThrow(/expected longitude before latitude/);
  });
});
