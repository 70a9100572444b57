import { soundSpeed } from '../packages/core/src/water';
import { expect } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { drillOnce, fishIs, jigDepth, test } from './stack';

test.beforeEach(async ({ demo: page }) => page.setViewportSize({ width: 390, height: 844 }));

test('at the hole: the coach followed, a fish landed, a tip-up’s flag, what they told us, and the reading kept as a log that plays', async ({ demo: page, stack }, info) => {
  await drillOnce(page, stack.url);
  const lower = page.getByRole('button', { name: /^Line down/ });
  if (await lower.isVisible()) await lower.click();
  const more = page.getByRole('button', { name: 'More', exact: true });

  await test.step('the coach is followed by one tap', async () => {
    const set = page.getByRole('button', { name: /^Set jig to/ });
    await set.waitFor({ timeout: 60_000 });
    // Read and pressed in one go: the advice may change from one picture to the next.
    const told = await set.evaluate((button: HTMLElement) => {
      const says = button.innerText;
      button.click();
      return says;
    });
    const to = parseFloat(/to ([\d.]+)/.exec(told)![1]);
    await expect.poll(() => jigDepth(page), { timeout: 20_000 }).toBeCloseTo(to, 0);
  });

  await test.step('fish answer, and one is landed', async () => {
    for (const what of ['Looked', 'Refused', 'Refused', 'Bite']) {
      await page.getByRole('button', { name: what, exact: true }).click();
      await expect(page.getByText(`${what} logged`)).toBeVisible();
    }
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Crappie');
    await page.getByRole('button', { name: 'Released' }).click();
    await expect(page.getByText('Crappie released')).toBeVisible();
  });

  await test.step('the true depth stands beside the one that the flasher shows in cold water', async () => {
    await more.click();
    const words = await page.getByText(/^Depths are true, for water of/).innerText();
    const [trueFt, shownFt] = [...words.matchAll(/([\d.]+) ft/g)].map((m) => Number(m[1]));
    const [, waterF, setMs] = /water of (\d+) °F.* set to (\d+) m\/s/s.exec(words)!.map(Number);
    // By the speed of sound that the sentence names, as far as its figures are rounded.
    const wanted = setMs / soundSpeed((waterF - 32) / 1.8);
    expect(wanted).toBeGreaterThan(1.02);
    expect(Math.abs(shownFt / trueFt - wanted)).toBeLessThan(0.1 / trueFt + 0.0015);
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('what they told us is told with its evidence', async () => {
    await more.click();
    await page.getByRole('button', { name: 'What they told us' }).click();
    await expect(page.getByText(/answered|turned down/).first()).toBeVisible();
    await expect(page.getByText(/^(By the answers so far they|Not clear yet|Nothing has answered)/)).toBeVisible();
    await page.getByRole('radio', { name: 'Bait' }).click();
    await expect(page.getByText(/^\d answered, \d turned down, \d looked$/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('the frame of the shaft is pinned to the bottom, dragged elsewhere, and follows the jig again', async () => {
    const looked = page.getByRole('slider', { name: 'Depth looked at' });
    const span = async () => (await looked.getAttribute('aria-valuetext'))!;
    const followed = await span();
    await page.getByRole('button', { name: 'Show the last metre over the bottom' }).click();
    await expect.poll(span).not.toBe(followed);
    const box = (await looked.boundingBox())!;
    await page.mouse.move(box.x + 50, box.y + 0.8 * box.height);
    await page.mouse.down();
    await page.mouse.move(box.x + 50, box.y, { steps: 5 });
    await page.mouse.up();
    await expect.poll(span).toMatch(/^0 ft to/);
    await page.getByRole('button', { name: 'Follow the jig again' }).click();
    await expect.poll(span).not.toMatch(/^0 ft to/);
  });

  await test.step('a tip-up is set by the flasher’s depth, its flag is timed, and its fish logged on its line', async () => {
    await more.click();
    await page.getByRole('button', { name: 'Tip-ups' }).click();
    await page.getByRole('button', { name: /^Set here, [\d.]+ ft of line/ }).click();
    await page.getByRole('button', { name: 'Flag up' }).click();
    await page.getByRole('button', { name: 'Close' }).click();
    const bar = page.getByRole('button', { name: /^Flag up at hole 1, 0:\d\d/ });
    const first = await bar.innerText();
    await expect(bar).not.toHaveText(first);
    await bar.click();
    await page.getByRole('dialog').getByRole('button', { name: 'Fish', exact: true }).click();
    await page.getByRole('button', { name: 'Kept' }).click();
    await expect(bar).toBeHidden();
    const onFlag = `SELECT count(*)::int AS n FROM event f JOIN event l ON l.body->>'line' = f.body->>'line' WHERE f.kind = 'fish-landed' AND l.kind = 'flag-up'`;
    await expect.poll(async () => (await stack.query(onFlag))[0].n, { timeout: 20_000 }).toBe(1);
  });

  const kept = path.join(info.outputDir, 'kept.echo.ndjson');
  await test.step('the last minutes are kept as an echo log', async () => {
    await page.waitForTimeout(6000);
    await more.click();
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Keep as echo log' }).click();
    await (await saving).saveAs(kept);
    expect(readFileSync(kept, 'utf8').split('\n').length).toBeGreaterThan(60);
  });

  await test.step('the log plays with the coach over it, from any place, and a damaged one is refused with its line', async () => {
    await page.goto(`${stack.url}/practice`);
    await page.getByRole('radio', { name: 'Logs' }).click();
    const open = async (file: string) => {
      const choosing = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: /^Open a/ }).click();
      await (await choosing).setFiles(file);
    };
    const damaged = path.join(info.outputDir, 'damaged.ndjson');
    writeFileSync(damaged, readFileSync(kept, 'utf8').slice(0, 20_000));
    await open(damaged);
    await expect(page.getByText(/damaged\.ndjson is not played\. line \d+: expected a JSON object/)).toBeVisible();
    await open(kept);
    const place = page.getByRole('slider', { name: 'Place in the log' });
    await place.waitFor();
    await page.getByRole('radio', { name: '4 times' }).click();
    await page.getByRole('button', { name: 'Play', exact: true }).click();
    await expect.poll(async () => Number(await place.getAttribute('aria-valuenow'))).toBeGreaterThan(6);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/ ft$|Strike/);
    const before = Number(await place.getAttribute('aria-valuenow'));
    await place.press('ArrowLeft');
    await expect.poll(async () => Number(await place.getAttribute('aria-valuenow')), { intervals: [50] }).toBeLessThan(before);
  });
});

test('a practice drill: the learner moves, strikes, logs, and goes through each decision; progress is kept in the ledger', async ({ demo: page, stack }) => {
  await page.goto(`${stack.url}/practice`);
  await page.getByRole('slider', { name: 'Jig depth' }).waitFor();
  const before = await jigDepth(page);
  await page.getByRole('slider', { name: 'Jig depth' }).press('ArrowUp');
  await page.getByRole('slider', { name: 'Jig depth' }).press('ArrowUp');
  await expect.poll(() => jigDepth(page)).toBeLessThan(before);
  await page.getByRole('radio', { name: 'Quiver' }).click();
  await page.getByRole('button', { name: 'Strike' }).click();
  await expect(page.getByText('Nothing held the jig. Wait for the tip.')).toBeVisible();
  await page.getByRole('button', { name: 'Refused' }).click();
  await page.getByRole('button', { name: 'Show the coach' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/ ft$|strike/);
  await page.waitForTimeout(8000);
  await page.getByRole('button', { name: 'End and review' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^\d+ of 100 over \d+ decision/);
  await expect(page.getByRole('img', { name: /^The drill over time/ })).toBeVisible();
  for (const who of ['You', 'Coach', 'Fish']) await expect(page.getByText(who, { exact: true })).toBeVisible();
  await expect
    .poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind = 'drill-done' AND body->>'scene' = 'stack'"))[0].n, { timeout: 20_000 })
    .toBe(1);
  await page.getByRole('button', { name: 'Once more' }).click();
  await expect(page.getByText(/1 done\.$/)).toBeVisible();
  await page.getByRole('radio', { name: 'Lessons' }).click();
  await expect(page.getByText('The blind strip on a slope')).toBeVisible();
});
