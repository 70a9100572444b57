import { oxygenSaturation } from '../water';
import { winterConstants } from './setting';

const dayS = 86_400;

/** Demand of bed and water against that at 4 °C: it doubles for each 10 °C. */
const warmth = (tempC: number) => Math.exp((Math.LN2 / 10) * (tempC - 4));

/**
 * Oxygen that each layer gains or loses over a step, g: the bed and the water take it, light gives it back late in winter.
 * Never more is taken than is there. Source: Mathias & Barica 1980 for the bed; the rest heuristic.
 * @param lightWm2 light at each face
 */
export function oxygenBalance(
  gain: Float64Array,
  oxygen: Float64Array,
  tempC: Float64Array,
  volumes: Float64Array,
  bedM2: Float64Array,
  lightWm2: Float64Array,
  first: number,
  firstM3: number,
  stepS: number,
): void {
  const { bedDemand, waterDemand, production, productionHalf } = winterConstants;
  const days = stepS / dayS;
  for (let i = first; i < oxygen.length; i++) {
    const volume = i === first ? firstM3 : volumes[i];
    const rate = warmth(tempC[i]) * days;
    const taken = Math.min(oxygen[i] * volume, (bedDemand * bedM2[i] + waterDemand * volume) * rate);
    const light = (lightWm2[i] + lightWm2[i + 1]) / 2;
    gain[i] = (production * light * volume * days) / (light + productionHalf) - taken;
  }
}

/** Oxygen at saturation at the water, mg/L, for any temperature the model reaches. */
export const saturation = (tempC: number, pressureShare: number) => oxygenSaturation(Math.min(40, Math.max(0, tempC)), 1013.25 * pressureShare);
