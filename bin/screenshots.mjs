import { chromium } from '@playwright/test';
import { chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromiumLaunch } from './chromium.mjs';
import { freePort } from './cluster.mjs';
import { shiftedOuting } from './shifted-outing.mjs';
import { root, startStack } from './stack.mjs';

const folder = path.join(root, 'docs/screenshots');
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };
const noonOf = '2027-01-16T12:26:00-09:00';

mkdirSync(folder, { recursive: true });
const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-shots-'));
chmodSync(dataDir, 0o711);
const stack = await startStack({ dataDir, port: await freePort(), say: (text) => process.stdout.write(`· ${text}\n`) });
const browser = await chromium.launch(chromiumLaunch);
const context = await browser.newContext({ viewport: phone });
const page = await context.newPage();

// What is asked once is answered by the first that is offered.
const fishAsked = page.getByRole('dialog', { name: 'What do you fish for?' });
await page.addLocatorHandler(fishAsked, () => fishAsked.getByRole('listitem').getByRole('button').first().click());
const baitAsked = page.getByRole('dialog', { name: 'What is on the line?' });
await page.addLocatorHandler(baitAsked, () =>
  baitAsked
    .getByRole('button', { name: /spoon|jig|Tungsten/i })
    .first()
    .click(),
);

const shot = async (name) => {
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  process.stdout.write(`· ${name}.png\n`);
};
const theme = (name) =>
  page.evaluate((t) => localStorage.setItem('burrow.preferences', JSON.stringify({ ...JSON.parse(localStorage.getItem('burrow.preferences') ?? '{}'), theme: t })), name);
/** Starts an outing in a way of fishing, by its own key or out of all of them. */
const startBy = async (way) => {
  const [direct, choose] = [`Start outing: ${way}`, 'Another way'].map((name) => page.getByRole('button', { name, exact: true }));
  await choose.or(direct).first().waitFor();
  if (!(await direct.isVisible())) await choose.click();
  await direct.last().click();
};
const go = async (place, size, ready) => {
  await page.setViewportSize(size);
  await page.goto(stack.url + place);
  await ready.waitFor();
  await page.waitForTimeout(900);
};
const outlook = page.getByRole('figure', { name: /^Modelled column/ });
const water = page.getByText(/^Expect/);
const shaft = page.getByRole('slider', { name: 'Jig depth' });
const season = page.getByRole('heading', { name: 'By way of fishing' });
/** Some casts by the advice, each seen before the next. */
const castsMade = async (count) => {
  await page.getByRole('heading', { level: 1, name: /^Cast (by|along|through)/ }).waitFor({ timeout: 60_000 });
  for (let k = 0; k < count; k++) {
    await page.getByRole('button', { name: /^Cast/ }).click();
    await page.waitForTimeout(2500);
  }
};
/** Waits until fish hang there for a while, so that the picture shows the work and their wakes. */
const fishNear = async () => {
  const marks = page.getByRole('figure', { name: /[1-9] marks?, highest/ });
  for (let tries = 0; tries < 40; tries++) {
    await marks.waitFor({ timeout: 420_000 });
    await page.waitForTimeout(7000);
    if (await marks.isVisible()) return;
  }
  throw new Error('no fish stayed long enough for a picture');
};

