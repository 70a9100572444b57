import { expect } from '@playwright/test';
import { drillOnce, jigDepth, test } from './stack';

test('a flasher of one’s own read by eye in six taps: the coach answers, the jig goes there, the look is in the log', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await drillOnce(page, stack.url);
  const lower = page.getByRole('button', { name: /^Line down/ });
  if (await lower.isVisible()) await lower.click();
  let taps = 0;
  const tap = async (name: RegExp | string, role: 'button' | 'radio' = 'button') => {
    await page.getByRole(role, { name, exact: typeof name === 'string' }).click();
    taps++;
  };
  await tap('More');
  await tap(/^Quick reading/);
  const ruler = page.getByRole('slider', { name: 'Top mark' });
  const box = (await ruler.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.5);
  taps++;
  const mark = parseFloat((await ruler.getAttribute('aria-valuetext'))!);
  await tap('Comes up', 'radio');
  await expect(page.getByText(new RegExp(`^(The top mark (is )?(at|lies still at) ${mark} ft|A mark at ${mark} ft)`))).toBeVisible();
  const set = page.getByRole('dialog').getByRole('button', { name: /^Set jig to/ });
  const advised = parseFloat(/Set jig to ([\d.]+)/.exec(await set.innerText())![1]);
  await set.click();
  taps++;
  expect(taps).toBeLessThanOrEqual(6);
  await expect(page.getByText('Looked logged')).toBeVisible();
  await expect.poll(() => jigDepth(page)).toBeCloseTo(advised, 0);
  const logged = `SELECT count(*)::int AS n FROM event WHERE kind = 'depth-set' AND abs((body->>'depthM')::float - ${advised} * 0.3048) < 0.1`;
  await expect.poll(async () => (await stack.query(logged))[0].n, { timeout: 20_000 }).toBeGreaterThan(0);
});
