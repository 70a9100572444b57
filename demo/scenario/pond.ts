import type { WaterFile } from '@burrow/contract/formats';
import { bell, Chart, type Metres } from './chart';

const turns = Array.from({ length: 48 }, (_, i) => (i / 48) * 2 * Math.PI);
/** Longer than wide, its eastern end cut off straight by the dam. */
const shore = turns.map((t): Metres => [Math.min(58, 64 * Math.cos(t)), (36 + 5 * Math.cos(2 * t + 0.6)) * Math.sin(t)]);
const chart = new Chart(-140.03, 46.98, shore);

/** The bed: a bowl that deepens to the dam. */
function bedDepth(x: number, y: number): number {
  const edge = 1 - Math.exp(-((chart.distanceToShore(x, y) / 9) ** 1.4));
  return edge * (1.5 + 2.6 * bell(x, y, 40, 0, 34, 22) + 0.4 * bell(x, y, -35, 8, 16, 10));
}

/** A farm pond of half a hectare, 4 m deep by its dam. */
export function cobblePond(): WaterFile {
  return {
    type: 'FeatureCollection',
    water: { name: 'Cobble Pond', kind: 'lake', timezone: 'Etc/GMT+9', elevation_m: 240, secchi_m: 1.6, species: ['largemouth', 'bluegill', 'black-crappie'] },
    features: [
      chart.outline(),
      chart.point([46, -14], { role: 'cover', kind: 'timber', name: 'drowned willow' }),
      chart.point([-30, 20], { role: 'cover', kind: 'weeds', name: 'lily bay' }),
      chart.point([38, 12], { role: 'hard' }),
      ...chart.soundings(bedDepth, { seed: 52, count: 180, apartM: 4, edgeM: 2, spanM: [140, 90] }),
    ],
  };
}
