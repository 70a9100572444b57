import { depthText, hourMs, minuteMs, type UnitPreference } from '../units';
import type { SunDay } from '../weather';
import type { FishDepth } from './band';
import type { FeedingWindow } from './windows';

/** One thing to do at a time of the day. */
export interface PlanItem {
  id: string;
  atMs: number;
  /** End of a stretch; the same as `atMs` for a moment. */
  untilMs: number;
  kind: 'set out' | 'set up' | 'fish' | 'search' | 'leave';
  what: string;
  why: string;
}

/** What stands at the ends of a day: by the way of fishing, or by what one finds where none is chosen. */
export interface DaySteps {
  out: string;
  first: string;
  /** Why to do that first; else where the season says to look. */
  firstWhy?: string;
  off: string;
}

/** From the bank, whatever one fishes with; moving water is never walked on. */
export const bankSteps: DaySteps = { out: 'Set out along the bank', first: 'Look the water over, set up', off: 'Pack up' };

/** Where nobody knows whether there is ice. */
export const unknownSteps: DaySteps = {
  out: 'Set out',
  first: 'See first: ice or open water?',
  firstWhy: 'Neither is known here. Ice is measured before every few steps; open water is fished from the bank.',
  off: 'Pack up',
};

/** Where a skin of ice lies over the water. */
export const skinSteps: DaySteps = {
  out: 'Set out for another water',
  first: 'Open water, or ice that was measured',
  firstWhy: 'Here a skin of ice lies over the water: it neither bears nor lets a bait through.',
  off: 'Pack up',
};

export interface PlanSetting {
  /** Way to the first place and back, and setting up there, min. */
  walkMin: number;
  setUpMin: number;
  steps: DaySteps;
}

/** A plan for a water of which nothing is known yet. */
export const startingPlan: PlanSetting = { walkMin: 20, setUpMin: 25, steps: unknownSteps };

/** Margin between leaving and dark, min, beside the way back. */
const beforeDarkMin = 15;
/** A gap between windows worth a search of its own, h. */
const searchGapH = 1.5;

/**
 * The day around its windows: set out, set up, fish each window at its depth, search between, and be off before dark.
 * Empty where the day has no window left.
 */
export function dayPlan(windows: readonly FeedingWindow[], sun: SunDay, depth: FishDepth | null, setting: PlanSetting, nowMs: number, units: UnitPreference): PlanItem[] {
  const leaveMs = sun.duskMs - (setting.walkMin + beforeDarkMin) * minuteMs;
  const today = windows.filter((w) => w.toMs > nowMs && w.fromMs < sun.duskMs && w.toMs > sun.dawnMs - 2 * hourMs);
  if (today.length === 0) return [];
  const { steps } = setting;
  const [first] = today;
  const readyMs = Math.max(nowMs + (setting.walkMin + setting.setUpMin) * minuteMs, first.fromMs);
  const drillMs = readyMs - setting.setUpMin * minuteMs;
  const at = depth?.look ? `${depthText(depth.look.fromM, units)} to ${depthText(depth.look.toM, units)}` : 'your depth';
  const hurt = depth?.hurtBelowM != null ? ` Fish from deeper than ${depthText(depth.hurtBelowM, units)} seldom live when released.` : '';
  const items: PlanItem[] = [
    {
      id: 'out',
      atMs: drillMs - setting.walkMin * minuteMs,
      untilMs: drillMs,
      kind: 'set out',
      what: steps.out,
      why: `${setting.walkMin} min of way.`,
    },
    {
      id: 'drill',
      atMs: drillMs,
      untilMs: readyMs,
      kind: 'set up',
      what: steps.first,
      why: steps.firstWhy ?? (depth ? `Look ${depth.rule.where}.` : 'Find first, fish after.'),
    },
  ];
  today.forEach((w, i) => {
    const fromMs = Math.max(w.fromMs, readyMs);
    const untilMs = Math.min(w.toMs, Math.max(leaveMs, fromMs));
    if (untilMs - fromMs < 10 * minuteMs) return;
    items.push({ id: `fish-${i}`, atMs: fromMs, untilMs, kind: 'fish', what: `Fish ${at}`, why: `${w.reasons.map((r) => r.text).join(' ')}${hurt}` });
    const next = today[i + 1];
    if (next && next.fromMs - untilMs > searchGapH * hourMs && next.fromMs < leaveMs) {
      items.push({
        id: `search-${i}`,
        atMs: untilMs,
        untilMs: next.fromMs,
        kind: 'search',
        what: 'Move and search, rest the good holes',
        why: 'Quiet hours are for finding, not for waiting.',
      });
    }
  });
  const lastMs = items[items.length - 1].untilMs;
  const isLate = leaveMs < lastMs;
  const offMs = isLate ? lastMs : Math.min(leaveMs, lastMs + 30 * minuteMs);
  items.push({
    id: 'leave',
    atMs: offMs,
    untilMs: offMs + setting.walkMin * minuteMs,
    kind: 'leave',
    what: steps.off,
    why: isLate ? 'Into the dark by your own choice: with lights, and somebody told.' : 'With the way back done before dark.',
  });
  return items;
}

/** The plan with one item moved by minutes; what follows moves along where it would overlap, and no item starts before the one ahead of it. */
export function movedItem(items: readonly PlanItem[], id: string, byMin: number): PlanItem[] {
  const at = items.findIndex((i) => i.id === id);
  if (at < 0) return [...items];
  const moved = items.map((i) => ({ ...i }));
  const leastMs = at > 0 ? moved[at - 1].atMs + 5 * minuteMs : -Infinity;
  const shift = Math.max(byMin * minuteMs, leastMs - moved[at].atMs);
  moved[at].atMs += shift;
  moved[at].untilMs += shift;
  for (let k = at + 1; k < moved.length; k++) {
    const push = moved[k - 1].untilMs - moved[k].atMs;
    if (push <= 0) break;
    moved[k].atMs += push;
    moved[k].untilMs = Math.max(moved[k].untilMs, moved[k].atMs + 5 * minuteMs);
  }
  if (at > 0) moved[at - 1].untilMs = Math.min(Math.max(moved[at - 1].untilMs, moved[at - 1].atMs), moved[at].atMs);
  return moved;
}

/** The plan without one item. */
export const withoutItem = (items: readonly PlanItem[], id: string) => items.filter((i) => i.id !== id);
