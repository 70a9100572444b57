import { requireWithin } from '../units';

/** Heights over the bottom that a dead bait is offered at, m. Source: fieldcraft §5: 0.3–2 m for lake trout, start at 0.3 m. */
export const tipUpHeights = { startM: 0.3, mostM: 2 } as const;

/**
 * Line to pull off for a bait at `heightM` over the bottom, m from the surface.
 * @param bottomM from the flasher, or from a line let down with a weight; 0.5 to 300 m
 * @param heightM over the bottom, from 0.05 m to just under the surface
 */
export function lineToPull(bottomM: number, heightM: number): number {
  requireWithin(bottomM, 0.5, 300, 'bottom', 'm');
  return bottomM - requireWithin(heightM, 0.05, bottomM - 0.1, 'height over the bottom', 'm');
}
