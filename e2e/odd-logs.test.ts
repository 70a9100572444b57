import type { EventKind, LedgerEvent } from '@burrow/core/ledger';
import { expect, type Page } from '@playwright/test';
import { ownWater } from './own';
import { test } from './stack';

let made = 0;
const newId = () => `0198c0de-0000-7000-8000-${(++made).toString(16).padStart(12, '0')}`;
const broken = /could not be drawn/;

/** Entries of one outing, a minute apart. */
class Pen {
  readonly events: LedgerEvent[] = [];
  readonly outing = newId();
  constructor(
    private readonly angler: string,
    private atMs: number,
  ) {}
  write(kind: EventKind, body: object): string {
    const id = newId();
    this.atMs += 60_000;
    this.events.push({ id, outing: this.outing, angler: this.angler, device: 'pen', at: new Date(this.atMs).toISOString(), kind, v: 2, body } as unknown as LedgerEvent);
    return id;
  }
}

const here: [number, number] = [-121.5, 44];
type Side = 'usual' | 'least' | 'most';

/** An outing in every way of fishing with every kind of entry, its figures as usual or at either end of what is accepted. */
function everything(angler: string, atMs: number, side: Side = 'usual', species = 'black-crappie', isOpen = false): Pen {
  const pen = new Pen(angler, atMs);
  const n = (least: number, usual: number, most: number) => ({ least, usual, most })[side];
  const [hole, stand, swim, spot, pass] = Array.from({ length: 5 }, newId);
  pen.write('outing-started', {
    water: 'little-hollow',
    waterName: 'Little Hollow',
    species: [species],
    goal: 'size',
    method: 'ice',
    plan: [{ at: new Date(atMs).toISOString(), what: 'walk out' }],
  });
  pen.write('weather-seen', { airC: n(-80, -4, 60), pressureHpa: n(850, 1012, 1100), windMs: n(0, 4, 100), windFromDeg: n(0, 300, 360), cloud: n(0, 0.4, 1) });
  const lines = new Map<string, string>();
  const fish = (station: string, more: object) => {
    const id = newId();
    pen.write('fish-landed', {
      fish: id,
      station,
      line: lines.get(station),
      species,
      lengthMm: n(10, 260, 3000),
      weightG: n(0, 240, 200_000),
      depthM: n(0, 4, 300),
      bottomM: n(0, 5, 300),
      ...more,
    });
    pen.write(side === 'least' ? 'fish-kept' : 'fish-released', { fish: id });
  };
  const down = (station: string, more: object = {}) => {
    const line = newId();
    lines.set(station, line);
    pen.write('line-down', { line, station, rod: 'rod 1', presentation: 'Spoon', depthM: n(0, 4, 300), ...more });
    return line;
  };
  const react = (station: string, reaction: string, more: object = {}) =>
    pen.write('reaction', { station, line: lines.get(station), reaction, depthM: n(0, 4, 300), bottomM: n(0, 5, 300), ...more });
  pen.write('ice-measured', { clearM: n(0, 0.3, 3), whiteM: n(0, 0.05, 3), snowM: n(0, 0.1, 3) });
  pen.write('station-opened', { station: hole, kind: 'hole', label: '1', at: here, mapDepthM: n(0, 5, 300) });
  pen.write('depth-sounded', { station: hole, depthM: n(0, 5, 300), source: 'flasher' });
  pen.write('temperature-measured', { station: hole, depthM: n(0, 4, 300), tempC: n(-2, 3.8, 40) });
  pen.write('clarity-measured', { secchiM: n(0.1, 2, 40) });
  pen.write('level-measured', { levelM: n(-100, -1, 100), by: 'gauge' });
  const line = down(hole);
  pen.write('depth-set', { line, depthM: n(0, 3, 300) });
  pen.write('cadence-set', { line, cadence: 'tap' });
  for (const kind of ['looked', 'stalled', 'followed', 'chased', 'ignored', 'refused', 'fled', 'nipped', 'bite', 'robbed', 'missed', 'hooked', 'lost'])
    react(hole, kind, { cadence: 'tap' });
  pen.write('flag-up', { line });
  fish(hole, {});
  pen.write('line-up', { line });
  pen.write('rested', { station: hole });
  pen.write('method-changed', { method: 'cast' });
  pen.write('station-opened', { station: stand, kind: 'stand', label: 'A', at: here });
  const castLine = down(stand);
  const cast = newId();
  pen.write('cast', { cast, station: stand, line: castLine, bearingDeg: n(0, 120, 360), distanceM: n(0.5, 22, 300), result: 'bite' });
  pen.write('felt', { station: stand, what: 'hard', cast, bearingDeg: n(0, 120, 360), outM: n(0, 12, 300), by: 'time' });
  react(stand, 'bite', { cast, outM: n(0, 12, 300) });
  fish(stand, { cast, outM: n(0, 12, 300) });
  pen.write('moved', { fromStation: hole, station: stand });
  pen.write('method-changed', { method: 'pole' });
  pen.write('station-opened', { station: swim, kind: 'swim', label: 'P', at: here, outM: n(0, 6, 300) });
  pen.write('swim-placed', { station: swim, outM: n(0.5, 7, 30) });
  pen.write('plumbed', { station: swim, outM: n(0, 6, 30), depthM: n(0, 1.8, 20) });
  pen.write('flow-timed', { station: swim, alongM: n(-100, 2, 100), seconds: n(0.5, 12, 3600) });
  pen.write('fed', {
    station: swim,
    what: 'crumb',
    massG: n(0, 80, 50_000),
    alongM: n(-100, 0, 100),
    ball: { cm: n(1, 5, 15), gcc: n(1.01, 1.2, 3), breaks: 'half', particle: 'crumb' },
  });
  down(swim);
  react(swim, 'bite', { alongM: n(-100, 1, 100) });
  fish(swim, { classMm: n(10, 150, 3000), alongM: n(-100, 1, 100) });
  pen.write('changed', { station: swim, what: 'pole.change.lift' });
  pen.write('quiet-seen', { station: swim, what: 'predator' });
  pen.write('bag-weighed', { station: swim, count: n(1, 12, 10_000), massG: n(1, 640, 1_000_000), classMm: n(10, 150, 3000) });
  pen.write('method-changed', { method: 'troll' });
  pen.write('station-opened', { station: pass, kind: 'pass', label: '1', at: here });
  pen.write('tracked', { station: pass, points: [[...here, 0], [here[0] + 0.001, here[1], n(0, 60, 200_000)]] }); // prettier-ignore
  down(pass, { lineOutM: n(0.1, 20, 200), second: { presentation: 'Worm', aboveM: n(0.05, 1, 20) } });
  react(pass, 'bite', { turn: 'inside', speedMs: n(0, 0.6, 20), at: here });
  fish(pass, { at: here });
  pen.write('pass-ended', { station: pass });
  pen.write('method-changed', { method: 'vertical' });
  pen.write('station-opened', { station: spot, kind: 'spot', label: 'S', at: here });
  down(spot);
  react(spot, 'bite');
  pen.write('note', { text: 'cold', station: spot });
  if (!isOpen) pen.write('outing-ended', {});
  return pen;
}

