import type { WeatherHour } from '@burrow/core/weather';

const hour = 3_600_000;
const day = 24 * hour;

interface ScriptedFront {
  atMs: number;
  kind: 'cold' | 'warm';
  /** Step of the air mass, °C, and depth of the trough, hPa. */
  stepC: number;
  troughHpa: number;
  /** Snow it leaves in frost, cm, where it is not the usual. */
  snowCm?: number;
}

const at = (iso: string) => Date.parse(`${iso}:00-09:00`);

/** The fronts of the scenario winter at the upland. */
export const scriptedFronts: readonly ScriptedFront[] = [
  { atMs: at('2026-10-06T14:00'), kind: 'cold', stepC: -5, troughHpa: 7 },
  { atMs: at('2026-10-13T03:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2026-10-20T18:00'), kind: 'warm', stepC: 4, troughHpa: 5 },
  { atMs: at('2026-10-22T09:00'), kind: 'cold', stepC: -7, troughHpa: 9 },
  { atMs: at('2026-10-30T12:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2026-11-06T16:00'), kind: 'cold', stepC: -7, troughHpa: 9 },
  { atMs: at('2026-11-15T20:00'), kind: 'cold', stepC: -8, troughHpa: 10 },
  { atMs: at('2026-11-21T13:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2026-11-27T10:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2026-12-03T22:00'), kind: 'cold', stepC: -7, troughHpa: 9 },
  { atMs: at('2026-12-09T05:00'), kind: 'warm', stepC: 5, troughHpa: 5 },
  { atMs: at('2026-12-10T09:00'), kind: 'cold', stepC: -8, troughHpa: 10, snowCm: 15 },
  { atMs: at('2026-12-16T17:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2026-12-22T13:00'), kind: 'cold', stepC: -7, troughHpa: 9 },
  { atMs: at('2026-12-28T20:00'), kind: 'warm', stepC: 5, troughHpa: 5 },
  { atMs: at('2026-12-30T04:00'), kind: 'cold', stepC: -8, troughHpa: 10 },
  { atMs: at('2027-01-04T15:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
  { atMs: at('2027-01-10T11:00'), kind: 'cold', stepC: -7, troughHpa: 9 },
  { atMs: at('2027-01-16T19:00'), kind: 'cold', stepC: -8, troughHpa: 10 },
  { atMs: at('2027-01-20T06:00'), kind: 'warm', stepC: 5, troughHpa: 5 },
  { atMs: at('2027-01-21T08:00'), kind: 'cold', stepC: -7, troughHpa: 8 },
  { atMs: at('2027-01-27T18:00'), kind: 'cold', stepC: -6, troughHpa: 8 },
];

/** Mild spells without a front: middle, half-width in days, and how much warmer. */
const spells = [{ atMs: at('2026-11-11T12:00'), days: 2.2, warmC: 8 }];

/** A repeatable number −1 to 1 for an hour and a quantity. */
function jitter(hourIndex: number, salt: number): number {
  let h = Math.imul(hourIndex ^ Math.imul(salt, 0x9e3779b1), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 2147483648 - 1;
}

/** Snow on land, cm: each front of the frost leaves some, which settles. */
function snowLying(ms: number, sinceAutumn: number): number {
  if (sinceAutumn < -5) return 0;
  const fell = scriptedFronts.filter((f) => f.atMs > at('2026-11-10T00:00') && f.atMs <= ms + 3 * hour);
  return fell.reduce((sum, f) => {
    const age = (ms - f.atMs) / day;
    const lying = Math.min(1, Math.max(0, (age * 24 + 3) / 7));
    return sum + (f.snowCm ?? (f.kind === 'cold' ? 3 : 1)) * lying * Math.exp(-Math.max(0, age) / 26);
  }, 0);
}

const smoothStep = (x: number) => 1 / (1 + Math.exp(-x));
const round = (value: number, decimals: number) => Math.round(value * 10 ** decimals) / 10 ** decimals;

/** Turns `fromDeg` toward `toDeg` the short way by a share. */
function turned(fromDeg: number, toDeg: number, share: number): number {
  const way = ((((toDeg - fromDeg) % 360) + 540) % 360) - 180;
  return (fromDeg + way * share + 360) % 360;
}

/** Middle of the frost hollow of the scenario, and how far its cold air reaches, degrees of latitude (11 km). */
const hollow = { lon: -140, lat: 47, reachDeg: 0.045 };
/** How much milder the lowland beyond it is in the depth of winter, °C. */
const lowlandC = 13;

/** How far a place lies out of the frost hollow, 0 in its middle to 1. */
export function mildnessAt(lon: number, lat: number): number {
  const away = Math.hypot((lon - hollow.lon) * Math.cos((lat * Math.PI) / 180), lat - hollow.lat);
  return 1 - Math.exp(-((away / hollow.reachDeg) ** 2));
}

/**
 * The simulated air of an hour at the upland, or at a place that lies out of its frost hollow by `mildness` (0 to 1): milder in winter, with
 * rain for snow. A forecast drifts from it: by a day's lead fronts come up to a quarter hour off
 * for each six hours of lead, and the figures lose their last certainty.
 */
export function climateAt(ms: number, leadH = 0, mildness = 0): WeatherHour {
  const index = Math.round(ms / hour);
  const drift = leadH > 0 ? (leadH / 24) * hour * 0.5 : 0;
  const localHour = ((((ms - 9 * hour) % day) + day) % day) / hour;
  const sinceAutumn = (ms - at('2026-11-15T00:00')) / day;
  // Mild in October, frost from mid-November.
  let mass = -3 - 7 * smoothStep((sinceAutumn - 25) / 12) + 13 * smoothStep((-17 - sinceAutumn) / 7);
  mass += mildness * lowlandC * smoothStep((sinceAutumn + 5) / 25);
  for (const spell of spells) mass += spell.warmC * Math.exp(-(((ms - spell.atMs) / (spell.days * day)) ** 2));
  let pressure = 1019 + 0.4 * Math.cos((localHour - 10) * (Math.PI / 6));
  let cloud = 0.4 + 0.15 * Math.sin(index / 31);
  let precip = 0;
  let windMs = 2.6;
  let windDeg = 205;
  for (const front of scriptedFronts) {
    const sinceH = (ms - front.atMs - drift) / hour;
    if (sinceH < -40 || sinceH > 140) continue;
    mass += front.stepC * smoothStep(sinceH / 0.8) * Math.exp(-Math.max(0, sinceH) / 75);
    pressure -= front.troughHpa * Math.exp(-((sinceH / (sinceH < 0 ? 14 : 6)) ** 2));
    const cold = front.kind === 'cold';
    if (cold) pressure += 8 * Math.exp(-(((sinceH - 32) / 20) ** 2));
    const deck = Math.exp(-(((sinceH + 4) / (sinceH < -4 ? 9 : 5)) ** 2));
    cloud += (0.97 - cloud) * deck;
    if (cold && sinceH > 2) cloud += (0.12 - cloud) * Math.exp(-(((sinceH - 18) / 16) ** 2));
    precip += 1.3 * Math.exp(-(((sinceH + 1) / 2.2) ** 2));
    windMs += 4.5 * Math.exp(-((sinceH / 7) ** 2)) + (cold && sinceH > 0 ? 1.2 * Math.exp(-sinceH / 24) : 0);
    if (sinceH < 0) windDeg = turned(windDeg, cold ? 190 : 125, Math.exp(-((sinceH / 14) ** 2)));
    else windDeg = turned(cold ? 315 : 200, windDeg, 1 - Math.exp(-sinceH / 30));
  }
  cloud = Math.min(1, Math.max(0, cloud + 0.06 * jitter(index, 3)));
  const swing = 3.6 * (1 - 0.7 * cloud);
  const loose = 1 + leadH / 48;
  return {
    atMs: ms,
    airC: round(mass + swing * Math.cos((localHour - 14.5) * (Math.PI / 12)) + 0.25 * loose * jitter(index, 1), 1),
    pressureHpa: round(pressure + 0.15 * loose * jitter(index, 2), 1),
    windMs: round(Math.max(0.3, windMs + 0.5 * jitter(index, 4)), 1),
    windFromDeg: Math.round((windDeg + 8 * jitter(index, 5) + 360) % 360),
    cloud: round(cloud, 2),
    precipMm: precip < 0.15 ? 0 : round(precip * (1 + 0.2 * jitter(index, 6)), 1),
    snowCm: round(snowLying(ms, sinceAutumn) * Math.max(0, 1 - 2 * mildness), 0),
  };
}
