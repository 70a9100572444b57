import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { test } from './stack';

test('on paper an outing is as long as it is, without bars and keys; windows and the plan go to a calendar', async ({ demo: page, stack }) => {
  const windows = await page.getByRole('button', { name: /^Why \d/ }).count();
  const got = page.waitForEvent('download');
  await page.getByRole('button', { name: 'To the calendar (ICS)' }).click();
  const calendar = readFileSync(await (await got).path(), 'utf8');
  expect(windows).toBeGreaterThan(0);
  expect(calendar.match(/^UID:window-/gm)).toHaveLength(windows);
  expect(calendar).toContain('LOCATION:Tamber Lake');

  await page.goto(`${stack.url}/season`);
  await page.getByRole('link', { name: /^Open the outing of Wed 13 Jan/ }).click();
  await page.getByText('All that was logged').waitFor();
  await page.evaluate(() => (window.print = () => document.body.setAttribute('data-printed', '')));
  await page.getByRole('button', { name: 'Print this outing' }).click();
  await page.locator('body[data-printed]').waitFor();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Add an entry' })).toBeHidden();
  await expect(page.getByText('All that was logged')).toBeVisible();
  // Nothing is left in a box that would be scrolled.
  const [height, room] = await page.evaluate(() => [document.documentElement.scrollHeight, window.innerHeight]);
  expect(height).toBeGreaterThan(3 * room);
});
