import type { QuietReason } from '../ledger';
import { clockText, depthText, type UnitPreference } from '../units';
import { quietFactor, quietRules, whatToChange, type ChangeRule } from './changes';
import { whetherToFeed, type FeedRule } from './feeding';
import { suggestedSwims, type Peg, type PegSwim } from './from-log';
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

/** What a peg's log comes to, before anything is said of it. */
interface PegFacts extends PegQuery, Omit<PegAnswer, 'headline' | 'detail' | 'swapTo'> {
  /** Swims whose distance is said, nearest first. */
  placed: PegSwim[];
  /** Whether a line was down on one of them. */
  begun: boolean;
}

type PegSays = Pick<PegAnswer, 'headline' | 'detail' | 'swapTo'>;

function pegFacts(query: PegQuery): PegFacts {
  const { peg, tempC, reasons, isBaited, reachM, nowMs } = query;
  const placed = peg.swims.filter((s) => s.outM !== null);
  const here = peg.swims.find((s) => s.id === peg.hereId)!;
  const mood = { tempC, factor: quietFactor(reasons) };
  // Before any line was down one starts on the near swim while the far one settles.
  const begun = placed.some((s) => s.stays.length > 0);
  const swims = placed.length > 0 ? whichSwim(placed, begun ? here.id : (placed[0]?.id ?? null), mood, nowMs) : null;
  const wait = waitIn(here, nowMs);
  const lastFedMs = here.fedMs.length > 0 ? Math.max(...here.fedMs) : null;
  const minutesSinceFed = lastFedMs === null ? null : minutes(nowMs - lastFedMs);
  const change = whatToChange({
    isUnusual: wait.isUnusual,
    waitMin: wait.waitMin,
    unusualMin: wait.unusualMin,
    flowMs: peg.flow?.flowMs ?? 0,
    tempC,
    tried: here.tried,
    minutesSinceFed,
    fedShare: null,
    hadBites: here.bites > 0,
    reasons,
  });
  const feed = whetherToFeed({
    isBaited,
    tempC,
    fed: here.fedMs.length,
    minutesSinceFed,
    bitesSinceFed: lastFedMs === null ? 0 : here.bitesMs.filter((ms) => ms >= lastFedMs).length,
    flowMs: peg.flow?.flowMs ?? 0,
    isCooling: reasons.includes('cooling'),
    isTired: swims?.views.find((v) => v.id === here.id)?.state === 'tired',
  });
  return { ...query, placed, here, begun, swims, wait, change, feed, offered: suggestedSwims(peg.plumbed, reachM), step: stepOf(peg, placed, here) };
}

function stepOf(peg: Peg, placed: readonly PegSwim[], here: PegSwim): PegStep {
  if (peg.plumbed.length < leastPlumbed && placed.length === 0) return 'plumb';
  return here.outM === null || placed.length === 0 ? 'choose' : 'fish';
}

const reasonText = ({ reasons }: PegFacts): string => (reasons.length > 0 ? ` ${quietRules.find((r) => r.id === reasons[0])!.says}` : '');

/** What may be said at a peg, what comes first going before: each answers, or leaves it to the next. */
const pegSays: readonly ((facts: PegFacts) => PegSays | null)[] = [plumbFirst, chooseSwims, beginOnNear, restHere, otherSwimFirst, afterBlank, changeOne, letSettle, stayHere];

function plumbFirst({ step, peg }: PegFacts): PegSays | null {
  if (step !== 'plumb') return null;
  const soFar = peg.plumbed.length === 0 ? 'None yet.' : `${peg.plumbed.length} so far.`;
  return { swapTo: null, headline: 'Plumb the bed', detail: `Six depths along the pole tell where to fish. ${soFar}` };
}

function chooseSwims({ step, swims, offered, units }: PegFacts): PegSays | null {
  if (step !== 'choose' && swims !== null) return null;
  if (offered === null) return { swapTo: null, headline: 'Choose a swim', detail: 'Plumb three depths, and the bed offers two.' };
  const far = depthText(offered.farM, units);
  return {
    swapTo: null,
    headline: offered.nearM === null ? `Fish at ${far}` : `Two swims: ${depthText(offered.nearM, units)} and ${far}`,
    detail: 'The far one is the deepest within reach; the near one is fished while it settles.',
  };
}

