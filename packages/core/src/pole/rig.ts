import { shotPlan, usualShot, type ShotPattern, type ShotPlan, type ShotSize } from '../rig';
import { floatCapacityG, floatOf, isOtherFloat, type FloatWind } from './float';
import { overDepthM } from './peg';

export interface RigQuery {
  depthM: number;
  /** Depth-mean flow, m/s; null where nobody timed it: the rig is then for still water. */
  flowMs: number | null;
  earlierMs: number | null;
  /** Wind over the peg, m/s, and how far out the float stands, m; null where nobody knows. */
  windMs?: number | null;
  reachM?: number | null;
  floats: readonly { name: string; capacityG: number }[];
  /** Hook and bait, g. */
  loadG: number;
  pattern: ShotPattern | null;
  table?: readonly ShotSize[];
}

/** Another float, and why. */
export interface FloatChange {
  label: string;
  reason: string;
}

export interface PegRig {
  wantedG: number;
  float: { name: string; capacityG: number } | null;
  pattern: ShotPattern;
  patternReason: string;
  /** Null where the float cannot carry hook and bait. */
  plan: ShotPlan | null;
  overM: number;
  /** From float to hook, m. */
  stopM: number;
  /** The float that a changed flow asks for, and why; null where the one that is on stays. */
  change: FloatChange | null;
}

/** From here out a pole swim is a far one, m. Heuristic. */
const farM = 8;
/** A float is reckoned for no more wind, m/s, and no longer a pole, m: nobody fishes beyond. */
const [mostWindMs, mostReachM] = [40, 20] as const;

/** How the shot goes on: a slow fall in still water, all together in a push, droppers between. Source: fieldcraft, pole. */
function patternFor(flowMs: number, reachM: number | null): { pattern: ShotPattern; reason: string } {
  if (Math.abs(flowMs) < 0.03 && (reachM ?? 0) >= farM)
    return { pattern: 'strung-dropper', reason: 'Strung of small shot with one dropper: far out it must lie straight, and still fall slowly at the end.' };
  if (Math.abs(flowMs) < 0.03) return { pattern: 'strung', reason: 'Strung out on water that stands: it falls slowly, and takes on the fall show.' };
  if (Math.abs(flowMs) < 0.2) return { pattern: 'bulk-droppers', reason: 'Together with droppers below: down past the flow, the last of it slowly.' };
  return { pattern: 'bulk', reason: 'All together: in such a push it must get down and stay.' };
}

/** What a flow that has changed by a third asks for; null where it has not, or where the float stays the same. */
function floatChange({ depthM, flowMs, earlierMs, floats }: RigQuery, wind: FloatWind | null, rig: Pick<PegRig, 'float' | 'wantedG'>): FloatChange | null {
  if (earlierMs === null || !isOtherFloat(earlierMs, flowMs ?? 0)) return null;
  const beforeG = floatCapacityG(depthM, earlierMs, wind);
  const { float, wantedG } = rig;
  if (float === null ? sameG(beforeG, wantedG) : floatOf(floats, beforeG)?.name === float.name) return null;
  return {
    label: `Change to ${float === null ? `a float of ${wantedG.toFixed(1)} g` : `the ${float.capacityG} g`}`,
    reason: `The flow has changed by a third. ${wantedG < beforeG ? 'The lighter one stops and lifts the bait.' : 'The heavier one holds the bait down.'}`,
  };
}

/** Floats that differ by less are the same one, g. */
const sameG = (a: number, b: number) => Math.abs(a - b) < 0.05;

/** Float, shot and depth for a swim, from the floats one owns. Without one the float that is wanted is worked with. */
export function pegRig(query: RigQuery): PegRig {
  const { depthM, flowMs, windMs = null, reachM = null, floats, loadG, pattern, table = usualShot } = query;
  const flow = flowMs ?? 0;
  const wind: FloatWind | null = windMs === null || reachM === null ? null : { windMs: Math.min(mostWindMs, windMs), reachM: Math.min(mostReachM, reachM) };
  const wantedG = floatCapacityG(depthM, flow, wind);
  const float = floatOf(floats, wantedG);
  const chosen = patternFor(flow, reachM);
  const capacityG = float?.capacityG ?? wantedG;
  const overM = overDepthM(flow, windMs ?? 0);
  return {
    wantedG,
    float,
    pattern: pattern ?? chosen.pattern,
    patternReason: pattern ? 'Your own pattern.' : chosen.reason,
    plan: capacityG > loadG + 0.02 ? shotPlan(capacityG, depthM, loadG, pattern ?? chosen.pattern, table) : null,
    overM,
    stopM: depthM + overM,
    change: floatChange(query, wind, { float, wantedG }),
  };
}

/** Shot in words, heaviest first: "5 No. 8, 2 No. 10". */
export function shotText(plan: ShotPlan): string {
  const counts = new Map<string, number>();
  for (const s of plan.shots) counts.set(s.name, (counts.get(s.name) ?? 0) + 1);
  return [...counts].map(([name, n]) => `${n} × ${name}`).join(', ');
}