/** Goes to a place of the app as its own links do. */
async function visit(page: Page, to: string): Promise<void> {
  await page.evaluate((path) => {
    history.pushState({}, '', path);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, to);
}

async function stands(page: Page, to: string, what: string): Promise<void> {
  await visit(page, to);
  await expect(page.getByRole('heading', { level: 1 }).or(page.getByText(broken)).first(), what).toBeVisible();
  // Drawn parts come a moment after the heading.
  await page.waitForTimeout(120);
  expect(await page.getByText(broken).count(), `${what}: ${to}`).toBe(0);
}

test('whatever the contract accepts, no screen fails: each entry undone alone, figures at either end, a fish that nobody knows', async ({ page, stack }) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  await ownWater(page, stack.url, 'Odd');
  const session = (await (await page.request.get(`${stack.url}/api/session`)).json()) as { account: { id: string } };
  const angler = session.account.id;
  const send = async (events: readonly LedgerEvent[]) => {
    for (let i = 0; i < events.length; i += 400) {
      const answer = await page.request.post(`${stack.url}/api/ledger/sync`, { data: { device: 'pen', cursor: 0, events: events.slice(i, i + 400) } });
      expect(((await answer.json()) as { rejected: unknown[] }).rejected).toEqual([]);
    }
  };
  const baseMs = Date.now() - 60 * 86_400_000;
  const usual = everything(angler, baseMs);
  const seen = new Set<string>();
  const pages: { id: string; what: string }[] = [];
  const all: LedgerEvent[] = [];
  for (const [i, { kind, body }] of usual.events.entries()) {
    // One of each kind, and of places and changes of way each.
    const what =
      kind === 'station-opened' || kind === 'reaction' ? `${kind} ${(body as { kind?: string; reaction?: string }).kind ?? (body as { reaction?: string }).reaction}` : kind;
    if (kind === 'outing-started' || seen.has(what)) continue;
    seen.add(what);
    const pen = everything(angler, baseMs + pages.length * 3_600_000 * 5);
    pen.write('undone', { target: pen.events[i].id });
    pages.push({ id: pen.outing, what: `${what} undone` });
    all.push(...pen.events);
  }
  for (const [side, species] of [
    ['least', 'black-crappie'],
    ['most', 'lake-trout'],
    ['usual', 'moon-fish'],
  ] as const) {
    // prettier-ignore
    const pen = everything(angler, baseMs + pages.length * 3_600_000 * 5, side, species);
    pages.push({ id: pen.outing, what: `${side} figures, ${species}` });
    all.push(...pen.events);
  }
  await send(all);
  await page.reload();
  await expect.poll(() => page.getByText('unsent').count()).toBe(0);
  await visit(page, '/season');
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Opening the log');
  for (const { id, what } of pages) await stands(page, `/outing?id=${id}`, what);
  await test.step('a day of casts whose stand was undone is no day without a screen', async () => {
    const pen = new Pen(angler, baseMs - 86_400_000);
    const stand = newId();
    pen.write('outing-started', { water: 'little-hollow', waterName: 'Little Hollow', species: ['smallmouth'], goal: 'numbers', method: 'cast' });
    const stood = pen.write('station-opened', { station: stand, kind: 'stand', label: 'A', at: here });
    pen.write('cast', { cast: newId(), station: stand, bearingDeg: 20, distanceM: 20 });
    pen.write('outing-ended', {});
    pen.write('undone', { target: stood });
    await send(pen.events);
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await page.waitForTimeout(700);
    await stands(page, `/outing?id=${pen.outing}`, 'only a stand, undone');
  });
  const screens = ['/', '/water', '/season', '/practice', '/gear', '/fieldcraft', '/tie-on', '/rig-card'];
  for (const to of screens) await stands(page, to, 'every screen after it');

  await test.step('under way, each way at its place, with a fish that nobody knows and figures at the end', async () => {
    for (const [k, side] of (['usual', 'least', 'most'] as const).entries()) {
      const open = everything(angler, Date.now() - (4 - k) * 3_600_000, side, side === 'usual' ? 'moon-fish' : 'lake-whitefish', true);
      await send(open.events);
      for (const station of open.events.filter((e) => e.kind === 'station-opened')) {
        const { station: id, kind } = station.body as { station: string; kind: string };
        const way = { hole: 'ice', stand: 'cast', swim: 'pole', spot: 'vertical', pass: 'troll' }[kind]!;
        const last = new Date().toISOString();
        const entry = (what: EventKind, body: object) => ({ ...open.events[0], id: newId(), at: last, kind: what, body }) as unknown as LedgerEvent;
        await send([entry('method-changed', { method: way }), entry('moved', { station: id })]);
        await page.evaluate(() => dispatchEvent(new Event('online')));
        await page.waitForTimeout(700);
        await stands(page, '/hole', `${side} ${kind} under way`);
        for (const to of ['/', '/tie-on', '/rig-card', '/water']) await stands(page, to, `${side} ${kind} under way`);
      }
      await send([{ ...open.events[0], id: newId(), at: new Date().toISOString(), kind: 'outing-ended', body: {} } as unknown as LedgerEvent]);
    }
  });
  expect(problems).toEqual([]);
});
