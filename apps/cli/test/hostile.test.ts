import { spawnSync } from 'node:child_process';
import { mkdtempSync, truncateSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const folder = mkdtempSync(path.join(os.tmpdir(), 'burrow-hostile-'));
const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8' });
const file = (name: string, text: string) => {
  const at = path.join(folder, name);
  writeFileSync(at, text);
  return at;
};
const water = (features: string) => `{"type":"FeatureCollection","water":{"name":"W","kind":"lake","timezone":"UTC","elevation_m":0,"secchi_m":2},"features":[${features}]}`;

test.each([
  [
    'a water of eighty thousand empty features',
    () => ['map', file('empty.geojson', water(Array(80_000).fill('{}').join(',')))],
    /features\.0\.properties\.role: expected one of outline/,
  ],
  ['a water nested without end', () => ['map', file('deep.geojson', '['.repeat(4_000_000))], /nested at most 10 deep, found deeper/],
  ['places nested without end', () => ['convert', file('deep-places.geojson', '['.repeat(4_000_000)), path.join(folder, 'out.gpx')], /nested at most 12 deep, found deeper/],
  ['KML that names a file outside', () => ['convert', file('far.kml', '<!DOCTYPE kml [<!ENTITY f SYSTEM "file:///etc/passwd">]><kml><Placemark><name>&f;</name></Placemark></kml>'), path.join(folder, 'out.gpx')], /without declared entities/], // prettier-ignore
  ['a ledger line nested without end', () => ['season', file('deep.ndjson', '{"a":'.repeat(100_000))], /^burrow: line 1: expected values nested at most 12 deep/],
])('%s: one line on stderr, exit 2', (_, args, words) => {
  const { status, stderr, stdout } = burrow(...args());
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(words);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});

test('a file of a hundred megabytes says so before it is read', () => {
  const large = file('large.geojson', '');
  truncateSync(large, 100_000_000);
  expect(burrow('map', large)).toMatchObject({ status: 2, stderr: `burrow: ${large}: expected a file of at most 32 MB, found 100 MB\n` });
});
