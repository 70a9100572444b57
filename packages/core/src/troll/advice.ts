import { isTooFast } from './speed';
import type { CastWater, Spot } from '../casting';
import type { UnitPreference } from '../units';
import { passAnswer, type PassAnswer } from './answer';
import type { DriftCraft } from './drift';
import type { Lane, LaneTurn } from './lane';
import type { PassLines } from './running';
import { bedAhead, driftLane, placeOnLane, spotAlong, turnAhead, type LanePlace } from './steer';

/** Seen ahead on the picture, m, and the least of it. */
const [aheadM, leastAheadM] = [160, 20];
/** The lane keeps to water at least so much deeper than where it may begin, and goes this far under the band, m. */
const [leastBandM, underBandM] = [2.5, 1];

/** Depths of water that a lane is to follow, m: those of the band, but never so shallow that the deepest bait drags. */
export function laneBand(band: { fromM: number; toM: number }, deepestBaitM: number, clearanceM: number): { fromM: number; toM: number } {
  const leastM = deepestBaitM + clearanceM;
  return { fromM: leastM, toM: Math.max(leastM + leastBandM, band.toM + underBandM) };
}

export interface PassAdviceSetting {
  bed: CastWater;
  running: PassLines;
  /** Where the boat is, in metres of the map; null where nobody knows. */
  spot: Spot | null;
  /** Where a drift would begin: the boat, else the beginning of the pass. */
  begins: Spot;
  speed: { ms: number; by: 'measured' | 'estimated' | 'assumed' };
  /** Speeds that the fish ask for, m/s. */
  speeds: { fromMs: number; toMs: number };
  /** Depths that the lane follows, m. */
  follow: { fromM: number; toM: number };
  /** The lane that was worked out, as it is run; null while it is, with why where it could not be. */
  planned: { lane: Lane | null; why: string | null };
  /** How far along this lane the boat was before, m, so that a lane that passes a place twice is not jumped along; null where it was not. */
  wasAlong: { lane: Lane; alongM: number } | null;
  /** Whether this is a pool of idle fish; not where left out. */
  isIdle?: boolean;
  isDrift: boolean;
  /** How the wind carries the craft. */
  craft: DriftCraft;
  wind: { speedMs: number; fromDeg: number | null } | null;
  turnM: number;
  laneM: number;
  nowMs: number;
  units: UnitPreference;
  zone: string;
}

/** What to run and where to steer, with what the pictures draw of it. */
export interface PassAdvice {
  lane: Lane | null;
  place: LanePlace | null;
  ahead: { aheadM: number; depthM: number }[];
  turn: LaneTurn | null;
  /** The side that one is turning to now; null on the straight. */
  turning: 'left' | 'right' | null;
  answer: PassAnswer;
  drift: ReturnType<typeof driftLane>;
  speed: PassAdviceSetting['speed'];
  /** Depth under the boat, m. */
  underM: number | null;
}

function driftOf({ bed, begins, isDrift, wind, craft, follow, running, laneM }: PassAdviceSetting): PassAdvice['drift'] {
  if (!isDrift || wind === null || wind.fromDeg === null) return null;
  return driftLane(bed, begins, { windMs: wind.speedMs, fromDeg: wind.fromDeg }, craft, follow, running.deepestM, follow.fromM, laneM);
}

/** Why there is no lane; null where there is one, or while it is worked out. */
function whyNone({ isDrift, wind, planned }: PassAdviceSetting, drift: PassAdvice['drift']): string | null {
  if (!isDrift) return planned.why;
  if (drift) return null;
  return wind === null ? 'The wind is not known here: write it down, or run a lane.' : 'The wind carries you ashore, or the bait would drag: begin further upwind.';
}

/** What to run and where to steer now, along a lane or with the wind. */
export function passAdvice(setting: PassAdviceSetting): PassAdvice {
  const { bed, running, spot, speeds, isDrift, planned, wasAlong, turnM, units, zone, nowMs } = setting;
  const drift = driftOf(setting);
  const lane = isDrift ? drift : planned.lane;
  // A drift is as fast as the phone says; until it does, as the wind lets one expect.
  const speed: PassAdvice['speed'] = setting.speed.by === 'assumed' && drift !== null ? { ms: drift.speedMs, by: 'estimated' } : setting.speed;
  const place = lane && spot ? placeOnLane(lane.spots, spot, wasAlong?.lane === lane ? wasAlong.alongM : null) : null;
  const ahead = lane && place ? bedAhead(bed, lane.spots, place.alongM, Math.min(aheadM, Math.max(leastAheadM, lane.lengthM - place.alongM))) : [];
  const depthsAhead = ahead.map((p) => p.depthM).filter((d) => !Number.isNaN(d));
  const turn = lane && place ? turnAhead(lane.turns, place.alongM) : null;
  const turnSpot = lane && turn ? spotAlong(lane.spots, (turn.fromM + turn.toM) / 2) : null;
  const under = spot ? bed.depth(spot.x, spot.y) : NaN;
  return {
    lane,
    place,
    ahead,
    turn,
    turning: turn && place && place.alongM >= turn.fromM ? turn.side : null,
    drift,
    speed,
    underM: Number.isNaN(under) ? null : Math.round(100 * under) / 100,
    answer: passAnswer({
      lane,
      laneWhy: whyNone(setting, drift),
      place,
      lines: running.lines,
      speedMs: speed.ms,
      slowTo: isTooFast(speed.ms, speed.by, speeds) ? speeds : null,
      turnM,
      turnDepthM: turnSpot && bed.depth(turnSpot.x, turnSpot.y),
      clearAheadM: depthsAhead.length === 0 ? null : Math.min(...depthsAhead) - running.deepestM,
      strikes: running.bites,
      drawTo: running.drawTo,
      untried: running.untried,
      isIdle: setting.isIdle ?? false,
      isDrift,
      units,
      zone,
      nowMs,
    }),
  };
}
