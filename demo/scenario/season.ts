import type { LedgerEvent } from '@burrow/core/ledger';
import { estimateWeight, type WeighedSpecies } from '@burrow/core/fish';
import { hourMs, minuteMs, normal, seededRandom } from '@burrow/core/units';
import { valueAt } from '@burrow/core/water';
import type { ColumnProfile } from '@burrow/core/winter';
import { scriptedFronts } from '../../stand-ins/weather-service/src/climate';
import { trueColumn } from './column';
import { placeOnLake } from './lake';
import { idAt, Pen } from './pen';

const random = seededRandom(1604);

/** Outings of the winter so far: start, hours, where, and whether a thermometer went down. */
const plan: { start: string; hours: number; near: [number, number]; thermometer?: boolean }[] = [
  { start: '2026-12-08T13:10', hours: 4, near: [-215, 105] },
  { start: '2026-12-10T07:00', hours: 4, near: [-200, 130], thermometer: true },
  { start: '2026-12-13T12:40', hours: 4.5, near: [-190, 110] },
  { start: '2026-12-16T12:30', hours: 4.5, near: [60, 40] },
  { start: '2026-12-19T07:10', hours: 5, near: [100, -20], thermometer: true },
  { start: '2026-12-22T08:00', hours: 5, near: [200, -60] },
  { start: '2026-12-24T09:00', hours: 3.5, near: [190, -90] },
  { start: '2026-12-27T12:20', hours: 4.5, near: [210, -20] },
  { start: '2026-12-30T07:20', hours: 5, near: [205, -70], thermometer: true },
  { start: '2027-01-02T12:30', hours: 4.5, near: [180, -120] },
  { start: '2027-01-04T09:30', hours: 6, near: [215, -40] },
  { start: '2027-01-07T07:00', hours: 5, near: [40, 110], thermometer: true },
  { start: '2027-01-10T07:10', hours: 5.5, near: [200, -100] },
  { start: '2027-01-13T12:10', hours: 5, near: [205, -55], thermometer: true },
];

const presentations = [
  { name: 'Tungsten 4 mm, plastic', draw: 1.15 },
  { name: 'Small spoon, one point tipped', draw: 0.8 },
  { name: 'Plain hook, deadstick', draw: 0.6 },
];
const heights = [
  { upM: 0.1, draw: 0.4 },
  { upM: 0.35, draw: 0.75 },
  { upM: 0.9, draw: 1.55 },
  { upM: 1.7, draw: 0.9 },
];
const species: { id: WeighedSpecies; share: number; meanMm: number; sdMm: number }[] = [
  { id: 'black-crappie', share: 0.5, meanMm: 245, sdMm: 30 },
  { id: 'yellow-perch', share: 0.28, meanMm: 215, sdMm: 32 },
  { id: 'bluegill', share: 0.17, meanMm: 172, sdMm: 20 },
  { id: 'walleye', share: 0.05, meanMm: 420, sdMm: 60 },
];

/** The hidden truth of the demo: fish bite more ahead of a front and little in the bright day behind it. */
export function weatherDraw(ms: number): number {
  const since = scriptedFronts.filter((f) => f.kind === 'cold').map((f) => (ms - f.atMs) / hourMs);
  if (since.some((h) => h > -10 && h < 0)) return 1.8;
  if (since.some((h) => h >= 0 && h < 30)) return 0.4;
  return 1;
}

/** And more when the light is low: about dawn and dusk of the short days. */
export function lightDraw(ms: number): number {
  const hour = ((((ms - 9 * hourMs) / hourMs) % 24) + 24) % 24;
  const edge = Math.min(Math.abs(hour - 8), Math.abs(hour - 16.6));
  return 0.7 + 0.9 * Math.exp(-((edge / 1.2) ** 2));
}

const uuid = (ms: number) => idAt(ms, random);

