import { expect, type Page } from '@playwright/test';
import { serious } from './axe';
import { fishIs, startOuting, test } from './stack';

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};

/** Puts six depths on the pad, a tap each: across is how far out, down is how deep. */
async function plumb(page: Page, depths: readonly number[]) {
  const pad = (await page.getByRole('img', { name: /^Depths by distance/ }).boundingBox())!;
  for (let k = 0; k < depths.length; k++) await page.mouse.click(pad.x + 52 + (k / (depths.length - 1)) * (pad.width - 82), pad.y + 26 + (depths[k] / 3) * (pad.height - 26));
}

test('a frosty morning on Marrow Drain: plumbed in six taps, the flow timed, fed, two swims, the network cut, a swap, the bag, rain', async ({ demo: page, stack, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  const more = () => page.getByRole('button', { name: 'More', exact: true }).click();
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: /^Marrow Drain/ }).click();

  await test.step('a peg on the bank of the drain', async () => {
    await page.getByRole('link', { name: 'Water' }).click();
    await startOuting(page, 'pole from a peg');
    await shot('peg-water');
    await page.getByRole('button', { name: 'I am at the ring' }).click();
    await page.getByRole('button', { name: 'I sit here' }).click();
    await expect(heading).toHaveText('Plumb the bed', { timeout: 40_000 });
    await shot('peg-empty');
  });

  await test.step('six taps tell the bed, and it offers two swims', async () => {
    await page.getByRole('button', { name: 'Plumb it' }).click();
    await plumb(page, [0.6, 1.1, 1.5, 1.7, 1.8, 1.75]);
    expect(await serious(page), 'plumbing').toEqual([]);
    await shot('peg-plumb');
    await page.getByRole('button', { name: 'Log 6 depths' }).click();
    await expect(heading).toHaveText(/^Two swims: /);
    await page.getByRole('button', { name: 'Choose these swims' }).click();
    await page.getByRole('button', { name: /^Fish at .* and / }).click();
  });

  await context.setOffline(true);
  await test.step('the flow timed, the far swim fed first, the near one begun', async () => {
    await page.getByRole('button', { name: 'Time the float' }).click();
    await page.getByRole('button', { name: 'More Time' }).click();
    await shot('peg-flow');
    expect(await serious(page), 'the flow').toEqual([]);
    await page.getByRole('button', { name: 'Log this flow' }).click();
    await expect(heading).toHaveText(/^Start on /);
    // Before the first ball it asks what a ball is; the second is a tap.
    await page.getByRole('button', { name: /^Feed .*: one small ball/ }).click();
    await expect(page.getByText(/^Nobody has said what the ball is/)).toBeVisible();
    expect(await serious(page), 'the feed').toEqual([]);
    await shot('peg-feed');
    await page.getByRole('button', { name: /^Fed .*: log it/ }).click();
    await page.getByRole('button', { name: /^Feed .*: one small ball/ }).click();
    await page.getByRole('button', { name: /^Line down on / }).click();
    await expect(heading).toHaveText(/^(Stay on|Settling until)/);
  });

  await test.step('a bite where the float is, a fish by one tap, each taken back by Undo', async () => {
    const run = page.getByRole('slider', { name: 'Where on the run the float is' });
    const box = (await run.boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.6, box.y + 60);
    await expect(run).toHaveAttribute('aria-valuetext', /along$/);
    await page.getByRole('button', { name: /^Bite/ }).click();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Roach');
    expect(await serious(page), 'a fish by its size').toEqual([]);
    await shot('peg-fish');
    await page.getByRole('radio', { name: '8 in', exact: true }).click();
    await page.getByRole('button', { name: /^Log a roach of 8 in/ }).click();
    await expect(page.getByRole('button', { name: /^1 fish, / })).toBeVisible();
    await page.getByRole('button', { name: 'Fish 8 in' }).click();
    await expect(page.getByRole('button', { name: /^2 fish, / })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: /^1 fish, / })).toBeVisible();
    for (const at of [0.62, 0.66]) {
      await page.mouse.click(box.x + box.width * at, box.y + 60);
      await page.getByRole('button', { name: /^Fish 8 in/ }).click();
    }
    await expect(page.getByText(/^Bites come (on|past|short of) the feed/)).toBeVisible();
    await shot('peg-phone');
    expect(await serious(page), 'the peg').toEqual([]);
  });

  await test.step('what the rig is made of, and the reason why', async () => {
    await page.getByRole('button', { name: 'Rig', exact: true }).click();
    await expect(page.getByText(/No floats in Gear/)).toBeVisible();
    await shot('peg-rig');
    expect(await serious(page), 'rigs').toEqual([]);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('button', { name: 'Why' }).click();
    await expect(page.getByText(/bites in the next ten minutes, /).first()).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('swapped to the far swim; all comes to the server when the signal is back', async () => {
    await page
      .getByRole('button', { name: /^Swap to / })
      .last()
      .click();
    await expect(page.getByText(/^Swapped to /)).toBeVisible();
    await expect(page.getByText(/\d+ unsent/)).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'plumbed' AND at > '2027-01-01'"))[0].n, { timeout: 30_000 }).toBe(6);
    await expect
      .poll(async () => (await stack.query("SELECT body->>'alongM' AS along FROM event WHERE kind = 'reaction' AND body ? 'alongM' AND at > '2027-01-01'")).length, {
        timeout: 30_000,
      })
      .toBe(1);
  });

  await test.step('rain and colder water are named instead of blaming the feed', async () => {
    await more();
    await page.getByRole('button', { name: 'Cold rain' }).click();
    await page.getByRole('button', { name: 'Why' }).click();
    await expect(page.getByText(/^Cold rain, as you saw\./)).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await more();
    expect(await serious(page), 'more at the peg').toEqual([]);
    await shot('peg-more');
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('Season counts it by the hour', async () => {
    await page.getByRole('link', { name: 'Leave the peg for the map' }).click();
    await page.getByRole('button', { name: 'End outing' }).click();
    await expect(page.getByText(/3 fish/).first()).toBeVisible();
    await shot('peg-outing');
    await page.goto(`${stack.url}/season`);
    await page.getByRole('radio', { name: 'Pole from a peg' }).click();
    await expect(page.getByText(/^This winter: \d+ outings, /)).toBeVisible();
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'pole' AND ended_at IS NULL"))[0].n).toBe(0);
  });
});

test('Perrow Pool, wide: a still water where fish are used to bait, two swims, keys, the bag by class', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const shot = shotsOf(page);
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: /^Perrow Pool/ }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await startOuting(page, 'pole from a peg');
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'I sit here' }).click();
  await page.getByRole('button', { name: 'Plumb it' }).click({ timeout: 40_000 });
  await plumb(page, [0.8, 1.5, 1.9, 2.1, 2.2, 2.25]);
  await page.getByRole('button', { name: 'Log 6 depths' }).click();
  await page.getByRole('button', { name: 'Choose these swims' }).click();
  await page.getByRole('button', { name: /^Fish at / }).click();
  await page.getByRole('button', { name: 'Time the float' }).click();
  await page.getByRole('button', { name: 'It stands still' }).click();
  await page.getByRole('button', { name: /^Feed .*: (several balls|one small ball)/ }).click();
  await page.getByRole('button', { name: /^Fed .*: log it/ }).click();
  await page
    .getByRole('button', { name: /^Line down on |^Feed / })
    .first()
    .click();
  await page.getByRole('button', { name: /^Line down on / }).click();
  await expect(heading).toHaveText(/^(Stay on|Settling until)/);
  await page.keyboard.press('f');
  await fishIs(page, 'Roach');
  await page.getByRole('radio', { name: '6 in', exact: true }).click();
  await page.getByRole('button', { name: /^Log a roach of 6 in/ }).click();
  // Each key once the one before has been written: the sheet is closed by then.
  await expect(page.getByText(/^1 roach, /)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Close' })).toHaveCount(0);
  for (const [key, says] of [
    ['f', /^2 roach, /],
    ['f', /^3 roach, /],
    ['b', /^3 fish, 4 bites; /],
    ['s', 'Swapped to 36 ft'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByText(says)).toBeVisible();
  }
  await expect(page.getByText('Still water leaves no trail: what is fed lies where it falls.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Bites in the next ten minutes' })).toBeVisible();
  await shot('peg-wide');
  expect(await serious(page), 'the peg, wide').toEqual([]);
  await page.goto(`${stack.url}/water`);
  await page.getByRole('button', { name: 'End outing' }).click();
  await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM outing WHERE method = 'pole' AND ended_at IS NULL"))[0].n).toBe(0);
});
