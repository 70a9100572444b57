import { outlineOf, soundingsOf, type WaterFile } from '@burrow/contract/formats';
import { CastWater } from '@burrow/core/casting';
import { estimateWeight, type WeighedSpecies } from '@burrow/core/fish';
import { buildDepthMap } from '@burrow/core/ground';
import { fold, type LedgerEvent } from '@burrow/core/ledger';
import { driftLane, fishedDepths, lineOut, planLane, reversed, spotAlong, spreadDepths, turnAhead, type Lane } from '@burrow/core/troll';
import { minuteMs, normal, seededRandom, type Random } from '@burrow/core/units';
import { idAt, Pen } from './pen';
import { verrinReservoir } from './reservoir';

interface Day {
  water: string;
  file: WaterFile;
  start: string;
  hours: number;
  species: WeighedSpecies;
  meanMm: number;
  tempC: number;
  band: { fromM: number; toM: number };
  levelM: number;
  speedMs: number;
  massG: number;
  presentations: readonly [string, string];
  wind: { windMs: number; fromDeg: number } | null;
  /** The hidden truth: depth they hang at, m, and strikes a minute of a bait there. */
  fishM: number;
  keen: number;
}

const days: readonly Day[] = [
  {
    // Risen water has drowned the grass: trout are up against the bank.
    water: 'verrin-reservoir',
    file: verrinReservoir(),
    start: '2026-11-01T08:30',
    hours: 4.2,
    species: 'lake-trout',
    meanMm: 520,
    tempC: 9.4,
    band: { fromM: 1, toM: 4.5 },
    levelM: 0.8,
    speedMs: 0.9,
    massG: 18,
    presentations: ['Spoon, 12 g', 'Minnow, 9 cm'],
    wind: null,
    fishM: 2.1,
    keen: 0.11,
  },
  {
    water: 'verrin-reservoir',
    file: verrinReservoir(),
    start: '2026-11-03T10:00',
    hours: 3.4,
    species: 'smallmouth',
    meanMm: 340,
    tempC: 7.6,
    band: { fromM: 3, toM: 7 },
    levelM: 0,
    speedMs: 0.15,
    massG: 10,
    presentations: ['Tube, 64 mm', 'Small spoon'],
    wind: { windMs: 5, fromDeg: 250 },
    fishM: 5.2,
    keen: 0.13,
  },
];

/** A day of trolling and one of drifting before the hard water. */
export const trollDays = (): LedgerEvent[] => days.flatMap((day, k) => trollDay(day, seededRandom(9500 + k)));

const rods = 2;
const laneM = 700;

