import { requireWithin } from '../units';

/** Area of a water's horizontal sections, m², at ascending depths from 0 (its surface) to its deepest point, m. */
export interface Hypsography {
  depthsM: readonly number[];
  areasM2: readonly number[];
}

/** A water shaped as a cone standing on its tip: for one whose bed is not known. Depth 0.5 to 500 m, area 100 m² to 1e11 m². */
export function coneHypsography(deepestM: number, surfaceM2: number): Hypsography {
  requireWithin(deepestM, 0.5, 500, 'greatest depth', 'm');
  requireWithin(surfaceM2, 100, 1e11, 'surface area', 'm²');
  const depthsM = Array.from({ length: 21 }, (_, i) => (deepestM * i) / 20);
  return { depthsM, areasM2: depthsM.map((z) => surfaceM2 * (1 - z / deepestM) ** 2) };
}

/**
 * Areas at the faces of `count` equal layers, m². Throws RangeError for areas that grow with depth, which no water has.
 */
export function faceAreas({ depthsM, areasM2 }: Hypsography, layerM: number, count: number): Float64Array {
  for (let i = 1; i < areasM2.length; i++) {
    if (areasM2[i] > areasM2[i - 1] || depthsM[i] <= depthsM[i - 1]) throw new RangeError(`areas must shrink with ascending depth, found ${areasM2[i]} m² at ${depthsM[i]} m`);
  }
  const areas = new Float64Array(count + 1);
  let k = 1;
  for (let i = 0; i <= count; i++) {
    const z = i * layerM;
    while (k < depthsM.length - 1 && depthsM[k] < z) k++;
    const share = Math.min(1, Math.max(0, (z - depthsM[k - 1]) / (depthsM[k] - depthsM[k - 1])));
    areas[i] = areasM2[k - 1] + share * (areasM2[k] - areasM2[k - 1]);
  }
  return areas;
}
