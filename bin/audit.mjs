/** Holds the lock against what this project lets in: licences, install scripts, known bad versions, files without a checksum. Asks no server. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const read = (file) => JSON.parse(readFileSync(path.join(root, file), 'utf8'));

/** Licences that ask for no more than a notice, or whose files stay as they are. Of a choice one is enough; of a sum all must be here. */
const licences = new Set([
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'BDS-3-Clause',
  'BSL-1.0',
  'CC-BY-4.0',
  'CC0-1.0',
  'ISC',
  'MIT',
  'MIT-0',
  'MPL-2.0',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
]);
/** Packages whose licence stands in their files rather than in the lock, as somebody read it there. */
const readByHand = { exit: 'MIT', suncalc: 'BSD-2-Clause' };
/** Packages that may run something when they are installed: both pick the binary of this machine out of what came with them. */
const mayInstall = new Set(['@swc/core', 'esbuild']);

/** Whether an SPDX expression is one that is let in. */
function isLetIn(expression) {
  const parts = expression.replace(/^\(|\)$/g, '').split(/\s+(OR|AND)\s+/);
  const isChoice = parts.includes('OR');
  const names = parts.filter((part) => part !== 'OR' && part !== 'AND');
  return isChoice ? names.some((name) => licences.has(name)) : names.every((name) => licences.has(name));
}

const compare = (a, b) => {
  const [left, right] = [a, b].map((version) => version.split('-')[0].split('.').map(Number));
  return left.map((part, i) => part - (right[i] ?? 0)).find((difference) => difference !== 0) ?? 0;
};

/** What is wrong with a lock, a line each. `known` lists versions with a known fault: `{ name, below, from?, why }`. */
export function auditProblems(lock, known) {
  const problems = [];
  for (const [place, entry] of Object.entries(lock.packages)) {
    if (!place.includes('node_modules/') || entry.link) continue;
    const name = entry.name ?? place.split('node_modules/').at(-1);
    const licence = entry.license ?? readByHand[name];
    if (typeof licence !== 'string' || !isLetIn(licence)) problems.push(`${name} ${entry.version}: expected a licence that is let in, found ${licence ?? 'none'}`);
    if (entry.hasInstallScript && !mayInstall.has(name)) problems.push(`${name} ${entry.version}: expected no install script, found one`);
    if (entry.integrity === undefined && !entry.inBundle) problems.push(`${name} ${entry.version}: expected a checksum, found none`);
    if (/^(git|http:|file:)/.test(entry.resolved ?? '')) problems.push(`${name} ${entry.version}: expected a package of the registry, found another source`);
    for (const bad of known)
      if (bad.name === name && compare(entry.version, bad.below) < 0 && (bad.from === undefined || compare(entry.version, bad.from) >= 0))
        problems.push(`${name} ${entry.version}: ${bad.why}; ${bad.below} or later`);
  }
  return problems;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const lock = read('package-lock.json');
  const problems = auditProblems(lock, read('docs/known-faults.json'));
  for (const problem of problems) process.stderr.write(`audit: ${problem}\n`);
  process.stdout.write(`  ${Object.keys(lock.packages).length} packages of the lock, ${problems.length} problems\n`);
  process.exit(problems.length > 0 ? 1 : 0);
}
