import { clockText, counted, depthText, distanceText, liftText, metresPerFoot, type UnitPreference } from '../units';
import type { Lane, LaneTurn } from './lane';
import { fastestMs, trolledLine, speedInTurn, type TrolledRig } from './line';
import type { LanePlace } from './steer';
import { turnAhead } from './steer';
import { isNoted, type DepthHours } from './from-log';

/** A line as it is out. */
export interface RunningLine {
  id: string;
  /** "left", "right", "far left". */
  name: string;
  side: 'left' | 'right';
  /** How far beside the middle of the boat it leaves the rod, m. */
  besideM: number;
  depthM: number | null;
  lineOutM: number | null;
  rig: TrolledRig | null;
}

/** Depth of a line in a turn to a side, m: the outer one runs faster and shallower, the inner one slower and deeper; null where its rig is not known. */
export function depthInTurn(line: RunningLine, speedMs: number, turnM: number, side: 'left' | 'right'): number | null {
  if (line.rig === null || line.lineOutM === null) return null;
  const beside = Math.min(line.besideM, 0.9 * turnM);
  // Fast in a tight turn the outer line leaves the range of the model: it is drawn as at its edge.
  return trolledLine(line.rig, line.lineOutM, Math.min(fastestMs, speedInTurn(speedMs, beside, turnM, line.side === side ? 'inside' : 'outside'))).depthM;
}

export interface PassQuery {
  lane: Lane | null;
  /** Why there is none, in words; null while it is worked out. */
  laneWhy: string | null;
  place: LanePlace | null;
  lines: readonly RunningLine[];
  speedMs: number;
  turnM: number;
  /** Depth of the water at the next turn, m. */
  turnDepthM: number | null;
  /** Least water under each line ahead, m; null where it is not known. */
  clearAheadM: number | null;
  strikes: number;
  /** Whether the spread asks for other depths, and to which most of them go, m. */
  drawTo: number | null;
  untried: { fromM: number; toM: number } | null;
  isDrift: boolean;
  units: UnitPreference;
  zone: string;
  nowMs: number;
}

export type PassStep = 'lines' | 'lane' | 'place' | 'back' | 'draw' | 'turn' | 'end' | 'hold';

export interface PassAnswer {
  step: PassStep;
  headline: string;
  detail: string;
  turn: LaneTurn | null;
  /** To the turn, m and s; null where there is none ahead. */
  toTurnM: number | null;
  toTurnS: number | null;
}

/** Beside the lane by more than this one is off it; a turn is announced so far ahead; the end of a lane is near, m. */
const [offLaneM, announceM, endM] = [25, 120, 25];

