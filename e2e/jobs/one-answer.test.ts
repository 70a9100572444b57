import { expect, type Page } from '@playwright/test';
import { startOuting, test } from '../stack';

/*
 * One question, one answer: the depths that the Outlook names, those that the map names and begins within, and where the first look at the hole or the first
 * cast goes, read off the screen.
 */

const shotsOf = (page: Page) => async (name: string) => {
  if (!process.env.SHOTS) return;
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` });
};

/** Figures of a text, m. */
const figures = (text: string) => [...text.matchAll(/\d+(?:\.\d+)?/g)].map(Number);

async function chosen(page: Page, url: string, water: string, species: string): Promise<void> {
  await page.evaluate(
    (of) => {
      const kept = JSON.parse(localStorage.getItem('burrow.preferences') ?? '{}') as object;
      const units = { depth: 'm', ice: 'cm', fishLength: 'cm', weight: 'g', temp: 'C', wind: 'kmh', distance: 'm' };
      localStorage.setItem('burrow.preferences', JSON.stringify({ ...kept, ...of, units }));
    },
    { water, species },
  );
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(url);
}

/** The stretch that the Outlook names, m. */
async function outlookBand(page: Page): Promise<number[]> {
  const why = page.getByText(/feed best .* [\d.]+ to [\d.]+ m down[.,]/).first();
  await expect(why).toBeVisible({ timeout: 60_000 });
  return figures(/, ([\d.]+ to [\d.]+) m down/.exec(await why.innerText())![1]);
}

/** The stretch that Outlook and map name alike, with the depth that the map begins at, m. The map comes a moment after the first answer, and moves both. */
async function toldOf(page: Page): Promise<{ band: number[]; beginsM: number }> {
  const looked = page.getByText(/are looked for at [\d.]+ to [\d.]+ m/).first();
  const told = { band: [] as number[], beginsM: 0 };
  await expect(async () => {
    await page.getByRole('link', { name: 'Outlook' }).click();
    const outlook = await outlookBand(page);
    await page.getByRole('link', { name: 'Water' }).click();
    await expect(looked).toBeVisible({ timeout: 60_000 });
    expect(figures(/looked for at ([\d.]+ to [\d.]+) m/.exec(await looked.innerText())![1])).toEqual(outlook);
    const heading = await page.getByRole('heading', { level: 1, name: /^Start in/ }).innerText();
    Object.assign(told, { band: outlook, beginsM: figures(heading)[0] });
  }).toPass({ timeout: 120_000 });
  return told;
}

for (const { water, species, name, fish } of [
  { water: 'tamber-lake', species: 'walleye', name: 'walleye on the lake', fish: 'Walleye' },
  { water: 'tamber-lake', species: 'northern-pike', name: 'pike on the lake', fish: 'Pike' },
  { water: 'verrin-reservoir', species: 'lake-trout', name: 'lake trout on the reservoir', fish: 'Lake trout' },
])
  test(`${name}: Outlook, map, ring and the first look at the hole name the same depths`, async ({ demo: page, stack }) => {
    const shot = shotsOf(page);
    await chosen(page, stack.url, water, species);
    const { band, beginsM } = await toldOf(page);
    // Fish that are let go again are sought no deeper than they live through, and that is said.
    const isKeptShallow = await page
      .getByText(/often hurt on the way up/)
      .first()
      .isVisible();
    if (isKeptShallow) expect(beginsM).toBeLessThan(band[0]);
    else expect(beginsM).toBeGreaterThanOrEqual(band[0]);
    expect(beginsM).toBeLessThanOrEqual(band[1]);
    await shot(`one-answer-${species}-map`);
    await startOuting(page, 'on the ice', fish);
    await shot(`one-answer-${species}-out`);
    await page.getByRole('button', { name: /^(Drill here|I am at the ring)$/ }).click({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Hole is drilled' }).click({ timeout: 30_000 });
    await page.getByText('flasher simulated, live').waitFor();
    const lower = page.getByRole('button', { name: /^Line down/ });
    if (await lower.isVisible()) await lower.click();
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: /^Quick reading/ }).click();
    await page.getByRole('button', { name: 'Reading: the mark gone' }).click();
    const says = await page.getByRole('heading', { level: 1 }).innerText();
    await shot(`one-answer-${species}`);
    const atM = figures(says).at(-1)!;
    expect(atM).toBeGreaterThanOrEqual(Math.min(band[0] - 0.4, beginsM - 1.2));
    expect(atM).toBeLessThanOrEqual(band[1] + 0.4);
  });

test('smallmouth by casting from a boat: Outlook, map and the chip over the casts name the same depths', async ({ demo: page, stack }) => {
  const shot = shotsOf(page);
  await chosen(page, stack.url, 'verrin-reservoir', 'smallmouth');
  const { band: outlook } = await toldOf(page);
  await page.getByRole('link', { name: 'Outlook' }).click();
  await page.getByRole('radio', { name: 'Boat', exact: true }).click({ timeout: 40_000 });
  await page.getByRole('link', { name: 'Water' }).click();
  await startOuting(page, 'casting', 'Smallmouth');
  await page.getByRole('button', { name: 'I am at the ring' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'I stand here' }).click();
  const bait = page.getByRole('dialog', { name: 'What is on the line?' });
  if (await bait.isVisible()) await bait.getByRole('button').first().click();
  const chip = page.getByText(/^band [\d.]+ to [\d.]+/);
  await expect(chip).toBeVisible({ timeout: 60_000 });
  await shot('one-answer-cast');
  const [fromM, toM] = figures(await chip.innerText());
  // No deeper than what is let go again lives through, which the chip says.
  const most = Math.min(outlook[1], 7.2);
  expect(toM).toBe(most);
  expect(fromM).toBeLessThanOrEqual(toM);
  if (outlook[1] > 7.2) expect(await chip.innerText()).toMatch(/so that they live/);
  else expect(fromM).toBe(outlook[0]);
});
