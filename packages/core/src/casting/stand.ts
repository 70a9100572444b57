import type { DepthMap, LonLat } from '../ground';
import { diveOver, divingAt, type MeasuredDive } from '../rig';
import { edgeWorthAt } from './edge';
import { coarse, Fan, type CastSetting, type FanCast } from './fan';
import { bestStance, stances, waysTo } from './stance';
import { ShownWater } from './shown';
import { passesAlong, takenAfter } from './strike';
import { worthBy, type CastTarget } from './targets';
import { CastWater, outAlong, type Spot } from './water';

/** A cast that was made. */
export interface MadeCast {
  from: LonLat;
  bearingDeg: number;
  lengthM: number;
}

/** What is asked of a stand. The map has the depths of today. */
export interface StandQuery {
  at: LonLat;
  band: { fromM: number; toM: number };
  castM: number;
  strikeM: number;
  /** Within this of the stance fish know of the angler, m. */
  shyM?: number;
  /** Chance that a fish within the strike radius takes one pass. */
  chance: number;
  targets: readonly CastTarget[];
  /** What plain band is worth beside targets, 0–1: less where fish hold to lies alone. */
  base: number;
  casts: readonly MadeCast[];
  count: number;
}

/** A cast of the fan, with the metres of it in the band and which pass of its water it is. */
export interface StandCast extends FanCast {
  bandM: number;
  pass: number;
}

/** Casts by bearing: metres in the band, and what of them is still to show. */
export interface BearingBar {
  bearingDeg: number;
  bandM: number;
  leftM: number;
}

export interface StandAnswer {
  casts: StandCast[];
  bars: BearingBar[];
  across: { bearingDeg: number; inBandShare: number };
  /** Share of what can be reached that was shown, by its chance to be taken, 0–1. */
  shown: number;
  /** Whether any of the band can be reached from here. */
  isReached: boolean;
}

const [barsEachSide, barStepDeg] = [3, 8];
/** With a school marked within a cast so many casts are laid out: through it, and once more. Source: fieldcraft, a marker saves casts. */
const schoolCasts = 2;
/** What holds fish outside the band counts this much of what it would in it: the bottom felt hard is worth a cast whatever the map says. Heuristic. */
const beyondShare = 0.5;

/** What is cast for: band by its edge, more by what holds fish, less where casts from other stands have shown it. */
function settingOf(map: DepthMap, q: Omit<StandQuery, 'at'>, shown = new ShownWater()): CastSetting {
  const [edge, target] = [edgeWorthAt(map), worthBy(q.targets)];
  const passLeft = 1 - takenAfter(q.chance, 1);
  const left = (x: number, y: number) => shown.leftAt(x, y, passLeft);
  return {
    band: q.band,
    castM: q.castM,
    strikeM: q.strikeM,
    shyM: q.shyM ?? 0,
    worth: (x, y) => (q.base * edge(x, y) + target(x, y)) * left(x, y),
    beyond: (x, y) => beyondShare * target(x, y) * left(x, y),
    passLeft,
  };
}

/** Which casts to make from a stand after those that were made, and what is left to show by bearing. */
export function standCasts(map: DepthMap, query: StandQuery): StandAnswer {
  const water = new CastWater(map);
  const from = water.spot(query.at);
  const here: MadeCast[] = [];
  const elsewhere = new ShownWater();
  for (const cast of query.casts) {
    const spot = water.spot(cast.from);
    const awayM = Math.hypot(spot.x - from.x, spot.y - from.y);
    if (awayM < 1) here.push(cast);
    else if (awayM < cast.lengthM + query.castM) elsewhere.add(spot, cast.bearingDeg, cast.lengthM, query.strikeM);
  }
  const fresh = new Fan(water, from, settingOf(map, query, elsewhere));
  const after = () => {
    const fan = fresh.fresh();
    for (const cast of here) fan.show(cast.bearingDeg, true, cast.lengthM);
    return fan;
  };
  // `best` counts what it chose as made: what is left by bearing is asked of a fan that made only what was made.
  const [before, choosing] = [after(), after()];
  const shown = before.shownShare();
  const hasSchool = query.targets.some((t) => t.kind === 'school' && Math.hypot(t.x - from.x, t.y - from.y) <= query.castM);
  const chosen = choosing.best(hasSchool ? Math.min(schoolCasts, query.count) : query.count);
  const first = chosen[0]?.bearingDeg ?? 0;
  const bars = Array.from({ length: 2 * barsEachSide + 1 }, (_, k): BearingBar => {
    const bearingDeg = (first + (k - barsEachSide) * barStepDeg + 360) % 360;
    const bandM = fresh.inBandShare(bearingDeg) * fresh.lengthM(bearingDeg);
    const all = fresh.show(bearingDeg);
    return { bearingDeg, bandM, leftM: all > 0 ? (bandM * before.show(bearingDeg)) / all : 0 };
  });
  const casts = chosen.map((cast, k): StandCast => {
    const earlier = passesAlong([...here, ...chosen.slice(0, k)], cast.bearingDeg, query.strikeM, query.castM);
    return { ...cast, bandM: cast.inBandShare * cast.lengthM, pass: earlier + 1 };
  });
  return { casts, bars, across: fresh.across(), shown, isReached: fresh.total > 0 };
}

