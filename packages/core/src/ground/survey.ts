import { LocalFrame, type LonLat } from '../units';
import type { DepthMap, Sounding } from './depth-map';
import { Kriging } from './kriging';
import { crossings, isInside, pointsAlong, ringArea, ringOf, type Ring } from './outline';
import { fewestToFit, fitVariogram, usualVariogram } from './variogram';

/** Soundings closer together than this are one, m. */
const mergeM = 0.5;
/** Cells along the side of a block that shares one neighbourhood of soundings. */
const blockCells = 4;
/** A map is drawn from so many soundings on. */
const fewestSoundings = 3;
/** Share of a swing past the deepest sounding that is kept. Convention. */
const swingShare = 0.002;
/** Cells inside a water, and the bounds of cells along its longer side. */
const [cellsInside, fewestCells, mostCells] = [10_000, 110, 400];

export interface SurveyOptions {
  /** Cells along the longer side, 20 to 400; as many as give the water about ten thousand where not said, so that a narrow one is drawn finely too. */
  cells?: number;
  /** Whether the shore lies at depth zero. */
  shore?: boolean;
  /** Rings of land within the outline. */
  islands?: readonly (readonly LonLat[])[];
}

/** Soundings by place, the shore behind them. */
class Points {
  readonly x: number[] = [];
  readonly y: number[] = [];
  readonly z: number[] = [];
  private readonly counts: number[] = [];
  private readonly places = new Map<string, number>();

  /** Soundings at one place become their mean. */
  add(x: number, y: number, z: number): void {
    const key = `${Math.round(x / mergeM)},${Math.round(y / mergeM)}`;
    const known = this.places.get(key);
    if (known !== undefined) {
      this.z[known] += (z - this.z[known]) / ++this.counts[known];
      return;
    }
    this.places.set(key, this.z.length);
    this.x.push(x);
    this.y.push(y);
    this.z.push(z);
    this.counts.push(1);
  }

  /** The longer side of the box about them, m. */
  extentM(): number {
    const side = (values: number[]) => values.reduce((m, v) => Math.max(m, v), -Infinity) - values.reduce((m, v) => Math.min(m, v), Infinity);
    return Math.max(1, side(this.x), side(this.y));
  }

  get length(): number {
    return this.z.length;
  }
}

/**
 * The survey of a water: its outline and soundings, and the depth map that follows from them by kriging with zero depth along the
 * shore. A new sounding changes the map near it at once.
 */
export class DepthSurvey {
  readonly map: DepthMap;
  private readonly frame: LocalFrame;
  private readonly soundings = new Points();
  private readonly shore: number[];
  private readonly inside: Uint8Array;
  private readonly reachM: Float32Array;
  private readonly blocksX: number;
  private readonly hasShore: boolean;
  private kriging: Kriging;
  /** The deepest sounding, m. */
  private deepestM: number;

