import { estimateWeight, type WeighedSpecies } from '@burrow/core/fish';
import { fold, type FeedParticle, type LedgerEvent, type QuietReason } from '@burrow/core/ledger';
import { bedAt, feedPicture, pegAnswer, pegOf, plumbingPlan, runOf, type Ball } from '@burrow/core/pole';
import { metric, minuteMs, normal, seededRandom, type Random } from '@burrow/core/units';
import { idAt, Pen, zone } from './pen';

interface Day {
  water: string;
  waterName: string;
  start: string;
  hours: number;
  at: [number, number];
  peg: string;
  isBaited: boolean;
  reachM: number;
  /** The hidden bed, m at m out. */
  bed: (outM: number) => number;
  nearM: number;
  farM: number;
  /** Surface speed to the right, m/s, by the hour since the start. */
  surfaceMs: (hour: number) => number;
  tempC: (hour: number) => number;
  /** The hidden truth: bites a minute of a rested swim, near and far, by the hour since the start. */
  bitesPerMin: (hour: number) => [near: number, far: number];
  particle: FeedParticle;
  bait: string;
  classes: readonly { mm: number; share: number }[];
  perch: number;
  seen: readonly { hour: number; what: QuietReason }[];
}

const days: readonly Day[] = [
  {
    water: 'perrow-pool',
    waterName: 'Perrow Pool',
    start: '2026-11-21T08:10',
    hours: 5,
    at: [-140.07865, 46.90118],
    peg: '11',
    isBaited: true,
    reachM: 11,
    bed: (m) => 2.3 * (1 - Math.exp(-((m / 3.4) ** 1.3))),
    nearM: 5,
    farM: 11,
    surfaceMs: () => 0,
    tempC: (hour) => 6.4 + 0.1 * hour,
    bitesPerMin: () => [0.34, 0.42],
    particle: 'pellet',
    bait: 'Single maggot',
    classes: [
      { mm: 150, share: 0.5 },
      { mm: 200, share: 0.35 },
      { mm: 250, share: 0.15 },
    ],
    perch: 0.12,
    seen: [{ hour: 3.1, what: 'predator' }],
  },
  {
    // A frosty morning that goes well until cold rain comes and the water cools.
    water: 'marrow-drain',
    waterName: 'Marrow Drain',
    start: '2026-12-05T08:20',
    hours: 5.2,
    at: [-139.89972, 46.86008],
    peg: '4',
    isBaited: false,
    reachM: 11,
    bed: (m) => 1.78 * Math.max(0, 1 - (Math.abs(m - 9) / 9.2) ** 2.6),
    nearM: 6,
    farM: 10,
    // The sluice shuts towards noon: it slows, stands, and at the end runs back a little.
    surfaceMs: (hour) => (hour < 2.5 ? 0.1 : hour < 3.6 ? 0.14 : hour < 4.6 ? 0 : -0.05),
    tempC: (hour) => (hour < 3 ? 5.1 : 5.1 - 0.55 * (hour - 3)),
    bitesPerMin: (hour) => (hour < 3.2 ? [0.2, 0.3] : [0.05, 0.04]),
    particle: 'crumb',
    bait: 'Bread punch, small',
    classes: [
      { mm: 150, share: 0.55 },
      { mm: 200, share: 0.4 },
      { mm: 250, share: 0.05 },
    ],
    perch: 0.05,
    seen: [{ hour: 3.3, what: 'cold-rain' }],
  },
];

/** Two days with the pole before the hard water: one plain on still water, one hard on a channel that turns. */
export const poleDays = (): LedgerEvent[] => days.flatMap((day, k) => poleDay(day, seededRandom(9300 + k)));

/** How often the angler looks at the answer and may act on it, and how long a bite takes, min. */
const [lookMin, fishMin] = [5, 1.2];

