import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });
interface Place {
  geometry: { coordinates: [number, number] };
  properties: { depthM: number; bandM: [number, number] | null; inBand: boolean; why: string; rules: string[] };
}
const asked = (water: string, species: string, method: string, ...more: string[]) =>
  burrow('where', '--water', `demo/${water}.geojson`, '--species', species, '--method', method, '--at', '2027-01-16T09:00-09:00', ...more);
const places = (...args: Parameters<typeof asked>) => (JSON.parse(asked(...args).stdout) as { features: Place[] }).features;

test('the first place lies in the depths that the situation names, deeper ones where what is caught is kept', () => {
  const weather = ['--weather', 'demo/weather.csv'];
  const [trout] = places('tamber-lake', 'lake-trout', 'ice', ...weather);
  const situation = JSON.parse(
    burrow('situation', '--water', 'demo/tamber-lake.geojson', '--species', 'lake-trout', '--method', 'ice', '--at', '2027-01-16T09:00-09:00', ...weather).stdout,
  ) as { band: { value: [number, number] } };
  expect(trout.properties.bandM).toEqual(situation.band.value);
  expect(trout.properties.inBand).toBe(true);
  const [released] = places('tamber-lake', 'black-crappie', 'ice', ...weather);
  const [kept] = places('tamber-lake', 'black-crappie', 'ice', ...weather, '--goal', 'supper');
  expect(kept.properties.inBand).toBe(true);
  expect(released.properties).toMatchObject({ inBand: false, why: expect.stringMatching(/often hurt on the way up/) as string });
  expect(released.properties.depthM).toBeLessThan(8);
});

test('a thermometer of now moves the depths, and a level their water', () => {
  const depthsAt = (tempC: number) => places('verrin-reservoir', 'smallmouth', 'vertical', '--temp-c', String(tempC))[0].properties.bandM;
  expect(depthsAt(14)).not.toEqual(depthsAt(6));
  const deepest = (level: string) => places('verrin-reservoir', 'lake-trout', 'vertical', '--level-m', level, '--goal', 'supper')[0].properties.bandM![1];
  expect(deepest('0') - deepest('-3')).toBeCloseTo(3, 1);
});

test('from the bank places lie within a cast of it, with the pole within the pole, on a lake and a river', () => {
  for (const [water, species, method, reachM, more] of [
    ['verrin-reservoir', 'smallmouth', 'cast', 60, ['--craft', 'bank']],
    ['ullen-river', 'walleye', 'cast', 60, ['--craft', 'bank']],
    ['marrow-drain', 'roach', 'pole', 16, []],
  ] as const) {
    const file = JSON.parse(readFileSync(`demo/${water}.geojson`, 'utf8')) as { features: { properties: { role: string }; geometry: { coordinates: [number, number][][] } }[] };
    const ring = file.features.find((f) => f.properties.role === 'outline')!.geometry.coordinates[0];
    const found = places(water, species, method, ...more);
    expect(found.length).toBeGreaterThan(0);
    for (const { geometry } of found) expect(awayM(geometry.coordinates, ring)).toBeLessThanOrEqual(reachM + 1);
  }
});

/** Distance of a place from a ring, m, by points along its edges: not the program's own way. */
function awayM([lon, lat]: [number, number], ring: [number, number][]): number {
  const metres = ([x, y]: [number, number]) => [(x - lon) * 111_320 * Math.cos((lat * Math.PI) / 180), (y - lat) * 110_574];
  let least = Infinity;
  ring.slice(1).forEach((b, k) => {
    const [[ax, ay], [bx, by]] = [metres(ring[k]), metres(b)];
    for (let t = 0; t <= 1; t += 0.01) least = Math.min(least, Math.hypot(ax + t * (bx - ax), ay + t * (by - ay)));
  });
  return least;
}

test('without soundings it says so in one line and exits with 2', () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-where-')), 'bare.geojson');
  const water = { name: 'Bare', kind: 'lake', timezone: 'UTC', elevation_m: 0, secchi_m: 2 };
  const ring = [[-140, 47], [-139.99, 47], [-139.99, 47.01], [-140, 47]]; // prettier-ignore
  writeFileSync(
    file,
    JSON.stringify({ type: 'FeatureCollection', water, features: [{ type: 'Feature', properties: { role: 'outline' }, geometry: { type: 'Polygon', coordinates: [ring] } }] }),
  );
  const { status, stderr, stdout } = burrow('where', '--water', file, '--species', 'walleye', '--method', 'ice', '--at', '2027-01-16T09:00Z');
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(/^burrow: .*bare\.geojson: expected soundings .*found none\n$/);
});
