import { clamp, minuteMs } from '../units';
import { intervalsOf, meanIntervalMin, unusualWaitMin } from './wait';

/** What happened in one swim. */
export interface SwimLog {
  id: string;
  /** When it was first fed or fished, ms. */
  sinceMs: number;
  fedMs: readonly number[];
  /** Stretches fished, ms; the last may be open to now. */
  stays: readonly { fromMs: number; toMs: number }[];
  bitesMs: readonly number[];
  fishMs: readonly number[];
}

export type SwimState = 'settling' | 'fishing' | 'resting' | 'tired' | 'fresh';

/** What shifts what is expected of every swim at the peg. */
export interface PegMood {
  tempC: number;
  /** Factor on all rates: under 1 when rain, cooling water, a predator keep them off. */
  factor: number;
}

export interface SwimView {
  id: string;
  state: SwimState;
  /** Bites expected in the next ten minutes, with the 90 % range of their mean. */
  bites: number;
  low: number;
  high: number;
  /** When the state ends, ms: settled, or rested as far as it pays; null where that is not in sight. */
  untilMs: number | null;
}

/** Figures of swims. Heuristic; source: fieldcraft, feeding swims, checked against simulated swims of another making. */
export const swimLimits = {
  /** Bites a minute of a swim before it has shown its own, and how many minutes that is worth. */
  bitesPerMin: 0.27,
  priorMin: 35,
  /** A rested swim gives this much more than its own mean. */
  restedTimes: 1.55,
  /** What was seen so many minutes ago, of fishing, tells a third of what is seen now; and the swim's own rate counts as so many minutes beside it. */
  memoryMin: 24,
  ownMin: 15,
  /** A swim comes back by two thirds in so many minutes of rest. */
  restMin: 24,
  /** Settling of a first feed at 10 °C, min, and how much longer for each degree colder. */
  settleMin: 8,
  settlePerC: 1.5,
  /** A swim under this share of its own rate is tired. */
  tired: 0.5,
  swapMin: 1.5,
  /** One that was just gone to is fished so long before another is called better, min: chosen on 1500 days of simulated swims that are not scored. */
  leastStayMin: 15,
  /** Another swim must promise this much of the one under the rod, the minutes of the swap paid: a little less, since what is not fished is not known. */
  margin: 0.92,
} as const;

/** How long a fed swim settles, min: longer in the cold. */
export const settlingMin = (tempC: number): number => swimLimits.settleMin + swimLimits.settlePerC * clamp(10 - tempC, 0, 10);

/** Minutes that a swim was fished up to a moment. */
const fishedUntil = (log: SwimLog, ms: number): number => log.stays.reduce((sum, s) => sum + Math.max(0, Math.min(ms, s.toMs) - s.fromMs), 0) / minuteMs;

/** The swim's own rate when it is rested, bites a minute (Gamma–Poisson over all it has given), with its standard deviation. */
function ownRate(log: SwimLog, nowMs: number): { mean: number; sd: number } {
  const { bitesPerMin, priorMin, restedTimes } = swimLimits;
  const [shape, minutes] = [bitesPerMin * priorMin + log.bitesMs.length, priorMin + fishedUntil(log, nowMs)];
  return { mean: (restedTimes * shape) / minutes, sd: (restedTimes * Math.sqrt(shape)) / minutes };
}

/** What a swim gave lately, bites a minute: the nearer in minutes of fishing, the more it tells; its own rate stands behind it. */
function lateRate(log: SwimLog, own: number, atMs: number): number {
  const { memoryMin, ownMin } = swimLimits;
  const fished = fishedUntil(log, atMs);
  // Bites weigh by the minutes fished since; minutes likewise, which adds up to this.
  const bites = log.bitesMs.filter((ms) => ms <= atMs).reduce((sum, ms) => sum + Math.exp(-(fished - fishedUntil(log, ms)) / memoryMin), 0);
  const minutes = memoryMin * (1 - Math.exp(-fished / memoryMin));
  return (ownMin * own + bites) / (ownMin + minutes);
}

/** A swim now and over the next ten minutes: what it gave last, come back to its own rate by rest. */
export function swimView(log: SwimLog, mood: PegMood, nowMs: number, isHere: boolean): SwimView {
  const own = ownRate(log, nowMs);
  const lastMs = log.stays.length === 0 ? null : isHere ? nowMs : Math.max(...log.stays.map((s) => s.toMs));
  const restMin = lastMs === null ? Infinity : Math.max(0, nowMs - lastMs) / minuteMs;
  const late = lastMs === null ? own.mean : lateRate(log, own.mean, lastMs);
  const rate = own.mean + (late - own.mean) * Math.exp(-restMin / swimLimits.restMin);
  const settle = settlingMin(mood.tempC);
  const firstFed = log.fedMs[0];
  const isSettling = firstFed !== undefined && nowMs - firstFed < settle * minuteMs && log.bitesMs.length === 0;
  const figure = (r: number) => 10 * Math.max(0, r) * mood.factor;
  const isTired = rate < swimLimits.tired * own.mean;
  return {
    id: log.id,
    state: isSettling ? 'settling' : isHere ? (isTired ? 'tired' : 'fishing') : log.stays.length > 0 ? 'resting' : 'fresh',
    bites: figure(rate),
    low: figure(rate - 1.645 * own.sd),
    high: figure(rate + 1.645 * own.sd),
    untilMs: isSettling ? firstFed + settle * minuteMs : null,
  };
}

