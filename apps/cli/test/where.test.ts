import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { BadInput } from '../src/bad-input';
import { where } from '../src/commands/where';

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

const lonLat = (x: number, y: number): [number, number] => [-140 + x / (111_320 * Math.cos((47 * Math.PI) / 180)), 47 + y / 110_574];
const alongLine = (points: [number, number][]) => (x: number) => {
  const k = Math.max(
    1,
    points.findIndex(([px]) => px >= x),
  );
  const [[ax, a], [bx, b]] = [points[k - 1], points[k]];
  return a + ((b - a) * Math.max(0, x - ax)) / (bx - ax);
};
/** Beds of six makings, depth in m by metres from the middle of a square 320 m wide. */
const beds: Record<string, (x: number, y: number) => number> = {
  bowl: (x, y) => 24 * Math.max(0, 1 - Math.hypot(x, y) ** 2 / 160 ** 2),
  slope: (x) => 1 + (16 * (x + 160)) / 320,
  // A shelf at 33 ft, the foot of its drop at 43 ft, a basin of 80 ft in front.
  drop: alongLine([
    [-161, 2],
    [-125, 10],
    [-70, 10],
    [-50, 13.1],
    [-10, 14],
    [70, 24.4],
    [161, 24.4],
  ]),
  basins: (x, y) => 4 + 9 * Math.exp(-((x + 70) ** 2 + y ** 2) / 2000) + 14 * Math.exp(-((x - 70) ** 2 + y ** 2) / 2000),
  hump: (x, y) => Math.max(0.3, 14 * Math.max(0, 1 - Math.hypot(x, y) ** 2 / 160 ** 2) - 9 * Math.exp(-(x ** 2 + (y - 60) ** 2) / 1500)),
  pond: (x, y) => 2.6 * Math.max(0, 1 - Math.hypot(x, y) ** 2 / 160 ** 2),
};
const folder = mkdtempSync(path.join(os.tmpdir(), 'where-'));
const lakeFiles = Object.entries(beds).map(([name, depth]) => {
  const features: object[] = [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: [[[-160, -160], [160, -160], [160, 160], [-160, 160], [-160, -160]].map(([x, y]) => lonLat(x, y))] }, properties: { role: 'outline' } }]; // prettier-ignore
  for (let x = -150; x <= 150; x += 20)
    for (let y = -150; y <= 150; y += 20)
      features.push({ type: 'Feature', geometry: { type: 'Point', coordinates: lonLat(x, y) }, properties: { role: 'sounding', depth_m: Math.max(0.3, depth(x, y)) } });
  const file = path.join(folder, `${name}.geojson`);
  writeFileSync(file, JSON.stringify({ type: 'FeatureCollection', water: { name, kind: 'lake', timezone: 'Etc/GMT+9', elevation_m: 300, secchi_m: 3 }, features }));
  return file;
});
const stages = ['2026-10-20T12:00Z', '2026-12-20T12:00Z', '2027-02-05T12:00Z', '2027-04-20T12:00Z'];
const ways = [['ice'], ['vertical'], ['cast', '--craft', 'bank'], ['pole'], ['troll'], ['cast', '--craft', 'boat']];
/** Depth from which a fish that is let go is often hurt, by what the product's own table says of it to anyone who asks; null of those that can vent. */
const hurtFromM: Record<string, number | null> = JSON.parse(readFileSync('apps/cli/test/fixtures/injury-depths.json', 'utf8')) as Record<string, number | null>;

/** All of them take half an hour. */
const longMs = 3_600_000;

/** The same without a program of its own for each: there are thousands to ask. */
function placesHere(args: string[]): { features: Place[]; error: string } {
  let text = '';
  const write = jest.spyOn(process.stdout, 'write').mockImplementation((chunk) => {
    text += String(chunk);
    return true;
  });
  try {
    where(args);
    return { features: (JSON.parse(text) as { features: Place[] }).features, error: '' };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return { features: [], error: error.message };
  } finally {
    write.mockRestore();
  }
}

test(
  'every fish on every lake, in each way and stage: first in its band, or it says why not; never first where it would be hurt',
  () => {
    const lakes = [...lakeFiles, 'demo/tamber-lake.geojson', 'demo/verrin-reservoir.geojson'];
    const all = Object.keys(hurtFromM).flatMap((species, s) =>
      lakes.flatMap((lake, l) =>
        (process.env.BURROW_LONG ? stages : [stages[(s + l) % stages.length]]).flatMap((at, t) =>
          (process.env.BURROW_LONG ? ways : [ways[(s + 2 * l + t) % ways.length]]).map((way) => ({ species, lake, at, way })),
        ),
      ),
    );
    const some = process.env.BURROW_LONG ? all : all.filter((_, k) => k % 4 === 1);
    const wrong: object[] = [];
    for (const { species, lake, at, way } of some) {
      const { features, error } = placesHere(['--water', lake, '--species', species, '--at', at, '--method', ...way]);
      const [first] = features;
      const { depthM, bandM, inBand, why } = first?.properties ?? { depthM: NaN, bandM: null, inBand: false, why: error };
      const hurtM = hurtFromM[species];
      const isTold = inBand ? bandM !== null && depthM >= bandM[0] - 0.06 && depthM <= bandM[1] + 0.06 : /\d|suits/.test(why);
      if (first === undefined || !isTold || (hurtM !== null && depthM > hurtM)) wrong.push({ species, lake, at, way, depthM, bandM, inBand, why });
    }
    expect(wrong).toEqual([]);
  },
  longMs,
);

test('under ice lake trout and whitefish are first looked for at the foot of the drop, the shelf behind and deep water in front', () => {
  for (const species of ['lake-trout', 'lake-whitefish']) {
    const out = burrow('where', '--water', lakeFiles[2], '--species', species, '--at', stages[2], '--method', 'ice');
    const [{ properties }] = (JSON.parse(out.stdout) as { features: Place[] }).features;
    expect(properties.depthM).toBeGreaterThan(11);
    expect(properties.depthM).toBeLessThan(14.5);
    expect(properties.why).toMatch(/Shelf (9|10)[\d.]* m behind, 24(\.\d)? m in front/);
  }
  const out = burrow('where', '--water', lakeFiles[0], '--species', 'lake-trout', '--at', stages[2], '--method', 'ice');
  expect((JSON.parse(out.stdout) as { features: Place[] }).features[0].properties.depthM).toBeGreaterThan(18);
});
