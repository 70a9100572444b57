import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { event, testId } from '../../../packages/core/test/events';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });
const at = '2027-01-16T09:00-09:00';
const lake = ['--water', 'demo/tamber-lake.geojson', '--at', at, '--species', 'black-crappie', '--method', 'ice'];
type Known = { value: unknown; by: string; at: string | null } | null;
const values = (stdout: string) =>
  JSON.parse(stdout) as { at: string; method: string; answers: Record<string, Known> } & Record<string, Known> & {
      temperature: { value: number; by: string; at: string | null; depthM: number };
    };

test('every value says who says it and of when', () => {
  const { stdout, status } = burrow('situation', ...lake, '--weather', 'demo/weather.csv', '--log', 'demo/season.ndjson');
  expect(status).toBe(0);
  const { at: printed, method, answers, ...known } = values(stdout);
  expect([printed, method]).toEqual(['2027-01-16T18:00:00.000Z', 'ice']);
  for (const value of [...Object.values(known), ...Object.values(answers)]) {
    if (value === null) continue;
    expect(value.by).toMatch(/^(measured|logged|modelled|foretold|assumed)$/);
    expect(value.at === null || !Number.isNaN(Date.parse(value.at))).toBe(true);
  }
  expect(known.ice).toMatchObject({ by: 'measured' });
  expect(known.stage).toMatchObject({ value: 'midwinter', by: 'modelled' });
  expect(known.phase).toMatchObject({ by: 'foretold' });
});

test('a thermometer of this morning moves temperature and band; without weather the date and the latitude tell', () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-situation-')), 'log.ndjson');
  const outing = testId();
  const started = { water: 'lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers' as const, method: 'ice' };
  const events = [event(outing, 0, 'outing-started', started), event(outing, 60, 'temperature-measured', { station: testId(), depthM: 1, tempC: 9 })];
  writeFileSync(file, events.map((e) => JSON.stringify({ ...e, at: '2027-01-16T07:00:00-09:00' })).join('\n'));
  const [before, after] = [burrow('situation', ...lake), burrow('situation', ...lake, '--log', file)].map((r) => values(r.stdout));
  expect(before.temperature.by).toBe('assumed');
  expect(after.temperature.value).toBeGreaterThan(before.temperature.value + 1);
  // A log of a moment after the one asked about says nothing of it.
  const earlier = burrow('situation', ...lake.map((a) => (a === at ? '2027-01-16T06:00-09:00' : a)), '--log', file);
  expect(values(earlier.stdout).temperature.by).toBe('assumed');
});

test.each<[string, string[], RegExp]>([
  ['a fish that is none', ['--species', 'perchlike'], /--species: expected one of .*found "perchlike"/],
  ['a way that is none', ['--method', 'fly'], /--method: expected one of ice, .*found "fly"/],
  ['no instant', ['--at', 'noon'], /--at: expected an instant/],
  ['weather that is none', ['--weather', 'demo/season.ndjson'], /season\.ndjson: .*expected/],
])('%s: one line, exit 2', (_, args, words) => {
  const { stderr, status, stdout } = burrow('situation', ...lake, ...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(words);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});
