import { minuteMs } from '../units';
import { swimView, type PegMood, type SwimLog } from './swims';

/** A swim as it stood at a moment: what came later left out. */
const until = <L extends SwimLog>(log: L, ms: number): L => ({
  ...log,
  fedMs: log.fedMs.filter((t) => t <= ms),
  bitesMs: log.bitesMs.filter((t) => t <= ms),
  fishMs: log.fishMs.filter((t) => t <= ms),
  stays: log.stays.filter((s) => s.fromMs <= ms).map((s) => ({ fromMs: s.fromMs, toMs: Math.min(s.toMs, ms) })),
});

const isFishedAt = (log: SwimLog, ms: number) => log.stays.some((s) => s.fromMs <= ms && ms <= s.toMs);

export interface CurvePoint {
  ms: number;
  /** Bites expected in the ten minutes from then on. */
  bites: number;
}

/** Bites expected of a swim over the day as it was known at each moment, and ahead while `hereId` is fished without a bite. */
export function swimCurve(log: SwimLog, hereId: string, mood: PegMood, nowMs: number, aheadMin: number, stepMin = 5): { past: CurvePoint[]; ahead: CurvePoint[] } {
  const past: CurvePoint[] = [];
  for (let ms = log.sinceMs; ms < nowMs; ms += stepMin * minuteMs) past.push({ ms, bites: swimView(until(log, ms), { ...mood, factor: 1 }, ms, isFishedAt(log, ms)).bites });
  past.push({ ms: nowMs, bites: swimView(log, mood, nowMs, log.id === hereId).bites });
  const ahead = past.slice(-1);
  for (let k = stepMin; k <= aheadMin; k += stepMin) {
    const ms = nowMs + k * minuteMs;
    const later = log.id === hereId ? { ...log, stays: [...log.stays, { fromMs: nowMs, toMs: ms }] } : log;
    ahead.push({ ms, bites: swimView(later, mood, ms, log.id === hereId).bites });
  }
  return { past, ahead };
}