/** A stand worth going to, and what its casts show an hour's casts' worth, the way there counted in casts. */
export interface NextStand {
  at: LonLat;
  walkM: number;
  /** Worth shown per cast, the walk paid, against what is left here. */
  times: number;
}

/** What a walk costs: metres gone in the time of one cast, and casts that setting up costs. Heuristic. */
export const walkCost = { perCastM: 60, setUpCasts: 1 } as const;
const standCastsMade = 8;
/** Stands looked at for the next one. */
const mostLooks = 90;

/** Worth that the best casts from a place show, per cast, after `before` casts' worth of walking. */
function ratePerCast(water: CastWater, from: Spot, setting: CastSetting, before: number): number {
  const fan = new Fan(water, from, setting, coarse);
  if (fan.total === 0) return 0;
  let [sum, best] = [0, 0];
  fan.best(standCastsMade).forEach((c, k) => {
    sum += fan.total * c.gain;
    best = Math.max(best, sum / (k + 1 + before));
  });
  return best;
}

/**
 * Where to stand next: the place within `withinM` whose casts show most, the walk charged in casts; null where nothing beats staying.
 * @param shores edges of the water, for one who stays ashore
 */
export function nextStand(map: DepthMap, shores: readonly (readonly LonLat[])[], query: StandQuery, isAshore: boolean, withinM: number): NextStand | null {
  const water = new CastWater(map);
  const from = water.spot(query.at);
  const shown = new ShownWater();
  for (const cast of query.casts) shown.add(water.spot(cast.from), cast.bearingDeg, cast.lengthM, query.strikeM);
  const setting = settingOf(map, query, shown);
  const here = ratePerCast(water, from, setting, 0);
  const found = stances(water, shores, isAshore);
  const ways = waysTo(found, from);
  const near = found.map((spot, k) => ({ spot, walkM: ways[k] })).filter((s) => s.walkM > 3 && s.walkM <= withinM);
  const every = Math.ceil(near.length / mostLooks);
  let best: NextStand | null = null;
  for (const { spot, walkM } of near.filter((_, k) => k % every === 0)) {
    const times = ratePerCast(water, spot, setting, walkM / walkCost.perCastM + walkCost.setUpCasts) / Math.max(here, 1e-9);
    if (times > (best?.times ?? 1)) best = { at: water.place(spot), walkM, times };
  }
  return best;
}

/** The stance to begin at, and the place that is cast to from it; null where it was chosen by its casts alone. */
export interface FirstStand {
  at: LonLat;
  toward: LonLat | null;
}

/** A place to cast to lies no nearer than this share of a cast and no further than that one: the bait comes through it, and is not dropped on it. Heuristic. */
const towardShare = { from: 0.25, to: 0.9 } as const;

/**
 * Where to begin on a water: of the stances that reach the first place for the fish the one whose casts show most of the band and of what holds fish; of all
 * stances where none reaches it or none is known. Null where nothing can be reached.
 */
export function firstStand(
  map: DepthMap,
  shores: readonly (readonly LonLat[])[],
  query: Omit<StandQuery, 'at'>,
  isAshore: boolean,
  toward: LonLat | null = null,
): FirstStand | null {
  const water = new CastWater(map);
  const setting = settingOf(map, query);
  const all = stances(water, shores, isAshore);
  const goal = toward && water.spot(toward);
  const reaching = goal ? all.filter((from) => canCastTo(water, from, goal, query.castM)) : [];
  // A stance that may slide could slide out of reach of the place.
  const near = reaching.length > 0 ? bestStance(water, setting, standCastsMade, reaching, false) : null;
  const found = near ?? bestStance(water, setting, standCastsMade, all, !isAshore);
  return found && { at: water.place(found), toward: near && toward };
}

