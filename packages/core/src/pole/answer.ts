import type { QuietReason } from '../ledger';
import { clockText, depthText, type UnitPreference } from '../units';
import { quietFactor, quietRules, whatToChange, type ChangeRule } from './changes';
import { whetherToFeed, type FeedRule } from './feeding';
import { floatCapacityG, floatOf, isOtherFloat } from './float';
import { suggestedSwims, type Peg, type PegSwim } from './from-log';
import { overDepthM } from './peg';
import { shotPlan, usualShot, type ShotPattern, type ShotPlan, type ShotSize } from '../rig';
import { swimLimits, waitIn, whichSwim, type SwimAnswer, type SwimView } from './swims';

/** What a swim is called: by its distance. */
export const swimName = (swim: Pick<PegSwim, 'outM'>, units: UnitPreference): string => (swim.outM === null ? 'the swim' : depthText(swim.outM, units));

/** How a peg stands: not plumbed, swims not chosen, or fished. */
export type PegStep = 'plumb' | 'choose' | 'fish';

export interface PegQuery {
  peg: Peg;
  tempC: number;
  reasons: readonly QuietReason[];
  isBaited: boolean;
  reachM: number;
  nowMs: number;
  units: UnitPreference;
  zone: string;
}

export interface PegAnswer {
  step: PegStep;
  headline: string;
  detail: string;
  swims: SwimAnswer | null;
  here: PegSwim;
  wait: { waitMin: number; unusualMin: number; isUnusual: boolean; meanMin: number | null };
  change: ChangeRule;
  feed: FeedRule;
  /** The swim to go to, where one is better. */
  swapTo: PegSwim | null;
  /** Swims that the bed offers, m out. */
  offered: { nearM: number | null; farM: number } | null;
}

/** Depths that are plumbed before swims are chosen. */
const leastPlumbed = 3;
const minutes = (ms: number) => ms / 60_000;

