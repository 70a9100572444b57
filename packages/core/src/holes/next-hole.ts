import { seededRandom } from '../units';
import { densityLimits, FishDensity, type DensityPrior, type HoleResult } from './density';
import type { Spot } from './tour';

export interface NextHoleSetting {
  /** Where one stands. */
  from: Spot;
  /**
   * Holes drilled already: they cost no drilling, and there is none beside them but finer ones round one that has given fish just now. One that was refused at
   * is worth less until it has rested, 0–1.
   */
  drilled: readonly (Spot & { worth?: number; hasGiven?: boolean })[];
  /** Holes laid out and not yet drilled: known to be worth a look. */
  planned?: readonly Spot[];
  spacingM: number;
  walkMPerMin: number;
  /** To drill and set up, min. */
  drillMin: number;
  /** How long one would fish it, min. */
  stayMin: number;
  /** Share of the choice left to a draw, so that what is not known gets looked at, 0–1. */
  explore: number;
  seed: number;
  isBarred?: (spot: Spot) => boolean;
}

export interface NextHole extends Spot {
  /** Visits an hour expected there. */
  perHour: number;
  /** The same with walk and drilling paid for. */
  netPerHour: number;
  walkM: number;
  moveMin: number;
  isRevisit: boolean;
  /** What refusals have left of it, 0–1; 1 for a fresh hole. */
  worth: number;
}

/** As many of the best places are weighed against each other. */
const shortlist = 40;

/**
 * The next hole after what the others have shown: most visits a minute with walk and drilling counted, a share of the choice being
 * a draw from what is not known (Thompson 1933), by seed. Rested holes are candidates too. Null where nothing is left.
 */
export function nextHole(prior: DensityPrior, results: readonly HoleResult[], setting: NextHoleSetting): NextHole | null {
  const density = new FishDensity(prior, results);
  return chooseHole(density, setting);
}

/** The same where the density is at hand. */
export function chooseHole(density: FishDensity, setting: NextHoleSetting): NextHole | null {
  const random = seededRandom(setting.seed);
  const belief = density.pickBelief(random);
  let best: NextHole | null = null;
  let bestScore = -Infinity;
  for (const c of apart(leading(density, setting), densityLimits.kernelM / 2)) {
    const drawn = netPerHour(c.worth * density.drawAt(c.x, c.y, belief, random), c.moveMin, setting.stayMin);
    const score = (1 - setting.explore) * c.netPerHour + setting.explore * drawn;
    if (score > bestScore) [best, bestScore] = [c, score];
  }
  return best;
}

const netPerHour = (perHour: number, moveMin: number, stayMin: number) => (perHour * stayMin) / (stayMin + moveMin);

/** Those with a chance to be weighed, best first. */
function leading(density: FishDensity, setting: NextHoleSetting): NextHole[] {
  const { prior } = density;
  const { from, drilled, spacingM, walkMPerMin, drillMin, stayMin } = setting;
  const moveMinTo = (x: number, y: number, isRevisit: boolean) => Math.sqrt((x - from.x) ** 2 + (y - from.y) ** 2) / walkMPerMin + (isRevisit ? 0.25 : 1) * drillMin;
  const barred = barredCells(prior, drilled, spacingM);
  const stride = Math.max(1, Math.round(9 / prior.cellM));
  const xOf = (c: number) => prior.x0 + (c % prior.nx) * prior.cellM;
  const yOf = (c: number) => prior.y0 + Math.floor(c / prior.nx) * prior.cellM;
  const cells: number[] = [];
  for (let j = 0; j < prior.ny; j += stride) {
    for (let i = 0; i < prior.nx; i += stride) {
      const c = j * prior.nx + i;
      if (barred[c] === 0 && !setting.isBarred?.({ x: xOf(c), y: yOf(c) })) cells.push(c);
    }
  }
  const nets = Float64Array.from(cells, (c) => netPerHour(density.perHourOf(c), moveMinTo(xOf(c), yOf(c), false), stayMin));
  const least = nets.slice().sort()[Math.max(0, nets.length - 8 * shortlist)];
  const found: NextHole[] = [];
  const consider = (x: number, y: number, isRevisit: boolean, worth = 1) => {
    const perHour = worth * density.perHourAt(x, y);
    if (!(perHour > 0) || setting.isBarred?.({ x, y })) return;
    const moveMin = moveMinTo(x, y, isRevisit);
    found.push({ x, y, perHour, netPerHour: netPerHour(perHour, moveMin, stayMin), walkM: wayM({ x, y }, from), moveMin, isRevisit, worth });
  };
  cells.forEach((c, k) => nets[k] >= least && consider(xOf(c), yOf(c), false));
  for (const spot of setting.planned ?? []) consider(spot.x, spot.y, false);
  for (const hole of drilled) if (hole.hasGiven) for (const spot of ringRound(hole, drilled)) consider(spot.x, spot.y, false);
  for (const spot of drilled) if (wayM(spot, from) > 1) consider(spot.x, spot.y, true, spot.worth);
  return found.sort((a, b) => b.netPerHour - a.netPerHour);
}

/** Round a hole that gives the next is drilled so near to it, m: two metres can decide. Source: fieldcraft, big bluegill in clear water. */
const fineM = 4;

/** Places of finer holes round one, no nearer to another than half of that. */
const ringRound = ({ x, y }: Spot, drilled: readonly Spot[]): Spot[] =>
  Array.from({ length: 8 }, (_, k) => ({ x: x + fineM * Math.sin((k * Math.PI) / 4), y: y + fineM * Math.cos((k * Math.PI) / 4) })).filter((p) =>
    drilled.every((d) => wayM(d, p) >= fineM - 0.01 || (d.x === x && d.y === y)),
  );

/** Cells without water, and those too close to a hole. */
function barredCells({ x0, y0, cellM, nx, ny, perHour }: DensityPrior, drilled: readonly Spot[], spacingM: number): Uint8Array {
  const barred = Uint8Array.from(perHour, (p) => (p > 0 ? 0 : 1));
  for (const { x, y } of drilled) {
    for (let j = Math.max(0, Math.ceil((y - spacingM - y0) / cellM)); j <= Math.min(ny - 1, (y + spacingM - y0) / cellM); j++) {
      for (let i = Math.max(0, Math.ceil((x - spacingM - x0) / cellM)); i <= Math.min(nx - 1, (x + spacingM - x0) / cellM); i++) {
        if ((x0 + i * cellM - x) ** 2 + (y0 + j * cellM - y) ** 2 < spacingM ** 2) barred[j * nx + i] = 1;
      }
    }
  }
  return barred;
}

// Math.hypot guards against overflow that metres cannot reach, at many times the cost.
const wayM = (a: Spot, b: Spot) => Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);

/** The first of those that lie close together, at most as many as are weighed. */
function apart(candidates: readonly NextHole[], apartM: number): NextHole[] {
  const kept: NextHole[] = [];
  for (const c of candidates) {
    if (kept.length >= shortlist) break;
    if (kept.every((k) => wayM(k, c) >= apartM)) kept.push(c);
  }
  return kept;
}
