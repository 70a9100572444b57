import { requireWithin } from '../units';

/** Density of cold air, kg/m³, and drag coefficient of a line across the wind. */
const [airDensity, lineDragInAir] = [1.27, 1.2];

/** Pull on a line that lies loosely from the tip, N. Assumed: what a light bait on the bottom holds. */
export const usualTensionN = 0.2;

export interface WindBow {
  /** Line that a strike must take up before the bait feels it, m. */
  slackM: number;
  /** How far the line stands out to leeward, m. */
  bowM: number;
}

/**
 * Bow of a line in the wind: a catenary under an even side load, a = T / (½ρ·C·d·(V sin φ)²). Line out 1 to 150 m of 0.02 to 1 mm, wind
 * 0 to 30 m/s at 0 to 180° to the line, tension 0.01 to 20 N. RangeError outside.
 */
export function windBow(lineOutM: number, lineMm: number, windMs: number, angleDeg: number, tensionN: number = usualTensionN): WindBow {
  requireWithin(lineOutM, 1, 150, 'line out', 'm');
  requireWithin(lineMm, 0.02, 1, 'line diameter', 'mm');
  requireWithin(windMs, 0, 30, 'wind', 'm/s');
  requireWithin(angleDeg, 0, 180, 'angle of the wind to the line', '°');
  requireWithin(tensionN, 0.01, 20, 'tension', 'N');
  const load = 0.5 * airDensity * lineDragInAir * (lineMm / 1000) * (windMs * Math.sin((angleDeg * Math.PI) / 180)) ** 2;
  const a = tensionN / load;
  // So little wind that the line is straight to the tenth of a millimetre.
  if (!(a < 1e4 * lineOutM)) return { slackM: 0, bowM: 0 };
  const half = lineOutM / 2;
  return { slackM: lineOutM - 2 * a * Math.asinh(half / a), bowM: Math.sqrt(a * a + half * half) - a };
}
