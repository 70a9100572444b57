import type { LedgerState } from '../ledger';
import { minuteMs } from '../units';
import { biteMsOf, lineEndMs, takesOf } from '../visits';
import { phaseAtInstant, sunHeightDeg, type Phase, type Place } from '../weather';
import { lightRules, phaseRules } from './rules';

/** What the angler's own log says of a rule. */
export interface RuleEvidence {
  ruleId: string;
  /** Line in the water under the rule's condition, min, and bites in it. */
  minutes: number;
  bites: number;
  /** Bites that the rest of the log would have led one to expect there. */
  expected: number;
  /** Share of the advice that is the log's, 0–1; the rest is fieldcraft's. */
  share: number;
  /** Factor on feeding after the log has spoken. */
  factor: number;
}

/** How many expected bites a rule of fieldcraft is worth before the log outweighs it. Heuristic. */
export const priorBites = 8;
/** Bites of one school come together: they count as fewer. Heuristic; the season's own clumping where it is known. */
const usualClump = 1.8;
const stepMin = 10;

interface Span {
  fromMs: number;
  toMs: number;
}

/**
 * Weighs the rules of weather and light by the log: bites against effort under each condition (Gamma–Poisson, the rule's own
 * factor as prior mean). Only what lies within the phases known is counted.
 */
export function weighRules(ledger: LedgerState, water: string, phases: readonly Phase[], place: Place, habit: string, nowMs: number): Map<string, RuleEvidence> {
  const outings = ledger.outings.filter((o) => o.water === water);
  const lines = outings.flatMap((o) => o.lines.map((l): Span => ({ fromMs: l.downMs, toMs: lineEndMs(l, nowMs) })));
  const bites = outings.flatMap((o) => takesOf(o).flatMap((take) => biteMsOf(take) ?? []));
  const light = lightRules.find((r) => r.habit === habit)!;
  const phaseKey = (ms: number) => {
    const phase = phaseAtInstant(phases, ms)?.name;
    return phase === undefined ? null : phaseRules.find((r) => r.phase === phase)!.id;
  };
  const lightKey = (ms: number) => (phaseAtInstant(phases, ms) ? `${light.id}.${lightPart(sunHeightDeg(ms, place))}` : null);
  const evidence = new Map<string, RuleEvidence>();
  for (const row of [
    ...weigh(lines, bites, phaseKey, (id) => phaseRules.find((r) => r.id === id)?.factor ?? 1),
    ...weigh(lines, bites, lightKey, (id) => partFactor(light.factor, light.sunDeg, id)),
  ])
    evidence.set(row.ruleId, row);
  return evidence;
}

/** Parts of the day by the sun's height. */
export type LightPart = 'dark' | 'edge' | 'low' | 'high';
export const lightPart = (sunDeg: number): LightPart => (sunDeg < -6 ? 'dark' : sunDeg < 2 ? 'edge' : sunDeg < 10 ? 'low' : 'high');
const middleDeg: Record<LightPart, number> = { dark: -10, edge: -2, low: 6, high: 16 };

function partFactor(factor: readonly number[], sunDeg: readonly number[], id: string): number {
  const at = middleDeg[id.split('.').at(-1) as LightPart];
  const i = sunDeg.findIndex((d) => d >= at);
  if (i <= 0) return i === 0 ? factor[0] : factor[factor.length - 1];
  return factor[i - 1] + ((factor[i] - factor[i - 1]) * (at - sunDeg[i - 1])) / (sunDeg[i] - sunDeg[i - 1]);
}

function weigh(lines: readonly Span[], bites: readonly number[], keyOf: (ms: number) => string | null, priorOf: (id: string) => number): RuleEvidence[] {
  const rows = new Map<string, { minutes: number; bites: number }>();
  const row = (id: string) => {
    let found = rows.get(id);
    if (!found) rows.set(id, (found = { minutes: 0, bites: 0 }));
    return found;
  };
  for (const { fromMs, toMs } of lines) {
    for (let ms = fromMs; ms < toMs; ms += stepMin * minuteMs) {
      const id = keyOf(ms);
      if (id !== null) row(id).minutes += Math.min(stepMin, (toMs - ms) / minuteMs);
    }
  }
  for (const ms of bites) {
    const id = keyOf(ms);
    if (id !== null) row(id).bites++;
  }
  let weighted = 0;
  let total = 0;
  for (const [id, { minutes, bites: n }] of rows) {
    weighted += minutes * priorOf(id);
    total += n;
  }
  return [...rows].map(([ruleId, { minutes, bites: n }]) => {
    const prior = priorOf(ruleId);
    const expected = weighted > 0 ? (total * minutes) / weighted : 0;
    const signs = expected / usualClump;
    return {
      ruleId,
      minutes,
      bites: n,
      expected: expected * prior,
      share: signs / (signs + priorBites),
      factor: (n / usualClump + priorBites * prior) / (signs + priorBites),
    };
  });
}
