import type { LedgerState } from '../ledger';
import { dayMs } from '../units';
import type { Measurement } from '../winter';

/** Everything measured at a water that tells on its column: thermometer drops, ice and snow. */
export function measurementsOf(ledger: LedgerState, water: string): Measurement[] {
  return ledger.outings
    .filter((o) => o.water === water)
    .flatMap((o) => [
      ...o.temperatures.map((t): Measurement => ({ atMs: t.ms, kind: 'tempC', depthM: t.depthM, value: t.tempC })),
      ...o.ice.flatMap((i): Measurement[] => [
        { atMs: i.ms, kind: 'iceClearM', value: i.clearM },
        { atMs: i.ms, kind: 'iceWhiteM', value: i.whiteM },
        ...(i.snowM === null ? [] : [{ atMs: i.ms, kind: 'snowM' as const, value: i.snowM }]),
      ]),
    ]);
}

/** Secchi depth of a water, m: the last that was measured by an instant, else what its file says. */
export function secchiOf(ledger: LedgerState, water: string, nowMs: number, fromFileM: number): number {
  const measured = ledger.outings.filter((o) => o.water === water).flatMap((o) => o.clarity.filter((c) => c.ms <= nowMs));
  return measured.reduce<{ ms: number; secchiM: number } | null>((a, b) => (a && a.ms > b.ms ? a : b), null)?.secchiM ?? fromFileM;
}

/** Temperatures measured in the last days, for drawing over the model. */
export const recentCasts = (measurements: readonly Measurement[], nowMs: number, days = 4) =>
  measurements.filter((m) => m.kind === 'tempC' && m.depthM !== undefined && m.atMs <= nowMs && nowMs - m.atMs <= days * dayMs);

/** When the season of a column begins: the 20 September (south of the equator 20 March) before an instant, ms. */
export function columnSeasonStart(nowMs: number, latDeg: number): number {
  const month = latDeg < 0 ? 2 : 8;
  const year = new Date(nowMs).getUTCFullYear();
  const start = Date.UTC(year, month, 20);
  return start <= nowMs ? start : Date.UTC(year - 1, month, 20);
}

/** Days of weather that the column wants behind an instant. */
export const columnDays = (nowMs: number, latDeg: number) => Math.ceil((nowMs - columnSeasonStart(nowMs, latDeg)) / dayMs) + 1;
