import type { FloatWork } from '@burrow/core/casting';
import type { BiteMoment, EventBodies, FloatAnswer, LineState, LostAt } from '@burrow/core/ledger';
import { depthText, type UnitPreference } from '@burrow/core/units';
import type { Thing } from '@/features/station/useLogged';

/** What is known of an answer besides what it was: where a fish came off, what the float did. */
export interface HowAnswered {
  lostAt?: LostAt;
  float?: FloatAnswer;
  moment?: BiteMoment;
}

const cm = (m: number) => Math.round(100 * m) / 100;

/** A line under a float hangs at its stop. */
export const stopOf = (float: FloatWork | null) => (float ? { depthM: cm(float.stopM) } : {});

/** Sets the stop of a float: of the line in the water, else of the one that goes down with it. */
export function stopSet(line: LineState | undefined, lowered: EventBodies['line-down'], toM: number): Thing {
  const depthM = cm(Math.max(0.2, toM));
  return line ? { kind: 'depth-set', body: { line: line.id, depthM } } : { kind: 'line-down', body: { ...lowered, depthM } };
}

export const stopText = (toM: number, units: UnitPreference) => `Stop at ${depthText(Math.max(0.2, toM), units)}`;
