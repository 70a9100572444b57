import type { LedgerState, OutingState } from '../ledger';
import { recentReadings, surfaceOf, surfaceSeen, type Outlook, type Surface, type TempReading } from '../outlook';
import { dayMs } from '../units';
import type { Place } from '../weather';
import { assumed, lastOf, type Known } from './known';

/** What of a setting tells the surface and the temperature of its water. */
export interface WaterSetting {
  state: LedgerState;
  readings?: readonly TempReading[];
  nowMs: number;
  outlook: Outlook | null;
  isOnIce?: boolean;
  water: { id: string; place: Place; isMoving: boolean; deepestM: number | null };
}

/** Ice measured within this time is told as measured. The same as `surfaceOf` takes it for. */
const measuredIceMs = 4 * dayMs;

/** Ice of a water: as measured of late, else as modelled, m; null where nobody knows. */
export function iceNow(here: readonly OutingState[], outlook: Outlook | null, nowMs: number): Known<number> | null {
  const measured = lastOf(
    here.flatMap((o) => o.ice),
    nowMs,
    (i) => i.clearM + i.whiteM,
    'measured',
  );
  const now = outlook?.column?.now;
  const modelled: Known<number> | null = now ? { value: now.iceClearM + now.iceWhiteM, by: 'modelled', atMs: now.atMs } : null;
  return measured && nowMs - measured.atMs! <= measuredIceMs ? measured : (modelled ?? measured);
}

/** What a water lies under. */
export function surfaceNow({ state, readings, outlook, water, nowMs, isOnIce }: WaterSetting, ice: Known<number> | null): Known<Surface> {
  const seen = surfaceSeen(state, water.id, nowMs);
  const news = { iceMs: ice?.by === 'measured' ? ice.atMs! : undefined, seen, readings: readings ?? recentReadings(state, water.id, nowMs) };
  const own = surfaceOf(water.isMoving, outlook?.column ?? null, news, nowMs);
  // What denied the model's ice left no column to go by.
  const value = own === 'unknown' && outlook ? outlook.surface : own;
  if (seen?.surface === value) return { value, by: 'logged', atMs: seen.atMs };
  if (value === 'moving') return { value, by: 'logged', atMs: null };
  if (value === 'ice' && ice?.by === 'measured') return { value, by: 'measured', atMs: ice.atMs };
  if (value === 'unknown' && isOnIce && !water.isMoving) return assumed('ice');
  return value === 'unknown' ? assumed(value) : { value, by: 'modelled', atMs: nowMs };
}