export interface SwimAnswer {
  views: SwimView[];
  /** Where to fish now. */
  here: string;
  /** Until when that holds, at most three quarters of an hour, ms. */
  untilMs: number;
  reason: string;
}

const longestMin = 45;

/** The swim that promises most, the swap paid; one that settles is left alone while another does not. */
function better(views: readonly SwimView[], hereId: string | null, stayMin: number): SwimView {
  const own = views.find((v) => v.id === hereId);
  if (own && stayMin < swimLimits.leastStayMin) return own;
  const ready = views.filter((v) => v.state !== 'settling');
  const best = (ready.length > 0 ? ready : views).reduce((a, b) => (b.bites > a.bites ? b : a));
  const { swapMin, margin } = swimLimits;
  return own && own.state !== 'settling' && best.bites * (1 - swapMin / 10) < margin * own.bites ? own : best;
}

/** Minutes since the swim being fished was gone to. */
const stayMinutes = (logs: readonly SwimLog[], hereId: string | null, nowMs: number): number => {
  const since = logs.find((l) => l.id === hereId)?.stays.at(-1)?.fromMs;
  return since === undefined ? Infinity : (nowMs - since) / minuteMs;
};

/** Which swim now, without looking ahead; null where there is none. */
export function swimNow(logs: readonly SwimLog[], hereId: string | null, mood: PegMood, nowMs: number): SwimView | null {
  if (logs.length === 0) return null;
  return better(
    logs.map((l) => swimView(l, mood, nowMs, l.id === hereId)),
    hereId,
    stayMinutes(logs, hereId, nowMs),
  );
}

/**
 * Which swim now, until when, and why: the one that promises most bites in the next ten minutes, the swap paid. Says little of others'
 * worth: against swapping by feel it wins a tenth at most.
 * @param hereId the swim being fished; null before the first
 */
export function whichSwim(logs: readonly SwimLog[], hereId: string | null, mood: PegMood, nowMs: number): SwimAnswer | null {
  if (logs.length === 0) return null;
  const views = logs.map((l) => swimView(l, mood, nowMs, l.id === hereId));
  const stayed = stayMinutes(logs, hereId, nowMs);
  const chosen = better(views, hereId, stayed);
  let untilMs = nowMs + longestMin * minuteMs;
  for (let k = 3; k <= longestMin; k += 3) {
    const at = nowMs + k * minuteMs;
    // Fished without a bite until then: what would be said?
    const later = logs.map((l) =>
      swimView(
        l.id === chosen.id ? { ...l, stays: [...l.stays.map((s) => ({ ...s, toMs: Math.min(s.toMs, nowMs) })), { fromMs: nowMs, toMs: at }] } : l,
        mood,
        at,
        l.id === chosen.id,
      ),
    );
    if (better(later, chosen.id, (chosen.id === hereId ? stayed : 0) + k).id !== chosen.id) {
      untilMs = at;
      break;
    }
  }
  const log = logs.find((l) => l.id === chosen.id)!;
  const other = views.filter((v) => v.id !== chosen.id).reduce<SwimView | null>((a, b) => (a === null || b.bites > a.bites ? b : a), null);
  return { views, here: chosen.id, untilMs, reason: reasonOf(log, chosen, other, hereId, nowMs) };
}

function reasonOf(log: SwimLog, chosen: SwimView, other: SwimView | null, hereId: string | null, nowMs: number): string {
  const isThere = chosen.id !== hereId && hereId !== null;
  const figures = other
    ? isThere
      ? `Next ten minutes: ${chosen.bites.toFixed(1)} bites there, ${other.bites.toFixed(1)} here.`
      : `Next ten minutes: ${chosen.bites.toFixed(1)} bites here, ${other.bites.toFixed(1)} on the other.`
    : `Next ten minutes: ${chosen.bites.toFixed(1)} bites.`;
  if (isThere) return `${figures} Rest brings this one back.`;
  const stay = log.stays.at(-1);
  const quiet = Math.round((nowMs - Math.max(stay?.fromMs ?? nowMs, ...log.bitesMs)) / minuteMs);
  return quiet >= 5 ? `${figures} Nothing for ${quiet} min.` : figures;
}

/** Whether the wait in a swim is unusual by its own bites, and how long it is. */
export function waitIn(log: SwimLog, nowMs: number): { waitMin: number; unusualMin: number; isUnusual: boolean; meanMin: number | null } {
  const fished = fishedMinutes(log, nowMs);
  const intervals = intervalsOf(
    0,
    log.bitesMs.map((ms) => fished(ms) * minuteMs),
  );
  const unusualMin = unusualWaitMin(intervals);
  const waitMin = fished(nowMs) - (log.bitesMs.length > 0 ? fished(Math.max(...log.bitesMs)) : 0);
  return { waitMin, unusualMin, isUnusual: waitMin > unusualMin, meanMin: meanIntervalMin(intervals) };
}

/** Minutes that a swim had been fished by a moment: rests are no waits. */
const fishedMinutes = (log: SwimLog, nowMs: number) => (ms: number) => log.stays.reduce((sum, s) => sum + Math.max(0, Math.min(ms, s.toMs, nowMs) - s.fromMs), 0) / minuteMs;
