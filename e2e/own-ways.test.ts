import { expect } from '@playwright/test';
import { serious } from './axe';
import { ownWater } from './own';
import { startOuting, test } from './stack';

// The app is on the phone before the network goes.
test.use({ serviceWorkers: 'allow' });

const shots = process.env.SHOTS;

test('the pole and a pass on a pond of one’s own, without weather, the network cut from the peg on', async ({ page, stack, context }) => {
  await ownWater(page, stack.url, 'Ways');
  const shot = async (name: string) => {
    if (shots) await page.screenshot({ path: `${shots}/${name}.png` });
  };
  const heading = page.getByRole('heading', { level: 1 });
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'pole from a peg', 'Black crappie');
  await expect(heading).toHaveText(/^Sit at the ring: .* within reach$/, { timeout: 40_000 });
  await shot('own-water');
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'I sit here' }).click();
  await expect(heading).toHaveText('Plumb the bed', { timeout: 40_000 });
  await page.evaluate(() => navigator.serviceWorker.ready);
  await context.setOffline(true);

  // Without plumbing a swim is chosen, fished and logged all the same, and what is assumed says so.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Swims' }).click();
  await page.getByRole('button', { name: /^Fish at / }).click();
  await page.getByRole('button', { name: 'Time the float' }).click();
  await page.getByRole('button', { name: 'It stands still' }).click();
  await page.getByRole('button', { name: /^Feed .*: / }).click();
  await page.getByRole('button', { name: /^Fed .*: log it/ }).click();
  await page.getByRole('button', { name: /^Line down on / }).click();
  await page.getByRole('button', { name: 'Bite', exact: true }).click();
  await expect(page.getByText(/, water .* assumed$/)).toBeVisible();
  await shot('own-peg');
  await page.reload();
  await expect(heading).toHaveText(/^(Stay on|Settling until)/, { timeout: 40_000 });
  await page.getByRole('link', { name: 'Leave the peg for the map' }).click();
  await page.getByRole('button', { name: 'End outing' }).click();
  await expect(page.getByText(/^1 peg, 1 swim, /)).toBeVisible();

  // What was forgotten at the peg is added, and what was logged there is put right, each with its undo.
  await page.getByRole('button', { name: 'Add an entry' }).click();
  await page.getByRole('radio', { name: 'Fish weighed' }).click();
  await expect(page.getByRole('button', { name: 'Add it' })).toBeDisabled();
  await page.getByRole('button', { name: 'More Fish weighed together' }).click();
  await page.getByRole('button', { name: 'More They weigh' }).click();
  await shot('own-late');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('10 together, 1 lb')).toBeVisible();
  await page.getByRole('button', { name: /^Correct Fed/ }).click();
  await page.getByRole('textbox', { name: 'What was fed' }).fill('brown crumb');
  await page.getByRole('button', { name: 'More Dropped' }).click();
  await page.getByRole('button', { name: 'Save the correction' }).click();
  await expect(page.getByText(/^brown crumb at /)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByText(/^brown crumb at /)).toHaveCount(0);

  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'trolling, drifting', 'Black crappie');
  await expect(heading).toHaveText('Tap where you begin');
  await page.getByRole('application', { name: /^Depth map/ }).click({ position: { x: 180, y: 130 } });
  await page.getByRole('button', { name: 'Begin a pass here' }).click();
  await page.getByRole('button', { name: 'Begin the pass' }).click();
  await page.getByRole('button', { name: 'Set the lines' }).click({ timeout: 40_000 });
  await page.getByRole('button', { name: /^Lines out at / }).click();
  await expect(heading).toHaveText('Where are you?', { timeout: 60_000 });
  const map = (await page.getByRole('img', { name: /^Lane from above/ }).boundingBox())!;
  await page.mouse.click(map.x + map.width / 2, map.y + map.height / 2);
  await expect(heading).toHaveText(/^(Hold|Turn|Steer|The lane ends)/);
  await page.getByRole('button', { name: 'Strike which line' }).click();
  await page.getByRole('button', { name: /^left, / }).click();
  await expect(page.getByText('1 strike', { exact: true })).toBeVisible();
  // Without weather there is no drift, and it is said.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('radio', { name: 'Drift with the wind' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(heading).toHaveText('No drift worked out');
  await expect(page.getByText(/^The wind is not known here/)).toBeVisible();
  await shot('own-pass');
  await page.getByRole('link', { name: 'Leave the pass for the map' }).click();
  await page.getByRole('button', { name: 'End outing' }).click();
  await context.setOffline(false);
  await expect
    .poll(
      async () =>
        (
          await stack.query(
            "SELECT count(*)::int AS n FROM event e WHERE e.kind = 'outing-ended' AND EXISTS (SELECT 1 FROM event s WHERE s.outing = e.outing AND s.kind = 'outing-started' AND s.body->>'waterName' = 'Little Hollow' AND s.body->>'method' IN ('pole', 'troll'))",
          )
        )[0].n,
      { timeout: 40_000 },
    )
    .toBe(2);
});