/** What to do at a peg now, on which swim, until when, and why. */
export function pegAnswer(query: PegQuery): PegAnswer {
  const { peg, tempC, reasons, isBaited, reachM, nowMs, units, zone } = query;
  const placed = peg.swims.filter((s) => s.outM !== null);
  const here = peg.swims.find((s) => s.id === peg.hereId)!;
  const mood = { tempC, factor: quietFactor(reasons) };
  // Before any line was down one starts on the near swim while the far one settles.
  const begun = placed.some((s) => s.stays.length > 0);
  const swims = placed.length > 0 ? whichSwim(placed, begun ? here.id : (placed[0]?.id ?? null), mood, nowMs) : null;
  const wait = waitIn(here, nowMs);
  const sinceFedMin = here.fedMs.length > 0 ? minutes(nowMs - Math.max(...here.fedMs)) : null;
  const change = whatToChange({
    isUnusual: wait.isUnusual,
    waitMin: wait.waitMin,
    unusualMin: wait.unusualMin,
    flowMs: peg.flow?.flowMs ?? 0,
    tempC,
    tried: here.tried,
    minutesSinceFed: sinceFedMin,
    fedShare: null,
    hadBites: here.bites > 0,
    reasons,
  });
  const hereView = swims?.views.find((v) => v.id === here.id);
  const feed = whetherToFeed({
    isBaited,
    tempC,
    fed: here.fedMs.length,
    minutesSinceFed: sinceFedMin,
    bitesSinceFed: here.fedMs.length > 0 ? here.bitesMs.filter((ms) => ms >= Math.max(...here.fedMs)).length : 0,
    isTired: hereView?.state === 'tired',
  });
  const offered = suggestedSwims(peg.plumbed, reachM);
  const step: PegStep = peg.plumbed.length < leastPlumbed && placed.length === 0 ? 'plumb' : here.outM === null || placed.length === 0 ? 'choose' : 'fish';
  const common = { step, swims, here, wait, change, feed, offered };
  if (step === 'plumb')
    return {
      ...common,
      swapTo: null,
      headline: 'Plumb the bed',
      detail: `Six depths along the pole tell where to fish. ${peg.plumbed.length === 0 ? 'None yet.' : `${peg.plumbed.length} so far.`}`,
    };
  if (step === 'choose' || swims === null) {
    const far = offered && depthText(offered.farM, units);
    return {
      ...common,
      swapTo: null,
      headline: !far ? 'Choose a swim' : offered.nearM === null ? `Fish at ${far}` : `Two swims: ${depthText(offered.nearM, units)} and ${far}`,
      detail: far ? 'The far one is the deepest within reach; the near one is fished while it settles.' : 'Plumb three depths, and the bed offers two.',
    };
  }
  const target = placed.find((s) => s.id === swims.here)!;
  const until = clockText(swims.untilMs, zone);
  const says = reasons.length > 0 ? ` ${quietRules.find((r) => r.id === reasons[0])!.says}` : '';
  if (!begun) {
    const far = placed.at(-1)!;
    return {
      ...common,
      swapTo: target.id === here.id ? null : target,
      headline: `Start on ${swimName(placed[0], units)}`,
      detail: far.id === placed[0].id ? 'Feed it, and give it its time.' : `Feed ${swimName(far, units)} first: it settles meanwhile. Then line down here.`,
    };
  }
  if (target.id !== here.id)
    return { ...common, swapTo: target, headline: `Rest ${roleOf(here, placed, units)}. ${swimName(target, units)} until ${until}`, detail: `${swims.reason}${says}` };
  if (change.id === 'pole.change.swap' && placed.length > 1) {
    const other = placed.filter((s) => s.id !== here.id).reduce((a, b) => (viewOf(swims, b).bites > viewOf(swims, a).bites ? b : a));
    return { ...common, swapTo: other, headline: `Rest ${roleOf(here, placed, units)}. ${swimName(other, units)} now`, detail: change.reason };
  }
  if (wait.isUnusual && change.id !== 'pole.change.none-yet') {
    const each = wait.meanMin === null ? '' : `, where one came each ${Math.max(1, Math.round(wait.meanMin))}`;
    const quiet = `No bite on ${swimName(here, units)} for ${Math.round(wait.waitMin)} min${each}.`;
    return { ...common, swapTo: null, headline: change.label, detail: `${quiet}${change.id === 'pole.change.reason' ? says : ` ${change.reason}`}` };
  }
  const view = viewOf(swims, here);
  if (view.state === 'settling' && view.untilMs !== null)
    return {
      ...common,
      swapTo: null,
      headline: `Settling until ${clockText(view.untilMs, zone)}`,
      detail: `${swimName(here, units)} was fed and has not bitten yet: in water so cold it takes its time.`,
    };
  const isNew = swims.views.some((v) => v.bites > view.bites && v.state !== 'settling');
  return {
    ...common,
    swapTo: null,
    headline: `Stay on ${swimName(here, units)} until ${until}`,
    detail: `${swims.reason}${isNew ? ' Just come: give it its time.' : ''}${says}`,
  };
}

const viewOf = (swims: SwimAnswer, swim: PegSwim): SwimView => swims.views.find((v) => v.id === swim.id)!;
const roleOf = (swim: PegSwim, placed: readonly PegSwim[], units: UnitPreference) =>
  placed.length === 2 ? (placed[0].id === swim.id ? 'the near swim' : 'the far swim') : swimName(swim, units);

const stateWords = { settling: 'settling', fishing: 'fishing', resting: 'resting', tired: 'tired', fresh: 'not fished' } as const;

export interface SwimRing {
  swim: PegSwim;
  state: SwimView['state'];
  words: string;
  /** Minutes until it changes; null where there is nothing to wait for. */
  minutes: number | null;
  /** Share of the ring that is left, 0–1. */
  share: number;
  isHere: boolean;
  /** One should go there now. */
  isNext: boolean;
}

const ringMin = 45;

