import { speciesOf, type Species } from '../fish';
import { clamp, hourMs, interpolate, localTime } from '../units';
import { phaseAtInstant, sunDay, sunHeightDeg, weatherAt, type Phase, type PhaseName, type Place, type WeatherHour } from '../weather';
import { startingViewpoints, type Viewpoints } from './viewpoints';
import { lightPart, type RuleEvidence } from './log-evidence';
import { clockRules, cloudDimsDeg, lightRules, phaseRules, type ClockRule } from './rules';

/** Feeding at an instant, 0 to about 1.7 (1: low light in steady weather), with the shares that make it. */
export interface Activity {
  atMs: number;
  value: number;
  phaseShare: number;
  lightShare: number;
  clockShare: number;
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
  /** Share of the advice that comes from the angler's own log, 0–1. */
  logShare: number;
}

/** What feeding is judged by beside weather and light. */
export interface FeedingSetting {
  viewpoints: Viewpoints;
  /** What the log says of the rules, by rule id; empty where there is no log. */
  evidence: ReadonlyMap<string, RuleEvidence>;
  /** Whether the water is open, and how deep it is, m: decides between first and warmed hours where the angler has not. */
  isOpen: boolean;
  deepestM: number;
}

export const startingSetting: FeedingSetting = { viewpoints: startingViewpoints, evidence: new Map(), isOpen: false, deepestM: 10 };

/** A window reaches this share of the best hour of its day, no less than `leastValue`, and lasts. Heuristic. */
export const windowLimits = { leastValue: 0.5, bestShare: 0.8, leastMs: hourMs, stepMs: hourMs / 4, shallowM: 6 } as const;

/** Feeding of a species through a span, every quarter hour. */
export function feedingActivity(
  speciesId: string,
  span: { fromMs: number; toMs: number },
  phases: readonly Phase[],
  series: readonly WeatherHour[],
  place: Place,
  setting: FeedingSetting = startingSetting,
): Activity[] {
  const species = speciesOf(speciesId);
  const activities: Activity[] = [];
  for (let atMs = span.fromMs; atMs <= span.toMs; atMs += windowLimits.stepMs) {
    const phase = phaseAtInstant(phases, atMs)?.name ?? 'steady';
    const cloud = weatherAt(series, atMs)?.cloud ?? 0.5;
    const phaseShare = phaseShareOf(species, phase, cloud, setting);
    const lightShare = lightShareOf(species, sunHeightDeg(atMs, place), cloud, setting);
    const clockShare = clockShareOf(atMs, phase, place, setting);
    activities.push({ atMs, value: phaseShare * lightShare * clockShare, phaseShare, lightShare, clockShare, phase });
  }
  return activities;
}

function phaseShareOf(species: Species, phase: PhaseName, cloud: number, { viewpoints, evidence }: FeedingSetting): number {
  // The viewpoint of the light says that it is only the cloud: then the glass itself moves nothing.
  if (viewpoints['pressure-or-light'] === 'light') return 1;
  const rule = phaseRules.find((r) => r.phase === phase)!;
  const factor = evidence.get(rule.id)?.factor ?? rule.factor;
  // The pull of a coming front grows with its cloud.
  const strength = phase === 'approach' ? clamp((cloud - 0.3) / 0.5, 0.2, 1) : 1;
  return Math.max(0.05, 1 + (factor - 1) * strength) ** species.frontSensitivity;
}

function lightShareOf(species: Species, sunDeg: number, cloud: number, { viewpoints, evidence }: FeedingSetting): number {
  const light = lightRules.find((r) => r.habit === species.light)!;
  const dims = { both: cloudDimsDeg, glass: 0, light: 1.6 * cloudDimsDeg }[viewpoints['pressure-or-light']];
  const prior = interpolate(light.sunDeg, light.factor, sunDeg > 0 ? Math.max(0, sunDeg - dims * cloud) : sunDeg);
  const said = evidence.get(`${light.id}.${lightPart(sunDeg)}`);
  // The log speaks of parts of the day; within one the rule's own course is kept.
  return said ? prior * clamp(said.factor / Math.max(0.05, prior), 0.5, 2) ** said.share : prior;
}

