import type { LedgerEvent } from '@burrow/core/ledger';
import { estimateWeight, type WeighedSpecies } from '@burrow/core/fish';
import { hourMs, minuteMs, normal, seededRandom } from '@burrow/core/units';
import { trueColumn } from './column';
import { placeOnLake } from './lake';
import { idAt, Pen } from './pen';
import { lightDraw, weatherDraw } from './season';

const random = seededRandom(2711);

/** Days on which three anglers fished side by side, a rod each. */
const days: { start: string; hours: number }[] = [
  { start: '2026-12-09T07:05', hours: 5 },
  { start: '2026-12-11T07:00', hours: 5.5 },
  { start: '2026-12-14T07:15', hours: 5 },
  { start: '2026-12-17T07:10', hours: 6 },
  { start: '2026-12-20T07:20', hours: 5 },
  { start: '2026-12-23T07:20', hours: 5.5 },
  { start: '2026-12-26T07:25', hours: 5 },
  { start: '2026-12-28T07:20', hours: 5 },
  { start: '2026-12-31T07:20', hours: 5.5 },
  { start: '2027-01-03T07:20', hours: 5 },
  { start: '2027-01-05T07:20', hours: 5 },
  { start: '2027-01-08T07:15', hours: 5.5 },
  { start: '2027-01-11T07:10', hours: 5 },
];

/** Rods of the three, and what hangs on them: the jig is far better than the still hook, and as good as the spoon. */
const rods = ['rod 1', 'Ines', 'Tomas'] as const;
const baits = [
  { name: 'Tungsten 4 mm, plastic', draw: 1.2 },
  { name: 'Small spoon, one point tipped', draw: 1.2 },
  { name: 'Plain hook, deadstick', draw: 0.35 },
] as const;
/** One begins at the bay, by the landing, and goes out later: the place itself is worth nothing, the early light is. */
const [bay, hump] = [
  [-205, 118],
  [198, -62],
] as const;

const kinds: { id: WeighedSpecies; share: number; meanMm: number; sdMm: number }[] = [
  { id: 'black-crappie', share: 0.45, meanMm: 250, sdMm: 28 },
  { id: 'yellow-perch', share: 0.35, meanMm: 218, sdMm: 30 },
  { id: 'bluegill', share: 0.17, meanMm: 175, sdMm: 18 },
  { id: 'walleye', share: 0.03, meanMm: 430, sdMm: 60 },
];

const uuid = (ms: number) => idAt(ms, random);