test('a pass on a reservoir without a chart: steered by the sounder, logged all the same, and a map comes of three depths', async ({ page, stack, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await context.grantPermissions(['geolocation']);
  const boatAt = (dx: number, dy: number) => context.setGeolocation({ longitude: -93.4 + dx / 75_000, latitude: 46.2 + dy / 111_195, accuracy: 4 });
  await boatAt(0, 0);
  const shot = async (name: string) => {
    if (!process.env.SHOTS) return;
    await page.waitForTimeout(1200);
    await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
  };
  const heading = page.getByRole('heading', { level: 1 });
  const press = (name: string | RegExp) => page.getByRole('button', { name }).first().click();
  await page.goto(stack.url);
  await press('I am new here');
  await page.getByRole('textbox', { name: 'Name' }).fill('Gil');
  await page.getByRole('textbox', { name: 'E-mail' }).fill('gil@test.invalid');
  await page.getByLabel('Password').fill('long enough now');
  await press('Make an account');
  await press('Point at your water');
  await press('Where am I');
  await press('Save water');
  await page.getByRole('textbox', { name: 'Name of the water' }).fill('Unsounded Arm');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await startOuting(page, 'trolling, drifting', 'Black crappie');
  await press('Where am I');
  await press('Begin a pass here');
  await press('Begin the pass');
  await expect(heading).toHaveText('Set the lines');
  await expect(page.getByText(/assumed: set it under More/)).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Set the lines' }).click();
  await press(/^Lines out at /);
  await expect(heading).toHaveText('Steer by your sounder');
  await press('Strike which line');
  await press(/^left, /);
  await expect(page.getByText('1 strike', { exact: true })).toBeVisible();
  expect(await serious(page), 'a pass without a map').toEqual([]);
  await shot('own-unsounded-pass');
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByRole('heading', { name: 'Hours by depth' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('T: Turn')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('T: Turn')).toHaveCount(0);
  await page.keyboard.press('s');
  await page.getByRole('button', { name: /^right, / }).click();
  await expect(page.getByText('2 strikes', { exact: true })).toBeVisible();
  expect(await serious(page), 'a wide pass without a map').toEqual([]);
  await shot('own-unsounded-pass-wide');
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [k, at] of [
    [1, 200],
    [2, 400],
    [3, 600],
  ] as const) {
    await press('More');
    await press('More Water where this pass began');
    await shot(`own-unsounded-more-${k}`);
    await press(/^Log \d+(\.5)? ft$/);
    if (k === 3) break;
    await boatAt(at, 60 * k);
    await page.waitForTimeout(1500);
    await press('Turn next pass');
    await expect(page.getByText(new RegExp(`^Pass ${k + 1}, `))).toBeVisible();
  }
  // Three depths, and there is a bed to look at.
  await expect(page.getByText(/no depths known/)).toHaveCount(0, { timeout: 40_000 });
  await expect(page.getByRole('img', { name: /^Lane from above/ })).toBeVisible({ timeout: 40_000 });
  await shot('own-sounded-pass');
  await context.setOffline(false);
  await page.getByRole('link', { name: 'Leave the pass for the map' }).click();
  await press('End outing');
  await expect(page.getByText(/^3 passes, /)).toBeVisible();
  await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'troll' AND ended_at IS NULL"))[0].n).toBe(0);
});
