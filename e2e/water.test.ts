import { expect, type Page } from '@playwright/test';
import { fishFor, test, type Stack } from './stack';

/** Depth of a made-up lake about its middle, m: two hollows and a hump. */
const bed = (x: number, y: number) =>
  Math.max(
    0.4,
    9 * Math.exp(-(((x - 90) / 90) ** 2) - (y / 120) ** 2) +
      5 * Math.exp(-(((x + 150) / 70) ** 2) - (y / 90) ** 2) -
      3 * Math.exp(-(((x - 90) / 40) ** 2) - ((y - 110) / 40) ** 2) +
      1.2,
  );

/** Soundings of it as a file, two rows of which cannot be read. */
function soundings(): string {
  const rows: string[] = [];
  for (let x = -240; x <= 240; x += 24)
    for (let y = -150; y <= 150; y += 24) rows.push(`${(-140 + x / 75_830).toFixed(7)},${(47 + y / 111_195).toFixed(7)},${bed(x, y).toFixed(2)}`);
  rows.splice(5, 0, '-140,470,3');
  rows.splice(9, 0, '"-140,0",47,3');
  return ['lon,lat,depth_m', ...rows].join('\r\n');
}

async function bringSoundings(page: Page): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Bring soundings' }).click();
  await (await chooser).setFiles({ name: 'pond.csv', mimeType: 'text/csv', buffer: Buffer.from(soundings()) });
  await expect(page.getByText('2 rows cannot be read')).toBeVisible();
  await expect(page.getByText('line 7: lat: expected -90 to 90, found 470')).toBeVisible();
  await expect(page.getByText(/^line 11: lon: expected a decimal point, found a decimal comma/)).toBeVisible();
  await page.getByRole('button', { name: 'Go on with the other 273' }).click();
}

/** Draws a shore around the soundings, corner by corner. */
async function drawShore(page: Page): Promise<void> {
  const chart = page.getByRole('application');
  const box = (await chart.boundingBox())!;
  const corners = [
    [0.04, 0.18],
    [0.5, 0.1],
    [0.96, 0.18],
    [0.97, 0.7],
    [0.5, 0.9],
    [0.03, 0.7],
    [0.5, 0.5],
  ];
  for (const [i, [x, y]] of corners.entries()) {
    await chart.click({ position: { x: box.width * x, y: box.height * y } });
    await expect(
      page.getByText(i === 0 ? '1 corner, no shore yet, 273 soundings' : i === 1 ? '2 corners, no shore yet, 273 soundings' : `${i + 1} corners, 273 soundings`),
    ).toBeVisible();
  }
  await page.getByRole('button', { name: 'Undo corner' }).click();
  await expect(page.getByText('6 corners, 273 soundings')).toBeVisible();
}