/** What the three logged, in the app's own kinds. */
export function crewDays(): LedgerEvent[] {
  const columns = trueColumn(days.map(({ start }) => Date.parse(`${start}:00-09:00`)));
  return days.flatMap(({ start, hours }, day) => {
    const startMs = Date.parse(`${start}:00-09:00`);
    const endMs = startMs + hours * hourMs;
    const pen = new Pen(uuid(startMs), random);
    pen.write(startMs, 'outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['black-crappie'], goal: day % 3 === 0 ? 'supper' : 'numbers', method: 'ice' });
    if (day % 3 === 0) pen.write(startMs + minuteMs, 'keep-planned', { count: 5 });
    const { iceClearM, iceWhiteM } = columns[day];
    const ice = { clearM: toHalfInch(iceClearM), whiteM: toHalfInch(iceWhiteM) };
    const luck = Math.exp(0.35 * normal(random));
    let ms = startMs + 10 * minuteMs;
    for (let n = 1; ms < endMs - 30 * minuteMs; n++) {
      const isEarly = ms - startMs < 2 * hourMs;
      const [x, y] = random() < (isEarly ? 0.85 : 0.2) ? bay : hump;
      ms = fishTogether(pen, ms, endMs, n, placeOnLake(x + 9 * normal(random), y + 9 * normal(random)), { luck, ice });
    }
    pen.write(endMs, 'outing-ended', {});
    return pen.events;
  });
}

/** A hole each, side by side within one school: its depth is that of the first. */
function fishTogether(
  pen: Pen,
  fromMs: number,
  endMs: number,
  n: number,
  place: { at: [number, number]; depthM: number },
  { luck, ice }: { luck: number; ice: { clearM: number; whiteM: number } },
): number {
  const hole = uuid(fromMs);
  const bottomM = Math.round(place.depthM * 20) / 20;
  pen.write(fromMs, 'station-opened', { station: hole, kind: 'hole', label: String(n), at: place.at });
  if (n === 1) pen.write(fromMs + 20_000, 'ice-measured', { station: hole, ...ice });
  pen.write(fromMs + 40_000, 'depth-sounded', { station: hole, depthM: bottomM, source: 'flasher' });
  const untilMs = Math.min(endMs - minuteMs, fromMs + (26 + 16 * random()) * minuteMs);
  const first = Math.floor(3 * random());
  const upM = 0.4 + 0.8 * random();
  rods.forEach((rod, k) => {
    const line = uuid(fromMs + k);
    const bait = baits[(first + k) % baits.length];
    const downMs = fromMs + 70_000 + 15_000 * k;
    pen.write(downMs, 'line-down', { line, station: hole, rod, presentation: bait.name, depthM: Math.max(0.5, bottomM - upM) });
    for (let t = downMs + minuteMs; t < untilMs - 3 * minuteMs; t += minuteMs) {
      const rate = 0.036 * luck * bait.draw * weatherDraw(t) * lightDraw(t);
      if (random() < rate) t = bitten(pen, t, hole, line, bottomM, upM);
      else if (random() < 1.6 * rate)
        pen.write(t, 'reaction', {
          station: hole,
          line,
          reaction: (['looked', 'followed', 'refused', 'ignored'] as const)[Math.floor(4 * random())],
          depthM: bottomM - upM,
          bottomM,
        });
    }
    pen.write(untilMs, 'line-up', { line });
  });
  return untilMs + (3 + 4 * random()) * minuteMs;
}

/** Ice read off a slate to half an inch, m. */
const toHalfInch = (thickM: number) => Math.round(Math.max(0, Math.round((thickM / 0.0254) * 2) / 2) * 254) / 10_000;

/** A bite: most are hooked, and most of those come up. */
function bitten(pen: Pen, ms: number, hole: string, line: string, bottomM: number, upM: number): number {
  const depthM = bottomM - upM;
  if (random() < 0.75) pen.write(ms - 15_000, 'reaction', { station: hole, line, reaction: 'looked', depthM, bottomM });
  pen.write(ms, 'reaction', { station: hole, line, reaction: 'bite', depthM, bottomM });
  if (random() < 0.22) {
    pen.write(ms + 20_000, 'reaction', { station: hole, line, reaction: 'missed', depthM, bottomM });
    return ms + minuteMs;
  }
  if (random() < 0.12) {
    const lostAt = (['strike', 'way', 'end'] as const)[Math.floor(3 * random())];
    pen.write(ms + 45_000, 'reaction', { station: hole, line, reaction: 'lost', depthM, bottomM, lostAt });
    return ms + 2 * minuteMs;
  }
  let pick = random();
  const kind = kinds.find((k) => (pick -= k.share) < 0) ?? kinds[0];
  const lengthMm = Math.max(120, Math.round(kind.meanMm + kind.sdMm * normal(random)));
  const fish = uuid(ms + 60_000);
  const weight = estimateWeight(kind.id, lengthMm);
  const hookedIn = random() < 0.4 ? ({ hookedIn: random() < 0.55 ? 'lip' : 'deep' } as const) : {};
  pen.write(ms + 60_000, 'fish-landed', {
    fish,
    station: hole,
    line,
    species: kind.id,
    lengthMm,
    depthM,
    bottomM,
    ...hookedIn,
    ...(weight ? { weightG: Math.round(weight.weightG) } : {}),
  });
  pen.write(ms + 80_000, random() < 0.2 ? 'fish-kept' : 'fish-released', { fish });
  return ms + 2 * minuteMs;
}
