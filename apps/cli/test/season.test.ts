import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });
const weather = readFileSync('demo/weather.csv', 'utf8').trim().split('\n');
const firstMs = Date.parse(weather[1].split(',')[0]);

interface Told {
  factors: { factor: string; level: string; against: string; alone: { factor: number }; together: { factor: number; low: number; high: number }; named: boolean }[];
  losses: { steps: { from: string; to: string; of: number; went: number; share: number; low: number; high: number }[]; leak?: { step: string } };
  calibration?: { outings: number; visits: number; skill?: { constant: { value: number; low: number; high: number } }; bins: { hours: number }[]; claimed: boolean };
}

/** A ledger written line by line: two rods each day, of which the one with the spoon is bitten three times as often. */
function ledger(days: number): string {
  let [made, seed] = [0, 12345];
  const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
  const id = () => `0198c0de-0000-7000-8000-${(++made).toString(16).padStart(12, '0')}`;
  const lines: string[] = [];
  for (let day = 0; day < days; day++) {
    const [outing, hole] = [id(), id()];
    const at = (min: number) => new Date(firstMs + (day + 2) * 86_400_000 + min * 60_000).toISOString();
    const write = (min: number, kind: string, body: object) => lines.push(JSON.stringify({ id: id(), outing, angler: 'a', device: 'd', at: at(min), kind, v: 2, body }));
    write(0, 'outing-started', { water: 'lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers', method: 'ice' });
    write(1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] });
    write(2, 'depth-sounded', { station: hole, depthM: 6 + (day % 4), source: 'flasher' });
    for (const [presentation, rate] of [
      ['Spoon', 1.5],
      ['Worm', 0.5],
    ] as const) {
      // prettier-ignore
      const line = id();
      write(3, 'line-down', { line, station: hole, rod: presentation, presentation, depthM: 5 });
      for (let min = 4; min < 360; min++)
        if (random() < rate / 60) {
          write(min, 'reaction', { station: hole, line, reaction: 'bite' });
          if (random() < 0.6) write(min + 0.5, 'fish-landed', { fish: id(), station: hole, line, species: 'black-crappie' });
        }
      write(361, 'line-up', { line });
    }
    write(370, 'outing-ended', {});
  }
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-season-')), 'season.ndjson');
  writeFileSync(file, `${lines.join('\n')}\n`);
  return file;
}

test('season names what truly makes a difference, counts each step to the net, and judges the outlook with weather', () => {
  const { stdout, stderr, status } = burrow('season', ledger(30), '--weather', 'demo/weather.csv', '--water', 'demo/tamber-lake.geojson');
  expect([status, stderr]).toEqual([0, '']);
  const { factors, losses, calibration } = JSON.parse(stdout) as Told;
  const bait = factors.find((f) => f.factor === 'presentation')!;
  expect(bait.named).toBe(true);
  const times = bait.level === 'Spoon' ? bait.together.factor : 1 / bait.together.factor;
  expect(times).toBeGreaterThan(2);
  expect(times).toBeLessThan(4.5);
  expect(factors.filter((f) => f.named).map((f) => f.factor)).toEqual(['presentation']);
  expect(losses.steps.map((s) => s.to)).toEqual(['bit', 'hooked', 'landed']);
  expect(losses.steps[0].of).toBe(0);
  expect(losses.steps[1].low < 0.6 && losses.steps[1].high > 0.55).toBe(true);
  expect(losses.leak).toBeUndefined();
  // The bites keep no hours: whatever the Outlook foretold, nothing is claimed for it.
  expect(calibration).toMatchObject({ outings: 30, visits: 30, claimed: false });
  expect(calibration!.skill!.constant.low).toBeLessThan(calibration!.skill!.constant.high);
});

test('season says what is not enough yet, and refuses weather without its water', () => {
  const few = burrow('season', ledger(10));
  expect(few.status).toBe(0);
  expect((JSON.parse(few.stdout) as Told).factors).toEqual([]);
  expect(few.stderr).toMatch(/^burrow: no factors: expected 20 outings of one way or more, found 10: not enough yet\n$/);
  expect((JSON.parse(few.stdout) as Told).calibration).toBeUndefined();
  const alone = burrow('season', 'demo/season.ndjson', '--weather', 'demo/weather.csv');
  expect([alone.status, alone.stdout]).toEqual([2, '']);
  expect(alone.stderr).toMatch(/expected --weather and --water together, found --weather alone/);
  const other = burrow('season', ledger(3), '--weather', 'demo/weather.csv', '--water', 'demo/cobble-pond.geojson');
  expect([other.status, other.stdout]).toEqual([2, '']);
  expect(other.stderr).toMatch(/expected a water of the ledger, one of Tamber Lake, found Cobble Pond/);
});
