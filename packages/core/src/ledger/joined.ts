import type { Corrections } from './corrections';
import type { LedgerEvent } from './event';
import type { OutingReducer } from './outing-reducer';

/** Where the entries of each outing add up: in itself, or in the one that it was joined into, through others where those were joined as well. */
export function joinedInto(started: ReadonlyMap<string, OutingReducer>, ordered: readonly LedgerEvent[], corrections: Corrections | null): Map<string, OutingReducer> {
  const outings = new Map(started);
  const next = new Map<string, string>();
  for (const event of ordered) {
    if (event.kind !== 'joined' || corrections?.undone.has(event.id) || !started.has(event.body.into)) continue;
    // Two that were joined into each other on two phones: the one that closes the circle counts for nothing.
    const before = next.get(event.outing);
    next.set(event.outing, event.body.into);
    if (endOf(next, event.outing) !== null) continue;
    if (before === undefined) next.delete(event.outing);
    else next.set(event.outing, before);
  }
  for (const id of next.keys()) outings.set(id, started.get(endOf(next, id)!)!);
  for (const [id, into] of outings) if (into.outing.id !== id) into.beginsBy(started.get(id)?.outing.startedMs);
  return outings;
}

/** The last of a chain; null where it runs in a circle. */
function endOf(next: ReadonlyMap<string, string>, from: string): string | null {
  const seen = new Set([from]);
  let at = from;
  for (let to = next.get(at); to !== undefined; to = next.get(at)) {
    if (seen.has(to)) return null;
    seen.add((at = to));
  }
  return at;
}
