import { expect } from '@playwright/test';
import { test } from './stack';

test('casting on Ullen from the bank: fan, casts, rock, bites, the network cut half way', async ({ demo: page, stack, context }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = async (name: string) => {
    if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: /^Ullen River/ }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await page.getByRole('button', { name: 'Start outing: casting' }).click();
  await expect(page.getByRole('link', { name: 'Cast' })).toBeVisible();
  await expect(page.getByText(/Stand \d+ yd/)).toBeVisible({ timeout: 40_000 });
  await shot('cast-water');
  await page.getByRole('button', { name: 'Stand here' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toHaveText(/^Cast /, { timeout: 40_000 });
  await page.waitForTimeout(500);
  await shot('cast-first');
  const cast = page.getByRole('button', { name: /^Cast/ });
  await cast.click();
  await page.waitForTimeout(1500);
  await shot('cast-second');
  await context.setOffline(true);
  await cast.click();
  await page.getByRole('button', { name: 'Felt rock' }).click();
  await page.waitForTimeout(1500);
  await shot('cast-rock');
  await page.getByRole('button', { name: 'Bite', exact: true }).click();
  await page.waitForTimeout(1500);
  await shot('cast-bite');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.waitForTimeout(500);
  await shot('cast-more');
});

test('casting on Verrin by kayak, wide', async ({ demo: page, stack }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  const shot = async (name: string) => {
    if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: 'Verrin Reservoir, reservoir' }).click();
  await page.getByRole('link', { name: 'Outlook' }).click();
  await page.getByRole('radio', { name: 'Smallmouth' }).click({ timeout: 40_000 });
  await page.getByRole('radio', { name: 'Kayak' }).click({ timeout: 40_000 });
  await page.getByRole('link', { name: 'Water' }).click();
  await page.getByRole('button', { name: 'Start outing: casting' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /^Anchor at the ring, over/ })).toBeVisible({ timeout: 40_000 });
  await shot('cast-wide-water');
  await page.getByRole('button', { name: 'Stand here' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toHaveText(/^Cast /, { timeout: 40_000 });
  await page.keyboard.press('c');
  await page.waitForTimeout(1500);
  await page.keyboard.press('c');
  await page.waitForTimeout(1500);
  await page.keyboard.press('b');
  await page.waitForTimeout(7500);
  await shot('cast-wide');
});
