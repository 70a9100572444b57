/** What a water is like at ascending depths below its surface, m. */
export interface DepthProfile {
  depthM: readonly number[];
  tempC: readonly number[];
  oxygenMgL: readonly number[];
  /** Share of the light above snow and ice. */
  light: readonly number[];
}

/** A quantity of a profile at a depth, straight between its depths and held constant beyond the first and last. */
export function valueAt(profile: DepthProfile, quantity: 'tempC' | 'oxygenMgL' | 'light', depthM: number): number {
  const { depthM: depths } = profile;
  const values = profile[quantity];
  if (depthM <= depths[0]) return values[0];
  let i = 1;
  while (i < depths.length - 1 && depths[i] < depthM) i++;
  const share = Math.min(1, (depthM - depths[i - 1]) / (depths[i] - depths[i - 1]));
  return values[i - 1] + share * (values[i] - values[i - 1]);
}
