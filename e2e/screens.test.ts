import { expect, type Page } from '@playwright/test';
import { serious } from './axe';
import { drillOnce, test } from './stack';

const ready: Record<string, (page: Page) => Promise<void>> = {
  '/': (p) => p.getByText(/^Froze over about/).waitFor({ timeout: 40_000 }),
  '/water': (p) => p.getByText(/^Expect/).waitFor(),
  '/hole': (p) => p.getByRole('slider', { name: 'Jig depth' }).waitFor(),
  '/season': (p) => p.getByRole('heading', { name: 'Height above bottom' }).waitFor(),
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

for (const theme of ['day', 'dusk'] as const) {
  test(`nothing serious for axe on any screen by ${theme}`, async ({ demo: page, stack }) => {
    await page.evaluate((t) => localStorage.setItem('burrow.preferences', JSON.stringify({ ...JSON.parse(localStorage.getItem('burrow.preferences') ?? '{}'), theme: t })), theme);
    await drillOnce(page, stack.url);
    for (const [path, wait] of Object.entries(ready)) {
      await page.goto(stack.url + path);
      await wait(page);
      await page.waitForTimeout(600);
      expect(await serious(page), path).toEqual([]);
    }
    await page.goto(`${stack.url}/hole`);
    await ready['/hole'](page);
    if (await page.getByRole('button', { name: /^Line down/ }).isVisible()) await page.getByRole('button', { name: /^Line down/ }).click();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await page.getByRole('slider', { name: 'Length' }).waitFor();
    expect(await serious(page), 'fish sheet').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('slider', { name: 'Length' }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Leave this hole' }).waitFor();
    expect(await serious(page), 'more sheet').toEqual([]);
  });
}

test('the door has nothing serious either, and says what is wrong with what is typed', async ({ page, stack }) => {
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
