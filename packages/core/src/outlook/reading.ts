import type { ColumnAnswer } from '../column';
import type { LedgerState } from '../ledger';
import { clamp, hourMs } from '../units';
import { freshDensity, valueAt } from '../water';
import type { ColumnProfile } from '../winter';

/** A thermometer read in the water. */
export interface TempReading {
  atMs: number;
  depthM: number;
  tempC: number;
}

/**
 * How long and how far a thermometer rules over the model. Heuristic: a mixed layer keeps its temperature for half a day, weather has turned it over in two;
 * a couple of metres are stirred together in any wind; beyond the layer that was measured, half a model's error goes with every couple of metres.
 */
export const readingLimits = { wholeH: 12, goneH: 48, sameLayerC: 0.5, leastLayerM: 2, fadeM: 2.5, leastC: -0.1, mostC: 40 } as const;

/** Thermometer readings at a water that still rule, earliest first. */
export const recentReadings = (ledger: LedgerState, water: string, nowMs: number): TempReading[] =>
  ledger.outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.temperatures.map((t) => ({ atMs: t.ms, depthM: t.depthM, tempC: t.tempC })))
    .filter((t) => t.atMs <= nowMs && readingWeight(t.atMs, nowMs) > 0)
    .sort((a, b) => a.atMs - b.atMs);

/** How far a reading rules at an instant: 1 for half a day, from then on less, 0 from two days on. */
export const readingWeight = (readAtMs: number, nowMs: number): number => {
  const ageH = (nowMs - readAtMs) / hourMs;
  return clamp((readingLimits.goneH - ageH) / (readingLimits.goneH - readingLimits.wholeH), 0, 1);
};

/** How far a reading tells of each depth of a profile, 0–1: of its own layer wholly, beyond it less with every metre. */
export function readingReach(profile: Pick<ColumnProfile, 'depthM' | 'tempC' | 'oxygenMgL' | 'light'>, depthM: number): number[] {
  const at = valueAt(profile, 'tempC', depthM);
  const isSame = (k: number) => Math.abs(profile.tempC[k] - at) <= readingLimits.sameLayerC;
  const near = profile.depthM.reduce((best, z, k) => (Math.abs(z - depthM) < Math.abs(profile.depthM[best] - depthM) ? k : best), 0);
  let [top, bottom] = [near, near];
  while (top > 0 && isSame(top - 1)) top--;
  while (bottom < profile.depthM.length - 1 && isSame(bottom + 1)) bottom++;
  const fromM = Math.min(profile.depthM[top], depthM - readingLimits.leastLayerM);
  const toM = Math.max(profile.depthM[bottom], depthM + readingLimits.leastLayerM);
  return profile.depthM.map((z) => Math.exp(-Math.max(0, fromM - z, z - toM) / readingLimits.fadeM));
}

/** The column as the thermometer has it: what was read in the last two days goes before the model, in its layer wholly, away from it and with the hours less. */
export function columnAsMeasured(column: ColumnAnswer, readings: readonly TempReading[], nowMs: number): ColumnAnswer {
  if (readings.length === 0) return column;
  const modelledAt = (r: TempReading): number => {
    const now = valueAt(column.now, 'tempC', r.depthM);
    if (!column.dayAgo) return now;
    const before = valueAt(column.dayAgo, 'tempC', r.depthM);
    const share = clamp((r.atMs - column.dayAgo.atMs) / (column.now.atMs - column.dayAgo.atMs), 0, 1);
    return before + share * (now - before);
  };
  const corrected = (profile: ColumnProfile, atMs: number): ColumnProfile => {
    const offC = profile.depthM.map(() => 0);
    let lastM = readings[0].depthM;
    for (const reading of readings) {
      const reach = readingReach(profile, reading.depthM);
      const near = nearest(profile.depthM, reading.depthM);
      const restC = readingWeight(reading.atMs, atMs) * (reading.tempC - modelledAt(reading)) - offC[near];
      if (readingWeight(reading.atMs, atMs) === 0) continue;
      reach.forEach((share, k) => (offC[k] += share * restC));
      lastM = reading.depthM;
    }
    const tempC = profile.tempC.map((t, k) => clamp(t + offC[k], readingLimits.leastC, readingLimits.mostC));
    return { ...profile, tempC: stable(tempC, nearest(profile.depthM, lastM)) };
  };
  // Readings made after an instant say nothing of it, but what they found wrong was wrong the day before as well.
  return {
    ...column,
    now: corrected(column.now, nowMs),
    dayAgo: column.dayAgo && corrected(column.dayAgo, nowMs),
    ahead: column.ahead.map((p) => corrected(p, Math.max(nowMs, p.atMs))),
  };
}

const nearest = (depths: readonly number[], depthM: number): number => depths.reduce((best, z, k) => (Math.abs(z - depthM) < Math.abs(depths[best] - depthM) ? k : best), 0);

/** Temperatures with nothing heavier over lighter water, the layer that was measured kept as it is. */
function stable(tempC: readonly number[], keptAt: number): number[] {
  const settled = [...tempC];
  for (let k = keptAt + 1; k < settled.length; k++) if (freshDensity(settled[k]) < freshDensity(settled[k - 1])) settled[k] = settled[k - 1];
  for (let k = keptAt - 1; k >= 0; k--) if (freshDensity(settled[k]) > freshDensity(settled[k + 1])) settled[k] = settled[k + 1];
  return settled;
}
