import { expect, type Page } from '@playwright/test';
import { serious } from './axe';
import { fishIs, lineHolds, startOuting, test } from './stack';

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};

test('an evening on Ullen from the bank: stand, fan, rock, bites, a school, the network cut half way, the next stand, season', async ({ demo: page, stack, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  const more = () => page.getByRole('button', { name: 'More', exact: true }).click();
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: /^Ullen River/ }).click();

  await test.step('Outlook gives the cautions of the bank and the river', async () => {
    await page.getByRole('link', { name: 'Outlook' }).click();
    await expect(page.getByText('Bank: wet stones freeze')).toBeVisible({ timeout: 40_000 });
    await page.getByRole('radio', { name: 'Wading' }).click();
    await expect(page.getByText('Wading: to the knee, with a staff')).toBeVisible();
    await page.getByRole('radio', { name: 'Bank', exact: true }).click();
  });

  await test.step('Water says where to stand', async () => {
    await page.getByRole('link', { name: 'Water' }).click();
    await startOuting(page, 'casting');
    await expect(heading).toHaveText(/^Stand \d+ yd \S+ of the /, { timeout: 40_000 });
    await shot('cast-water');
    await page.getByRole('button', { name: 'I am at the ring' }).click();
    await expect(page.getByText('Clear ice')).toHaveCount(0);
    await page.getByRole('button', { name: 'I stand here' }).click();
    // Last was an ice jig: it is no bait to cast, and what is is asked.
    await lineHolds(page, 'Small spoon, one point tipped');
  });

  await test.step('each cast is one tap and changes the next', async () => {
    await expect(heading).toHaveText(/^Cast (by|along|over)/, { timeout: 40_000 });
    expect(await serious(page), 'cast').toEqual([]);
    const first = await page.getByRole('slider', { name: 'Bearing of the cast' }).getAttribute('aria-valuenow');
    await page.getByRole('button', { name: `Cast ${first}°` }).click();
    await expect(page.getByText(`Cast ${first}°`, { exact: true })).toBeVisible();
    // Aimed by hand, with the keys of the map.
    await page.getByRole('slider', { name: 'Bearing of the cast' }).press('ArrowRight');
    const aimed = await page.getByRole('slider', { name: 'Bearing of the cast' }).getAttribute('aria-valuetext');
    expect(aimed).toMatch(/, your own$/);
    await page.getByRole('button', { name: `Cast ${parseInt(aimed!)}°` }).click();
  });

  await context.setOffline(true);
  await test.step('rock where the bait is is a hard patch that draws the next cast, and can be taken back', async () => {
    const bait = page.getByRole('slider', { name: 'Where the bait is' });
    const box = (await bait.boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.5, box.y + 60);
    await page.getByRole('button', { name: 'Felt rock' }).click();
    await expect(page.getByText(/^Rock \d+ ft out$/)).toBeVisible();
    await expect(heading).toHaveText(/^Rest it on the rock, \d+°$/);
    await shot('cast-rock');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(heading).not.toHaveText(/rock/);
    await page.getByRole('button', { name: 'Felt rock' }).click();
  });

  await test.step('a follow, a nip, a miss and a fish each change what to do', async () => {
    for (const [key, says] of [
      ['Followed', /half as fast/],
      ['Nipped', /^Shorten it/],
      ['Missed it', /^Straight back to the depth/],
    ] as const) {
      await more();
      await page.getByRole('button', { name: key }).click();
      await expect(heading).toHaveText(says);
    }
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Largemouth');
    await page.getByRole('button', { name: 'Released' }).click();
    await expect(heading).toHaveText(/^The same cast again/);
    await shot('cast-fish');
    await heading.click();
    await expect(page.getByText(/^Viewpoint: same place before a new one\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('all of it comes to the server when the signal is back', async () => {
    await expect(page.getByText(/\d+ unsent/)).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'felt' AND body->>'by' = 'eye'"))[0].n, { timeout: 30_000 }).toBe(2);
  });

  await test.step('measured water and another stand, this one rested; then back to it', async () => {
    await more();
    await page.getByRole('button', { name: 'More Water temperature' }).click();
    expect(await serious(page), 'more at a stand').toEqual([]);
    await page.getByRole('button', { name: 'Log this temperature' }).click();
    await expect(page.getByText(/43 °F measured$/)).toBeVisible();
    await page.getByRole('link', { name: 'Leave the cast for the map' }).click();
    await page.getByRole('application', { name: /^Depth map/ }).click({ position: { x: 195, y: 120 } });
    await page.getByRole('button', { name: 'Stand here' }).click();
    await page.getByRole('button', { name: 'I stand here' }).click();
    await expect(page.getByText(/stand 2, largemouth, \d/)).toBeVisible();
    await more();
    await page.getByRole('button', { name: 'Stand 1', exact: true }).click();
    await expect(page.getByText(/stand 1, largemouth, \d/)).toBeVisible();
  });

  await test.step('Season counts it in casts', async () => {
    await page.getByRole('link', { name: 'Leave the cast for the map' }).click();
    await page.getByRole('button', { name: 'End outing' }).click();
    await expect(page.getByText(/2 stands, .*2 casts/)).toBeVisible();
    await shot('cast-outing');
    await page.goto(`${stack.url}/season`);
    await page.getByRole('radio', { name: 'Casting' }).click();
    await expect(page.getByText(/^This winter: \d+ outings, \d+ casts, \d+ fish$/)).toBeVisible();
    await shot('cast-season');
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'cast' AND ended_at IS NULL"))[0].n).toBe(0);
  });
});

test('Verrin by kayak, wide: the band, the order of casts, a school followed straight down and back, the level of the water', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: 'Verrin Reservoir, reservoir' }).click();
  // A bait whose dive was measured once: the section shows how deep it runs on this cast.
  await page.getByRole('button', { name: 'Add a piece' }).click();
  await page.getByRole('textbox', { name: 'What you call it' }).fill('Deep crank');
  await page.getByRole('radio', { name: 'Tight-wobble crankbait' }).click();
  await page.getByRole('button', { name: 'More It reached' }).click();
  await page.getByRole('button', { name: 'More It reached' }).click();
  expect(await serious(page), 'a piece that dives').toEqual([]);
  await page.getByRole('button', { name: 'Less With line out' }).scrollIntoViewIfNeeded();
  await shot('piece-dive');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Deep crank', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Tie on', exact: true }).last().click();
  await page.getByRole('link', { name: 'Outlook' }).click();
  await page.getByRole('radio', { name: 'Smallmouth' }).click({ timeout: 40_000 });
  await page.getByRole('radio', { name: 'Kayak' }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await startOuting(page, 'casting');
  await expect(heading).toHaveText(/^Cast to/, { timeout: 60_000 });
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  await lineHolds(page, 'Still Deep crank');
  await expect(heading).toHaveText(/^Cast (by|along|through) .*\d+°$/, { timeout: 40_000 });
  await expect(page.getByRole('heading', { name: '6 casts, in this order' })).toBeVisible();
  for (const key of ['c', 'c', 'b']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(400);
  }
  await expect(heading).toHaveText(/^Stop it where it was hit/);
  await expect(page.getByText(/^dives to [\d.]+ ft$/)).toBeAttached();
  await shot('cast-wide');
  expect(await serious(page), 'cast, wide').toEqual([]);

  // The aim turns under the finger: what it shows follows.
  const map = (await page.getByRole('slider', { name: 'Bearing of the cast' }).boundingBox())!;
  await page.mouse.move(map.x + map.width / 2, map.y + 100);
  await page.mouse.down();
  const frames = page.evaluate(
    () =>
      new Promise<number>((done) => {
        let n = 0;
        const start = performance.now();
        const tick = () => {
          n++;
          if (performance.now() - start < 2000) requestAnimationFrame(tick);
          else done(n / 2);
        };
        requestAnimationFrame(tick);
      }),
  );
  for (let k = 0; k < 60; k++) await page.mouse.move(map.x + map.width * (0.2 + 0.01 * k), map.y + 100 + k, { steps: 2 });
  await page.mouse.up();
  test.info().annotations.push({ type: 'frames a second while dragging', description: String(await frames) });
  if (process.env.SHOTS) console.log('frames a second while dragging', await frames);
  await expect(page.getByRole('slider', { name: 'Bearing of the cast' })).toHaveAttribute('aria-valuetext', /your own$/);

  for (let k = 0; k < 2; k++) {
    await page.getByRole('button', { name: /^Fish/ }).click();
    await page.getByRole('radio', { name: 'Smallmouth', exact: true }).click();
    await page.getByRole('button', { name: 'Released' }).click();
  }
  await expect(heading).toHaveText('Straight down first');
  await page.getByRole('button', { name: 'Go straight down' }).click();
  await lineHolds(page, 'Something else: leave it unsaid');
  await page.getByText(/flasher simulated/i).waitFor();
  await expect(page.getByRole('link', { name: 'Spot' })).toBeVisible();
  await page.getByRole('button', { name: /^More/ }).first().click();
  await page.getByRole('button', { name: 'Back to casting' }).click();
  await expect(page.getByText(/Kayak, stand 1/)).toBeVisible();

  await page.getByRole('button', { name: /^More/ }).first().click();
  const level = page.getByRole('group', { name: 'Level of the water' });
  await level.getByRole('button', { name: 'Less Level of the water' }).click();
  await page.getByRole('button', { name: 'Log this level' }).click();
  await expect(page.getByText(/^you, over/)).toBeVisible();
  await page.goto(`${stack.url}/water`);
  await page.getByRole('button', { name: 'End outing' }).click();
  await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method IN ('cast', 'vertical') AND ended_at IS NULL"))[0].n).toBe(0);
});

