import type { LedgerState } from '../ledger';
import { minuteMs } from '../units';
import { catchesOf, effortIntervals } from './effort';

/** What a way of fishing took and gave. Rates of two ways are not compared: their effort is counted in different units. */
export interface MethodSummary {
  method: string;
  outings: number;
  /** Minutes of line, or casts. */
  unit: 'minutes' | 'casts';
  effort: number;
  bites: number;
  fish: number;
}

/**
 * Effort and catches by way of fishing, most outings first.
 * @param unitOf what the effort of a way is counted in
 */
export function summariseMethods(ledger: LedgerState, nowMs: number, unitOf: (method: string) => MethodSummary['unit']): MethodSummary[] {
  const rows = new Map<string, MethodSummary>();
  for (const outing of ledger.outings) {
    for (const method of new Set(outing.methods.map((m) => m.method))) {
      const row = rows.get(method) ?? { method, outings: 0, unit: unitOf(method), effort: 0, bites: 0, fish: 0 };
      rows.set(method, { ...row, outings: row.outings + 1 });
    }
    for (const { station, method } of outing.casts.map((c) => ({ station: c.station, method: outing.stations.find((s) => s.id === c.station)?.method ?? outing.method }))) {
      const row = rows.get(method);
      if (row?.unit === 'casts' && station) row.effort++;
    }
  }
  for (const { method, fromMs, toMs } of effortIntervals(ledger, nowMs)) {
    const row = rows.get(method);
    if (row?.unit === 'minutes') row.effort += (toMs - fromMs) / minuteMs;
  }
  for (const { method, isFish } of catchesOf(ledger, nowMs)) {
    const row = rows.get(method);
    if (!row) continue;
    row.bites++;
    if (isFish) row.fish++;
  }
  return [...rows.values()].sort((a, b) => b.outings - a.outings || (a.method < b.method ? -1 : 1));
}
