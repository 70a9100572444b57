import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { ownWater } from './own';
import { drillOnce, fishIs, startOuting, test } from './stack';

const textOf = (page: Page) => page.evaluate(() => document.body.innerText);

/** Nothing made up, and nothing that nobody measured called measured. */
async function expectHonest(page: Page, where: string): Promise<void> {
  const text = await textOf(page);
  expect([where, text.match(/[^\n]*(simulated|modelled|as modelled)[^\n]*/gi)]).toEqual([where, null]);
  const measured = (text.match(/[^\n.]*measured[^\n.]*/gi) ?? []).filter((line) => !/not measured|nobody measured/i.test(line));
  expect([where, measured]).toEqual([where, []]);
}

async function saved(page: Page, button: string): Promise<string> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFileSync(await (await download).path(), 'utf8');
}

test('a new user with a water of one’s own: nothing measured is called measured, and nothing is simulated', async ({ page, stack }) => {
  await ownWater(page, stack.url, 'Bo');

  await test.step('Outlook says that there is no weather and that the ice is not measured', async () => {
    await page.getByRole('link', { name: 'Outlook' }).click();
    await expect(page.getByRole('heading', { name: 'No weather yet' })).toBeVisible();
    await expect(page.getByRole('note')).toContainText('Ice not measured');
    await expectHonest(page, 'outlook');
  });

  await test.step('a hole is drilled with nothing measured', async () => {
    await page.getByRole('button', { name: 'To the map' }).click();
    await startOuting(page, 'on the ice', 'Black crappie');
    await expect(page.getByText(/Without weather, places are scored by the date/)).toBeVisible();
    await expectHonest(page, 'water');
    await page.getByRole('button', { name: 'I am at the ring' }).click();
    await expect(page.getByText('not sounded', { exact: true })).toBeVisible();
    await expect(page.getByText('Ice not measured here', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Hole is drilled' }).click();
  });

  await test.step('the hole opens on the quick reading, and no fish are shown', async () => {
    await expect(page.getByText('Hole 1, crappie, read your flasher by eye')).toBeVisible();
    await expect(page.getByRole('slider', { name: 'Bottom' })).toHaveAttribute('aria-valuetext', 'not set');
    await expectHonest(page, 'hole');
    for (const [what, share] of [
      ['Bottom', 0.85],
      ['Jig', 0.55],
      ['Top mark', 0.65],
    ] as const) {
      const box = (await page.getByRole('slider', { name: what }).boundingBox())!;
      await page.mouse.click(box.x + box.width / 2, box.y + box.height * share);
    }
    await page.getByRole('button', { name: 'Reading: the mark came up' }).click();
    await expect(page.getByText(/^Hole 1, crappie, read by eye, just now/)).toBeVisible();
    await expect(page.getByText(/^Line down: /)).toBeVisible();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Crappie');
    await page.getByRole('button', { name: 'Released' }).click();
    await expect(page.getByText(/released$/).first()).toBeVisible();
    await expectHonest(page, 'hole with a reading');
  });

  await test.step('without a signal nothing is simulated either', async () => {
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Looked', exact: true }).click();
    await expect(page.getByText(/^\d+ unsent$/)).toBeVisible();
    await page.waitForTimeout(4000);
    await expectHonest(page, 'hole without a signal');
    await page.context().setOffline(false);
    await expect(page.getByText(/unsent/)).toHaveCount(0, { timeout: 30_000 });
  });

  await test.step('neither do the exports', async () => {
    await page.getByRole('link', { name: 'Leave the hole for the map' }).click();
    await page.getByRole('button', { name: 'What the map shows and can do' }).click();
    await page.getByRole('button', { name: 'Save this water to a file' }).click();
    const water = await saved(page, 'All of it, GeoJSON');
    const hole = JSON.parse(water).features.find((f: { properties: { role: string } }) => f.properties.role === 'hole');
    expect(hole.properties).not.toHaveProperty('depth_m');
    await page.goto(`${stack.url}/season`);
    await expectHonest(page, 'season');
    const ledger = (await saved(page, 'Ledger (NDJSON)'))
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    const kinds = ledger.map((e) => e.kind);
    expect(kinds).not.toContain('ice-measured');
    expect(kinds).not.toContain('depth-sounded');
    expect(ledger.find((e) => e.kind === 'outing-started').body.plan ?? []).toEqual([]);
    expect(ledger.find((e) => e.kind === 'fish-landed').body).not.toHaveProperty('lengthMm');
    expect(await saved(page, 'Catches (CSV)')).toMatch(/\n[^\n]*,Little Hollow,1,[-\d.]+,[\d.]+,black-crappie,,,/);
    await page.goto(stack.url);
    await expect(page.getByRole('note')).toContainText('Ice not measured');
    await expectHonest(page, 'outlook after the hole');
    await page.goto(`${stack.url}/gear`);
    await page.getByRole('heading', { name: 'Tackle box' }).waitFor();
    await expectHonest(page, 'gear');
  });
});

/** Ten cold, quiet days up to now, hour by hour, as another hand would keep them: no snow depth, a gap in the wind. */
function tenDays(nowMs: number): string {
  const rows = ['time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm'];
  const firstMs = Math.floor(nowMs / 3_600_000) * 3_600_000 - 240 * 3_600_000;
  for (let h = 0; h <= 240; h++) {
    const air = -9 + 3 * Math.sin((h / 24) * 2 * Math.PI);
    rows.push(`${new Date(firstMs + h * 3_600_000).toISOString()},${air.toFixed(1)},${(1021 + 2 * Math.sin(h / 30)).toFixed(1)},${h > 100 && h < 103 ? ',' : '2.5,300'},0.3,0,`);
  }
  return rows.join('\n');
}

test('weather from a file: what is wrong is said, what is read is looked at first, and it can be forgotten', async ({ page, stack }) => {
  await ownWater(page, stack.url, 'Cy');
  await page.getByRole('link', { name: 'Outlook' }).click();
  const bring = async (label: string, name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: label }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  };
  await bring('Bring weather from a file', 'notes.txt', 'It was cold.');
  await expect(page.getByText('notes.txt: line 1: expected a CSV whose header begins with time, or METAR reports')).toBeVisible();
  await bring('Choose another file', 'ten-days.csv', tenDays(Date.now()));
  await expect(page.getByText(new RegExp(`^ten-days\\.csv: 241 rows, \\w+ \\d+ \\w+ (${new Date().getUTCFullYear()}|${new Date().getUTCFullYear() - 1}) `))).toBeVisible();
  await expect(page.getByText('Without snow depth.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'No forecast to judge hours by' })).toBeVisible({ timeout: 40_000 });
  await expect(page.getByText(/^The weather known here ends at \d\d:\d\d: hours after it are not judged, nor is wind or snow foreseen/)).toBeVisible();
  await expect(page.getByText(/^ten-days\.csv: brought by you, last row/)).toBeVisible();
  expect(await textOf(page)).not.toMatch(/simulated/i);

  await bring('Bring weather from a file', 'field.metar', `ABCD ${new Date().toISOString().slice(8, 10)}0000Z 3001OKT 10SM SKC M06/M09 Q1022`);
  await expect(page.getByText(/they are taken to begin in \d{4}-\d\d/)).toBeVisible();
  await expect(page.getByText(/line 1: 3001OKT: expected wind/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  // Of two stations one is asked for; what is of another winter says so, with its year.
  const now = new Date();
  const day = now.toISOString().slice(8, 10);
  await bring('Bring weather from a file', 'two.metar', `ABCD ${day}0000Z 30010KT 10SM SKC M06/M09 Q1022\nWXYZ ${day}0000Z 31010KT 10SM SKC M03/M09 Q1021`);
  await expect(page.getByText(/expected the reports of one station, found those of ABCD \(1\), WXYZ \(1\)/)).toBeVisible();
  await page.getByRole('radio', { name: 'WXYZ, 1 report' }).click();
  await expect(page.getByText(/^two\.metar, WXYZ: 1 row, /)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await bring(
    'Bring weather from a file',
    'old.csv',
    'time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm\n2019-01-16T06:00-09:00,-9,,,,,,\n2019-01-16T07:00-09:00,-8,,,,,,\n',
  );
  await expect(page.getByText(/^old\.csv: 2 rows, Wed 16 Jan 2019 /)).toBeVisible();
  await expect(page.getByText(/^None of it is of this winter/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Forget the weather you brought' }).click();
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.getByRole('heading', { name: 'No weather yet' })).toBeVisible();
});

test('a friend’s ledger is asked about, marked, and taken out again', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = (n: number) => `0198c0de-1111-7000-8000-${String(n).padStart(12, '0')}`;
  const at = (minute: number) => `2027-01-09T09:${String(minute).padStart(2, '0')}:00.000-09:00`;
  const event = (n: number, kind: string, body: object) => JSON.stringify({ id: id(n), outing: id(1), angler: 'a friend', device: 'd', at: at(n), kind, v: 1, body });
  const text = [
    event(2, 'outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['walleye'], goal: 'numbers', method: 'ice' }),
    event(3, 'hole-drilled', { hole: id(50), label: '1', at: [-140, 47] }),
    event(4, 'fish-landed', { fish: id(60), hole: id(50), species: 'walleye' }),
    event(5, 'outing-ended', {}),
  ].join('\n');
  await page.goto(`${stack.url}/season`);
  const header = page.getByText(/^This winter: \d+ outings/);
  const before = await header.innerText();
  const bring = async () => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Bring a ledger in' }).click();
    await (await chooser).setFiles({ name: 'friend.ndjson', mimeType: 'application/x-ndjson', buffer: Buffer.from(text) });
  };
  await bring();
  await expect(page.getByText(/written by another account/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  expect(await header.innerText()).toBe(before);
  await bring();
  await page.getByRole('button', { name: 'Take in 4 new entries' }).click();
  await expect(header).not.toHaveText(before);
  await page.getByRole('button', { name: 'Take out friend.ndjson' }).click();
  await expect(header).toHaveText(before);
  await expect.poll(async () => (await stack.query(`SELECT count(*)::int AS n FROM outing WHERE id = '${id(1)}'`))[0].n, { timeout: 20_000 }).toBe(0);
});

test('the river and the drain of the demo get no walk over ice, and only their own fish', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [water, fish, others] of [
    ['Ullen River, Kilnfoot pool, river', ['Largemouth', 'Smallmouth'], 2],
    ['Marrow Drain, channel', ['Roach', 'Perch'], 2],
  ] as const) {
    await page.goto(`${stack.url}/gear`);
    await page.getByRole('radio', { name: water }).click();
    await page.getByRole('link', { name: 'Outlook' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Be over them|^No good hours/);
    const choices = page.getByRole('radiogroup', { name: 'Fish', exact: true }).getByRole('radio');
    await expect(choices).toHaveCount(others);
    for (const name of fish) await expect(choices.filter({ hasText: name })).toHaveCount(1);
    const text = await textOf(page);
    expect(text).not.toMatch(/testing the ice|Drill \d+ holes|Off the ice|On foot|Ice measured/);
    expect(text).toMatch(/Moving water: keep off any ice on it/);
    await expect(page.getByText(/^Simulated weather/)).toBeVisible();
  }
});

test('a water is renamed, gets soundings whose unit is checked against what is known, is copied, deleted and brought back', async ({ page, stack }) => {
  await ownWater(page, stack.url, 'Di');
  const open = async (name: string) => page.getByRole('button', { name: `Change ${name}` }).click();
  await open('Little Hollow');
  await page.getByRole('textbox', { name: 'Name of the water' }).fill('Great Hollow');
  await page.getByRole('button', { name: 'Save name and kind' }).click();
  await expect(page.getByText('Great Hollow is changed.')).toBeVisible();

  await open('Great Hollow');
  const rows = ['lon,lat,depth'];
  for (let x = -100; x <= 100; x += 25) rows.push(`${-121.5 + x / 75_000},${44 + 12 / 111_195},${((60 - (x * x + 288) / 400) / 10 / 0.3048).toFixed(1)}`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add soundings from a file' }).click();
  await (await chooser).setFiles({ name: 'line.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n').replace('depth', 'depth_m')) });
  await expect(page.getByText('9 soundings in line.csv')).toBeVisible();
  await expect(page.getByText(/^In feet they would be .* off the known map$/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('radio', { name: 'Feet', exact: true }).click();
  await expect(page.getByText(/9 of them lie on the known map and are 0(\.5)? ft off it at the middle/)).toBeVisible();
  await page.getByRole('button', { name: 'Add them to Great Hollow' }).click();
  await expect(page.getByText('9 soundings from line.csv added to Great Hollow.')).toBeVisible();

  await open('Great Hollow');
  await expect(page.getByText(/^43 in its file, with its shore and 1 island/)).toBeVisible();
  await page.getByRole('button', { name: 'Make a copy' }).click();
  await expect(page.getByText('Great Hollow, copy is here and in use.')).toBeVisible();
  await open('Great Hollow, copy');
  await page.getByRole('button', { name: 'Delete it' }).click();
  await page.getByRole('button', { name: 'Yes, delete it' }).click();
  await expect(page.getByText(/^Great Hollow, copy is deleted/)).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Great Hollow, copy, lake' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring Great Hollow, copy back' }).click();
  await expect(page.getByRole('radio', { name: 'Great Hollow, copy, lake' })).toBeVisible();
});

test('a flasher by its address and a recorded log: each says what it is, and nothing stands in for one that is silent', async ({ demo: page, stack }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await drillOnce(page, stack.url);
  const choose = async (kind: string) => {
    await page.getByRole('link', { name: 'Gear' }).click();
    await page.getByRole('radio', { name: kind }).click();
  };
  const back = async () => {
    await page.getByRole('link', { name: 'Hole' }).click();
  };
  // The demo's own stand-in, heard as a device would be: it says itself that it is simulated.
  await choose('A stream by address');
  await expect(page.getByText('Without an address, the flasher of this server is listened to, if it has one.')).toBeVisible();
  await back();
  await expect(page.getByText('This flasher says that it is simulated: these fish are in no water')).toBeVisible();
  await page.getByRole('button', { name: 'More' }).click();
  const log = await saved(page, 'Keep as echo log');
  expect(log.split('\n').length).toBeGreaterThan(5);

  await choose('A stream by address');
  await page.getByRole('textbox', { name: /^Address/ }).fill('http://127.0.0.1:9/stream');
  await page.getByRole('button', { name: 'Listen to it' }).click();
  await back();
  await expect(page.getByText(/^The flasher at http:\/\/127\.0\.0\.1:9\/stream does not answer|^No ping from the flasher for/).first()).toBeVisible();
  await expect(page.getByText(/simulated/)).toHaveCount(0);

  const chooser = page.waitForEvent('filechooser');
  await choose('A recorded log');
  await (await chooser).setFiles({ name: 'morning.echo.ndjson', mimeType: 'application/x-ndjson', buffer: Buffer.from(log) });
  await expect(page.getByText('Plays morning.echo.ndjson. Choose it again for another.')).toBeVisible();
  await back();
  await expect(page.getByText('A recorded log is playing: it is not this hole')).toBeVisible();

  await choose('None: read by eye');
  await back();
  await expect(page.getByText(/, read your flasher by eye$/)).toBeVisible();
});
