import { clamp, hourMs } from '../units';
import { dailyAnomaly, tideRemoved } from './anomaly';
import { hourlyGrid, type HourlyGrid, type WeatherHour } from './series';

export type FrontKind = 'cold' | 'warm' | 'occluded';

export interface Evidence {
  sign: 'pressure trough' | 'temperature step' | 'wind shift' | 'cloud' | 'precipitation';
  /** Size in the sign's own unit: hPa, °C, degrees (positive clockwise), share, mm. */
  amount: number;
  unit: string;
}

export interface Front {
  atMs: number;
  kind: FrontKind;
  uncertaintyH: number;
  /** 0–1, how much of the evidence of its kind was there. */
  strength: number;
  evidence: Evidence[];
}

/** Limits of the detector. Heuristic: they trade a missed weak front against a false one. */
export const frontLimits = {
  /** Steps and shifts are taken over these half-windows, h; the sharpest wins. */
  halfWindowsH: [2, 3, 4, 6, 9],
  /** The glass is looked at this far to both sides, h: a trough fills slower than it falls. */
  troughReachH: [6, 10],
  leastStepC: 2,
  leastTroughHpa: 0.9,
  leastShiftDeg: 25,
  leastScore: 1.75,
  /** Two fronts closer than this are one, h. */
  apartH: 9,
  /** Cold air may come with a backing wind, as a low passes on the other side: that counts for this much of a veering one. */
  backingShare: 0.8,
} as const;

interface Signs {
  stepC: number;
  troughHpa: number;
  shiftDeg: number;
  cloudMean: number;
  precipMm: number;
  cloudChange: number;
}

/**
 * Finds cold, warm and occluded fronts in an hourly series by change-point scoring on what is left after the day's own rhythm
 * and the pressure tide are taken away.
 * @param lat latitude, degrees; in the southern hemisphere winds turn the other way
 */
export function findFronts(series: readonly WeatherHour[], lat: number): Front[] {
  const grid = hourlyGrid(series);
  const air = dailyAnomaly(grid.airC);
  const pressure = tideRemoved(grid.pressureHpa);
  const turn = lat < 0 ? -1 : 1;
  const scored: Front[] = [];
  const scores = new Float64Array(grid.length);
  for (let i = 0; i < grid.length; i++) {
    let best: Front | undefined;
    for (const w of frontLimits.halfWindowsH) {
      const signs = signsAt(grid, air, pressure, i, w);
      const front = signs && classify(signs, turn, grid.startMs + i * hourMs);
      if (front && front.strength > (best?.strength ?? 0)) best = front;
    }
    if (best) {
      scores[i] = best.strength;
      scored.push(best);
    }
  }
  return keepSharpest(scored, scores, (i) => sharpness(grid, air, pressure, i), grid);
}

function signsAt(grid: HourlyGrid, air: Float64Array, pressure: Float64Array, i: number, w: number): Signs | undefined {
  if (i - w < 0 || i + w >= grid.length) return undefined;
  const stepC = meanOf(air, i + 1, i + w) - meanOf(air, i - w, i - 1);
  const troughHpa = Math.max(...frontLimits.troughReachH.map((reach) => troughAt(pressure, i, reach)));
  const before = [meanOf(grid.windEast, i - w, i - 1), meanOf(grid.windNorth, i - w, i - 1)];
  const after = [meanOf(grid.windEast, i + 1, i + w), meanOf(grid.windNorth, i + 1, i + w)];
  const calm = Math.min(Math.hypot(before[0], before[1]), Math.hypot(after[0], after[1])) < 0.7;
  const shift = (Math.atan2(after[0], after[1]) - Math.atan2(before[0], before[1])) * (180 / Math.PI);
  const signs = {
    stepC,
    troughHpa,
    shiftDeg: calm ? 0 : ((((shift + 180) % 360) + 360) % 360) - 180,
    cloudMean: meanOf(grid.cloud, i - 4, i + 2),
    cloudChange: meanOf(grid.cloud, i + 2, i + 6) - meanOf(grid.cloud, i - 4, i),
    precipMm: sumOf(grid.precipMm, i - 4, i + 3),
  };
  return Number.isFinite(stepC) || Number.isFinite(troughHpa) ? signs : undefined;
}

/** How far the glass stands lower than to both sides, or a third of how sharply it turns, hPa; smoothed over three hours. */
function troughAt(pressure: Float64Array, i: number, reachH: number): number {
  const reach = Math.min(reachH, i, pressure.length - 1 - i);
  const here = meanOf(pressure, i - 1, i + 1);
  const [before, after] = [meanOf(pressure, i - reach - 1, i - reach + 1), meanOf(pressure, i + reach - 1, i + reach + 1)];
  return Math.max(Math.min(before, after) - here, (before + after - 2 * here) / 3);
}

/** How far a sign is above its least size, 0 at it and 1 at `full`. NaN (not measured) counts as nothing. */
const share = (amount: number, least: number, full: number) => (Number.isFinite(amount) ? clamp((amount - least) / (full - least), 0, 1) : 0);

/**
 * A front is told from a cloud break, a trough alone or a lake breeze by wanting both a thermal or wind break and a pressure sign:
 * each of trough, step and shift scores up to 1, cloud with precipitation up to 0.5.
 */
