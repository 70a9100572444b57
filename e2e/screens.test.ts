import { expect, type Page } from '@playwright/test';
import { serious } from './axe';
import { drillOnce, fishIs, test } from './stack';

const ready: Record<string, (page: Page) => Promise<void>> = {
  '/': (p) => p.getByText(/^Froze over about/).waitFor({ timeout: 40_000 }),
  '/water': (p) => p.getByText(/^Expect/).waitFor(),
  '/hole': (p) => p.getByRole('slider', { name: 'Jig depth' }).waitFor(),
  '/season': (p) => p.getByRole('heading', { name: 'By way of fishing' }).waitFor(),
  '/practice': (p) => p.getByRole('slider', { name: 'Jig depth' }).waitFor(),
  '/fieldcraft': (p) =>
    p
      .getByText(/^Your log: \d+ bites/)
      .first()
      .waitFor({ timeout: 40_000 }),
  '/mark-water': (p) => p.getByText(/marks on Tamber Lake$/).waitFor(),
  '/new-water': (p) => p.getByRole('heading', { name: 'A new water' }).waitFor(),
  '/tie-on': (p) => p.getByRole('img', { name: /^Fall to / }).waitFor({ timeout: 40_000 }),
  '/rig-card': (p) => p.getByRole('heading', { name: 'Steps' }).waitFor(),
  '/outing': (p) => p.getByRole('heading', { name: 'No such outing' }).waitFor(),
  '/gear': (p) => p.getByRole('heading', { name: 'Tackle box' }).waitFor(),
};

/** Another tab of the phone changes the light of the screen: every screen follows at once. */
const setTheme = (page: Page, theme: 'day' | 'dusk') =>
  page.evaluate((t) => {
    const key = 'burrow.preferences';
    localStorage.setItem(key, JSON.stringify({ ...JSON.parse(localStorage.getItem(key) ?? '{}'), theme: t }));
    window.dispatchEvent(new StorageEvent('storage', { key }));
  }, theme);

/** Grounds of the two lights. */
const grounds = { day: 'rgb(246, 250, 251)', dusk: 'rgb(11, 22, 27)' } as const;

async function expectClean(page: Page, what: string): Promise<void> {
  for (const theme of ['day', 'dusk'] as const) {
    await setTheme(page, theme);
    await expect.poll(() => page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe(grounds[theme]);
    await page.waitForTimeout(300);
    expect(await serious(page), `${what} by ${theme}`).toEqual([]);
  }
}

test('nothing serious for axe on any screen, by day and by dusk', async ({ demo: page, stack }) => {
  await drillOnce(page, stack.url);
  for (const [path, wait] of Object.entries(ready)) {
    await page.goto(stack.url + path);
    await wait(page);
    await page.waitForTimeout(600);
    await expectClean(page, path);
  }
  await page.goto(`${stack.url}/hole`);
  await ready['/hole'](page);
  if (await page.getByRole('button', { name: /^Line down/ }).isVisible()) await page.getByRole('button', { name: /^Line down/ }).click();
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await fishIs(page, 'Crappie');
  await page.getByRole('slider', { name: 'Length' }).waitFor();
  await expectClean(page, 'fish sheet');
  await page.keyboard.press('Escape');
  await page.getByRole('slider', { name: 'Length' }).waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Leave this hole' }).waitFor();
  await expectClean(page, 'more sheet');
});

test('the door has nothing serious either, comes although the signal loses its form twice, and says what is wrong with what is typed', async ({ page, stack }) => {
  let lost = 0;
  await page.route(/with-paper-\w+\.js/, (route) => (++lost <= 2 ? route.abort() : route.continue()));
  await page.goto(stack.url);
  await page.getByRole('button', { name: 'I am new here' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Ada');
  await page.getByRole('textbox', { name: 'E-mail' }).fill('not an address');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await expect(page.getByText('Expected at least 10 characters')).toBeVisible();
  await page.getByLabel('Password').fill('long enough now');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await expect(page.getByText(/email: /)).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.getByRole('textbox', { name: 'E-mail' }).fill('ada@test.invalid');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await expect(page.getByRole('heading', { name: 'No water yet' })).toBeVisible();
  expect(lost).toBe(3);
});

test('wide: panes side by side that belong together, nothing cut off, keys at hand', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await drillOnce(page, stack.url);
  const boxOf = async (name: string | RegExp, role: Parameters<Page['getByRole']>[0]) => (await page.getByRole(role, { name }).first().boundingBox())!;

  await page.goto(stack.url);
  await ready['/'](page);
  await page.getByRole('figure', { name: /^Modelled column/ }).waitFor({ timeout: 40_000 });
  const [column, hours, today] = [await boxOf(/^Warmest at the bottom/, 'heading'), await boxOf('Hours worth being there', 'heading'), await boxOf('Today', 'heading')];
  expect(hours.x).toBeGreaterThan(column.x + 300);
  expect(today.x).toBeGreaterThan(hours.x + 250);
  expect((await boxOf('Gear', 'link')).x).toBeLessThan(92);

  await page.goto(`${stack.url}/water`);
  await ready['/water'](page);
  expect((await boxOf(/^(Start in|Next hole|Back to)/, 'heading')).x).toBeGreaterThan((await boxOf(/^Depth map/, 'application')).width);

  await page.goto(`${stack.url}/hole`);
  await ready['/hole'](page);
  const [map, shaft, log] = [await boxOf(/^Depth map/, 'application'), await boxOf('Jig depth', 'slider'), await boxOf('This hole', 'heading')];
  expect(map.x + map.width).toBeLessThanOrEqual(shaft.x);
  expect(shaft.x + shaft.width).toBeLessThanOrEqual(log.x);
  await page.keyboard.press('?');
  await expect(page.getByText('L: Looked').or(page.getByText(/^D: Line down/))).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('L: Looked').or(page.getByText(/^D: Line down/))).toBeHidden();
  if (await page.getByRole('button', { name: /^Line down/ }).isVisible()) await page.keyboard.press('d');
  await page.getByRole('button', { name: 'Looked', exact: true }).waitFor();
  await page.keyboard.press('l');
  await expect(page.getByText('Looked logged')).toBeVisible();

  for (const path of Object.keys(ready)) {
    await page.goto(stack.url + path);
    await ready[path](page);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(overflow, path).toBeLessThanOrEqual(0);
  }
});
