import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { dragJig, fishIs, jigDepth, test } from './stack';

test.use({ serviceWorkers: 'allow' });

test('an angler’s morning: outlook, map, hole, no signal, season, practice, gear', async ({ demo: page, stack, context }) => {
  const [{ before }] = await stack.query('SELECT count(*)::int AS before FROM event');

  await test.step('Outlook answers when to go, and why', async () => {
    await expect(page.getByText(/Crappie feed best .* cold front comes at 1[789]:\d\d/)).toBeVisible();
    await expect(page.getByText(/Feels like .* coldest/)).toBeVisible();
    await expect(page.getByRole('note')).toContainText('No ice is safe ice');
    await page.getByRole('button', { name: /cold front/ }).click();
    await expect(page.getByText('pressure trough')).toBeVisible();
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('radio', { name: 'Perch', exact: true }).click();
    await expect(page.getByText(/^Perch feed best/)).toBeVisible();
    await page.getByRole('radio', { name: 'Crappie', exact: true }).click();
  });

  await test.step('Outlook models the water by depth, plans the day and takes what the angler sees', async () => {
    await expect(page.getByRole('heading', { name: /^Warmest at the bottom, breathable to \d+/ })).toBeVisible({ timeout: 40_000 });
    await expect(page.getByText(/^Crappie, midwinter: \d+(\.5)? to \d+(\.5)? ft/)).toBeVisible();
    await expect(page.getByText(/corrected by your \d+ thermometer readings and \d+ ice readings/)).toBeVisible();
    await expect(page.getByRole('figure', { name: /^Modelled column\. 8 ft: 3\d °F/ })).toBeVisible();
    await page.getByRole('button', { name: 'In figures' }).click();
    await expect(page.getByRole('cell', { name: '24 ft' })).toBeVisible();
    await page.getByRole('radio', { name: 'With a truck' }).click();
    await expect(page.getByText(/Not enough ice/)).toBeVisible();
    await page.getByRole('radio', { name: 'On foot' }).click();
    await page.getByRole('button', { name: /^Change Drill 6 holes/ }).click();
    const planned = page.getByRole('button', { name: /^Done with Drill 6 holes/ });
    await page.getByRole('button', { name: '15 min later' }).click();
    await planned.click();
    await expect(page.getByRole('button', { name: 'Back to the plan as computed' })).toBeVisible();
    await page.getByRole('button', { name: 'Log what I see' }).click();
    await page.getByRole('radio', { name: 'Overcast' }).click();
    await page.getByRole('button', { name: 'Log this weather' }).click();
    await expect(page.getByText('Weather logged')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await stack.query("SELECT count(*)::int AS n FROM event WHERE kind IN ('weather-seen', 'undone')"))[0].n).toBe(2);
    await page.getByRole('button', { name: /^Why / }).first().click();
    await page.getByRole('radio', { name: 'The light' }).click();
    await page.getByRole('radio', { name: 'Both' }).click();
    await page.getByRole('button', { name: 'All rules, and what your log says' }).click();
    await expect(page.getByText(/^Your log: \d+ bites in [\d.]+ h of line/).first()).toBeVisible();
    await expect(page.getByText(/^Held by most; schools differ/).first()).toBeVisible();
    await page.getByRole('link', { name: 'Outlook' }).click();
    await expect(page.getByText(/^Froze over about \d+ Nov|^Froze over about \w+ 2\d Nov/)).toBeVisible({ timeout: 40_000 });
  });

  await test.step('Water shows the bed, starts an outing and drills where tapped', async () => {
    await page.getByRole('link', { name: 'Water' }).click();
    await expect(page.getByRole('heading', { name: /^Start in [\d.]+ ft/ })).toBeVisible();
    await page.getByRole('button', { name: 'Start outing', exact: true }).click();
    const map = page.getByRole('application');
    const box = (await map.boundingBox())!;
    await map.click({ position: { x: box.width * 0.62, y: box.height * 0.52 } });
    await expect(page.getByText('The place you tapped.')).toBeVisible();
    await expect(page.getByText(/^Expect \d+(\.5)? ft ±/)).toBeVisible();
    await page.getByRole('button', { name: 'Drill here' }).click();
    await expect(page.getByText('Ice not measured here', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'More Clear ice' }).click();
    await expect(page.getByText('Counts as 0.5 in: not enough')).toBeVisible();
    for (let k = 0; k < 3; k++) await page.getByRole('button', { name: /^Add 2 in to Clear ice/ }).click();
    await expect(page.getByText(/^Counts as .* here$/)).toBeVisible();
    await page.getByRole('button', { name: 'More Depth by flasher or line' }).click();
    await page.getByRole('button', { name: 'Hole is drilled' }).click();
  });

  await test.step('Hole reads the live flasher, advises, and logs', async () => {
    await expect(page.getByText('flasher simulated, live')).toBeVisible();
    await page.getByRole('button', { name: /^Line down/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/ ft$|strike/, { timeout: 30_000 });
    await expect(page.getByRole('button', { name: /^Stay \d+ minutes, until/ })).toBeVisible();
    const sent = page.waitForRequest((r) => r.url().endsWith('/api/flasher/line') && r.method() === 'POST');
    const before = await jigDepth(page);
    await dragJig(page, 0.15);
    expect((await sent).postDataJSON().depthM).toBeLessThan(before * 0.3048);
    await expect.poll(() => jigDepth(page)).toBeLessThan(before);
    await page.getByRole('button', { name: 'Looked', exact: true }).click();
    await page.getByRole('button', { name: 'Refused', exact: true }).click();
    await expect(page.getByText('Refused logged')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await page.getByRole('button', { name: 'Bite', exact: true }).click();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await fishIs(page, 'Crappie');
    await expect(page.getByText('Not measured', { exact: true })).toBeVisible();
    await page.getByRole('slider', { name: 'Length' }).press('ArrowRight');
    await expect(page.getByText(/^About \d+ oz/)).toBeVisible();
    await page.getByRole('button', { name: 'Released' }).click();
    await expect.poll(async () => (await stack.query('SELECT count(*)::int AS n FROM fish f JOIN outing o ON o.id = f.outing WHERE o.ended_at IS NULL'))[0].n).toBe(1);
  });

  await test.step('the network goes: the hole goes on, everything is kept', async () => {
    await page.evaluate(() => navigator.serviceWorker.ready);
    // What the server has, but the phone does not know yet, would count as unsent.
    await expect(page.getByText(/\d+ unsent/)).toHaveCount(0);
    await stack.killServer();
    await context.setOffline(true);
    await expect(page.getByText('no signal: simulated on this phone')).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/ ft$|strike/);
    await page.getByRole('button', { name: 'Looked', exact: true }).click();
    await page.getByRole('button', { name: 'Bite', exact: true }).click();
    await page.getByRole('button', { name: 'Fish', exact: true }).click();
    await page.getByRole('radio', { name: 'Perch', exact: true }).click();
    await page.getByRole('button', { name: 'Kept', exact: true }).click();
    await expect(page.getByText('4 unsent')).toBeVisible();
    await page.reload();
    await expect(page.getByText('4 unsent')).toBeVisible();
    await expect(page.getByText('no signal: simulated on this phone')).toBeVisible();
    await page.getByRole('button', { name: /^Stay \d+ minutes|^Move on/ }).click();
    await expect(page.getByText(/^Planned next, \d\d:\d\d: /)).toBeVisible();
    await page.keyboard.press('Escape');
    const depth = await jigDepth(page);
    await dragJig(page, 0.2);
    await expect(page.getByText('5 unsent')).toBeVisible();
    await expect.poll(() => jigDepth(page)).not.toBe(depth);
  });

  await test.step('the network returns: all of it is in PostgreSQL exactly once', async () => {
    await context.setOffline(false);
    await stack.startServer();
    await expect(page.getByText(/unsent/)).toHaveCount(0, { timeout: 40_000 });
    await expect(page.getByText('flasher simulated, live')).toBeVisible({ timeout: 40_000 });
    const kinds = await stack.query('SELECT e.kind, count(*)::int AS n FROM event e JOIN outing o ON o.id = e.outing WHERE o.ended_at IS NULL GROUP BY 1 ORDER BY 1');
    expect(Object.fromEntries(kinds.map((k) => [k.kind, k.n]))).toEqual({
      'outing-started': 1,
      'station-opened': 1,
      'ice-measured': 1,
      'depth-sounded': 1,
      'line-down': 1,
      'depth-set': 2,
      reaction: 5,
      undone: 1,
      'fish-landed': 2,
      'fish-released': 1,
      'fish-kept': 1,
    });
    const [{ doubled }] = await stack.query('SELECT count(*)::int AS doubled FROM (SELECT id FROM event GROUP BY id HAVING count(*) > 1) d');
    expect(doubled).toBe(0);
  });

  await test.step('Season counts it, gives it back and takes it in without doubles', async () => {
    await page.getByRole('link', { name: 'Leave the hole for the map' }).click();
    await page.getByRole('link', { name: 'Season' }).click();
    await expect(page.getByRole('heading', { name: /^\d+ fish on \d+ outings$/ })).toBeVisible();
    await page.getByRole('button', { name: /^On the ice: \d+ fish$/ }).click();
    await expect(page.getByText(/28 outings, \d+ h of line/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Height above bottom' })).toBeVisible();
    await expect(page.getByText(/not enough yet/).first()).toBeVisible();
    await expect(page.getByText(/still out: 1 (crappie|perch), 1 (crappie|perch)/)).toBeVisible();
    const ledger = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Ledger (NDJSON)' }).click();
    const ledgerFile = await (await ledger).path();
    const lines = readFileSync(ledgerFile, 'utf8').trim().split('\n');
    const [{ now }] = await stack.query('SELECT count(*)::int AS now FROM event');
    expect(lines).toHaveLength(now as number);
    expect(now as number).toBe((before as number) + 19);
    const catches = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Catches (CSV)' }).click();
    expect(readFileSync(await (await catches).path(), 'utf8')).toMatch(/yellow-perch,,,.*kept/);
    for (const [text, says] of [
      [lines.join('\n'), /^0 new entries .* were here already/],
      [lines[0].slice(0, 30), /line 1: expected a JSON object.*Nothing was taken in/],
    ] as const) {
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: 'Bring a ledger in' }).click();
      await (await chooser).setFiles({ name: 'ledger.ndjson', mimeType: 'application/x-ndjson', buffer: Buffer.from(text) });
      await expect(page.getByText(says)).toBeVisible();
    }
  });

  await test.step('Practice answers to the jig on this phone', async () => {
    await page.getByRole('link', { name: 'Practice' }).click();
    await expect(page.getByRole('heading', { name: 'Read it yourself' })).toBeVisible();
    await page.getByRole('slider', { name: 'Jig depth' }).waitFor();
    const depth = await jigDepth(page);
    await dragJig(page, 0.8);
    await expect.poll(() => jigDepth(page)).not.toBe(depth);
    await page.getByRole('button', { name: 'Show the coach' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/ ft$|strike/);
    await page.getByRole('radio', { name: 'Empty water' }).click();
    await page.getByRole('button', { name: 'Strike' }).click();
    await expect(page.getByText('Nothing held the jig. Wait for the tip.')).toBeVisible();
  });

  await test.step('Gear switches units and light, and keeps the tackle box', async () => {
    await page.getByRole('link', { name: 'Gear' }).click();
    await page.getByRole('button', { name: 'Add a piece' }).click();
    await page.getByRole('textbox', { name: 'What you call it' }).fill('Small spoon, one point tipped');
    await expect(page.getByText('Expected a name that is not in the box yet.')).toBeVisible();
    await page.getByRole('textbox', { name: 'What you call it' }).fill('Blade bait');
    await page.getByRole('radio', { name: 'Blade', exact: true }).click();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Blade bait', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Take out Blade bait' }).click();
    await page.getByRole('button', { name: 'Put back Blade bait' }).click();
    await expect(page.getByText('Blade bait', { exact: true })).toBeVisible();
    await page.getByRole('radio', { name: 'Metres, °C, cm, grams' }).click();
    await page.getByRole('radio', { name: 'Dusk' }).click();
    await expect.poll(() => page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(11, 22, 27)');
    await page.getByRole('link', { name: 'Water' }).click();
    await expect(page.getByText(/^Expect [\d.]+ m ±/)).toBeVisible();
    await page.getByRole('button', { name: 'End outing' }).click();
    await expect(page.getByText(/^Tamber Lake, Sat 16 Jan, \d\d:\d\d to \d\d:\d\d$/)).toBeVisible();
    await expect(page.getByRole('img', { name: /^The day place by place: 1 from/ })).toBeVisible();
    // A slip of the thumb is taken back.
    await page.getByRole('button', { name: 'The outing is not over: go on with it' }).click();
    await expect(page.getByRole('button', { name: 'I am at the ring' })).toBeVisible();
    await page.getByRole('button', { name: 'End outing' }).click();
    await page.getByRole('link', { name: 'Water' }).click();
    await expect(page.getByRole('button', { name: 'Start outing', exact: true })).toBeVisible();
    await expect.poll(async () => (await stack.query('SELECT count(*)::int AS n FROM outing WHERE ended_at IS NULL'))[0].n).toBe(0);
  });
});
