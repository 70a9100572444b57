/** An event out of a file, a store or another program, not checked yet. */
export interface RawEvent {
  kind?: unknown;
  v?: unknown;
  body?: unknown;
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Names of version 1, which knew one kind of station: a hole in the ice. */
const renamed: Readonly<Record<string, string>> = { hole: 'station', fromHole: 'fromStation' };

const withStations = (body: Record<string, unknown>): Record<string, unknown> => Object.fromEntries(Object.entries(body).map(([key, value]) => [renamed[key] ?? key, value]));

/**
 * An event of version 1 in the form of version 2; anything else as it is. This is the one place that knows version 1: holes become
 * stations of kind `hole`, and whatever spoke of a hole speaks of a station. Nothing is checked here.
 */
export function upcastEvent<E>(event: E): E {
  if (!isObject(event) || (event as RawEvent).v !== 1) return event;
  const { kind, body } = event as RawEvent;
  if (!isObject(body)) return { ...event, v: 2 };
  const next = withStations(body);
  if (kind === 'hole-drilled') return { ...event, v: 2, kind: 'station-opened', body: { ...next, kind: 'hole' } };
  if (kind === 'amended' && isObject(next.body)) next.body = withStations(next.body);
  return { ...event, v: 2, body: next };
}