for (const size of [
  { width: 390, height: 844, walked: 8 },
  { width: 1280, height: 800, walked: 4 },
]) {
  test(`draws a water, brings soundings, plans eight holes and walks ${size.walked} of them at ${size.width}×${size.height}`, async ({ demo: page, stack }) => {
    await page.setViewportSize({ width: size.width, height: size.height });
    await page.goto(`${stack.url}/gear`);
    await page.getByRole('button', { name: 'A new water' }).click();
    await bringSoundings(page);
    await drawShore(page);
    await page.getByRole('button', { name: 'Save water' }).click();
    const name = `Pond ${size.width}`;
    await page.getByRole('textbox', { name: 'Name of the water' }).fill('Tamber Lake');
    await expect(page.getByText(/already\. Choose another/)).toBeVisible();
    await page.getByRole('textbox', { name: 'Name of the water' }).fill(name);
    await page.getByRole('button', { name: 'Save', exact: true }).click();

    // Contours and structure, in words as well.
    await expect(page.getByText('depths in feet, 273 soundings')).toBeVisible({ timeout: 30_000 });
    if (size.width < 1000) await page.getByRole('button', { name: 'In words' }).click();
    await expect(page.getByText('basin', { exact: true }).first()).toBeVisible();
    await expect(page.getByText('saddle', { exact: true })).toBeVisible();
    await expect(page.getByRole('img', { name: /^Banks by sun and wind\. Best: / })).toBeVisible({ timeout: 60_000 });
    if (size.width < 1000) await page.getByRole('button', { name: 'Back to the map' }).click();

    await page.getByRole('button', { name: 'Plan holes' }).click();
    await page.getByRole('button', { name: 'Lay out the holes' }).click();
    await expect(page.getByRole('heading', { name: /^Eight holes, \d+ yd to walk/ })).toBeVisible();
    await page.getByRole('button', { name: 'Drop the plan' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('heading', { name: /^Eight holes/ })).toBeVisible();

    await page.getByRole('button', { name: 'Start outing', exact: true }).click();
    // A water that nobody has fished: which fish is asked.
    await fishFor(page, 'Black crappie');
    const advice: string[] = [];
    for (let hole = 1; hole <= size.walked; hole++) {
      // Where it sends one back to a hole that has rested, one taps another place.
      if (await page.getByRole('button', { name: /^Back to hole/ }).isVisible()) await tapChart(page, [0.3 + 0.05 * hole, 0.35 + 0.03 * hole]);
      await page.getByRole('button', { name: /^(Drill here|I am at the ring)$/ }).click();
      // What the flasher says differs from what the map expected, each time.
      await page.getByRole('button', { name: 'More Depth by flasher or line' }).click();
      await page.getByRole('button', { name: 'More Depth by flasher or line' }).click();
      await page.getByRole('button', { name: 'Hole is drilled' }).click();
      await page.getByText('flasher simulated, live').waitFor();
      await page.getByRole('link', { name: size.width < 1000 ? 'Leave the hole for the map' : 'Water', exact: true }).click();
      await expect(page.getByText(`depths in feet, ${273 + hole} soundings`)).toBeVisible({ timeout: 60_000 });
      const heading = page.getByRole('heading', { level: 1, name: /^Next hole: |^Back to / });
      await expect(heading).toBeVisible({ timeout: 90_000 });
      advice.push(await heading.innerText());
    }
    expect(new Set(advice).size).toBeGreaterThan(size.walked / 2);
    const drilled = `SELECT count(*)::int AS n FROM event WHERE kind = 'station-opened' AND outing IN (SELECT outing FROM event WHERE kind = 'outing-started' AND body->>'water' = 'pond-${size.width}')`;
    await expect.poll(async () => (await stack.query(drilled))[0].n).toBe(size.walked);
    await page.getByRole('button', { name: 'End outing' }).click();
  });
}

test('a new water’s shore and soundings from files of other programs: a walked track, and a sounder’s log with a bad checksum', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${stack.url}/gear`);
  const bring = async (label: string, name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: label }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  };
  const ring = Array.from({ length: 120 }, (_, i) => [-121.5 + 0.002 * Math.cos((i * Math.PI) / 60), 44 + 0.001 * Math.sin((i * Math.PI) / 60)]);
  const track = (places: number[][]) =>
    `<gpx version="1.1"><trk><name>Walk</name><trkseg>${places.map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`).join('')}</trkseg></trk></gpx>`;
  // A shore that is opened under Gear is gone on with where a water is made.
  await bring('Add a water from a file', 'half.gpx', track(ring.slice(0, 60)));
  await expect(page.getByText(/^half\.gpx: expected a polygon, .* found "Walk" whose ends are \d+ m apart$/)).toBeVisible();
  await bring('Bring a shore', 'walk.gpx', track(ring));
  await expect(page.getByText('40 corners, 0 soundings')).toBeVisible();

  const sentence = (body: string) => `$${body}*${[...body].reduce((x, c) => x ^ c.charCodeAt(0), 0).toString(16).toUpperCase().padStart(2, '0')}`; // prettier-ignore
  const log = [0, 1, 2, 3, 4, 5].flatMap((k) => {
    const minutes = (30 - 0.02 * (k - 2.5)).toFixed(4);
    return [sentence(`GPGGA,08150${k},4400.${k % 2 ? '01' : '02'},N,121${minutes},W,1,08,0.9,545.4,M,46.9,M,,`), sentence(`SDDPT,${(2 + k).toFixed(1)},0.3`)];
  });
  // A table of another program: which column is what is asked, with its first rows.
  await bring('Bring soundings', 'lake.csv', 'X;Y;Tiefe\n-121,5;44,0;10\n-121,5005;44,0;12\n');
  await expect(page.getByRole('table', { name: 'First rows of the file' })).toContainText('-121,5005');
  await expect(page.getByRole('button', { name: 'Read it so' })).toBeDisabled();
  await page.getByRole('dialog').getByRole('radio', { name: 'Feet' }).click();
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByText('40 corners, 2 soundings')).toBeVisible();
  await bring('Bring soundings', 'survey.nmea', [...log, sentence('SDDPT,9.0,0.3').replace('9.0', '3.0')].join('\n'));
  await expect(page.getByText(/^line 13: expected the checksum [0-9A-F]{2}, found [0-9A-F]{2}$/)).toBeVisible();
  await page.getByRole('button', { name: 'Go on with the other 6' }).click();
  await expect(page.getByText('40 corners, 6 soundings')).toBeVisible();
  await page.getByRole('button', { name: 'Save water' }).click();
  await page.getByRole('textbox', { name: 'Name of the water' }).fill('Long Slough');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('depths in feet, 6 soundings')).toBeVisible({ timeout: 30_000 });
});

/** Taps the chart at shares of its width and height. */
async function tapChart(page: Page, ...places: [number, number][]): Promise<void> {
  const chart = page.getByRole('application');
  const box = (await chart.boundingBox())!;
  for (const [x, y] of places) {
    await chart.click({ position: { x: box.width * x, y: box.height * y } });
    // Two taps that follow closely are a double tap, which is none.
    await page.waitForTimeout(400);
  }
}

