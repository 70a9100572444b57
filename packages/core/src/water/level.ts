/** How high the water stands against the level its map was sounded at, at a moment, m: negative when drawn down. */
export interface LevelReading {
  ms: number;
  levelM: number;
}

/** The level at a moment: of the last reading before it, else of the first after it; 0 where nobody read one, which is an assumption. */
export function levelAt(readings: readonly LevelReading[], ms: number): number {
  const before = readings.filter((r) => r.ms <= ms).reduce<LevelReading | null>((best, r) => (best === null || r.ms >= best.ms ? r : best), null);
  const first = readings.reduce<LevelReading | null>((best, r) => (best === null || r.ms < best.ms ? r : best), null);
  return (before ?? first)?.levelM ?? 0;
}

/** Soundings on the level of the map: each less what the water stood higher when it was made. One without a time is of now. */
export const onDatum = <S extends { depthM: number; time?: string }>(soundings: readonly S[], readings: readonly LevelReading[]): S[] =>
  readings.length === 0
    ? [...soundings]
    : soundings.map((s) => ({ ...s, depthM: Math.max(0, s.depthM - levelAt(readings, s.time === undefined ? Infinity : Date.parse(s.time))) }));
