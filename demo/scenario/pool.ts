import type { WaterFile } from '@burrow/contract/formats';
import { bell, Chart, type Metres } from './chart';

const turns = Array.from({ length: 64 }, (_, i) => (i / 64) * 2 * Math.PI);
const shore = turns.map((t): Metres => [(196 + 14 * Math.cos(3 * t)) * Math.cos(t), (144 + 10 * Math.sin(2 * t)) * Math.sin(t)]);
const chart = new Chart(-140.08, 46.9, shore);

/** The bed: a shelf all round, then level, with two hollows. */
function bedDepth(x: number, y: number): number {
  const edge = 1 - Math.exp(-((chart.distanceToShore(x, y) / 7) ** 1.3));
  return edge * (2.3 + 0.9 * bell(x, y, 60, -40, 50, 40) + 0.6 * bell(x, y, -90, 50, 40, 40));
}

/** A still water of nine hectares with pegs all round, whose fish are used to bait. */
export function perrowPool(): WaterFile {
  return {
    type: 'FeatureCollection',
    water: { name: 'Perrow Pool', kind: 'lake', timezone: 'Etc/GMT+9', elevation_m: 32, secchi_m: 0.9, species: ['roach', 'european-perch'], baited: true },
    features: [
      chart.outline(),
      chart.point([-150, -78], { role: 'cover', kind: 'reeds', name: 'reed bay' }),
      chart.point([120, 92], { role: 'cover', kind: 'timber', name: 'fallen willow' }),
      ...chart.soundings(bedDepth, { seed: 71, count: 320, apartM: 11, edgeM: 3, spanM: [420, 310] }),
    ],
  };
}