function poleDay(day: Day, random: Random): LedgerEvent[] {
  const startMs = Date.parse(`${day.start}:00-09:00`);
  const endMs = startMs + day.hours * 60 * minuteMs;
  const outing = idAt(startMs, random);
  const pen = new Pen(outing, random);
  const id = (ms: number) => idAt(ms, random);
  pen.write(startMs, 'outing-started', { water: day.water, waterName: day.waterName, species: ['roach'], goal: 'numbers', method: 'pole' });
  let ms = startMs + 12 * minuteMs;
  const near = id(ms);
  pen.write(ms, 'station-opened', { station: near, kind: 'swim', label: day.peg, at: day.at });
  pen.write(ms + minuteMs, 'temperature-measured', { station: near, depthM: 0.3, tempC: day.tempC(0.2) });
  const plumbed = plumbingPlan(day.reachM).map((outM) => ({ outM, depthM: Math.round(20 * (day.bed(outM) + 0.02 * normal(random))) / 20 }));
  plumbed.forEach((p, k) => pen.write(ms + (2 + 0.6 * k) * minuteMs, 'plumbed', { station: near, ...p }));
  ms += 7 * minuteMs;
  const time = (at: number) => {
    const surface = day.surfaceMs((at - startMs) / (60 * minuteMs));
    const seconds = surface === 0 ? 60 : Math.round(20 / Math.abs(surface)) / 10;
    pen.write(at, 'flow-timed', { station: near, alongM: surface === 0 ? 0 : 2 * Math.sign(surface), seconds });
  };
  time(ms);
  const far = id(ms);
  pen.write(ms + minuteMs, 'swim-placed', { station: near, outM: day.nearM });
  pen.write(ms + minuteMs, 'station-opened', { station: far, kind: 'swim', label: day.peg, at: day.at, outM: day.farM, peg: near });
  pen.write(ms + minuteMs + 1, 'moved', { station: near });
  const ball: Ball = { cm: 5, gcc: 1.2, breaks: 'half', particle: day.particle };
  const feed = (at: number, swim: string, outM: number) => {
    const state = fold(pen.events).outings[0];
    const peg = pegOf(state, state.stations[0], at);
    const own = peg.swims.find((s) => s.id === swim)!;
    const next = feedPicture(own, bedAt(plumbed, outM) ?? 1.5, peg.flow?.flowMs ?? 0, 3, ball, metric).next;
    pen.write(at, 'fed', { station: swim, what: day.particle, alongM: Math.round(20 * next.dropM) / 20, ball: { ...ball, breaks: next.ball.breaks } });
  };
  feed(ms + 2 * minuteMs, far, day.farM);
  feed(ms + 3 * minuteMs, near, day.nearM);
  ms += 4 * minuteMs;
  let here = near;
  let line = id(ms);
  pen.write(ms, 'line-down', { line, station: here, rod: 'pole', presentation: day.bait });
  // What each swim holds against what it can: emptied by bites, filled again by rest.
  const stock: Record<string, number> = { [near]: 0.8, [far]: 0.5 };
  const seen = [...day.seen];
  let nextLook = ms + lookMin * minuteMs;
  let nextTemp = ms + 60 * minuteMs;
  let nextFlow = ms + 55 * minuteMs;
  while (ms < endMs - 10 * minuteMs) {
    ms += minuteMs;
    const hour = (ms - startMs) / (60 * minuteMs);
    for (const swim of [near, far]) stock[swim] = Math.min(1, stock[swim] + (swim === here ? 0.004 : 0.018));
    if (seen.length > 0 && hour >= seen[0].hour) pen.write(ms, 'quiet-seen', { station: here, what: seen.shift()!.what });
    if (ms >= nextTemp) {
      pen.write(ms, 'temperature-measured', { station: here, depthM: 0.3, tempC: Math.round(10 * day.tempC(hour)) / 10 });
      nextTemp += 60 * minuteMs;
    }
    if (ms >= nextFlow) {
      time(ms + 5000);
      nextFlow += 55 * minuteMs;
    }
    const truth = day.bitesPerMin(hour)[here === near ? 0 : 1] * stock[here] * (day.seen.some((s) => s.what === 'predator' && hour >= s.hour && hour < s.hour + 0.4) ? 0.3 : 1);
    if (random() < truth) {
      ms += bite(ms, here) * minuteMs;
      stock[here] *= 0.93;
      continue;
    }
    if (ms < nextLook) continue;
    nextLook = ms + lookMin * minuteMs;
    const state = fold(pen.events).outings[0];
    const peg = pegOf(
      state,
      state.stations.find((s) => s.id === here)!,
      ms,
    );
    const answer = pegAnswer({ peg, tempC: day.tempC(hour), reasons: [], isBaited: day.isBaited, reachM: day.reachM, nowMs: ms, units: metric, zone });
    if (answer.swapTo) {
      pen.write(ms, 'line-up', { line });
      pen.write(ms + 1000, 'rested', { station: here });
      pen.write(ms + 2000, 'moved', { fromStation: here, station: answer.swapTo.id });
      here = answer.swapTo.id;
      line = id(ms);
      ms += 1.5 * minuteMs;
      pen.write(ms, 'line-down', { line, station: here, rod: 'pole', presentation: day.bait });
    } else if (answer.wait.isUnusual && answer.change.id !== 'pole.change.none-yet') {
      pen.write(ms, 'changed', { station: here, what: answer.change.id });
      if (answer.change.id === 'pole.change.ball') feed(ms + 20_000, here, here === near ? day.nearM : day.farM);
    } else if (answer.feed.id === 'pole.feed.top-up' || answer.feed.id === 'pole.feed.pinch') feed(ms, here, here === near ? day.nearM : day.farM);
  }
  pen.write(endMs - 6 * minuteMs, 'line-up', { line });
  const { fish } = fold(pen.events).outings[0];
  const small = fish.filter((f) => f.classMm === 150).length;
  if (small >= 8) pen.write(endMs - 3 * minuteMs, 'bag-weighed', { station: near, count: small, massG: Math.round(small * 33), classMm: 150 });
  pen.write(endMs, 'outing-ended', {});
  return pen.events;

  /** A bite and what came of it; how long it took, min. */
  function bite(at: number, swim: string): number {
    const surface = day.surfaceMs((at - startMs) / (60 * minuteMs));
    const run = runOf((7 / 8) * surface, 3);
    const share = Math.min(0.98, Math.max(0.02, 0.66 + 0.16 * normal(random)));
    const alongM = Math.round(10 * (surface < 0 ? run.toM - share * 3 : surface > 0 ? run.fromM + share * 3 : 0.25 * normal(random))) / 10;
    const along = random() < 0.8 ? { alongM } : {};
    if (random() < 0.3) {
      pen.write(at, 'reaction', { station: swim, line, reaction: random() < 0.5 ? 'missed' : 'bite', ...along });
      return 0.5;
    }
    const species: WeighedSpecies = random() < day.perch ? 'european-perch' : 'roach';
    let pick = random();
    const { mm } = day.classes.find((c) => (pick -= c.share) < 0) ?? day.classes[0];
    const fish = id(at);
    pen.write(at, 'fish-landed', { fish, station: swim, line, species, classMm: mm, ...along });
    if (estimateWeight(species, mm) === undefined) throw new RangeError(`expected a weight of ${species} of ${mm} mm`);
    pen.write(at + 20_000, 'fish-released', { fish });
    return fishMin;
  }
}