try {
  await page.goto(stack.url);
  await page.getByRole('button', { name: 'Enter the demo' }).click();
  await page.getByRole('heading', { name: /^Be over them/ }).waitFor();
  await theme('day');
  await go('/', phone, outlook);
  await shot('outlook-phone');
  await go('/', wide, outlook);
  await shot('outlook-wide');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await page.getByRole('radio', { name: /^Ullen River/ }).click();
  await go('/water', phone, page.getByRole('heading', { name: /^Begin at/ }));
  await page.waitForTimeout(1500);
  await shot('water-river');
  await startBy('casting');
  await page.getByRole('heading', { name: /^Stand \d+ yd/ }).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  await castsMade(3);
  await page.getByRole('button', { name: 'Felt rock' }).click();
  await page.getByText(/^Rock about/).waitFor({ state: 'detached' });
  await page.getByRole('button', { name: /^Cast/ }).click();
  await page
    .getByText(/^Cast \d+°$/)
    .last()
    .waitFor();
  await page.waitForTimeout(9000);
  await shot('cast-phone');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await page.getByRole('radio', { name: /^Verrin Reservoir/ }).click();
  await go('/', wide, page.getByRole('radio', { name: 'Smallmouth' }));
  await page.getByRole('radio', { name: 'Smallmouth' }).click();
  await page.getByRole('radio', { name: 'Kayak' }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await startBy('casting');
  await page.getByRole('heading', { name: /^Cast to/ }).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'I stand here' }).click();
  await castsMade(4);
  await page.getByRole('button', { name: /^Bite/ }).click();
  await page.getByText('Bite logged').waitFor({ state: 'detached' });
  await shot('cast-wide');
  await go('/gear', phone, page.getByRole('heading', { name: 'Tackle box' }));
  await page.getByRole('radio', { name: /^Tamber Lake/ }).click();
  await go('/', phone, page.getByRole('radio', { name: 'Crappie', exact: true }));
  await page.getByRole('radio', { name: 'Crappie', exact: true }).click();
  await go('/water', phone, water);
  await page.waitForTimeout(1500);
  await shot('water-phone');
  await page.getByRole('button', { name: 'Plan holes' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Lay out the holes' }).click();
  await page.getByRole('heading', { name: /^Eight holes/ }).waitFor();
  await page.getByRole('button', { name: 'What the map shows and can do' }).click();
  await page.getByRole('radio', { name: 'Fish expected' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.waitForTimeout(1500);
  await page.getByRole('button', { name: 'Start outing', exact: true }).click();
  await page.getByRole('button', { name: 'I am at the ring' }).click();
  await page.getByRole('button', { name: 'Hole is drilled' }).click();
  await page.getByRole('button', { name: /^Line down/ }).click();
  await fishNear();
  await page.getByText(/^Line down: /).waitFor({ state: 'detached' });
  await shot('hole-phone-day');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: /^Quick reading/ }).click();
  const picture = await page.getByRole('slider', { name: 'Top mark' }).boundingBox();
  await page.mouse.click(picture.x + picture.width / 2, picture.y + 0.75 * picture.height);
  for (const did of ['Reading: the mark hung', 'Reading: the mark came up']) {
    await page.getByRole('button', { name: did }).click();
    await page.waitForTimeout(9000);
    for (let k = 0; k < 2; k++) await page.getByRole('button', { name: /^Top mark up by/ }).click();
  }
  await page.getByRole('button', { name: 'Reading: the mark came up' }).click();
  await page.getByText(/logged$/).waitFor({ state: 'detached' });
  await shot('hole-quick-reading');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Back to the picture' }).click();
  await page.getByRole('button', { name: 'Looked', exact: true }).click();
  await theme('dusk');
  await go('/hole', phone, shaft);
  await fishNear();
  await shot('hole-phone-dusk');
  await theme('day');
  await page.reload();
  await shaft.waitFor();
  await page.getByRole('button', { name: 'Fish', exact: true }).click();
  await page.getByRole('dialog').getByRole('radio', { name: 'Crappie', exact: true }).click();
  await page.getByRole('slider', { name: 'Length' }).waitFor();
  await page.waitForTimeout(600);
  await page.getByRole('button', { name: 'Which fish is it?' }).click();
  await page.getByRole('radio', { name: '7 or 8' }).click();
  await page.getByRole('button', { name: /: take it$/ }).click();
  await page.getByRole('button', { name: 'Released' }).click();
  await go('/hole', wide, shaft);
  await fishNear();
  await shot('hole-wide');
  await go('/season', phone, season);
  await page.getByRole('button', { name: /^On the ice: / }).click();
  const learned = page.getByRole('heading', { name: /times the bites$/ });
  await learned.waitFor({ timeout: 60_000 });
  await learned.evaluate((heading) => heading.scrollIntoView({ block: 'start' }));
  await shot('season-phone');
  await go('/season', wide, season);
  await page.getByRole('button', { name: /^On the ice: / }).click();
  await learned.waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await shot('season-wide');
  await go('/season', phone, season);
  await page.getByRole('link', { name: /^Open the outing of Wed 13 Jan/ }).click();
  await page.getByText('All that was logged').waitFor();
  await page.waitForTimeout(2500);
  await shot('outing-phone');
  await go('/practice', phone, shaft);
  await page.waitForTimeout(12_000);
  await page.getByRole('button', { name: 'Show the coach' }).click();
  await fishNear();
  await shot('practice-phone');
  await go('/tie-on', phone, page.getByRole('img', { name: /^Fall to / }));
  await page.getByRole('button', { name: 'Rig cards' }).click();
  await page.getByRole('radio', { name: 'Sliding float' }).click();
  await page.waitForTimeout(600);
  await shot('gear-rig');
} finally {
  await context.close();
  await stack.stop();
  rmSync(dataDir, { recursive: true, force: true });
}
try {
  await noon('pole', 'marrow-drain', 3, (form) => `peg-${form}`);
  await noon('troll', 'verrin-reservoir', 3.05, (form) => (form === 'phone' ? 'pass-phone' : null));
  await crewAtNoon();
} finally {
  await browser.close();
}

/** A stack of its own whose clock stands at noon of the same day, with a page; `work` is given both. */
async function atNoon(work) {
  const folderAt = mkdtempSync(path.join(os.tmpdir(), 'burrow-shots-'));
  chmodSync(folderAt, 0o711);
  const later = await startStack({ dataDir: folderAt, port: await freePort(), start: noonOf });
  const view = await (await browser.newContext({ viewport: phone })).newPage();
  try {
    await view.goto(later.url);
    await view.getByRole('button', { name: 'Enter the demo' }).click();
    await view.getByRole('link', { name: 'Season' }).waitFor();
    await work(later, view);
  } finally {
    await view.close();
    await later.stop();
    rmSync(folderAt, { recursive: true, force: true });
  }
}

/** Puts hours of an outing of the season into the log of whoever is signed in there. */
async function fished(request, url, events) {
  const { account } = await (await request.get(`${url}/api/session`)).json();
  const data = { device: 'demo-phone', cursor: 0, events: events.map((e) => ({ ...e, angler: account.id })) };
  const sent = await request.post(`${url}/api/ledger/sync`, { data });
  if ((await sent.json()).rejected.length > 0) throw new Error('the server would not have an outing of the season');
}

/** Three anglers with a morning behind them, two on one bait and one on another, each with an account of his own. */
async function crewAtNoon() {
  await atNoon(async (later, view) => {
    const morning = () => shiftedOuting('ice', 'tamber-lake', 3.4, Date.parse(noonOf));
    const own = morning();
    await fished(view.request, later.url, own);
    const { code } = await (await view.request.post(`${later.url}/api/crews`, { data: { outing: own[0].outing, name: 'Oda' } })).json();
    for (const [k, name] of ['Brek', 'Ilun'].entries()) {
      const partner = await browser.newContext();
      const data = { email: `${name.toLowerCase()}@crew.invalid`, password: 'cold enough to stand on', name };
      await partner.request.post(`${later.url}/api/account`, { data });
      // Of what took the one bait these took a part.
      const events = morning().filter(
        (e, i) => !['reaction', 'fish-landed', 'fish-kept', 'fish-released', 'undone', 'amended'].includes(e.kind) || (e.kind === 'reaction' && (i + k) % 3 === 0),
      );
      const tied = events.map((e) => (e.kind === 'line-down' ? { ...e, body: { ...e.body, presentation: 'Tungsten 4 mm' } } : e));
      await fished(partner.request, later.url, tied);
      await partner.request.post(`${later.url}/api/crews/join`, { data: { code, outing: tied[0].outing, name } });
      await partner.close();
    }
    await view.evaluate(() => localStorage.setItem('burrow.preferences', JSON.stringify({ version: 2, theme: 'day', water: 'tamber-lake' })));
    await view.goto(`${later.url}/crew`);
    await view.getByText(/^Crew of 3/).waitFor({ timeout: 60_000 });
    await view.waitForTimeout(1500);
    await view.screenshot({ path: path.join(folder, 'crew.png') });
    process.stdout.write('· crew.png\n');
  });
}

/** Noon of the same day with hours behind it, in metres: what a morning adds up to. */
async function noon(method, water, hours, name) {
  await atNoon(async (later, view) => {
    const events = shiftedOuting(method, water, hours, Date.parse(noonOf));
    await fished(view.request, later.url, events);
    await view.evaluate((kept) => localStorage.setItem('burrow.preferences', JSON.stringify(kept)), {
      version: 2,
      theme: 'day',
      water,
      units: { depth: 'm', ice: 'cm', fishLength: 'cm', weight: 'g', temp: 'C', wind: 'ms', distance: 'm' },
      castBand: { water: 'verrin-reservoir', fromM: 1, toM: 4.5 },
      kit: { rods: [], floats: [0.2, 0.4, 0.6].map((capacityG) => ({ id: String(capacityG), name: 'Slim float', capacityG })), feed: [] },
    });
    const pass = events.findLast((e) => e.kind === 'station-opened' && e.body.kind === 'pass');
    if (pass) {
      const [longitude, latitude] = pass.body.at;
      await view.context().grantPermissions(['geolocation']);
      await view.context().setGeolocation({ longitude, latitude, accuracy: 4 });
    }
    for (const [size, form] of [
      [phone, 'phone'],
      [wide, 'wide'],
    ]) {
      await view.setViewportSize(size);
      await view.goto(`${later.url}/hole`);
      await view.getByRole('button', { name: 'More', exact: true }).waitFor({ timeout: 60_000 });
      await view.waitForTimeout(8000);
      if (!name(form)) continue;
      await view.screenshot({ path: path.join(folder, `${name(form)}.png`) });
      process.stdout.write(`· ${name(form)}.png\n`);
    }
  });
}