test('a river of one’s own without a depth: casting from the bank is offered, ice never, and all of it is logged', async ({ page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(stack.url);
  await page.getByRole('button', { name: 'I am new here' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Ida');
  await page.getByRole('textbox', { name: 'E-mail' }).fill('ida-casts@test.invalid');
  await page.getByLabel('Password').fill('long enough now');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await page.getByRole('link', { name: 'Gear' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a water from a file' }).click();
  const file = {
    type: 'FeatureCollection',
    water: { name: 'Thin Beck', kind: 'river', timezone: 'Etc/GMT+9', elevation_m: 120, secchi_m: 1, at: [-140.5, 47.5], assumed: ['secchi_m'] },
    features: [],
  };
  await (await chooser).setFiles({ name: 'beck.geojson', mimeType: 'application/geo+json', buffer: Buffer.from(JSON.stringify(file)) });
  await expect(page.getByText('Thin Beck is here.')).toBeVisible();
  await page.getByRole('link', { name: 'Water' }).click();
  await expect(page.getByRole('button', { name: /on the ice/ })).toHaveCount(0);
  await startOuting(page, 'casting', 'Smallmouth bass');
  // Nobody knows where one stands: the map is tapped first.
  await expect(page.getByRole('button', { name: 'Stand here' })).toBeDisabled();
  const chart = (await page.getByRole('application').boundingBox())!;
  await page.mouse.click(chart.x + 0.5 * chart.width, chart.y + 0.5 * chart.height);
  await page.getByRole('button', { name: 'Stand here' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Aim, cast, count it down' })).toBeVisible();
  const dial = page.getByRole('slider', { name: 'Bearing of the cast' });
  const box = (await dial.boundingBox())!;
  await page.mouse.click(box.x + box.width - 40, box.y + box.height / 2);
  await expect(dial).toHaveAttribute('aria-valuetext', /^(89|90|91)°$/);
  if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/cast-unsounded.png` });
  expect(await serious(page), 'casting without depths').toEqual([]);
  await page.context().setOffline(true);
  await page.getByRole('button', { name: /^Cast/ }).click();
  await page.getByRole('button', { name: 'Bite', exact: true }).click();
  await expect(
    page.getByRole('heading', { level: 1, name: /^(Let it fall straight back|Straight back to the depth|Stop it where it was hit|In again|Keep winding|Leave it hanging|Let it)/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await fishIs(page, 'Smallmouth');
  await page.getByRole('button', { name: 'Released' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'The same cast again' })).toBeVisible();

  // Under More stands what stands there with a chart: what was felt, a float over a school, the bait, and straight down.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'A school there' }).click();
  await expect(page.getByText(/^School about .* out$/)).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Under a float' }).click();
  await page.getByRole('button', { name: 'More The float’s stop' }).click();
  expect(await serious(page), 'more, without depths').toEqual([]);
  // The stop was set: the sheet is closed, and the heading says it.
  await expect(page.getByRole('heading', { level: 1, name: /^Stop at [\d.]+ ft/ })).toBeVisible();
  await page.getByRole('button', { name: /^Cast/ }).click();
  await page.getByRole('button', { name: 'Under', exact: true }).click();
  await page.getByRole('button', { name: 'Flat', exact: true }).click();
  expect(await serious(page), 'a float that lies flat').toEqual([]);
  if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/float-flat.png` });
  await page.getByRole('button', { name: 'It stood, then lay flat: a bite' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Leave the stop: they come up to it' })).toBeVisible();
  if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/float-rose.png` });
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Straight down here' }).click();
  await expect(page.getByRole('link', { name: 'Leave the spot for the map' })).toBeVisible();
  await page.context().setOffline(false);
  await expect
    .poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'cast' AND body->>'bearingDeg' IN ('89', '90', '91')"))[0].n, { timeout: 30_000 })
    .toBeGreaterThan(0);
});
