import { expect, test } from '@playwright/test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from '../bin/cluster.mjs';
import { clearData } from '../bin/stack.mjs';

const folder = () => {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-serve-'));
  // The database runs as another user, who must be able to pass.
  chmodSync(dir, 0o711);
  return dir;
};
const bin = (name: string) => path.resolve('bin', name);

/** Starts `serve` and answers when it says that it is ready. */
async function serve(args: string[], env: Record<string, string>): Promise<{ child: ChildProcess; said: string; stop: () => Promise<void> }> {
  const child = spawn(bin('serve'), args, { env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  await expect.poll(() => said, { timeout: 60_000 }).toMatch(/is ready|serve: /);
  const stop = () =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null) resolve();
      child.once('exit', () => resolve());
      child.kill('SIGTERM');
    });
  return { child, said, stop };
}

test('run for real: no demo, reachable on the address set, restarted, backed up, restored into another cluster', async ({ page }) => {
  const [home, other, port] = [folder(), folder(), await freePort()];
  const settings = path.join(home, 'settings.env');
  writeFileSync(settings, `# Own\nPORT=${port}\nHOST=0.0.0.0\nDATA_DIR=${home}\nLOG_LEVEL=warn\nPROCESSES=2\n`);
  const address = Object.values(os.networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((a) => a.family === 'IPv4' && !a.internal)?.address;
  const base = `http://${address ?? '127.0.0.1'}:${port}`;

  let running = await serve(['--settings', settings], {});
  expect(running.said).toContain(`${base}`);
  expect(statSync(path.join(home, 'session-secret')).mode & 0o077).toBe(0);

  const credentials = { email: 'ada@test.invalid', password: 'long enough now' };
  await test.step('an account of one’s own from another machine’s address, no demo to enter', async () => {
    await page.goto(base);
    await page.getByRole('button', { name: 'I am new here' }).click();
    await expect(page.getByRole('button', { name: 'Enter the demo' })).toHaveCount(0);
    await page.getByLabel('Name').fill('Ada');
    await page.getByRole('textbox', { name: 'E-mail' }).fill(credentials.email);
    await page.getByLabel('Password').fill(credentials.password);
    await page.getByRole('button', { name: 'Make an account' }).click();
    await page.getByRole('heading', { name: 'No water yet' }).waitFor();
  });
  expect((await page.request.post(`${base}/api/session/demo`)).status()).toBe(404);

  await test.step('a backup while it runs, never over a file that is there', () => {
    const file = path.join(home, 'log.backup');
    const backup = spawnSync(bin('backup'), ['--settings', settings, file], { encoding: 'utf8' });
    expect(backup.stderr).toBe('');
    expect(backup.stdout).toMatch(/log\.backup: [\d.]+ MB/);
    expect(statSync(file).mode & 0o077).toBe(0);
    expect(spawnSync(bin('backup'), ['--settings', settings, file], { encoding: 'utf8' }).stderr).toMatch(/expected a name that is free/);
    expect(spawnSync(bin('restore'), ['--settings', settings, file], { encoding: 'utf8' }).stderr).toMatch(/the server is at work/);
  });

  await test.step('stopped and started again it knows who was signed in', async () => {
    await running.stop();
    running = await serve(['--settings', settings], {});
    const session = (await (await page.request.get(`${base}/api/session`)).json()) as { account: { name: string } | null; demo: boolean };
    expect(session).toMatchObject({ account: { name: 'Ada' }, demo: false });
    await running.stop();
  });

  await test.step('restored into another cluster, over nothing that is there unasked', async () => {
    const env = { DATA_DIR: other, PORT: String(port) };
    const restore = (...args: string[]) => spawnSync(bin('restore'), args, { encoding: 'utf8', env: { ...process.env, ...env } });
    expect(restore(settings).stderr).toMatch(/expected a backup of Vivid Burrow, found something else/);
    const done = restore(path.join(home, 'log.backup'));
    expect(done.stdout).toMatch(/Restored: 1 account\. Everybody signs in anew/);
    const account = (...args: string[]) => spawnSync(bin('account'), args, { encoding: 'utf8', env: { ...process.env, ...env } });
    expect(account('list').stdout).toMatch(/^ada@test\.invalid\tAda/);
    expect(account('reset-code', 'ada@test.invalid').stdout).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}\nGood for an hour/);
    expect(account('reset-code', 'bo@test.invalid').stderr).toMatch(/account: expected the e-mail address of an account, found "bo@/);
    expect(account('dance').stderr).toMatch(/expected list, invite, or reset-code ADDRESS, found "dance"/);
    expect(restore(path.join(home, 'log.backup')).stderr).toMatch(/holds 1 account; .*--replace/);
    expect(restore('--replace', path.join(home, 'log.backup')).status).toBe(0);
    running = await serve([], env);
    const url = `http://127.0.0.1:${port}/api/session`;
    expect(((await (await page.request.get(url)).json()) as { account: unknown }).account).toBeNull();
    expect((await page.request.post(url, { data: credentials })).status()).toBe(200);
    await running.stop();
  });
  for (const dir of [home, other]) clearData(dir);
  expect(existsSync(home)).toBe(false);
});

test('settings that are wrong are named with file and line, and nothing starts', async () => {
  const home = folder();
  const file = path.join(home, 'settings.env');
  for (const [text, words] of [
    ['PORT=9000\nPROT=1\n', /settings\.env, line 2: expected one of PORT, .*found PROT/],
    ['just words\n', /settings\.env, line 1: expected NAME=value/],
    ['DATABASE_URL=mysql://x\n', /DATABASE_URL: expected postgres/],
  ] as const) {
    writeFileSync(file, text);
    const { said, child } = await serve(['--settings', file], { DATA_DIR: path.join(home, 'data') });
    expect(said).toMatch(words);
    await expect.poll(() => child.exitCode, { timeout: 20_000 }).toBe(1);
  }
  clearData(home);
});