/** How each swim stands, nearest first: what is left of its stay, its rest or its settling. */
export function swimRings(answer: PegAnswer, peg: Peg, nowMs: number): SwimRing[] {
  const { swims } = answer;
  if (swims === null) return [];
  return peg.swims
    .filter((s) => s.outM !== null)
    .map((swim) => {
      const view = viewOf(swims, swim);
      const isHere = swim.id === peg.hereId && swim.stays.length > 0;
      const isNext = answer.swapTo?.id === swim.id;
      const until = view.state === 'settling' && view.untilMs !== null ? view.untilMs : answer.swapTo === null ? swims.untilMs : null;
      const left = until === null || view.state === 'fresh' ? null : Math.max(0, Math.round(minutes(until - nowMs)));
      return { swim, state: view.state, words: stateWords[view.state], minutes: left, share: left === null ? (isNext ? 1 : 0) : Math.min(1, left / ringMin), isHere, isNext };
    });
}

export interface RigQuery {
  depthM: number;
  /** Depth-mean flow, m/s; null where nobody timed it: the rig is then for still water. */
  flowMs: number | null;
  earlierMs: number | null;
  floats: readonly { name: string; capacityG: number }[];
  /** Hook and bait, g. */
  loadG: number;
  pattern: ShotPattern | null;
  table?: readonly ShotSize[];
}

export interface PegRig {
  wantedG: number;
  float: { name: string; capacityG: number } | null;
  pattern: ShotPattern;
  patternReason: string;
  /** Null where the float cannot carry hook and bait. */
  plan: ShotPlan | null;
  overM: number;
  /** From float to hook, m. */
  stopM: number;
  /** What a changed flow asks for; null where nothing. */
  changeText: string | null;
}

/** How the shot goes on: a slow fall in still water, all together in a push, droppers between. Source: fieldcraft, pole. */
function patternFor(flowMs: number): { pattern: ShotPattern; reason: string } {
  if (Math.abs(flowMs) < 0.03) return { pattern: 'strung', reason: 'Strung out on water that stands: it falls slowly, and takes on the fall show.' };
  if (Math.abs(flowMs) < 0.2) return { pattern: 'bulk-droppers', reason: 'Together with droppers below: down past the flow, the last of it slowly.' };
  return { pattern: 'bulk', reason: 'All together: in such a push it must get down and stay.' };
}

/** Float, shot and depth for a swim, from the floats one owns. Without one the float that is wanted is worked with. */
export function pegRig({ depthM, flowMs, earlierMs, floats, loadG, pattern, table = usualShot }: RigQuery): PegRig {
  const flow = flowMs ?? 0;
  const wantedG = floatCapacityG(depthM, flow);
  const float = floatOf(floats, wantedG);
  const chosen = patternFor(flow);
  const capacityG = float?.capacityG ?? wantedG;
  const overM = overDepthM(flow);
  const before = earlierMs === null ? null : floatOf(floats, floatCapacityG(depthM, earlierMs));
  const isOther = earlierMs !== null && isOtherFloat(earlierMs, flow);
  return {
    wantedG,
    float,
    pattern: pattern ?? chosen.pattern,
    patternReason: pattern ? 'Your own pattern.' : chosen.reason,
    plan: capacityG > loadG + 0.02 ? shotPlan(capacityG, depthM, loadG, pattern ?? chosen.pattern, table) : null,
    overM,
    stopM: depthM + overM,
    changeText:
      isOther && float && before?.name !== float.name
        ? `The flow has changed by a third: change to the ${float.capacityG} g.`
        : isOther && !float
          ? 'The flow has changed by a third: another float.'
          : null,
  };
}

/** Shot in words, heaviest first: "5 No. 8, 2 No. 10". */
export function shotText(plan: ShotPlan): string {
  const counts = new Map<string, number>();
  for (const s of plan.shots) counts.set(s.name, (counts.get(s.name) ?? 0) + 1);
  return [...counts].map(([name, n]) => `${n} × ${name}`).join(', ');
}

/** A swap costs so long, min. */
export const swapMin = swimLimits.swapMin;