/** The swim that the bites expected point to. */
const targetOfFacts = ({ placed, swims }: PegFacts): PegSwim => placed.find((s) => s.id === swims!.here)!;

function beginOnNear(facts: PegFacts): PegSays | null {
  const { begun, placed, here, units } = facts;
  if (begun) return null;
  const [target, far] = [targetOfFacts(facts), placed.at(-1)!];
  return {
    swapTo: target.id === here.id ? null : target,
    headline: `Start on ${swimName(placed[0], units)}`,
    detail: far.id === placed[0].id ? 'Feed it, and give it its time.' : `Feed ${swimName(far, units)} first: it settles meanwhile. Then line down here.`,
  };
}

function restHere(facts: PegFacts): PegSays | null {
  const { here, placed, swims, units, zone } = facts;
  const target = targetOfFacts(facts);
  if (target.id === here.id) return null;
  const until = clockText(swims!.untilMs, zone);
  return { swapTo: target, headline: `Rest ${roleOf(here, placed, units)}. ${swimName(target, units)} until ${until}`, detail: `${swims!.reason}${reasonText(facts)}` };
}

function otherSwimFirst({ change, placed, here, swims, units }: PegFacts): PegSays | null {
  if (change.id !== 'pole.change.swap' || placed.length < 2) return null;
  const other = placed.filter((s) => s.id !== here.id).reduce((a, b) => (viewOf(swims!, b).bites > viewOf(swims!, a).bites ? b : a));
  return { swapTo: other, headline: `Rest ${roleOf(here, placed, units)}. ${swimName(other, units)} now`, detail: change.reason };
}

/** A ball in flow that brought nothing is answered before anything else is changed. */
function afterBlank({ feed, here, units }: PegFacts): PegSays | null {
  return feed.id === 'pole.feed.blank' ? { swapTo: null, headline: `Next ball on ${swimName(here, units)}: smaller, looser`, detail: feed.reason } : null;
}

function changeOne(facts: PegFacts): PegSays | null {
  const { wait, change, here, units } = facts;
  if (!wait.isUnusual || change.id === 'pole.change.none-yet') return null;
  const each = wait.meanMin === null ? '' : `, where one came each ${Math.max(1, Math.round(wait.meanMin))}`;
  const quiet = `No bite on ${swimName(here, units)} for ${Math.round(wait.waitMin)} min${each}.`;
  return { swapTo: null, headline: change.label, detail: `${quiet}${change.id === 'pole.change.reason' ? reasonText(facts) : ` ${change.reason}`}` };
}

function letSettle({ swims, here, units, zone }: PegFacts): PegSays | null {
  const view = viewOf(swims!, here);
  if (view.state !== 'settling' || view.untilMs === null) return null;
  return {
    swapTo: null,
    headline: `Settling until ${clockText(view.untilMs, zone)}`,
    detail: `${swimName(here, units)} was fed and has not bitten yet: in water so cold it takes its time.`,
  };
}

function stayHere(facts: PegFacts): PegSays {
  const { swims, here, units, zone } = facts;
  const view = viewOf(swims!, here);
  const isNew = swims!.views.some((v) => v.bites > view.bites && v.state !== 'settling');
  return {
    swapTo: null,
    headline: `Stay on ${swimName(here, units)} until ${clockText(swims!.untilMs, zone)}`,
    detail: `${swims!.reason}${isNew ? ' Just come: give it its time.' : ''}${reasonText(facts)}`,
  };
}

/** What to do at a peg now, on which swim, until when, and why. */
export function pegAnswer(query: PegQuery): PegAnswer {
  const facts = pegFacts(query);
  const { step, swims, here, wait, change, feed, offered } = facts;
  for (const say of pegSays) {
    const said = say(facts);
    if (said) return { step, swims, here, wait, change, feed, offered, ...said };
  }
  return { step, swims, here, wait, change, feed, offered, ...stayHere(facts) };
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

/** A swap costs so long, min. */
export const swapMin = swimLimits.swapMin;
