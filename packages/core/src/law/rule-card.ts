import { anyFish, isKnownSpecies } from '../fish';
import type { LedgerState, OutingState } from '../ledger';
import { counted, dayMs, dayText, fishLengthText, type UnitPreference } from '../units';

/** What the angler wrote down of the law of a water. Nothing here is the law: it is a card to be held against, with its source and the day it was seen. */
export interface RuleCard {
  fish: FishRule[];
  /** Lines that an angler may have out at once. */
  lines?: number;
  /** Hooks on a line, and points of all its hooks. */
  hooks?: number;
  points?: number;
  /** Whether fish may be held in a net until one goes. */
  keepnet?: 'allowed' | 'not allowed';
  /** Whether live bait may be used. */
  liveBait?: 'allowed' | 'not allowed';
  /** Season, bait, feed, night, boats, distances: in words. */
  text?: string;
  source?: string;
  /** Day it was read, such as 2027-01-16. */
  seenOn: string;
}

export interface FishRule {
  /** Id of the species table. */
  species: string;
  /** Fish that may be kept a day. */
  bag?: number;
  /** Fish that may be in one's possession. */
  possession?: number;
  /** Shortest and longest that may be kept, mm. */
  leastMm?: number;
  mostMm?: number;
}

/** Days over which what was kept may still be in one's possession. Heuristic: what was eaten is not known. */
const possessionDays = 3;

/** Fish of a species that this angler kept on the local day of an instant, and in the days before it that possession may count. */
export function keptOf(state: Pick<LedgerState, 'outings'>, species: string, atMs: number, timeZone: string): { today: number; lately: number } {
  const day = dayText(atMs, timeZone);
  const kept = state.outings.filter((o) => o.broughtFrom === undefined).flatMap((o) => o.fish.filter((f) => f.species === species && f.fate === 'kept' && f.ms <= atMs));
  return { today: kept.filter((f) => dayText(f.ms, timeZone) === day).length, lately: kept.filter((f) => atMs - f.ms < possessionDays * dayMs).length };
}

/** Fish of the outing kept against how many one meant to keep: those it fishes for, or all where it fishes for any. */
export function planOfKept({ keepPlan, fish, species }: Pick<OutingState, 'keepPlan' | 'fish' | 'species'>): { kept: number; planned: number; isFull: boolean } | null {
  if (keepPlan === undefined) return null;
  const isWanted = (id: string) => species.includes(id) || !species.some(isKnownSpecies) || species.includes(anyFish);
  const kept = fish.filter((f) => f.fate === 'kept' && isWanted(f.species)).length;
  return { kept, planned: keepPlan, isFull: kept >= keepPlan };
}

/** The plan in words: "3 of 5 for keeping", or that it is full; the card may allow more. */
export const planOfKeptText = ({ kept, planned, isFull }: NonNullable<ReturnType<typeof planOfKept>>, bag: number | undefined): string =>
  !isFull
    ? `${kept} of ${planned} kept.`
    : `${kept} of ${planned}: the plan is full. Stop here, or let the next go.${bag !== undefined && bag > planned ? ` Your card allows ${bag}.` : ''}`;

/** What of the card speaks against keeping a fish, in words; empty where nothing does. A length that nobody measured is asked for where the card has a size. */
export function keepProblems(
  card: RuleCard,
  fish: { species: string; name: string; lengthMm: number | null },
  kept: { today: number; lately: number },
  units: UnitPreference,
): string[] {
  const rule = card.fish.find((f) => f.species === fish.species);
  if (!rule) return [];
  const problems: string[] = [];
  const { bag, possession, leastMm, mostMm } = rule;
  if (bag === 0) problems.push(`None may be kept here, by your card.`);
  else if (bag !== undefined && kept.today >= bag) problems.push(`${kept.today} kept today: your card allows ${bag} a day.`);
  if (possession !== undefined && kept.lately >= possession)
    problems.push(`${kept.lately} kept in ${possessionDays} days: your card allows ${possession} in possession. Count what is at home.`);
  if (fish.lengthMm === null) {
    if (leastMm !== undefined || mostMm !== undefined) problems.push('Not measured: your card has a size for it. Measure it first.');
    return problems;
  }
  if (leastMm !== undefined && fish.lengthMm < leastMm) problems.push(`${fishLengthText(fish.lengthMm, units)}: your card asks for at least ${fishLengthText(leastMm, units)}.`);
  if (mostMm !== undefined && fish.lengthMm > mostMm) problems.push(`${fishLengthText(fish.lengthMm, units)}: your card allows at most ${fishLengthText(mostMm, units)}.`);
  return problems;
}

/** What speaks against one more line; null where nothing does. */
export const lineProblem = (card: RuleCard, out: number): string | null =>
  card.lines !== undefined && out >= card.lines ? `${counted(out, 'line')} out: your card allows ${card.lines}.` : null;

/** What speaks against a bait or rig by its hooks and points, in words. What is not said of it is asked for where the card counts it. */
export function hookProblems(card: RuleCard, tackle: { hooks: number | null; points: number | null; family?: string }): string[] {
  const problems: string[] = [];
  if (card.liveBait === 'not allowed' && tackle.family === 'live-bait') problems.push('Live bait: your card does not allow it.');
  if (card.hooks !== undefined && tackle.hooks !== null && tackle.hooks > card.hooks) problems.push(`${counted(tackle.hooks, 'hook')}: your card allows ${card.hooks} on a line.`);
  if (card.points !== undefined && tackle.points !== null && tackle.points > card.points) problems.push(`${counted(tackle.points, 'point')}: your card allows ${card.points}.`);
  if ((card.hooks !== undefined && tackle.hooks === null) || (card.points !== undefined && tackle.points === null))
    problems.push('Count its hooks and points: your card has a limit.');
  return problems;
}

/** The card in a few lines, with its source. */
export function ruleCardText(card: RuleCard, nameOf: (id: string) => string, units: UnitPreference): string[] {
  const fish = card.fish.map((f) =>
    [
      nameOf(f.species),
      f.bag === undefined ? null : f.bag === 0 ? 'none may be kept' : `${f.bag} a day`,
      f.possession === undefined ? null : `${f.possession} in possession`,
      f.leastMm === undefined ? null : `from ${fishLengthText(f.leastMm, units)}`,
      f.mostMm === undefined ? null : `to ${fishLengthText(f.mostMm, units)}`,
    ]
      .filter(Boolean)
      .join(', '),
  );
  const counts = [
    card.lines === undefined ? null : counted(card.lines, 'line'),
    card.hooks === undefined ? null : `${counted(card.hooks, 'hook')} a line`,
    card.points === undefined ? null : counted(card.points, 'point'),
    card.keepnet === undefined ? null : `keepnet ${card.keepnet}`,
    card.liveBait === undefined ? null : `live bait ${card.liveBait}`,
  ].filter((c) => c !== null);
  return [
    ...fish,
    ...(counts.length > 0 ? [counts.join(', ')] : []),
    ...(card.text ? [card.text] : []),
    `Written down ${card.seenOn}${card.source ? `, from ${card.source}` : ''}. Check the local rules.`,
  ];
}
