import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { smallJpeg, withSegments } from '../packages/contract/test/pictures';
import { fishIs, startOuting, test } from './stack';

type LonLat = readonly [lon: number, lat: number];

/** A fish as the script caught it; what was not said stays blank in the catches. */
interface Caught {
  species: string;
  fate: 'kept' | 'released';
  /** Typed on the sheet. */
  weight?: { typed: string; g: number };
  /** With a picture, as a phone's camera makes it. */
  hasPhoto?: boolean;
  /** Size class by eye. */
  classMm?: number;
}

interface Account {
  name: string;
  /** Where its water lies, and where the script stands on it, m east and north of that. */
  at: LonLat;
  stands: [number, number];
  water: { name: string; kind: string; timezone: string };
  /** A ring of the shore about the middle, and an island off it, m. */
  ring?: [number, number][];
  island?: [number, number][];
  isSounded?: boolean;
  locale: string;
  way: string;
  /** What is fished for, as the list names it. */
  target: string;
  /** The key that opens a place where one is, and what confirms it. */
  open: string;
  opened: string;
  /** From the place to the fish sheet. */
  toFish: (page: Page) => Promise<void>;
  fish: Caught & { pill: string };
  /** Logs on the sheet, where it is that of one fish. */
  size?: string;
  clock?: string;
}

const metresPerDegree = 111_195;
const moved = ([lon, lat]: LonLat, [x, y]: [number, number]): [number, number] => [lon + x / (metresPerDegree * Math.cos((lat * Math.PI) / 180)), lat + y / metresPerDegree];
const offM = (a: LonLat, b: LonLat) => Math.hypot((a[0] - b[0]) * metresPerDegree * Math.cos((a[1] * Math.PI) / 180), (a[1] - b[1]) * metresPerDegree);

const box = (x: number, y: number): [number, number][] => [
  [-x, -y],
  [x, -y],
  [x, y],
  [-x, y],
  [-x, -y],
];

function waterFile({ at, water, ring, island, isSounded }: Account): string {
  const rings = [ring, island].flatMap((r) => (r ? [r.map((p) => moved(at, p))] : []));
  const soundings = isSounded
    ? [-60, -30, 0, 30, 60].flatMap((x) =>
        [-40, -20, 0, 20, 40].map((y) => ({
          type: 'Feature',
          geometry: { type: 'Point', coordinates: moved(at, [x, y]) },
          properties: { role: 'sounding', depth_m: 9 - Math.hypot(x, y) / 12 },
        })),
      )
    : [];
  return JSON.stringify({
    type: 'FeatureCollection',
    water: { ...water, elevation_m: 100, secchi_m: 2, assumed: ['secchi_m'], ...(ring ? {} : { at }) },
    features: [...(rings.length > 0 ? [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: rings }, properties: { role: 'outline' } }] : []), ...soundings],
  });
}

const key = (page: Page, name: string | RegExp) =>
  page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();

