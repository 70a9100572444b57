import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-troll-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

function burrow(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
}
const verrin = path.resolve('demo/verrin-reservoir.geojson');
const lead = (massG: number) => ['--mass-g', String(massG), '--material', 'lead', '--line-mm', '0.25'];

test('a lane on a water: a line that begins where it is asked, in the band, clear of the bed, no tighter than asked', () => {
  const start = [-140.1478, 47.0915];
  const { status, stdout } = burrow(
    'lane',
    '--water',
    verrin,
    '--band',
    '4,9',
    '--bait-m',
    '3',
    '--clearance-m',
    '0.8',
    '--turn-m',
    '18',
    '--start',
    start.join(','),
    '--length-m',
    '400',
  );
  expect(status).toBe(0);
  const lane = JSON.parse(stdout) as { type: string; geometry: { type: string; coordinates: [number, number][] }; properties: Record<string, number> };
  expect([lane.type, lane.geometry.type]).toEqual(['Feature', 'LineString']);
  const [lon, lat] = lane.geometry.coordinates[0];
  expect(Math.hypot((lon - start[0]) * 111_195 * Math.cos((47 * Math.PI) / 180), (lat - start[1]) * 111_195)).toBeLessThanOrEqual(30);
  expect(Math.abs(lane.properties.lengthM - 400)).toBeLessThanOrEqual(40);
  expect(lane.properties.leastClearanceM).toBeGreaterThanOrEqual(0.8);
  expect(lane.properties.tightestTurnM).toBeGreaterThanOrEqual(18);
  expect(lane.properties.inBandShare).toBeGreaterThan(0.5);
});

test.each<[string, string[], RegExp]>([
  ['a start over land', ['--band', '4,7', '--bait-m', '3', '--start', '-140.3,47.2'], /lane: expected water of 3\.65? ?.*within 30 m of the start, found none/],
  ['a band deeper than the water', ['--band', '60,70', '--bait-m', '3'], /--band: expected depths of this water/],
  ['a bait under the bed', ['--band', '4,7', '--bait-m', '90'], /--bait-m: expected a bait over the bed/],
  ['a band turned round', ['--band', '7,4', '--bait-m', '3'], /--band: expected two depths LO,HI in metres, the lesser first/],
  ['no bait', ['--band', '4,7'], /--bait-m: expected a number, found nothing/],
])('%s is one clear line and exit 2', (_, args, says) => {
  const { status, stdout, stderr } = burrow('lane', '--water', verrin, ...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(says);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});

test('a spread is even before anything bit, and drawn to what bit', () => {
  const even = JSON.parse(burrow('spread', '--band', '2,10', '--rods', '4', '--baits', '1').stdout) as { depths: number[][] };
  expect(even.depths.flat().map((m) => Math.round(m))).toEqual([3, 5, 7, 9]);
  const file = path.join(dir, 'bites.csv');
  writeFileSync(file, 'depth_m,bites,minutes\n3,0,40\n5,3,40\n7,0,40\n9,0,40\n');
  const drawn = JSON.parse(burrow('spread', '--band', '2,10', '--rods', '4', '--baits', '2', '--bites', file).stdout) as { depths: number[][] };
  expect(drawn.depths.filter((line) => line.some((m) => Math.abs(m - 5) <= 0.5))).toHaveLength(3);
});

test.each<[string, string, RegExp]>([
  ['a word for a depth', 'depth_m,bites,minutes\nfive,3,30\n', /2.*depth_m: expected a number/],
  ['a bite and a half', 'depth_m,bites,minutes\n5,1.5,30\n', /2.*bites: expected a whole number, found 1\.5/],
  ['minutes missing', 'depth_m,bites\n5,1\n', /missing minutes/],
  ['bites in no time', 'depth_m,bites,minutes\n5,3,0\n', /2.*minutes: expected how long it was fished, found 0 with 3 bites/],
  ['no minutes in a row', 'depth_m,bites,minutes\n5,1,\n', /2.*minutes: expected a number, found nothing/],
])('bites with %s: the line, and exit 2', (_, text, says) => {
  const file = path.join(dir, 'bad.csv');
  writeFileSync(file, text);
  const { status, stderr } = burrow('spread', '--band', '2,10', '--rods', '2', '--baits', '1', '--bites', file);
  expect(status).toBe(2);
  expect(stderr).toMatch(says);
});

test('line out and line depth by speed: the reference, straight down at rest, refused past 200 m', () => {
  const value = (...args: string[]) => (JSON.parse(burrow('calc', ...args).stdout) as { value: number }).value;
  expect(value('line-depth', ...lead(28), '--line-out-m', '20', '--speed-ms', '0.5')).toBeCloseTo(11.95, 2);
  expect(value('line-out', ...lead(28), '--depth-m', '11.945', '--speed-ms', '0.5')).toBeCloseTo(20, 1);
  expect(value('line-out', ...lead(28), '--depth-m', '30', '--speed-ms', '0')).toBeCloseTo(30, 3);
  expect(value('line-depth', ...lead(28), '--line-out-m', '20', '--current-ms', '0.5')).toBeCloseTo(11.9, 1);
  const { status, stdout, stderr } = burrow('calc', 'line-out', ...lead(1), '--depth-m', '40', '--speed-ms', '2');
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).toMatch(/200 m of line/);
});
