import { test as base, type Page } from '@playwright/test';
import { chmodSync, mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { freePort } from '../bin/cluster.mjs';
import { clearData, startStack } from '../bin/stack.mjs';

export interface Stack {
  url: string;
  /** Ends the server hard; the stand-ins and the database stay. */
  killServer: () => Promise<void>;
  startServer: () => Promise<void>;
  query: (sql: string) => Promise<Record<string, unknown>[]>;
}

/** The whole program on demo data of its own, once for all tests of a worker. */
export const test = base.extend<{ demo: Page }, { stack: Stack }>({
  stack: [
    async ({ browserName: _browser }, use) => {
      const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-e2e-'));
      // The database runs as another user, who must be able to pass.
      chmodSync(dataDir, 0o711);
      const stack = await startStack({ dataDir, port: await freePort() });
      const client = new pg.Client({ connectionString: stack.databaseUrl });
      await client.connect();
      await use({ url: stack.url, killServer: stack.killServer as () => Promise<void>, startServer: stack.startServer, query: async (sql) => (await client.query(sql)).rows });
      await client.end();
      await stack.stop();
      clearData(dataDir);
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  /** A page inside the demo account, by day, on the lake of its winter: without a choice it would be the water fished last, by whichever test. */
  demo: async ({ page, stack }, use) => {
    await page.addInitScript(() => {
      if (!localStorage.getItem('burrow.preferences')) localStorage.setItem('burrow.preferences', JSON.stringify({ theme: 'day', water: 'tamber-lake' }));
    });
    await page.goto(stack.url);
    await page.getByRole('button', { name: 'Enter the demo' }).click();
    await page.getByRole('heading', { name: /^Be over them/ }).waitFor();
    await use(page);
  },
});

/** Drags within the shaft from the jig to a share of its height. */
export async function dragJig(page: Page, toShare: number): Promise<void> {
  const shaft = page.getByRole('slider', { name: 'Jig depth' });
  const box = (await shaft.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + box.height * 0.4);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + box.height * toShare, { steps: 6 });
  await page.mouse.up();
}

/** Depth of the jig in feet or metres, as the shaft says it. */
export async function jigDepth(page: Page): Promise<number> {
  return parseFloat((await page.getByRole('slider', { name: 'Jig depth' }).getAttribute('aria-valuetext'))!);
}

/** Starts an outing with one hole, unless one is under way. */
export async function drillOnce(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/water`);
  // By these names once it is known that there is ice; before, every way of fishing is offered.
  const [start, drill, see] = ['Start outing', 'Drill here', /^See hole/].map((name) => page.getByRole('button', { name, exact: true }));
  await start.or(drill).waitFor();
  if (await start.isVisible()) await start.click();
  await drill.waitFor();
  // What another test left may end while one looks: its hole is then gone.
  const isAtHole =
    (await see.isVisible()) &&
    (await see.click({ timeout: 4000 }).then(
      () => true,
      () => false,
    ));
  if (!isAtHole) {
    await start.or(drill).waitFor();
    if (await start.isVisible()) await start.click();
    await drill.click();
    await page.getByRole('button', { name: 'Hole is drilled' }).click();
  }
  await page.getByText('flasher simulated, live').waitFor();
}
