import type { EchoState } from '@burrow/core/sonar';

/** A span of depth, m. */
export interface DepthFrame {
  topM: number;
  baseM: number;
}

/** The part that matters: jig, marks near it and bottom, with room. Held while it still fits, so that the picture stands still. */
export function frameFor(state: EchoState, lineM: number, before: DepthFrame | null): DepthFrame {
  const bottom = state.bottomM ?? Math.max(lineM + 2, 4);
  const jig = state.jigM ?? lineM;
  const top = Math.min(jig, ...state.marks.filter((m) => m.kind === 'fish' || m.kind === 'school').map((m) => m.depthM));
  const wanted = { topM: Math.max(0, Math.min(top - 0.9, bottom - 3)), baseM: bottom + 0.65 };
  if (before && before.topM <= Math.max(0, top - 0.35) && Math.abs(before.baseM - wanted.baseM) < 0.3 && before.topM > wanted.topM - 1.6) return before;
  return { topM: Math.max(0, Math.floor(wanted.topM * 2) / 2), baseM: wanted.baseM };
}

/** What is enlarged: the part that matters, the last metre over the bottom, or a depth looked at, m, at its middle. */
export type ShaftView = 'follow' | 'bottom' | { middleM: number };

/** The frame of a view; `follow` is the frame of the part that matters. Without a bottom there is no last metre to show. */
export function viewFrame(view: ShaftView, follow: DepthFrame, bottomM: number | null): DepthFrame {
  if (view === 'follow' || (view === 'bottom' && bottomM === null)) return follow;
  if (view === 'bottom') return { topM: Math.max(0, bottomM! - 1), baseM: bottomM! + 0.2 };
  const half = (follow.baseM - follow.topM) / 2;
  const middleM = Math.min(Math.max(view.middleM, half - 0.3), follow.baseM - half);
  return { topM: middleM - half, baseM: middleM + half };
}

/** The whole column to a depth, with `roomPx` above the surface for the ice's label. */
export const wholeFrame = (baseM: number, height: number, roomPx: number): DepthFrame => ({ topM: -(roomPx * baseM) / Math.max(1, height - roomPx), baseM });

/** Pixel of a depth within a frame. */
export const yOf = (frame: DepthFrame, height: number, depthM: number) => ((depthM - frame.topM) / (frame.baseM - frame.topM)) * height;

/** Depth at a pixel. */
export const depthOf = (frame: DepthFrame, height: number, y: number) => frame.topM + (y / height) * (frame.baseM - frame.topM);

/** Even depths for a ruler in display units, so far apart that labels keep `leastPx` between them; halves beyond ten get a line, but no label: there is no room for it. */
export function rulerDepths(frame: DepthFrame, height: number, metresPerUnit: number, leastPx: number): { depthM: number; label: string }[] {
  const perUnit = (height * metresPerUnit) / (frame.baseM - frame.topM);
  const step = [0.5, 1, 2, 4, 5, 10, 20].find((s) => s * perUnit >= leastPx) ?? 50;
  const depths: { depthM: number; label: string }[] = [];
  for (let u = Math.ceil(frame.topM / metresPerUnit / step) * step; u * metresPerUnit < frame.baseM; u += step) {
    if (u > 0) depths.push({ depthM: u * metresPerUnit, label: u > 10 && u % 1 !== 0 ? '' : String(u) });
  }
  return depths;
}

/** Moves label positions apart so that none overlap, keeping their order and staying within the height. */
export function spreadLabels(wantedY: readonly number[], gap: number, height: number): number[] {
  const order = wantedY.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  let last = -Infinity;
  for (const label of order) {
    label.y = Math.max(label.y, last + gap, gap / 2);
    last = label.y;
  }
  let next = height - gap / 2 + gap;
  for (const label of order.reverse()) {
    label.y = Math.min(label.y, next - gap);
    next = label.y;
  }
  const out = new Array<number>(wantedY.length);
  for (const { y, i } of order) out[i] = y;
  return out;
}
