import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });

test.each([
  [['51.50, -0.12'], { lat: 51.5, lon: -0.12 }],
  [['-33.87, 151.21'], { lat: -33.87, lon: 151.21 }],
  [['--', '-33.87, 151.21'], { lat: -33.87, lon: 151.21 }],
  [['lon -0.12, lat 51.5'], { lat: 51.5, lon: -0.12 }],
])('burrow place %j', (args, place) => {
  const { stdout, status } = burrow('place', ...args);
  expect([status, JSON.parse(stdout)]).toEqual([0, place]);
});

test('a text that is no place ends with 2 and what was expected', () => {
  expect(burrow('place', '51 30 0')).toMatchObject({ status: 2, stdout: '', stderr: expect.stringMatching(/^burrow: expected a latitude and a longitude, such as /) });
  expect(burrow('place')).toMatchObject({ status: 2 });
});

test('burrow catches writes what convert writes', () => {
  const out = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-catches-')), 'out.csv');
  expect(burrow('convert', 'demo/season.ndjson', out).status).toBe(0);
  expect(burrow('catches', 'demo/season.ndjson').stdout).toBe(readFileSync(out, 'utf8'));
});
