import { bedAt, type pegAdvice } from '@burrow/core/pole';
import { metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { rulerDepths } from '@/features/station/shaft/scale';

/** Room over the water for the rings, under it for the distances, and beside it, px. */
const [airPx, footPx, rightPx, bankPx] = [92, 24, 12, 26];
const mostTimes = 5;

type Advice = ReturnType<typeof pegAdvice>;

/** The scales of the section across a peg: metres out and down to px, and the bed, ticks and depths in them. */
export interface PegFrame {
  width: number;
  height: number;
  /** Where the water begins and where the picture of it ends, px. */
  airPx: number;
  baseY: number;
  reachM: number;
  /** How many times taller than wide it is drawn. */
  times: number;
  x: (outM: number) => number;
  y: (depthM: number) => number;
  bed: readonly { outM: number; depthM: number }[];
  bedPath: string;
  depths: ReturnType<typeof rulerDepths>;
  ticks: readonly { m: number; text: string; isAtEdge: boolean }[];
}

/** The frame for a picture of this size, px, of a pole that reaches this far, m. */
export function pegFrame({ peg, rings, depth }: Advice, poleM: number, { width, height }: { width: number; height: number }, units: UnitPreference): PegFrame {
  const reachM = Math.max(poleM + 1, ...peg.plumbed.map((p) => p.outM + 0.5), ...rings.map((r) => (r.swim.outM ?? 0) + 1));
  const bottomM = Math.max(depth.m, ...peg.plumbed.map((p) => p.depthM)) * 1.25;
  const xScale = Math.max(0, width - bankPx - rightPx) / reachM;
  const yScale = Math.max(0, Math.min((height - airPx - footPx) / bottomM, xScale * mostTimes));
  const x = (out: number) => bankPx + out * xScale;
  const y = (deep: number) => airPx + deep * yScale;
  const unitM = metresPerDepthUnit(units);
  const stepM = unitM * ([1, 2, 5, 10].find((s) => reachM / (s * unitM) <= 8) ?? 20);
  const bed = peg.plumbed.length > 0 ? [{ outM: 0, depthM: bedAt(peg.plumbed, 0) ?? 0 }, ...peg.plumbed] : [];
  return {
    width,
    height,
    airPx,
    baseY: height - footPx,
    reachM,
    times: yScale / (xScale || 1),
    x,
    y,
    bed,
    bedPath: bed.length > 0 ? `M0 ${y(0) - 14}L${x(0) - 10} ${y(0) - 12}${bed.map((p) => `L${x(p.outM)} ${y(p.depthM)}`).join('')}` : '',
    depths: rulerDepths({ topM: 0, baseM: (height - airPx - footPx) / (yScale || 1) }, height - airPx, unitM, 34).filter((d) => d.depthM > 0 && y(d.depthM) < height - footPx - 8),
    ticks: Array.from({ length: Math.floor(reachM / stepM) }, (_, k) => (k + 1) * stepM).map((m) => ({
      m,
      text: `${Math.round(m / unitM)}${x(m + stepM) > width - 4 ? ` ${units.depth}` : ''}`,
      isAtEdge: x(m) > width - 26,
    })),
  };
}