/** Drags the first corner of the shore outwards, sees it arrive at the server, and takes it back. */
async function moveShoreCorner(page: Page, stack: Stack): Promise<void> {
  const chart = page.getByRole('application');
  // The shore is fitted into the chart as it is at first, all but a margin; then the chart grows and keeps its middle.
  const fitted = (await chart.boundingBox())!;
  await page.getByRole('radio', { name: 'Shore' }).click();
  await expect(page.getByText(/^Drag a corner/)).toBeVisible();
  const query = `SELECT file->'features'->0->'geometry'->'coordinates'->0 AS ring FROM water WHERE id = 'ullen-river-kilnfoot-pool'`;
  const ringOf = async () => (await stack.query(query))[0].ring as [number, number][];
  const before = await ringOf();
  const mercator = ([lon, lat]: [number, number]) => [lon * (Math.PI / 180), Math.log(Math.tan(Math.PI / 4 + (lat * Math.PI) / 360))];
  const points = before.map(mercator);
  const range = (axis: 0 | 1) => [Math.min(...points.map((p) => p[axis])), Math.max(...points.map((p) => p[axis]))];
  const [[x0, x1], [y0, y1]] = [range(0), range(1)];
  const box = (await chart.boundingBox())!;
  const resolution = Math.max((x1 - x0) / (fitted.width - 48), (y1 - y0) / (fitted.height - 70));
  const x = box.x + box.width / 2 + (points[0][0] - (x0 + x1) / 2) / resolution;
  const y = box.y + box.height / 2 - 5 - (points[0][1] - (y0 + y1) / 2) / resolution;
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 12, y - 40, { steps: 8 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('heading', { name: /^Begin at/ })).toBeVisible({ timeout: 60_000 });
  const after = await ringOf();
  expect(after[0]).not.toEqual(before[0]);
  expect(after[0]).toEqual(after.at(-1));
  expect(after.slice(1, -1)).toEqual(before.slice(1, -1));
  await page.getByRole('button', { name: 'Mark what is here' }).click();
  await page.getByRole('radio', { name: 'Seam' }).click();
}

test('a river: its lies, a seam and a boulder marked with the network cut, undone, sent when it is back, measured and saved to a file', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${stack.url}/gear`);
  await page.getByRole('radio', { name: 'Ullen River, Kilnfoot pool, river' }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await expect(page.getByRole('heading', { name: /^Begin at the boulder pocket, [56] ft$/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('depths in feet, 420 soundings')).toBeVisible();
  await page.getByRole('button', { name: 'In words' }).click();
  await expect(page.getByText('River ice is not lake ice')).toBeVisible();
  await expect(page.getByText(/4 of 4 marks: seam, pocket, cover, depth/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the map' }).click();

  await page.getByRole('button', { name: 'What the map shows and can do' }).click();
  await page.getByRole('button', { name: 'Measure a way' }).click();
  await tapChart(page, [0.3, 0.45], [0.6, 0.45]);
  await expect(page.getByText(/^\d+ yd east, from (\d|ashore).* to (\d|ashore)/)).toBeVisible();
  await page.getByRole('button', { name: 'Done measuring' }).click();

  await page.getByRole('button', { name: 'Mark what is here' }).click();
  await expect(page.getByText('6 marks on Ullen River')).toBeVisible();
  await moveShoreCorner(page, stack);
  await stack.killServer();
  await tapChart(page, [0.42, 0.82], [0.5, 0.83], [0.56, 0.82]);
  await page.getByRole('button', { name: 'End the seam' }).click();
  await expect(page.getByText('7 marks on Ullen River')).toBeVisible();
  await page.getByRole('radio', { name: 'Cover' }).click();
  await page.getByRole('radio', { name: 'boulder' }).click();
  await page.getByRole('textbox', { name: 'Its name, if it has one' }).fill('table rock');
  await tapChart(page, [0.3, 0.3]);
  await expect(page.getByText('8 marks on Ullen River')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('7 marks on Ullen River')).toBeVisible();
  await page.getByRole('textbox', { name: 'Its name, if it has one' }).fill('table rock');
  await tapChart(page, [0.3, 0.3]);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText(/^No signal: the marks are on this phone/)).toBeVisible({ timeout: 30_000 });
  const marks = `SELECT count(*)::int AS n FROM water, jsonb_array_elements(file->'features') f WHERE id = 'ullen-river-kilnfoot-pool' AND f->'properties'->>'role' NOT IN ('outline', 'sounding')`;
  expect((await stack.query(marks))[0].n).toBe(6);

  await stack.startServer();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('heading', { name: /^Begin at/ })).toBeVisible({ timeout: 60_000 });
  expect((await stack.query(marks))[0].n).toBe(8);
  await page.getByRole('button', { name: 'In words' }).click();
  await expect(page.getByText(/^table rock, /)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the map' }).click();

  await page.getByRole('button', { name: 'What the map shows and can do' }).click();
  await page.getByRole('button', { name: 'Save this water to a file' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Places, GPX' }).click();
  const saved = await (await (await download).createReadStream()).toArray();
  const text = Buffer.concat(saved as Buffer[]).toString();
  expect(text).toContain('table rock');
  expect(text.match(/<wpt /g)).toHaveLength(420 + 4);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
});
