import { betweenDeg, clamp, requireWithin } from '../units';

/** How far a fish moves to a bait for each degree, its bounds, and what share of the sight it never goes beyond. Heuristic. */
export const strikeLimits = { perDegreeM: 0.1, leastM: 0.15, mostM: 1.5, sightShare: 0.4 } as const;

/**
 * How far from a bait's path a fish still takes it, m: min(clamp(0.1 m/°C · T, 0.15, 1.5), 0.4 · Secchi), heuristic.
 * Water of −2 to 40 °C, a disc lost from sight at 0.1 to 40 m. RangeError outside.
 */
export function strikeRadiusM(tempC: number, secchiM: number): number {
  requireWithin(tempC, -2, 40, 'water temperature', '°C');
  requireWithin(secchiM, 0.1, 40, 'depth at which a white disc is lost', 'm');
  const { perDegreeM, leastM, mostM, sightShare } = strikeLimits;
  return Math.min(clamp(perDegreeM * tempC, leastM, mostM), sightShare * secchiM);
}

/** How far off one stays for each metre of sight, and its bounds, m. Heuristic; source: fieldcraft, bank approach ("clarity rules distance"). */
const shyLimits = { perSight: 2, leastM: 1.5, mostM: 9 } as const;

/** How far about the stance fish know of the angler, m: the clearer, the further off; stained water is fished close in. Range as of `strikeRadiusM`. */
export function shyDistanceM(secchiM: number): number {
  requireWithin(secchiM, 0.1, 40, 'depth at which a white disc is lost', 'm');
  return clamp(shyLimits.perSight * secchiM, shyLimits.leastM, shyLimits.mostM);
}

/** Chance that a fish within the strike radius takes one pass of a bait, 0.2 to 0.6. Heuristic: the colder, the more passes it wants. Range as of `strikeRadiusM`. */
export function takeChance(tempC: number): number {
  requireWithin(tempC, -2, 40, 'water temperature', '°C');
  return clamp(0.2 + 0.025 * tempC, 0.2, 0.6);
}

/** Chance that a fish has taken after `passes` of a bait, each taken with chance `p`: 1 − (1 − p)^n. */
export const takenAfter = (p: number, passes: number): number => 1 - (1 - p) ** passes;

/** Passes that were made from one stance over the water of a bearing: casts within what the strike radius spans a good way out. */
export function passesAlong(casts: readonly { bearingDeg: number }[], bearingDeg: number, strikeM: number, castM: number): number {
  const oneWaterDeg = clamp((Math.atan2(2 * strikeM, 0.6 * castM) * 180) / Math.PI, 1, 12);
  return casts.filter((c) => betweenDeg(c.bearingDeg, bearingDeg) <= oneWaterDeg).length;
}