/** What to run and where to steer now. */
export function passAnswer(q: PassQuery): PassAnswer {
  const { lane, place, units, lines } = q;
  const away = (m: number) => distanceText(Math.max(0, m), units);
  const turn = lane && place ? turnAhead(lane.turns, place.alongM) : null;
  const toTurnM = turn && place ? Math.max(0, turn.fromM - place.alongM) : null;
  const common = { turn, toTurnM, toTurnS: toTurnM === null || toTurnM < 8 || q.speedMs <= 0 ? null : toTurnM / q.speedMs };
  const say = (step: PassStep, headline: string, detail: string): PassAnswer => ({ ...common, step, headline, detail });
  if (lines.length === 0) return say('lines', 'Set the lines', 'Their depths cover what the fish may be in; then the lane keeps them off the bed.');
  if (lane === null)
    return q.laneWhy === null
      ? say('lane', 'Working out the lane', 'A way along the depths that no bait drags on.')
      : say('lane', q.isDrift ? 'No drift worked out' : 'No lane from here', q.laneWhy);
  if (place === null) return say('place', 'Where are you?', 'The phone does not say where it is yet. Touch the map where you are, and the lane is steered from there.');
  if (place.offM > offLaneM && place.alongM < lane.lengthM - endM)
    return say(
      'back',
      `Steer ${place.side === 'left' ? 'right' : 'left'}: the lane is ${away(place.offM)} off`,
      `Come onto it at a slant, along ${Math.round(place.bearingDeg)}°.`,
    );
  if (q.drawTo !== null)
    return say('draw', `Draw the lines to ${depthText(q.drawTo, units)}`, `${counted(q.strikes, 'strike')} tell where they are. One line stays where nobody has fished.`);
  if (place.alongM >= lane.lengthM - endM)
    return say(
      'end',
      q.isDrift ? 'The drift ends' : 'The lane ends: turn',
      q.isDrift ? 'Motor back upwind, beside what you drifted over, and begin again.' : 'Turn wide with the lines out, and run it back: Turn logs the next pass.',
    );
  const clear = q.clearAheadM === null ? '' : ` ${depthText(Math.max(0, q.clearAheadM), units)} clear under the deepest line ahead.`;
  if (turn && toTurnM !== null && toTurnM <= announceM) {
    const depth = q.turnDepthM === null ? '' : `, ${depthText(q.turnDepthM, units)}`;
    const inner = lines.filter((l) => l.side === turn.side).map((l) => ({ l, m: depthInTurn(l, q.speedMs, q.turnM, turn.side) }));
    const sinks = inner.flatMap(({ l, m }) => (m === null || l.depthM === null ? [] : [{ name: l.name, byM: m - l.depthM }])).sort((a, b) => b.byM - a.byM)[0];
    const sinking = sinks && sinks.byM > 0.05 ? ` The ${sinks.name} line runs inside: ${liftText(sinks.byM, units)} deeper.` : '';
    return say('turn', toTurnM < 8 ? `Turn ${turn.side} now${depth}` : `Turn ${turn.side} in ${away(toTurnM)}${depth}`, `Through ${Math.round(turn.byDeg)}°.${sinking}${clear}`);
  }
  const rest = turn && toTurnM !== null ? ` ${turn.side === 'left' ? 'Left' : 'Right'} in ${away(toTurnM)}.` : ` ${away(lane.lengthM - place.alongM)} to its end.`;
  const tip = q.untried === null ? '' : ` Nobody has fished ${depthText(q.untried.fromM, units)} to ${depthText(q.untried.toM, units)} yet.`;
  return say('hold', q.isDrift ? `Drift along ${Math.round(place.bearingDeg)}°` : `Hold ${Math.round(place.bearingDeg)}°`, `${rest.trim()}${clear}${tip}`);
}

/** Bands of depth that hours are counted in: 2 m, or 5 ft. */
export const depthBandM = (units: UnitPreference): number => (units.depth === 'ft' ? 5 * metresPerFoot : 2);

/** Hours of a band in words: "2 to 4 m: 1.2 h, 3 strikes". */
export const depthHoursText = (band: DepthHours, units: UnitPreference): string =>
  `${depthText(band.fromM, units)} to ${depthText(band.toM, units)}: ${!isNoted(band) ? 'not tried' : `${band.hours.toFixed(1)} h, ${band.strikes === 0 ? 'no strike' : counted(band.strikes, 'strike')}`}`;

/** How fast, in words: "0.9 m/s" or "2.0 mph". */
export const trollSpeedText = (speedMs: number, units: UnitPreference): string =>
  units.wind === 'mph' ? `${(speedMs / 0.44704).toFixed(1)} mph` : units.wind === 'kmh' ? `${(speedMs * 3.6).toFixed(1)} km/h` : `${speedMs.toFixed(1)} m/s`;

/** When a lane from here is run at this speed. */
export const laneEndText = (lane: Lane, place: LanePlace | null, speedMs: number, nowMs: number, zone: string): string =>
  speedMs <= 0 ? '' : clockText(nowMs + ((lane.lengthM - (place?.alongM ?? 0)) / speedMs) * 1000, zone);

/** Where to begin a pass, before there is one. */
export const passPlaceWords = (isPositionKnown: boolean): { headline: string; detail: string } => ({
  headline: isPositionKnown ? 'Begin where you are' : 'Tap where you begin',
  detail: 'A lane is laid from there along the depths that fish use, and keeps the baits off the bed. With the wind it is a drift instead.',
});