const accounts: Account[] = [
  {
    name: 'Aino',
    at: [25.71, 62.31],
    stands: [18, -12],
    water: { name: 'Nameless Point', kind: 'lake', timezone: 'Europe/Helsinki' },
    locale: 'fi-FI',
    way: 'on the ice',
    target: 'Zander',
    open: 'Drill here',
    opened: 'Hole is drilled',
    toFish: (page) => key(page, 'Fish'),
    fish: { pill: 'Zander', species: 'zander', fate: 'kept', weight: { typed: '1450', g: 1450 }, hasPhoto: true },
  },
  {
    name: 'Hana',
    at: [176.12, -38.71],
    stands: [-35, 22],
    water: { name: 'Lake of One Island', kind: 'lake', timezone: 'Pacific/Auckland' },
    ring: box(160, 110),
    island: box(20, 15)
      .map(([x, y]) => [x + 110, y + 60] as [number, number])
      .reverse(),
    isSounded: true,
    locale: 'en-NZ',
    way: 'from a boat or pier',
    target: 'Brown trout',
    open: 'Stop here',
    opened: 'I am over it',
    toFish: (page) => key(page, 'Fish'),
    fish: { pill: 'Brown trout', species: 'brown-trout', fate: 'released', weight: { typed: '2100', g: 2100 } },
    clock: '2026-07-14T21:30:00Z',
  },
  {
    name: 'Edith',
    at: [0.12, 52.61],
    stands: [4, 2],
    water: { name: 'Straight Lode', kind: 'channel', timezone: 'Europe/London' },
    locale: 'en-GB',
    way: 'pole from a peg',
    target: 'Rudd',
    open: 'Sit here',
    opened: 'I sit here',
    toFish: async (page) => {
      await key(page, 'More');
      await key(page, 'Swims');
      await key(page, /^Fish at /);
      await key(page, 'Fish');
    },
    fish: { pill: 'Rudd', species: 'rudd', fate: 'released', classMm: 150 },
    size: '15 cm',
  },
  {
    name: 'Marta',
    at: [-97.31, 41.62],
    stands: [-20, 10],
    water: { name: 'Elbow Reservoir', kind: 'reservoir', timezone: 'America/Chicago' },
    ring: box(220, 140),
    isSounded: true,
    locale: 'en-US',
    way: 'trolling, drifting',
    target: 'Walleye',
    open: 'Begin a pass here',
    opened: 'Begin the pass',
    toFish: async (page) => {
      await key(page, 'Set the lines');
      await key(page, /^Lines out at /);
      await key(page, 'Fish');
    },
    fish: { pill: 'Walleye', species: 'walleye', fate: 'kept', weight: { typed: '2.5', g: 1134 } },
  },
  {
    name: 'Ylva',
    at: [16.42, 60.21],
    stands: [-9, 14],
    water: { name: 'Frozen Stream', kind: 'river', timezone: 'Europe/Stockholm' },
    locale: 'sv-SE',
    way: 'casting',
    target: 'European grayling',
    open: 'Stand here',
    opened: 'I stand here',
    toFish: (page) => key(page, 'Fish'),
    fish: { pill: 'Grayling', species: 'european-grayling', fate: 'released' },
  },
];

async function signUp(page: Page, url: string, account: Account): Promise<void> {
  await page.goto(url);
  await key(page, 'I am new here');
  await page.getByRole('textbox', { name: 'Name' }).fill(account.name);
  await page.getByRole('textbox', { name: 'E-mail' }).fill(`${account.name.toLowerCase()}@test.invalid`);
  await page.getByLabel('Password').fill('long enough now');
  await key(page, 'Make an account');
  await page.getByRole('link', { name: 'Gear' }).click();
  const chooser = page.waitForEvent('filechooser');
  await key(page, 'Add a water from a file');
  await (await chooser).setFiles({ name: 'own.geojson', mimeType: 'application/geo+json', buffer: Buffer.from(waterFile(account)) });
  await expect(page.getByText(`${account.water.name} is here.`)).toBeVisible();
}

/** Opens a place: by the phone where it may say where it is, else by a touch on the middle of the map. */
async function openPlace(page: Page, account: Account, isGranted: boolean): Promise<void> {
  if (isGranted) await expect(page.getByText(/^You, by the phone within/)).toBeVisible();
  else {
    const map = (await page.getByRole('application').boundingBox())!;
    await page.mouse.click(map.x + map.width / 2, map.y + map.height / 2);
  }
  await key(page, account.open);
  await key(page, account.opened);
}

