import type { WaterFile } from '@burrow/contract/formats';
import { banded, bell, Chart, type Metres } from './chart';

const bendM = 150;
/** Down a bend that turns to the left, s metres from its apex; the pool lies against its outer, right-hand bank. */
const middle = (s: number): Metres => [bendM * Math.sin(s / bendM), bendM * (Math.cos(s / bendM) - 1) * -1];
const half = (s: number) => 15 + 8 * Math.exp(-((s / 60) ** 2));
const chart = new Chart(-139.82, 46.93, banded(-190, 190, 5, middle, half, half));

/** A place `off` metres to the left of the middle line. */
function beside(s: number, off: number): Metres {
  const [x, y] = middle(s);
  return [x - off * Math.sin(s / bendM), y + off * Math.cos(s / bendM)];
}

function alongAndAcross(x: number, y: number): { s: number; off: number } {
  const [dx, dy] = [x, bendM - y];
  return { s: bendM * Math.atan2(dx, dy), off: bendM - Math.hypot(dx, dy) };
}

/** The bed: a slow pool against the outer bank of the bend, a riffle above and below. */
function bedDepth(x: number, y: number): number {
  const { s, off } = alongAndAcross(x, y);
  const share = Math.abs(off) / half(s);
  const edge = Math.max(0, 1 - share ** 4);
  return edge * (1.05 + 2.75 * bell(s, off, 0, -7, 48, 11) + 0.5 * bell(s, off, 118, 5, 16, 6));
}

/** A slow bend 3.8 m deep with two seams, a boulder pocket and an alder root. */
export function ullenRiver(): WaterFile {
  const along = (from: number, to: number, off: number) => Array.from({ length: 9 }, (_, k) => beside(from + ((to - from) * k) / 8, off));
  return {
    type: 'FeatureCollection',
    water: { name: 'Ullen River, Kilnfoot pool', kind: 'river', timezone: 'Etc/GMT+9', elevation_m: 284, secchi_m: 1.4, species: ['largemouth', 'smallmouth'] },
    features: [
      chart.outline(),
      chart.line(along(-70, 20, 4), { role: 'seam', name: 'inner seam' }),
      chart.line(along(15, 85, -13), { role: 'seam', name: 'outer seam' }),
      chart.point(beside(42, -15), { role: 'cover', kind: 'boulder', name: 'boulder pocket' }),
      chart.point(beside(-34, -17), { role: 'cover', kind: 'root', name: 'alder root' }),
      chart.point(beside(150, 8), { role: 'cover', kind: 'timber', name: 'sunken log' }),
      chart.line(along(-60, 60, -half(0)), { role: 'bank', height_m: 3, steepness: 'steep' }),
      ...chart.soundings(bedDepth, { seed: 38, count: 420, apartM: 3.2, edgeM: 1, spanM: [380, 330] }),
    ],
  };
}
