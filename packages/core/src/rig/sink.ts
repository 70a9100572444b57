import { requireWithin } from '../units';
import { bodyOf, coldWaterDensity, type Lure } from './materials';

/** Skin-friction coefficient of line drawn along itself. Heuristic: 0.005–0.03. */
export const lineFriction = 0.012;

/** Falling speed, m/s, of a lure without line, where weight and form drag balance. */
export function terminalSpeed(lure: Lure): number {
  const body = bodyOf(lure);
  return Math.sqrt((2 * body.wetWeightN) / (coldWaterDensity * body.dragCoefficient * body.areaM2));
}

/**
 * Seconds for a lure to fall to `depthM` (0.1 to 100 m) on slack line of `lineMm` (0.02 to 1 mm) that it draws after it.
 * Integrates m(1+½ρ_w/ρ)·dv/dt = weight − form drag − friction on the line under water, steps of 2 ms.
 */
export function sinkTime(lure: Lure, depthM: number, lineMm: number): number {
  requireWithin(depthM, 0.1, 100, 'depth', 'm');
  requireWithin(lineMm, 0.02, 1, 'line diameter', 'mm');
  const body = bodyOf(lure);
  const inertia = body.massKg + 0.5 * coldWaterDensity * body.volumeM3;
  const form = 0.5 * coldWaterDensity * body.dragCoefficient * body.areaM2;
  const perMetre = 0.5 * coldWaterDensity * lineFriction * Math.PI * (lineMm / 1000);
  const dt = 0.002;
  let v = 0;
  let z = 0;
  let t = 0;
  while (z < depthM) {
    v += ((body.wetWeightN - (form + perMetre * z) * v * v) / inertia) * dt;
    z += v * dt;
    t += dt;
  }
  return t;
}

/** The fall of a lure over time: depth, m, at even shares of the way, with the seconds it takes. Ranges as of `sinkTime`. */
export const fallCurve = (lure: Lure, depthM: number, lineMm: number, points = 8): { s: number; depthM: number }[] =>
  Array.from({ length: points + 1 }, (_, k) => {
    const at = Math.max(0.1, (depthM * k) / points);
    return k === 0 ? { s: 0, depthM: 0 } : { s: sinkTime(lure, at, lineMm), depthM: at };
  });
