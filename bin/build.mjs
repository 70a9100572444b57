/** Bundles the Node programs (server, command line, stand-ins) into .build, skipping those newer than all their sources. */
import { existsSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const programs = {
  cli: 'apps/cli/src/main.ts',
  server: 'apps/server/src/main.ts',
  'winter-worker': 'apps/server/src/workers/winter.ts',
  'body-worker': 'apps/server/src/workers/body.ts',
  maintenance: 'apps/server/src/maintenance.ts',
  flasher: 'stand-ins/flasher/src/main.ts',
  'weather-service': 'stand-ins/weather-service/src/main.ts',
};
const sources = ['packages', 'apps/server/src', 'apps/cli/src', 'stand-ins', 'package-lock.json'];

function newest(file) {
  const stat = statSync(file);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(file)
    .filter((name) => name !== 'node_modules' && name !== 'test')
    .reduce((ms, name) => Math.max(ms, newest(path.join(file, name))), stat.mtimeMs);
}

/** Only our own packages go into the bundle. */
const ours = {
  name: 'ours',
  setup(b) {
    b.onResolve({ filter: /^[^./]/ }, ({ path: id, kind }) => (kind === 'entry-point' || id.startsWith('@burrow/') || path.isAbsolute(id) ? null : { path: id, external: true }));
  },
};

const stamp = path.join(root, '.build/stamp');
const since = existsSync(stamp) ? statSync(stamp).mtimeMs : 0;
if (!process.argv.includes('--force') && sources.every((s) => newest(path.join(root, s)) < since)) process.exit(0);
for (const name of existsSync(path.join(root, '.build')) ? readdirSync(path.join(root, '.build')) : []) if (/\.mjs(\.map)?$/.test(name)) rmSync(path.join(root, '.build', name));
await build({
  absWorkingDir: root,
  entryPoints: Object.entries(programs)
    .filter(([, file]) => existsSync(path.join(root, file)))
    .map(([out, file]) => ({ in: file, out })),
  outdir: '.build',
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  plugins: [ours],
  outExtension: { '.js': '.mjs' },
});
writeFileSync(stamp, '');
