/** Exports the web app into .build/web when its sources changed: pages, service worker, precompressed files. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { build } from 'esbuild';
import { injectManifest } from 'workbox-build';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const app = path.join(root, 'apps/angler');
const out = path.join(root, '.build/web');
const part = path.join(root, '.build/web.part');
const stamp = path.join(root, '.build/web.stamp');
const sources = ['packages', 'apps/angler', 'package-lock.json', 'bin/build-web.mjs'];
const skipped = new Set(['node_modules', 'test', '.expo', 'dist']);

function newest(file) {
  const stat = statSync(file);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(file)
    .filter((name) => !skipped.has(name))
    .reduce((ms, name) => Math.max(ms, newest(path.join(file, name))), 0);
}

const since = existsSync(stamp) && existsSync(out) ? statSync(stamp).mtimeMs : 0;
if (!process.argv.includes('--force') && sources.every((s) => newest(path.join(root, s)) < since)) process.exit(0);
const began = Date.now();
process.stdout.write('  exporting the web app (one to two minutes the first time)\n');

rmSync(part, { recursive: true, force: true });
const exported = spawnSync(path.join(root, 'node_modules/.bin/expo'), ['export', '-p', 'web', '--output-dir', part], {
  cwd: app,
  env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  encoding: 'utf8',
});
if (exported.status !== 0) {
  process.stderr.write(`${exported.stdout}\n${exported.stderr}\n`);
  process.exit(1);
}

/** All files of the export, relative to it. */
const files = (dir) =>
  readdirSync(dir, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile())
    .map((f) => path.relative(part, path.join(f.parentPath ?? f.path, f.name)));

rmSync(path.join(part, 'metadata.json'), { force: true });
const fonts = files(part).filter((f) => /Atkinson.*(400Regular|700Bold)\.[0-9a-f]+\.ttf$/.test(f));
const page = path.join(part, 'index.html');
const preloads = fonts.map((f) => `<link rel="preload" href="/${f}" as="font" type="font/ttf" crossorigin />`).join('');
writeFileSync(page, readFileSync(page, 'utf8').replace('</head>', `${preloads}</head>`));

const worker = path.join(part, 'service-worker.js');
await build({
  entryPoints: [path.join(app, 'src/offline/service-worker.ts')],
  outfile: worker,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  absWorkingDir: root,
});
const { warnings } = await injectManifest({
  swSrc: worker,
  swDest: worker,
  globDirectory: part,
  globPatterns: ['**/*.{js,html,ttf,svg,webmanifest,png}'],
  globIgnores: ['service-worker.js'],
  dontCacheBustURLsMatching: /[-.][0-9a-f]{32}\./,
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
});
if (warnings.length > 0) {
  process.stderr.write(`service worker: ${warnings.join('\n')}\n`);
  process.exit(1);
}

const compress = promisify(brotliCompress);
for (const file of files(part).filter((f) => /\.(js|html|ttf|svg|webmanifest)$/.test(f))) {
  const bytes = readFileSync(path.join(part, file));
  writeFileSync(path.join(part, `${file}.br`), await compress(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }));
}
rmSync(out, { recursive: true, force: true });
renameSync(part, out);
writeFileSync(stamp, '');
// What was changed while this ran is newer than the stamp, and is built the next time.
utimesSync(stamp, new Date(began), new Date(began));
process.stdout.write(`  exported in ${Math.round((Date.now() - began) / 1000)} s\n`);
