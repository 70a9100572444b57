import { bearingDeg, distanceM, type LonLat } from '../ground';
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
