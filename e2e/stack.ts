import { test as base, expect, type Page } from '@playwright/test';
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

/** One statement on a connection of its own, so that none stands in the way of putting a database back. */
async function ask(url: string, sql: string): Promise<Record<string, unknown>[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(sql)).rows;
  } finally {
    await client.end();
  }
}

/** The whole program, running once for all tests of a worker; every test begins on the demo data as it was loaded, whatever another did. */
export const test = base.extend<{ stack: Stack; demo: Page }, { program: Stack & { putBack: () => Promise<void> } }>({
  program: [
    async ({ browserName: _browser }, use) => {
      const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-e2e-'));
      // The database runs as another user, who must be able to pass.
      chmodSync(dataDir, 0o711);
      const { url, databaseUrl, killServer, startServer, stop } = await startStack({ dataDir, port: await freePort() });
      const cluster = new URL(databaseUrl);
      cluster.pathname = '/postgres';
      const copy = async (from: string, to: string) => {
        await killServer();
        await ask(cluster.href, `DROP DATABASE IF EXISTS ${to} WITH (FORCE)`);
        await ask(cluster.href, `CREATE DATABASE ${to} TEMPLATE ${from}`);
        await startServer();
      };
      await copy('burrow', 'as_loaded');
      await use({ url, killServer, startServer, query: (sql) => ask(databaseUrl, sql), putBack: () => copy('as_loaded', 'burrow') });
      await stop();
      clearData(dataDir);
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  stack: async ({ program }, use) => {
    await program.putBack();
    await use(program);
  },
  /** A page inside the demo account, by day, on the lake of its winter: without a choice it would be the water fished last. */
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

/** Says which fish it is on the fish sheet: that of a first one is asked. */
export const fishIs = (page: Page, name: string) => page.getByRole('dialog').getByRole('radio', { name, exact: true }).click();

/** Chooses what is fished for where nobody has said it yet. */
export const fishFor = (page: Page, name: string) => page.getByRole('dialog', { name: 'What do you fish for?' }).getByRole('button', { name, exact: true }).click();

/** Says what is on the line, where it is asked since one fishes in another way than last. */
export const lineHolds = (page: Page, name: string) => page.getByRole('dialog', { name: 'What is on the line?' }).getByRole('button', { name, exact: true }).click();

/** Starts an outing in a way of fishing, by its own key or out of all of them; for this fish, or the first of the list, where nobody has said which yet. */
export async function startOuting(page: Page, way: string, fish?: string): Promise<void> {
  const [direct, choose] = [`Start outing: ${way}`, 'Another way'].map((name) => page.getByRole('button', { name, exact: true }));
  await choose.or(direct).first().waitFor();
  if (!(await direct.isVisible())) await choose.click();
  // Where the key stood there already and the list of all ways came over it, it is there twice.
  await direct.last().click();
  const asked = page.getByRole('dialog', { name: 'What do you fish for?' });
  const end = page.getByRole('button', { name: 'End outing' }).first();
  await asked.or(end).first().waitFor();
  if (!(await asked.isVisible())) return;
  if (fish) await asked.getByRole('textbox').fill(fish);
  const listed = asked.getByRole('listitem').getByRole('button');
  await (fish ? listed.and(page.getByRole('button', { name: fish, exact: true })) : listed.first()).click();
  // Whoever goes on at once, by another page or without a signal, goes on from an outing that is written.
  await end.waitFor();
}

/** Starts an outing with one hole, unless one is under way. */
export async function drillOnce(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/water`);
  // By these names once it is known that there is ice; before, every way of fishing is offered.
  const [start, drill, see] = ['Start outing', /^(Drill here|I am at the ring)$/, /^See hole/].map((name) => page.getByRole('button', { name, exact: true }));
  // A phone that has just come into an account still reads its log: an outing of long ago looks as if it went on until its end has come. What is pressed
  // meanwhile is pressed again, as a thumb would.
  await expect(async () => {
    await start.or(drill).waitFor({ timeout: 30_000 });
    if (await start.isVisible()) await start.click({ timeout: 10_000 });
    await drill.waitFor({ timeout: 15_000 });
    if (await see.isVisible()) return see.click({ timeout: 10_000 });
    await drill.click({ timeout: 10_000 });
    await page.getByRole('button', { name: 'Hole is drilled' }).click({ timeout: 15_000 });
  }).toPass({ timeout: 180_000 });
  await page.getByText('flasher simulated, live').waitFor();
}
