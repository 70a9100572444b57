import { fileSizeProblem, parseGpx, parseKml, parseLedger, parsePlacesGeoJson, parseWaterFile } from '../src/formats';

const kml = (inner: string, head = '') => `<?xml version="1.0"?>${head}<kml xmlns="http://www.opengis.net/kml/2.2"><Document>${inner}</Document></kml>`;
const gpx = (inner: string, head = '') => `<?xml version="1.0"?>${head}<gpx version="1.1" creator="x">${inner}</gpx>`;
const outer = '<!DOCTYPE x [<!ENTITY far SYSTEM "file:///etc/passwd">]>';
const bomb = '<!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>';
const mark = '<Placemark><name>&far;</name><Point><coordinates>1,2</coordinates></Point></Placemark>';
const deep = (name: string) => `${`<${name}>`.repeat(5000)}${`</${name}>`.repeat(5000)}`;

test.each([
  ['KML with an outer entity', () => parseKml(kml(mark, outer)), /^line 1: expected KML without declared entities/],
  ['KML with entities of entities', () => parseKml(kml('<Placemark><name>&b;</name></Placemark>', bomb)), /without declared entities/],
  ['KML with an outer document type', () => parseKml(kml(mark.replace('&far;', 'a'), '<!DOCTYPE kml PUBLIC "a" "http://192.0.2.1/a.dtd">')), /without declared entities/],
  ['KML nested without end', () => parseKml(kml(deep('Folder'))), /expected KML nested at most 60 deep, found deeper$/],
  ['GPX with an outer entity', () => parseGpx(gpx('<wpt lat="1" lon="2"><name>&far;</name></wpt>', outer)), /expected GPX without declared entities/],
  ['GPX nested without end', () => parseGpx(gpx(deep('extensions'))), /expected GPX nested at most 60 deep/],
  ['GeoJSON nested without end', () => parsePlacesGeoJson('['.repeat(1_000_000)), /expected GeoJSON, expected values nested at most 12 deep/],
  ['a water nested without end', () => parseWaterFile('{"a":'.repeat(200_000)), /nested at most 10 deep/],
  ['a water of empty features', () => parseWaterFile(`{"type":"FeatureCollection","water":{"name":"W","kind":"lake","timezone":"UTC","elevation_m":0,"secchi_m":2},"features":[${Array(80_000).fill('{}').join(',')}]}`), /features\.0\.properties\.role: expected one of/], // prettier-ignore
  ['a ledger line nested without end', () => parseLedger('['.repeat(100_000)), /^line 1: expected values nested at most 12 deep/],
])('%s is refused in one line', (_, read, words) => {
  let message = '';
  try {
    read();
  } catch (error) {
    expect((error as Error).name).toBe('FormatError');
    ({ message } = error as Error);
  }
  expect(message).toMatch(words);
  expect(message.split('\n')).toHaveLength(1);
  expect(message.length).toBeLessThan(400);
});

test('well-meant XML with a plain document type, comments and text that looks like tags is read', () => {
  const text = kml('<!-- <a><b><c> --><Placemark><name><![CDATA[<x><y>]]></name><Point><coordinates>1,2</coordinates></Point></Placemark>', '<!DOCTYPE kml>');
  expect(parseKml(text).points).toEqual([{ role: 'spot', at: [1, 2], name: '<x><y>' }]);
});

test.each([
  ['pond.geojson', 100e6, 'pond.geojson: expected a file of at most 32 MB, found 100 MB'],
  ['walk.gpx', 20e6, null],
  ['season.ndjson', 100e6, null],
  ['season.ndjson', 500e6, 'season.ndjson: expected a file of at most 400 MB, found 500 MB'],
])('%s of %d bytes', (name, bytes, words) => {
  expect(fileSizeProblem(name, bytes)).toBe(words);
});
