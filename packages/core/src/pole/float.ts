import { requireWithin } from '../units';

/** Least grams of float for a metre of water, and grams for a metre and each m/s of flow. Heuristic. */
const [stillGPerM, flowGPerM] = [0.2, 2];

/**
 * Capacity of a float wanted, g: depth · max(0.2, 2·|U|), heuristic; never less than on still water, the same whichever way it runs.
 * Depth 0.2 to 20 m, depth-mean flow −3 to 3 m/s. RangeError outside.
 */
export function floatCapacityG(depthM: number, flowMs: number): number {
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(flowMs, -3, 3, 'flow', 'm/s');
  return depthM * Math.max(stillGPerM, flowGPerM * Math.abs(flowMs));
}

/** The float to take of those one has: the lightest that carries what is wanted, else the heaviest; null where there is none. */
export function floatOf<F extends { capacityG: number }>(floats: readonly F[], wantedG: number): F | null {
  const ordered = [...floats].sort((a, b) => a.capacityG - b.capacityG);
  return ordered.find((f) => f.capacityG >= wantedG - 1e-9) ?? ordered.at(-1) ?? null;
}

/** A flow that has changed by a third asks for another float. Heuristic. */
export const isOtherFloat = (beforeMs: number, nowMs: number): boolean => Math.abs(Math.abs(nowMs) - Math.abs(beforeMs)) > Math.max(0.02, Math.abs(beforeMs) / 3);
