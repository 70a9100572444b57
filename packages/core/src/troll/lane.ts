import type { CastWater, Spot } from '../casting';
import { requireWithin } from '../units';
import { laneLength, tightestTurn } from './lane-figures';
import { worthNear } from './lane-places';

export interface LaneQuery {
  /** Depths of the water to follow, m of today. */
  band: { fromM: number; toM: number };
  /** The deepest bait, m, and how far it stays off the bed, m. */
  baitM: number;
  clearanceM: number;
  /** The tightest turn, m. */
  turnM: number;
  lengthM: number;
  /** Where to begin, within 30 m; null anywhere. */
  start: Spot | null;
  /** What the lane should pass through: marked cover, fish that were seen. */
  through?: readonly Spot[];
}

/** A bend of a lane: from where to where along it, to which side, and by how much. */
export interface LaneTurn {
  fromM: number;
  toM: number;
  side: 'left' | 'right';
  byDeg: number;
}

export interface Lane {
  /** Each metre along it, about. */
  spots: Spot[];
  lengthM: number;
  /** Share of it over water of the band, 0–1. */
  inBandShare: number;
  /** Least water under the deepest bait, m. */
  leastClearanceM: number;
  /** Radius of the circle through three points half a turn's radius apart, the least along it, m; Infinity where it is straight. */
  tightestTurnM: number;
  turns: LaneTurn[];
}

/** Ways of the dynamic programme: places this far apart, m, steps about so long, m, headings finer than this share of a step's turn. */
const [cellM, stepM, headingShare] = [2.5, 8, 0.45];
/** Ways kept from step to step, and places a lane may begin. */
const usualWays = 5000;
/** Places looked at along a metre of arc; more where a lane broke its clearance between them. */
const [coarse, fine] = [0.6, 2];
export const startWithinM = 30;
/** Turned a little wider than asked, and kept a little further off, so that neither is broken between the points looked at. */
const [widerTurn, furtherOffM] = [1.03, 0.05];
/** Water that the lane has been over already counts this much less; a full turn costs so much of a step. */
const [againLess, bendLess] = [0.15, 0.03];

interface Arc {
  /** Of 1/R: 0, ±½, ±1. */
  bend: number;
  turn: number;
  /** Places along it each metre or so, ahead and to the right, m. */
  ahead: number[];
  right: number[];
}

function arcsOf(turnM: number, long: number, perM: number): Arc[] {
  return [0, 0.5, -0.5, 1, -1].map((bend) => {
    const k = bend / turnM;
    const n = Math.max(4, Math.ceil(long * perM));
    const at = Array.from({ length: n }, (_, i) => ((i + 1) / n) * long);
    return {
      bend,
      turn: k * long,
      ahead: at.map((s) => (k === 0 ? s : Math.sin(k * s) / k)),
      right: at.map((s) => (k === 0 ? 0 : (1 - Math.cos(k * s)) / k)),
    };
  });
}

/** Ways so far, one row each; earlier steps are kept to follow a way back. */
class Ways {
  readonly x: number[] = [];
  readonly y: number[] = [];
  readonly heading: number[] = [];
  readonly score: number[] = [];
  readonly from: number[] = [];
  readonly arc: number[] = [];
  add(x: number, y: number, heading: number, score: number, from: number, arc: number): void {
    this.x.push(x);
    this.y.push(y);
    this.heading.push(heading);
    this.score.push(score);
    this.from.push(from);
    this.arc.push(arc);
  }
  keep(best: readonly number[]): Ways {
    const kept = new Ways();
    for (const k of best) kept.add(this.x[k], this.y[k], this.heading[k], this.score[k], this.from[k], this.arc[k]);
    return kept;
  }
}

/**
 * A way over water of the band that keeps its baits off the bed and turns no tighter than asked: a dynamic programme over place and heading by arcs of
 * curvature 0, ±½ and ±1 of 1/R. RangeError where nothing so long can be run.
 * @param ways kept from step to step: more of them find a little more and take longer
 */
export function planLane(water: CastWater, query: LaneQuery, ways = usualWays): Lane {
  const lane = programmed(water, query, ways, coarse);
  return leastDepth(water, lane.spots) - query.baitM >= query.clearanceM ? lane : programmed(water, query, ways, fine);
}

