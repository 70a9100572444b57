import { expect } from '@playwright/test';
import { drillOnce, test } from './stack';

const box = `piece,family,mass_g,size_mm,colour,hooks,points,rattle,suspends
Clear tube,tube,3.5,63,clear,1,1,no,
Small jig,micro-jig,0.9,8,black,1,1,no,
Loud blade,blade,7,40,chartreuse,2,6,yes,
`;

test('a tackle box comes in, what to tie on follows from it and from the goal, and the rig is worked out to scale', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = async (name: string) => {
    if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };
  await page.goto(`${stack.url}/gear`);
  const bring = async (text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Bring a box in' }).click();
    await (await chooser).setFiles({ name: 'box.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await bring(box.replace('3.5', '-1'));
  await expect(page.getByText(/^box\.csv: line 2: mass_g: expected 0\.05 to 500, found -1\. Nothing was taken in\.$/)).toBeVisible();
  await bring(box);
  await expect(page.getByText('box.csv: 3 new, 0 brought up to date.')).toBeVisible();
  await shot('gear-box');
  await page.getByRole('button', { name: 'Add a piece' }).click();
  await shot('piece');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'What to tie on' }).click();
  const heading = page.getByRole('heading', { level: 1, name: /^Tie on: / });
  await expect(heading).toBeVisible({ timeout: 40_000 });
  await expect(page.getByText(/^Crappie, numbers, /)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Fall to / })).toBeVisible({ timeout: 40_000 });
  await page.waitForTimeout(800);
  await shot('tie-on');
  const numbers = await heading.innerText();
  expect(numbers).not.toContain('Loud blade');
  await page.getByRole('button', { name: 'On the line' }).click();
  await expect(page.getByText(/^on the line; /)).toBeVisible();
  await page.getByRole('button', { name: 'What to tie on' }).click();
  await page.getByRole('button', { name: 'Rig cards' }).click();
  for (const rig of ['Sliding float', 'Tip-up', 'Tube, head set back']) {
    await page.getByRole('radio', { name: rig }).click();
    await expect(page.getByRole('img', { name: new RegExp(`^${rig}: `) })).toBeVisible();
    await shot(`rig-${rig.split(/[ ,-]/)[0]}`);
  }
});

test('a rule card is written for a water, and said before a fish is kept; a look-alike is parted in one tap from the fish sheet', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = async (name: string) => {
    if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('button', { name: 'Change Tamber Lake' }).click();
  await page.getByRole('button', { name: 'Its rule card' }).click();
  await expect(page.getByText('Your notes, not the law')).toBeVisible();
  await page.getByRole('radio', { name: 'Bluegill', exact: true }).click();
  await page.getByRole('button', { name: 'More Bluegill a day' }).click();
  await page.getByRole('button', { name: 'More Shortest that may be kept' }).click();
  await shot('rule-card');
  await page.getByRole('button', { name: 'Save the card' }).click();
  await expect(page.getByText('The rule card of Tamber Lake is written.')).toBeVisible();
  const kept = (await stack.query("SELECT file->'water'->'rules' AS rules FROM water WHERE id = 'tamber-lake'"))[0].rules as {
    fish: { species: string; leastMm?: number; bag?: number }[];
    seenOn: string;
  };
  expect(kept.fish.find((f) => f.species === 'bluegill')).toMatchObject({ bag: 5, leastMm: expect.any(Number) });
  expect(kept.fish.find((f) => f.species === 'black-crappie')).toMatchObject({ bag: 10 });
  expect(kept.seenOn).toBe('2027-01-16');

  await drillOnce(page, stack.url);
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await page.getByRole('radio', { name: 'Bluegill', exact: true }).click();
  await expect(page.getByText(/^Not measured: your card has a size for it/)).toBeVisible();
  await page.getByRole('button', { name: 'Kept', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Kept all the same' })).toBeVisible();
  await page.getByRole('radio', { name: 'Crappie', exact: true }).click();
  await page.getByRole('button', { name: 'Which fish is it?' }).click();
  await page.getByRole('radio', { name: '6 or fewer' }).click();
  await shot('fish-key');
  await page.getByRole('button', { name: 'White crappie: take it' }).click();
  await page.getByRole('button', { name: 'Released' }).click();
  await expect(page.getByText('White crappie released')).toBeVisible();
});
