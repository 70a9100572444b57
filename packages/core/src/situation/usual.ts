import { stageLimits, type SeasonStage, type Surface } from '../outlook';
import { clamp, dayMs, hourMs } from '../units';
import { oxygenSaturation, type DepthProfile } from '../water';
import { sunDay, type Place } from '../weather';
import { assumed } from './known';

/**
 * Temperature of the surface of a fresh water by date and latitude, °C, where neither weather nor thermometer tells it: a year's mean and swing that fit
 * lowland lakes of the middle latitudes to some 3 °C. Heuristic: late January (July in the south) is coldest.
 */
export function usualWaterC(atMs: number, latDeg: number): number {
  const away = Math.abs(latDeg);
  const mean = clamp(27.5 - 0.42 * away, 2, 27);
  const swing = Math.min(14, 0.25 * away);
  const yearDay = (atMs - Date.UTC(new Date(atMs).getUTCFullYear(), 0, 1)) / dayMs;
  const warmestDay = latDeg < 0 ? 210 + 182.6 : 210;
  return Math.max(usualLimits.coldestC, mean + swing * Math.cos((2 * Math.PI * (yearDay - warmestDay)) / 365.25));
}

/** Coldest that a water is taken to be, °C; from here down standing water is taken to lie warmer below, towards the warmth of greatest density. Heuristic. */
export const usualLimits = { coldestC: 1, layeredBelowC: 3, deepC: 4, deepenM: 2.5, stepM: 0.5 } as const;

/** A water without a column: one temperature all the way down, or cold over 4 °C where it stands and is colder than 3; well aired. */
export function usualProfile(surfaceC: number, deepestM: number, isMoving: boolean): DepthProfile {
  const { layeredBelowC, deepC, deepenM, stepM } = usualLimits;
  const isLayered = !isMoving && surfaceC < layeredBelowC;
  const depthM = Array.from({ length: Math.max(2, Math.ceil(deepestM / stepM) + 1) }, (_, k) => Math.min(deepestM, k * stepM));
  const tempC = depthM.map((z) => (isLayered ? deepC - (deepC - surfaceC) * Math.exp(-z / deepenM) : surfaceC));
  return { depthM, tempC, oxygenMgL: tempC.map((t) => oxygenSaturation(Math.max(0, t))), light: depthM.map(() => 0) };
}

/** The stage of the season without a column: by the temperature of the surface, what one finds there, and how long the days are and become. */
export function usualStage(surfaceC: number, surface: Surface, atMs: number, place: Place): SeasonStage {
  const { sunriseMs, sunsetMs } = sunDay(atMs, place);
  const dayH = Number.isFinite(sunsetMs - sunriseMs) ? (sunsetMs - sunriseMs) / hourMs : 12;
  const isLengthening = daysLengthen(atMs, place.lat);
  if (surface === 'ice') {
    if (!isLengthening) return 'first ice';
    return dayH > stageLimits.lateIceDayH ? 'late ice' : 'midwinter';
  }
  // Colder than this they still winter, whether or not anybody saw the ice go.
  if (isLengthening && dayH > stageLimits.springDayH) return surfaceC < stageLimits.afterIceC ? 'just after ice-out' : 'pre-spawn';
  return surfaceC >= stageLimits.coldC ? 'autumn cooling' : 'open cold water';
}

/** Whether the days grow longer, from the shortest to the longest. */
function daysLengthen(atMs: number, latDeg: number): boolean {
  const date = new Date(atMs);
  const sinceDecember = (atMs - Date.UTC(date.getUTCFullYear(), 11, 21)) / dayMs;
  const inYear = ((sinceDecember % 365.25) + 365.25) % 365.25;
  return latDeg < 0 ? inYear >= 182.6 : inYear < 182.6;
}

/** What is taken for cold water of which not even the place is known: °C and Secchi depth in m. Convention. */
export const unknownWater = { temperature: assumed(4), clarity: assumed(2) } as const;
