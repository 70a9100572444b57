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

/** A cast takes this share of the lesser side; the stand lies this share of a cast behind the middle, away from where one casts. */
const [castShare, behind] = [0.62, 0.42];

/** Where the casts of a fan lead, and how much together: 1 all along one bearing, 0 all round. */
export interface Ahead {
  bearingDeg: number;
  share: number;
}

export const nowhere: Ahead = { bearingDeg: 0, share: 0 };

export function aheadOf(casts: readonly { bearingDeg: number }[]): Ahead {
  const sum = (of: (angle: number) => number) => casts.reduce((total, c) => total + of((c.bearingDeg * Math.PI) / 180), 0) / casts.length;
  const [x, y] = [sum(Math.sin), sum(Math.cos)];
  return { bearingDeg: ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360, share: Math.hypot(x, y) };
}

/** The frame of a stand with casts of `castM`, most of them ahead. */
export function castFrame(ground: Ground, stand: LonLat, castM: number, ahead: Ahead, size: { width: number; height: number }): CastFrame {
  const water = new CastWater(ground.map);
  const spot = water.spot(stand);
  // All round a cast must fit to every side of the stand.
  const pxPerM = ((0.4 + (castShare - 0.4) * ahead.share) * Math.min(size.width, size.height * 1.15)) / castM;
  const middle = outAlong(spot, ahead.bearingDeg, behind * ahead.share * castM);
  const spotPx = ({ x, y }: Spot) => ({ x: size.width / 2 + (x - middle.x) * pxPerM, y: size.height / 2 - (y - middle.y) * pxPerM });
  return { ...size, pxPerM, spot, at: spotPx(spot), spotPx, toPx: (place) => spotPx(water.spot(place)) };
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
