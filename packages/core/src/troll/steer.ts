import type { CastWater, Spot } from '../casting';
import type { DriftCraft } from './drift';
import { windDrift } from './drift';
import type { Lane, LaneTurn } from './lane';
import { laneLength, tightestTurn } from './lane-figures';

/** Where one is against a lane. */
export interface LanePlace {
  /** How far along it, m. */
  alongM: number;
  /** How far beside it, m, and to which side of one who follows it. */
  offM: number;
  side: 'left' | 'right';
  /** Compass bearing of the lane there. */
  bearingDeg: number;
}

const degrees = 180 / Math.PI;
const bearingOf = (a: Spot, b: Spot) => (Math.atan2(b.x - a.x, b.y - a.y) * degrees + 360) % 360;

/**
 * The place of a lane nearest to where one is. Where the lane passes twice, that nearest to `afterM`, how far one was along it before.
 * @param afterM null at the beginning
 */
export function placeOnLane(spots: readonly Spot[], at: Spot, afterM: number | null): LanePlace {
  let [along, best] = [0, Infinity];
  let found: LanePlace = { alongM: 0, offM: Infinity, side: 'left', bearingDeg: 0 };
  for (let k = 1; k < spots.length; k++) {
    const [a, b] = [spots[k - 1], spots[k]];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = Math.hypot(dx, dy);
    const u = long === 0 ? 0 : Math.min(1, Math.max(0, ((at.x - a.x) * dx + (at.y - a.y) * dy) / long ** 2));
    const off = Math.hypot(at.x - a.x - u * dx, at.y - a.y - u * dy);
    // A place far from where one was a moment ago costs as if it lay further off.
    const cost = off + (afterM === null ? 0 : 0.15 * Math.abs(along + u * long - afterM));
    if (cost < best) {
      best = cost;
      const cross = dx * (at.y - a.y) - dy * (at.x - a.x);
      found = { alongM: along + u * long, offM: off, side: cross > 0 ? 'left' : 'right', bearingDeg: bearingOf(a, b) };
    }
    along += long;
  }
  return found;
}

/** The place so far along a lane; its end past the end. */
export function spotAlong(spots: readonly Spot[], alongM: number): Spot {
  let left = alongM;
  for (let k = 1; k < spots.length; k++) {
    const long = Math.hypot(spots[k].x - spots[k - 1].x, spots[k].y - spots[k - 1].y);
    if (left <= long) {
      const u = long === 0 ? 0 : Math.max(0, left) / long;
      return { x: spots[k - 1].x + u * (spots[k].x - spots[k - 1].x), y: spots[k - 1].y + u * (spots[k].y - spots[k - 1].y) };
    }
    left -= long;
  }
  return spots[spots.length - 1];
}

/** The bed under a lane from a place on: depth of the water each few metres, NaN where it is land or not known. */
export function bedAhead(water: CastWater, spots: readonly Spot[], fromM: number, aheadM: number, points = 60): { aheadM: number; depthM: number }[] {
  return Array.from({ length: points + 1 }, (_, k) => {
    const ahead = (aheadM * k) / points;
    const { x, y } = spotAlong(spots, fromM + ahead);
    return { aheadM: ahead, depthM: water.depth(x, y) };
  });
}

/** The turn one is in or comes to next. */
export const turnAhead = (turns: readonly LaneTurn[], alongM: number): LaneTurn | null => turns.find((t) => t.toM > alongM + 1) ?? null;

/** A lane run the other way. */
export function reversed(lane: Lane): Lane {
  return {
    ...lane,
    spots: [...lane.spots].reverse(),
    turns: [...lane.turns].reverse().map((t) => ({ fromM: lane.lengthM - t.toM, toM: lane.lengthM - t.fromM, side: t.side === 'left' ? 'right' : 'left', byDeg: t.byDeg })),
  };
}

/**
 * The way that the wind carries a craft from a place until the bait would drag, or `lengthM`; null where it cannot drift at all.
 * @param leastM depth of water that the deepest bait and its clearance want
 */
export function driftLane(
  water: CastWater,
  from: Spot,
  wind: { windMs: number; fromDeg: number },
  craft: DriftCraft,
  band: { fromM: number; toM: number },
  baitM: number,
  leastM: number,
  lengthM: number,
): (Lane & { speedMs: number; towardDeg: number }) | null {
  const { speedMs, towardDeg } = windDrift(wind.windMs, wind.fromDeg, craft);
  if (speedMs <= 0) return null;
  const [dx, dy] = [Math.sin(towardDeg / degrees), Math.cos(towardDeg / degrees)];
  const spots: Spot[] = [];
  const depths: number[] = [];
  for (let s = 0; s <= lengthM; s += 2) {
    const spot = { x: from.x + s * dx, y: from.y + s * dy };
    const depth = water.depth(spot.x, spot.y);
    if (!(depth >= leastM)) break;
    spots.push(spot);
    depths.push(depth);
  }
  if (spots.length < 5) return null;
  return {
    spots,
    lengthM: laneLength(spots),
    inBandShare: depths.filter((d) => d >= band.fromM && d <= band.toM).length / depths.length,
    leastClearanceM: Math.min(...depths) - baitM,
    tightestTurnM: tightestTurn(spots, 20),
    turns: [],
    speedMs,
    towardDeg,
  };
}
