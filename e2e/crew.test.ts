import { expect, type BrowserContext, type Page } from '@playwright/test';
import { serious } from './axe';
import { ownWater } from './own';
import { startOuting, test } from './stack';

// The app is on the phone before the network goes.
test.use({ serviceWorkers: 'allow' });

const shots = process.env.SHOTS;

/** An angler on a phone of his own, casting from a stand on a water of his own. */
async function casting(page: Page, url: string, name: string): Promise<void> {
  await ownWater(page, url, name);
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'casting', 'Smallmouth bass');
  await page.getByRole('button', { name: 'I am at the ring' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'I stand here' }).click();
  await page.getByRole('button', { name: /^Cast/ }).first().waitFor({ timeout: 60_000 });
}

const castsAndBites = async (page: Page, bites: number) => {
  await page.getByRole('button', { name: /^Cast/ }).first().click();
  for (let k = 0; k < bites; k++) await page.getByRole('button', { name: 'Bite', exact: true }).click();
};
const toCrew = async (page: Page) => {
  await page.getByRole('link', { name: /for the map$/ }).click();
  await page.getByRole('button', { name: 'Crew', exact: true }).click();
};
const rowOf = (page: Page, name: string) => page.getByRole('img', { name: new RegExp(`^${name} at `) });

test('two anglers share an outing: by a code, live, one of them without a signal for a while, until one leaves', async ({ page: oda, stack, browser }) => {
  const contexts: BrowserContext[] = [];
  const phone = async () => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    contexts.push(context);
    return context.newPage();
  };
  const brek = await phone();
  await casting(oda, stack.url, 'Oda');
  await casting(brek, stack.url, 'Brek');
  await castsAndBites(oda, 1);
  await toCrew(oda);
  await oda.getByRole('button', { name: 'Open a crew' }).click();
  const code = /code (\w{3} \w{3})/.exec((await oda.getByText(/^A crew of one so far, code/).textContent())!)![1];

  await toCrew(brek);
  const signs = brek.getByRole('textbox', { name: 'Code of six signs' });
  await signs.fill('AAAAAA');
  await brek.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(brek.getByText(/^code: expected the six signs/)).toBeVisible();
  await signs.fill(code.toLowerCase());
  await brek.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(brek.getByText(/^Crew of 2/)).toBeVisible();
  await expect(brek.getByText('Oda', { exact: true })).toBeVisible();
  // The board of the other is live.
  await expect(oda.getByText(/^Crew of 2, code/)).toBeVisible();
  await expect(rowOf(oda, 'Oda')).toHaveAttribute('aria-label', /1 bite/);

  // Without a signal he fishes on; the others see it once he has one again.
  await brek.getByRole('button', { name: 'Back to fishing' }).click();
  await expect(brek.getByRole('link', { name: /^Crew: Oda: bite/ })).toBeVisible();
  await brek.evaluate(() => navigator.serviceWorker.ready);
  await contexts[0].setOffline(true);
  await castsAndBites(brek, 2);
  await expect(rowOf(oda, 'Brek')).toHaveAttribute('aria-label', /0 bites/);
  await contexts[0].setOffline(false);
  await expect(rowOf(oda, 'Brek')).toHaveAttribute('aria-label', /2 bites/, { timeout: 40_000 });
  expect(await serious(oda)).toEqual([]);
  if (shots) await oda.screenshot({ path: `${shots}/crew.png` });

  await brek.getByRole('link', { name: /^Crew: / }).click();
  await brek.getByRole('button', { name: 'Leave the crew' }).click();
  await expect(brek.getByRole('heading', { name: 'Fish together' })).toBeVisible();
  await expect(oda.getByText(/^A crew of one so far/)).toBeVisible();
  await oda.getByRole('button', { name: 'End the crew' }).click();
  await expect(oda.getByRole('heading', { name: 'Fish together' })).toBeVisible();
  for (const context of contexts) await context.close();
});