function classify(s: Signs, turn: number, atMs: number): Front | undefined {
  const veer = s.shiftDeg * turn;
  const trough = share(s.troughHpa, frontLimits.leastTroughHpa, 3.5);
  const wind = share(veer, frontLimits.leastShiftDeg, 70);
  const cold = share(-s.stepC, frontLimits.leastStepC, 4.5);
  const warm = share(s.stepC, frontLimits.leastStepC, 4.5);
  const wet = 0.25 * share(s.cloudMean, 0.55, 0.85) + 0.25 * share(s.precipMm, 0.1, 1.5);
  const backing = cold > warm ? frontLimits.backingShare * share(-veer, frontLimits.leastShiftDeg, 70) : 0;
  const turned = Math.max(wind, backing);
  if (trough === 0 || turned === 0) return undefined;
  const thermal = Math.max(cold, warm);
  const kind: FrontKind = thermal < 0.1 ? 'occluded' : cold > warm ? 'cold' : 'warm';
  const score = kind === 'occluded' ? (wet >= 0.3 ? 0.75 * (trough + wind) + wet : 0) : trough + turned + thermal + wet;
  if (score < frontLimits.leastScore * (kind === 'occluded' ? 0.9 : 1)) return undefined;
  const evidence: Evidence[] = [
    { sign: 'pressure trough', amount: s.troughHpa, unit: 'hPa' },
    { sign: 'temperature step', amount: s.stepC, unit: '°C' },
    { sign: 'wind shift', amount: s.shiftDeg, unit: '°' },
  ];
  if (s.cloudMean > 0.55) evidence.push({ sign: 'cloud', amount: s.cloudMean, unit: 'share' });
  if (s.precipMm > 0.1) evidence.push({ sign: 'precipitation', amount: s.precipMm, unit: 'mm' });
  return { atMs, kind, uncertaintyH: 1, strength: clamp(score / 3.5, 0, 1), evidence };
}

/**
 * How suddenly temperature, wind and glass turn at an hour: each over two hours to either side, against what is usual of a front.
 * Where the score stays high for hours this tells when the front itself went through.
 */
function sharpness(grid: HourlyGrid, air: Float64Array, pressure: Float64Array, i: number): number {
  const step = Math.abs(meanOf(air, i + 1, i + 2) - meanOf(air, i - 2, i - 1)) / 4;
  const east = meanOf(grid.windEast, i + 1, i + 2) - meanOf(grid.windEast, i - 2, i - 1);
  const north = meanOf(grid.windNorth, i + 1, i + 2) - meanOf(grid.windNorth, i - 2, i - 1);
  const wind = Math.hypot(east, north) / 6;
  const trough = Math.max(0, troughAt(pressure, i, 4)) / 3;
  return [step, wind, trough].reduce((sum, v) => sum + (Number.isFinite(v) ? Math.min(1.5, v) : 0), 0);
}

/** Front times are looked for this far about the highest score, h. */
const refineH = 5;

/** Keeps the highest score within reach of each other, at its sharpest; the uncertainty is the half-width of that sharpness. */
function keepSharpest(scored: Front[], scores: Float64Array, sharp: (i: number) => number, grid: HourlyGrid): Front[] {
  const kept: Front[] = [];
  for (const front of [...scored].sort((a, b) => b.strength - a.strength || a.atMs - b.atMs)) {
    if (kept.some((other) => Math.abs(other.atMs - front.atMs) < frontLimits.apartH * hourMs)) continue;
    const plateau = centroid((front.atMs - grid.startMs) / hourMs, scores.length, (i) => (scores[i] > 0.75 * front.strength ? scores[i] ** 4 : 0));
    const about = Math.round(plateau.at);
    let most = 0;
    for (let i = about - refineH; i <= about + refineH; i++) most = Math.max(most, sharp(i));
    const fine = centroid(about, scores.length, (i) => (sharp(i) > 0.55 * most ? sharp(i) ** 3 : 0));
    kept.push({ ...front, atMs: grid.startMs + (Math.round(2 * fine.at) / 2) * hourMs, uncertaintyH: Math.max(1, Math.round(fine.sd * 10) / 10) });
  }
  return kept.sort((a, b) => a.atMs - b.atMs);
}

/** Weighted middle and spread of the hours about one. */
function centroid(about: number, length: number, weightOf: (i: number) => number): { at: number; sd: number } {
  let weight = 0;
  let moment = 0;
  let spread = 0;
  for (let i = Math.max(0, about - refineH); i <= Math.min(length - 1, about + refineH); i++) {
    const w = weightOf(i);
    weight += w;
    moment += w * (i - about);
    spread += w * (i - about) ** 2;
  }
  if (weight === 0) return { at: about, sd: refineH };
  const shift = moment / weight;
  return { at: about + shift, sd: Math.sqrt(Math.max(0, spread / weight - shift * shift)) };
}

function meanOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  let n = 0;
  for (let i = Math.max(0, from); i <= Math.min(values.length - 1, to); i++) {
    if (Number.isNaN(values[i])) continue;
    sum += values[i];
    n++;
  }
  return n > 0 ? sum / n : NaN;
}

function sumOf(values: Float64Array, from: number, to: number): number {
  const mean = meanOf(values, from, to);
  return Number.isNaN(mean) ? 0 : mean * (to - from + 1);
}
