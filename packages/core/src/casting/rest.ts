import type { LonLat } from '../ground';
import { clamp, hourMs, minuteMs } from '../units';

/** A lie or stand that was fished, and how it was left. */
export interface FishedPlace {
  id: string;
  label: string;
  at: LonLat;
  leftMs: number;
  /** Fish and bites it has given today, and casts it has seen. */
  fish: number;
  bites: number;
  casts: number;
  /** Water temperature when it was left, °C; null where none was measured. */
  tempC: number | null;
}

/** Rest after which a place is as good as half new, min: after fish were taken from it, and after casts alone. Heuristic; source: fieldcraft ("lies rest and refill"). */
export const restHalfMin = { fished: 50, casts: 25 } as const;

/** How far a place has come back, 0–1: what the casts and fish took of it, refilled by half each resting time. */
export function restored({ leftMs, fish, bites, casts }: Pick<FishedPlace, 'leftMs' | 'fish' | 'bites' | 'casts'>, nowMs: number): number {
  const taken = clamp(1 - 0.8 ** (fish + 0.5 * bites) * 0.96 ** casts, 0, 1);
  const half = fish + bites > 0 ? restHalfMin.fished : restHalfMin.casts;
  return 1 - taken * 0.5 ** (Math.max(0, nowMs - leftMs) / minuteMs / half);
}

export interface BackTo {
  place: FishedPlace;
  why: 'warmed' | 'dusk' | 'rested';
  /** What the water has gained since, °C; 0 where that is not the reason. */
  gainedC: number;
  restedMin: number;
}

/** What brings one back to a rested place. */
const back = { gainedC: 1, duskMs: 50 * minuteMs, restored: 0.75, soonestMs: 20 * minuteMs } as const;

/**
 * The rested place to go back to, and why: first where the water has gained a degree since, then at dusk, then what has come back by
 * itself; among those what gave most. Null where none has rested enough.
 * @param duskAtMs dusk of today
 */
export function backTo(places: readonly FishedPlace[], nowMs: number, tempC: number | null, duskAtMs: number | null): BackTo | null {
  const ranked = [...places].sort((a, b) => b.fish + 0.5 * b.bites - (a.fish + 0.5 * a.bites) || a.leftMs - b.leftMs).filter((p) => nowMs - p.leftMs >= back.soonestMs);
  const answer = (place: FishedPlace, why: BackTo['why'], gainedC = 0): BackTo => ({ place, why, gainedC, restedMin: Math.round((nowMs - place.leftMs) / minuteMs) });
  const gained = (p: FishedPlace) => (p.tempC === null || tempC === null ? 0 : tempC - p.tempC);
  const warmed = ranked.find((p) => gained(p) >= back.gainedC);
  if (warmed) return answer(warmed, 'warmed', gained(warmed));
  const gave = ranked.filter((p) => p.fish + p.bites > 0);
  const toDusk = duskAtMs === null ? Infinity : duskAtMs - nowMs;
  if (gave.length > 0 && toDusk <= back.duskMs && toDusk > -0.5 * hourMs) return answer(gave[0], 'dusk');
  const rested = gave.find((p) => restored(p, nowMs) >= back.restored);
  return rested ? answer(rested, 'rested') : null;
}
