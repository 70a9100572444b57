import { bearingDeg, distanceM, type LonLat } from '../ground';
import { freshSchools } from '../holes';
import type { OutingState } from '../ledger';
import { minuteMs } from '../units';

/** How fast the wind takes a float along, m/s: a fiftieth of it. Heuristic. */
export const floatDriftMs = (windMs: number): number => 0.02 * Math.min(30, Math.max(0, windMs));

/** Where a school seen twice is going: its bearing, its speed, and where it should be after a while; null from one sighting, or two at one moment. */
export function schoolWay(seen: readonly { ms: number; at: LonLat }[], aheadMs: number): { bearingDeg: number; speedMs: number; ahead: LonLat } | null {
  if (seen.length < 2) return null;
  const [a, b] = seen.slice(-2);
  const seconds = (b.ms - a.ms) / 1000;
  if (!(seconds > 0) || seconds * 1000 > 60 * minuteMs) return null;
  const share = (aheadMs - b.ms) / 1000 / seconds;
  return {
    bearingDeg: bearingDeg(a.at, b.at),
    speedMs: distanceM(a.at, b.at) / seconds,
    ahead: [b.at[0] + share * (b.at[0] - a.at[0]), b.at[1] + share * (b.at[1] - a.at[1])],
  };
}

export interface ReleaseAdvice {
  ruleId: string;
  text: string;
  viewpoint?: string;
}

/** Where to put a fish back. Source: fieldcraft, handling. */
export function releaseAdvice(isOnIce: boolean, isSchool: boolean, airC: number | null): ReleaseAdvice {
  if (isOnIce) return { ruleId: 'release.ice', text: 'Back down the hole at once: on the ice it freezes.', viewpoint: 'Others carry it 20 to 30 m from the school' };
  if (isSchool)
    return {
      ruleId: 'release.school',
      text: 'Put it back 20 to 30 m away from where they bite: one that bolts into a tight school takes it along.',
      viewpoint: 'Some release at once',
    };
  return {
    ruleId: 'release.open',
    text: airC !== null && airC < -5 ? 'Unhook it in the water: gills freeze in seconds.' : 'Back at once, held in the water until it goes by itself.',
  };
}

/** Another fish of the place within so long, or a school seen so near to it, is a tight school, ms and m. Heuristic. */
const [schoolMs, schoolNearM] = [20 * minuteMs, 15] as const;

/** Where to put a fish of a station back: away from a school that bites there, at once on ice. */
export function releaseHere(outing: OutingState, stationId: string, nowMs: number, isOnIce: boolean, airC: number | null): ReleaseAdvice {
  const at = outing.stations.find((s) => s.id === stationId)?.at;
  const bites = outing.fish.some((f) => f.station === stationId && nowMs - f.ms < schoolMs);
  const isSeen = at !== undefined && freshSchools(outing, nowMs).some((s) => distanceM(s, at) <= schoolNearM);
  return releaseAdvice(isOnIce, bites || isSeen, airC);
}
