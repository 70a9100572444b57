import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { serious } from './axe';
import { fishIs, startOuting, test } from './stack';

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};

/** A place on Verrin, off its north-eastern bank, in some 10 m of water. */
const begin = { longitude: -140.1478, latitude: 47.0915, accuracy: 5 };

test('a pass on Verrin: lines spread, a lane followed by position, a strike, the turn, the network cut, the track kept', async ({ demo: page, stack, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  await context.grantPermissions(['geolocation']);
  await context.setGeolocation(begin);
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: 'Verrin Reservoir, reservoir' }).click();

  // Trout up against the bank: shallow, whatever the season says.
  await page.evaluate(() => {
    const kept = JSON.parse(localStorage.getItem('burrow.preferences') ?? '{}') as object;
    localStorage.setItem('burrow.preferences', JSON.stringify({ ...kept, castBand: { water: 'verrin-reservoir', fromM: 1.2, toM: 3.6 } }));
  });
  await page.reload();

  await test.step('an outing afloat begins where one is', async () => {
    await page.getByRole('link', { name: 'Water' }).click();
    await startOuting(page, 'trolling, drifting');
    await page.getByRole('button', { name: 'Begin a pass here' }).click();
    await page.getByRole('button', { name: 'Begin the pass' }).click();
    await expect(heading).toHaveText('Set the lines', { timeout: 40_000 });
    await shot('pass-empty');
  });

  await test.step('two lines at depths that cover the band, with the line to let out', async () => {
    await page.getByRole('button', { name: 'Set the lines' }).click();
    for (const side of ['left', 'right']) await page.getByRole('button', { name: `More Weight on the ${side} line` }).click();
    await expect(page.getByText(/^Let out [\d.]+ ft/).first()).toBeVisible();
    expect(await serious(page), 'depths').toEqual([]);
    await shot('pass-depths');
    await page.getByRole('button', { name: /^Lines out at / }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
    await expect(heading).toHaveText(/^(Hold|Turn|Steer)/, { timeout: 60_000 });
    await shot('pass-phone');
    expect(await serious(page), 'the pass').toEqual([]);
  });

  await test.step('a bait touches the bed: what it drags is worked out, and the line to let out with it', async () => {
    await page.getByRole('button', { name: /^Depths/ }).click();
    await expect(page.getByText(/For a bare weight/)).toHaveCount(2);
    await page.getByRole('button', { name: 'The left line touched the bed' }).click();
    await page.getByRole('button', { name: 'More Water where it touched' }).click();
    for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'More Water where it touched' }).click();
    await page.getByRole('button', { name: /take its drag from that$/ }).click();
    await expect(page.getByText(/^That cannot be: with [\d.]+ ft out/)).toBeVisible();
    for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Less Water where it touched' }).click();
    expect(await serious(page), 'a touch of the bed').toEqual([]);
    await shot('pass-touch');
    await page.getByRole('button', { name: /take its drag from that$/ }).click();
    await page.getByRole('button', { name: /^Depths/ }).click();
    await expect(page.getByText(/With the drag that your touch of the bed told/)).toHaveCount(1);
    await page.getByRole('button', { name: 'Bait on the left line: not said' }).click();
    await page.getByRole('radio', { name: 'Small spoon, one point tipped' }).click();
    // Another bait drags otherwise.
    await expect(page.getByText(/For a bare weight/)).toHaveCount(2);
    await shot('pass-bait');
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await context.setOffline(true);
  await test.step('the boat moves: the lane is followed, and where it is off it is said', async () => {
    await context.setGeolocation({ ...begin, longitude: begin.longitude - 0.0012 });
    await page.waitForTimeout(3000);
    await context.setGeolocation({ ...begin, longitude: begin.longitude - 0.0024 });
    await expect(heading).toHaveText(/^(Hold|Turn|Steer|The lane ends|Too fast)/);
    await shot('pass-moved');
  });

  await test.step('a strike on one line, which can be taken back, and a fish on it', async () => {
    await page.getByRole('button', { name: 'Strike which line' }).click();
    expect(await serious(page), 'a strike').toEqual([]);
    await page.getByRole('button', { name: /^left, / }).click();
    await expect(page.getByText('1 strike', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('1 strike', { exact: true })).toHaveCount(0);
    for (let k = 0; k < 3; k++) {
      await page.getByRole('button', { name: 'Strike which line' }).click();
      await page.getByRole('button', { name: /^left, / }).click();
      await expect(page.getByText(`${k + 1} strike${k === 0 ? '' : 's'}`, { exact: true })).toBeVisible();
    }
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Lake trout');
    await page.getByRole('button', { name: 'Released' }).click();
    // What bit on one line within six minutes before a landing was that fish.
    await expect(page.getByText('1 strike', { exact: true })).toBeVisible();
  });

  await test.step('turned round, the next pass runs on with the same lines', async () => {
    await page.getByRole('button', { name: 'Turn next pass' }).click();
    await expect(page.getByText(/^Pass 2, /)).toBeVisible();
    await expect(page.getByText(/\d+ unsent/)).toBeVisible();
    await context.setOffline(false);
    await expect
      .poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'tracked' AND at > '2027-01-01'"))[0].n, { timeout: 30_000 })
      .toBeGreaterThan(0);
    await expect
      .poll(
        async () =>
          (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'reaction' AND body ? 'at' AND body ? 'turn' AND NOT body ? 'speedMs' AND at > '2027-01-01'"))[0].n,
        {
          timeout: 30_000,
        },
      )
      .toBe(4);
  });

  await test.step('the tracks go out as GPX, and a drift with the wind can be run instead', async () => {
    await page.getByRole('button', { name: 'More', exact: true }).click();
    expect(await serious(page), 'more on a pass').toEqual([]);
    await shot('pass-more');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Tracks, GPX' }).click();
    expect((await saved).suggestedFilename()).toBe('passes-verrin-reservoir.gpx');
    await page.getByRole('radio', { name: 'Drift with the wind' }).click();
    await expect(page.getByText(/rule of thumb from a wind of|The wind is not known here/)).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(heading).toHaveText(/^(Drift along|Too fast|Draw the lines|The drift ends|No drift worked out)/);
    await shot('pass-drift');
    await page.getByRole('link', { name: 'Leave the pass for the map' }).click();
    await page.getByRole('button', { name: 'End outing' }).click();
    await expect(page.getByText(/2 passes, /)).toBeVisible();
    const again = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Tracks, GPX' }).click();
    expect(readFileSync(await (await again).path(), 'utf8')).toMatch(/<trkpt lat="47\.09\d+" lon="-140\.1\d+">\s*<time>2027-01-16T/);
    await shot('pass-outing');
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'troll' AND ended_at IS NULL"))[0].n).toBe(0);
  });
});

test('the pass, wide and without a position: touched on the map, keys, hours by depth', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: 'Verrin Reservoir, reservoir' }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await startOuting(page, 'trolling, drifting');
  // Without a position the place is tapped; the middle of the chart is water.
  await expect(page.getByRole('button', { name: 'Begin a pass here' })).toBeDisabled();
  const chart = (await page.getByRole('application', { name: /^Depth map/ }).boundingBox())!;
  await page.mouse.click(chart.x + chart.width / 2, chart.y + chart.height / 2);
  await page.getByRole('button', { name: 'Begin a pass here' }).click();
  await page.getByRole('button', { name: 'Begin the pass' }).click();
  await page.getByRole('button', { name: 'Set the lines' }).click({ timeout: 40_000 });
  await page.getByRole('button', { name: /^Lines out at / }).click();
  await expect(heading).toHaveText('Where are you?', { timeout: 60_000 });
  const map = (await page.getByRole('img', { name: /^Lane from above/ }).boundingBox())!;
  await page.mouse.click(map.x + map.width / 2, map.y + map.height / 2);
  await expect(heading).toHaveText(/^(Hold|Turn|Steer)/);
  await expect(page.getByRole('heading', { name: 'Hours by depth' })).toBeVisible();
  await page.keyboard.press('s');
  await page.getByRole('button', { name: /^right, / }).click();
  await expect(page.getByText('1 strike', { exact: true })).toBeVisible();
  // Keys answer once the sheet is closed.
  await expect(page.getByRole('button', { name: 'Close' })).toHaveCount(0);
  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'Depths', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await shot('pass-wide');
  expect(await serious(page), 'the pass, wide').toEqual([]);
  await page.goto(`${stack.url}/water`);
  await page.getByRole('button', { name: 'End outing' }).click();
  await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'troll' AND ended_at IS NULL"))[0].n).toBe(0);
});
