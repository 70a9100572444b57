import { expect, type Page } from '@playwright/test';

/** A pond of one's own: its shore, an island and a few soundings, as a water file. */
function pond(): string {
  const at = (x: number, y: number) => [-121.5 + x / 75_000, 44 + y / 111_195];
  const ring = [
    [-160, -90],
    [160, -90],
    [170, 60],
    [0, 110],
    [-170, 60],
    [-160, -90],
  ].map(([x, y]) => at(x, y));
  const island = [
    [-95, 30],
    [-65, 25],
    [-70, 55],
    [-95, 30],
  ].map(([x, y]) => at(x, y));
  const soundings = [];
  for (let x = -120; x <= 120; x += 40)
    for (let y = -60; y <= 60; y += 30) {
      // On the island.
      if (x === -80 && y === 30) continue;
      soundings.push({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: at(x, y) },
        properties: { role: 'sounding', depth_m: Math.round(60 - (x * x + 2 * y * y) / 400) / 10 },
      });
    }
  return JSON.stringify({
    type: 'FeatureCollection',
    water: { name: 'Little Hollow', kind: 'lake', timezone: 'America/Los_Angeles', elevation_m: 900, secchi_m: 2, assumed: ['secchi_m'] },
    features: [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: [ring, island] }, properties: { role: 'outline' } }, ...soundings],
  });
}

/** An account and a water of one's own, in Gear. */
export async function ownWater(page: Page, url: string, name: string): Promise<void> {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(url);
  await page.getByRole('button', { name: 'I am new here' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill(name);
  await page.getByRole('textbox', { name: 'E-mail' }).fill(`${name.toLowerCase()}@test.invalid`);
  await page.getByLabel('Password').fill('long enough now');
  await page.getByRole('button', { name: 'Make an account' }).click();
  await page.getByRole('link', { name: 'Gear' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a water from a file' }).click();
  await (await chooser).setFiles({ name: 'pond.geojson', mimeType: 'application/geo+json', buffer: Buffer.from(pond()) });
  await expect(page.getByText('Little Hollow is here.')).toBeVisible();
}
