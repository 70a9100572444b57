import { chromium } from '@playwright/test';
import { chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromiumLaunch } from './chromium.mjs';
import { freePort } from './cluster.mjs';
import { root, startStack } from './stack.mjs';

const folder = path.join(root, 'docs/screenshots');
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };

mkdirSync(folder, { recursive: true });
const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-shots-'));
chmodSync(dataDir, 0o711);
const stack = await startStack({ dataDir, port: await freePort(), say: (text) => process.stdout.write(`· ${text}\n`) });
const browser = await chromium.launch(chromiumLaunch);
const context = await browser.newContext({ viewport: phone });
const page = await context.newPage();

const shot = async (name) => {
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  process.stdout.write(`· ${name}.png\n`);
};
const theme = (name) => page.evaluate((t) => localStorage.setItem('burrow.preferences', JSON.stringify({ theme: t })), name);
const go = async (place, size, ready) => {
  await page.setViewportSize(size);
  await page.goto(stack.url + place);
  await ready.waitFor();
  await page.waitForTimeout(900);
};
const outlook = page.getByRole('figure', { name: /^Modelled column/ });
const water = page.getByText(/^Expect/);
const shaft = page.getByRole('slider', { name: 'Jig depth' });
const season = page.getByRole('heading', { name: 'Height above bottom' });
/** Waits until fish hang near the jig, so that the picture shows the work; then a little for their wakes. */
const fishNear = async () => {
  await page.getByRole('figure', { name: /[2-9] marks|1 mark/ }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(9000);
  await page.getByRole('figure', { name: /[1-9] mark/ }).waitFor({ timeout: 120_000 });
};

try {
  await page.goto(stack.url);
  await page.getByRole('button', { name: 'Enter the demo' }).click();
  await page.getByRole('heading', { name: /^Be over them/ }).waitFor();
  await theme('day');
  await go('/', phone, outlook);
  await shot('outlook-phone');
  await outlook.evaluate((figure) => figure.parentElement.scrollIntoView());
  await shot('outlook-column');
  await go('/fieldcraft', phone, page.getByText(/^Your log: \d+ bites/).first());
  await shot('fieldcraft-phone');
  await go('/', wide, outlook);
  await shot('outlook-wide');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await page.getByRole('radio', { name: /^Ullen River/ }).click();
  await go('/water', phone, page.getByRole('heading', { name: /^Begin at/ }));
  await page.waitForTimeout(1500);
  await shot('water-river');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await page.getByRole('radio', { name: /^Tamber Lake/ }).click();
  await go('/water', phone, water);
  await page.waitForTimeout(1500);
  await shot('water-phone');
  await page.getByRole('button', { name: 'In words' }).click();
  const banks = page.getByRole('img', { name: /^Banks by sun/ });
  await banks.waitFor({ timeout: 60_000 });
  await banks.evaluate((picture) => picture.parentElement.scrollIntoView());
  await shot('water-banks');
  await page.getByRole('button', { name: 'Back to the map' }).click();
  await page.getByRole('button', { name: 'Plan holes' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Lay out the holes' }).click();
  await page.getByRole('heading', { name: /^Eight holes/ }).waitFor();
  await page.getByRole('button', { name: 'What the map shows and can do' }).click();
  await page.getByRole('radio', { name: 'Fish expected' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.waitForTimeout(1500);
  await shot('water-plan');
  await page.getByRole('button', { name: 'Start outing' }).click();
  await page.getByRole('button', { name: 'Drill here' }).click();
  await page.getByRole('button', { name: 'Hole is drilled' }).click();
  await page.getByRole('button', { name: /^Line down/ }).click();
  await fishNear();
  await page.getByText(/^Line down: /).waitFor({ state: 'detached' });
  await shot('hole-phone-day');
  await page.getByRole('button', { name: 'Looked', exact: true }).click();
  await theme('dusk');
  await go('/hole', phone, shaft);
  await fishNear();
  await shot('hole-phone-dusk');
  await theme('day');
  await page.reload();
  await shaft.waitFor();
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await page.getByRole('slider', { name: 'Length' }).waitFor();
  await page.waitForTimeout(600);
  await shot('fish-sheet');
  await page.getByRole('button', { name: 'Released' }).click();
  await go('/hole', wide, shaft);
  await fishNear();
  await shot('hole-wide');
  await go('/water', wide, page.getByRole('heading', { name: /^Next hole|^Back to/ }));
  await page.waitForTimeout(1500);
  await shot('water-wide');
  await go('/season', phone, season);
  await shot('season-phone');
  await go('/season', wide, season);
  await page.waitForTimeout(1200);
  await shot('season-wide');
  await go('/practice', phone, shaft);
  await page.getByRole('button', { name: 'Show the coach' }).click();
  await fishNear();
  await shot('practice-phone');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await shot('gear-phone');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await go('/hole', phone, shaft);
  await stack.killServer();
  await context.setOffline(true);
  await page.getByText('no signal: simulated on this phone').waitFor();
  await page.getByRole('button', { name: 'Looked', exact: true }).click();
  await page.getByRole('button', { name: 'Bite', exact: true }).click();
  await page.getByText('2 unsent').waitFor();
  await page.waitForTimeout(9000);
  await shot('offline');
  await otherDay('2027-01-17T06:40:00-09:00', 'outlook-bright-day');
} finally {
  await browser.close();
  await stack.stop();
  rmSync(dataDir, { recursive: true, force: true });
}

/** The Outlook on another morning of the scenario, from a demo of its own. */
async function otherDay(start, name) {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-shots-'));
  chmodSync(dir, 0o711);
  const other = await startStack({ dataDir: dir, port: await freePort(), start });
  const fresh = await browser.newContext({ viewport: phone, serviceWorkers: 'block' });
  const there = await fresh.newPage();
  try {
    await there.addInitScript(() => localStorage.setItem('burrow.preferences', JSON.stringify({ theme: 'day' })));
    await there.goto(other.url);
    await there.getByRole('button', { name: 'Enter the demo' }).click();
    await there.getByRole('figure', { name: /^Modelled column/ }).waitFor({ timeout: 60_000 });
    await there.waitForTimeout(800);
    await there.screenshot({ path: path.join(folder, `${name}.png`) });
    process.stdout.write(`· ${name}.png\n`);
  } finally {
    await fresh.close();
    await other.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
