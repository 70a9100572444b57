import { requireWithin } from '../units';
import { standardPressureHpa } from '../water';
import type { Species } from './species';

const gravity = 9.80665;
const coldWaterDensity = 999.9;

/**
 * How much a closed gas bladder grows when a fish is lifted from `depthM` (0 to 300 m) to the surface.
 * Source: Boyle's law, (depth + H)/H with H = station pressure/(ρg).
 * @param stationHpa pressure at the water, 400 to 1100 hPa
 */
export function gasExpansion(depthM: number, stationHpa: number = standardPressureHpa): number {
  requireWithin(depthM, 0, 300, 'depth', 'm');
  requireWithin(stationHpa, 400, 1100, 'station pressure', 'hPa');
  const head = (stationHpa * 100) / (coldWaterDensity * gravity);
  return (depthM + head) / head;
}

/** Whether a fish of this species brought up from `depthM` is likely hurt by gas expansion. */
export const isDepthInjuryLikely = (species: Species, depthM: number) => species.injuryDepthM !== null && depthM >= species.injuryDepthM;
