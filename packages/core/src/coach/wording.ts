import { inOwnUnits, depthFigure, depthText, liftText, type UnitPreference } from '../units';
import { drawSpeedMs } from './cadence';
import type { Advice } from './coach';

/** A jig this far off the depth to search is sent there first, m: further than any lift takes it. */
const elsewhereM = 0.7;

export interface AdviceWords {
  /** What to do, such as "Hold still at 19 ft". */
  instruction: string;
  /** Why, by fieldcraft; and what of the movement is the answers' doing. */
  reason: string;
  then: string;
  /** The movement in figures, such as "lift 2 in, 80 a minute". */
  beat: string;
  /** The pause, how long to keep still, or how fast to draw. */
  pause: string;
}

/** Puts advice into words in the angler's units. */
export function adviceWords(advice: Advice, units: UnitPreference): AdviceWords {
  const fill: Record<string, string> = {
    mark: advice.topMarkM === null ? '' : depthText(advice.topMarkM, units),
    gap: advice.gapM === null ? '' : liftText(Math.abs(advice.gapM), units),
    still: String(Math.round(advice.stillS)),
    count: advice.marks < 10 ? ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine'][advice.marks] : String(advice.marks),
    bottom: advice.bottomM === null ? '' : depthText(advice.bottomM, units),
    jig: advice.jigSeenM === null ? '' : depthText(advice.jigSeenM, units),
    bait: advice.baitM === null ? '' : depthText(advice.baitM, units),
  };
  const { cadence, rod } = advice;
  const isDrawn = cadence.id === 'slow-lift';
  const isElsewhere = advice.jigSeenM !== null && Math.abs(advice.jigM - advice.jigSeenM) > elsewhereM;
  const goesFirst = advice.sighting === 'far' || advice.sighting === 'above' || (isElsewhere && (advice.sighting === 'nothing' || advice.sighting === 'bait'));
  const goTo = goesFirst ? `Go to ${depthText(advice.jigM, units)}` : `${cadence.verb} at ${depthText(advice.jigM, units)}`;
  const up = `raw slowly up to ${depthText(advice.jigM, units)}`;
  const drawTo = (advice.fromM ?? null) === null ? `D${up}` : `Lower to ${depthText(advice.fromM!, units)}, d${up}`;
  return {
    instruction: advice.sighting === 'stopped' ? 'Strike' : isDrawn ? drawTo : goTo,
    reason:
      inOwnUnits(advice.reason, units).replace(/\{(\w+)\}/g, (_, name: string) => fill[name] ?? '') +
      (advice.byAnswers ? ` Going by the answers so far: ${advice.byAnswers} than usual.` : ''),
    then: inOwnUnits(advice.then, units),
    beat: rod.liftM === 0 ? (isDrawn ? 'rod still' : 'no movement') : `${isDrawn ? 'keep the ' : ''}lift ${liftText(rod.liftM, units)}, ${rod.beatPerMin} a minute`,
    pause: isDrawn ? `up ${liftText(advice.handMs ?? drawSpeedMs, units)} a second` : rod.liftM === 0 ? `still ${advice.forS} s` : `rest ${advice.pauseS} s`,
  };
}

/** The column in words, for those who do not see the drawing. */
export function shaftWords(
  state: { bottomM: number | null; jigM: number | null; marks: readonly { depthM: number; riseMs: number; kind: string }[] },
  units: UnitPreference,
): string {
  const fish = state.marks.filter((m) => m.kind === 'fish' || m.kind === 'school');
  const parts = [
    state.bottomM === null ? 'Bottom not seen' : `Bottom ${depthText(state.bottomM, units)}`,
    state.jigM === null ? 'jig not seen' : `jig ${depthFigure(state.jigM, units)}`,
  ];
  if (fish.length === 0) parts.push('no marks');
  else {
    const rise = fish[0].riseMs;
    const going = rise > 0.03 ? 'rising' : rise < -0.03 ? 'sinking' : 'still';
    parts.push(`${fish.length} ${fish.length === 1 ? 'mark' : 'marks'}, highest ${depthFigure(fish[0].depthM, units)}, ${going}`);
  }
  return parts.join(', ');
}
