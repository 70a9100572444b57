import { requireWithin } from '../units';
import { bodyOf, coldWaterDensity, type Lure } from './materials';

/** Drag coefficient of a line across the flow. Source: circular cylinder at Reynolds 10²–10⁴, 1.0–1.3. */
export const lineNormalDrag = 1.2;

export interface LineShape {
  depthM: number;
  setBackM: number;
  /** Angle of the line from the vertical at the surface, degrees. */
  surfaceAngleDeg: number;
}

/**
 * Depth and set-back of a lure on `lineOutM` (0.1 to 100 m) of `lineMm` line in a current of `currentMs` (0 to 2 m/s).
 * A weightless line followed from the lure up: tension constant, dθ/ds = ½ρ·C_n·d·(U cos θ)²/T.
 */
export function lineDepth(lure: Lure, lineMm: number, lineOutM: number, currentMs: number): LineShape {
  requireWithin(lineMm, 0.02, 1, 'line diameter', 'mm');
  requireWithin(lineOutM, 0.1, 100, 'line out', 'm');
  requireWithin(currentMs, 0, 2, 'current', 'm/s');
  const body = bodyOf(lure);
  const drag = 0.5 * coldWaterDensity * body.dragCoefficient * body.areaM2 * currentMs ** 2;
  const tension = Math.hypot(drag, body.wetWeightN);
  const bend = (0.5 * coldWaterDensity * lineNormalDrag * (lineMm / 1000) * currentMs ** 2) / tension;
  const steps = Math.max(200, Math.ceil(lineOutM * 50));
  const ds = lineOutM / steps;
  let angle = Math.atan2(drag, body.wetWeightN);
  let depthM = 0;
  let setBackM = 0;
  for (let i = 0; i < steps; i++) {
    const middle = angle + 0.5 * ds * bend * Math.cos(angle) ** 2;
    depthM += Math.cos(middle) * ds;
    setBackM += Math.sin(middle) * ds;
    angle += bend * Math.cos(middle) ** 2 * ds;
  }
  return { depthM, setBackM, surfaceAngleDeg: (angle * 180) / Math.PI };
}
