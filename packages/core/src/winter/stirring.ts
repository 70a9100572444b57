import { freshDensity } from '../water';
import { winterConstants } from './setting';

const gravity = 9.80665;
const karman = 0.4;
const prandtl = 1;

/**
 * Diffusivity at the faces of open water, m²/s: a small background and the wind's stirring, which falls with depth and where
 * the water is layered. Source: Henderson-Sellers 1985, Applied Mathematical Modelling 9.
 * @param factor on the wind's part
 */
export function stirOpenWater(into: Float64Array, tempC: Float64Array, layerM: number, windMs: number, latDeg: number, factor: number): void {
  const { openBackground, molecular } = winterConstants;
  const still = openBackground + molecular;
  if (windMs < 0.3) {
    into.fill(still);
    return;
  }
  const friction = 1.2e-3 * windMs;
  const decay = 6.6 * Math.sqrt(Math.abs(Math.sin((latDeg * Math.PI) / 180))) * windMs ** -1.84;
  const step = Math.exp(-decay * layerM);
  let share = 1;
  let above = freshDensity(tempC[0]);
  for (let face = 1; face < tempC.length; face++) {
    const z = face * layerM;
    share *= step;
    const density = freshDensity(tempC[face]);
    if (share < 1e-6) {
      into.fill(still, face);
      return;
    }
    const buoyancy = Math.max(0, ((density - above) * gravity) / (1000 * layerM));
    const shear = (friction * share) / (karman * z);
    const richardson = (Math.sqrt(1 + (40 * buoyancy) / (shear * shear)) - 1) / 20;
    into[face] = still + (factor * karman * friction * z * share) / (prandtl * (1 + 37 * richardson * richardson));
    above = density;
  }
}
