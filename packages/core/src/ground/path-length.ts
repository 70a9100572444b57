import { bearingDeg, compassPoint, depthText, distanceM, distanceText, type LonLat, type UnitPreference } from '../units';
import { depthAt, type DepthMap } from './depth-map';

/** A way over the water in words: its length, where it leads, and the depth at its ends. */
export function wayText(map: DepthMap, places: readonly LonLat[], units: UnitPreference): string {
  if (places.length < 2) return places.length === 0 ? 'Tap where the way begins.' : 'Tap where it goes on.';
  const lengthM = places.slice(1).reduce((sum, p, k) => sum + distanceM(places[k], p), 0);
  const [from, to] = [places[0], places[places.length - 1]];
  const depths = [depthAt(map, from), depthAt(map, to)].map((d) => (d ? depthText(d.depthM, units) : 'ashore'));
  return `${distanceText(lengthM, units)} ${compassPoint(bearingDeg(from, to))}, from ${depths[0]} to ${depths[1]}`;
}

/** A stretch of depth with one of its ends moved: never above the surface, and never past the other end, which is pushed along, m. */
export function bandMoved(band: { fromM: number; toM: number }, end: 'fromM' | 'toM', byM: number): { fromM: number; toM: number } {
  const moved = Math.max(0, band[end] + byM);
  return end === 'fromM' ? { fromM: moved, toM: Math.max(moved, band.toM) } : { fromM: Math.min(moved, band.fromM), toM: moved };
}
