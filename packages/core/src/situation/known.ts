/** Who says a value: an instrument, the log or the angler's choice, a model of now, a forecast, or nobody. */
export type KnownBy = 'measured' | 'logged' | 'modelled' | 'foretold' | 'assumed';

/** A value with who says it, and of which moment it is, ms; null where it is of none, as what is assumed. */
export interface Known<T> {
  value: T;
  by: KnownBy;
  atMs: number | null;
}

/** A value that nobody said. */
export const assumed = <T>(value: T): Known<T> => ({ value, by: 'assumed', atMs: null });

/** The latest entry up to an instant, as a value. */
export function lastOf<E extends { ms: number }, T>(entries: readonly E[], nowMs: number, valueOf: (entry: E) => T, by: Known<T>['by']): Known<T> | null {
  const last = entries.reduce<E | null>((best, e) => (e.ms <= nowMs && (best === null || e.ms >= best.ms) ? e : best), null);
  return last && { value: valueOf(last), by, atMs: last.ms };
}
