import type { EventKind, EventOf, LedgerEvent } from './event';
import { instantOf } from './instant';

/** Whether a body is one of its kind. */
export type BodyCheck = (kind: EventKind, body: unknown) => boolean;

/** What was taken back, and the bodies that stand in for those first written, by the id of the entry. */
export interface Corrections {
  undone: Set<string>;
  bodies: Map<string, Record<string, unknown>>;
}

/** Sorted by instant, then id, each id once; without sorting when they already are. */
export function inOrder(events: readonly LedgerEvent[]): { ordered: readonly LedgerEvent[]; instants: Float64Array } {
  const instants = new Float64Array(events.length);
  let sorted = true;
  for (let i = 0; i < events.length; i++) {
    instants[i] = instantOf(events[i].at);
    if (i > 0 && (instants[i] < instants[i - 1] || (instants[i] === instants[i - 1] && events[i].id <= events[i - 1].id))) sorted = false;
  }
  if (sorted) return { ordered: events, instants };
  const seen = new Set<string>();
  const rows = events.map((event, i) => ({ event, ms: instants[i] })).filter(({ event }) => !seen.has(event.id) && seen.add(event.id));
  rows.sort((a, b) => a.ms - b.ms || (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0));
  return { ordered: rows.map((r) => r.event), instants: Float64Array.from(rows, (r) => r.ms) };
}

/** Kinds that belong to no outing, whatever outing stands in their envelope. */
const ofNoOuting: ReadonlySet<EventKind> = new Set(['weather-seen', 'drill-done']);

type Correction = EventOf<'undone'> | EventOf<'amended'>;
const isCorrection = (event: LedgerEvent | undefined): event is Correction => event?.kind === 'undone' || event?.kind === 'amended';

/**
 * What was taken back and corrected, the last word first, so that an undone `undone` gives back what it took. A correction is never earlier than what it
 * corrects, whatever the clock of its phone said: it is ordered by the later of its own instant and its target's.
 */
export function readCorrections(ordered: readonly LedgerEvent[], isBody: BodyCheck): Corrections | null {
  const targets = new Map<string, LedgerEvent | null>();
  for (const event of ordered) if (isCorrection(event)) targets.set(event.body.target, null);
  if (targets.size === 0) return null;
  for (const event of ordered) if (targets.has(event.id)) targets.set(event.id, event);
  const found: Corrections = { undone: new Set(), bodies: new Map() };
  for (const event of lastWordFirst(ordered.filter(isCorrection), targets)) {
    if (found.undone.has(event.id)) continue;
    const target = targets.get(event.body.target);
    if (!target || (target.outing !== event.outing && !ofNoOuting.has(target.kind))) continue;
    if (event.kind === 'undone') found.undone.add(target.id);
    else if (!found.bodies.has(target.id) && isBody(target.kind, { ...target.body, ...event.body.body })) found.bodies.set(target.id, event.body.body);
  }
  return found;
}

/** Corrections from the last back: each behind those that correct it. */
function lastWordFirst(corrections: readonly Correction[], targets: ReadonlyMap<string, LedgerEvent | null>): Correction[] {
  const ranks = new Map<string, { ms: number; depth: number }>();
  const rank = (event: Correction): { ms: number; depth: number } => {
    // Down to an entry that is no correction, or to one in a circle of corrections, which counts by its own instant.
    const chain: Correction[] = [];
    const inChain = new Set<string>();
    let at: LedgerEvent | null | undefined = event;
    while (isCorrection(at ?? undefined) && !ranks.has(at!.id) && !inChain.has(at!.id)) {
      chain.push(at as Correction);
      inChain.add(at!.id);
      at = targets.get((at as Correction).body.target);
    }
    const isCircle = at != null && inChain.has(at.id);
    let below = isCircle || !at ? { ms: -Infinity, depth: 0 } : (ranks.get(at.id) ?? { ms: instantOf(at.at), depth: 0 });
    for (const next of chain.reverse()) {
      below = isCircle ? { ms: instantOf(next.at), depth: 1 } : { ms: Math.max(below.ms, instantOf(next.at)), depth: below.depth + 1 };
      ranks.set(next.id, below);
    }
    return ranks.get(event.id)!;
  };
  return corrections
    .map((event) => ({ event, ...rank(event) }))
    .sort((a, b) => b.ms - a.ms || b.depth - a.depth || (a.event.id < b.event.id ? 1 : -1))
    .map(({ event }) => event);
}

/** An entry with its last correction in it. */
export function corrected(event: LedgerEvent, corrections: Corrections | null): LedgerEvent {
  const body = corrections?.bodies.get(event.id);
  return body ? ({ ...event, body: { ...event.body, ...body } } as LedgerEvent) : event;
}

/** An entry as it stands now, with its last correction in it; undefined where it was taken back or never written. */
export function asItStands(events: readonly LedgerEvent[], id: string): LedgerEvent | undefined {
  const { ordered } = inOrder(events);
  const corrections = readCorrections(ordered, () => true);
  const event = ordered.find((e) => e.id === id);
  return event && !corrections?.undone.has(id) ? corrected(event, corrections) : undefined;
}
