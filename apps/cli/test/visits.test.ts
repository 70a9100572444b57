import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { shortOuting } from '../../../packages/core/test/events';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 });

test('a line a visit, each take with its steps, in ISO times', () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-visits-')), 'short.ndjson');
  const { events, hole } = shortOuting();
  writeFileSync(file, events.map((e) => JSON.stringify(e)).join('\n'));
  const { stdout, status } = burrow('visits', file);
  expect(status).toBe(0);
  expect(stdout.trim().split('\n').map((line) => JSON.parse(line) as object)).toMatchObject([
    {
      station: hole,
      method: 'ice',
      from: '2027-01-16T15:41:00.000Z',
      to: '2027-01-16T16:13:20.000Z',
      minutes: 30,
      casts: 0,
      takes: [
        { at: '2027-01-16T15:45:00.000Z', steps: { looked: '2027-01-16T15:45:00.000Z' } },
        { at: '2027-01-16T15:50:00.000Z', steps: { bit: '2027-01-16T15:50:00.000Z', landed: '2027-01-16T15:50:40.000Z' }, species: 'black-crappie' },
      ],
      answers: { looked: 1, bite: 1 },
    },
  ]); // prettier-ignore
});

test('the demo season: sums over visits are the season’s', () => {
  const season = JSON.parse(execFileSync(process.execPath, [path.resolve('.build/cli.mjs'), 'season', 'demo/season.ndjson'], { encoding: 'utf8', maxBuffer: 1e8 })) as {
    effort: { lineMin: number; bites: number; fish: number };
    outings: { id: string; lineMin: number; casts: number; bites: number; fish: number }[];
  };
  const visits = burrow('visits', 'demo/season.ndjson')
    .stdout.trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { outing: string; minutes: number; casts: number; takes: { steps: Record<string, string> }[] });
  const bites = (takes: { steps: Record<string, string> }[]) => takes.filter(({ steps }) => ['bit', 'hooked', 'landed', 'lost'].some((s) => s in steps)).length;
  for (const outing of season.outings) {
    const own = visits.filter((v) => v.outing === outing.id);
    expect(own.reduce((sum, v) => sum + v.minutes, 0)).toBeCloseTo(outing.lineMin, 3);
    expect(own.reduce((sum, v) => sum + v.casts, 0)).toBe(outing.casts);
    expect(bites(own.flatMap((v) => v.takes))).toBe(outing.bites);
    expect(own.flatMap((v) => v.takes).filter((t) => 'landed' in t.steps)).toHaveLength(outing.fish);
  }
  expect(bites(visits.flatMap((v) => v.takes))).toBe(season.effort.bites);
});

test('a file that is no ledger is refused with line and what was expected', () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'burrow-visits-')), 'bad.ndjson');
  writeFileSync(file, '{"kind":"note"}\n');
  expect(burrow('visits', file)).toMatchObject({ status: 2, stderr: expect.stringMatching(/^burrow: line 1: expected a ledger event/) });
  expect(burrow('visits')).toMatchObject({ status: 2 });
});
