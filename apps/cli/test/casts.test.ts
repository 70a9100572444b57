import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-casts-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const metresPerDegree = 111_195;

function burrow(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
}

/** A pond 200 m by 80 m on the equator, its bed falling from the southern bank by one in four. */
const water = path.join(dir, 'slope.geojson');
const place = (x: number, y: number) => [x / metresPerDegree, y / metresPerDegree];
writeFileSync(
  water,
  JSON.stringify({
    type: 'FeatureCollection',
    water: { name: 'Slope', kind: 'lake', timezone: 'Etc/GMT', elevation_m: 10, secchi_m: 4, at: place(100, 40) },
    features: [
      { type: 'Feature', geometry: { type: 'Polygon', coordinates: [[place(0, 0), place(200, 0), place(200, 80), place(0, 80), place(0, 0)]] }, properties: { role: 'outline' } },
      ...Array.from({ length: 38 }, (_, i) =>
        Array.from({ length: 15 }, (_, j) => ({
          type: 'Feature',
          geometry: { type: 'Point', coordinates: place(5 + 5 * i, 5 + 5 * j) },
          properties: { role: 'sounding', depth_m: (5 + 5 * j) / 4 },
        })),
      ).flat(),
    ],
  }),
);
const casts = (...more: string[]) => burrow('casts', '--water', water, '--cast-m', '30', '--count', '4', ...more);
const answer = (...more: string[]) =>
  JSON.parse(casts(...more).stdout) as {
    stance: [number, number];
    casts: { bearingDeg: number; lengthM: number; inBandShare: number; gain: number }[];
    covered: number;
    across: { bearingDeg: number; inBandShare: number };
  };

test('casts from the bank lead out at the angle that holds the band longest; straight out is named for comparison', () => {
  const plan = answer('--band', '2.5,5', '--from', place(100, 0.5).join(','), '--strike-m', '0.4');
  for (const cast of plan.casts.slice(0, 2)) {
    // The far edge of the band, 20 m out, over 30 m of line: 42° to the bank.
    expect(Math.abs(90 - Math.min(cast.bearingDeg, 360 - cast.bearingDeg) - 41.8)).toBeLessThan(5);
    expect(cast.inBandShare).toBeGreaterThan(0.44);
  }
  expect(Math.min(plan.across.bearingDeg, 360 - plan.across.bearingDeg)).toBeLessThan(10);
  expect(plan.across.inBandShare).toBeCloseTo(1 / 3, 1);
  expect(plan.casts.reduce((sum, c) => sum + c.gain, 0)).toBeCloseTo(plan.covered, 3);
});

test('a stance found afloat lies in the band, one on the bank at the shore; a level moves the band with it', () => {
  const [, afloat] = answer('--band', '8,10').stance;
  expect(afloat * metresPerDegree).toBeGreaterThan(28);
  expect(afloat * metresPerDegree).toBeLessThan(44);
  const [lon, lat] = answer('--band', '2.5,5', '--bank').stance.map((d) => d * metresPerDegree);
  expect(Math.min(lat, 80 - lat, lon, 200 - lon)).toBeLessThan(1);
  const low = answer('--band', '2.5,5', '--from', place(100, 22).join(','), '--level-m', '-2');
  for (const cast of low.casts.slice(0, 2)) expect(Math.abs(Math.abs(cast.bearingDeg - 180) - 90)).toBeLessThan(12);
});

test.each([
  [['--band', '40,50'], /--band: expected depths of this water, [\d.]+ m at its deepest, found 40 to 50 m/],
  [['--band', '5,3'], /--band: expected two depths LO,HI in metres, the lesser first, found "5,3"/],
  [['--band', '2,5', '--from', place(400, 300).join(',')], /--from: expected a place on the water or at its edge/],
  [['--band', '17,18', '--from', place(100, 2).join(',')], /--from: expected a place from which a cast of 30 m reaches water of 17 to 18 m/],
  [['--band', '2,5', '--level-m', '-50'], /--level-m: expected a level that leaves water/],
  [['--band', '2,5', '--strike-m', '0'], /--strike-m: expected 0\.05 to 5, found 0/],
  [['--band', '2,5', '--count', '1.5'], /--count: expected a whole number of casts/],
])('%j is one clear line', (args, message) => {
  const { status, stderr, stdout } = casts(...args);
  expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
  expect(stderr).toMatch(message);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});

test('a cast longer than the water, and no water at all, are refused', () => {
  expect(burrow('casts', '--water', path.resolve('demo/cobble-pond.geojson'), '--band', '1,2', '--cast-m', '140', '--count', '3')).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/--cast-m: expected a cast no longer than the water, \d+ m from end to end, found 140 m/),
  });
  expect(burrow('casts', '--band', '1,2', '--cast-m', '20', '--count', '3').status).toBe(2);
});

test.each([
  ['strike-radius --temp-c 4 --secchi-m 4', 0.4],
  ['strike-radius --temp-c 10 --secchi-m 0.4', 0.16],
  ['pause --temp-c 6 --cadence hop', 8],
  ['line-bow --line-out-m 20 --line-mm 0.2 --wind-ms 5 --angle-deg 90', 0.119],
  ['line-bow --line-out-m 20 --line-mm 0.2 --wind-ms 8 --angle-deg 90 --tension-n 0.2', 0.718],
])('calc %s', (line, value) => expect((JSON.parse(burrow('calc', ...line.split(' ')).stdout) as { value: number }).value).toBeCloseTo(value, 3));
