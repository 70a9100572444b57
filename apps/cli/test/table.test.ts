import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });
const folder = mkdtempSync(path.join(os.tmpdir(), 'burrow-table-'));
const file = (name: string) => path.join(folder, name);

test('a table of other columns is asked about with its first row, and read by names or numbers once it is said', () => {
  writeFileSync(file('see.csv'), 'X;Y;Tiefe\n13,4021;52,5103;8\n13,4022;52,5104;10\n');
  const refused = burrow('convert', file('see.csv'), file('see.geojson'));
  expect(refused.status).toBe(2);
  expect(refused.stderr).toMatch(
    /found X, Y, Tiefe set off by semicolons, in the first row 13,4021 \| 52,5103 \| 8\. Say which they are with --columns lon=X,lat=Y,depth=Tiefe and --depth-unit/,
  );
  expect(burrow('convert', file('see.csv'), file('see.csv.csv'), '--columns', 'lon=X,lat=2,depth=Tiefe', '--depth-unit', 'ft').status).toBe(0);
  expect(readFileSync(file('see.csv.csv'), 'utf8')).toBe('lon,lat,depth_m,time\n13.4021,52.5103,2.438,\n13.4022,52.5104,3.048,\n');
  expect(burrow('convert', file('see.csv'), file('x.csv'), '--columns', 'lon=X,lat=Z,depth=Tiefe', '--depth-unit', 'm').stderr).toMatch(
    /--columns: expected one of X, Y, Tiefe, or its number, found "Z"/,
  );
  expect(burrow('convert', file('see.csv'), file('x.csv'), '--columns', 'lon=X', '--depth-unit', 'm').stderr).toMatch(/--columns: expected lon=, lat= and depth=/);
});
