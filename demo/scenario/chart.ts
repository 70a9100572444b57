import type { WaterFile } from '@burrow/contract/formats';
import { isInside, LocalFrame, ringOf } from '@burrow/core/ground';
import { seededRandom } from '@burrow/core/units';

export type Metres = readonly [x: number, y: number];
type Feature = WaterFile['features'][number];

/** A made-up water about a place in open ocean: its shore in metres, and what is drawn on it. */
export class Chart {
  readonly frame: LocalFrame;

  constructor(
    lon: number,
    lat: number,
    readonly shore: readonly Metres[],
  ) {
    this.frame = new LocalFrame(lon, lat);
  }

  lonLat([x, y]: Metres): [number, number] {
    const [lon, lat] = this.frame.toLonLat(x, y);
    return [Number(lon.toFixed(6)), Number(lat.toFixed(6))];
  }

  outline(): Feature {
    return { type: 'Feature', geometry: { type: 'Polygon', coordinates: [[...this.shore, this.shore[0]].map((p) => this.lonLat(p))] }, properties: { role: 'outline' } };
  }

  point(at: Metres, properties: Feature['properties']): Feature {
    return { type: 'Feature', geometry: { type: 'Point', coordinates: this.lonLat(at) }, properties } as Feature;
  }

  line(along: readonly Metres[], properties: Feature['properties']): Feature {
    return { type: 'Feature', geometry: { type: 'LineString', coordinates: along.map((p) => this.lonLat(p)) }, properties } as Feature;
  }

  distanceToShore(x: number, y: number): number {
    let best = Infinity;
    for (let i = 0; i < this.shore.length; i++) {
      const [ax, ay] = this.shore[i];
      const [bx, by] = this.shore[(i + 1) % this.shore.length];
      const t = Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / ((bx - ax) ** 2 + (by - ay) ** 2)));
      best = Math.min(best, Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay)));
    }
    return best;
  }

  /** Soundings scattered over the water with a little error, none close to another or to the shore. */
  soundings(
    bed: (x: number, y: number) => number,
    { seed, count, apartM, edgeM, spanM }: { seed: number; count: number; apartM: number; edgeM: number; spanM: Metres },
  ): Feature[] {
    const random = seededRandom(seed);
    const ring = ringOf(this.shore);
    const found: [number, number, number][] = [];
    for (let tries = 0; found.length < count && tries < 400 * count; tries++) {
      const x = (random() - 0.5) * spanM[0];
      const y = (random() - 0.5) * spanM[1];
      if (!isInside(ring, x, y) || this.distanceToShore(x, y) < edgeM) continue;
      if (found.some(([sx, sy]) => Math.hypot(sx - x, sy - y) < apartM)) continue;
      found.push([x, y, Math.max(0.2, bed(x, y) + 0.12 * (random() + random() - 1))]);
    }
    return found.map(([x, y, depth]) => this.point([x, y], { role: 'sounding', depth_m: Math.round(depth * 100) / 100 }));
  }
}

/** The ring of a long water from its middle line and how far its two banks lie from it: down one side, back along the other. */
export function banded(from: number, to: number, step: number, middle: (s: number) => Metres, left: (s: number) => number, right: (s: number) => number): Metres[] {
  const normal = (s: number): Metres => {
    const [[ax, ay], [bx, by]] = [middle(s - 0.5), middle(s + 0.5)];
    const length = Math.hypot(bx - ax, by - ay);
    return [-(by - ay) / length, (bx - ax) / length];
  };
  const bank = (s: number, off: number): Metres => {
    const [[x, y], [nx, ny]] = [middle(s), normal(s)];
    return [x + off * nx, y + off * ny];
  };
  const along: number[] = [];
  for (let s = from; s <= to + 1e-9; s += step) along.push(s);
  return [...along.map((s) => bank(s, -right(s))), ...along.reverse().map((s) => bank(s, left(s)))];
}

export const bell = (x: number, y: number, cx: number, cy: number, rx: number, ry: number) => Math.exp(-(((x - cx) / rx) ** 2) - ((y - cy) / ry) ** 2);
