import type { WaterFile } from '@burrow/contract/formats';
import { banded, bell, Chart, type Metres } from './chart';

const middle = (s: number): Metres => [0.94 * s, 0.34 * s];
const half = (s: number) => 7 + 1.6 * Math.exp(-(((s - 40) / 22) ** 2));
const chart = new Chart(-139.9, 46.86, banded(-210, 210, 5, middle, half, half));

function bedDepth(x: number, y: number): number {
  const [s, off] = [0.94 * x + 0.34 * y, -0.34 * x + 0.94 * y];
  const trough = Math.max(0, 1 - (Math.abs(off) / half(s)) ** 3);
  return trough * (1.28 + 0.52 * bell(s, off, 40, 0, 26, 5) + 0.28 * bell(s, off, -120, 1, 18, 4));
}

/** A lowland channel 1.8 m deep that flows, stands and now and then reverses. */
export function marrowDrain(): WaterFile {
  const at = (s: number, off: number): Metres => [0.94 * s - 0.34 * off, 0.34 * s + 0.94 * off];
  return {
    type: 'FeatureCollection',
    water: { name: 'Marrow Drain', kind: 'channel', timezone: 'Etc/GMT+9', elevation_m: 4, secchi_m: 0.8, species: ['roach', 'european-perch'] },
    features: [
      chart.outline(),
      chart.line([at(20, 3.2), at(34, 3.8), at(48, 3.8), at(62, 3.2)], { role: 'seam', name: 'edge of the flow' }),
      chart.point(at(58, -5.5), { role: 'cover', kind: 'footing', name: 'bridge footing' }),
      chart.point(at(22, 6), { role: 'cover', kind: 'reeds', name: 'reed edge' }),
      chart.point(at(-128, 5), { role: 'cover', kind: 'reeds' }),
      chart.point(at(-209, 0), { role: 'inflow', name: 'sluice' }),
      ...chart.soundings(bedDepth, { seed: 18, count: 380, apartM: 2.4, edgeM: 0.6, spanM: [420, 190] }),
    ],
  };
}