/** Least depth along a way, looked at each quarter of a metre. */
function leastDepth(water: CastWater, spots: readonly Spot[]): number {
  let least = Infinity;
  for (let k = 1; k < spots.length; k++)
    for (let u = 0; u <= 1; u += 0.125) {
      const depth = water.depth(spots[k - 1].x + u * (spots[k].x - spots[k - 1].x), spots[k - 1].y + u * (spots[k].y - spots[k - 1].y));
      least = Number.isNaN(depth) ? -Infinity : Math.min(least, depth);
    }
  return least;
}

function programmed(water: CastWater, query: LaneQuery, mostWays: number, perM: number): Lane {
  const { band, baitM, clearanceM, turnM, lengthM, start } = query;
  requireWithin(baitM, 0, 200, 'depth of the bait', 'm');
  requireWithin(clearanceM, 0, 50, 'clearance', 'm');
  requireWithin(turnM, 2, 200, 'turn', 'm');
  requireWithin(lengthM, 20, 5000, 'length of the lane', 'm');
  const count = Math.max(2, Math.round(lengthM / stepM));
  const long = lengthM / count;
  const wide = turnM * widerTurn;
  const arcs = arcsOf(wide, long, perM);
  const headings = Math.max(16, Math.ceil((2 * Math.PI) / Math.min(0.5, (headingShare * long) / wide)));
  const leastM = baitM + clearanceM + furtherOffM;
  const isIn = (d: number) => d >= band.fromM && d <= band.toM;
  const drawn = worthNear(query.through ?? []);

  const history: Ways[] = [seeds(water, start, leastM, band, headings, mostWays)];
  if (history[0].x.length === 0)
    throw new RangeError(
      start
        ? `expected water of ${leastM.toFixed(1)} m within ${startWithinM} m of the start, found none: the bait would drag`
        : `expected water of ${leastM.toFixed(1)} m for this bait and clearance, found none`,
    );
  const key = (x: number, y: number, heading: number) => {
    const h = Math.round((heading / (2 * Math.PI)) * headings);
    return (Math.round(x / cellM) * 8192 + Math.round(y / cellM)) * headings + (((h % headings) + headings) % headings);
  };
  for (let step = 0; step < count; step++) {
    const before = history[step];
    const next = new Ways();
    const at = new Map<number, number>();
    for (let w = 0; w < before.x.length; w++) {
      const x = before.x[w];
      const y = before.y[w];
      const heading = before.heading[w];
      const sin = Math.sin(heading);
      const cos = Math.cos(heading);
      for (let a = 0; a < arcs.length; a++) {
        const arc = arcs[a];
        const n = arc.ahead.length;
        let inside = 0;
        let ex = x;
        let ey = y;
        let isClear = true;
        for (let i = 0; i < n; i++) {
          ex = x + sin * arc.ahead[i] + cos * arc.right[i];
          ey = y + cos * arc.ahead[i] - sin * arc.right[i];
          const depth = water.depth(ex, ey);
          if (!(depth >= leastM)) {
            isClear = false;
            break;
          }
          if (isIn(depth)) inside++;
          if (drawn) inside += drawn(ex, ey);
        }
        if (!isClear) continue;
        const score = before.score[w] + inside / n - bendLess * Math.abs(arc.bend);
        const k = key(ex, ey, heading + arc.turn);
        const there = at.get(k);
        if (there === undefined) {
          at.set(k, next.x.length);
          next.add(ex, ey, heading + arc.turn, score, w, a);
        } else if (score > next.score[there]) {
          next.x[there] = ex;
          next.y[there] = ey;
          next.heading[there] = heading + arc.turn;
          next.score[there] = score;
          next.from[there] = w;
          next.arc[there] = a;
        }
      }
    }
    if (next.x.length === 0)
      throw new RangeError(`expected room for a lane of ${Math.round(lengthM)} m with turns of ${turnM} m, found ${Math.round(step * long)} m at most from there`);
    const ranked = [...next.score.keys()];
    const kept = next.keep(ranked.length > mostWays ? ranked.sort((p, q) => next.score[q] - next.score[p]).slice(0, mostWays) : ranked);
    history.push(kept);
    countAgain(history, Math.ceil((Math.PI * wide) / long), 0.7 * wide);
  }
  return followed(water, query, history, arcs, long);
}

