import { instantOf, type LedgerEvent } from '@burrow/core/ledger';

/** Where a correction of an entry is written, and the instant it may not come before, ms; null where the entry is not known here. */
export function correctionOf(known: readonly LedgerEvent[], target: string): { outing: string; lastMs: number } | null {
  const entry = known.find((e) => e.id === target);
  if (!entry) return null;
  const before = known.filter((e) => (e.kind === 'undone' || e.kind === 'amended') && e.body.target === target);
  const isPlain = entry.kind !== 'undone' && entry.kind !== 'amended';
  return { outing: entry.outing, lastMs: Math.max(instantOf(entry.at) + (isPlain ? 0 : 1), ...before.map((e) => instantOf(e.at) + 1)) };
}
