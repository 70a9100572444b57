import { expect, type Page } from '@playwright/test';
import { fishIs, startOuting, test } from '../stack';

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};
const titleOf = (page: Page) => page.getByRole('heading', { level: 1 });
const press = (page: Page, name: string | RegExp) =>
  page
    .getByRole('button', typeof name === 'string' ? { name, exact: true } : { name })
    .first()
    .click();

/** A peg at the ring of a water, plumbed in six taps, its swims chosen; floats in Gear, metric. */
async function atPeg(page: Page, url: string, water: RegExp, depths: readonly number[], floats: readonly number[]): Promise<void> {
  await page.evaluate(
    (owned) => {
      const kept = JSON.parse(localStorage.getItem('burrow.preferences') ?? '{}') as { kit?: object };
      const units = { depth: 'm', ice: 'cm', fishLength: 'cm', weight: 'g', temp: 'C', wind: 'kmh', distance: 'm' };
      localStorage.setItem('burrow.preferences', JSON.stringify({ ...kept, units, kit: { rods: [], feed: [], ...kept.kit, floats: owned } }));
    },
    floats.map((capacityG) => ({ id: `float-${capacityG}`, name: `Float ${capacityG}`, capacityG })),
  );
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${url}/gear`);
  await page.getByRole('radio', { name: water }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await startOuting(page, 'pole from a peg');
  await press(page, 'I am at the ring');
  await press(page, 'I sit here');
  await press(page, 'Plumb it');
  const pad = (await page.getByRole('img', { name: /^Depths by distance/ }).boundingBox())!;
  const most = 3;
  for (let k = 0; k < depths.length; k++) await page.mouse.click(pad.x + 52 + (k / (depths.length - 1)) * (pad.width - 82), pad.y + 26 + (depths[k] / most) * (pad.height - 26));
  await press(page, /^Log \d+ depths/);
  await press(page, 'Choose these swims');
  await press(page, /^Fish at /);
}

/** Times the float over the marked way, by a watch. */
async function timeFloat(page: Page, seconds: number): Promise<void> {
  const sheet = page.getByRole('dialog');
  await press(page, 'More Time');
  // The watch begins at 21 s.
  for (let s = 21; s !== seconds; s += Math.sign(seconds - s)) await sheet.getByRole('button', { name: seconds < 21 ? 'Less Time' : 'More Time', exact: true }).click();
  await press(page, 'Log this flow');
}

test('job 6: roach on a drain, row by row', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  const heading = titleOf(page);
  await page.clock.install();
  await atPeg(page, stack.url, /^Marrow Drain/, [0.9, 1.2, 1.5, 1.7, 1.7, 1.7], [0.9, 0.6, 0.4]);

  await test.step('flow: 2 m in 7 s', async () => {
    await press(page, 'Time the float');
    await timeFloat(page, 7);
    await expect(heading).toHaveText(/^Start on /);
  });
  await test.step('the water is over 3 °C: in colder, balls would be none of its food', async () => {
    await press(page, 'More');
    await page.getByRole('button', { name: 'More Water temperature', exact: true }).click();
    await press(page, 'Log this temperature');
  });
  await test.step('float: the 0.9 g, shot within it', async () => {
    await press(page, /^Feed /);
    await page.getByRole('radio', { name: /hard/i }).click();
    await press(page, /^Fed .*: log it/);
    // The near swim once the far one has its ball.
    await press(page, /^Feed /);
    await press(page, /^Line down on /);
    await press(page, 'Rig');
    await expect(page.getByRole('heading', { name: /0\.9 g$/ }).first()).toBeVisible();
    await expect(page.getByText(/g to spare/).first()).toBeVisible();
    await shot('job6-rig');
    await press(page, 'Close');
  });
  await test.step('it slows to 14 s: the heading names the 0.4 g', async () => {
    await press(page, 'More');
    await press(page, 'Time the float');
    await timeFloat(page, 14);
    await expect(heading).toHaveText('Change to the 0.4 g');
    await shot('job6-float');
    await press(page, 'Done: change to the 0.4 g');
    await expect(heading).not.toHaveText(/^Change to/);
  });
  await test.step('ball: squeezed hard, nothing in ten minutes: the next smaller and looser, and after two thrown', async () => {
    await press(page, 'More');
    await page.getByRole('dialog').getByRole('button', { name: 'Feed', exact: true }).click();
    await page.getByRole('radio', { name: /hard/i }).click();
    // The swim one sits on, not the one that was fed last.
    await press(page, /^Fed 2\.5 m: log it/);
    await page.clock.fastForward('11:00');
    await expect(heading).toHaveText(/^Next ball on .*: smaller, looser/);
    await shot('job6-blank');
    await press(page, 'Feed');
    await expect(page.getByText(/too hard/).first()).toBeVisible();
    await press(page, /^Fed .*: log it/);
  });
  await test.step('run: bites low down say where the next ball goes and where to begin', async () => {
    const run = page.getByRole('slider', { name: 'Where on the run the float is' });
    for (const share of [0.8, 0.83, 0.86]) {
      // What is told above it may take another line.
      await page.waitForTimeout(300);
      const box = (await run.boundingBox())!;
      await page.mouse.click(box.x + box.width * share, box.y + 60);
      await press(page, /^Bite/);
    }
    await expect(page.getByText(/^Bites come (on|past) the feed/)).toBeVisible();
    await shot('job6-run');
  });
  await test.step('after: the bag has a spread; perch fished for, none, in Season', async () => {
    await press(page, /^Fish/);
    await fishIs(page, 'Roach');
    await page.getByRole('radio', { name: '15 cm', exact: true }).click();
    await press(page, /^Log a roach/);
    for (let k = 0; k < 2; k++) await press(page, /^Fish 15 cm/);
    await press(page, /^3 fish/);
    await press(page, 'More Fish');
    await press(page, 'More Weight together');
    await press(page, 'Log this weight');
    await expect(page.getByRole('button', { name: /^3 fish, .*±/ })).toBeVisible();
  });
});

test('job 12: roach by pole on a big cold water, row by row', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  const heading = titleOf(page);
  await page.clock.install();
  await atPeg(page, stack.url, /^Perrow Pool/, [1, 2, 2.6, 2.9, 2.95, 2.95], [1, 0.6]);

  await test.step('open: several balls far, thrown, with hemp and casters, as one entry', async () => {
    await press(page, 'Time the float');
    await press(page, 'It stands still');
    await press(page, /^Feed /);
    const sheet = page.getByRole('dialog');
    for (const what of ['Hemp', 'Casters']) await sheet.getByRole('button', { name: what, exact: true }).click();
    await sheet.getByRole('radio', { name: 'Thrown' }).click();
    await press(page, 'More Balls');
    await shot('job12-open');
    await press(page, /^Fed .*: log it/);
    await expect
      .poll(async () => (await stack.query("SELECT body FROM event WHERE kind = 'fed' ORDER BY seq DESC LIMIT 1"))[0]?.body, { timeout: 30_000 })
      .toMatchObject({
        way: 'throw',
        contents: ['hemp', 'casters'],
      });
  });
  await test.step('wait: the near swim is fished while the far one settles', async () => {
    await expect(heading).toHaveText(/^Start on /);
    await press(page, /^(Line down on|Feed) /);
    const down = page.getByRole('button', { name: /^Line down on / });
    const fed = page.getByRole('button', { name: /^Fed .*: log it/ });
    if (await fed.isVisible()) await fed.click();
    if (await down.isVisible()) await down.click();
    await expect(heading).toHaveText(/^(Stay on|Settling until)/);
  });
  await test.step('near and far: a third line between them, and one stays where one fishes', async () => {
    const before = await heading.innerText();
    await press(page, 'More');
    await press(page, 'Another swim');
    await shot('job12-third');
    await press(page, /^Add a swim at /);
    await expect(page.getByText(/^Swim at /).first()).toBeVisible();
    await press(page, 'More');
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('button', { name: /^Swap to / })).toHaveCount(2);
    await expect(sheet.getByRole('button', { name: 'Another swim' })).toHaveCount(0);
    await press(page, 'Close');
    await expect(page.getByRole('button', { name: /^Line down/ })).toHaveCount(0);
    await page.waitForTimeout(8000);
    await shot('job12-three');
    expect((await heading.innerText()).slice(0, 5)).toBe(before.slice(0, 5));
  });
  await test.step('quiet: rain explains it, and nothing is changed for it', async () => {
    for (let k = 0; k < 3; k++) {
      await press(page, /^Bite/);
      await page.clock.fastForward('02:00');
    }
    await page.clock.fastForward('20:00');
    await press(page, 'More');
    await press(page, 'Cold rain');
    await expect(page.getByText(/Cold rain runs in/).first()).toBeVisible();
    await shot('job12-rain');
  });
  await test.step('log: small and good ones by their own class, the bag with its spread', async () => {
    for (const size of ['20 cm', '30 cm']) {
      await press(page, 'More');
      await press(page, 'Fish, another size');
      if (size === '20 cm') await fishIs(page, 'Roach');
      await page.getByRole('radio', { name: size, exact: true }).click();
      await press(page, /^Log a roach/);
    }
    await expect(page.getByRole('button', { name: /^2 fish, .*±/ })).toBeVisible();
    await page.goto(`${stack.url}/water`);
    await press(page, 'End outing');
    await expect(page.getByText(/2 fish/).first()).toBeVisible();
  });
});
