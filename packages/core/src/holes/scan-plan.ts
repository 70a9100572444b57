import { Relief, type DepthMap } from '../ground';
import { densityLimits, type DensityPrior } from './density';
import { shortTour, type Spot } from './tour';

export type ScanKind = 'free' | 'line' | 'grid' | 'ring';

export interface ScanRequest {
  kind: ScanKind;
  /** Holes to drill, 1 to 60. */
  count: number;
  /** Least distance between holes, m. */
  spacingM: number;
  /** How far one is ready to walk, m. */
  walkM: number;
  /** Where one stands. */
  start?: Spot;
  /** Middle of what a line, grid or ring is laid over. */
  about?: Spot;
  /** Depth that a ring follows, m. */
  ringDepthM?: number;
  /** Where not to drill: ice measured too thin, outside the water. */
  isBarred?: (spot: Spot) => boolean;
}

export interface ScanPlan {
  /** In walking order. */
  holes: Spot[];
  walkM: number;
  /** Share of the fish expected on the water that the plan comes within reach of, 0–1. */
  covered: number;
}

/**
 * Lays out holes to find fish, in walking order: a line across a break, a grid over a basin, a ring round a hump, or free, where
 * each hole adds most to what is within reach (greedy with lazy evaluation, Minoux 1978). Within the walk one is ready for.
 * @param map the bed, which a free plan can do without
 * RangeError for a count or a spacing out of range, or a line, grid or ring about nothing.
 */
export function scanPlan(map: DepthMap | null, prior: DensityPrior, request: ScanRequest): ScanPlan {
  const { kind, count, spacingM, about } = request;
  if (!(Number.isInteger(count) && count >= 1 && count <= 60)) throw new RangeError(`expected 1 to 60 holes, found ${count}`);
  if (!(spacingM >= 2 && spacingM <= 200)) throw new RangeError(`expected 2 to 200 m between holes, found ${spacingM}`);
  if (kind !== 'free' && !(about && map)) throw new RangeError(`a ${kind} of holes needs a middle and a depth map`);
  const cover = new Coverage(prior);
  const isOpen = (s: Spot) => cover.isWater(s) && !request.isBarred?.(s);
  const wanted = kind === 'free' ? freeHoles(cover, request, isOpen) : shapedHoles(new Relief(map!), request, about!, isOpen);
  return withinWalk(cover, wanted, request);
}

/** The fish within reach of a set of holes. */
class Coverage {
  private readonly missed: Float32Array;
  private readonly total: number;
  private readonly reach: number;

  constructor(readonly prior: DensityPrior) {
    this.missed = new Float32Array(prior.perHour.length).fill(1);
    this.total = prior.perHour.reduce((sum, p) => sum + (Number.isNaN(p) ? 0 : p), 0);
    this.reach = Math.ceil((2.2 * densityLimits.kernelM) / prior.cellM);
  }

  spot(cell: number): Spot {
    const { x0, y0, cellM, nx } = this.prior;
    return { x: x0 + (cell % nx) * cellM, y: y0 + Math.floor(cell / nx) * cellM };
  }

  isWater({ x, y }: Spot): boolean {
    const { x0, y0, cellM, nx, ny, perHour } = this.prior;
    const [i, j] = [Math.round((x - x0) / cellM), Math.round((y - y0) / cellM)];
    return i >= 0 && j >= 0 && i < nx && j < ny && perHour[j * nx + i] >= 0;
  }

  /** What a hole adds to the share within reach; with `take` it is added. */
  gain({ x, y }: Spot, take = false): number {
    const { x0, y0, cellM, nx, ny, perHour } = this.prior;
    const [ci, cj] = [Math.round((x - x0) / cellM), Math.round((y - y0) / cellM)];
    let sum = 0;
    for (let j = Math.max(0, cj - this.reach); j <= Math.min(ny - 1, cj + this.reach); j++) {
      for (let i = Math.max(0, ci - this.reach); i <= Math.min(nx - 1, ci + this.reach); i++) {
        const c = j * nx + i;
        if (!(perHour[c] > 0)) continue;
        const square = ((i * cellM + x0 - x) ** 2 + (j * cellM + y0 - y) ** 2) / densityLimits.kernelM ** 2;
        const reached = Math.exp(-square / 2);
        // Thick places count more than their share: the best hole is what pays.
        sum += perHour[c] ** 1.5 * this.missed[c] * reached;
        if (take) this.missed[c] *= 1 - reached;
      }
    }
    return sum;
  }

  covered(holes: readonly Spot[]): number {
    const fresh = new Coverage(this.prior);
    for (const hole of holes) fresh.gain(hole, true);
    let sum = 0;
    fresh.missed.forEach((missed, c) => (sum += this.prior.perHour[c] > 0 ? (1 - missed) * this.prior.perHour[c] : 0));
    return this.total > 0 ? sum / this.total : 0;
  }
}

