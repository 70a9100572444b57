import { marksOf, outlineOf, riverMarksOf, soundingsOf, type WaterFile } from '@burrow/contract/formats';
import { castTarget, firstStand, nextStand, pauseS, standCasts, strikeRadiusM, takeChance, type CastTarget, type MadeCast, type StandQuery } from '@burrow/core/casting';
import { estimateWeight, type WeighedSpecies } from '@burrow/core/fish';
import { buildDepthMap, coverKind, LocalFrame, type DepthMap, type LonLat } from '@burrow/core/ground';
import type { LedgerEvent } from '@burrow/core/ledger';
import { feedingLies, winteringPools } from '@burrow/core/river';
import { minuteMs, seededRandom, type Random } from '@burrow/core/units';
import { idAt, Pen } from './pen';
import { verrinReservoir } from './reservoir';
import { ullenRiver } from './river';

interface Day {
  water: string;
  file: WaterFile;
  start: string;
  hours: number;
  species: WeighedSpecies;
  meanMm: number;
  tempC: [from: number, to: number];
  band: { fromM: number; toM: number };
  base: number;
  isAshore: boolean;
  presentation: string;
  /** The hidden truth: how freely they take, by the hour of the day. */
  draw: (hour: number) => number;
  levelM?: number;
}

const bell = (hour: number, at: number, width: number) => Math.exp(-(((hour - at) / width) ** 2));

const days: readonly Day[] = [
  {
    water: 'verrin-reservoir',
    file: verrinReservoir(),
    start: '2026-11-08T07:10',
    hours: 4.5,
    species: 'smallmouth',
    meanMm: 355,
    tempC: [8.6, 9.2],
    band: { fromM: 6.5, toM: 9.5 },
    base: 1,
    isAshore: false,
    presentation: 'Tube, 64 mm',
    // Best at first light.
    draw: (hour) => 0.4 + 1.6 * bell(hour, 7.8, 1),
    levelM: -1.2,
  },
  {
    water: 'ullen-river',
    file: ullenRiver(),
    start: '2026-11-14T11:20',
    hours: 5.6,
    species: 'largemouth',
    meanMm: 365,
    tempC: [6.2, 7.6],
    band: { fromM: 0.4, toM: 9 },
    base: 0.12,
    isAshore: true,
    presentation: 'Finesse jig, 5 g',
    // Slow until the light goes.
    draw: (hour) => 0.15 + 1.8 * bell(hour, 16.4, 0.8),
  },
];

const castM = 25;

/** Two days of casting before the hard water: points of a reservoir from first light, and a river at dusk after a slow morning. */
export const castingDays = (): LedgerEvent[] => days.flatMap((day, k) => castingDay(day, seededRandom(9100 + k)));

function targetsOf(file: WaterFile, map: DepthMap): CastTarget[] {
  const frame = new LocalFrame(map.lon0, map.lat0);
  const spot = (at: readonly [number, number]) => {
    const [x, y] = frame.toMetres(at);
    return { x, y };
  };
  const { places } = marksOf(file);
  const lies = file.water.kind === 'river' ? feedingLies(map, riverMarksOf(file), winteringPools(map)) : [];
  return [
    ...places.filter((p) => p.role === 'cover').map((p) => castTarget('cover', spot(p.at), coverKind(p.kind ?? '').label)),
    ...places.filter((p) => p.role === 'hard').map((p) => castTarget('hard', spot(p.at), 'rock')),
    ...lies.map((l) => castTarget('lie', spot(l.at), l.by, l.score)),
  ];
}

