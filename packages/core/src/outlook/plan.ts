import { depthText, hourMs, minuteMs, type UnitPreference } from '../units';
import type { SunDay } from '../weather';
import type { Surface } from './surface';
import type { FishDepth } from './band';
import type { FeedingWindow } from './windows';

/** One thing to do at a time of the day. */
export interface PlanItem {
  id: string;
  atMs: number;
  /** End of a stretch; the same as `atMs` for a moment. */
  untilMs: number;
  kind: 'set out' | 'drill' | 'fish' | 'search' | 'leave';
  what: string;
  why: string;
}

export interface PlanSetting {
  /** Way to the first hole and back, and the drilling of the first holes, min. */
  walkMin: number;
  drillMin: number;
  /** Holes drilled at first. */
  holes: number;
  surface: Surface;
}

/** A plan for a water of which nothing is known yet. */
export const startingPlan: PlanSetting = { walkMin: 20, drillMin: 25, holes: 6, surface: 'unknown' };

/** What to do at the ends of the day, by what one finds there: only lake ice is walked on. */
const waysOf: Record<Surface, (setting: PlanSetting) => { out: string; first: string; firstWhy?: string; off: string }> = {
  ice: ({ holes }) => ({ out: 'Walk out, testing the ice', first: `Drill ${holes} holes, look into each`, off: 'Off the ice' }),
  open: () => ({ out: 'Set out', first: 'Look the place over, set up', off: 'Pack up' }),
  moving: () => ({ out: 'Set out along the bank', first: 'Look the water over, set up', off: 'Pack up' }),
  unknown: () => ({
    out: 'Set out',
    first: 'See first: ice or open water?',
    firstWhy: 'Neither is known here. Ice is measured before every few steps; open water is fished from the bank.',
    off: 'Pack up',
  }),
};

/** Margin between leaving and dark, min, beside the way back. */
const beforeDarkMin = 15;
/** A gap between windows worth a search of its own, h. */
const searchGapH = 1.5;

/**
 * The day around its windows: set out, drill, fish each window at its depth, search between, and be off before dark.
 * Empty where the day has no window left.
 */
export function dayPlan(windows: readonly FeedingWindow[], sun: SunDay, depth: FishDepth | null, setting: PlanSetting, nowMs: number, units: UnitPreference): PlanItem[] {
  const leaveMs = sun.duskMs - (setting.walkMin + beforeDarkMin) * minuteMs;
  const today = windows.filter((w) => w.toMs > nowMs && w.fromMs < sun.duskMs && w.toMs > sun.dawnMs - 2 * hourMs);
  if (today.length === 0) return [];
  const ways = waysOf[setting.surface](setting);
  const [first] = today;
  const readyMs = Math.max(nowMs + (setting.walkMin + setting.drillMin) * minuteMs, first.fromMs);
  const drillMs = readyMs - setting.drillMin * minuteMs;
  const at = depth?.look ? `${depthText(depth.look.fromM, units)} to ${depthText(depth.look.toM, units)}` : 'your depth';
  const hurt = depth?.hurtBelowM != null ? ` Fish from deeper than ${depthText(depth.hurtBelowM, units)} seldom live when released.` : '';
  const items: PlanItem[] = [
    {
      id: 'out',
      atMs: drillMs - setting.walkMin * minuteMs,
      untilMs: drillMs,
      kind: 'set out',
      what: ways.out,
      why: `${setting.walkMin} min of way.`,
    },
    {
      id: 'drill',
      atMs: drillMs,
      untilMs: readyMs,
      kind: 'drill',
      what: ways.first,
      why: ways.firstWhy ?? (depth ? `Look ${depth.rule.where}.` : 'Find first, fish after.'),
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
    what: ways.off,
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
