import type { DepthMap } from './depth-map';

/** Reads a depth map in metres of its own frame. */
export class Relief {
  constructor(readonly map: DepthMap) {}

  x(cell: number): number {
    return this.map.x0 + (cell % this.map.nx) * this.map.cellM;
  }

  y(cell: number): number {
    return this.map.y0 + Math.floor(cell / this.map.nx) * this.map.cellM;
  }

  /** Depth between the four cells about a place, m; NaN where one of them is no water. */
  depth(x: number, y: number): number {
    const { map } = this;
    const fx = (x - map.x0) / map.cellM;
    const fy = (y - map.y0) / map.cellM;
    const i = Math.floor(fx);
    const j = Math.floor(fy);
    if (i < 0 || j < 0 || i + 1 >= map.nx || j + 1 >= map.ny) return NaN;
    const c = j * map.nx + i;
    const [u, v] = [fx - i, fy - j];
    const d = map.depthM;
    return (1 - v) * ((1 - u) * d[c] + u * d[c + 1]) + v * ((1 - u) * d[c + map.nx] + u * d[c + map.nx + 1]);
  }

  /** Downhill direction and steepness (m per m) over a span on both sides of a place; null at the edge of the water. */
  slope(x: number, y: number, spanM: number): { dx: number; dy: number; slope: number } | null {
    const gx = (this.depth(x + spanM, y) - this.depth(x - spanM, y)) / (2 * spanM);
    const gy = (this.depth(x, y + spanM) - this.depth(x, y - spanM)) / (2 * spanM);
    const slope = Math.hypot(gx, gy);
    return slope > 0 ? { dx: gx / slope, dy: gy / slope, slope } : null;
  }
}
