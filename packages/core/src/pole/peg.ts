import { clamp } from '../units';

/** A depth plumbed along the pole's line, so far from the bank. */
export interface PlumbedDepth {
  outM: number;
  depthM: number;
}

/** The bed along a peg: depth at a distance by straight lines between what was plumbed; beyond the last it is unknown. */
export function bedAt(plumbed: readonly PlumbedDepth[], outM: number): number | null {
  const p = [...plumbed].sort((a, b) => a.outM - b.outM);
  if (p.length === 0) return null;
  const first = p[0];
  // The bank's edge lies dry.
  if (outM <= first.outM) return first.outM <= 0 ? first.depthM : first.depthM * clamp(outM / first.outM, 0, 1);
  for (let k = 1; k < p.length; k++)
    if (outM <= p[k].outM) return p[k - 1].depthM + ((p[k].depthM - p[k - 1].depthM) * (outM - p[k - 1].outM)) / Math.max(1e-9, p[k].outM - p[k - 1].outM);
  return outM - p[p.length - 1].outM < 0.5 ? p[p.length - 1].depthM : null;
}

/** The deepest that was plumbed within reach; null where nothing was. */
export const deepestWithin = (plumbed: readonly PlumbedDepth[], reachM: number): PlumbedDepth | null =>
  plumbed.filter((p) => p.outM <= reachM).reduce<PlumbedDepth | null>((a, b) => (a === null || b.depthM > a.depthM ? b : a), null);

/** Wind from which the surface tows a float, m/s, and what it then asks for: 5 cm, a centimetre more for each m/s. Heuristic; source: fieldcraft, pole. */
const towFromMs = 4;

/** Over-depth that keeps the bait on the bottom in tow, m: none on still water, more the more it runs or the wind drives it. Heuristic. */
export const overDepthM = (flowMs: number, windMs = 0): number => {
  const byWind = windMs < towFromMs ? 0 : 0.05 + 0.01 * (windMs - towFromMs);
  return Math.round(100 * clamp(Math.max(0.5 * Math.abs(flowMs), byWind), 0, 0.15)) / 100;
};