function trollDay(day: Day, random: Random): LedgerEvent[] {
  const { file } = day;
  const bed = new CastWater(buildDepthMap(outlineOf(file), soundingsOf(file)), day.levelM);
  const startMs = Date.parse(`${day.start}:00-09:00`);
  const endMs = startMs + day.hours * 60 * minuteMs;
  const pen = new Pen(idAt(startMs, random), random);
  const id = (ms: number) => idAt(ms, random);
  pen.write(startMs, 'outing-started', { water: day.water, waterName: file.water.name, species: [day.species], goal: 'numbers', method: 'troll' });
  if (day.levelM !== 0) pen.write(startMs + minuteMs, 'level-measured', { levelM: day.levelM, by: 'gauge' });
  let ms = startMs + 10 * minuteMs;
  let lane: Lane | null = null;
  for (let label = 1; ms < endMs - 20 * minuteMs; label++) {
    const so = fold(pen.events).outings[0];
    const passes = new Set(so.stations.map((s) => s.id));
    const depths = spreadDepths({ band: day.band, rods, baitsPerRod: 1, fished: fishedDepths(so, passes, ms) }).map(([m]) => m);
    const deepestM = Math.max(...depths);
    lane = way(label, deepestM, lane);
    if (!lane) break;
    const pass = id(ms);
    const begin = bed.place(lane.spots[0]);
    pen.write(ms, 'station-opened', { station: pass, kind: 'pass', label: String(label), at: [round(begin[0]), round(begin[1])] });
    if (label % 2 === 1) pen.write(ms + 5000, 'temperature-measured', { station: pass, depthM: 0.3, tempC: Math.round(10 * (day.tempC + 0.1 * normal(random))) / 10 });
    const lines = depths.map((depthM, k) => {
      const line = id(ms);
      pen.write(ms + 20_000 + k, 'line-down', {
        line,
        station: pass,
        rod: k === 0 ? 'left' : 'right',
        presentation: day.presentations[k],
        depthM,
        lineOutM: Math.round(10 * lineOut({ lure: { massG: day.massG, material: 'lead', shape: 'sphere' }, lineMm: 0.28 }, depthM, day.speedMs)) / 10,
      });
      return { line, depthM, side: k === 0 ? ('left' as const) : ('right' as const) };
    });
    const beganMs = ms;
    const points: [number, number, number][] = [];
    const seconds = lane.lengthM / day.speedMs;
    for (let s = 0; s < seconds && ms < endMs - 6 * minuteMs; s += 30) {
      ms = beganMs + 30_000 + 1000 * s;
      const alongM = s * day.speedMs;
      const spot = spotAlong(lane.spots, alongM);
      const [lon, lat] = bed.place({ x: spot.x + 1.5 * normal(random), y: spot.y + 1.5 * normal(random) });
      points.push([round(lon), round(lat), 30 + s]);
      for (const l of lines) {
        const rate = day.keen / (1 + ((l.depthM - day.fishM) / 0.8) ** 4);
        if (random() > rate / 2) continue;
        const turn = turnAhead(lane.turns, alongM);
        const inTurn = turn !== null && alongM >= turn.fromM;
        strike(pen, ms, pass, l, [round(lon), round(lat)], inTurn ? (turn.side === l.side ? 'inside' : 'outside') : 'straight', bed.depth(spot.x, spot.y));
      }
    }
    pen.write(ms + 5000, 'tracked', { station: pass, points });
    for (const l of lines) pen.write(ms + 6000, 'line-up', { line: l.line });
    pen.write(ms + 7000, 'pass-ended', { station: pass });
    ms += (day.wind ? 9 : 4) * minuteMs;
  }
  pen.write(endMs, 'outing-ended', {});
  return pen.events;

  /** A lane there and back, or a drift begun a little beside the last. */
  function way(label: number, deepestM: number, last: Lane | null): Lane | null {
    const leastM = deepestM + 0.6;
    const follow = { fromM: leastM, toM: leastM + 3 };
    if (day.wind) {
      for (let tries = 0; tries < 60; tries++) {
        const from = bed.spot(bed.map.deepest.at);
        const at = { x: from.x + 160 * normal(random) - 100, y: from.y + 120 * normal(random) };
        const drift = driftLane(bed, at, day.wind, 'boat', follow, deepestM, leastM, 260);
        if (drift && drift.lengthM > 90) return drift;
      }
      return null;
    }
    if (label % 2 === 0 && last && last.leastClearanceM + 0.01 >= 0) return reversed(last);
    return planLane(bed, { band: follow, baitM: deepestM, clearanceM: 0.6, turnM: 15, lengthM: laneM, start: last ? last.spots[0] : null });
  }

  function strike(
    to: Pen,
    at: number,
    station: string,
    l: { line: string; depthM: number },
    place: [number, number],
    turn: 'straight' | 'inside' | 'outside',
    underM: number,
  ): void {
    to.write(at, 'reaction', {
      station,
      line: l.line,
      reaction: random() < 0.25 ? 'missed' : 'bite',
      depthM: l.depthM,
      ...(Number.isNaN(underM) ? {} : { bottomM: Math.round(100 * underM) / 100 }),
      at: place,
      turn,
      speedMs: day.speedMs,
    });
    if (random() < 0.45) return;
    const fish = idAt(at, random);
    const lengthMm = Math.round(day.meanMm * (1 + 0.12 * normal(random)));
    const weight = estimateWeight(day.species, lengthMm);
    to.write(at + 70_000, 'fish-landed', {
      fish,
      station,
      line: l.line,
      species: day.species,
      lengthMm,
      depthM: l.depthM,
      at: place,
      ...(weight ? { weightG: Math.round(weight.weightG) } : {}),
    });
    to.write(at + 100_000, 'fish-released', { fish });
  }
}

const round = (deg: number) => Math.round(deg * 1e7) / 1e7;
