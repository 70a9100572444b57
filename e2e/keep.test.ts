import { expect, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { freePort } from '../bin/cluster.mjs';
import { ownWater } from './own';
import { startOuting, test, type Stack } from './stack';

const outingsOf = async (stack: Stack) => Number((await stack.query(`SELECT count(*)::int AS n FROM event WHERE kind = 'outing-started'`))[0].n);

const inMemory = /in memory only$/;
const keptAgain = 'The log is kept on this phone again';

/** Kinds of the entries that the browser's own database holds for an account. */
const onDisk = (page: Page) =>
  page.evaluate(async () => {
    const [name] = (await indexedDB.databases()).map((d) => d.name!).filter((n) => n.startsWith('burrow-'));
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open(name);
      opening.onsuccess = () => resolve(opening.result);
      opening.onerror = () => reject(opening.error);
    });
    const rows = await new Promise<{ event: { kind: string } }[]>((resolve) => {
      const reading = db.transaction('events').objectStore('events').getAll();
      reading.onsuccess = () => resolve(reading.result);
    });
    db.close();
    return rows.map((r) => r.event.kind);
  });

/** Fills what room the browser gives this address, as other pages of it might. */
const fillUp = (page: Page) =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('others', 1);
      opening.onupgradeneeded = () => opening.result.createObjectStore('filler', { autoIncrement: true });
      opening.onsuccess = () => resolve(opening.result);
    });
    for (let size = 400_000; size >= 1000;) {
      const took = await new Promise<boolean>((resolve) => {
        const writing = db.transaction('filler', 'readwrite');
        writing.objectStore('filler').add(crypto.getRandomValues(new Uint8Array(Math.min(size, 65_536))));
        for (let more = 65_536; more < size; more += 65_536) writing.objectStore('filler').add(crypto.getRandomValues(new Uint8Array(65_536)));
        writing.oncomplete = () => resolve(true);
        writing.onabort = () => resolve(false);
      });
      if (!took) size = Math.floor(size / 4);
    }
    db.close();
  });

test('a browser that opens no database: told at once, the log goes on in memory and to the server, with a way out', async ({ page, stack }) => {
  const before = await outingsOf(stack);
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('A mutation operation was attempted on a database that did not allow mutations.', 'InvalidStateError');
    };
  });
  await ownWater(page, stack.url, 'Mem');
  await expect(page.getByText(inMemory)).toBeVisible();
  await page.getByRole('button', { name: 'What to do' }).click();
  await expect(page.getByText(/A private window keeps nothing/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'from a boat or pier');
  await expect.poll(() => outingsOf(stack)).toBe(before + 1);
  await expect(page.getByText(inMemory)).toBeVisible();
});

test('a database that never answers: no waiting for ever', async ({ page, stack }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest;
  });
  await ownWater(page, stack.url, 'Slow');
  await expect(page.getByText(inMemory)).toBeVisible();
  await page.getByRole('link', { name: 'Season', exact: true }).click();
  await expect(page.getByText('Opening the log')).toHaveCount(0);
});

test('no room left in the middle: told, nothing lost, sent, and written when there is room', async ({ page, stack }) => {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Storage.overrideQuotaForOrigin', { origin: new URL(stack.url).origin, quotaSize: 4_000_000 });
  await ownWater(page, stack.url, 'Full');
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'from a boat or pier');
  await expect.poll(() => onDisk(page)).toEqual(['outing-started']);
  await fillUp(page);
  await page.getByRole('button', { name: 'End outing' }).click();
  await expect(page.getByText(inMemory)).toBeVisible();
  // The server has it although the disk does not.
  const ended = `SELECT count(*)::int AS n FROM event WHERE kind = 'outing-ended' AND received_at > now() - interval '1 minute' AND v = 2 AND device <> 'demo'`;
  await expect.poll(async () => Number((await stack.query(ended))[0].n)).toBeGreaterThan(0);
  await page.evaluate(() => indexedDB.deleteDatabase('others'));
  await expect(page.getByText(keptAgain)).toBeVisible({ timeout: 60_000 });
  expect((await onDisk(page)).sort()).toEqual(['outing-ended', 'outing-started']);
  await expect(page.getByText(keptAgain)).toHaveCount(0, { timeout: 15_000 });
});

