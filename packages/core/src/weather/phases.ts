import { hourMs } from '../units';
import type { Front } from './fronts';
import { coverageOf } from './coverage';
import { hourlyGrid, type HourlyGrid, type WeatherHour } from './series';

export type PhaseName = 'approach' | 'passage' | 'post-front clear' | 'settling' | 'steady' | 'warming trend' | 'cold rain' | 'not enough to say';

export interface Phase {
  fromMs: number;
  toMs: number;
  name: PhaseName;
  /** 0–1; falls with forecast lead and with what is missing. 0 where there is not enough to say. */
  confidence: number;
  /** What would have to be known to name it, in words; only where there is not enough to say. */
  missing?: string[];
}

/** How phases are told apart, h unless said. Heuristic. */
export const phaseLimits = { approachH: 14, clearH: 30, settlingH: 48, warmingPerDayC: 1.5, leastH: 4 } as const;

/**
 * Names the phase of every hour of the series, from its first to one hour past its last, as spans without gaps. Hours about which too
 * little is known are `not enough to say`.
 * @param nowMs observations end here; confidence falls behind it
 */
export function findPhases(series: readonly WeatherHour[], fronts: readonly Front[], nowMs: number): Phase[] {
  const grid = hourlyGrid(series);
  const coverage = coverageOf(grid);
  const names = withoutFlicker(Array.from({ length: grid.length }, (_, i) => (coverage(i).missing.length > 0 ? 'not enough to say' : phaseAt(grid, fronts, i))));
  const phases: Phase[] = [];
  for (let i = 0; i < grid.length; i++) {
    const fromMs = grid.startMs + i * hourMs;
    const name = names[i];
    const last = phases[phases.length - 1];
    if (last?.name === name) {
      last.toMs = fromMs + hourMs;
    } else {
      phases.push({ fromMs, toMs: fromMs + hourMs, name, confidence: 0 });
    }
  }
  return phases.map((phase) => {
    const middleMs = (phase.fromMs + phase.toMs) / 2;
    const { share, missing } = coverage(Math.floor((middleMs - grid.startMs) / hourMs));
    if (phase.name === 'not enough to say') return { ...phase, missing };
    return { ...phase, confidence: Math.round(100 * share * confidenceAt(middleMs, nowMs)) / 100 };
  });
}

/** Observed 0.95; a forecast loses a third of its worth each two days. */
const confidenceAt = (atMs: number, nowMs: number) => (atMs <= nowMs ? 0.95 : 0.9 * Math.exp(-(atMs - nowMs) / (120 * hourMs)));

/** A phase other than a front's passage that does not last takes the name of the one before it. */
function withoutFlicker(names: PhaseName[]): PhaseName[] {
  let from = 0;
  for (let i = 1; i <= names.length; i++) {
    if (names[i] === names[from]) continue;
    if (from > 0 && i - from < phaseLimits.leastH && names[from] !== 'passage') names.fill(names[from - 1], from, i);
    else from = i;
    if (names[i] !== names[from]) from = i;
  }
  return names;
}

function phaseAt(grid: HourlyGrid, fronts: readonly Front[], i: number): PhaseName {
  const at = grid.startMs + i * hourMs;
  const last = fronts.filter((f) => f.atMs <= at).at(-1);
  const next = fronts.find((f) => f.atMs > at);
  const nearest = [last, next].find((f) => f && Math.abs(f.atMs - at) <= Math.max(1, f.uncertaintyH) * hourMs);
  if (nearest) return 'passage';
  const cloud = grid.cloud[i];
  const falling = change(grid.pressureHpa, i, 3) < -0.4 || change(grid.cloud, i, 6) > 0.15 || cloud > 0.6;
  if (next && next.atMs - at <= phaseLimits.approachH * hourMs && falling) return 'approach';
  const warming = change(grid.airC, i, 24);
  if (grid.precipMm[i] > 0.1 && grid.airC[i] > 0 && grid.airC[i] < 8 && warming < 0) return 'cold rain';
  if (last && last.kind !== 'warm') {
    const since = (at - last.atMs) / hourMs;
    if (since <= 4 && cloud > 0.6) return 'passage';
    if (since <= phaseLimits.clearH && !(cloud > 0.6)) return 'post-front clear';
    if (since <= phaseLimits.settlingH) return 'settling';
  }
  if (dayChange(grid.airC, i, 0) > phaseLimits.warmingPerDayC && dayChange(grid.airC, i, 24) > phaseLimits.warmingPerDayC / 2) return 'warming trend';
  return 'steady';
}

/** Change over the hours before `i`, NaN where either end is missing. */
const change = (values: Float64Array, i: number, hours: number) => (i >= hours ? values[i] - values[i - hours] : NaN);

/** Change of the mean of 24 hours, ending `back` hours before `i`, against that of the 24 before; NaN with any gap. */
function dayChange(values: Float64Array, i: number, back: number): number {
  const to = i - back;
  if (to < 48) return NaN;
  let sum = 0;
  for (let h = 0; h < 24; h++) sum += values[to - h] - values[to - 24 - h];
  return sum / 24;
}

/** The phase in force at an instant. */
export const phaseAtInstant = (phases: readonly Phase[], atMs: number) => phases.find((p) => atMs >= p.fromMs && atMs < p.toMs);
