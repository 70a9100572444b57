import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Sources under a folder that are no tests. */
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile() && /\.tsx?$/.test(f.name))
    .map((f) => path.join(f.parentPath, f.name));

/** Rooms that make the situation or draw what it is made of. */
const makers =
  /core\/src\/(situation|outlook|column|winter|water|weather|ledger|ground|season|simulator|fish|units)\/|angler\/src\/(data\/(outlook|column|water|ground)\.tsx?|workers\/|features\/(outlook|season)\/)/;

/** What only they look up, and what a lookup of one's own looks like. */
const lookups: [string, RegExp][] = [
  ['the temperature of a column', /valueAt\([^)]*'tempC'/],
  ['the last thermometer reading', /\.temperatures\.at\(-1\)\?*\.tempC/],
  ['a temperature taken for granted', /assumed(Water)?C\b/],
  ['clarity', /\bsecchiOf\(/],
  ['the band of a fish', /\bfishDepth\(|outlook\??\.depth\??\.look/],
  ['the weather of now', /\bweatherAt\(/],
  ['the stage of the season', /\bseasonStage\(/],
];

test.each(lookups)('no adviser looks up %s itself: the situation says it', (_, pattern) => {
  const found = ['packages/core/src', 'apps/angler/src'].flatMap(sources).filter((file) => !makers.test(file) && pattern.test(readFileSync(file, 'utf8')));
  expect(found).toEqual([]);
});

test('the rule finds a lookup where there is one', () => {
  const [file] = sources('packages/core/src/situation').filter((f) => f.endsWith('situation.ts'));
  expect(lookups.filter(([, pattern]) => pattern.test(readFileSync(file, 'utf8'))).length).toBeGreaterThan(2);
});
