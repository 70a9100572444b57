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
  /** Speeds that the fish ask for, m/s, where this one is too fast for them; null where it is not. */
  slowTo: { fromMs: number; toMs: number } | null;
  turnM: number;
  /** Depth of the water at the next turn, m. */
  turnDepthM: number | null;
  /** Least water under each line ahead, m; null where it is not known. */
  clearAheadM: number | null;
  strikes: number;
  /** Whether the spread asks for other depths, and to which most of them go, m. */
  drawTo: number | null;
  untried: { fromM: number; toM: number } | null;
  /** Whether many fish were seen over an hour of line and hardly one bit, on moving water: they are idle, and its lies are better. */
  isIdle: boolean;
  isDrift: boolean;
  units: UnitPreference;
  zone: string;
  nowMs: number;
}

export type PassStep = 'lines' | 'lane' | 'place' | 'back' | 'speed' | 'draw' | 'idle' | 'turn' | 'end' | 'hold';

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

type PassSays = Pick<PassAnswer, 'step' | 'headline' | 'detail'>;

/** A lane with where on it the boat is. */
interface OnLane extends PassQuery {
  lane: Lane;
  place: LanePlace;
  turn: LaneTurn | null;
  toTurnM: number | null;
}

const away = (m: number, units: UnitPreference) => distanceText(Math.max(0, m), units);
const clearWords = ({ clearAheadM, units }: PassQuery) => (clearAheadM === null ? '' : ` ${depthText(Math.max(0, clearAheadM), units)} clear under the deepest line ahead.`);

/** Before there is a lane with the boat on it. */
function beforeLane({ lines, lane, laneWhy, place, isDrift }: PassQuery): PassSays | null {
  if (lines.length === 0) return { step: 'lines', headline: 'Set the lines', detail: 'Their depths cover what the fish may be in; then the lane keeps them off the bed.' };
  if (lane === null && laneWhy === null) return { step: 'lane', headline: 'Working out the lane', detail: 'A way along the depths that no bait drags on.' };
  if (lane === null) return { step: 'lane', headline: isDrift ? 'No drift worked out' : 'No lane from here', detail: laneWhy! };
  if (place === null)
    return { step: 'place', headline: 'Where are you?', detail: 'The phone does not say where it is yet. Touch the map where you are, and the lane is steered from there.' };
  return null;
}

/** What may be said along the lane, what comes first going before: each answers, or leaves it to the next. */
const laneSays: readonly ((q: OnLane) => PassSays | null)[] = [backOntoLane, slowDown, drawLines, leaveIdle, laneEnds, turnComes];

function backOntoLane({ lane, place, units }: OnLane): PassSays | null {
  if (place.offM <= offLaneM || place.alongM >= lane.lengthM - endM) return null;
  const side = place.side === 'left' ? 'right' : 'left';
  return { step: 'back', headline: `Steer ${side}: the lane is ${away(place.offM, units)} off`, detail: `Come onto it at a slant, along ${Math.round(place.bearingDeg)}°.` };
}

function slowDown({ slowTo, speedMs, units }: OnLane): PassSays | null {
  if (slowTo === null) return null;
  return {
    step: 'speed',
    headline: `Too fast: ${trollSpeedText(speedMs, units)}`,
    detail: `They take it at ${trollSpeedText(slowTo.fromMs, units)} to ${trollSpeedText(slowTo.toMs, units)}. Slower, or a drift sock.`,
  };
}

function drawLines({ drawTo, strikes, units }: OnLane): PassSays | null {
  if (drawTo === null) return null;
  return {
    step: 'draw',
    headline: `Draw the lines to ${depthText(drawTo, units)}`,
    detail: `${counted(strikes, 'strike')} tell where they are. One line stays where nobody has fished.`,
  };
}

function leaveIdle({ isIdle }: OnLane): PassSays | null {
  return isIdle
    ? {
        step: 'idle',
        headline: 'Many, idle: the lies again',
        detail: 'An hour over marks and hardly a bite: they winter here and do not feed. Lies beside the pool refill: dusk is best.',
      }
    : null;
}

function laneEnds({ lane, place, isDrift }: OnLane): PassSays | null {
  if (place.alongM < lane.lengthM - endM) return null;
  return isDrift
    ? { step: 'end', headline: 'The drift ends', detail: 'Motor back upwind, beside what you drifted over, and begin again.' }
    : { step: 'end', headline: 'The lane ends: turn', detail: 'Turn wide with the lines out, and run it back: Turn logs the next pass.' };
}

function turnComes(q: OnLane): PassSays | null {
  const { turn, toTurnM, turnDepthM, units } = q;
  if (turn === null || toTurnM === null || toTurnM > announceM) return null;
  const depth = turnDepthM === null ? '' : `, ${depthText(turnDepthM, units)}`;
  return {
    step: 'turn',
    headline: toTurnM < 8 ? `Turn ${turn.side} now${depth}` : `Turn ${turn.side} in ${away(toTurnM, units)}${depth}`,
    detail: `Through ${Math.round(turn.byDeg)}°.${sinkingWords(q, turn)}${clearWords(q)}`,
  };
}

/** How much deeper the line on the inside of a turn runs, where its rig is known. */
function sinkingWords({ lines, speedMs, turnM, units }: OnLane, turn: LaneTurn): string {
  const inner = lines.filter((l) => l.side === turn.side).map((l) => ({ l, m: depthInTurn(l, speedMs, turnM, turn.side) }));
  const [sinks] = inner.flatMap(({ l, m }) => (m === null || l.depthM === null ? [] : [{ name: l.name, byM: m - l.depthM }])).sort((a, b) => b.byM - a.byM);
  return sinks && sinks.byM > 0.05 ? ` The ${sinks.name} line runs inside: ${liftText(sinks.byM, units)} deeper.` : '';
}

function holdCourse(q: OnLane): PassSays {
  const { lane, place, turn, toTurnM, untried: left, isDrift, units } = q;
  const rest = turn && toTurnM !== null ? `${turn.side === 'left' ? 'Left' : 'Right'} in ${away(toTurnM, units)}.` : `${away(lane.lengthM - place.alongM, units)} to its end.`;
  const tip = left === null ? '' : ` Nobody has fished ${depthText(left.fromM, units)} to ${depthText(left.toM, units)} yet.`;
  return { step: 'hold', headline: `${isDrift ? 'Drift along' : 'Hold'} ${Math.round(place.bearingDeg)}°`, detail: `${rest}${clearWords(q)}${tip}` };
}

/** What to run and where to steer now. */
export function passAnswer(q: PassQuery): PassAnswer {
  const { lane, place, speedMs } = q;
  const turn = lane && place ? turnAhead(lane.turns, place.alongM) : null;
  const toTurnM = turn && place ? Math.max(0, turn.fromM - place.alongM) : null;
  const toTurnS = toTurnM === null || toTurnM < 8 || speedMs <= 0 ? null : toTurnM / speedMs;
  const before = beforeLane(q);
  if (before || lane === null || place === null) return { turn, toTurnM, toTurnS, ...before! };
  const on: OnLane = { ...q, lane, place, turn, toTurnM };
  for (const say of laneSays) {
    const said = say(on);
    if (said) return { turn, toTurnM, toTurnS, ...said };
  }
  return { turn, toTurnM, toTurnS, ...holdCourse(on) };
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
