import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const unknown = process.argv.slice(2).find((arg) => arg !== '--long');
if (unknown !== undefined) {
  process.stderr.write(`test: expected --long or nothing, found "${unknown}"\n`);
  process.exit(2);
}
// Seeded experiments prove the same laws on all their seeds, which takes minutes more.
if (process.argv.includes('--long')) process.env.BURROW_LONG = '1';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const results = path.join(root, 'test-results');
const bin = (name) => path.join(root, 'node_modules/.bin', name);
const total = { passed: 0, failed: 0 };

/** Runs a step, shows its output, and counts it as one test where it has no count of its own. */
function step(title, command, args, counted) {
  const began = Date.now();
  process.stdout.write(`\n· ${title}\n`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, FORCE_COLOR: '0', NODE_ENV: 'test' } });
  const counts = counted?.() ?? { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 };
  // A runner that failed without a failed test has failed all the same.
  if (status !== 0 && counts.failed === 0) counts.failed = 1;
  total.passed += counts.passed;
  total.failed += counts.failed;
  process.stdout.write(`  ${title}: ${counts.passed} passed, ${counts.failed} failed in ${Math.round((Date.now() - began) / 1000)} s\n`);
  return counts.failed === 0;
}

/** Steps that only read, two side by side, each shown and counted when it has ended. */
async function checks(...lanes) {
  const run = ([title, name, args]) =>
    new Promise((resolve) => {
      const began = Date.now();
      const child = spawn(bin(name), args, { cwd: root, env: { ...process.env, FORCE_COLOR: '0', NODE_ENV: 'test' } });
      let said = '';
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
      child.on('error', (error) => (said += error.message));
      child.on('close', (status) => {
        total[status === 0 ? 'passed' : 'failed']++;
        process.stdout.write(`\n· ${title}\n${said}  ${title}: ${status === 0 ? 'passed' : 'failed'} in ${Math.round((Date.now() - began) / 1000)} s\n`);
        resolve();
      });
    });
  await Promise.all(
    lanes.map(async (lane) => {
      for (const check of lane) await run(check);
    }),
  );
}

const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const jestCounts = (file) => () => {
  const report = readJson(file);
  return report ? { passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites } : null;
};
const playwrightCounts = (file) => () => {
  const stats = readJson(file)?.stats;
  return stats ? { passed: stats.expected, failed: stats.unexpected + stats.flaky } : null;
};

rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
await checks(
  [['style (eslint)', 'eslint', ['.', '--max-warnings', '0']]],
  [
    ['layout (prettier)', 'prettier', ['--check', '.', '--log-level', 'warn']],
    ['types (everything but the app)', 'tsc', ['-p', 'tsconfig.json']],
    ['types (app)', 'tsc', ['-p', 'apps/angler/tsconfig.json']],
    ['types (end-to-end)', 'tsc', ['-p', 'e2e/tsconfig.json']],
    ['types (phone and server together)', 'tsc', ['-p', 'integration/tsconfig.json']],
    ['dependency rules', 'depcruise', ['packages', 'apps', 'stand-ins', 'demo', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']],
    ['unused code (knip)', 'knip', ['--no-progress']],
  ],
);
step('audit of the lock', process.execPath, ['bin/audit.mjs']);
const built = step('building the programs', process.execPath, ['bin/build.mjs']) && step('building the web app', process.execPath, ['bin/build-web.mjs']);
const jestFile = path.join(results, 'jest.json');
step('unit, server and app tests', bin('jest'), ['--maxWorkers=2', '--json', `--outputFile=${jestFile}`, '--silent', '--testLocationInResults=false'], jestCounts(jestFile));
if (built) step('end-to-end in Chromium', bin('playwright'), ['test'], playwrightCounts(path.join(results, 'e2e.json')));
process.stdout.write(`\n${total.passed} passed, ${total.failed} failed\n`);
process.exit(total.failed === 0 ? 0 : 1);
