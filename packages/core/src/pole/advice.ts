import type { OutingState, QuietReason, StationState } from '../ledger';
import { clamp, currentText, depthText, minuteMs, type UnitPreference } from '../units';
import { pegAnswer, swimRings, type PegAnswer, type SwimRing } from './answer';
import { bagSoFar, targetOf, type BagSoFar } from './bag-of';
import { floatRule } from './changes';
import { feedPicture, type Ball, type FeedPicture } from './feeding';
import { layInSide, type LayIn, type LayInQuery } from './lay-in';
import { pegOf, type Peg, type PegSwim } from './from-log';
import { pegRig, type PegRig, type RigQuery } from './rig';
import { stillMs } from './feed';

/** Depth worked with where a swim was not plumbed, said to be assumed; and what rigs and feed can be worked out for, m. */
const assumedDepthM = 1.5;
const [leastM, mostM] = [0.2, 20];

/** What one fishes with: the angler's own figures, or those assumed for one who has said none. */
export interface PoleTackle extends Pick<RigQuery, 'floats' | 'loadG' | 'pattern'> {
  reachM: number;
  runM: number;
  ball: Ball;
  /** Null for the usual table. */
  shot: RigQuery['table'] | null;
  /** Weight that one fishes for, g; null for none. */
  targetG: number | null;
}

export interface PegAdviceSetting {
  outing: OutingState;
  station: StationState;
  /** Of the water at the peg, °C. */
  tempC: number;
  reasons: readonly QuietReason[];
  /** Whether fish of this water are used to bait. */
  isBaited: boolean;
  tackle: PoleTackle;
  /** Over the peg; null where nobody knows. */
  wind: LayInQuery['wind'];
  /** The way one looks from it, degrees; null where the shore is not known. */
  facesDeg: number | null;
  nowMs: number;
  units: UnitPreference;
  zone: string;
}

/** The flow at a peg; `ms` is null where nobody has timed it. */
export interface PegFlow {
  ms: number | null;
  isStill: boolean;
  text: string;
}

/** All that is said at a peg: which swim until when, where the feed lies and the next goes, the rig, and the bag so far. */
export interface PegAdvice extends PegAnswer {
  peg: Peg;
  depth: { m: number; by: 'plumbed' | 'assumed' };
  flow: PegFlow;
  feedPicture: FeedPicture;
  /** The same of any swim of this peg. */
  feedOf: (swim: PegSwim) => FeedPicture;
  rig: PegRig;
  /** The side to lay it in to; null where it lies straight anyhow. */
  layIn: LayIn | null;
  /** The rig for another depth of this peg, m. */
  rigAt: (depthM: number) => PegRig;
  rings: SwimRing[];
  bag: BagSoFar;
  /** When the weight one fishes for is reached; null without one, and before anything has a weight. */
  target: ReturnType<typeof targetOf>;
  /** The other swims of the peg, and where a swap leads: to the better one, else to the last of them. */
  others: PegSwim[];
  swapsTo: PegSwim | null;
  /** The fish of the last one landed here, else the one gone out for. */
  species: string;
}

/** A place on the run from where the float is laid in: "3 ft along". */
export const runPlaceText = (alongM: number, units: UnitPreference): string => (Math.abs(alongM) < 0.05 ? 'at the start' : `${depthText(Math.abs(alongM), units)} along`);

function flowAt(peg: Peg, units: UnitPreference): PegFlow {
  const ms = peg.flow?.flowMs ?? null;
  if (ms === null) return { ms, isStill: false, text: 'flow not timed' };
  const isStill = Math.abs(ms) < stillMs;
  return { ms, isStill, text: isStill ? 'still' : currentText(Math.abs(ms), units) };
}

/** Minutes since the last ball of a swim without a bite; null where one came, or none was fed. */
function blankMinOf({ fedMs, bitesMs }: PegSwim, nowMs: number): number | null {
  const lastMs = Math.max(...fedMs);
  return fedMs.length === 0 || bitesMs.some((ms) => ms >= lastMs) ? null : (nowMs - lastMs) / minuteMs;
}

/** Whether the float has still to be changed after the flow that was timed last. A swap that is due goes before it. */
function isFloatDue(outing: OutingState, peg: Peg, { swapTo }: PegAnswer): boolean {
  const isFished = peg.swims.some((s) => s.stays.length > 0);
  const isDone = outing.changes.some((c) => c.what === floatRule.id && peg.flow !== null && c.ms >= peg.flow.ms && peg.swims.some((s) => s.id === c.station));
  return isFished && swapTo === null && peg.flow !== null && !isDone;
}

/** The answer with the float in its place, where a changed flow asks for another. */
function otherFloat(answer: PegAnswer, { change }: PegRig): PegAnswer {
  if (change === null) return answer;
  return { ...answer, headline: change.label, detail: change.reason, change: { ...floatRule, ...change } };
}

/** What to do at a peg, by what was plumbed, timed, fed and caught there, and by the water of now. */
export function pegAdvice({ outing, station, tempC, reasons, isBaited, tackle, wind, facesDeg, nowMs, units, zone }: PegAdviceSetting): PegAdvice {
  const peg = pegOf(outing, station, nowMs);
  const answer = pegAnswer({ peg, tempC, reasons, isBaited, reachM: tackle.reachM, nowMs, units, zone });
  const { here } = answer;
  const depthM = clamp(here.depthM ?? assumedDepthM, leastM, mostM);
  const flow = flowAt(peg, units);
  const { floats, loadG, pattern, shot } = tackle;
  const rigAt = (m: number) =>
    pegRig({
      depthM: clamp(m, leastM, mostM),
      flowMs: flow.ms,
      windMs: wind?.speedMs ?? null,
      reachM: here.outM ?? tackle.reachM,
      earlierMs: peg.flow?.earlierMs ?? null,
      floats,
      loadG,
      pattern,
      table: shot ?? undefined,
    });
  const rig = rigAt(depthM);
  const layIn = layInSide({ facesDeg, wind, flowMs: flow.ms });
  const withFloat = isFloatDue(outing, peg, answer) ? otherFloat(answer, rig) : answer;
  const bag = bagSoFar(peg.fish, outing.weighed, peg.sinceMs, nowMs);
  const feedOf = (swim: PegSwim) =>
    feedPicture(swim, clamp(swim.depthM ?? depthM, leastM, mostM), flow.ms, tackle.runM, tackle.ball, units, {
      blankMin: blankMinOf(swim, nowMs),
      habit: isBaited ? 'used' : 'unfed',
      tempC,
      isCooling: reasons.includes('cooling'),
    });
  const others = peg.swims.filter((s) => s.outM !== null && s.id !== here.id);
  return {
    ...withFloat,
    // Where one fishes on as one does, how the rig goes in is what the hand has to know.
    detail: layIn && withFloat.step === 'fish' ? `${withFloat.detail} ${layIn.text}` : withFloat.detail,
    peg,
    depth: { m: depthM, by: here.depthM === null ? 'assumed' : 'plumbed' },
    flow,
    feedPicture: feedOf(here),
    feedOf,
    rig,
    layIn,
    rigAt,
    rings: swimRings(answer, peg, nowMs),
    bag,
    target: tackle.targetG === null ? null : targetOf(bag, tackle.targetG, peg.sinceMs, nowMs),
    others,
    swapsTo: answer.swapTo ?? others.at(-1) ?? null,
    species: peg.fish.at(-1)?.species ?? outing.species[0],
  };
}
