import { requireWithin } from '../units';

/** Share of the wind that a craft drifts with, and with a sock in the water. Heuristic: by what stands over the water and under it. */
export const driftShares = { kayak: 0.02, boat: 0.035, 'with-sock': 0.012 } as const;
export type DriftCraft = keyof typeof driftShares;

export interface Drift {
  speedMs: number;
  /** Compass bearing it goes to. */
  towardDeg: number;
}

/** How the wind carries a craft that lies across it: speed and way, heuristic. Wind 0 to 40 m/s. RangeError outside. */
export function windDrift(windMs: number, windFromDeg: number, craft: DriftCraft): Drift {
  requireWithin(windMs, 0, 40, 'wind', 'm/s');
  return { speedMs: windMs * driftShares[craft], towardDeg: (((windFromDeg + 180) % 360) + 360) % 360 };
}
