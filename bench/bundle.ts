import { chromium, type Browser } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { chromiumLaunch } from '../bin/chromium.mjs';
import { freePort } from '../bin/cluster.mjs';
import { root, startStack } from '../bin/stack.mjs';
import type { Figure } from './figure';

const empty = path.join(root, '.build/empty-web');

/** Compressed bytes of all scripts a page asks for until it shows what it is for. */
async function firstLoad(browser: Browser, url: string, dir: string, arrive: (page: Awaited<ReturnType<Browser['newPage']>>) => Promise<void>): Promise<number> {
  const context = await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const scripts = new Set<string>();
  page.on('response', (r) => {
    const { pathname } = new URL(r.url());
    if (pathname.endsWith('.js')) scripts.add(pathname);
  });
  await page.goto(url);
  await arrive(page);
  await context.close();
  return [...scripts].reduce((sum, file) => sum + brotliCompressSync(readFileSync(path.join(dir, file))).length, 0);
}

function build(command: string, args: string[], cwd: string): void {
  const { status, stderr, stdout } = spawnSync(command, args, {
    cwd,
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`${command} ${args.join(' ')} failed:\n${stdout}${stderr}`);
}

/** First load of the Outlook, as a multiple of an empty Expo Router and Paper page built the same way. */
export async function bundle(): Promise<Figure[]> {
  build(process.execPath, [path.join(root, 'bin/build-web.mjs')], root);
  if (!existsSync(empty)) build(path.join(root, 'node_modules/.bin/expo'), ['export', '-p', 'web', '--output-dir', empty], path.join(root, 'bench/empty-page'));
  const browser = await chromium.launch(chromiumLaunch);
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-bench-'));
  chmodSync(dataDir, 0o711);
  const stack = await startStack({ dataDir, port: (await freePort()) as number });
  const page = createHttp((req, res) => {
    const file = path.join(empty, req.url === '/' ? 'index.html' : (req.url ?? ''));
    if (!existsSync(file)) res.writeHead(404).end();
    else res.writeHead(200, { 'content-type': file.endsWith('.js') ? 'text/javascript' : 'text/html' }).end(readFileSync(file));
  }).listen(0, '127.0.0.1');
  try {
    const ours = await firstLoad(browser, stack.url, path.join(root, '.build/web'), async (p) => {
      await p.getByRole('button', { name: 'Enter the demo' }).click();
      await p.getByRole('heading', { name: /^Be over them/ }).waitFor();
    });
    const base = await firstLoad(browser, `http://127.0.0.1:${(page.address() as AddressInfo).port}/`, empty, (p) => p.getByText('Empty').waitFor());
    const ratio = ours / base;
    return [
      {
        what: 'scripts of the first load, compressed, to the Outlook shown',
        ratio,
        baseline: 'an empty Expo Router and Paper page',
        goal: '≤ 1.6×',
        met: ratio <= 1.6,
        detail: `${Math.round(ours / 1000)} kB against ${Math.round(base / 1000)} kB`,
      },
    ];
  } finally {
    page.close();
    await browser.close();
    await stack.stop();
    rmSync(dataDir, { recursive: true, force: true });
  }
}
