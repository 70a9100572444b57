import type { ColumnProfile } from '../../src/winter';

/** A water of one temperature from top to bottom, with oxygen throughout and no ice. */
export const emptyProfile = (tempC: number, deepestM: number): ColumnProfile => {
  const depthM = Array.from({ length: 2 * deepestM + 1 }, (_, k) => k / 2);
  const none = { iceClearM: 0, iceWhiteM: 0, snowM: 0, slushM: 0, thawDegreeH: 0, hoursAbove: 0 };
  return { atMs: 0, depthM, tempC: depthM.map(() => tempC), oxygenMgL: depthM.map(() => 11), light: depthM.map(() => 0), ...none };
};
