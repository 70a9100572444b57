import type { Hypsography } from '../winter';
import type { DepthMap } from './depth-map';

/** Area of a water by depth, from its map: what lies deeper than each of `steps` depths. */
export function hypsographyOf(map: DepthMap, steps = 40): Hypsography {
  const depths = map.depthM.filter((d) => !Number.isNaN(d)).sort();
  const perCell = map.areaM2 / depths.length;
  const depthsM: number[] = [];
  const areasM2: number[] = [];
  for (let k = 0, shallower = 0; k <= steps; k++) {
    const depth = (map.deepest.depthM * k) / steps;
    while (shallower < depths.length && depths[shallower] < depth) shallower++;
    depthsM.push(depth);
    areasM2.push(k === 0 ? map.areaM2 : (depths.length - shallower) * perCell);
  }
  return { depthsM, areasM2 };
}
