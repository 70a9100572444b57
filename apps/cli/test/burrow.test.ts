import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

jest.setTimeout(120_000);

const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-cli-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const file = (name: string) => path.join(dir, name);

function burrow(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });
  return { status, stdout, stderr };
}
const calc = (...args: string[]) => JSON.parse(burrow('calc', ...args).stdout) as { value: number; unit: string; source: string };

test.each([
  ['density --temp-c 10', 999.703, 0.001],
  ['sound-speed --temp-c 4', 1421.63, 0.05],
  ['oxygen --temp-c 4', 13.11, 0.01],
  ['oxygen --temp-c 4 --pressure-hpa 1013.25', 13.11, 0.01],
  ['light-depth --secchi-m 3 --fraction 0.01', 8.13, 0.005],
  ['ice-stefan --fdd 100', 0.355, 0.00355],
  ['wind-chill --temp-c -20 --wind-kmh 30', -32.6, 0.05],
  ['frostbite --temp-c -30 --wind-kmh 30', 6.9, 0.1],
  ['footprint --depth-m 6 --beam-deg 20', 2.12, 0.005],
  ['target-strength --length-cm 25 --freq-khz 200', -37.4, 0.05],
  ['weight --species black-crappie --length-mm 250', 253, 2.5],
  ['gas-expansion --depth-m 10', 1.97, 0.005],
  ['bearing --clear-cm 10 --white-cm 0', 350, 1e-6],
])('calc %s', (line, value, tolerance) => {
  const answer = calc(...line.split(' '));
  expect(Math.abs(answer.value - value)).toBeLessThanOrEqual(tolerance);
  expect(answer.unit).not.toBe('');
  expect(answer.source).not.toBe('');
});

test('calc sink and line-depth give what the laws give', () => {
  expect(calc(...'sink --mass-g 2 --material tungsten --depth-m 8 --line-mm 0.1'.split(' ')).value).toBeGreaterThan(8 / 1.66);
  expect(calc(...'line-depth --mass-g 3 --material lead --line-mm 0.2 --line-out-m 9 --current-ms 0'.split(' ')).value).toBeCloseTo(9, 6);
});

test.each([
  [['calc', 'density', '--temp-c', 'warm'], /--temp-c: expected a number, found "warm"/],
  [['calc', 'viscosity', '--temp-c', '4'], /expected one of density, .* found "viscosity"/],
  [['calc', 'density'], /--temp-c: expected a number, found nothing/],
  [['calc', 'density', '--temp-c', '99'], /must be 0 to 40 °C, found 99/],
  [['calc', 'density', '--temp-f', '40'], /--temp-f/],
  [['calc', 'weight', '--species', 'kraken', '--length-mm', '200'], /--species: expected one of/],
  [['simulate', '--seed', '1', '--minutes', '-3'], /--minutes: expected more than 0/],
  [['simulate', '--seed', '1', '--minutes', '1', '--scene', 'moon'], /--scene: expected one of steady/],
  [['echo', '/no/such/file'], /expected an echo log, found no such file/],
  [['fronts', '/no/such.csv'], /found no such file/],
  [['column'], /column: not built yet/],
  [['dance'], /expected one of calc/],
])('bad input ends with 2 and one clear line: %j', (args, message) => {
  const { status, stderr, stdout } = burrow(...args);
  expect(status).toBe(2);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).toMatch(message);
  expect(stdout).toBe('');
});

test('simulate writes a log and its truth apart, echo reads the log', () => {
  const made = burrow('simulate', '--seed', '7', '--minutes', '0.5', '--truth', file('t.json'));
  writeFileSync(file('e.ndjson'), made.stdout);
  const truth = JSON.parse(readFileSync(file('t.json'), 'utf8')) as { pings: { bottomM: number }[] };
  const lines = burrow('echo', file('e.ndjson'), '--coach')
    .stdout.trim()
    .split('\n')
    .map((l) => JSON.parse(l) as { bottomM: number | null; advice?: { instruction: string } });
  expect(lines).toHaveLength(300);
  expect(truth.pings).toHaveLength(300);
  expect(lines.filter((l, i) => l.bottomM !== null && Math.abs(l.bottomM - truth.pings[i].bottomM) <= 0.12).length).toBeGreaterThan(296);
  expect(lines.at(-1)!.advice!.instruction).toMatch(/ft$/);
  expect(made.stdout).not.toContain('levelDb');
});

test('a log that is cut short says its line and keeps what was read before', () => {
  const log = burrow('simulate', '--seed', '7', '--minutes', '0.1').stdout;
  writeFileSync(file('cut.ndjson'), log.slice(0, Math.floor(log.length / 2)));
  const { status, stdout, stderr } = burrow('echo', file('cut.ndjson'));
  expect(status).toBe(2);
  const line = Number(/line (\d+): expected a JSON object/.exec(stderr)![1]);
  // A header and a line record stand before the pings.
  expect(stdout.trim().split('\n')).toHaveLength(line - 3);
});

test('fronts of the demo series: three cold ones and a warm one, phases without gaps', () => {
  const { fronts, phases } = JSON.parse(burrow('fronts', path.resolve('demo/weather.csv'), '--lat', '47').stdout) as {
    fronts: { at: string; kind: string }[];
    phases: { from: string; to: string }[];
  };
  expect(fronts.map((f) => f.kind)).toEqual(['cold', 'cold', 'cold', 'warm']);
  expect(Math.abs(Date.parse(fronts[2].at) - Date.parse('2027-01-16T19:00-09:00'))).toBeLessThanOrEqual(3 * 3_600_000);
  for (let i = 1; i < phases.length; i++) expect(phases[i].from).toBe(phases[i - 1].to);
  expect(Date.parse(phases.at(-1)!.to)).toBe(Date.parse('2027-01-21T00:00-09:00'));
});

test('season reads the demo ledger; convert writes catches and refuses what it cannot', () => {
  const season = JSON.parse(burrow('season', path.resolve('demo/season.ndjson')).stdout) as { effort: { outings: number; fish: number } };
  expect(season.effort.outings).toBeGreaterThanOrEqual(12);
  expect(burrow('convert', path.resolve('demo/season.ndjson'), file('c.csv')).status).toBe(0);
  expect(readFileSync(file('c.csv'), 'utf8').trim().split('\n')).toHaveLength(season.effort.fish + 1);
  expect(burrow('convert', path.resolve('demo/season.ndjson'), file('c.gpx')).status).toBe(2);
  writeFileSync(file('bad.ndjson'), '{"id":1}\n');
  expect(burrow('convert', file('bad.ndjson'), file('d.csv'))).toMatchObject({ status: 2, stderr: expect.stringMatching(/line 1: expected a ledger event/) });
  expect(() => readFileSync(file('d.csv'))).toThrow(/ENOENT/);
});
