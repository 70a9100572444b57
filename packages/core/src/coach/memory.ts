import type { ReactionKind } from '../ledger';
import { cadences, type CadenceId } from './cadence';

/** Where fish and jig stand to each other while a cadence is tried. */
export type Situation = 'far' | 'coming' | 'close' | 'several';

/** Which water a mark is in that looks: clear of the bottom, or so near to it that it is a fish of the bottom. */
export type Stratum = 'open' | 'bottom';

/** How often a cadence was answered in a situation, and how often turned down. */
export interface Answer {
  situation: Situation;
  cadence: CadenceId;
  won: number;
  lost: number;
  /** How long fish near the jig were shown it, s. */
  seconds: number;
}

/** What this outing has told, kept apart from the coach so that another reading of the same outing goes by the same. */
export interface CoachMemory {
  /** How long marks have looked at the jig in open water and by the bottom, s: by the bottom more of their turns are told. */
  lookedS: Record<Stratum, number>;
  answers: Answer[];
  /** Depths at which top marks were first seen, m, latest last. */
  topsM: number[];
  /** Refusals on end of the same kind, with the cadence they were given; a bite ends them. */
  refused: { cadence: CadenceId; count: number } | null;
  /** Refusals on end, whatever they were given. */
  refusals: number;
  /** The last taps of the angler that ask for something of their own. */
  last: { kind: ReactionKind | 'landed'; ms: number; depthM: number | null } | null;
}

export const emptyMemory = (): CoachMemory => ({ lookedS: { open: 0, bottom: 0 }, answers: [], topsM: [], refused: null, refusals: 0, last: null });

/** How answers carry over. Heuristic. */
export const memoryLimits = {
  /** An answer that was told and not watched is taken to have come after this, s. */
  answerS: 8,
  topsKept: 12,
  /** Answers of earlier outings count for so much. */
  seasonShare: 0.25,
} as const;

/** What a reaction tells of the cadence it was given. Source: fieldcraft §4; heuristic. */
const tells: Partial<Record<ReactionKind, { won: number; lost: number }>> = {
  looked: { won: 0.1, lost: 0 },
  stalled: { won: 0.1, lost: 0.1 },
  followed: { won: 0.3, lost: 0 },
  chased: { won: 0.5, lost: 0.1 },
  nipped: { won: 0.6, lost: 0.3 },
  bite: { won: 1, lost: 0 },
  missed: { won: 1, lost: 0 },
  robbed: { won: 1, lost: 0 },
  hooked: { won: 0.5, lost: 0 },
  lost: { won: 0.5, lost: 0 },
  refused: { won: 0, lost: 1 },
  ignored: { won: 0, lost: 0.7 },
  fled: { won: 0, lost: 1.2 },
};

/** Adds an answer to the memory. */
export function remember(memory: CoachMemory, situation: Situation, cadence: CadenceId, won: number, lost: number, seconds: number): void {
  let row = memory.answers.find((a) => a.situation === situation && a.cadence === cadence);
  if (!row) memory.answers.push((row = { situation, cadence, won: 0, lost: 0, seconds: 0 }));
  row.won += won;
  row.lost += lost;
  row.seconds += seconds;
}

const isCadence = (id: string): id is CadenceId => Object.hasOwn(cadences, id);

/** A memory that begins with reactions of a log; those of earlier outings weigh less. Reactions without a cadence tell nothing of one. */
export function memoryOf(
  reactions: readonly { kind: ReactionKind; cadence: string | null }[],
  earlier: readonly { kind: ReactionKind; cadence: string | null }[] = [],
): CoachMemory {
  const memory = emptyMemory();
  for (const [list, share] of [
    [earlier, memoryLimits.seasonShare],
    [reactions, 1],
  ] as const) {
    for (const { kind, cadence } of list) {
      const answer = tells[kind];
      if (answer && cadence !== null && isCadence(cadence)) remember(memory, 'close', cadence, share * answer.won, share * answer.lost, share * memoryLimits.answerS);
    }
  }
  return memory;
}

/** What one tap of the angler adds. */
export const tellingOf = (kind: ReactionKind): { won: number; lost: number } | undefined => tells[kind];

/** A way that fieldcraft offers in a situation, with what it expects of it: so many answered and turned down. */
export interface Offer {
  cadence: CadenceId;
  won: number;
  lost: number;
}

/** A seed that depends on nothing but what is remembered. */
export function memorySeed(key: string, memory: CoachMemory): number {
  let seed = 2166136261;
  const add = (value: number) => {
    seed = Math.imul(seed ^ value, 16777619);
  };
  for (let i = 0; i < key.length; i++) add(key.charCodeAt(i));
  for (const { won, lost } of memory.answers) add(Math.round(16 * won) * 31 + Math.round(16 * lost));
  return seed >>> 0;
}

/** Keeps the depth at which a school showed itself first. */
export function keepTop(memory: CoachMemory, depthM: number): void {
  memory.topsM.push(depthM);
  if (memory.topsM.length > memoryLimits.topsKept) memory.topsM.shift();
}
