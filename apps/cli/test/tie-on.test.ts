import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-box-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

function tieOn(box: string, ...args: string[]) {
  const file = path.join(dir, 'box.csv');
  writeFileSync(file, box);
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), 'tie-on', '--box', file, ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
}
const usual = ['--species', 'smallmouth', '--temp-c', '5', '--secchi-m', '6', '--method', 'cast', '--goal', 'numbers', '--depth-m', '7.9'];
const box = `piece,family,mass_g,size_mm,colour,hooks,points,rattle,suspends
Clear tube,tube,3.5,63,clear,1,1,no,
Loud crank,lipless,14,70,chartreuse,2,6,yes,
Dark jig,bulky-jig,14,100,black,1,1,,
Micro,micro-jig,1,8,black,1,1,,
`;

test('tie-on ranks what is in the box and serves the way of fishing, with reasons and rules', () => {
  const { status, stdout } = tieOn(box, ...usual);
  expect(status).toBe(0);
  const choices = JSON.parse(stdout) as { piece: string; score: number; massG: number; why: string[]; rules: string[]; viewpoint?: string }[];
  expect(choices.map((c) => c.piece)).toEqual(['Clear tube', expect.any(String), expect.any(String)]);
  expect(choices[0]).toMatchObject({ massG: 3.5, viewpoint: 'match the forage' });
  expect(choices[0].rules).toContain('tie-on.cold-clear.silent');
  expect(choices[0].why.length).toBeGreaterThan(2);
  expect(Object.keys(choices[0]).sort()).toEqual(['massG', 'piece', 'rules', 'score', 'viewpoint', 'why', 'zone']);
});

test('tie-on with nothing for the way of fishing says what to get first, by family', () => {
  const { status, stdout, stderr } = tieOn('piece,family\n', ...usual);
  expect([status, stdout.trim()]).toEqual([0, '[]']);
  expect(stderr).toMatch(/nothing in the box is for cast: first a .+ \([a-z-]+\), about [\d.]+ g and \d+ mm, natural/);
});

test.each([
  [box.replace('3.5', '-3.5'), usual, /line 2: mass_g: expected 0\.05 to 500, found -3\.5/],
  [box.replace(',lipless', ',duck'), usual, /line 3: family: expected one of micro-jig/],
  [box, [...usual.slice(0, -4), '--goal', 'glory'], /--goal: expected one of numbers, size, supper, found "glory"/],
  [box, usual.map((a) => (a === 'smallmouth' ? 'carp' : a)), /--species: expected one of black-crappie/],
  [box, usual.map((a) => (a === '6' ? '0' : a)), /clarity, m: expected 0\.1 to 40, found 0/],
])('tie-on names what is wrong and ends with 2 (%#)', (text, args, message) => {
  const { status, stdout, stderr } = tieOn(text, ...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(message);
});

test('tie-on picks for a zone, by forage, and by what the log says they took', () => {
  type Choice = { piece: string; zone: string; rules: string[] };
  const of = (...args: string[]) => JSON.parse(tieOn(box, ...usual, ...args).stdout) as Choice[];
  for (const zone of ['middle', 'near-bottom', 'bottom']) expect(of('--zone', zone)[0].zone).toBe(zone);
  const missing = tieOn('piece,family\nHover,suspending-minnow\n', ...usual, '--zone', 'bottom');
  expect([missing.status, missing.stderr.trim().split('\n').length]).toEqual([0, 1]);
  expect(missing.stderr).toMatch(/nothing in the box works on the bottom: first a .+ \([a-z-]+\)/);
  expect(of('--forage', 'shad')[0].rules.length).toBeGreaterThan(0);
  expect(tieOn(box, ...usual, '--forage', 'duck')).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/--forage: expected one of perch, minnow, shad, crayfish, insects, found "duck"/) as string,
  });
  // Ten bites on the loud crank, which the table is against in clear cold water, of a log that another program wrote.
  const id = (n: number) => `019b0000-0000-7000-8000-${String(n).padStart(12, '0')}`;
  const at = (minutes: number) => new Date(Date.UTC(2027, 0, 10, 8, minutes)).toISOString().replace('Z', '+00:00');
  const line = (n: number, minutes: number, kind: string, body: object) =>
    JSON.stringify({ id: id(n), outing: id(1), angler: 'a', device: 'd', at: at(minutes), kind, v: 2, body });
  const log = (bites: number) =>
    [
      line(1, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['smallmouth'], goal: 'numbers', method: 'cast' }),
      line(2, 1, 'station-opened', { station: id(2), kind: 'stand', label: '1', at: [25, 61] }),
      line(3, 2, 'line-down', { line: id(3), station: id(2), rod: 'rod 1', presentation: 'Loud crank' }),
      ...Array.from({ length: bites }, (_, k) => line(10 + k, 5 + 7 * k, 'reaction', { station: id(2), line: id(3), reaction: 'bite' })),
    ].join('\n');
  const file = path.join(dir, 'log.ndjson');
  writeFileSync(file, log(10));
  expect(of('--log', file)[0]).toMatchObject({ piece: 'Loud crank', rules: expect.arrayContaining(['tie-on.answers']) as string[] });
  writeFileSync(file, log(1));
  expect(of('--log', file)[0].piece).toBe('Clear tube');
});
