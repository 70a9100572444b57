import { speciesOf, type Species } from '../fish';
import { clamp, hourMs, interpolate } from '../units';
import { phaseAtInstant, sunHeightDeg, weatherAt, type Phase, type PhaseName, type Place, type WeatherHour } from '../weather';
import { cloudDimsDeg, lightRules, phaseRules } from './rules';

/** Feeding at an instant, 0 to about 1.7 (1: low light in steady weather), with its two shares. */
export interface Activity {
  atMs: number;
  value: number;
  phaseShare: number;
  lightShare: number;
  phase: PhaseName;
}

export interface FeedingWindow {
  fromMs: number;
  toMs: number;
  peakMs: number;
  /** Mean activity in the window. */
  value: number;
  phase: PhaseName;
  reasons: { ruleId: string; text: string }[];
}

/** A window reaches this share of the best hour of its day, no less than `leastValue`, and lasts. Soft. */
export const windowLimits = { leastValue: 0.5, bestShare: 0.8, leastMs: hourMs, stepMs: hourMs / 4 } as const;

/** Feeding of a species through a span, every quarter hour. */
export function feedingActivity(speciesId: string, span: { fromMs: number; toMs: number }, phases: readonly Phase[], series: readonly WeatherHour[], place: Place): Activity[] {
  const species = speciesOf(speciesId);
  const light = lightRules.find((r) => r.habit === species.light)!;
  const activities: Activity[] = [];
  for (let atMs = span.fromMs; atMs <= span.toMs; atMs += windowLimits.stepMs) {
    const phase = phaseAtInstant(phases, atMs)?.name ?? 'steady';
    const rule = phaseRules.find((r) => r.phase === phase)!;
    const cloud = weatherAt(series, atMs)?.cloud ?? 0.5;
    // The pull of a coming front grows with its cloud.
    const strength = phase === 'approach' ? clamp((cloud - 0.3) / 0.5, 0.2, 1) : 1;
    const phaseShare = (1 + (rule.factor - 1) * strength) ** species.frontSensitivity;
    const sunDeg = sunHeightDeg(atMs, place);
    const lightShare = interpolate(light.sunDeg, light.factor, sunDeg > 0 ? Math.max(0, sunDeg - cloudDimsDeg * cloud) : sunDeg);
    activities.push({ atMs, value: phaseShare * lightShare, phaseShare, lightShare, phase });
  }
  return activities;
}

/** The stretches worth being there for, earliest first. */
export function feedingWindows(speciesId: string, activities: readonly Activity[]): FeedingWindow[] {
  const species = speciesOf(speciesId);
  const windows: FeedingWindow[] = [];
  let from = -1;
  for (let i = 0; i <= activities.length; i++) {
    const isIn = i < activities.length && activities[i].value >= leastAt(activities, i);
    if (isIn && from < 0) from = i;
    if (isIn || from < 0) continue;
    const part = activities.slice(from, i);
    from = -1;
    if (part[part.length - 1].atMs - part[0].atMs >= windowLimits.leastMs) windows.push(windowOf(part, species));
  }
  return windows;
}

/** The height a window must reach at a moment: a share of the best within half a day. */
function leastAt(activities: readonly Activity[], i: number): number {
  const half = (12 * hourMs) / windowLimits.stepMs;
  let best = 0;
  for (let j = Math.max(0, i - half); j <= Math.min(activities.length - 1, i + half); j++) best = Math.max(best, activities[j].value);
  return Math.max(windowLimits.leastValue, windowLimits.bestShare * best);
}

function windowOf(part: readonly Activity[], species: Species): FeedingWindow {
  const peak = part.reduce((a, b) => (b.value > a.value ? b : a));
  const phaseRule = phaseRules.find((r) => r.phase === peak.phase)!;
  const lightRule = lightRules.find((r) => r.habit === species.light)!;
  return {
    fromMs: part[0].atMs,
    toMs: part[part.length - 1].atMs,
    peakMs: peak.atMs,
    value: part.reduce((sum, a) => sum + a.value, 0) / part.length,
    phase: peak.phase,
    reasons: [
      { ruleId: phaseRule.id, text: phaseRule.reason },
      { ruleId: lightRule.id, text: lightRule.reason },
    ],
  };
}