  /**
   * @param outline ring of longitude and latitude, round the whole water
   * Throws RangeError for an outline without area or fewer than three soundings.
   */
  constructor(outline: readonly LonLat[], soundings: readonly Sounding[], options: SurveyOptions = {}) {
    this.frame = LocalFrame.about(outline);
    const ring = ringOf(outline.map((p) => this.frame.toMetres(p)));
    // An island that does not lie in the water, as where its shore was drawn anew, is none.
    const islands = (options.islands ?? []).map((island) => ringOf(island.map((p) => this.frame.toMetres(p)))).filter((island) => isInside(ring, island[0], island[1]));
    const areaM2 = ringArea(ring) - islands.reduce((sum, island) => sum + ringArea(island), 0);
    if (!(areaM2 > 0)) throw new RangeError('an outline must enclose an area');
    this.hasShore = options.shore !== false;
    const grid = gridOver(ring, areaM2, options.cells);
    for (const { at, depthM } of soundings) this.soundings.add(...this.frame.toMetres(at), depthM);
    this.deepestM = this.soundings.z.reduce((most, z) => Math.max(most, z), 0);
    if (this.soundings.length < fewestSoundings)
      throw new RangeError(`a depth map needs at least ${fewestSoundings} soundings apart from each other, found ${this.soundings.length}`);
    this.shore = this.hasShore ? [ring, ...islands].flatMap((edge) => pointsAlong(edge, 3 * grid.cellM)) : [];
    this.inside = insideOf(ring, grid);
    for (const island of islands) insideOf(island, grid).forEach((isLand, c) => isLand && (this.inside[c] = 0));
    if (!this.inside.includes(1)) throw new RangeError('no cell of the depth map lies inside the outline');
    const empty = () => new Float32Array(grid.nx * grid.ny).fill(NaN);
    const { lon0, lat0 } = this.frame;
    this.map = { lon0, lat0, ...grid, depthM: empty(), sdM: empty(), areaM2, deepest: { at: [lon0, lat0], depthM: 0 }, soundings: 0 };
    this.blocksX = Math.ceil(grid.nx / blockCells);
    this.reachM = new Float32Array(this.blocksX * Math.ceil(grid.ny / blockCells));
    // Without a shore the edge says nothing of the water: the soundings' own extent counts.
    this.kriging = this.bestKriging(this.hasShore ? Math.max(grid.nx, grid.ny) * grid.cellM : this.soundings.extentM());
    this.redraw(null);
  }

  /** Takes in a sounding and redraws what it reaches. The variogram and the calibration stay. */
  add({ at, depthM }: Sounding): void {
    const [x, y] = this.frame.toMetres(at);
    this.soundings.add(x, y, depthM);
    this.deepestM = Math.max(this.deepestM, depthM);
    const { variogram, scale } = this.kriging;
    this.kriging = this.krigingOf(variogram, scale);
    this.redraw([x, y]);
  }

  /** Depth and its standard deviation at a place from the soundings around it, not by way of the grid, m. */
  estimateAt(at: LonLat): { depthM: number; sdM: number } {
    const out = { value: 0, sd: 0 };
    const [x, y] = this.frame.toMetres(at);
    this.kriging.moveTo(x, y);
    this.kriging.estimate(x, y, out);
    return { depthM: this.hasShore ? this.expected(out.value) : out.value, sdM: out.sd };
  }

  /**
   * What is expected where the soundings carry on to `drawnM`: nothing above the surface, and nothing deeper than anybody sounded. A smooth bed swings past its
   * deepest sounding beside a steep bank; so little of that is kept that the places keep their order.
   */
  private expected(drawnM: number): number {
    const beyondM = drawnM - this.deepestM;
    return beyondM > 0 ? this.deepestM + swingShare * beyondM : Math.max(0, drawnM);
  }

  /** Of a rough and a smooth model the one that better foretells soundings left out; a few are too few to ask. */
  private bestKriging(spanM: number): Kriging {
    const { x, y, z, length } = this.soundings;
    if (length < fewestToFit) return this.krigingOf(usualVariogram(this.soundings.extentM(), z), 1);
    const tried = (['spherical', 'cubic'] as const).map((model) => {
      const kriging = this.krigingOf(fitVariogram(x, y, z, spanM / 3, model), 1);
      return { kriging, ...kriging.leaveOneOut(length) };
    });
    const [best] = tried.sort((a, b) => a.rmsM - b.rmsM);
    best.kriging.scale = best.ratio;
    return best.kriging;
  }

  private krigingOf(variogram: Kriging['variogram'], scale: number): Kriging {
    const { shore, soundings } = this;
    const count = shore.length / 2;
    const all = (measured: number[], offset: number) => {
      const row = new Float64Array(measured.length + count);
      row.set(measured);
      if (offset >= 0) for (let i = 0; i < count; i++) row[measured.length + i] = shore[2 * i + offset];
      return row;
    };
    return new Kriging(all(soundings.x, 0), all(soundings.y, 1), all(soundings.z, -1), variogram, scale);
  }

