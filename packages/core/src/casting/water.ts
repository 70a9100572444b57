import { LocalFrame, type DepthMap, type LonLat } from '../ground';

/** A place in metres of a water's own frame. */
export interface Spot {
  x: number;
  y: number;
}

const radians = Math.PI / 180;
const floor = Math.floor;
const isNothing = Number.isNaN;

/** The place `outM` along a compass bearing. */
export const outAlong = ({ x, y }: Spot, bearingDeg: number, outM: number): Spot => ({
  x: x + outM * Math.sin(bearingDeg * radians),
  y: y + outM * Math.cos(bearingDeg * radians),
});

/** The bed under casts at the level of today: depths in metres of the map's frame, and how far a line flies before land. */
export class CastWater {
  readonly frame: LocalFrame;

  /** @param levelM of the water over the level that the map was sounded at, m: negative when drawn down */
  constructor(
    readonly map: DepthMap,
    readonly levelM = 0,
  ) {
    this.frame = new LocalFrame(map.lon0, map.lat0);
  }

  spot(at: LonLat): Spot {
    const [x, y] = this.frame.toMetres(at);
    return { x, y };
  }

  place = ({ x, y }: Spot): LonLat => this.frame.toLonLat(x, y);

  /** Depth of today, m, between the cells about a place that are water; NaN on land and on ground that lies dry. */
  depth(x: number, y: number): number {
    const map = this.map;
    const levelM = this.levelM;
    const fx = (x - map.x0) / map.cellM;
    const fy = (y - map.y0) / map.cellM;
    // Asked millions of times for a lane: no lists are made here, which a bundler turns into calls.
    const i = floor(fx);
    const j = floor(fy);
    if (i < 0 || j < 0 || i + 1 >= map.nx || j + 1 >= map.ny) return NaN;
    const u = fx - i;
    const v = fy - j;
    const c = j * map.nx + i;
    let sum = 0;
    let weight = 0;
    for (let k = 0; k < 4; k++) {
      const d = map.depthM[c + (k & 1) + (k >> 1) * map.nx];
      if (isNothing(d)) continue;
      const w = (k & 1 ? u : 1 - u) * (k & 2 ? v : 1 - v);
      sum += w * d;
      weight += w;
    }
    if (weight <= 0.25) return NaN;
    const depth = sum / weight + levelM;
    return levelM !== 0 && depth <= 0 ? NaN : depth;
  }

  /** Greatest depth of today, m. */
  get deepestM(): number {
    return this.map.deepest.depthM + this.levelM;
  }

  /** A stance on the shore stands this far from the first cell of water, at most, m. */
  get shoreM(): number {
    return 1.5 * this.map.cellM + 1;
  }

  /** How far a cast along a bearing flies over water before land or `mostM`; 0 where the water begins further off than one stands from it. */
  clearM(from: Spot, bearingDeg: number, mostM: number, stepM: number): number {
    const [dx, dy] = [Math.sin(bearingDeg * radians), Math.cos(bearingDeg * radians)];
    let isWet = false;
    let last = 0;
    for (let d = 0; ; d = Math.min(mostM, d + stepM)) {
      const wet = !Number.isNaN(this.depth(from.x + d * dx, from.y + d * dy));
      if (wet) {
        isWet = true;
        last = d;
      } else if (isWet || d > this.shoreM) break;
      if (d >= mostM) break;
    }
    return last;
  }
}
