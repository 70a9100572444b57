import { speciesOf, type SpeciesGroup } from '../fish';
import { distanceM, type LonLat } from '../ground';

const secondMs = 1000;

/** Where a phone was, and how well it knew. */
export interface PhoneFix {
  at: LonLat;
  readMs: number;
  accuracyM: number;
}

/** Fixes are compared over so long, s: less, and their error is larger than the way; more, and the boat has turned. */
const [leastS, mostS] = [10, 60] as const;
/** Faster is no trolling: the boat runs to the next place, m/s. */
export const fastestTrollMs = 4;

/**
 * Speed over the ground, m/s, estimated from the places a phone reported, newest last: the straight way over the longest stretch of 10 to 60 s.
 * Null where there is no such stretch, or where the way is shorter than the fixes are uncertain.
 */
export function speedOfFixes(fixes: readonly PhoneFix[]): number | null {
  const last = fixes.at(-1);
  if (!last) return null;
  const first = fixes.find((f) => last.readMs - f.readMs <= mostS * secondMs && last.readMs - f.readMs >= leastS * secondMs);
  if (!first) return null;
  const spanS = (last.readMs - first.readMs) / secondMs;
  const wayM = distanceM(first.at, last.at);
  return wayM < Math.max(first.accuracyM, last.accuracyM) ? null : wayM / spanS;
}

/** The speed to reckon a pass with, m/s, and who says so: the phone, its last places, or nobody. What is no trolling counts as not known. */
export function trollingSpeed(phoneMs: number | null, fixes: readonly PhoneFix[], wishedMs: number): { speedMs: number; by: 'measured' | 'estimated' | 'assumed' } {
  const trolls = (ms: number | null): ms is number => ms !== null && ms > 0.1 && ms <= fastestTrollMs;
  if (trolls(phoneMs)) return { speedMs: phoneMs, by: 'measured' };
  const estimated = phoneMs === null ? speedOfFixes(fixes) : null;
  return trolls(estimated) ? { speedMs: estimated, by: 'estimated' } : { speedMs: wishedMs, by: 'assumed' };
}

/** Speeds at which fish of a group take a bait that is drawn, m/s. Heuristic; source: fieldcraft §5, trolling: creeping for crappie, 0.4 to 0.8 for trout in the cold. */
const groupSpeeds: Readonly<Record<SpeciesGroup, readonly [number, number]>> = {
  panfish: [0.1, 0.4],
  'stocked-trout': [0.4, 0.8],
  deep: [0.5, 0.9],
  bass: [0.4, 0.9],
  'pike-walleye': [0.4, 1],
  'roach-like': [0.1, 0.4],
};
/** Below this their upper end is cut to this share, °C. Heuristic: cold fish follow no further. */
const [numbC, numbShare] = [5, 0.75] as const;
/** So far over the range it is too fast. Convention: a phone reads no finer. */
const overShare = 1.15;

/** Speeds to draw a bait at for a species in water of a temperature, m/s. */
export function speedsFor(speciesId: string, tempC: number): { fromMs: number; toMs: number } {
  const [fromMs, toMs] = groupSpeeds[speciesOf(speciesId).group];
  return { fromMs, toMs: tempC < numbC ? Math.max(fromMs, toMs * numbShare) : toMs };
}

/** Whether a speed that somebody read is too fast for a range, m/s; never of one that was only assumed. */
export const isTooFast = (speedMs: number, by: 'measured' | 'estimated' | 'assumed', { toMs }: { toMs: number }): boolean => by !== 'assumed' && speedMs > toMs * overShare;
