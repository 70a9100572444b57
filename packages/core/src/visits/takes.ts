import type { FishState, OutingState, ReactionKind, ReactionState } from '../ledger';
import { minuteMs } from '../units';

/** How far a fish came: seen at the bait, touched it, took it, was on, was landed or came off. */
export type TakeStep = 'looked' | 'came' | 'bit' | 'hooked' | 'landed' | 'lost';

/** One fish's coming, from the first look to the net. */
export interface Take {
  /** Of its first entry, ms. */
  ms: number;
  station: string;
  /** The line it came to; null where no entry names one. */
  line: string | null;
  /** When each step was logged, ms; a step that did not happen, or that nobody logged, is not there. */
  steps: Partial<Record<TakeStep, number>>;
  reactions: ReactionState[];
  fish: FishState | null;
  /** Whether it took the bait: bit, was hooked, landed or lost. */
  isBite: boolean;
}

/** When a fish took the bait, ms; null of one that only looked. */
export const biteMsOf = ({ steps }: Take): number | null => {
  const taken = [steps.bit, steps.hooked, steps.landed, steps.lost].filter((ms) => ms !== undefined);
  return taken.length > 0 ? Math.min(...taken) : null;
};

/** A bite and the landing or loss that ends it lie no further apart than this, and a look no further before its bite, ms. Convention. */
const longestMs = 6 * minuteMs;
const lookMs = minuteMs;

const stepOf: Readonly<Record<ReactionKind, TakeStep>> = {
  looked: 'looked',
  stalled: 'looked',
  followed: 'looked',
  chased: 'looked',
  ignored: 'looked',
  refused: 'looked',
  fled: 'looked',
  nipped: 'came',
  bite: 'bit',
  robbed: 'bit',
  missed: 'bit',
  hooked: 'hooked',
  lost: 'lost',
};

interface Entry {
  ms: number;
  station: string;
  line: string | null;
  step: TakeStep;
  reaction: ReactionState | null;
  fish: FishState | null;
}

/**
 * The takes of an outing, by their first entry. A landing or a loss ends a take and gathers the bites before it on its line that lie within six minutes; one
 * that names no line goes to the line that bit last there. Bites without an end are a take each, and so is a look without a bite.
 */
export function takesOf(outing: OutingState): Take[] {
  const entries: Entry[] = [
    ...outing.reactions.map((r): Entry => ({ ms: r.ms, station: r.station, line: r.line, step: stepOf[r.kind], reaction: r, fish: null })),
    ...outing.fish.map((f): Entry => ({ ms: f.ms, station: f.station, line: f.line, step: 'landed', reaction: null, fish: f })),
  ].sort((a, b) => a.ms - b.ms);
  const upMs = new Map(outing.lines.map((l) => [l.id, l.upMs]));
  const takes: Entry[][] = [];
  // Bites, and fish that were on, which nothing has ended yet.
  let open: Entry[] = [];
  for (const entry of entries) {
    if (entry.step === 'bit') open.push(entry);
    else if (entry.step === 'hooked' || entry.step === 'landed' || entry.step === 'lost') {
      const own = gathered(entry, open, upMs);
      open = open.filter((e) => !own.includes(e));
      // A fish that is on may still be landed or lost.
      if (entry.step === 'hooked') open = [...open, ...own, entry].sort((a, b) => a.ms - b.ms);
      else takes.push([...own, entry]);
    }
  }
  takes.push(...unended(open));
  attachLooks(
    takes,
    entries.filter((e) => e.step === 'looked' || e.step === 'came'),
  );
  return takes.map(takeFrom).sort((a, b) => a.ms - b.ms);
}

/** The open bites that an end gathers: of its line, or of the line that bit last where it names none; the last of them, and those before it without the line coming up between. */
function gathered(end: Entry, open: readonly Entry[], upMs: ReadonlyMap<string, number | null>): Entry[] {
  const near = open.filter((e) => e.station === end.station && end.ms - e.ms <= longestMs);
  const line = end.line ?? near.at(-1)?.line ?? null;
  const own: Entry[] = [];
  for (const bite of [...near].reverse()) {
    if (bite.line !== line && bite.line !== null) continue;
    const up = bite.line === null ? null : (upMs.get(bite.line) ?? null);
    const later = own.at(0);
    if (later && up !== null && up >= bite.ms && up < later.ms) break;
    own.unshift(bite);
  }
  return own;
}

/** Takes that nothing ended: a bite each; a fish that was on keeps the bite just before it. */
function unended(open: readonly Entry[]): Entry[][] {
  const takes: Entry[][] = [];
  const waiting = [...open];
  for (const hooked of open.filter((e) => e.step === 'hooked')) {
    const bite = waiting.findLast(
      (e) =>
        e.step === 'bit' &&
        e.ms <= hooked.ms &&
        hooked.ms - e.ms <= longestMs &&
        e.station === hooked.station &&
        (e.line === hooked.line || e.line === null || hooked.line === null),
    );
    for (const used of [hooked, bite]) if (used) waiting.splice(waiting.indexOf(used), 1);
    takes.push(bite ? [bite, hooked] : [hooked]);
  }
  takes.push(...waiting.map((bite) => [bite]));
  return takes;
}

/** Looks and nips within a minute before the first bite of a take on their line belong to it; the others are takes of their own. */
function attachLooks(takes: Entry[][], looks: readonly Entry[]): void {
  const begun = takes.map((take) => ({ take, first: take[0] })).sort((a, b) => a.first.ms - b.first.ms);
  for (const look of looks) {
    const next = begun.find(({ first }) => first.ms >= look.ms && first.ms - look.ms <= lookMs && first.line === look.line && first.station === look.station);
    if (next) next.take.push(look);
    else takes.push([look]);
  }
}

function takeFrom(entries: readonly Entry[]): Take {
  const ordered = [...entries].sort((a, b) => a.ms - b.ms);
  const steps: Take['steps'] = {};
  for (const { step, ms } of ordered) steps[step] ??= ms;
  return {
    ms: ordered[0].ms,
    station: ordered[0].station,
    line: ordered.findLast((e) => e.line !== null)?.line ?? null,
    steps,
    reactions: ordered.flatMap((e) => e.reaction ?? []),
    fish: ordered.find((e) => e.fish !== null)?.fish ?? null,
    isBite: steps.bit !== undefined || steps.hooked !== undefined || steps.landed !== undefined || steps.lost !== undefined,
  };
}
