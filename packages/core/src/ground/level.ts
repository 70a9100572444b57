import type { DepthMap } from './depth-map';

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
