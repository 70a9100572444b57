import { expect, type Page } from '@playwright/test';
import { drillOnce, test } from './stack';

/** Another phone of the same angler. */
async function secondPhone(page: Page, url: string): Promise<Page> {
  const context = await page
    .context()
    .browser()!
    .newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  const other = await context.newPage();
  await other.addInitScript(() => localStorage.setItem('burrow.preferences', JSON.stringify({ theme: 'day', water: 'tamber-lake' })));
  await other.goto(url);
  await other.getByRole('button', { name: 'Enter the demo' }).click();
  await other.getByRole('heading', { name: /^Be over them/ }).waitFor();
  return other;
}

const lookedInLog = async (page: Page) => {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Leave this hole' }).waitFor();
  const count = await page.getByRole('button', { name: /^Undo Looked/ }).count();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave this hole' }).waitFor({ state: 'detached' });
  return count;
};

test('two phones on one outing come to the same, and what one takes back is gone on both', async ({ demo: first, stack }) => {
  await first.goto(`${stack.url}/water`);
  await first.getByText(/^Expect/).waitFor();
  const [{ undone }] = await stack.query("SELECT count(*)::int AS undone FROM event WHERE kind = 'undone'");
  await first.getByRole('button', { name: 'Start outing', exact: true }).click();
  await first.getByRole('button', { name: 'I am at the ring' }).click();
  await first.getByRole('button', { name: 'Hole is drilled' }).click();
  await first.getByRole('button', { name: /^Line down/ }).click();
  await first.getByRole('button', { name: 'Looked', exact: true }).click();
  const looked = "SELECT count(*)::int AS n FROM event e JOIN outing o ON o.id = e.outing AND o.account_id = e.account_id WHERE o.ended_at IS NULL AND e.kind = 'reaction'";
  await expect.poll(async () => (await stack.query(looked))[0].n).toBe(1);

  const second = await secondPhone(first, stack.url);
  await second.goto(`${stack.url}/hole`);
  await second.getByRole('button', { name: 'Looked', exact: true }).click();
  await expect.poll(() => lookedInLog(second), { timeout: 30_000 }).toBe(2);
  await first.reload();
  await first.getByRole('button', { name: 'Looked', exact: true }).waitFor();
  await expect.poll(() => lookedInLog(first), { timeout: 40_000 }).toBe(2);

  await first.getByRole('button', { name: 'More', exact: true }).click();
  await first
    .getByRole('button', { name: /^Undo Looked/ })
    .first()
    .click();
  await expect(first.getByRole('button', { name: /^Undo Looked/ })).toHaveCount(1);
  await first.keyboard.press('Escape');
  await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'undone'"))[0].n).toBe((undone as number) + 1);
  await second.reload();
  await second.getByRole('button', { name: 'Looked', exact: true }).waitFor();
  await expect.poll(() => lookedInLog(second), { timeout: 40_000 }).toBe(1);
  await second.context().close();
});

test('two tabs of one phone know of each other: what one logs or ends the other shows at once, without a signal too', async ({ demo: first, stack }) => {
  await drillOnce(first, stack.url);
  const second = await first.context().newPage();
  await second.goto(`${stack.url}/hole`);
  await second.getByText('flasher simulated, live').waitFor();
  if (await first.getByRole('button', { name: /^Line down/ }).isVisible()) await first.getByRole('button', { name: /^Line down/ }).click();
  await second.getByRole('button', { name: 'Refused', exact: true }).waitFor();
  await first.context().setOffline(true);
  const before = await lookedInLog(second);
  await first.getByRole('button', { name: 'Looked', exact: true }).click();
  await expect.poll(() => lookedInLog(second)).toBe(before + 1);
  await second.getByRole('link', { name: 'Leave the hole for the map' }).click();
  await second.getByRole('button', { name: 'End outing' }).click();
  await expect(first.getByText('No outing yet')).toBeVisible();
  await first.context().setOffline(false);
});

test('an address that names nothing, and a page reached by its address alone, both lead on', async ({ demo: page, stack }) => {
  await page.goto(`${stack.url}/nowhere`);
  await expect(page.getByRole('heading', { name: 'No such place' })).toBeVisible();
  await page.getByRole('button', { name: 'To the Outlook' }).click();
  await expect(page.getByRole('heading', { name: /^Be over them/ })).toBeVisible();
  const missing = await page.request.get(`${stack.url}/_expo/static/js/web/none.js`);
  expect(missing.status()).toBe(404);
});

test('signing out closes the account on this phone, and the way in stands open', async ({ demo: page }) => {
  await page.getByRole('link', { name: 'Gear' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Enter the demo' })).toBeVisible();
  await page.getByRole('button', { name: 'I have an account' }).click();
  await page.getByRole('textbox', { name: 'E-mail' }).fill('nobody@test.invalid');
  await page.getByLabel('Password').fill('no such password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText(/expected the e-mail address and password of an account/)).toBeVisible();
});