async function landFish(page: Page, { toFish, fish, size }: Account): Promise<void> {
  await toFish(page);
  await fishIs(page, fish.pill);
  if (size !== undefined) {
    await page.getByRole('radio', { name: size, exact: true }).click();
    await key(page, /^Log a /);
    return;
  }
  if (fish.weight) {
    await key(page, 'Weight, girth, photo, note');
    await page.getByRole('textbox', { name: /^Weight, / }).fill(fish.weight.typed);
  }
  if (fish.hasPhoto) {
    const chooser = page.waitForEvent('filechooser');
    await key(page, 'Add a photo');
    await (await chooser).setFiles({ name: 'fish.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(withSegments(smallJpeg, [[0xe1, 'Exif\0\0 GPSLatitude 62.31']])) });
    await expect(page.getByRole('img', { name: 'Photo of this fish' })).toBeVisible();
  }
  await key(page, fish.fate === 'kept' ? 'Kept' : 'Released');
}

/** The catches as the angler takes them along, a row an object. */
async function catches(page: Page): Promise<Record<string, string>[]> {
  await page.getByRole('link', { name: 'Season' }).click();
  const download = page.waitForEvent('download');
  await key(page, 'Catches (CSV)');
  const [header, ...rows] = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.split(','));
  return rows.map((row) => Object.fromEntries(header.map((name, k) => [name, row[k]])));
}

for (const account of accounts) {
  test.describe(account.water.name, () => {
    test.use({ locale: account.locale, timezoneId: account.water.timezone });
    test(`${account.name}, ${account.way}, position granted and denied: every place where the script stood, every fish as entered`, async ({ page, stack, context }) => {
      await page.setViewportSize({ width: 390, height: 844 });
      if (account.clock) await page.clock.install({ time: account.clock });
      await signUp(page, stack.url, account);
      const there = moved(account.at, account.stands);
      const stood: { isGranted: boolean; at: LonLat }[] = [
        { isGranted: true, at: there },
        { isGranted: false, at: account.at },
      ];
      for (const { isGranted, at } of stood) {
        if (isGranted) {
          await context.setGeolocation({ longitude: at[0], latitude: at[1], accuracy: 4 });
          await context.grantPermissions(['geolocation']);
        } else await context.clearPermissions();
        await page.getByRole('link', { name: 'Water', exact: true }).click();
        await startOuting(page, account.way, account.target);
        await openPlace(page, account, isGranted);
        await landFish(page, account);
        await page
          .getByRole('link', { name: /^Leave the .* for the map$|^Water$/ })
          .first()
          .click();
        await key(page, 'End outing');
        await expect(page.getByRole('heading', { level: 1, name: /1 fish/ })).toBeVisible();
      }
      const rows = await catches(page);
      const { species, fate, weight, classMm } = account.fish;
      expect(
        rows.map((r) => ({
          species: r.species,
          fate: r.fate,
          weight_g: Math.round(Number(r.weight_g)),
          size_class_mm: Number(r.size_class_mm),
          length_mm: r.length_mm,
          girth_mm: r.girth_mm,
          note: r.note,
        })),
      ).toEqual(stood.map(() => ({ species, fate, weight_g: weight?.g ?? 0, size_class_mm: classMm ?? 0, length_mm: '', girth_mm: '', note: '' })));
      const kinds = (await stack.query(
        `SELECT e.kind, e.body FROM event e JOIN account a ON a.id = e.account_id WHERE a.email = '${account.name.toLowerCase()}@test.invalid' ORDER BY e.at`,
      )) as {
        kind: string;
        body: Record<string, unknown>;
      }[];
      const places = kinds.filter((e) => e.kind === 'station-opened' && e.body.peg === undefined);
      expect(places.map((e, k) => Math.round(offM(e.body.at as LonLat, stood[k].at)))).toEqual(stood.map(() => expect.any(Number)));
      for (const [k, e] of places.entries()) expect(offM(e.body.at as LonLat, stood[k].at)).toBeLessThan(10);
      const photos = (await stack.query(
        `SELECT p.id, encode(p.jpeg, 'escape') AS text FROM photo p JOIN account a ON a.id = p.account_id WHERE a.email = '${account.name.toLowerCase()}@test.invalid'`,
      )) as { id: string; text: string }[];
      const named = kinds.flatMap((e) => (e.kind === 'fish-landed' && e.body.photo ? [e.body.photo as string] : []));
      expect(photos.map((p) => p.id).sort()).toEqual(named.sort());
      expect(named).toHaveLength(account.fish.hasPhoto ? 2 : 0);
      for (const { text } of photos) expect(text).not.toMatch(/Exif|GPS/);
      // Nothing that nobody measured is in the log.
      const assumed = ['ice-measured', 'depth-sounded', 'temperature-measured', 'clarity-measured', 'weather-seen', 'level-measured'];
      expect(kinds.filter((e) => assumed.includes(e.kind))).toEqual([]);
    });
  });
}
