import { expect, type Page } from '@playwright/test';
import { drillOnce, fishIs, lineHolds, startOuting, test } from '../stack';

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};
const titleOf = (page: Page) => page.getByRole('heading', { level: 1 });
const more = (page: Page) => page.getByRole('button', { name: 'More', exact: true }).click();

async function onWater(page: Page, url: string, water: RegExp): Promise<void> {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${url}/gear`);
  await page.getByRole('radio', { name: water }).click();
  await page.getByRole('link', { name: 'Water' }).click();
}

/** A stand at the ring, with a bait on the line. */
async function standAtRing(page: Page, bait: string): Promise<void> {
  await startOuting(page, 'casting');
  await page.getByRole('button', { name: 'I am at the ring' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'I stand here' }).click();
  await lineHolds(page, bait);
  await expect(titleOf(page)).toHaveText(/^Cast (by|along|over|through)/, { timeout: 60_000 });
}

test('job 18: a pond found skinned over is neither stood on nor cast into, and the day is lost, not blank', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  await onWater(page, stack.url, /^Cobble Pond/);
  await startOuting(page, 'casting');
  await page.getByRole('button', { name: 'As planned?' }).click();
  await page.getByRole('radio', { name: 'A skin of ice' }).click();
  await page.getByRole('button', { name: 'Log what I found' }).click();
  await shot('job18-told');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText(/neither stand nor cast/i).first()).toBeVisible({ timeout: 40_000 });
  await shot('job18-water');
  await page.getByRole('button', { name: 'End outing' }).click();
  await page.getByRole('link', { name: 'Season' }).click();
  await expect(page.getByText('skinned over')).toBeVisible({ timeout: 40_000 });
  await shot('job18-season');
});

test('job 14: what the fish do with the bait is one tap each, and moves the advice one step', async ({ demo: page, stack }) => {
  await onWater(page, stack.url, /^Verrin Reservoir/);
  await standAtRing(page, 'Small spoon, one point tipped');
  const heading = titleOf(page);
  for (const [key, says] of [
    ['Followed', /half as fast/],
    ['Followed', /^A longer pause, then smaller/],
    ['No notice', /left to lie/],
    ['No notice', /^Change to a .* on the bed, left to lie/],
    ['Chased it', /sharper/],
    ['Bait gone', /^Straight back to the depth/],
  ] as const) {
    await more(page);
    await page.getByRole('button', { name: key, exact: true }).click();
    await expect(heading, key).toHaveText(says);
  }
});

test('job 13: two fish from one bearing send the bait straight down, and the spot keeps the stand', async ({ demo: page, stack }) => {
  await onWater(page, stack.url, /^Verrin Reservoir/);
  await page.getByRole('link', { name: 'Outlook' }).click();
  await page.getByRole('radio', { name: 'Boat', exact: true }).click({ timeout: 40_000 });
  await page.getByRole('link', { name: 'Water' }).click();
  await standAtRing(page, 'Small spoon, one point tipped');
  const heading = titleOf(page);
  for (const fate of ['Released', 'Released']) {
    await page.getByRole('button', { name: /^Cast \d+°$/ }).click();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Smallmouth');
    await page.getByRole('button', { name: fate }).click();
  }
  await expect(heading).toHaveText(/^Straight down first/);
  await more(page);
  await page.getByRole('button', { name: 'Straight down here' }).click();
  await expect(page.getByText(/[Ss]pot 2, /).first()).toBeVisible({ timeout: 40_000 });
  await more(page);
  await page.getByRole('button', { name: 'Back to casting' }).click();
  await expect(page.getByText(/stand 1, /).first()).toBeVisible({ timeout: 40_000 });
});

test('jobs 1 and 15: what one means to keep is counted at once, and the one too many is named before it is kept', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await drillOnce(page, stack.url);
  const fish = async () => {
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Crappie');
  };
  await fish();
  await page.getByRole('button', { name: 'Say how many you mean to keep' }).click();
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'Less Fish to keep today' }).click();
  await page.getByRole('button', { name: 'Kept', exact: true }).click();
  await expect(page.getByText('Crappie kept, 1 of 2')).toBeVisible();
  await fish();
  await page.getByRole('button', { name: 'Kept', exact: true }).click();
  await expect(page.getByText('Crappie kept, 2 of 2: stop here')).toBeVisible();
  await fish();
  await expect(page.getByText(/2 of 2: the plan is full/)).toBeVisible();
  await shot('job1-full');
  await page
    .getByRole('button', { name: 'Kept', exact: true })
    .or(page.getByRole('button', { name: 'Kept all the same' }))
    .click();
  await expect(page.getByText(/own plan$/)).toBeVisible();
  await page.getByRole('button', { name: 'Released' }).click();
  await expect(page.getByText('Crappie released')).toBeVisible();
});

test('job 1: ice on a river is only for who measured it there, with its caution first, and no walk over it is planned', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  await onWater(page, stack.url, /^Ullen River/);
  await page.getByRole('button', { name: 'Another way' }).click({ timeout: 60_000 });
  await expect(page.getByText('River ice is not lake ice')).toBeVisible();
  await shot('job1-river-ways');
  await page.getByRole('button', { name: 'Start outing: on the ice' }).click();
  const asked = page.getByRole('dialog', { name: 'What do you fish for?' });
  if (await asked.isVisible()) await asked.getByRole('listitem').getByRole('button').first().click();
  await expect(titleOf(page)).toHaveText('River ice is not lake ice', { timeout: 40_000 });
  await expect(page.getByRole('button', { name: 'Plan holes' })).toHaveCount(0);
  await shot('job1-river-ice');
  await page.getByRole('button', { name: /^(Drill here|I am at the ring)$/ }).click();
  await page.getByRole('button', { name: 'Hole is drilled' }).click();
  await expect(page.getByText(/^Hole 1, /)).toBeVisible({ timeout: 40_000 });
  await shot('job1-river-hole');
});