function castingDay(day: Day, random: Random): LedgerEvent[] {
  const { file } = day;
  const map = buildDepthMap(outlineOf(file), soundingsOf(file));
  const startMs = Date.parse(`${day.start}:00-09:00`);
  const endMs = startMs + day.hours * 60 * minuteMs;
  const pen = new Pen(idAt(startMs, random), random);
  const id = (ms: number) => idAt(ms, random);
  const setting = (tempC: number) => ({ band: day.band, castM, strikeM: strikeRadiusM(tempC, file.water.secchi_m), chance: takeChance(tempC), base: day.base, count: 1 });
  const targets = targetsOf(file, map);
  const tempAt = (ms: number) => day.tempC[0] + ((day.tempC[1] - day.tempC[0]) * (ms - startMs)) / (endMs - startMs);
  pen.write(startMs, 'outing-started', { water: day.water, waterName: file.water.name, species: [day.species], goal: 'numbers', method: 'cast' });
  if (day.levelM !== undefined) pen.write(startMs + minuteMs, 'level-measured', { levelM: day.levelM, by: 'gauge' });
  const casts: MadeCast[] = [];
  let ms = startMs + 12 * minuteMs;
  let { at }: { at: LonLat } = firstStand(map, [outlineOf(file)], { ...setting(tempAt(ms)), targets, casts }, day.isAshore)!;
  for (let label = 1; ms < endMs - 12 * minuteMs; label++) {
    const station = id(ms);
    pen.write(ms, 'station-opened', { station, kind: 'stand', label: String(label), at: [at[0], at[1]] });
    if (label % 2 === 1) pen.write(ms + 20_000, 'temperature-measured', { station, depthM: 0.3, tempC: Math.round(10 * tempAt(ms)) / 10 });
    const line = id(ms + 30_000);
    pen.write(ms + 30_000, 'line-down', { line, station, rod: 'rod 1', presentation: day.presentation });
    ms += minuteMs;
    const stay = 5 + Math.floor(5 * random());
    for (let k = 0; k < stay && ms < endMs - 6 * minuteMs; k++) {
      const query: StandQuery = { ...setting(tempAt(ms)), at, targets, casts };
      const [best] = standCasts(map, query).casts;
      if (!best) break;
      const cast = id(ms);
      const bearingDeg = Math.round(best.bearingDeg) % 360;
      const lengthM = Math.round(10 * best.lengthM) / 10;
      pen.write(ms, 'cast', { cast, station, line, bearingDeg, distanceM: lengthM });
      casts.push({ from: at, bearingDeg, lengthM });
      const outM = Math.round(10 * lengthM * (0.4 + 0.5 * random())) / 10;
      const hour = ((ms - 9 * 60 * minuteMs) / (60 * minuteMs)) % 24;
      const roll = random();
      const rate = 0.16 * day.draw(hour);
      if (roll > 0.94) pen.write(ms + minuteMs, 'felt', { station, what: roll > 0.97 ? 'hard' : 'wood', cast, bearingDeg, outM, by: 'time' });
      else if (roll < rate * 0.6) land(pen, ms + 2 * minuteMs, { station, line, cast, outM }, day, random);
      else if (roll < rate) pen.write(ms + 2 * minuteMs, 'reaction', { station, line, reaction: 'missed', cadence: 'hop', cast, outM });
      else if (roll < 1.4 * rate) pen.write(ms + 2 * minuteMs, 'reaction', { station, line, reaction: 'followed', cadence: 'hop', cast, outM });
      ms += (2.2 + (lengthM / 0.9) * (pauseS(tempAt(ms), 'hop') / 60) * 0.6 + random()) * minuteMs;
    }
    pen.write(ms, 'line-up', { line });
    pen.write(ms + 10_000, 'rested', { station });
    const next = nextStand(map, [outlineOf(file)], { ...setting(tempAt(ms)), at, targets, casts }, day.isAshore, 300);
    at = next?.at ?? at;
    ms += ((next?.walkM ?? 0) / 50 + 4) * minuteMs;
  }
  pen.write(endMs, 'outing-ended', {});
  return pen.events;
}

function land(pen: Pen, ms: number, on: { station: string; line: string; cast: string; outM: number }, day: Day, random: Random): void {
  const lengthMm = Math.round(day.meanMm + 45 * (random() + random() + random() - 1.5));
  const fish = idAt(ms, random);
  const weight = estimateWeight(day.species, lengthMm);
  pen.write(ms, 'reaction', { station: on.station, line: on.line, reaction: 'bite', cadence: 'hop', cast: on.cast, outM: on.outM });
  pen.write(ms + 40_000, 'fish-landed', { fish, ...on, species: day.species, lengthMm, ...(weight ? { weightG: Math.round(weight.weightG) } : {}) });
  pen.write(ms + 60_000, 'fish-released', { fish });
}
