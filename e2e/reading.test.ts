import { expect } from '@playwright/test';
import { drillOnce, jigDepth, test } from './stack';

test('a flasher of one’s own read by eye in six taps: the coach answers, the jig goes there, the look is in the log', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await drillOnce(page, stack.url);
  const lower = page.getByRole('button', { name: /^Line down/ });
  if (await lower.isVisible()) await lower.click();
  let taps = 0;
  const tap = async (name: RegExp | string) => {
    await page.getByRole('button', { name, exact: typeof name === 'string' }).click();
    taps++;
  };
  await tap('More');
  await tap(/^Quick reading/);
  const picture = page.getByRole('slider', { name: 'Top mark' });
  const box = (await picture.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.25);
  taps++;
  const mark = parseFloat((await picture.getAttribute('aria-valuetext'))!);
  await tap('Reading: the mark came up');
  await expect(page.getByText(new RegExp(`^(The top mark (is )?(at|lies still at) ${mark} ft|A mark at ${mark} ft)`))).toBeVisible();
  const set = page.getByRole('button', { name: /^Set jig to/ });
  const advised = parseFloat(/Set jig to ([\d.]+)/.exec(await set.innerText())![1]);
  await set.click();
  taps++;
  expect(taps).toBeLessThanOrEqual(6);
  await expect(page.getByText('Looked logged')).toBeVisible();
  await expect(page.getByRole('radio', { name: `Jig ${advised} ft` })).toBeVisible();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Back to the picture' }).click();
  await expect.poll(() => jigDepth(page)).toBeCloseTo(advised, 0);
  const logged = `SELECT count(*)::int AS n FROM event WHERE kind = 'depth-set' AND abs((body->>'depthM')::float - ${advised} * 0.3048) < 0.1`;
  await expect.poll(async () => (await stack.query(logged))[0].n, { timeout: 20_000 }).toBeGreaterThan(0);
});