function freeHoles(cover: Coverage, { count, spacingM, start, walkM }: ScanRequest, isOpen: (s: Spot) => boolean): Spot[] {
  const { perHour, cellM, nx } = cover.prior;
  const stride = Math.max(1, Math.round(Math.min(spacingM, 12) / cellM));
  const candidates: { spot: Spot; gain: number; round: number }[] = [];
  for (let c = 0; c < perHour.length; c++) {
    if (!(perHour[c] > 0) || (c % nx) % stride !== 0 || Math.floor(c / nx) % stride !== 0) continue;
    const spot = cover.spot(c);
    // Out and back within the walk.
    if (start && Math.hypot(spot.x - start.x, spot.y - start.y) > walkM * 0.6) continue;
    if (isOpen(spot)) candidates.push({ spot, gain: cover.gain(spot), round: 0 });
  }
  const holes: Spot[] = [];
  candidates.sort((a, b) => b.gain - a.gain);
  while (holes.length < count && candidates.length > 0) {
    const [top] = candidates;
    if (holes.some((h) => Math.hypot(h.x - top.spot.x, h.y - top.spot.y) < spacingM)) {
      candidates.shift();
      continue;
    }
    if (top.round < holes.length) {
      top.gain = cover.gain(top.spot);
      top.round = holes.length;
      candidates.shift();
      let at = candidates.findIndex((c) => c.gain <= top.gain);
      if (at < 0) at = candidates.length;
      candidates.splice(at, 0, top);
      continue;
    }
    candidates.shift();
    cover.gain(top.spot, true);
    holes.push(top.spot);
  }
  return holes;
}

function shapedHoles(relief: Relief, { kind, count, spacingM, ringDepthM }: ScanRequest, about: Spot, isOpen: (s: Spot) => boolean): Spot[] {
  const holes =
    kind === 'line' ? lineOver(relief, about, count, spacingM) : kind === 'grid' ? gridOver(about, count, spacingM) : ringRound(relief, about, count, ringDepthM ?? NaN);
  return holes.filter(isOpen);
}

/** Across the break: along the fall of the bed, as many holes up as down. */
function lineOver(relief: Relief, about: Spot, count: number, spacingM: number): Spot[] {
  const slope = relief.slope(about.x, about.y, 12) ?? { dx: 1, dy: 0 };
  return Array.from({ length: count }, (_, k) => {
    const along = (k - (count - 1) / 2) * spacingM;
    return { x: about.x + slope.dx * along, y: about.y + slope.dy * along };
  });
}

/** The places of a square lattice nearest to the middle. */
function gridOver(about: Spot, count: number, spacingM: number): Spot[] {
  const half = Math.ceil(Math.sqrt(count) / 2) + 1;
  const shift = Math.ceil(Math.sqrt(count)) % 2 === 0 ? 0.5 : 0;
  const spots: Spot[] = [];
  for (let j = -half; j <= half; j++) for (let i = -half; i <= half; i++) spots.push({ x: about.x + (i + shift) * spacingM, y: about.y + (j + shift) * spacingM });
  const away = (s: Spot) => Math.max(Math.abs(s.x - about.x), Math.abs(s.y - about.y)) + 0.01 * Math.hypot(s.x - about.x, s.y - about.y);
  return spots.sort((a, b) => away(a) - away(b)).slice(0, count);
}

/** Along a depth line round a hump, at even bearings; without a depth half way down what is seen of its sides. */
function ringRound(relief: Relief, about: Spot, count: number, depthM: number): Spot[] {
  const top = relief.depth(about.x, about.y);
  const wanted = Number.isNaN(depthM) ? top + 2 : depthM;
  return Array.from({ length: count }, (_, k) => {
    const angle = (2 * Math.PI * k) / count;
    let r = 4;
    while (r < 150 && relief.depth(about.x + r * Math.cos(angle), about.y + r * Math.sin(angle)) < wanted) r += 1;
    return { x: about.x + r * Math.cos(angle), y: about.y + r * Math.sin(angle) };
  });
}

/** Orders the holes, and while the walk is too long leaves the least of them out. */
function withinWalk(cover: Coverage, wanted: Spot[], { start, walkM }: ScanRequest): ScanPlan {
  let holes = wanted;
  for (;;) {
    const spots = start ? [start, ...holes] : holes;
    const { order, lengthM } = shortTour(spots, start ? { start: 0 } : {});
    if (lengthM <= walkM || holes.length <= 1) {
      const inOrder = order.map((i) => spots[i]).filter((s) => s !== start);
      return { holes: inOrder, walkM: lengthM, covered: cover.covered(inOrder) };
    }
    // The last one chosen adds least.
    holes = holes.slice(0, -1);
  }
}