/** The events of the winter, in the app's own kinds. */
export function winterSeason(): LedgerEvent[] {
  const columns = trueColumn(plan.map((outing) => Date.parse(`${outing.start}:00-09:00`)));
  return plan.flatMap((outing, index) => {
    const startMs = Date.parse(`${outing.start}:00-09:00`);
    const pen = new Pen(uuid(startMs), random);
    pen.write(startMs, 'outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: 'numbers', method: 'ice' });
    const endMs = startMs + outing.hours * hourMs;
    let ms = startMs + 12 * minuteMs;
    for (let n = 1; ms < endMs - 25 * minuteMs; n++) {
      const place = nextPlace(outing.near, n);
      ms = fishHole(pen, ms, endMs, n, place, { column: columns[index], thermometer: n === 1 && outing.thermometer === true });
    }
    pen.write(endMs, 'outing-ended', {});
    return pen.events;
  });
}

/** Holes wind outward from the first, and stay where there is water enough to fish. */
function nextPlace([x, y]: [number, number], n: number) {
  const angle = n * 1.1;
  for (let reach = 22 * n ** 0.6; ; reach *= 0.7) {
    const place = placeOnLake(x + reach * Math.cos(angle), y + reach * Math.sin(angle));
    if (place.depthM > 3 || reach < 1) return place;
  }
}

function fishHole(
  pen: Pen,
  startMs: number,
  endMs: number,
  n: number,
  place: { at: [number, number]; depthM: number },
  water: { column: ColumnProfile; thermometer: boolean },
): number {
  const hole = uuid(startMs);
  let ms = startMs;
  pen.write(ms, 'station-opened', { station: hole, kind: 'hole', label: String(n), at: place.at });
  if (n === 1 || n % 3 === 0) {
    pen.write(ms + 30_000, 'ice-measured', {
      station: hole,
      clearM: toHalfInch(water.column.iceClearM),
      whiteM: toHalfInch(water.column.iceWhiteM),
      snowM: toHalfInch(water.column.snowM),
    });
  }
  const bottomM = Math.round(place.depthM * 20) / 20;
  pen.write(ms + 50_000, 'depth-sounded', { station: hole, depthM: bottomM, source: 'flasher' });
  ms += 90_000;
  if (water.thermometer) ms = lowerThermometer(pen, ms, hole, bottomM, water.column);
  const presentation = presentations[Math.floor(presentations.length * random() ** 1.4)];
  const alive = random() < 0.55 ? 1.6 : 0.25;
  for (let pass = 0; pass < 2 && ms < endMs - 8 * minuteMs; pass++) {
    const height = heights[Math.floor(heights.length * random())];
    const line = uuid(ms);
    const untilMs = Math.min(endMs - 60_000, ms + (9 + 14 * random()) * minuteMs);
    pen.write(ms, 'line-down', { line, station: hole, rod: 'rod 1', presentation: presentation.name, depthM: Math.max(0.5, bottomM - height.upM) });
    const perMin = 0.1 * height.draw * presentation.draw * alive;
    for (let t = ms + 60_000; t < untilMs - 90_000; t += 60_000) {
      const roll = random();
      const rate = perMin * weatherDraw(t) * lightDraw(t);
      if (roll < rate * 0.62) t = landFish(pen, t, hole, line, bottomM, height.upM);
      else if (roll < rate) pen.write(t, 'reaction', { station: hole, line, reaction: 'bite', depthM: bottomM - height.upM, bottomM });
      else if (roll < rate * 2.2) pen.write(t, 'reaction', { station: hole, line, reaction: random() < 0.6 ? 'looked' : 'refused', depthM: bottomM - height.upM, bottomM });
    }
    pen.write(untilMs, 'line-up', { line });
    ms = untilMs + 20_000;
  }
  return ms + (4 + 5 * random()) * minuteMs;
}

/** A slate reads ice to half an inch, and not all alike. */
const toHalfInch = (thickM: number) => Math.round(Math.max(0, Math.round(((thickM + 0.006 * normal(random)) / 0.0254) * 2) / 2) * 254) / 10_000;

/** A thermometer on a line, down by steps: half a minute each, read to a tenth. */
function lowerThermometer(pen: Pen, startMs: number, hole: string, bottomM: number, column: ColumnProfile): number {
  let ms = startMs;
  for (let depthM = 1; depthM < bottomM; depthM += 1.5) {
    ms += 30_000;
    pen.write(ms, 'temperature-measured', { station: hole, depthM, tempC: Math.max(0, Math.round((valueAt(column, 'tempC', depthM) + 0.1 * normal(random)) * 10) / 10) });
  }
  return ms + 60_000;
}

function landFish(pen: Pen, ms: number, hole: string, line: string, bottomM: number, upM: number): number {
  let pick = random();
  const kind = species.find((s) => (pick -= s.share) < 0) ?? species[0];
  const lengthMm = Math.max(120, Math.round(kind.meanMm + kind.sdMm * normal(random)));
  const fish = uuid(ms + 70_000);
  const depthM = bottomM - upM;
  const weight = estimateWeight(kind.id, lengthMm);
  pen.write(ms, 'reaction', { station: hole, line, reaction: 'bite', depthM, bottomM });
  pen.write(ms + 70_000, 'fish-landed', { fish, station: hole, line, species: kind.id, lengthMm, depthM, bottomM, ...(weight ? { weightG: Math.round(weight.weightG) } : {}) });
  pen.write(ms + 90_000, random() < 0.35 ? 'fish-kept' : 'fish-released', { fish });
  return ms + 120_000;
}