test('a database thrown away under the open page is noticed and written anew', async ({ page, stack, context }) => {
  await ownWater(page, stack.url, 'Gone');
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await page.getByRole('button', { name: /^Start outing: |Another way/ }).first().waitFor(); // prettier-ignore
  await context.setOffline(true);
  await startOuting(page, 'from a boat or pier');
  await expect.poll(() => onDisk(page)).toEqual(['outing-started']);
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases())
      await new Promise<void>((resolve) => {
        const gone = indexedDB.deleteDatabase(name!);
        gone.onsuccess = gone.onerror = gone.onblocked = () => resolve();
      });
  });
  await expect(page.getByText(keptAgain)).toBeVisible();
  expect(await onDisk(page)).toEqual(['outing-started']);
  await context.setOffline(false);
  await page.reload();
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await expect(page.getByRole('button', { name: 'End outing' })).toBeVisible();
});

test('a session that the server forgot stops nobody: one fishes on, is told why, signs in again, and all is sent', async ({ page, stack }) => {
  await ownWater(page, stack.url, 'Lapse');
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  // The session ends under a water that is on the phone already; one that never came has nothing to start on.
  await page.getByRole('button', { name: /^Start outing: |Another way/ }).first().waitFor(); // prettier-ignore
  await stack.query('DELETE FROM session');
  await startOuting(page, 'from a boat or pier');
  // The band may stand there already: a page loaded again before the tap is written would take the tap with it.
  await expect.poll(() => onDisk(page)).toEqual(['outing-started']);
  await expect(page.getByText(/^The server wants you to sign in again\. Nothing is lost/)).toBeVisible();
  await page.reload();
  await page.getByText(/^The server wants you to sign in again/).click();
  await expect(page.getByText(/put back from a backup, or you were signed out from elsewhere/)).toBeVisible();
  const before = await outingsOf(stack);
  await page.getByRole('textbox', { name: 'E-mail' }).fill('lapse@test.invalid');
  await page.getByLabel('Password').fill('long enough now');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText(/^The server wants you to sign in again/)).toHaveCount(0);
  await expect.poll(() => outingsOf(stack)).toBe(before + 1);
});

test('two phones that each begin an outing without a signal: both are shown, and joined by one tap', async ({ page, stack }) => {
  await ownWater(page, stack.url, 'Twin');
  const context = await page
    .context()
    .browser()!
    .newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  const second = await context.newPage();
  await second.goto(stack.url);
  await second.getByRole('button', { name: 'I have an account' }).click();
  await second.getByRole('textbox', { name: 'E-mail' }).fill('twin@test.invalid');
  await second.getByLabel('Password').fill('long enough now');
  await second.getByRole('button', { name: 'Sign in', exact: true }).click();
  for (const phone of [page, second]) {
    await phone.getByRole('link', { name: 'Water', exact: true }).click();
    await phone.getByRole('button', { name: /^Start outing: |Another way/ }).first().waitFor(); // prettier-ignore
    // What is fetched at leisure comes a while after the first picture, and no worker keeps it here.
    await phone.waitForTimeout(5000);
    await phone.context().setOffline(true);
    await startOuting(phone, 'from a boat or pier');
    await phone.getByRole('button', { name: 'End outing' }).waitFor();
  }
  await page.context().setOffline(false);
  await second.context().setOffline(false);
  for (const phone of [page, second]) await expect(phone.getByText(/^Two outings are under way: /)).toBeVisible();
  await page.getByRole('button', { name: 'Join them' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Join them' }).click();
  for (const phone of [page, second]) await expect(phone.getByText(/^Two outings are under way: /)).toHaveCount(0);
  const open = `SELECT count(*)::int AS n FROM outing o JOIN account a ON a.id = o.account_id WHERE a.email = 'twin@test.invalid'`;
  await expect.poll(async () => Number((await stack.query(open))[0].n)).toBe(1);
  await context.close();
});

test('a flasher by its own address is listened to', async ({ page, stack }) => {
  const port = await freePort();
  const device = spawn(process.execPath, ['.build/flasher.mjs'], { env: { ...process.env, PORT: String(port) } });
  try {
    await ownWater(page, stack.url, 'Ping');
    await page.getByRole('radio', { name: 'A stream by address' }).click();
    await page.getByLabel(/^Address, such as/).fill(`http://127.0.0.1:${port}/stream?bottomM=6`);
    await page.getByRole('button', { name: 'Listen to it' }).click();
    await page.getByRole('link', { name: 'Water', exact: true }).click();
    await startOuting(page, 'on the ice');
    await page.getByRole('button', { name: 'I am at the ring' }).click();
    await page.getByRole('button', { name: 'Hole is drilled' }).click();
    await expect(page.getByText('This flasher says that it is simulated: these fish are in no water')).toBeVisible();
    await expect(page.getByRole('slider', { name: 'Jig depth' })).toBeVisible();
  } finally {
    device.kill();
  }
});
