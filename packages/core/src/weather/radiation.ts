/**
 * The sun's radiation on a level surface under a clear sky, W/m², by its height over the horizon, degrees.
 * Source: Haurwitz 1945, J. Meteorology 2. 0 below the horizon.
 */
export function clearSkyRadiation(sunHeightDeg: number): number {
  const up = Math.sin((sunHeightDeg * Math.PI) / 180);
  return up <= 0 ? 0 : 1098 * up * Math.exp(-0.057 / up);
}

/** What a cloudy sky (0–1) leaves of it. Source: Kasten & Czeplak 1980, Solar Energy 24. */
export const cloudTransmission = (cloud: number) => 1 - 0.75 * Math.min(1, Math.max(0, cloud)) ** 3.4;
