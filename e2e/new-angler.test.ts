import { expect, type Page } from '@playwright/test';
import { fishFor, fishIs, test } from './stack';

/** Ten cold, quiet days up to now, hour by hour. */
function tenDays(nowMs: number): string {
  const rows = ['time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm'];
  const firstMs = Math.floor(nowMs / 3_600_000) * 3_600_000 - 240 * 3_600_000;
  for (let h = 0; h <= 240; h++) rows.push(`${new Date(firstMs + h * 3_600_000).toISOString()},${(-9 + 3 * Math.sin(h / 4)).toFixed(1)},1021,2.5,300,0.3,0,12`);
  return rows.join('\n');
}

/** Nothing made up, and nothing that nobody measured called measured. */
async function expectHonest(page: Page, where: string): Promise<void> {
  const text = await page.evaluate(() => document.body.innerText);
  expect([where, text.match(/[^\n]*simulated[^\n]*/gi)]).toEqual([where, null]);
  const measured = (text.match(/[^\n.]*measured[^\n.]*/gi) ?? []).filter((line) => !/not measured|nobody measured|depth measured|measured here/i.test(line));
  expect([where, measured]).toEqual([where, []]);
}

test('a stranger with a lake, weather and a flasher of their own: from signing up to the outing’s summary in under thirty taps', async ({ page, stack, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await context.grantPermissions(['geolocation']);
  const standAt = (dx: number, dy: number) => context.setGeolocation({ longitude: -93.4 + dx / 75_000, latitude: 46.2 + dy / 111_195, accuracy: 4 });
  await standAt(0, 0);
  let taps = 0;
  const tap = async (name: string | RegExp, exact = false) => {
    await page.getByRole('button', { name, exact }).first().click();
    taps++;
  };
  const go = async (name: string) => {
    await page.getByRole('link', { name }).click();
    taps++;
  };
  const shot = async (name: string) => {
    if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };

  await test.step('signs up', async () => {
    await page.goto(stack.url);
    await tap('I am new here');
    await page.getByRole('textbox', { name: 'Name' }).fill('Ada');
    await page.getByRole('textbox', { name: 'E-mail' }).fill('stranger@test.invalid');
    await page.getByLabel('Password').fill('long enough now');
    await tap('Make an account');
    await expect(page.getByRole('heading', { name: 'No water yet' })).toBeVisible();
  });

  await test.step('points at the lake', async () => {
    await tap('Point at your water');
    await expect(page.getByText('Where is it?', { exact: false })).toBeVisible();
    await shot('1-new-water');
    await tap('Where am I');
    await expect(page.getByText(/^A point is enough to begin/)).toBeVisible();
    await shot('2-point');
    await tap('Save water');
    await page.getByRole('textbox', { name: 'Name of the water' }).fill('Loon Pond');
    await tap('Save', true);
    await expect(page.getByRole('heading', { name: 'No weather yet' })).toBeVisible();
    await expectHonest(page, 'outlook without weather');
    const file = (await stack.query(`SELECT file FROM water WHERE name = 'Loon Pond'`))[0].file as { water: { timezone: string; at: number[] } };
    expect(file.water).toMatchObject({ timezone: 'America/Chicago', at: [-93.4, 46.2] });
  });

  await test.step('brings weather from a file', async () => {
    const chooser = page.waitForEvent('filechooser');
    await tap('Bring weather from a file');
    await (await chooser).setFiles({ name: 'ten-days.csv', mimeType: 'text/csv', buffer: Buffer.from(tenDays(Date.now())) });
    await tap('Take it in');
    await expect(page.getByRole('heading', { name: 'No forecast to judge hours by' })).toBeVisible({ timeout: 40_000 });
    await expectHonest(page, 'outlook');
    await shot('4-outlook');
  });

  await test.step('drills three holes where the phone stands, each sounded by hand, the ice never', async () => {
    await go('Water');
    await expect(page.getByRole('heading', { name: 'No depth known here yet' })).toBeVisible();
    await expectHonest(page, 'water without depths');
    await shot('3-unsounded');
    await tap(/^Start outing: on the ice/);
    await fishFor(page, 'Black crappie');
    taps++;
    for (const [k, [dx, dy]] of [
      [0, 0],
      [45, 10],
      [20, 50],
    ].entries()) {
      await standAt(dx, dy);
      await expect(page.getByText('Where you stand')).toBeVisible();
      await tap('Drill here');
      await expect(page.getByText('not sounded', { exact: true })).toBeVisible();
      await tap(/^More Depth by/);
      if (k === 0) await tap(/^Add 5 ft to Depth/);
      await shot(`5-drill-${k}`);
      // Two holes are sounded on the way, the third is fished.
      await tap(k < 2 ? 'Drilled: on to the next' : 'Hole is drilled');
      if (k === 2) await expect(page.getByText('Hole 3, crappie, read your flasher by eye')).toBeVisible();
    }
    await expectHonest(page, 'hole');
    await shot('6-hole');
  });

  await test.step('reads the flasher by eye, and lands a fish', async () => {
    const picture = page.getByRole('slider', { name: 'Jig' });
    const box = (await picture.boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.7);
    taps++;
    await page.getByRole('slider', { name: 'Top mark' }).waitFor();
    await page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.8);
    taps++;
    await tap('Reading: the mark came up');
    await expect(page.getByText(/^Hole 3, crappie, read by eye, just now/)).toBeVisible();
    await shot('7-reading');
    // Two taps repeat the reading with a change.
    await page.getByRole('button', { name: /^Top mark up by/ }).click();
    await page.getByRole('button', { name: 'Reading: the mark hung' }).click();
    await shot('8-reading-again');
    await tap('Fish', true);
    await fishIs(page, 'Crappie');
    taps++;
    await tap('Released');
    await expect(page.getByText(/released$/).first()).toBeVisible();
    await expectHonest(page, 'hole with a reading');
  });

  await test.step('a map has come of three depths, with its doubt', async () => {
    await go('Leave the hole for the map');
    await expect(page.getByText(/3 soundings, no shore drawn/)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('button', { name: 'Plan holes' })).toBeVisible({ timeout: 40_000 });
    await expectHonest(page, 'map of three depths');
    await shot('9-map');
  });

  await test.step('ends, and sees what it came to; the end can be taken back', async () => {
    await tap('End outing');
    await expect(page.getByRole('heading', { level: 1, name: /1 fish/ })).toBeVisible();
    await expect(page.getByText(/3 holes, .* 1 fish/)).toBeVisible();
    await expectHonest(page, 'summary');
    await shot('10-summary');
    expect(taps).toBeLessThan(30);
    await page.getByRole('button', { name: 'The outing is not over: go on with it' }).click();
    await page.getByRole('button', { name: 'End outing' }).click();
  });

  await test.step('a fish forgotten is added, one logged is corrected, and both can be undone', async () => {
    await page.getByRole('button', { name: 'Add an entry' }).click();
    await page.getByRole('radio', { name: 'Crappie', exact: true }).click();
    await shot('11-add');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { level: 1, name: '1 of 2 came 3 ft up' })).toBeVisible();
    await page
      .getByRole('button', { name: /^Correct Fish/ })
      .first()
      .click();
    const ruler = page.getByRole('slider', { name: 'Length' });
    await ruler.focus();
    await page.keyboard.press('ArrowRight');
    await page.getByRole('radio', { name: 'Kept' }).click();
    await shot('12-correct');
    await page.getByRole('button', { name: 'Save the correction' }).click();
    await expect(page.getByText(/in, kept$/)).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
    await expect(page.getByText(/in, kept$/)).toHaveCount(0);
  });

  await test.step('the season opens it again', async () => {
    await page.getByRole('link', { name: 'Season' }).click();
    await page.getByRole('link', { name: /^Open the outing of/ }).click();
    await expect(page.getByText('All that was logged')).toBeVisible();
    await page.getByRole('button', { name: 'Take this outing out of the log' }).click();
    await expect(page.getByText('Nothing logged yet')).toBeVisible();
    await page.getByRole('button', { name: /put it back/ }).click();
    await expect(page.getByRole('link', { name: /^Open the outing of/ })).toBeVisible();
  });
});
