import type { DepthMap } from './depth-map';

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

/** The map with depths of today: what falls dry is no water. At the level it was sounded at, the map itself. */
export function mapAtLevel(map: DepthMap, levelM: number): DepthMap {
  if (levelM === 0) return map;
  const depthM = map.depthM.map((d) => (d + levelM > 0 ? d + levelM : NaN));
  const wet = depthM.reduce((n, d) => (Number.isNaN(d) ? n : n + 1), 0);
  if (wet === 0) throw new RangeError(`expected a level that leaves water, found ${levelM} m on a water ${map.deepest.depthM.toFixed(1)} m deep`);
  const sdM = map.sdM.map((sd, c) => (Number.isNaN(depthM[c]) ? NaN : sd));
  const before = map.depthM.reduce((n, d) => (Number.isNaN(d) ? n : n + 1), 0);
  return { ...map, depthM, sdM, areaM2: (map.areaM2 * wet) / before, deepest: { ...map.deepest, depthM: map.deepest.depthM + levelM } };
}