  /** Blocks whose neighbourhood the place is part of, or all of them. */
  private redraw(around: readonly [number, number] | null): void {
    const { map, blocksX, reachM } = this;
    for (let block = 0; block < reachM.length; block++) {
      const i0 = (block % blocksX) * blockCells;
      const j0 = Math.floor(block / blocksX) * blockCells;
      const x = map.x0 + (i0 + (blockCells - 1) / 2) * map.cellM;
      const y = map.y0 + (j0 + (blockCells - 1) / 2) * map.cellM;
      if (around && Math.hypot(x - around[0], y - around[1]) > reachM[block]) continue;
      this.redrawBlock(block, i0, j0, x, y);
    }
    let deepest = this.inside.indexOf(1);
    for (let c = 0; c < map.depthM.length; c++) if (map.depthM[c] > map.depthM[deepest]) deepest = c;
    map.deepest = { at: this.frame.toLonLat(map.x0 + (deepest % map.nx) * map.cellM, map.y0 + Math.floor(deepest / map.nx) * map.cellM), depthM: map.depthM[deepest] };
    map.soundings = this.soundings.length;
  }

  private redrawBlock(block: number, i0: number, j0: number, x: number, y: number): void {
    const { map, kriging, inside } = this;
    const out = { value: 0, sd: 0 };
    let isMoved = false;
    for (let j = j0; j < Math.min(map.ny, j0 + blockCells); j++) {
      for (let i = i0; i < Math.min(map.nx, i0 + blockCells); i++) {
        const c = j * map.nx + i;
        if (inside[c] === 0) continue;
        if (!isMoved) {
          kriging.moveTo(x, y);
          this.reachM[block] = kriging.reachM;
          isMoved = true;
        }
        kriging.estimate(map.x0 + i * map.cellM, map.y0 + j * map.cellM, out);
        map.depthM[c] = this.expected(out.value);
        map.sdM[c] = out.sd;
      }
    }
  }
}

/**
 * The depth map of a water from its outline and soundings.
 * Throws RangeError for an outline without area or fewer than three soundings.
 */
export const buildDepthMap = (outline: readonly LonLat[], soundings: readonly Sounding[], options: SurveyOptions = {}): DepthMap =>
  new DepthSurvey(outline, soundings, options).map;

type Grid = Pick<DepthMap, 'x0' | 'y0' | 'cellM' | 'nx' | 'ny'>;

function gridOver(ring: Ring, areaM2: number, wanted?: number): Grid {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < ring.length; i += 2) {
    x0 = Math.min(x0, ring[i]);
    x1 = Math.max(x1, ring[i]);
    y0 = Math.min(y0, ring[i + 1]);
    y1 = Math.max(y1, ring[i + 1]);
  }
  const spanM = Math.max(x1 - x0, y1 - y0);
  const cellM = spanM / (wanted ?? Math.min(mostCells, Math.max(fewestCells, Math.round(spanM * Math.sqrt(cellsInside / areaM2)))));
  return { x0: x0 - cellM, y0: y0 - cellM, cellM, nx: Math.ceil((x1 - x0) / cellM) + 3, ny: Math.ceil((y1 - y0) / cellM) + 3 };
}

function insideOf(ring: Ring, { x0, y0, cellM, nx, ny }: Grid): Uint8Array {
  const inside = new Uint8Array(nx * ny);
  for (let j = 0; j < ny; j++) {
    const at = crossings(ring, y0 + j * cellM);
    for (let k = 0; k + 1 < at.length; k += 2) {
      const from = Math.max(0, Math.ceil((at[k] - x0) / cellM));
      const to = Math.min(nx - 1, Math.floor((at[k + 1] - x0) / cellM));
      for (let i = from; i <= to; i++) inside[j * nx + i] = 1;
    }
  }
  return inside;
}
