import { clamp, clockText, distanceText, minuteMs, type UnitPreference } from '../units';

/** What one goes home in, with its speed over still water, m/s. Heuristic: a loaded craft, cold hands, no hurry. */
export const wayHomeMs = { kayak: 1.1, boat: 2, foot: 0.9 } as const;
export type WayHome = keyof typeof wayHomeMs;

/** Wind from ahead and flow take of the speed; no less than this share of it is left. Source: fieldcraft ("be off before wind against the way home"); heuristic. */
const [windShare, leastShare] = [0.04, 0.3] as const;
/** Spare time before dark, min. Convention. */
const spareMin = 30;

export interface TurnBack {
  atMs: number;
  /** The way itself, min. */
  wayMin: number;
}

/**
 * When to turn back so as to be home half an hour before dark.
 * @param homeM way home, m
 * @param againstMs wind that blows from ahead on the way home, m/s; negative from behind
 * @param flowMs flow against the way home, m/s; negative with it
 */
export function turnBack(duskMs: number, homeM: number, by: WayHome, againstMs: number, flowMs: number): TurnBack {
  const still = wayHomeMs[by];
  const share = by === 'foot' ? 1 : 1 - windShare * clamp(againstMs, 0, 15);
  const speedMs = Math.max(leastShare * still, still * share - (by === 'foot' ? 0 : flowMs));
  const wayMin = homeM / speedMs / 60;
  return { atMs: duskMs - (spareMin + wayMin) * minuteMs, wayMin };
}

/** Wind from ahead on the way home, m/s; from a quarter that nobody knows all of it. */
export const windAgainst = (speedMs: number, fromDeg: number | null, homeDeg: number): number =>
  fromDeg === null ? speedMs : speedMs * Math.cos(((fromDeg - homeDeg) * Math.PI) / 180);

/** The turning back in words: when, and what it is made of. */
export function turnBackText({ atMs, wayMin }: TurnBack, duskMs: number, homeM: number, nowMs: number, timeZone: string, units: UnitPreference): string {
  const made = `dark at ${clockText(duskMs, timeZone)}, ${distanceText(homeM, units)} home in ${Math.max(1, Math.round(wayMin))} min, half an hour to spare`;
  return nowMs >= atMs ? `Go home now: ${made}.` : `Turn back by ${clockText(atMs, timeZone)}: ${made}.`;
}