/** Places and headings a lane may begin with: within reach of the start, or anywhere in the band. */
function seeds(water: CastWater, start: Spot | null, leastM: number, band: { fromM: number; toM: number }, headings: number, mostSeeds: number): Ways {
  const places: Spot[] = [];
  const { map } = water;
  if (start)
    for (let dx = -startWithinM + 3; dx <= startWithinM - 3; dx += 4)
      for (let dy = -startWithinM + 3; dy <= startWithinM - 3; dy += 4) {
        const [x, y] = [start.x + dx, start.y + dy];
        if (Math.hypot(dx, dy) <= startWithinM - 1 && water.depth(x, y) >= leastM) places.push({ x, y });
      }
  else {
    const [wide, high] = [map.nx * map.cellM, map.ny * map.cellM];
    const some = (inBand: boolean) => {
      for (let apart = 6; ; apart *= 1.3) {
        places.length = 0;
        for (let x = map.x0; x < map.x0 + wide; x += apart)
          for (let y = map.y0; y < map.y0 + high; y += apart) {
            const d = water.depth(x, y);
            if (d >= leastM && (!inBand || (d >= band.fromM && d <= band.toM))) places.push({ x, y });
          }
        if (places.length * headings <= mostSeeds) return;
      }
    };
    some(true);
    if (places.length === 0) some(false);
  }
  const ways = new Ways();
  for (const { x, y } of places) for (let h = 0; h < headings; h++) ways.add(x, y, (h * 2 * Math.PI) / headings, 0, -1, 0);
  return ways;
}

/** Takes a little from ways that have come back over their own water. */
function countAgain(history: readonly Ways[], leastBack: number, withinM: number): void {
  const last = history[history.length - 1];
  for (let w = 0; w < last.x.length; w++) {
    let row = w;
    for (let s = history.length - 1, back = 0; s > 0; s--, back++) {
      row = history[s].from[row];
      if (back < leastBack) continue;
      if (Math.abs(history[s - 1].x[row] - last.x[w]) < withinM && Math.abs(history[s - 1].y[row] - last.y[w]) < withinM) {
        last.score[w] -= againLess;
        break;
      }
    }
  }
}

/** The best way, from its beginning, with its figures. */
function followed(water: CastWater, { band, baitM, turnM }: LaneQuery, history: readonly Ways[], arcs: readonly Arc[], long: number): Lane {
  const last = history[history.length - 1];
  let row = last.score.reduce((best, s, k) => (s > last.score[best] ? k : best), 0);
  const taken: number[] = [];
  for (let s = history.length - 1; s > 0; s--) {
    taken.unshift(history[s].arc[row]);
    row = history[s].from[row];
  }
  let { x, y, heading } = { x: history[0].x[row], y: history[0].y[row], heading: history[0].heading[row] };
  const spots: Spot[] = [{ x, y }];
  for (const a of taken) {
    const [sin, cos] = [Math.sin(heading), Math.cos(heading)];
    const { ahead, right, turn } = arcs[a];
    ahead.forEach((f, i) => spots.push({ x: x + sin * f + cos * right[i], y: y + cos * f - sin * right[i] }));
    ({ x, y } = spots[spots.length - 1]);
    heading += turn;
  }
  const depths = spots.map((p) => water.depth(p.x, p.y));
  return {
    spots,
    lengthM: laneLength(spots),
    inBandShare: depths.filter((d) => d >= band.fromM && d <= band.toM).length / depths.length,
    leastClearanceM: leastDepth(water, spots) - baitM,
    tightestTurnM: tightestTurn(spots, turnM),
    turns: turnsOf(taken, arcs, long),
  };
}

/** A bend of less than this is held by a hand on the tiller. */
const leastTurnDeg = 25;

function turnsOf(taken: readonly number[], arcs: readonly Arc[], long: number): LaneTurn[] {
  const turns: LaneTurn[] = [];
  let from = 0;
  for (let k = 1; k <= taken.length; k++) {
    const side = Math.sign(arcs[taken[from]].bend);
    if (k < taken.length && Math.sign(arcs[taken[k]].bend) === side) continue;
    const byDeg = (Math.abs(taken.slice(from, k).reduce((s, a) => s + arcs[a].turn, 0)) * 180) / Math.PI;
    if (side !== 0 && byDeg >= leastTurnDeg) turns.push({ fromM: from * long, toM: k * long, side: side > 0 ? 'right' : 'left', byDeg });
    from = k;
  }
  return turns;
}
