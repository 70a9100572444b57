import { requireWithin } from '../units';

/** Least grams of float for a metre of water, and grams for a metre and each m/s of flow. Heuristic. */
const [stillGPerM, flowGPerM] = [0.2, 2];

/** Grams of float for each m/s of wind and metre of reach. Heuristic; source: fieldcraft, 0.07 to 0.14 for 10 m. */
const windGPerM = 0.01;

/** The wind that a float stands in, at the end of so much pole. */
export interface FloatWind {
  windMs: number;
  reachM: number;
}

/**
 * Capacity of a float wanted, g: the larger of depth · max(0.2, 2·|U|) and 0.01 · wind · reach, never their sum; heuristic. Never less than on still water,
 * the same whichever way it runs. Depth 0.2 to 20 m, depth-mean flow −3 to 3 m/s, wind 0 to 40 m/s, reach 0 to 20 m. RangeError outside.
 */
export function floatCapacityG(depthM: number, flowMs: number, wind: FloatWind | null = null): number {
  requireWithin(depthM, 0.2, 20, 'depth', 'm');
  requireWithin(flowMs, -3, 3, 'flow', 'm/s');
  if (wind) requireWithin(wind.windMs, 0, 40, 'wind', 'm/s');
  if (wind) requireWithin(wind.reachM, 0, 20, 'reach', 'm');
  const byWind = wind ? windGPerM * wind.windMs * wind.reachM : 0;
  return Math.max(depthM * stillGPerM, depthM * flowGPerM * Math.abs(flowMs), byWind);
}

/** A float that carries so much less than is wanted is as good. Convention. */
const slackShare = 0.07;

/** The float to take of those one has: the lightest that carries what is wanted, to a few hundredths, else the heaviest; null where there is none. */
export function floatOf<F extends { capacityG: number }>(floats: readonly F[], wantedG: number): F | null {
  const ordered = [...floats].sort((a, b) => a.capacityG - b.capacityG);
  return ordered.find((f) => f.capacityG >= (1 - slackShare) * wantedG) ?? ordered.at(-1) ?? null;
}

/** A flow that has changed by a third asks for another float. Heuristic. */
export const isOtherFloat = (beforeMs: number, nowMs: number): boolean => Math.abs(Math.abs(nowMs) - Math.abs(beforeMs)) > Math.max(0.02, Math.abs(beforeMs) / 3);
