import type { EventKind, LedgerEvent } from './event';
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

/** From the last event back, so that an undone `undone` gives back what it took. */
export function readCorrections(ordered: readonly LedgerEvent[], isBody: BodyCheck): Corrections | null {
  const targets = new Map<string, LedgerEvent | null>();
  for (const event of ordered) if (event.kind === 'undone' || event.kind === 'amended') targets.set(event.body.target, null);
  if (targets.size === 0) return null;
  for (const event of ordered) if (targets.has(event.id)) targets.set(event.id, event);
  const found: Corrections = { undone: new Set(), bodies: new Map() };
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i];
    if ((event.kind !== 'undone' && event.kind !== 'amended') || found.undone.has(event.id)) continue;
    const target = targets.get(event.body.target);
    if (!target || (target.outing !== event.outing && !ofNoOuting.has(target.kind))) continue;
    if (event.kind === 'undone') found.undone.add(target.id);
    else if (!found.bodies.has(target.id) && isBody(target.kind, { ...target.body, ...event.body.body })) found.bodies.set(target.id, event.body.body);
  }
  return found;
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