function canCastTo(water: CastWater, from: Spot, goal: Spot, castM: number): boolean {
  const awayM = Math.hypot(goal.x - from.x, goal.y - from.y);
  if (awayM < towardShare.from * castM || awayM > towardShare.to * castM) return false;
  const bearing = ((Math.atan2(goal.x - from.x, goal.y - from.y) * 180) / Math.PI + 360) % 360;
  return water.clearM(from, bearing, awayM, 1) >= awayM - 1;
}

/** A cast from the side: the bed under it, and where the bait comes along, from the landing to the stance. */
export interface CastSection {
  lengthM: number;
  bed: { outM: number; depthM: number }[];
  /** The bait's way over the bed, from where it lands. */
  path: { outM: number; depthM: number }[];
  /** Depth it falls to, m. */
  landsM: number;
  /** What of the way lies in the band, m. */
  bandM: number;
}

/** How the bait comes: hops of a height, or along the bottom, or held at a depth that no bed reaches. */
export interface RetrieveShape {
  liftM: number;
  takeM: number;
  /** Depth it is kept at, m; null along the bottom. */
  atM: number | null;
  /** Of a bait that dives: what it was seen to reach, and the line it is on, mm; it does not sink by itself. */
  dive?: { measured: MeasuredDive; lineMm: number } | null;
}

/** What a diving bait does along a cast: how deep it runs, and whether it roots; null where the cast is too short to tell. */
export function diveAlong({ path, bed }: CastSection): { deepestM: number; bedM: number; rootsFromM: number | null; over: ReturnType<typeof diveOver> } | null {
  if (path.length < 4) return null;
  const deepest = path.reduce((a, b) => (b.depthM > a.depthM ? b : a));
  const floorAt = (outM: number) => bed.reduce((a, b) => (Math.abs(b.outM - outM) < Math.abs(a.outM - outM) ? b : a)).depthM;
  const roots = path.filter((p) => p.depthM > 0.3 && diveOver(p.depthM + 0.05, floorAt(p.outM)) === 'roots');
  return {
    deepestM: deepest.depthM,
    bedM: floorAt(deepest.outM),
    rootsFromM: roots[0]?.outM ?? null,
    over: roots.length > 0 ? 'roots' : diveOver(deepest.depthM, floorAt(deepest.outM)),
  };
}

/** The section along a cast of a length, as far as the water goes. */
export function castSection(map: DepthMap, at: LonLat, bearingDeg: number, castM: number, band: { fromM: number; toM: number }, shape: RetrieveShape): CastSection {
  const water = new CastWater(map);
  const from = water.spot(at);
  const lengthM = water.clearM(from, bearingDeg, castM, 0.5);
  const depthAtOut = (outM: number) => {
    const { x, y } = outAlong(from, bearingDeg, outM);
    return water.depth(x, y);
  };
  const pieces = 80;
  const bed = Array.from({ length: pieces + 1 }, (_, k) => ({ outM: (k / pieces) * castM, depthM: depthAtOut((k / pieces) * castM) })).filter((p) => !Number.isNaN(p.depthM));
  const landing = depthAtOut(lengthM);
  const { dive } = shape;
  const landsM = dive ? 0 : Math.min(Number.isNaN(landing) ? 0 : landing, shape.atM ?? Infinity);
  const path: CastSection['path'] = [];
  for (let outM = lengthM; outM > 1; outM -= shape.takeM / 4) {
    const floor = depthAtOut(outM);
    if (Number.isNaN(floor)) continue;
    if (dive) {
      path.push({ outM, depthM: Math.min(floor, divingAt(dive.measured, dive.lineMm, lengthM, outM)) });
      continue;
    }
    const phase = ((lengthM - outM) / shape.takeM) % 1;
    const lift = shape.liftM * Math.max(0, Math.sin(Math.PI * Math.min(1, phase * 1.6)));
    path.push({ outM, depthM: Math.max(0, Math.min(floor, shape.atM ?? Infinity) - lift) });
  }
  const inBand = bed.filter((p) => p.outM <= lengthM && p.depthM >= band.fromM && p.depthM <= band.toM).length;
  return { lengthM, bed, path, landsM, bandM: (inBand / (pieces + 1)) * castM };
}
