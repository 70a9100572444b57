import { CastWater, outAlong, type Spot } from '@burrow/core/casting';
import { contourLines, type LonLat } from '@burrow/core/ground';
import type { Ground } from '@/workers/ground.api';

/** The map about a stand: north up, in pixels. */
export interface CastFrame {
  width: number;
  height: number;
  pxPerM: number;
  /** The stand, px and in metres of the water's frame. */
  at: { x: number; y: number };
  spot: Spot;
  toPx: (place: LonLat) => { x: number; y: number };
  spotPx: (spot: Spot) => { x: number; y: number };
}

/** Room about the casts for their names, px; and the most of the lesser side that one cast takes. */
const [sidePx, mostShare] = [46, 0.66];

/** The frame of a stand in which casts of `castM` along all these bearings have room; all round where there are none. */
export function castFrame(ground: Ground, stand: LonLat, castM: number, bearings: readonly number[], size: { width: number; height: number }): CastFrame {
  const water = new CastWater(ground.map);
  const spot = water.spot(stand);
  const ends = (bearings.length > 0 ? bearings : [0, 90, 180, 270]).map((deg) => outAlong(spot, deg, castM));
  const span = (axis: 'x' | 'y') => {
    const values = [spot, ...ends].map((p) => p[axis]);
    return { from: Math.min(...values), to: Math.max(...values) };
  };
  const [x, y] = [span('x'), span('y')];
  const room = (side: number, s: { from: number; to: number }) => Math.max(40, side - 2 * sidePx) / Math.max(0.2 * castM, s.to - s.from);
  const pxPerM = Math.min(room(size.width, x), room(size.height, y), (mostShare * Math.min(size.width, size.height)) / castM);
  const middle = { x: (x.from + x.to) / 2, y: (y.from + y.to) / 2 };
  const spotPx = (p: Spot) => ({ x: size.width / 2 + (p.x - middle.x) * pxPerM, y: size.height / 2 - (p.y - middle.y) * pxPerM });
  return { ...size, pxPerM, spot, at: spotPx(spot), spotPx, toPx: (place) => spotPx(water.spot(place)) };
}

/** Whether the end of a cast is drawn whole. */
export function showsCast({ spot, spotPx, width, height }: CastFrame, bearingDeg: number, castM: number): boolean {
  const { x, y } = spotPx(outAlong(spot, bearingDeg, castM));
  return x > endPx && y > endPx && x < width - endPx && y < height - endPx;
}
/** Room that the figure at the end of a cast takes about it, px. */
const endPx = 20;

/** Room that a depth's figure wants about it, px, and how far it keeps from the edge. */
const [figurePx, edgePx] = [54, 26];

/** Where the figure of each depth line stands: in view, away from the stand, none beside another. */
export function depthFigures(ground: Ground, frame: CastFrame): { depthM: number; x: number; y: number }[] {
  const placed: { depthM: number; x: number; y: number }[] = [];
  for (const { depthM, rings } of ground.contours) {
    if (depthM < 0.05) continue;
    const inView = rings
      .flatMap((ring) => ring.map(frame.toPx))
      .filter((p) => p.x > edgePx && p.y > 76 && p.x < frame.width - edgePx && p.y < frame.height - edgePx && Math.hypot(p.x - frame.at.x, p.y - frame.at.y) > 60);
    const free = inView.filter((p) => placed.every((o) => Math.hypot(o.x - p.x, o.y - p.y) > figurePx));
    // Furthest from the casts, which have names of their own.
    const best = free.reduce<{ x: number; y: number } | null>(
      (a, b) => (a === null || Math.hypot(b.x - frame.at.x, b.y - frame.at.y) > Math.hypot(a.x - frame.at.x, a.y - frame.at.y) ? b : a),
      null,
    );
    if (best) placed.push({ depthM, ...best });
  }
  return placed;
}

/** Bearing of a touch about the stand, degrees. */
export const bearingOfTouch = ({ at }: CastFrame, x: number, y: number): number => ((Math.atan2(x - at.x, at.y - y) * 180) / Math.PI + 360) % 360;

/** Rings as a smooth path: the corners of a grid are no corners of a bed. */
export function ringsPath(rings: readonly (readonly LonLat[])[], frame: CastFrame): string {
  const margin = 200;
  const f = (v: number) => v.toFixed(1);
  return rings
    .map((ring) => {
      const points = ring.map(frame.toPx);
      const isOff =
        points.every((p) => p.x < -margin) ||
        points.every((p) => p.x > frame.width + margin) ||
        points.every((p) => p.y < -margin) ||
        points.every((p) => p.y > frame.height + margin);
      if (isOff || points.length < 3) return '';
      const middle = (k: number) => {
        const [a, b] = [points[k % points.length], points[(k + 1) % points.length]];
        return `${f((a.x + b.x) / 2)} ${f((a.y + b.y) / 2)}`;
      };
      return `M${middle(0)}${points.map((_, k) => `Q${f(points[(k + 1) % points.length].x)} ${f(points[(k + 1) % points.length].y)} ${middle(k + 1)}`).join('')}Z`;
    })
    .join('');
}

/** The band as one path to fill by the even-odd rule. */
export function bandPath(ground: Ground, band: { fromM: number; toM: number }, frame: CastFrame): { fill: string; edges: string } {
  const [deeper, tooDeep] = contourLines(ground.map, [Math.max(0.02, band.fromM), band.toM]);
  const [a, b] = [ringsPath(deeper.rings, frame), ringsPath(tooDeep.rings, frame)];
  return { fill: a + b, edges: a + b };
}

export interface Chip {
  id: string;
  text: string;
  tone: 'ember' | 'kelp' | 'plum' | 'second' | 'ink';
  /** Beside this point. */
  x: number;
  y: number;
  isLarge?: boolean;
  /** Bearing that it goes off along first, degrees. */
  away?: number;
}

export interface PlacedChip extends Chip {
  left: number;
  top: number;
  width: number;
}

/** Chips beside their points, none over another or over the edge; one without room is left out. Those first in the list go first. */
export function placeChips(chips: readonly Chip[], width: number, height: number, taken: readonly { left: number; top: number; width: number; height: number }[]): PlacedChip[] {
  const boxes = [...taken];
  return chips.flatMap((chip): PlacedChip[] => {
    const [w, h] = chip.isLarge ? [16 + 12 * chip.text.length, 34] : [12 + 7.7 * chip.text.length, 26];
    const off = ((chip.away ?? 0) * Math.PI) / 180;
    for (const [dx, dy] of [
      ...(chip.away === undefined ? [] : [[-w / 2 + Math.sin(off) * (w / 2 + 16), -h / 2 - Math.cos(off) * (h / 2 + 16)]]),
      [12, -h / 2],
      [-w - 12, -h / 2],
      [-w / 2, -h - 12],
      [-w / 2, 12],
      [12, -h - 8],
      [-w - 12, -h - 8],
      [12, 8],
      [-w - 12, 8],
    ]) {
      const [left, top] = [chip.x + dx, chip.y + dy];
      if (left < 4 || top < 4 || left + w > width - 4 || top + h > height - 4) continue;
      if (boxes.some((b) => left < b.left + b.width + 3 && b.left < left + w + 3 && top < b.top + b.height + 3 && b.top < top + h + 3)) continue;
      boxes.push({ left, top, width: w, height: h });
      return [{ ...chip, left, top, width: w }];
    }
    return [];
  });
}