/** The clock rule in force, if any: the angler's choice, else by the water. Under ice the light says it all. */
export function clockRuleFor(phase: PhaseName, { viewpoints, isOpen, deepestM }: FeedingSetting): ClockRule | null {
  const school = viewpoints['early-or-warmed'];
  const side = school !== 'by-water' ? school : !isOpen ? null : phase === 'warming trend' || deepestM <= windowLimits.shallowM ? 'warmed' : 'early';
  return clockRules.find((r) => r.side === side) ?? null;
}

/** From this hour of the clock shallow water has gained its degree. Source: fieldcraft §3. */
const warmedHour = 11;

/** Whether it is still the slow morning of water that is fished in its warmed hours: a blank then tells nothing of the place. */
export function isBeforeWarmth(atMs: number, phase: PhaseName, place: Place, setting: FeedingSetting): boolean {
  if (clockRuleFor(phase, setting)?.side !== 'warmed') return false;
  return atMs >= sunDay(atMs, place).sunriseMs - hourMs && localTime(atMs, place.timeZone).hour < warmedHour;
}

function clockShareOf(atMs: number, phase: PhaseName, place: Place, setting: FeedingSetting): number {
  const rule = clockRuleFor(phase, setting);
  if (!rule) return 1;
  const { sunriseMs, duskMs } = sunDay(atMs, place);
  const isIn = rule.side === 'early' ? atMs >= sunriseMs - hourMs && atMs <= sunriseMs + 3 * hourMs : localTime(atMs, place.timeZone).hour >= warmedHour && atMs <= duskMs;
  return isIn ? rule.inside : rule.outside;
}

/** The stretches worth being there for, earliest first. */
export function feedingWindows(speciesId: string, activities: readonly Activity[], setting: FeedingSetting = startingSetting): FeedingWindow[] {
  const species = speciesOf(speciesId);
  const windows: FeedingWindow[] = [];
  let from = -1;
  for (let i = 0; i <= activities.length; i++) {
    const isIn = i < activities.length && activities[i].value >= leastAt(activities, i);
    if (isIn && from < 0) from = i;
    if (isIn || from < 0) continue;
    const part = lastingPart(activities, from, i);
    from = -1;
    const last = windows.at(-1);
    if (part && !(last && part[0].atMs <= last.toMs)) windows.push(windowOf(part, species, setting));
  }
  return windows;
}

/** The height a window must reach at a moment: a share of the best within half a day. */
/**
 * The stretch of activity from `from` up to `to`, widened to what a window lasts toward the livelier side: a short sharp peak is worth its hour.
 * Null where its surroundings are no good.
 */
function lastingPart(activities: readonly Activity[], from: number, to: number): Activity[] | null {
  const worth = (i: number) => (i >= 0 && i < activities.length ? activities[i].value : -1);
  while (activities[to - 1].atMs - activities[from].atMs < windowLimits.leastMs) {
    const [before, after] = [worth(from - 1), worth(to)];
    if (Math.max(before, after) < windowLimits.leastValue) return null;
    if (after >= before) to++;
    else from--;
  }
  return activities.slice(from, to);
}

function leastAt(activities: readonly Activity[], i: number): number {
  const half = (12 * hourMs) / windowLimits.stepMs;
  let best = 0;
  for (let j = Math.max(0, i - half); j <= Math.min(activities.length - 1, i + half); j++) best = Math.max(best, activities[j].value);
  return Math.max(windowLimits.leastValue, windowLimits.bestShare * best);
}

function windowOf(part: readonly Activity[], species: Species, setting: FeedingSetting): FeedingWindow {
  const peak = part.reduce((a, b) => (b.value > a.value ? b : a));
  const phaseRule = phaseRules.find((r) => r.phase === peak.phase)!;
  const lightRule = lightRules.find((r) => r.habit === species.light)!;
  const clock = clockRuleFor(peak.phase, setting);
  const said = setting.viewpoints['pressure-or-light'] === 'light' ? undefined : setting.evidence.get(phaseRule.id);
  return {
    fromMs: part[0].atMs,
    toMs: part[part.length - 1].atMs,
    peakMs: peak.atMs,
    value: part.reduce((sum, a) => sum + a.value, 0) / part.length,
    phase: peak.phase,
    reasons: [
      ...(setting.viewpoints['pressure-or-light'] === 'light' ? [] : [{ ruleId: phaseRule.id, text: phaseRule.reason }]),
      { ruleId: lightRule.id, text: lightRule.reason },
      ...(clock && peak.clockShare > 1 ? [{ ruleId: clock.id, text: clock.reason }] : []),
    ],
    logShare: said?.share ?? 0,
  };
}
